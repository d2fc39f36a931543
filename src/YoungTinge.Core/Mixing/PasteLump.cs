using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Mixing;

/// <summary>Some paste on the bench.</summary>
/// <param name="Optics">K and S in 1/mm.</param>
public sealed record PasteLump(double Grams, KubelkaMunkSpectra Optics)
{
    /// <summary>Daylight, rested.</summary>
    public Lab Colour => Illuminant.D65.LabOf(KubelkaMunk.Opaque(Optics));

    /// <summary>Kneaded together; by mass, since pastes are of one density.</summary>
    public PasteLump With(PasteLump other) =>
        other.Grams <= 0 ? this : new PasteLump(Grams + other.Grams, Blend(Optics, other.Optics, other.Grams / (Grams + other.Grams)));

    public PasteLump Part(double grams) => this with { Grams = grams };

    /// <param name="share">Of the second, 0 to 1.</param>
    public static KubelkaMunkSpectra Blend(KubelkaMunkSpectra one, KubelkaMunkSpectra other, double share) => KubelkaMunkSpectra.Mean([(one, 1 - share), (other, share)]);
}
