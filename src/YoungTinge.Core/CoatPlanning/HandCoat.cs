using MathNet.Numerics;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;

namespace YoungTinge.Core.CoatPlanning;

/// <summary>
/// A coat as a hand makes it: a pot in small whole parts, laid light, medium or heavy; or a wash of whole touches to a spoon. Which of
/// them, is tried out step by step from what was solved.
/// </summary>
/// <param name="Template">That it came from.</param>
/// <param name="Parts">Whole, in the order of the materials; what has none is left out.</param>
/// <param name="Step">Of the loads that have a name, or of touches to a spoon.</param>
internal sealed record HandCoat(CandidateCoat Template, IReadOnlyList<int> Parts, int Step, int? StarchAt, double TouchGPerMl)
{
    /// <summary>Nobody counts more of one thing into a pot.</summary>
    private const int MostParts = 12;

    /// <summary>A share below it is left out.</summary>
    private const double LeastShare = 0.03;

    /// <summary>Touches of colour to a spoon of spirit: one to four spoons, then three to two, then whole ones.</summary>
    private static readonly double[] Touches = [0.25, 1.0 / 3, 0.5, 1, 1.5, .. Enumerable.Range(2, 39)];

    private bool IsWash => TouchGPerMl > 0;

    /// <summary>Of everything in it: mg/cm2, or g in 1 ml.</summary>
    private double Total => IsWash ? Touches[Step] * TouchGPerMl : DustLoad.Named[Step].MgPerCm2;

    /// <summary>As much colour as was solved: of a dust in each load that it fits in, a wash as near as touches come.</summary>
    /// <param name="starchAt">Place of the starch that it is let down with; null if there is none.</param>
    /// <param name="touchGPerMl">Of a wash, what one touch to a spoon comes to; 0 for a dust.</param>
    /// <returns>At least one.</returns>
    public static IEnumerable<HandCoat> Of(CandidateCoat solved, int? starchAt, double touchGPerMl)
    {
        if (touchGPerMl > 0)
            return [new HandCoat(solved, PartsOf(solved.Amounts), Touches.Index().MinBy(one => Math.Abs(Math.Log(solved.Total / touchGPerMl / one.Item))).Index, null, touchGPerMl)];
        if (starchAt is not { } at || solved.Amounts.Where((_, i) => i != at).Sum() is not (> 0 and var colour))
            return [new HandCoat(solved, PartsOf(solved.Amounts), DustLoad.Named.Index().MinBy(one => Math.Abs(Math.Log(solved.Total / one.Item.MgPerCm2))).Index, starchAt, 0)];
        var steps = Enumerable.Range(0, DustLoad.Named.Count);
        return steps.Where(step => step == DustLoad.Named.Count - 1 || colour <= DustLoad.Named[step].MgPerCm2).Select(step =>
        {
            double[] amounts = [.. solved.Amounts];
            // Starch is what the load has room for besides.
            amounts[at] = Math.Max(0, DustLoad.Named[step].MgPerCm2 - colour);
            return new HandCoat(solved, PartsOf(amounts), step, starchAt, 0);
        });
    }

    public CandidateCoat Candidate
    {
        get
        {
            double sum = Parts.Sum();
            return Template.With([.. Parts.Select(part => part / sum * Total)]);
        }
    }

    /// <summary>As it stands in a plan.</summary>
    public Coat Coat
    {
        get
        {
            Portion[] mix = [.. Template.Materials.Zip(Parts).Where(one => one.Second > 0).Select(one => new Portion(one.First, one.Second))];
            return Template.Template switch
            {
                DustCoat dust => dust with { Mix = mix, LoadMgPerCm2 = Total },
                WashCoat wash => wash with { Mix = mix, GPerMl = Total },
                var other => other,
            };
        }
    }

    /// <summary>A step or two in each direction that a hand can take.</summary>
    public IEnumerable<HandCoat> Neighbours()
    {
        for (var i = 0; i < Parts.Count; i++)
        {
            foreach (var by in new[] { 1, -1, 2, -2 })
            {
                // What was left out stays so: another jar is not opened for rounding.
                int[] parts = [.. Parts.Select((part, at) => at == i ? part + by : part)];
                if (Parts[i] > 0 && parts[i] is >= 0 and <= MostParts && IsColour(parts) && Euclid.GreatestCommonDivisor([.. parts.Select(part => (long)part)]) == 1)
                    yield return this with { Parts = parts };
            }
        }

        foreach (var step in new[] { Step + 1, Step - 1 })
        {
            if (step < 0 || step >= (IsWash ? Touches.Length : DustLoad.Named.Count))
                continue;
            var other = this with { Step = step };
            yield return other;
            // As much colour as before, in another load.
            if (StarchAt is not { } at || Template.Materials.Count == 1)
                continue;
            double[] amounts = [.. Candidate.Amounts];
            amounts[at] = other.Total - amounts.Where((_, i) => i != at).Sum();
            if (amounts[at] >= 0)
                yield return other with { Parts = PartsOf(amounts) };
        }
    }

    /// <summary>Whether there is more in it than starch; where it was starch alone, any of it.</summary>
    private bool IsColour(IReadOnlyList<int> parts) => StarchAt is not { } at || Template.Materials.Count == 1 || parts.Where((_, i) => i != at).Any(part => part > 0);

    /// <summary>In the ratio of the amounts, traces left out.</summary>
    private static IReadOnlyList<int> PartsOf(IReadOnlyList<double> amounts) => WholeParts.Of([.. amounts.Select(amount => amount < LeastShare * amounts.Sum() ? 0 : amount)], MostParts);
}
