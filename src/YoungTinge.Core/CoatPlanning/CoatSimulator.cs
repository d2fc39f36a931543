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
    private const int PointsAcross = 3;

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
    private KubelkaMunkSpectra? skinOf;
    private SoakedSkin? skin;

    /// <param name="standing">How the piece stands in its flower; null for a loose one.</param>
    public CoatSimulator(PieceShape shape, Materials materials, StandingPiece? standing = null)
    {
        (this.shape, this.materials, this.standing) = (shape, materials, standing);
        samples = [.. Zones.Select(zone => ZoneArea.Of(zone, shape.Build).Samples(shape, PointsAlong, PointsAcross).ToArray())];
    }

    /// <summary>How often the whole piece has been looked at: what a search costs, whatever machine it runs on.</summary>
    public int Looks { get; private set; }

    /// <summary>Colours of the zones in their order, or of one of them.</summary>
    /// <param name="coats">In order, first on the paste. One of nothing, a load or strength of 0, changes nothing.</param>
    public Lab[] See(KubelkaMunkSpectra mix, IReadOnlyList<Coat> coats, Zone? only = null)
    {
        var laid = Ready(coats);
        if (only is { } zone)
            return [See(zone, new Stages().Begin(mix, laid, PointsOf, isKept: false), StackOf(mix, laid, zone.Side()), laid)];
        Looks++;
        // A trial of one coat, as every slope is, goes on from where it lies; anything else is laid anew, and what follows goes on from that.
        var from = stages.SameBelow(mix, laid) ?? stages.Begin(mix, laid, PointsOf, isKept: true);
        var (face, back) = (StackOf(mix, laid, Side.Face), StackOf(mix, laid, Side.Back));
        var seen = new Lab[Zones.Length];
        foreach (var one in Zones)
            seen[(int)one] = See(one, from, one.Side() == Side.Back ? back : face, laid);
        return seen;
    }

    private int PointsOf(Zone zone) => samples[(int)zone].Length;

    private static Lab See(Zone zone, Stages.Run run, LayerStack stack, ReadyCoat[] laid)
    {
        if (run.Known(zone) is { } known)
            return known;
        var spot = new Spot(stackalloc double[Spot.Room]);
        Span<double> mean = stackalloc double[SpectralGrid.Bands];
        mean.Clear();
        foreach (var (point, weight) in run.PointsOf(zone))
        {
            var lies = new Lies(laid, (int)zone, point);
            run.Take(zone, point, ref spot);
            if (!run.IsKept)
                stack.LayOn(ref spot, lies, run.From, laid.Length);
            for (var layer = run.From; run.IsKept && layer < laid.Length; layer++)
            {
                run.Keep(zone, point, layer, spot);
                stack.LayOn(ref spot, lies, layer, layer + 1);
            }

            SimdKubelkaMunk.Add(mean, spot.Reflectance, weight);
        }

        // An eye takes the mean of the light, which is linear in it.
        return run.See(zone, LabFromXyz.Convert(Illuminant.D65.XyzOf(mean), Illuminant.D65.White));
    }

    private ReadyCoat[] Ready(IReadOnlyList<Coat> coats)
    {
        if (ready.Count > MaxCoatsKnown)
            ready.Clear();
        var laid = new ReadyCoat[coats.Count];
        for (var i = 0; i < laid.Length; i++)
            laid[i] = ready.TryGetValue(coats[i], out var found) ? found : ready[coats[i]] = new ReadyCoat(coats[i], LieOf(coats[i]), materials);
        return laid;
    }

    private LayerStack StackOf(KubelkaMunkSpectra mix, ReadyCoat[] laid, Side side) => new(SkinOf(mix), FilmsOf(laid, side));

    private SoakedSkin SkinOf(KubelkaMunkSpectra mix)
    {
        if (!ReferenceEquals(skinOf, mix))
            (skinOf, skin) = (mix, new SoakedSkin(mix));
        return skin!;
    }

    private static Film?[] FilmsOf(ReadyCoat[] laid, Side side)
    {
        var films = new Film?[laid.Length];
        var later = Later.Nothing;
        for (var i = laid.Length - 1; i >= 0; i--)
        {
            if (!laid[i].IsOn(side))
                continue;
            films[i] = laid[i].FilmUnder(later);
            later = laid[i].Below(later);
        }

        return films;
    }

    /// <summary>One zone, made ready to try many coats at the same place in the order.</summary>
    /// <param name="below">Coats under the one to try.</param>
    /// <param name="above">Coats over it.</param>
    /// <param name="trial">Any coat of the kind to try, with its place and sides.</param>
    public ZoneProbe Probe(KubelkaMunkSpectra mix, IReadOnlyList<Coat> below, IReadOnlyList<Coat> above, Coat trial, Zone zone)
    {
        var side = zone.Side();
        // A wash shares the skin with washes just below it, so it is tried together with them.
        var from = below.Count;
        while (trial is WashCoat && from > 0 && below[from - 1] is WashCoat or SteamCoat)
            from--;
        var laid = Ready([.. below, trial, .. above]);
        var films = FilmsOf(laid, side);
        films[below.Count] = null;
        var under = new LayerStack(SkinOf(mix), films);
        var mean = new double[SpectralGrid.Bands];
        var paste = KubelkaMunk.Opaque(mix);
        var spot = new Spot(stackalloc double[Spot.Room]);
        var count = samples[(int)zone].Length;
        for (var point = 0; point < count; point++)
        {
            spot.Begin(paste.Values);
            under.LayOn(ref spot, new Lies(laid, (int)zone, point), 0, from);
            SimdKubelkaMunk.Add(mean, spot.Reflectance, 1.0 / count);
        }

        return new ZoneProbe(
            SkinOf(mix), new ProbeGround(mean, from, below.Take(from).All(coat => coat is WashCoat or SteamCoat)), films,
            [.. laid.Select(coat => (coat.Lie.At[(int)zone].Average(lie => lie.Share), coat.Lie.At[(int)zone].Average(lie => lie.Cover)))],
            below.Count, ((IPlacedCoat)trial).Sides.Include(side), above.Reverse().Where(coat => coat.IsOn(side)).Aggregate(Later.Nothing, (later, coat) => ready[coat].Below(later)), materials);
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
