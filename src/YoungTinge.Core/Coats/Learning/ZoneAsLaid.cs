using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Coats.Learning;

/// <summary>How a coat lies at a spot, on the mean.</summary>
/// <param name="Share">Of a full load, 0 or more; 0 with no cover where it does not reach this side.</param>
/// <param name="Cover">Share of the spot that it lies on at all, 0 to 1.</param>
public readonly record struct Lying(double Share, double Cover);

/// <summary>What lies in one zone of a piece: enough to see it again with other dusts and another hand, when the piece is long gone.</summary>
/// <param name="Spots">A few, each of as much of the zone, by what they look like; in each how every coat lies, in order.</param>
/// <param name="Unevenness">What the zone differs by from the mean of these, in L, a and b.</param>
public sealed record ZoneAsLaid(IReadOnlyList<IReadOnlyList<Lying>> Spots, Lab Unevenness)
{
    /// <summary>That one is told by.</summary>
    public const int UsualSpots = 4;

    private const int MostSpots = 20;
    private const double MostShare = 10;
    private const double MostUnevenness = 50;

    /// <summary>Whether it could be one of a piece with so many coats.</summary>
    public bool CouldBe(int coats) => Spots.Count is > 0 and <= MostSpots && Spots.All(lies => lies.Count == coats && lies.All(lying => lying is { Share: >= 0 and <= MostShare, Cover: >= 0 and <= 1 }))
        && new[] { Unevenness.L, Unevenness.A, Unevenness.B }.All(off => Math.Abs(off) <= MostUnevenness);

    /// <summary>Whether any of a coat lies here.</summary>
    public bool Has(int coat) => Spots.Any(lies => lies[coat].Cover > 0);

    /// <summary>The mean look of some spots. Daylight.</summary>
    /// <param name="paste">K and S, in 1/mm.</param>
    /// <param name="layers">Of each coat; null for one that is not on this side.</param>
    public static Lab LookOf(KubelkaMunkSpectra paste, IReadOnlyList<Layer?> layers, IReadOnlyList<IReadOnlyList<Lying>> spots)
    {
        var stack = new LayerStack(paste, layers);
        var bare = KubelkaMunk.Opaque(paste);
        Span<double> face = stackalloc double[SpectralGrid.Bands], mean = stackalloc double[SpectralGrid.Bands];
        mean.Clear();
        foreach (var lies in spots)
        {
            bare.Values.CopyTo(face);
            stack.LayOn(face, new Coverage(lies));
            SimdKubelkaMunk.Add(mean, face, 1.0 / spots.Count);
        }

        return LabFromXyz.Convert(Illuminant.D65.XyzOf(mean), Illuminant.D65.White);
    }

    private readonly struct Coverage(IReadOnlyList<Lying> lies) : ILayerCoverage
    {
        public double ShareOf(int layer) => lies[layer].Share;

        public double CoverOf(int layer) => lies[layer].Cover;
    }
}
