using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Core.Coats.Advice;

/// <summary>Looks over a plan as an experienced maker would.</summary>
public static class PlanAdvisor
{
    /// <param name="batch">The paste of this plan as it is weighed.</param>
    public static IReadOnlyList<PlanAdvice> For(ResolvedPlan plan, DosedRecipe batch) =>
    [
        .. Coats(plan.Coats).Select(plan.Plan.Acknowledged),
        .. Load(plan).Select(plan.Plan.Acknowledged), .. Doses(batch), .. NotForEating(plan),
    ];

    /// <summary>What was found, with the maker's note if it is gone against on purpose.</summary>
    internal static PlanAdvice Acknowledged(this PiecePlan plan, PlanAdvice advice) => advice with
    {
        OnPurpose = plan.OnPurpose.FirstOrDefault(kept => kept.Code == advice.Code && kept.CoatId == advice.CoatId)?.Note,
    };

    /// <summary>The rules of order: each kind of coat tells its own, of the face as it is when the coat goes on.</summary>
    private static IEnumerable<PlanAdvice> Coats(IReadOnlyList<ResolvedCoat> coats)
    {
        var face = new FaceState();
        foreach (var coat in coats)
        {
            if (face.HasPollen && coat.Stage != CoatStage.Pollen)
                yield return new PlanAdvice(AdviceCode.CoatOverPollen, coat.Id);
            if (coat.IsBlendedOut && coat.Coat is IPlacedCoat { Place: { Kind: not PlaceKind.Whole, Feather: 0 } })
                yield return new PlanAdvice(AdviceCode.HardLine, coat.Id);
            foreach (var advice in coat.AdviceOn(face))
                yield return advice;
            face = coat.LaidOn(face);
        }
    }

    /// <summary>Of a paste that is there already nothing is to be changed.</summary>
    private static IEnumerable<PlanAdvice> Load(ResolvedPlan plan)
    {
        if (plan.Source is not OwnPaste)
            yield break;
        var load = PasteLoad.Of(plan.Plan.Paste, plan.Cabinet);
        if (load.IsTooWet)
            yield return new PlanAdvice(AdviceCode.PasteTooWet);
        if (load.IsTooDry)
            yield return new PlanAdvice(AdviceCode.PasteTooDry);
    }

    private static IEnumerable<PlanAdvice> Doses(DosedRecipe batch) =>
        batch.Colours.Where(colour => colour.Units is { IsUnderOne: true })
            .Select(colour => new PlanAdvice(AdviceCode.DoseUnderOneUnit, MaterialId: colour.ColourantId));

    private static IEnumerable<PlanAdvice> NotForEating(ResolvedPlan plan) =>
        MaterialsOf(plan.Plan).Where(id => plan.Cabinet.Find(id) is { Label.FoodStatus: not FoodStatus.Edible })
            .Select(id => new PlanAdvice(AdviceCode.DecorativeOnly, MaterialId: id));

    /// <summary>What is in the way of those who will eat it, at the coat or paste concerned.</summary>
    public static IEnumerable<PlanAdvice> ForGuests(ResolvedPlan plan, Guests guests) =>
        PasteOf(plan.Plan).Select(id => (CoatId: (Guid?)null, MaterialId: id))
            .Concat(plan.Plan.Coats.SelectMany(coat => coat.MaterialIds().Select(id => (CoatId: (Guid?)coat.Id, MaterialId: id))))
            .SelectMany(used => Against(guests, plan.Cabinet.Get<Material>(used.MaterialId)).Select(code => plan.Plan.Acknowledged(new PlanAdvice(code, used.CoatId, used.MaterialId))));

    private static IEnumerable<AdviceCode> Against(Guests guests, Material material)
    {
        if (guests.EatIt && material.Label.FoodStatus != FoodStatus.Edible)
            yield return AdviceCode.MustBeEdible;
        if (!guests.Diets.All(material.Label.Suits))
            yield return AdviceCode.NotForGuests;
    }

    /// <summary>Ids of everything that goes into or onto the piece, each once.</summary>
    public static IEnumerable<string> MaterialsOf(PiecePlan plan) => PasteOf(plan).Concat(plan.Coats.SelectMany(coat => coat.MaterialIds())).Distinct();

    private static IEnumerable<string> PasteOf(PiecePlan plan) => plan.Paste.Doses.Select(dose => dose.ColourantId).Prepend(plan.Paste.BaseId);
}
