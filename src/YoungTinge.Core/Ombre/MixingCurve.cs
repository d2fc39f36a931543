using YoungTinge.Core.Colour;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Ombre;

/// <summary>
/// The colours on the way from one paste into another: K and S go by mass, the eye does not. The first touch of white into a deep
/// paste changes little, the last touch of colour in white a lot; so steps that look even are found along this curve.
/// </summary>
public sealed class MixingCurve
{
    /// <summary>Neighbouring samples are nearer than this (CIEDE2000), so that no turn of the curve is jumped over.</summary>
    private const double Fine = 0.3;

    private const double FinestShare = 1e-6;
    private const int Halvings = 50;

    private readonly KubelkaMunkSpectra from;
    private readonly KubelkaMunkSpectra to;
    private readonly List<(double Share, Lab Colour)> samples = [];

    /// <param name="from">K and S in 1/mm at share 0.</param>
    /// <param name="to">At share 1.</param>
    public MixingCurve(KubelkaMunkSpectra from, KubelkaMunkSpectra to)
    {
        (this.from, this.to) = (from, to);
        samples.Add((0, ColourAt(0)));
        Refine(samples[0], (1, ColourAt(1)));
    }

    /// <summary>Along all of the curve, CIEDE2000 from sample to sample.</summary>
    public double Length => samples.Zip(samples.Skip(1), (a, b) => DeltaE2000.Between(a.Colour, b.Colour)).Sum();

    /// <summary>Daylight, rested.</summary>
    /// <param name="share">Of the second paste by mass, 0 to 1.</param>
    public Lab ColourAt(double share) => Illuminant.D65.LabOf(KubelkaMunk.Opaque(PasteLump.Blend(from, to, share)));

    /// <summary>Places along the curve, its two ends among them, whose neighbours stand as far apart to the eye as was asked.</summary>
    /// <param name="steps">How far each step should look, in any unit, each above 0; at least one.</param>
    /// <returns>Shares of the second paste: 0 first, 1 last, one more than there are steps.</returns>
    public IReadOnlyList<double> PlacesFor(IReadOnlyList<double> steps)
    {
        double low = 0, high = 2 * Length / steps.Min() + 1;
        for (var i = 0; i < Halvings; i++)
        {
            var unit = (low + high) / 2;
            if (Walk(steps, unit) is null)
                high = unit;
            else
                low = unit;
        }

        return [.. Walk(steps, low)!, 1];
    }

    /// <summary>All places but the end, or null if the last step would go past it.</summary>
    private List<double>? Walk(IReadOnlyList<double> steps, double unit)
    {
        var places = new List<double> { 0 };
        foreach (var step in steps.Take(steps.Count - 1))
        {
            if (After(places[^1], unit * step) is not { } next)
                return null;
            places.Add(next);
        }

        return DeltaE2000.Between(ColourAt(places[^1]), samples[^1].Colour) >= unit * steps[^1] ? places : null;
    }

    /// <summary>The first place that looks this far from a place before it; null if none does.</summary>
    private double? After(double share, double deltaE)
    {
        var here = ColourAt(share);
        var before = share;
        foreach (var (next, colour) in samples)
        {
            if (next <= share)
                continue;
            if (DeltaE2000.Between(here, colour) >= deltaE)
            {
                var (low, high) = (before, next);
                for (var i = 0; i < Halvings; i++)
                {
                    var middle = (low + high) / 2;
                    if (DeltaE2000.Between(here, ColourAt(middle)) >= deltaE)
                        high = middle;
                    else
                        low = middle;
                }

                return high;
            }

            before = next;
        }

        return null;
    }

    private void Refine((double Share, Lab Colour) start, (double Share, Lab Colour) end)
    {
        var middle = (start.Share + end.Share) / 2;
        var colour = ColourAt(middle);
        var isFine = DeltaE2000.Between(start.Colour, colour) < Fine && DeltaE2000.Between(colour, end.Colour) < Fine;
        if (isFine || end.Share - start.Share < FinestShare)
        {
            samples.Add((middle, colour));
            samples.Add(end);
            return;
        }

        Refine(start, (middle, colour));
        Refine((middle, colour), end);
    }
}
