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

    /// <param name="batchG">Paste before colour.</param>
    /// <returns>CIEDE2000 by which the zone that suffers most moves, and the material that does it.</returns>
    public static (double DeltaE, string? MaterialId) Of(ResolvedPlan plan, PieceShape shape, double batchG)
    {
        var zones = Enum.GetValues<Zone>();
        Lab[] Seen(ResolvedPlan of)
        {
            var eye = new ZoneColourEvaluator(of, shape);
            return [.. zones.Select(zone => eye.See(zone))];
        }

        var meant = Seen(plan);
        return Slips(plan, batchG)
            .Select(slip => (DeltaE: meant.Zip(Seen(slip.Plan), DeltaE2000.Between).Max(), (string?)slip.MaterialId))
            .DefaultIfEmpty((DeltaE: 0, null)).MaxBy(slip => slip.DeltaE);
    }

    private static IEnumerable<(ResolvedPlan Plan, string MaterialId)> Slips(ResolvedPlan plan, double batchG)
    {
        var paste = plan.Plan.Paste;
        foreach (var (i, dose) in paste.Doses.Index())
        {
            var unit = plan.Cabinet.Get<Colourant>(dose.ColourantId).Units.Select(unit => unit.MassG * 100 / batchG).DefaultIfEmpty(dose.GPer100g * DoseError).Min();
            yield return (plan.With(plan.Plan with { Paste = paste with { Doses = Changed(paste.Doses, i, dose with { GPer100g = dose.GPer100g + unit }) } }), dose.ColourantId);
        }

        foreach (var (i, coat) in plan.Coats.Index())
        {
            if (coat.OneSlip is { } slip)
                yield return (plan.With(Changed(plan.Plan.Coats, i, slip.Coat)), slip.MaterialId);
        }
    }

    private static List<T> Changed<T>(IReadOnlyList<T> of, int at, T to) => [.. of.Select((one, i) => i == at ? to : one)];
}
