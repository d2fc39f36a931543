using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Coats;

public enum AdviceCode
{
    /// <summary>Dust does not hold on a glazed face.</summary>
    DustOverGlaze,

    /// <summary>Steam clouds a glaze.</summary>
    SteamOverGlaze,

    /// <summary>A glaze that is dipped or brushed drags dust that was not set; a spray does not.</summary>
    GlazeOverLooseDust,

    /// <summary>Spirit and water eat into a glaze.</summary>
    PaintOverGlaze,

    /// <summary>Steam clouds the shine of a lustre below it.</summary>
    SteamOverLustre,

    /// <summary>Spirit carries off what was not set, and dust sticks in patches to what is wet: dust first, paint on it, then set it.</summary>
    DustOverPaint,

    /// <summary>Crumbs soften, cloud or come off under anything that follows them.</summary>
    CoatOverPollen,

    /// <summary>Water softens thin sugar and dries slowly.</summary>
    WaterOnThinPiece,

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
public sealed record Advice(AdviceCode Code, Guid? CoatId = null, string? MaterialId = null)
{
    /// <summary>The maker's note where it is gone against on purpose; null where it is not.</summary>
    public string? OnPurpose { get; init; }
}

/// <summary>Looks over a plan as an experienced maker would.</summary>
public static class PlanAdvice
{
    private const double NeedsStarchFromMgPerCm2 = 0.12;

    /// <summary>A thinner that soaks in so deep is mostly water.</summary>
    internal const double SoftensFromDepthMm = 0.2;

    public static IReadOnlyList<Advice> For(PiecePlan plan, DosedRecipe batch, Materials materials) =>
    [
        .. Coats(plan.Coats, materials).Select(advice => advice with
        {
            OnPurpose = plan.OnPurpose.FirstOrDefault(kept => kept.Code == advice.Code && kept.CoatId == advice.CoatId)?.Note,
        }),
        .. Doses(batch), .. NotForEating(plan, materials),
    ];

    private static IEnumerable<Advice> Coats(IReadOnlyList<Coat> coats, Materials materials)
    {
        bool glazed = false, loose = false, painted = false, pollen = false, lustrous = false;
        foreach (var coat in coats)
        {
            if (pollen && coat is not PollenCoat)
                yield return new Advice(AdviceCode.CoatOverPollen, coat.Id);
            if (coat is IPlacedCoat { Place: { Kind: not PlaceKind.Whole, Feather: 0 } } and not PollenCoat)
                yield return new Advice(AdviceCode.HardLine, coat.Id);
            switch (coat)
            {
                case DustCoat dust:
                    if (glazed)
                        yield return new Advice(AdviceCode.DustOverGlaze, dust.Id);
                    // A last dusting of the whole flower goes over everything that has dried meanwhile.
                    else if (painted && !dust.AfterAssembly)
                        yield return new Advice(AdviceCode.DustOverPaint, dust.Id);
                    if (dust.LoadMgPerCm2 >= NeedsStarchFromMgPerCm2 && dust.Mix.All(p => materials.Get<Dust>(p.MaterialId).Kind == DustKind.Matte))
                        yield return new Advice(AdviceCode.DustNotCut, dust.Id);
                    lustrous |= DustOptics.IsLustrous(dust.Mix, materials);
                    loose = true;
                    break;
                case WashCoat wash:
                    if (glazed)
                        yield return new Advice(AdviceCode.PaintOverGlaze, wash.Id);
                    if (materials.Get<Thinner>(wash.ThinnerId).WashDepthMm >= SoftensFromDepthMm)
                        yield return new Advice(AdviceCode.WaterOnThinPiece, wash.Id, wash.ThinnerId);
                    painted = true;
                    break;
                case SteamCoat:
                    if (glazed)
                        yield return new Advice(AdviceCode.SteamOverGlaze, coat.Id);
                    if (lustrous)
                        yield return new Advice(AdviceCode.SteamOverLustre, coat.Id);
                    loose = painted = false;
                    break;
                case GlazeCoat glaze:
                    if (loose && !materials.Get<Glaze>(glaze.GlazeId).IsSprayed)
                        yield return new Advice(AdviceCode.GlazeOverLooseDust, glaze.Id, glaze.GlazeId);
                    glazed = true;
                    break;
                case PollenCoat:
                    pollen = true;
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
                DustCoat dust => dust.Mix.Select(portion => portion.MaterialId),
                WashCoat wash => wash.Mix.Select(part => part.MaterialId).Append(wash.ThinnerId),
                GlazeCoat glaze => (glaze.Tint?.Mix ?? []).Select(portion => portion.MaterialId).Prepend(glaze.GlazeId),
                PollenCoat pollen => [pollen.AdhesiveId, pollen.CrumbId],
                _ => [],
            }))
            .Distinct();
}
