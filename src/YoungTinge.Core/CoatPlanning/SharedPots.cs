using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Advice;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Core.CoatPlanning;

/// <summary>
/// One pot for coats of several pieces. A pot earns its keep if a piece misses it: if another that is there anyway, in whatever load suits best,
/// leaves every zone of every piece as near as the eye asks, it is not mixed.
/// </summary>
internal sealed class SharedPots(Materials materials)
{
    /// <summary>Pots that are farther apart are not tried for each other.</summary>
    private const double AlikeDeltaE = 25;

    private readonly Dictionary<Guid, CoatSimulator> simulators = [];

    private sealed record Use(Guid PieceId, Coat Coat, ResolvedCoat Resolved);

    public void Share(Dictionary<Guid, Joined> plans, CancellationToken cancel)
    {
        while (Fewer(plans, cancel))
        {
        }
    }

    /// <summary>Leaves one pot out, the least used of those that can be spared.</summary>
    private bool Fewer(Dictionary<Guid, Joined> plans, CancellationToken cancel)
    {
        var pots = PotsOf(plans).OrderBy(pot => pot.Count()).ThenBy(pot => pot.Key, StringComparer.Ordinal).ToList();
        foreach (var pot in pots)
        {
            // Locked coats and painted details stay as they are, so their pot is mixed anyway.
            if (pot.Any(use => use.Coat.IsFixed()))
                continue;
            var colour = pot.First().Resolved.Pot!.Value;
            foreach (var other in pots.Where(other => other.Key != pot.Key && other.First().Resolved.Pass.Kind == pot.First().Resolved.Pass.Kind)
                .Select(other => (Coat: other.First().Coat, DeltaE: DeltaE2000.Between(colour, other.First().Resolved.Pot!.Value))).Where(one => one.DeltaE < AlikeDeltaE).OrderBy(one => one.DeltaE))
            {
                cancel.ThrowIfCancellationRequested();
                if (From(other.Coat, [.. pot], plans) is not { } changed)
                    continue;
                foreach (var (id, joined) in changed)
                    plans[id] = joined;
                return true;
            }
        }

        return false;
    }

    private IEnumerable<IGrouping<string, Use>> PotsOf(Dictionary<Guid, Joined> plans) => plans
        .SelectMany(one => one.Value.Now.Plan.Coats.Select(coat => new Use(one.Key, coat, coat.Resolve(materials))))
        .Where(use => use.Coat is DustCoat or WashCoat && use.Resolved.Pot is not null).GroupBy(use => use.Resolved.Pass.MixKey);

    /// <summary>All uses of a pot from another one; null if one of the pieces would miss its own.</summary>
    private Dictionary<Guid, Joined>? From(Coat other, IReadOnlyList<Use> uses, Dictionary<Guid, Joined> plans)
    {
        var changed = new Dictionary<Guid, Joined>();
        foreach (var its in uses.GroupBy(use => use.PieceId))
        {
            var joined = plans[its.Key];
            if (!joined.Piece.Rules.AllowsAll(other.MaterialIds(), materials))
                return null;
            var simulator = simulators.TryGetValue(its.Key, out var known) ? known : simulators[its.Key] = joined.Planner.Simulator();
            var before = joined.Planner.Resolved(joined.Now.Plan);
            IReadOnlyList<Coat> coats = joined.Now.Plan.Coats;
            foreach (var use in its)
            {
                List<IReadOnlyList<Coat>> ways = [.. FromPot(other, use.Coat).Select(coat => (IReadOnlyList<Coat>)[.. coats.Select(one => one.Id == coat.Id ? coat : one)])];
                if (ways.Count == 0)
                    return null;
                coats = ways.MinBy(way => simulator.See(before.Paste, way).Select((seen, zone) => Math.Pow(DeltaE2000.Between(joined.Piece.Plan.Targets[(Zone)zone].Colour, seen), 2)).Sum())!;
            }

            // By what is seen in the end, and against what it was by itself: small losses do not add up.
            var after = before.With(coats);
            if (MakersWeights.Misses(joined.Alone.DeltaEs(), [.. joined.Planner.Reached(after).Select(zone => zone.Difference.DeltaE)]) || AdviceOn(joined, after) > AdviceOn(joined, before))
                return null;
            changed[its.Key] = joined with { Now = joined.Planner.Judged(joined.Now.Approach, after.Plan, joined.Now.Marble, default) };
        }

        return changed;
    }

    private int AdviceOn(Joined joined, ResolvedPlan plan) => PlanAdvisor.For(plan, DosedRecipe.For(plan.Plan.Paste, Math.Max(1, joined.Grams), materials)).Count;

    /// <summary>A coat as it may be made from the pot of another: dust in each load that holds, a wash as it is mixed.</summary>
    private IEnumerable<Coat> FromPot(Coat other, Coat coat) => (other, coat) switch
    {
        (DustCoat pot, DustCoat dust) => DustLoad.Named.Where(load => load.MgPerCm2 <= DustMix.LoadLimitMgPerCm2(pot.Mix, materials)).Select(load => dust with { Mix = pot.Mix, LoadMgPerCm2 = load.MgPerCm2 }),
        (WashCoat pot, WashCoat wash) => [wash with { Mix = pot.Mix, ThinnerId = pot.ThinnerId, GPerMl = pot.GPerMl }],
        _ => [],
    };
}
