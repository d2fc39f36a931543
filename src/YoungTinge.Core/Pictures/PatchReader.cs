using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Pictures;

/// <summary>Reads the colour of a patch as an eye does that overlooks a fleck of dust, a drop of dew and a shine.</summary>
public static class PatchReader
{
    /// <summary>Enough to be sure of a mean; more only take time.</summary>
    private const int MostPixels = 12_000;

    /// <summary>Pixels further from the median than this many median distances are strays.</summary>
    private const double StrayFrom = 2.5;

    /// <summary>So that a flat patch keeps all its pixels.</summary>
    private const double LeastTolerance = 0.5;

    private const byte BlownFrom = 252;
    private const double BlownShare = 0.02;
    private const byte DarkUnder = 26;
    private const byte EmptyUnder = 3;
    private const double VividShare = 0.2;
    private const double UnevenFrom = 6;

    // So much of a patch so far (CIEDE2000) from the rest is a second thing in it, not a fleck.
    private const double OtherFrom = 12;
    private const double OtherShare = 0.25;

    public static PatchReading Read(Photograph photo, Box box, WhiteBalance cast)
    {
        var (left, top, right, bottom) = box.In(photo);
        var step = Math.Max(1, (int)Math.Ceiling(Math.Sqrt((double)(right - left) * (bottom - top) / MostPixels)));
        var colours = new List<Lab>();
        int blown = 0, dark = 0, vivid = 0;
        for (var y = top; y < bottom; y += step)
        {
            for (var x = left; x < right; x += step)
            {
                colours.Add(cast.LabOf(photo.LinearAt(x, y)));
                var (darkest, brightest) = photo.ChannelsAt(x, y);
                blown += brightest >= BlownFrom ? 1 : 0;
                dark += brightest < DarkUnder ? 1 : 0;
                vivid += darkest < EmptyUnder && brightest >= DarkUnder ? 1 : 0;
            }
        }

        var mean = RobustMean(colours, out var spread, out var otherShare);
        var doubts = new List<PatchDoubt>();
        if (blown > BlownShare * colours.Count)
            doubts.Add(PatchDoubt.BlownOut);
        if (dark > colours.Count / 2)
            doubts.Add(PatchDoubt.TooDark);
        if (vivid > VividShare * colours.Count)
            doubts.Add(PatchDoubt.TooVivid);
        if (spread > UnevenFrom || otherShare > OtherShare)
            doubts.Add(PatchDoubt.Uneven);
        return new PatchReading(mean, spread, doubts);
    }

    private static Lab RobustMean(List<Lab> colours, out double spread, out double otherShare)
    {
        var middle = new Lab(Median(colours.Select(c => c.L)), Median(colours.Select(c => c.A)), Median(colours.Select(c => c.B)));
        var distances = colours.ConvertAll(colour => Distance(colour, middle));
        var tolerance = StrayFrom * Math.Max(LeastTolerance, Median(distances));
        var light = Illuminant.D65;
        var sum = new Xyz(0, 0, 0);
        var kept = new List<Lab>();
        foreach (var (colour, distance) in colours.Zip(distances))
        {
            if (distance > tolerance)
                continue;
            kept.Add(colour);
            // Light adds up, lightness does not.
            sum += XyzFromLab.Convert(colour, light.White);
        }

        var mean = LabFromXyz.Convert(sum * (1.0 / kept.Count), light.White);
        // Over all pixels, strays too: a patch half in shade is not to be trusted, however even each half is.
        var differences = colours.ConvertAll(colour => DeltaE2000.Between(mean, colour));
        spread = Median(differences);
        otherShare = (double)differences.Count(difference => difference > OtherFrom) / differences.Count;
        return mean;
    }

    internal static double Distance(Lab a, Lab b)
    {
        double l = a.L - b.L, c = a.A - b.A, d = a.B - b.B;
        return Math.Sqrt(l * l + c * c + d * d);
    }

    internal static double Median(IEnumerable<double> values)
    {
        var sorted = values.ToArray();
        Array.Sort(sorted);
        return sorted[sorted.Length / 2];
    }
}
