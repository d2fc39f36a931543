namespace YoungTinge.Core.Cabinet;

/// <summary>How a colour comes out in paste as it rests.</summary>
/// <param name="ShareAtOnce">Share of its strength right after kneading, 0 to 1.</param>
/// <param name="TimeConstantHours">After this long, 63 % of the rest has come.</param>
public sealed record Development(double ShareAtOnce, double TimeConstantHours)
{
    /// <summary>Share of the full strength after resting, 0 to 1.</summary>
    public double ShareAfter(double hours) => 1 - (1 - ShareAtOnce) * Math.Exp(-hours / TimeConstantHours);

    /// <summary>By how much that share changes for each step of the natural logarithm of the time constant; 0 or less.</summary>
    public double ShareSlopeAfter(double hours) => -(1 - ShareAtOnce) * Math.Exp(-hours / TimeConstantHours) * hours / TimeConstantHours;

    /// <summary>The same colour where it takes so many times as long.</summary>
    public Development Times(double times) => this with { TimeConstantHours = TimeConstantHours * times };

    /// <summary>Rest needed until at least this share of the strength shows; 0 if it shows at once.</summary>
    public double HoursUntil(double share) =>
        share <= ShareAtOnce ? 0 : TimeConstantHours * Math.Log((1 - ShareAtOnce) / (1 - share));
}
