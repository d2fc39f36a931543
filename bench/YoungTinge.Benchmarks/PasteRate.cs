using System.Diagnostics;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Benchmarks;

/// <summary>How many colours of a paste with two colourants are told a second, from doses to Lab, on one core: beside what others do.</summary>
internal static class PasteRate
{
    private const int Times = 2_000_000;

    public static void Print()
    {
        var materials = StarterCabinet.Load();
        var colourants = materials.All.OfType<Colourant>().ToList();
        var model = new PasteColourModel(materials.Get<PasteBase>("bright-white-paste").Optics, [.. colourants.Select(one => one.Optics)]);
        int[] chosen = [colourants.FindIndex(one => one.Id == "quince"), colourants.FindIndex(one => one.Id == "lichen")];
        var doses = new double[2];
        Tell("the core's fast way", Times, dose =>
        {
            (doses[0], doses[1]) = (dose, dose / 3);
            return model.ColourOf(chosen, doses).L;
        });
        Tell("the readable reference", Times / 10, dose =>
            Illuminant.D65.LabOf(PasteOptics.Reflectance(new PasteRecipe("bright-white-paste", [new Dose("quince", dose), new Dose("lichen", dose / 3)]), materials)).L);
    }

    private static void Tell(string what, int times, Func<double, double> colour)
    {
        Run(times / 5);
        var watch = Stopwatch.StartNew();
        Run(times);
        Console.WriteLine($"{what}: {times / watch.Elapsed.TotalSeconds:N0} a second");

        void Run(int count)
        {
            var sum = 0.0;
            for (var i = 0; i < count; i++)
                sum += colour(0.1 + i % 100 / 1000.0);
            if (!double.IsFinite(sum))
                throw new InvalidOperationException("No colour.");
        }
    }
}
