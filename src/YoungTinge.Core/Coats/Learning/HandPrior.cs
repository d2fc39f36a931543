using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;

namespace YoungTinge.Core.Coats.Learning;

/// <summary>What a hand may do otherwise than the house's, each by itself.</summary>
public enum HandPart
{
    LightDust,
    MediumDust,
    HeavyDust,
    Wash,
}

/// <summary>What is taken of a hand that nobody has read.</summary>
internal static class HandPrior
{
    /// <summary>Standard deviation of the logarithm of each. House figure.</summary>
    public const double Spread = 0.25;

    /// <summary>No coat of one hand is quite like its last: standard deviation of the logarithm between them. House figure.</summary>
    public const double Scatter = 0.08;

    public static readonly HandPart[] Parts = Enum.GetValues<HandPart>();

    /// <param name="x">Logarithms of how many times as heavily, by part.</param>
    public static MakersHand Of(ReadOnlySpan<double> x)
    {
        var dust = new HandAt[DustLoad.Named.Count];
        for (var i = 0; i < dust.Length; i++)
            dust[i] = new HandAt(DustLoad.Named[i].MgPerCm2, Math.Exp(x[i]));
        return new MakersHand(dust, Math.Exp(x[(int)HandPart.Wash]));
    }

    /// <summary>Which parts decide how much of a coat is laid.</summary>
    public static IEnumerable<HandPart> PartsIn(Coat coat) => coat switch
    {
        DustCoat dust => Parts.Where(part => part != HandPart.Wash && IsBeside(dust.LoadMgPerCm2, (int)part)),
        WashCoat { Marking: null } => [HandPart.Wash],
        _ => [],
    };

    /// <summary>Of the named loads those just below and above, or the nearest.</summary>
    private static bool IsBeside(double mgPerCm2, int named)
    {
        var loads = DustLoad.Named;
        return (named == 0 || mgPerCm2 > loads[named - 1].MgPerCm2) && (named == loads.Count - 1 || mgPerCm2 < loads[named + 1].MgPerCm2);
    }
}
