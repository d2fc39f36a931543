using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Mixing;

/// <summary>A colourant at one dose.</summary>
/// <param name="Colour">Rested, under daylight.</param>
/// <param name="FromBefore">CIEDE2000 to the rung before; for the first, to the paste as it comes.</param>
public sealed record Rung(double GPer100g, Lab Colour, double FromBefore);

/// <summary>What a colourant does to a paste, dose by dose up to its load limit: each dose the same number of times the one before.</summary>
public static class DoseLadder
{
    public const int Rungs = 8;

    private const double LowestGPer100g = 0.02;

    public static IReadOnlyList<Rung> Of(Colourant colourant, PasteBase paste, Materials materials)
    {
        var ratio = Math.Pow(colourant.LoadLimitGPer100g / LowestGPer100g, 1.0 / (Rungs - 1));
        var before = ColourAt(0);
        var rungs = new List<Rung>();
        for (var i = 0; i < Rungs; i++)
        {
            var dose = LowestGPer100g * Math.Pow(ratio, i);
            var colour = ColourAt(dose);
            rungs.Add(new Rung(dose, colour, DeltaE2000.Between(before, colour)));
            before = colour;
        }

        return rungs;

        Lab ColourAt(double dose) => PasteOptics.ColourOf(new PasteRecipe(paste.Id, [new Dose(colourant.Id, dose)]), materials);
    }
}
