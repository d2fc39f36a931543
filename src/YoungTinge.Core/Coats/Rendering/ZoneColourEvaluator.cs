using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Coats.Rendering;

/// <summary>Sees the zones of one piece with all, some or none of its coats. Under daylight.</summary>
public sealed class ZoneColourEvaluator
{
    private readonly Dictionary<Zone, (Side Side, LaidCoats.PointLoads[] Loads)> zones;
    private readonly ResolvedPlan plan;
    private readonly Spectrum paste;

    public ZoneColourEvaluator(ResolvedPlan plan, PieceShape shape)
    {
        this.plan = plan;
        var laid = new LaidCoats(plan.Plan.Coats, shape);
        paste = KubelkaMunk.Opaque(plan.Paste);
        zones = Enum.GetValues<Zone>().ToDictionary(zone => zone, zone =>
        {
            var area = ZoneArea.Of(zone, shape.Build);
            return (area.Side, area.Samples(shape).Select(sample => laid.At(sample.Point, sample.CellAcrossMm, sample.CellAlongMm)).ToArray());
        });
    }

    public Lab Paste => Illuminant.D65.LabOf(paste);

    /// <summary>The finished zone.</summary>
    /// <param name="isLaid">Whether the coat at this place is there; all are by default.</param>
    public Lab See(Zone zone, Func<int, bool>? isLaid = null)
    {
        var (side, loads) = zones[zone];
        var stack = CoatStack.Of(plan, side, isLaid);
        var light = Illuminant.D65;
        Span<double> face = stackalloc double[SpectralGrid.Bands];
        var sum = new Xyz();
        foreach (var load in loads)
        {
            paste.Values.CopyTo(face);
            stack.LayOn(face, load);
            sum += light.XyzOf(face);
        }

        // An eye averages light, so the mean is taken of XYZ, not of L, a and b.
        return LabFromXyz.Convert(sum * (1.0 / loads.Length), light.White);
    }
}
