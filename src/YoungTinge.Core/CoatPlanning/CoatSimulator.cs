using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Coats.Rendering;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.CoatPlanning;

/// <summary>Looks quickly at a piece under way: few points a zone, and where coats lie is worked out once for each.</summary>
internal sealed class CoatSimulator
{
    private const int PointsAlong = 3;
    private const int PointsAcross = 4;

    /// <summary>Kept in mind at a time.</summary>
    private const int MostLayers = 4096;

    private static readonly Zone[] Zones = Enum.GetValues<Zone>();

    private readonly PieceShape shape;
    private readonly Materials materials;
    private readonly ZoneSample[][] samples;
    private readonly Dictionary<Coat, Layer> layers = new(ReferenceEqualityComparer.Instance);
    private readonly Dictionary<(Place?, Marking?, string), (double Share, double Cover)[][]> known = [];

    public CoatSimulator(PieceShape shape, Materials materials)
    {
        (this.shape, this.materials) = (shape, materials);
        samples = [.. Zones.Select(zone => ZoneArea.Of(zone, shape.Build).Samples(shape, PointsAlong, PointsAcross).ToArray())];
    }

    /// <summary>Colours of the zones in their order, or of one of them.</summary>
    public Lab[] See(KubelkaMunkSpectra mix, IReadOnlyList<Coat> coats, Zone? only = null)
    {
        var paste = KubelkaMunk.Opaque(mix);
        var lies = coats.Select(LieOf).ToArray();
        var face = only == Zone.Back ? null : StackOf(mix, coats, Side.Face);
        var back = only is null or Zone.Back ? StackOf(mix, coats, Side.Back) : null;
        var seen = new Lab[only is null ? Zones.Length : 1];
        Span<double> reflectance = stackalloc double[SpectralGrid.Bands];
        foreach (var (at, zone) in (only is { } one ? [one] : Zones).Index())
        {
            var index = (int)zone;
            var stack = (zone == Zone.Back ? back : face)!;
            var sum = new Xyz();
            for (var point = 0; point < samples[index].Length; point++)
            {
                paste.Values.CopyTo(reflectance);
                stack.LayOn(reflectance, new Lies(lies, index, point));
                sum += Illuminant.D65.XyzOf(reflectance);
            }

            seen[at] = LabFromXyz.Convert(sum * (1.0 / samples[index].Length), Illuminant.D65.White);
        }

        return seen;
    }

    private LayerStack StackOf(KubelkaMunkSpectra mix, IReadOnlyList<Coat> coats, Side side) => new(mix, [.. coats.Select(coat => coat.IsOn(side) ? LayerOf(coat) : null)]);

    private Layer LayerOf(Coat coat)
    {
        if (layers.TryGetValue(coat, out var known))
            return known;
        if (layers.Count > MostLayers)
            layers.Clear();
        return layers[coat] = coat.Resolve(materials).Layer;
    }

    /// <summary>One zone, made ready to try many coats at the same place in the order.</summary>
    /// <param name="below">Coats under the one to try.</param>
    /// <param name="above">Coats over it.</param>
    /// <param name="trial">Any coat of the kind to try, with its place and sides.</param>
    public ZoneProbe Probe(KubelkaMunkSpectra mix, IReadOnlyList<Coat> below, IReadOnlyList<Coat> above, Coat trial, Zone zone)
    {
        var side = zone == Zone.Back ? Side.Back : Side.Face;
        var under = StackOf(mix, below, side);
        var mean = new double[SpectralGrid.Bands];
        var paste = KubelkaMunk.Opaque(mix);
        Span<double> reflectance = stackalloc double[SpectralGrid.Bands];
        var count = samples[(int)zone].Length;
        var lies = below.Select(LieOf).ToArray();
        for (var point = 0; point < count; point++)
        {
            paste.Values.CopyTo(reflectance);
            under.LayOn(reflectance, new Lies(lies, (int)zone, point));
            for (var band = 0; band < SpectralGrid.Bands; band++)
                mean[band] += reflectance[band] / count;
        }

        double MeanShare(Coat coat) => LieOf(coat)[(int)zone].Average(lie => lie.Share);
        double MeanCover(Coat coat) => LieOf(coat)[(int)zone].Average(lie => lie.Cover);
        return new ZoneProbe(
            mix, mean, below.Any(coat => coat is not WashCoat), StackOf(mix, above, side),
            [.. above.Select(coat => (MeanShare(coat), MeanCover(coat)))], above.Any(coat => coat is SteamCoat),
            ((IPlacedCoat)trial).Sides.Include(side) ? MeanShare(trial) : 0, materials);
    }

    private (double Share, double Cover)[][] LieOf(Coat coat)
    {
        var key = ((coat as IPlacedCoat)?.Place, (coat as WashCoat)?.Marking, coat.GetType().Name);
        if (known.TryGetValue(key, out var found))
            return found;
        var laid = new LaidCoats([coat], shape);
        return known[key] = [.. samples.Select(zone => zone.Select(sample =>
        {
            var at = laid.At(sample.Point, sample.CellAcrossMm, sample.CellAlongMm);
            return (at.ShareOf(0), at.CoverOf(0));
        }).ToArray())];
    }

    private readonly struct Lies((double Share, double Cover)[][][] coats, int zone, int point) : ILayerCoverage
    {
        public double ShareOf(int layer) => coats[layer][zone][point].Share;

        public double CoverOf(int layer) => coats[layer][zone][point].Cover;
    }
}
