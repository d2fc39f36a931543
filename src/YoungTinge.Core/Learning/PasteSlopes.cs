using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Learning;

/// <summary>
/// The colour of rested opaque pastes by how their jars differ from their lists, with slopes. A jar that is stronger is as more of it would be; one that is tilted is as if
/// a little of a colour were added that takes what the tilt takes, and scatters nothing. Daylight.
/// </summary>
/// <param name="paste">In 1/mm.</param>
/// <param name="jars">K and S of the jars as they are thought to be.</param>
internal sealed class PasteSlopes(KubelkaMunkSpectra paste, IReadOnlyList<KubelkaMunkSpectra> jars)
{
    private static readonly Spectrum None = Spectrum.From(_ => 0);

    private readonly PasteColourModel model = new(paste, [
        .. jars, .. jars.Select(jar => new KubelkaMunkSpectra(Spectrum.From(band => jar.Absorption[band] * JarDifference.TiltAt(band)), None))]);

    /// <param name="chosen">Which jars, by their places.</param>
    /// <param name="unknowns">Of these doses.</param>
    /// <param name="timesOf">How many times as much as written a unit is.</param>
    /// <param name="slopes">Room for all unknowns, in L, a and b.</param>
    public Lab ColourAndSlopes(ReadOnlySpan<int> chosen, IReadOnlyList<JarDose> doses, PasteUnknowns unknowns, Func<OwnUnit, double> timesOf, Span<Lab> slopes)
    {
        var n = doses.Count;
        Span<int> both = stackalloc int[2 * n];
        Span<double> amounts = stackalloc double[2 * n];
        Span<Lab> each = stackalloc Lab[2 * n];
        for (var i = 0; i < n; i++)
        {
            (both[i], amounts[i]) = (chosen[i], doses[i].GPer100g * (doses[i].Counted is { } counted ? timesOf(counted.Unit) : 1));
            (both[n + i], amounts[n + i]) = (jars.Count + chosen[i], 0);
        }

        var colour = model.ColourAndSlopes(both, amounts, each);
        for (var i = 0; i < n; i++)
        {
            slopes[2 * i] = Times(each[i], amounts[i]);
            slopes[2 * i + 1] = Times(each[n + i], amounts[i]);
        }

        // A unit that is larger is as if all that was counted in it were stronger.
        for (var unit = 0; unit < unknowns.Units.Count; unit++)
        {
            var slope = default(Lab);
            for (var i = 0; i < n; i++)
            {
                if (doses[i].Counted?.Unit == unknowns.Units[unit])
                    slope = new Lab(slope.L + slopes[2 * i].L, slope.A + slopes[2 * i].A, slope.B + slopes[2 * i].B);
            }

            slopes[2 * n + unit] = slope;
        }

        return colour;
    }

    private static Lab Times(Lab slope, double dose) => new(slope.L * dose, slope.A * dose, slope.B * dose);
}
