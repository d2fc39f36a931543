namespace YoungTinge.Core.Cabinet;

/// <summary>How heavily a maker lays what a plan asks for, as times the house's hand.</summary>
/// <param name="Dust">Of dust at some loads, the lightest first; between two of them by ratio, beyond them as at the nearest. None for as planned.</param>
/// <param name="Wash">Of a wash: how wet she brushes it on.</param>
public sealed record MakersHand(IReadOnlyList<HandAt> Dust, double Wash)
{
    /// <summary>It lays what is planned.</summary>
    public static MakersHand House { get; } = new([], 1);

    /// <param name="mgPerCm2">As it is planned, above 0.</param>
    public double DustTimes(double mgPerCm2)
    {
        if (Dust.Count == 0)
            return 1;
        var above = 0;
        while (above < Dust.Count && Dust[above].MgPerCm2 < mgPerCm2)
            above++;
        if (above == 0 || above == Dust.Count)
            return Dust[Math.Min(above, Dust.Count - 1)].Times;
        var (low, high) = (Dust[above - 1], Dust[above]);
        var share = Math.Log(mgPerCm2 / low.MgPerCm2) / Math.Log(high.MgPerCm2 / low.MgPerCm2);
        return low.Times * Math.Pow(high.Times / low.Times, share);
    }
}

/// <param name="MgPerCm2">A load as it is planned.</param>
/// <param name="Times">What is laid then, as times that.</param>
public readonly record struct HandAt(double MgPerCm2, double Times);
