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
        Span<double> face = stackalloc double[SpectralGrid.Bands];
        foreach (var (lies, paste) in samples.Points)
        {
            paste.Values.CopyTo(face);
            var isBare = !isStreaked;
            stack.LayOn(face, lies, 0, int.MaxValue, ref isBare);
            mean.Add(face);
        }

        return mean.Lab;
    }

    /// <summary>The zone after each coat, the first on the paste first.</summary>
    /// <remarks>Each coat is laid on what lies there; only a steam changes what is below it, so after one all is laid anew.</remarks>
    public IReadOnlyList<Lab> Stages(Zone zone)
    {
        var samples = zones[(int)zone];
        var layers = plan.LayersOn(samples.Side);
        var means = new ColourMean[layers.Count];
        var stacks = new LayerStack[layers.Count];
        for (int i = 0, steamed = 0; i < layers.Count; i++)
        {
            steamed = layers[i] is SteamLayer ? i : steamed;
            stacks[i] = i > 0 && layers[i] is not SteamLayer ? stacks[i - 1] : new LayerStack(plan.Paste, layers, steamed);
        }

        Span<double> face = stackalloc double[SpectralGrid.Bands];
        foreach (var (lies, paste) in samples.Points)
        {
            paste.Values.CopyTo(face);
            var isBare = !isStreaked;
            for (var i = 0; i < layers.Count; i++)
            {
                var from = i;
                if (layers[i] is SteamLayer)
                {
                    paste.Values.CopyTo(face);
                    (from, isBare) = (0, !isStreaked);
                }

                stacks[i].LayOn(face, lies, from, i + 1, ref isBare);
                means[i].Add(face);
            }
        }

        return [.. means.Select(mean => mean.Lab)];
    }

    /// <summary>The finished zone if one coat were left out, for each coat that is no steam; for a steam as it is with it.</summary>
    /// <remarks>What lies below the coat is the same each time, so it is laid once.</remarks>
    public IReadOnlyList<Lab> Without(Zone zone)
    {
        var samples = zones[(int)zone];
        var layers = plan.LayersOn(samples.Side);
        var stack = new LayerStack(plan.Paste, layers);
        var means = new ColourMean[layers.Count];
        Span<double> below = stackalloc double[SpectralGrid.Bands], face = stackalloc double[SpectralGrid.Bands];
        foreach (var (lies, paste) in samples.Points)
        {
            paste.Values.CopyTo(below);
            var isBareBelow = !isStreaked;
            for (var i = 0; i < layers.Count; i++)
            {
                below.CopyTo(face);
                var isBare = isBareBelow;
                stack.LayOn(face, lies, i + 1, layers.Count, ref isBare);
                means[i].Add(face);
                stack.LayOn(below, lies, i, i + 1, ref isBareBelow);
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
        Span<double> face = stackalloc double[SpectralGrid.Bands];
        foreach (var (lies, paste) in samples.Points)
        {
            paste.Values.CopyTo(face);
            var isBare = !isStreaked;
            stack.LayOn(face, lies, 0, int.MaxValue, ref isBare);
            sum += Math.Pow(DeltaE2000.Between(mean, LabFromXyz.Convert(Illuminant.D65.XyzOf(face), Illuminant.D65.White)), 2);
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
