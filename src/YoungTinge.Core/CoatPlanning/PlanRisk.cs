using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Coats.Rendering;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.CoatPlanning;

/// <summary>What one slip of the hand does: a touch more of a colour in the paste, or a pass more of a coat.</summary>
public static class PlanRisk
{
    /// <summary>Of a colour that has no unit of its own: a tenth more.</summary>
    private const double DoseError = 0.10;

    /// <summary>One light pass of a brush.</summary>
    private const double PassMgPerCm2 = 0.05;

    /// <param name="batchG">Paste before colour.</param>
    /// <returns>CIEDE2000 by which the zone that suffers most moves, and the material that does it.</returns>
    public static (double DeltaE, string? MaterialId) Of(PiecePlan plan, PieceShape shape, double batchG, Materials materials)
    {
        var zones = Enum.GetValues<Zone>();
        Lab[] Seen(PiecePlan of)
        {
            var eye = new ZoneColourEvaluator(of.Paste, of.Coats, shape, materials);
            return [.. zones.Select(zone => eye.See(zone))];
        }

        var meant = Seen(plan);
        return Slips(plan, batchG, materials)
            .Select(slip => (DeltaE: meant.Zip(Seen(slip.Plan), DeltaE2000.Between).Max(), (string?)slip.MaterialId))
            .DefaultIfEmpty((DeltaE: 0, null)).MaxBy(slip => slip.DeltaE);
    }

    private static IEnumerable<(PiecePlan Plan, string MaterialId)> Slips(PiecePlan plan, double batchG, Materials materials)
    {
        foreach (var (i, dose) in plan.Paste.Doses.Index())
        {
            var unit = materials.Get<Colourant>(dose.ColourantId).Units.Select(unit => unit.MassG * 100 / batchG).DefaultIfEmpty(dose.GPer100g * DoseError).Min();
            yield return (plan with { Paste = plan.Paste with { Doses = Changed(plan.Paste.Doses, i, dose with { GPer100g = dose.GPer100g + unit }) } }, dose.ColourantId);
        }

        foreach (var (i, coat) in plan.Coats.Index())
        {
            Coat? more = coat switch
            {
                DustCoat dust => dust with { LoadMgPerCm2 = dust.LoadMgPerCm2 + PassMgPerCm2 },
                WashCoat { Marking: null } wash => wash with { WetMlPerCm2 = 2 * wash.WetMlPerCm2 },
                GlazeCoat glaze => glaze with { Coats = glaze.Coats + 1 },
                _ => null,
            };
            if (more is not null)
                yield return (plan with { Coats = Changed(plan.Coats, i, more) }, MainOf(coat, materials));
        }
    }

    private static string MainOf(Coat coat, Materials materials) => coat switch
    {
        DustCoat dust => DustMix.MainOf(dust.Mix, materials),
        WashCoat wash => wash.Mix.MaxBy(portion => portion.Parts)!.MaterialId,
        GlazeCoat glaze => glaze.GlazeId,
        _ => "",
    };

    private static List<T> Changed<T>(IReadOnlyList<T> of, int at, T to) => [.. of.Select((one, i) => i == at ? to : one)];
}
