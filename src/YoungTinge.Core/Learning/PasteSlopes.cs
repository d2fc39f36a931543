using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Learning;

/// <summary>
/// The colour of opaque pastes by how their jars differ from their lists, with slopes. A jar that is stronger is as more of it would be; one that is tilted is as if
/// a little of a colour were added that takes what the tilt takes, and scatters nothing; one that still rests is as if some of what it takes were taken away again. Daylight.
/// </summary>
/// <param name="paste">In 1/mm.</param>
/// <param name="jars">K and S of the jars as they are thought to be.</param>
/// <param name="developments">How they come out as a paste rests, as it is thought to be.</param>
internal sealed class PasteSlopes(KubelkaMunkSpectra paste, IReadOnlyList<KubelkaMunkSpectra> jars, IReadOnlyList<Development> developments)
{
    private static readonly Spectrum None = Spectrum.From(_ => 0);

    private readonly PasteColourModel model = new(paste, [
        .. jars, .. jars.Select(jar => new KubelkaMunkSpectra(Spectrum.From(band => jar.Absorption[band] * JarDifference.TiltAt(band)), None)),
        .. jars.Select(jar => new KubelkaMunkSpectra(jar.Absorption, None))]);

    /// <param name="chosen">Which jars, by their places.</param>
    /// <param name="unknowns">Of the paste.</param>
    /// <param name="timesOf">How many times as much as written a unit is.</param>
    /// <param name="slopes">Room for all unknowns, in L, a and b.</param>
    public Lab ColourAndSlopes(ReadOnlySpan<int> chosen, PasteUnknowns unknowns, Func<OwnUnit, double> timesOf, Span<Lab> slopes)
    {
        var doses = unknowns.Doses;
        var n = doses.Count;
        var parts = unknowns.RestedHours is null ? 2 : 3;
        Span<int> all = stackalloc int[parts * n];
        Span<double> amounts = stackalloc double[parts * n];
        Span<Lab> each = stackalloc Lab[parts * n];
        for (var i = 0; i < n; i++)
        {
            (all[i], amounts[i]) = (chosen[i], doses[i].GPer100g * (doses[i].Counted is { } counted ? timesOf(counted.Unit) : 1));
            (all[n + i], amounts[n + i]) = (jars.Count + chosen[i], 0);
            if (unknowns.RestedHours is { } hours)
                (all[2 * n + i], amounts[2 * n + i]) = (2 * jars.Count + chosen[i], -amounts[i] * (1 - developments[chosen[i]].ShareAfter(hours)));
        }

        var colour = model.ColourAndSlopes(all, amounts, each);
        for (var i = 0; i < n; i++)
        {
            slopes[2 * i] = Times(each[i], amounts[i]);
            slopes[2 * i + 1] = Times(each[n + i], amounts[i]);
        }

        if (unknowns.RestedHours is { } rested)
        {
            var slope = default(Lab);
            for (var i = 0; i < n; i++)
            {
                var (held, development) = (each[2 * n + i], developments[chosen[i]]);
                slopes[2 * i] = Sum(slopes[2 * i], Times(held, amounts[2 * n + i]));
                slopes[2 * i + 1] = Times(slopes[2 * i + 1], development.ShareAfter(rested));
                slope = Sum(slope, Times(held, amounts[i] * development.ShareSlopeAfter(rested)));
            }

            slopes[unknowns.Count - 1] = slope;
        }

        // A unit that is larger is as if all that was counted in it were stronger.
        for (var unit = 0; unit < unknowns.Units.Count; unit++)
        {
            var slope = default(Lab);
            for (var i = 0; i < n; i++)
            {
                if (doses[i].Counted?.Unit == unknowns.Units[unit])
                    slope = Sum(slope, slopes[2 * i]);
            }

            slopes[2 * n + unit] = slope;
        }

        return colour;
    }

    private static Lab Sum(Lab one, Lab other) => new(one.L + other.L, one.A + other.A, one.B + other.B);

    private static Lab Times(Lab slope, double times) => new(slope.L * times, slope.A * times, slope.B * times);
}
