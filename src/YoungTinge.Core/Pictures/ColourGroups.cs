using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Pictures;

/// <summary>Divides colours into groups that look alike: k-means in CIELAB, started far apart (k-means++), always the same way.</summary>
internal static class ColourGroups
{
    private const int Rounds = 25;

    /// <summary>The same colours always give the same groups.</summary>
    private const int Seed = 7;

    /// <returns>Middles of the groups, and for each colour the group it belongs to.</returns>
    public static (List<Lab> Middles, int[] GroupOf) Of(IReadOnlyList<Lab> colours, int groups)
    {
        var middles = Far(colours, groups);
        var groupOf = new int[colours.Count];
        for (var round = 0; round < Rounds; round++)
        {
            var moved = false;
            for (var i = 0; i < colours.Count; i++)
            {
                var nearest = Nearest(middles, colours[i]);
                moved |= nearest != groupOf[i];
                groupOf[i] = nearest;
            }

            if (!moved && round > 0)
                break;
            var sums = new (double L, double A, double B, int Count)[middles.Count];
            for (var i = 0; i < colours.Count; i++)
            {
                var (l, a, b, count) = sums[groupOf[i]];
                sums[groupOf[i]] = (l + colours[i].L, a + colours[i].A, b + colours[i].B, count + 1);
            }

            for (var group = 0; group < middles.Count; group++)
            {
                if (sums[group] is { Count: > 0 } sum)
                    middles[group] = new Lab(sum.L / sum.Count, sum.A / sum.Count, sum.B / sum.Count);
            }
        }

        return (middles, groupOf);
    }

    /// <summary>The same, with groups whose middles lie nearer than a distance taken together, the nearest first.</summary>
    public static int[] Merged(IReadOnlyList<Lab> colours, int groups, double nearer)
    {
        var (middles, groupOf) = Of(colours, groups);
        var counts = middles.Select((_, group) => (double)groupOf.Count(one => one == group)).ToList();
        var into = Enumerable.Range(0, middles.Count).ToArray();
        while (true)
        {
            var (one, other, apart) = (0, 0, double.PositiveInfinity);
            for (var i = 0; i < middles.Count; i++)
            {
                for (var j = 0; j < i; j++)
                {
                    if (counts[i] > 0 && counts[j] > 0 && PatchReader.Distance(middles[i], middles[j]) is var distance && distance < apart)
                        (one, other, apart) = (i, j, distance);
                }
            }

            if (apart >= nearer)
                return [.. groupOf.Select(group => into[group])];
            middles[other] = Mix(middles[other], counts[other], middles[one], counts[one]);
            (counts[other], counts[one]) = (counts[other] + counts[one], 0);
            for (var i = 0; i < into.Length; i++)
                into[i] = into[i] == one ? other : into[i];
        }
    }

    /// <summary>Middle of two groups of different size.</summary>
    public static Lab Mix(Lab one, double much, Lab other, double more)
    {
        var share = much / (much + more);
        return new Lab(share * one.L + (1 - share) * other.L, share * one.A + (1 - share) * other.A, share * one.B + (1 - share) * other.B);
    }

    public static int Nearest(List<Lab> middles, Lab colour)
    {
        var nearest = 0;
        for (var group = 1; group < middles.Count; group++)
        {
            if (PatchReader.Distance(middles[group], colour) < PatchReader.Distance(middles[nearest], colour))
                nearest = group;
        }

        return nearest;
    }

    private static List<Lab> Far(IReadOnlyList<Lab> colours, int groups)
    {
        var chance = new Random(Seed);
        var middles = new List<Lab> { colours[colours.Count / 2] };
        while (middles.Count < Math.Min(groups, colours.Count))
        {
            var weights = colours.Select(colour => Math.Pow(PatchReader.Distance(middles[Nearest(middles, colour)], colour), 2)).ToList();
            var total = weights.Sum();
            if (total <= 0)
                break;
            var at = chance.NextDouble() * total;
            var i = 0;
            while (i < weights.Count - 1 && (at -= weights[i]) > 0)
                i++;
            middles.Add(colours[i]);
        }

        return middles;
    }
}
