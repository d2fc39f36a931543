using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Flowers;
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

    /// <summary>Too little feather: the edge of the coat will read as a line.</summary>
    HardLine,

    /// <summary>A coat takes colour away while it darkens, and the zone ends duller than wanted.</summary>
    Muddy,

    /// <summary>A green that no leaf has: it wants a little brown, or its complement.</summary>
    NeonGreen,

    /// <summary>A coat that is seen when it is laid, and no more once all is done.</summary>
    Vanishes,

    /// <summary>The wire is seen through the piece, even that which shows least.</summary>
    WireShows,

    /// <summary>A dose is less than one of the maker's units.</summary>
    DoseUnderOneUnit,

    /// <summary>A material that is not for eating.</summary>
    DecorativeOnly,

    /// <summary>The same, on a flower that will be eaten.</summary>
    MustBeEdible,

    /// <summary>Something that the guests of the commission do not eat.</summary>
    NotForGuests,
}

/// <summary>Something that can be done as planned, but will be regretted.</summary>
/// <param name="CoatId">The coat it is about, if it is one.</param>
/// <param name="MaterialId">The material it is about, if it is one.</param>
public sealed record Advice(AdviceCode Code, Guid? CoatId = null, string? MaterialId = null)
{
    /// <summary>Where it will be seen, if it was found by looking at a zone.</summary>
    public Zone? Zone { get; init; }

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
        .. Coats(plan.Coats, materials).Select(plan.Heeding),
        .. Doses(batch), .. NotForEating(plan, materials),
    ];

    /// <summary>What was found, with the maker's note if it is gone against on purpose.</summary>
    internal static Advice Heeding(this PiecePlan plan, Advice advice) => advice with
    {
        OnPurpose = plan.OnPurpose.FirstOrDefault(kept => kept.Code == advice.Code && kept.CoatId == advice.CoatId)?.Note,
    };

    private static IEnumerable<Advice> Coats(IReadOnlyList<Coat> coats, Materials materials)
    {
        bool glazed = false, loose = false, painted = false, pollen = false, lustrous = false;
        foreach (var coat in coats)
        {
            if (pollen && coat is not PollenCoat)
                yield return new Advice(AdviceCode.CoatOverPollen, coat.Id);
            if (coat is IPlacedCoat { Place: { Kind: not PlaceKind.Whole, Feather: 0 } } and not PollenCoat and not WashCoat { Marking: not null })
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

    /// <summary>What is in the way of those who will eat it, at the coat or paste concerned.</summary>
    public static IEnumerable<Advice> ForGuests(PiecePlan plan, Guests guests, Materials materials) =>
        PasteOf(plan).Select(id => (CoatId: (Guid?)null, MaterialId: id))
            .Concat(plan.Coats.SelectMany(coat => MaterialsOf(coat).Select(id => (CoatId: (Guid?)coat.Id, MaterialId: id))))
            .Where(used => materials.Find(used.MaterialId) is not null)
            .SelectMany(used => Against(guests, materials.Get<Material>(used.MaterialId)).Select(code => plan.Heeding(new Advice(code, used.CoatId, used.MaterialId))));

    private static IEnumerable<AdviceCode> Against(Guests guests, Material material)
    {
        if (guests.EatIt && material.Label.FoodStatus != FoodStatus.Edible)
            yield return AdviceCode.MustBeEdible;
        if (!guests.Diets.All(material.Label.Suits))
            yield return AdviceCode.NotForGuests;
    }

    /// <summary>Ids of everything that goes into or onto the piece, each once.</summary>
    public static IEnumerable<string> MaterialsOf(PiecePlan plan) => PasteOf(plan).Concat(plan.Coats.SelectMany(MaterialsOf)).Distinct();

    private static IEnumerable<string> PasteOf(PiecePlan plan) => plan.Paste.Doses.Select(dose => dose.ColourantId).Prepend(plan.Paste.BaseId);

    public static IEnumerable<string> MaterialsOf(Coat coat) => coat switch
    {
        DustCoat dust => dust.Mix.Select(portion => portion.MaterialId),
        WashCoat wash => wash.Mix.Select(part => part.MaterialId).Append(wash.ThinnerId),
        GlazeCoat glaze => (glaze.Tint?.Mix ?? []).Select(portion => portion.MaterialId).Prepend(glaze.GlazeId),
        PollenCoat pollen => [pollen.AdhesiveId, pollen.CrumbId],
        _ => [],
    };
}
