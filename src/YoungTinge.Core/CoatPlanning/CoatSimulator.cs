using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Coats.Rendering;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.CoatPlanning;

/// <summary>
/// Looks quickly at a piece under way: few points a zone, points at which all coats lie alike once, where coats lie worked out once for
/// each place, and of a trial that changes one coat only what lies above it.
/// </summary>
internal sealed class CoatSimulator
{
    private const int PointsAlong = 5;
    private const int PointsAcross = 4;

    /// <summary>Kept in mind at a time.</summary>
    private const int MaxCoatsKnown = 4096;

    private static readonly Zone[] Zones = Enum.GetValues<Zone>();

    private readonly PieceShape shape;
    private readonly Materials materials;
    private readonly StandingPiece? standing;
    private readonly ZoneSample[][] samples;
    private readonly Dictionary<Coat, ReadyCoat> ready = new(ReferenceEqualityComparer.Instance);
    private readonly Dictionary<(Place?, Marking?, string, bool, Guid?), Lie> known = [];
    private readonly Stages stages = new();
    private KubelkaMunkSpectra? readyOn;

    /// <param name="standing">How the piece stands in its flower; null for a loose one.</param>
    public CoatSimulator(PieceShape shape, Materials materials, StandingPiece? standing = null)
    {
        (this.shape, this.materials, this.standing) = (shape, materials, standing);
        samples = [.. Zones.Select(zone => ZoneArea.Of(zone, shape.Build).Samples(shape, PointsAlong, PointsAcross).ToArray())];
    }

    /// <summary>Colours of the zones in their order, or of one of them.</summary>
    /// <param name="coats">In order, first on the paste. One of nothing, a load or strength of 0, changes nothing.</param>
    public Lab[] See(KubelkaMunkSpectra mix, IReadOnlyList<Coat> coats, Zone? only = null)
    {
        var laid = Ready(mix, coats);
        var lastSteam = LastSteam(coats);
        if (only is { } zone)
            return [See(zone, new Stages().Begin(mix, laid, lastSteam, PointsOf, isKept: false), StackOf(laid, coats, lastSteam, SideOf(zone)), laid)];
        // A trial of one coat, as every slope is, goes on from where it lies; anything else is laid anew, and what follows goes on from that.
        var from = stages.SameBelow(mix, laid, lastSteam) ?? stages.Begin(mix, laid, lastSteam, PointsOf, isKept: true);
        var (face, back) = (StackOf(laid, coats, lastSteam, Side.Face), StackOf(laid, coats, lastSteam, Side.Back));
        return [.. Zones.Select(one => See(one, from, SideOf(one) == Side.Back ? back : face, laid))];
    }

    private int PointsOf(Zone zone) => samples[(int)zone].Length;

    private static Side SideOf(Zone zone) => zone == Zone.Back ? Side.Back : Side.Face;

    private static Lab See(Zone zone, Stages.Run run, LayerStack stack, ReadyCoat[] laid)
    {
        if (run.Known(zone) is { } known)
            return known;
        Span<double> reflectance = stackalloc double[SpectralGrid.Bands];
        Span<double> mean = stackalloc double[SpectralGrid.Bands];
        mean.Clear();
        foreach (var (point, weight) in run.PointsOf(zone))
        {
            var lies = new Lies(laid, (int)zone, point);
            var isBare = run.Take(zone, point, reflectance);
            if (!run.IsKept)
                stack.LayOn(reflectance, lies, run.From, laid.Length, ref isBare);
            for (var layer = run.From; run.IsKept && layer < laid.Length; layer++)
            {
                run.Keep(zone, point, layer, reflectance, isBare);
                stack.LayOn(reflectance, lies, layer, layer + 1, ref isBare);
            }

            SimdKubelkaMunk.Add(mean, reflectance, weight);
        }

        // An eye takes the mean of the light, which is linear in it.
        return run.See(zone, LabFromXyz.Convert(Illuminant.D65.XyzOf(mean), Illuminant.D65.White));
    }

    private ReadyCoat[] Ready(KubelkaMunkSpectra mix, IReadOnlyList<Coat> coats)
    {
        if (!ReferenceEquals(readyOn, mix) || ready.Count > MaxCoatsKnown)
            ready.Clear();
        readyOn = mix;
        return [.. coats.Select(coat => ready.TryGetValue(coat, out var found) ? found : ready[coat] = new ReadyCoat(coat, LieOf(coat), mix, materials))];
    }

    private static int LastSteam(IReadOnlyList<Coat> coats)
    {
        for (var i = coats.Count - 1; i >= 0; i--)
        {
            if (coats[i] is SteamCoat)
                return i;
        }

        return -1;
    }

    private LayerStack StackOf(KubelkaMunkSpectra mix, IReadOnlyList<Coat> coats, Side side) => StackOf(Ready(mix, coats), coats, LastSteam(coats), side);

    private static LayerStack StackOf(ReadyCoat[] laid, IReadOnlyList<Coat> coats, int lastSteam, Side side) =>
        new([.. laid.Select((coat, i) => coats[i].IsOn(side) ? coat.Film(i < lastSteam) : null)]);

    /// <summary>One zone, made ready to try many coats at the same place in the order.</summary>
    /// <param name="below">Coats under the one to try.</param>
    /// <param name="above">Coats over it.</param>
    /// <param name="trial">Any coat of the kind to try, with its place and sides.</param>
    public ZoneProbe Probe(KubelkaMunkSpectra mix, IReadOnlyList<Coat> below, IReadOnlyList<Coat> above, Coat trial, Zone zone)
    {
        var side = SideOf(zone);
        var under = StackOf(mix, below, side);
        var mean = new double[SpectralGrid.Bands];
        var paste = KubelkaMunk.Opaque(mix);
        Span<double> reflectance = stackalloc double[SpectralGrid.Bands];
        var count = samples[(int)zone].Length;
        var lies = Ready(mix, below);
        for (var point = 0; point < count; point++)
        {
            paste.Values.CopyTo(reflectance);
            under.LayOn(reflectance, new Lies(lies, (int)zone, point));
            SimdKubelkaMunk.Add(mean, reflectance, 1.0 / count);
        }

        double MeanShare(Coat coat) => LieOf(coat).At[(int)zone].Average(lie => lie.Share);
        double MeanCover(Coat coat) => LieOf(coat).At[(int)zone].Average(lie => lie.Cover);
        return new ZoneProbe(
            mix, mean, below.Any(coat => coat is not WashCoat), StackOf(mix, above, side),
            [.. above.Select(coat => (MeanShare(coat), MeanCover(coat)))], above.Any(coat => coat is SteamCoat),
            ((IPlacedCoat)trial).Sides.Include(side) ? MeanShare(trial) : 0, materials);
    }

    private Lie LieOf(Coat coat)
    {
        var key = ((coat as IPlacedCoat)?.Place, (coat as WashCoat)?.Marking, coat.GetType().Name, coat.AfterAssembly, coat.AfterStageId);
        if (known.TryGetValue(key, out var found))
            return found;
        var laid = new LaidCoats([coat], shape, standing);
        return known[key] = new Lie([.. samples.Select(zone => Ground(coat, [.. zone.Select(sample =>
        {
            var at = laid.At(sample.Point, sample.CellAcrossMm, sample.CellAlongMm);
            return (Share: at.ShareOf(0), Cover: at.CoverOf(0));
        })]))]);
    }

    /// <summary>A zone is planned for its ground, not for details that are painted on it.</summary>
    private static (double Share, double Cover)[] Ground(Coat coat, (double Share, double Cover)[] zone) =>
        coat.IsDetail && zone.Average(at => at.Cover) < ZoneColourEvaluator.HidesMost ? [.. zone.Select(at => (at.Share, 0.0))] : zone;

    private readonly struct Lies(ReadyCoat[] coats, int zone, int point) : ILayerCoverage
    {
        public double ShareOf(int layer) => coats[layer].Lie.At[zone][point].Share;

        public double CoverOf(int layer) => coats[layer].Lie.At[zone][point].Cover;
    }
}
