using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Core.Coats;

public enum AdviceCode
{
    /// <summary>Dust does not hold on a glazed face.</summary>
    DustOverGlaze,

    /// <summary>Steam clouds a glaze.</summary>
    SteamOverGlaze,

    /// <summary>A glaze that is dipped or brushed drags dust that was not set; a spray does not.</summary>
    GlazeOverLooseDust,

    /// <summary>Without starch a heavier dust goes on in patches.</summary>
    DustNotCut,

    /// <summary>No feather: the edge of the coat will read as a line.</summary>
    HardLine,

    /// <summary>A dose is less than one of the maker's units.</summary>
    DoseUnderOneUnit,

    /// <summary>A material that is not for eating.</summary>
    DecorativeOnly,
}

/// <summary>Something that can be done as planned, but will be regretted.</summary>
/// <param name="CoatId">The coat it is about, if it is one.</param>
/// <param name="MaterialId">The material it is about, if it is one.</param>
public sealed record Advice(AdviceCode Code, Guid? CoatId = null, string? MaterialId = null);

/// <summary>Looks over a plan as an experienced maker would.</summary>
public static class PlanAdvice
{
    private const double NeedsStarchFromMgPerCm2 = 0.12;

    public static IReadOnlyList<Advice> For(PiecePlan plan, DosedRecipe batch, Materials materials) =>
        [.. Coats(plan.Coats, materials), .. Doses(batch), .. NotForEating(plan, materials)];

    private static IEnumerable<Advice> Coats(IReadOnlyList<Coat> coats, Materials materials)
    {
        bool glazed = false, loose = false;
        foreach (var coat in coats)
        {
            switch (coat)
            {
                case DustCoat dust:
                    if (glazed)
                        yield return new Advice(AdviceCode.DustOverGlaze, dust.Id);
                    if (dust.Place is { Kind: not PlaceKind.Whole, Feather: 0 })
                        yield return new Advice(AdviceCode.HardLine, dust.Id);
                    if (dust.LoadMgPerCm2 >= NeedsStarchFromMgPerCm2 && dust.Mix.All(p => materials.Get<Dust>(p.DustId).Kind == DustKind.Matte))
                        yield return new Advice(AdviceCode.DustNotCut, dust.Id);
                    loose = true;
                    break;
                case SteamCoat:
                    if (glazed)
                        yield return new Advice(AdviceCode.SteamOverGlaze, coat.Id);
                    loose = false;
                    break;
                case GlazeCoat glaze:
                    if (loose && materials.Get<Glaze>(glaze.GlazeId).Label.Form != "spray")
                        yield return new Advice(AdviceCode.GlazeOverLooseDust, glaze.Id, glaze.GlazeId);
                    glazed = true;
                    break;
            }
        }
    }

    private static IEnumerable<Advice> Doses(DosedRecipe batch) =>
        batch.Colours.Where(colour => colour.Units is { IsUnderOne: true })
            .Select(colour => new Advice(AdviceCode.DoseUnderOneUnit, MaterialId: colour.ColourantId));

    private static IEnumerable<Advice> NotForEating(PiecePlan plan, Materials materials) =>
        MaterialsOf(plan).Where(id => materials.Find(id) is { Label.FoodStatus: not FoodStatus.Edible })
            .Select(id => new Advice(AdviceCode.DecorativeOnly, MaterialId: id));

    /// <summary>Ids of everything that goes into or onto the piece, each once.</summary>
    public static IEnumerable<string> MaterialsOf(PiecePlan plan) =>
        plan.Paste.Doses.Select(dose => dose.ColourantId).Prepend(plan.Paste.BaseId)
            .Concat(plan.Coats.SelectMany(coat => coat switch
            {
                DustCoat dust => dust.Mix.Select(portion => portion.DustId),
                GlazeCoat glaze => [glaze.GlazeId],
                _ => [],
            }))
            .Distinct();
}
