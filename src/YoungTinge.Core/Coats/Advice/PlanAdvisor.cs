using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Core.Coats.Advice;

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
public static class PlanAdvisor
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
                    lustrous |= DustMix.IsLustrous(dust.Mix, materials);
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
