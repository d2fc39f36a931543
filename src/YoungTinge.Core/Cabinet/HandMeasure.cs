namespace YoungTinge.Core.Cabinet;

/// <summary>What a hand takes an amount in.</summary>
public enum HandUnit
{
    Grams,
    KnifeTips,
}

/// <summary>An amount of powder as a hand can measure it.</summary>
/// <param name="Grams">As it is measured.</param>
/// <param name="Count">Grams, a multiple of the scale's step; or whole knife tips.</param>
public sealed record HandAmount(string MaterialId, double Grams, HandUnit Unit, double Count);

/// <summary>Powder in a measure that a maker has: the scale, or the tip of a knife for what the scale does not show.</summary>
public static class HandMeasure
{
    /// <summary>Dry colour on the tip of a small knife, in g. House figure.</summary>
    public const double KnifeTipG = 0.05;

    /// <param name="grams">Above 0.</param>
    /// <param name="scaleG">Smallest step of the scale.</param>
    public static HandAmount Of(string materialId, double grams, double scaleG) => grams >= scaleG / 2
        ? new HandAmount(materialId, Rounded(grams, scaleG), HandUnit.Grams, Rounded(grams, scaleG))
        : Tips(materialId, (int)Math.Max(1, Math.Round(grams / KnifeTipG)));

    internal static HandAmount Tips(string materialId, int tips) => new(materialId, tips * KnifeTipG, HandUnit.KnifeTips, tips);

    internal static HandAmount Weighed(string materialId, double grams, double scaleG) =>
        new(materialId, Rounded(grams, scaleG), HandUnit.Grams, Rounded(grams, scaleG));

    // Steps are counted, so that no tenth of a milligram is left over.
    private static double Rounded(double grams, double scaleG) => Math.Round(Math.Max(1, Math.Round(grams / scaleG)) * scaleG, 6);
}
