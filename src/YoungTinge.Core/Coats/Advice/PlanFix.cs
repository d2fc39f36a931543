using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;

namespace YoungTinge.Core.Coats.Advice;

/// <summary>
/// What an experienced maker would change, where that is clear. A cure is only one if the warning is gone afterwards and no other has
/// come in its place: so mending one after the other ends, after as many presses as there were warnings at most.
/// </summary>
public static class PlanFix
{
    // How a hand fades an edge out: a fifth of the piece, or a few millimetres of a rim.
    private const double UsualFeather = 0.2;
    private const double UsualRimFeatherMm = 4;

    /// <param name="newId">For a coat that has to be put in.</param>
    /// <param name="warningsOf">All that is warned of in a plan, as the maker is shown it.</param>
    /// <returns>The plan with that mended; null where it is for the maker to say.</returns>
    public static PiecePlan? For(ResolvedPlan plan, PlanAdvice advice, Guid newId, Func<ResolvedPlan, IEnumerable<PlanAdvice>> warningsOf)
    {
        var at = plan.Plan.Coats.Index().Where(coat => coat.Item.Id == advice.CoatId).Select(coat => (int?)coat.Index).FirstOrDefault();
        if (at is not { } place)
            return null;
        HashSet<(AdviceCode, Guid?)>? before = null;
        foreach (var cure in Cures(plan.Plan, place, advice.Code, plan.Cabinet, newId))
        {
            before ??= KeysOf(plan);
            var after = KeysOf(plan.With(cure));
            if (!after.Contains((advice.Code, advice.CoatId)) && after.IsSubsetOf(before))
                return cure;
        }

        return null;

        HashSet<(AdviceCode, Guid?)> KeysOf(ResolvedPlan of) => [.. warningsOf(of).Select(one => (one.Code, one.CoatId))];
    }

    /// <summary>What may help, the least change first.</summary>
    private static IEnumerable<PiecePlan> Cures(PiecePlan plan, int at, AdviceCode code, Materials materials, Guid newId)
    {
        var coats = plan.Coats;
        var coat = coats[at];
        switch (code)
        {
            case AdviceCode.DustOverGlaze or AdviceCode.PaintOverGlaze or AdviceCode.SteamOverGlaze:
                return InOrder(Before(other => other is GlazeCoat));
            case AdviceCode.DustOverPaint:
                return InOrder(Before(other => other is WashCoat));
            case AdviceCode.CoatOverPollen:
                return InOrder(Before(other => other is PollenCoat));
            case AdviceCode.SteamOverLustre:
                return InOrder(Before(IsLustre));
            case AdviceCode.GlazeOverLooseDust:
                // Steam that is there already is moved; a second one would darken everything again. Over lustre only a spray does.
                return InOrder(coats.Take(at).Any(IsLustre) ? Sprayed() : coats.Any(other => other is SteamCoat) ? SteamMovedHere().Concat(Sprayed())
                    : Sprayed().Prepend(plan with { Coats = [.. coats.Take(at), new SteamCoat(newId, SteamCoat.UsualSeconds), .. coats.Skip(at)] }));
            case AdviceCode.DustNotCut when coat is DustCoat dust && FirstOf<Dust>(one => one.Kind == DustKind.Extender) is { } starch:
                return [Changed(dust with { Mix = [.. dust.Mix, new Portion(starch.Id, dust.Mix.Sum(part => part.Parts))] })];
            case AdviceCode.HardLine when coat is DustCoat dust:
                return [Changed(dust with { Place = Faded(dust.Place) })];
            case AdviceCode.HardLine when coat is WashCoat wash:
                return [Changed(wash with { Place = Faded(wash.Place) })];
            case AdviceCode.WaterOnThinPiece when coat is WashCoat wash && FirstOf<Thinner>(one => one.WashDepthMm < ResolvedWash.SoftensFromDepthMm) is { } spirit:
                return [Changed(wash with { ThinnerId = spirit.Id })];
            default:
                return [];
        }

        // Where one move brings another fault, all coats are put in the order in which they belong; set by steam if nothing is set yet, or
        // under a spray, which touches nothing.
        IEnumerable<PiecePlan> InOrder(IEnumerable<PiecePlan> first)
        {
            foreach (var cure in first)
                yield return cure;
            var spray = FirstOf<Glaze>(one => one.IsSprayed);
            Coat[][] set = coats.Any(other => other is SteamCoat) ? [[]] : [[], [new SteamCoat(newId, SteamCoat.UsualSeconds)]];
            foreach (var more in set)
            {
                Coat[] inOrder = [.. coats.Concat(more).OrderBy(StageOf)];
                yield return plan with { Coats = inOrder };
                if (spray is not null)
                    yield return plan with { Coats = [.. inOrder.Select(other => other is GlazeCoat glaze ? glaze with { GlazeId = spray.Id } : other)] };
            }
        }

        IEnumerable<PiecePlan> Before(Func<Coat, bool> isOne)
        {
            var to = coats.Index().First(other => isOne(other.Item)).Index;
            if (to < at)
                yield return Moved(at, to);
        }

        IEnumerable<PiecePlan> SteamMovedHere() => coats.Index().Where(other => other.Item is SteamCoat).OrderBy(other => Math.Abs(other.Index - at))
            .Select(steam => Moved(steam.Index, steam.Index < at ? at - 1 : at));

        IEnumerable<PiecePlan> Sprayed() =>
            coat is GlazeCoat glaze && FirstOf<Glaze>(one => one.IsSprayed) is { } spray ? [Changed(glaze with { GlazeId = spray.Id })] : [];

        PiecePlan Moved(int from, int to)
        {
            var moved = coats.ToList();
            moved.RemoveAt(from);
            moved.Insert(to, coats[from]);
            return plan with { Coats = moved };
        }

        PiecePlan Changed(Coat to) => plan with { Coats = [.. coats.Select(other => other.Id == to.Id ? to : other)] };

        bool IsLustre(Coat other) => other is DustCoat dust && DustMix.IsLustrous(dust.Mix, materials);

        T? FirstOf<T>(Func<T, bool> suits) where T : Material => materials.All.OfType<T>().FirstOrDefault(one => suits(one) && !one.Label.IsRetired);

        // A last dusting is no cure for what lies below it: it is put where a lustre goes.
        CoatStage StageOf(Coat other) => other.StageIn(materials) is var stage && stage == CoatStage.Assembled ? CoatStage.Lustre : stage;
    }

    private static Place Faded(Place place) => place with { Feather = place.IsInMm ? UsualRimFeatherMm : UsualFeather };
}
