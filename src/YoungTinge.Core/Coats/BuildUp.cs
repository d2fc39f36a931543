using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Coats;

/// <summary>What a zone goes through.</summary>
/// <param name="Colours">Rested paste first, then the zone after each coat; the last is the finished zone. Under daylight.</param>
/// <param name="Difference">The finished zone against its target.</param>
public sealed record ZoneHistory(Zone Zone, IReadOnlyList<Lab> Colours, Lab Target, Difference Difference)
{
    public Lab Finished => Colours[^1];
}

/// <summary>The colour of every zone of a piece after every coat.</summary>
public static class BuildUp
{
    /// <param name="plan">Checked: its materials are in the cabinet and its amounts within their limits.</param>
    public static IReadOnlyList<ZoneHistory> Of(PiecePlan plan, PieceShape shape, Materials materials)
    {
        var mix = PasteOptics.Mix(plan.Paste, materials);
        var paste = KubelkaMunk.Opaque(mix);
        return [.. Enum.GetValues<Zone>().Select(zone => History(zone, plan, mix, paste, shape, materials))];
    }

    private static ZoneHistory History(Zone zone, PiecePlan plan, Scatterer mix, Spectrum paste, PieceShape shape, Materials materials)
    {
        var area = ZoneArea.Of(zone);
        var loads = area.Samples(shape).Select(point => new CoatLoads(plan.Coats, shape.Outline.Veins, point)).ToList();
        var light = Illuminant.D65;
        var colours = new List<Lab> { light.LabOf(paste) };
        Span<double> face = stackalloc double[SpectralGrid.Bands];
        // Every stage is laid anew: a steam later on changes the dust that is already there.
        for (var done = 1; done <= plan.Coats.Count; done++)
        {
            var stack = CoatStack.Of([.. plan.Coats.Take(done)], mix, materials, area.Side);
            var sum = new Xyz();
            foreach (var load in loads)
            {
                paste.Values.CopyTo(face);
                stack.LayOn(face, load.ShareOf);
                sum += light.XyzOf(face);
            }

            // An eye averages light, so the mean is taken of XYZ, not of L, a and b.
            colours.Add(LabFromXyz.Convert(sum * (1.0 / loads.Count), light.White));
        }

        var target = plan.Targets[zone].Colour;
        return new ZoneHistory(zone, colours, target, Difference.Of(colours[^1], target));
    }
}
