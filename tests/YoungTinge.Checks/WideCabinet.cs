using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;

namespace YoungTinge.Checks;

/// <summary>The starter cabinet with made-up neighbours of its colourants, for trials with a well-filled shelf.</summary>
public static class WideCabinet
{
    /// <param name="colourants">24 or more.</param>
    public static Materials With(int colourants)
    {
        var starter = StarterCabinet.Load();
        var own = starter.All.OfType<Colourant>().ToList();
        var neighbours = Enumerable.Range(0, colourants - own.Count).Select(i => Neighbour(own[i % own.Count], i));
        return new Materials([.. starter.All, .. neighbours]);
    }

    /// <summary>Its bands 10 to 20 nm away, and a fifth to a half stronger or weaker.</summary>
    private static Colourant Neighbour(Colourant colourant, int number)
    {
        var shift = (number % 2 == 0 ? 1 : -1) * (1 + number % 3 / 2);
        var strength = number % 3 == 0 ? 1.4 : 0.7;
        double K(int band) => colourant.Optics.Absorption[Math.Clamp(band + shift, 0, SpectralGrid.Bands - 1)] * strength;
        return colourant with
        {
            Label = colourant.Label with { Id = $"{colourant.Id}-{number}", Name = $"{colourant.Label.Name} {number}" },
            Optics = colourant.Optics with { Absorption = Spectrum.From(K) },
        };
    }
}
