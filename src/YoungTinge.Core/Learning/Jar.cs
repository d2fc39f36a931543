using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Learning;

/// <summary>A jar as its list has it, before anything was learned of it.</summary>
/// <param name="Id">Its own: another lot of the same name is another jar.</param>
/// <param name="Name">Shared by the lots of one colour: a new lot begins where the others are.</param>
/// <param name="Listed">In 1/mm for each g per 100 g.</param>
public sealed record Jar(string Id, string Name, KubelkaMunkSpectra Listed)
{
    /// <summary>How it comes out as a paste rests, by its list.</summary>
    public Development Development { get; init; } = new(1, 1);
}

/// <summary>Which way a jar's colour leans against that of its list.</summary>
public enum ColourLean
{
    None,

    /// <summary>It takes more of the long waves.</summary>
    ToBlue,

    /// <summary>It takes more of the short ones.</summary>
    ToRed,
}

/// <summary>How a jar differs from its list.</summary>
/// <param name="Strength">Natural logarithm of how many times as strong it is; 0 as listed.</param>
/// <param name="Tilt">Its K is exp(tilt) times the listed one 175 nm above the middle of the spectrum, and the inverse below; 0 as listed.</param>
public readonly record struct JarDifference(double Strength, double Tilt)
{
    private const double MiddleNm = 555;
    private const double TiltNm = 175;

    /// <summary>How many times as strong as listed.</summary>
    public double Times => Math.Exp(Strength);

    /// <summary>How its colour leans, as an eye would say it.</summary>
    public ColourLean Lean => Tilt switch { > SeenTilt => ColourLean.ToBlue, < -SeenTilt => ColourLean.ToRed, _ => ColourLean.None };

    /// <summary>Less of it nobody sees. House figure.</summary>
    private const double SeenTilt = 0.04;

    /// <summary>Where a band stands on the way from the middle of the spectrum, about -1 to 1.</summary>
    public static double TiltAt(int band) => (SpectralGrid.WavelengthNm(band) - MiddleNm) / TiltNm;

    /// <summary>K and S of the jar itself: both as strong, K tilted.</summary>
    public KubelkaMunkSpectra Of(KubelkaMunkSpectra listed)
    {
        var (strength, tilt) = this;
        return strength == 0 && tilt == 0 ? listed : new KubelkaMunkSpectra(
            Spectrum.From(band => listed.Absorption[band] * Math.Exp(strength + tilt * TiltAt(band))), listed.Scattering.Map(s => s * Math.Exp(strength)));
    }
}

/// <summary>What is taken of jars that nobody has read: standard deviations. House figures.</summary>
public static class JarPrior
{
    public const double Strength = 0.22;

    public const double Tilt = 0.08;

    /// <param name="which">0 for strength, 1 for tilt: the order of both in everything that is solved.</param>
    internal static double Variance(int which) => which == 0 ? Strength * Strength : Tilt * Tilt;

    /// <summary>Of strength, for each root of a month: a jar ages, so what was read long ago says less of it now.</summary>
    public const double AgeingPerRootMonth = 0.03;
}
