using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Learning;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Numerics;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Coats.Rendering;

/// <summary>Sees the zones of one piece: finished, after each coat, and with each coat left out. Under daylight.</summary>
public sealed class ZoneColourEvaluator
{
    private static readonly Zone[] Zones = Enum.GetValues<Zone>();

    private readonly ResolvedPlan plan;
    /// <summary>Pieces of a marbled whorl that a zone is taken together of: each is cut from another place.</summary>
    private const int MarbledPieces = 3;

    /// <summary>A detail that hides so much of a zone is what the zone looks like.</summary>
    public const double HidesMost = 0.5;

    private readonly bool isStreaked;
    private readonly Samples[] zones;

    public ZoneColourEvaluator(ResolvedPlan plan, PieceShape shape)
    {
        this.plan = plan;
        PasteFace[] pastes = [.. Enumerable.Range(0, plan.Source is MarbledPaste ? MarbledPieces : 1).Select(number => new PasteFace(plan.Source, shape, number))];
        isStreaked = pastes[0].IsStreaked;
        var laid = new LaidCoats(plan.Plan.Coats, shape, plan.Standing);
        zones = SideBySide.Select(Zones, (zone, _) =>
        {
            var area = ZoneArea.Of(zone, shape.Build);
            return new Samples(area.Side, [.. area.Samples(shape).SelectMany(sample =>
            {
                var lies = Known.Of(laid.At(sample.Point, sample.CellAcrossMm, sample.CellAlongMm), plan.Coats.Count);
                return pastes.Select(paste => (lies, paste.At(sample.Point, Math.Min(sample.CellAcrossMm, sample.CellAlongMm) / 2)));
            })]);
        });
    }

    public ResolvedPlan Plan => plan;

    public Lab Paste => plan.Source.Colour;

    /// <summary>The finished zone, painted details and all, as an eye takes it together.</summary>
    public Lab See(Zone zone) => MeanOf(zones[(int)zone]);

    /// <summary>
    /// Coats that are painted details of a zone, by their places in the plan: a freckle is no fault of the ground that it was painted on.
    /// What hides most of a zone is its ground.
    /// </summary>
    public IReadOnlySet<int> DetailsIn(Zone zone) =>
        Enumerable.Range(0, plan.Coats.Count).Where(coat => plan.Coats[coat].Coat.IsDetail && zones[(int)zone].Points.Average(point => point.Lies.CoverOf(coat)) < HidesMost).ToHashSet();

    /// <summary>Mean of how much of a coat lies in a zone, as a share of a full one; 0 on the other side.</summary>
    /// <param name="coat">Its place in the plan.</param>
    public double ShareIn(Zone zone, int coat) =>
        plan.Coats[coat].Coat.IsOn(zones[(int)zone].Side) ? zones[(int)zone].Points.Average(point => point.Lies.ShareOf(coat) * point.Lies.CoverOf(coat)) : 0;

    /// <summary>What lies in a zone, to see it again when the piece is gone; of a marble as if it were kneaded through.</summary>
    public ZoneAsLaid AsLaid(Zone zone)
    {
        var samples = zones[(int)zone];
        var layers = plan.LayersOn(samples.Side);
        // Points that look alike are alike.
        var points = samples.Points.Select(point => (point.Lies, MeanOf(samples with { Points = [point] }).L)).OrderBy(point => point.L).ToList();
        Lying[][] spots = [.. points.Chunk((points.Count + ZoneAsLaid.UsualSpots - 1) / ZoneAsLaid.UsualSpots).Select(alike => layers.Select((layer, coat) =>
            layer is null ? default : new Lying(alike.Average(point => point.Lies.ShareOf(coat)), alike.Average(point => point.Lies.CoverOf(coat)))).ToArray())];
        var (uneven, even) = (See(zone), ZoneAsLaid.LookOf(PasteOptics.Mix(plan.Source.Recipe, plan.Cabinet), layers, spots));
        return new ZoneAsLaid(spots, new Lab(uneven.L - even.L, uneven.A - even.A, uneven.B - even.B));
    }

    /// <summary>The finished zone between its painted details.</summary>
    public Lab SeeGround(Zone zone)
    {
        var (samples, details) = (zones[(int)zone], DetailsIn(zone));
        return MeanOf(details.Count == 0 ? samples : samples with { Points = [.. samples.Points.Select(point => (point.Lies.Without(details), point.Paste))] });
    }

    private Lab MeanOf(Samples samples)
    {
        var stack = new LayerStack(plan.Paste, plan.LayersOn(samples.Side));
        var mean = new ColourMean();
        var spot = new Spot(stackalloc double[Spot.Room]);
        foreach (var (lies, paste) in samples.Points)
        {
            spot.Begin(paste.Values, isBare: !isStreaked);
            stack.LayOn(ref spot, lies, 0, int.MaxValue);
            mean.Add(spot.Reflectance);
        }

        return mean.Lab;
    }

    /// <summary>The zone after each coat, the first on the paste first.</summary>
    /// <remarks>Each coat is laid on what lies there; only steam and glaze change what is below them, so after one all is laid anew.</remarks>
    public IReadOnlyList<Lab> Stages(Zone zone)
    {
        var samples = zones[(int)zone];
        var layers = plan.LayersOn(samples.Side);
        var means = new ColourMean[layers.Count];
        var stacks = new LayerStack[layers.Count];
        bool LooksBack(int i) => layers[i] is SteamLayer or GlazeLayer;
        // Up to the next that looks back, one stack does.
        for (int i = layers.Count - 1, end = layers.Count; i >= 0; i--)
        {
            stacks[i] = i + 1 < end ? stacks[i + 1] : new LayerStack(plan.Paste, layers, end);
            if (LooksBack(i))
                end = i;
        }

        var spot = new Spot(stackalloc double[Spot.Room]);
        foreach (var (lies, paste) in samples.Points)
        {
            spot.Begin(paste.Values, isBare: !isStreaked);
            for (var i = 0; i < layers.Count; i++)
            {
                if (LooksBack(i))
                    spot.Begin(paste.Values, isBare: !isStreaked);
                stacks[i].LayOn(ref spot, lies, LooksBack(i) ? 0 : i, i + 1);
                means[i].Add(spot.Reflectance);
            }
        }

        return [.. means.Select(mean => mean.Lab)];
    }

    /// <summary>The finished zone if one coat were left out, for each coat that is no steam; for a steam as it is with it.</summary>
    /// <remarks>What lies below the coat is the same each time, so it is laid once; only a glaze changes what is below it.</remarks>
    public IReadOnlyList<Lab> Without(Zone zone)
    {
        var samples = zones[(int)zone];
        var layers = plan.LayersOn(samples.Side);
        var stack = new LayerStack(plan.Paste, layers);
        var means = new ColourMean[layers.Count];
        var unglazed = layers.Select((layer, i) => layer is GlazeLayer ? new LayerStack(plan.Paste, [.. layers.Select((other, at) => at == i ? null : other)]) : null).ToArray();
        Spot below = new(stackalloc double[Spot.Room]), spot = new(stackalloc double[Spot.Room]);
        foreach (var (lies, paste) in samples.Points)
        {
            below.Begin(paste.Values, isBare: !isStreaked);
            for (var i = 0; i < layers.Count; i++)
            {
                spot.GoOnFrom(below);
                if (unglazed[i] is { } other)
                {
                    spot.Begin(paste.Values, isBare: !isStreaked);
                    other.LayOn(ref spot, lies, 0, layers.Count);
                }
                else
                {
                    stack.LayOn(ref spot, new AllBut(lies, i), i + 1, layers.Count);
                }

                means[i].Add(spot.Reflectance);
                stack.LayOn(ref below, lies, i, i + 1);
            }
        }

        return [.. means.Select(mean => mean.Lab)];
    }

    /// <summary>How far spots of the finished zone lie from its mean, as a CIEDE2000, root mean square.</summary>
    public double SpreadOf(Zone zone)
    {
        var samples = zones[(int)zone];
        var stack = new LayerStack(plan.Paste, plan.LayersOn(samples.Side));
        var mean = See(zone);
        var sum = 0.0;
        var spot = new Spot(stackalloc double[Spot.Room]);
        foreach (var (lies, paste) in samples.Points)
        {
            spot.Begin(paste.Values, isBare: !isStreaked);
            stack.LayOn(ref spot, lies, 0, int.MaxValue);
            sum += Math.Pow(DeltaE2000.Between(mean, LabFromXyz.Convert(Illuminant.D65.XyzOf(spot.Reflectance), Illuminant.D65.White)), 2);
        }

        return Math.Sqrt(sum / samples.Points.Length);
    }

    /// <summary>The spots of a zone that are looked at, with the paste there.</summary>
    private sealed record Samples(Side Side, (Known Lies, Spectrum Paste)[] Points);

    /// <summary>How much of each coat lies at a spot, worked out once.</summary>
    private readonly struct Known(double[] shares, double[] covers) : ILayerCoverage
    {
        public static Known Of(LaidCoats.PointLoads loads, int coats) => new(
            [.. Enumerable.Range(0, coats).Select(loads.ShareOf)], [.. Enumerable.Range(0, coats).Select(loads.CoverOf)]);

        /// <summary>Where none of these lies.</summary>
        public Known Without(IReadOnlySet<int> coats) => new(shares, [.. covers.Select((cover, coat) => coats.Contains(coat) ? 0 : cover)]);

        public double ShareOf(int layer) => shares[layer];

        public double CoverOf(int layer) => covers[layer];
    }

    /// <summary>Where one coat was left out.</summary>
    private readonly struct AllBut(Known lies, int coat) : ILayerCoverage
    {
        public double ShareOf(int layer) => lies.ShareOf(layer);

        public double CoverOf(int layer) => layer == coat ? 0 : lies.CoverOf(layer);
    }

    /// <summary>An eye averages light, so the mean is taken of XYZ, not of L, a and b.</summary>
    private struct ColourMean
    {
        private Xyz sum;
        private int count;

        public void Add(ReadOnlySpan<double> face)
        {
            sum += Illuminant.D65.XyzOf(face);
            count++;
        }

        public readonly Lab Lab => LabFromXyz.Convert(sum * (1.0 / count), Illuminant.D65.White);
    }
}
