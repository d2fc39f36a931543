using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Core.Work;

/// <summary>A plan as a list to work through at the bench: all pieces with the first coat, then all with the second.</summary>
public static class RunSheet
{
    public const string PasteKey = "paste";

    public const string ShapeKey = "shape";

    /// <summary>Let each coat of glaze dry this long before anything else touches it.</summary>
    private const double FlashOffMinutes = 15;

    /// <summary>Spirit is gone from the skin, and steam finds nothing wet to carry off.</summary>
    private const double WashDriesMinutes = 20;

    /// <summary>A steamed face is tacky for a while.</summary>
    private const double SteamDriesMinutes = 15;

    /// <summary>Sooner, crumbs shed.</summary>
    private const double PollenDriesHours = 12;

    /// <summary>How long pieces are left alone after a coat; 0 for none.</summary>
    public static double WaitMinutesAfter(Coat coat) => coat switch
    {
        WashCoat => WashDriesMinutes,
        SteamCoat => SteamDriesMinutes,
        GlazeCoat glaze => glaze.Coats * FlashOffMinutes,
        PollenCoat => 60 * PollenDriesHours,
        _ => 0,
    };

    /// <param name="parts">Flowers or buds that the pieces are for; of none, nothing is to do.</param>
    public static IReadOnlyList<RunStep> For(PiecePlan plan, Piece piece, int parts, Materials materials)
    {
        if (parts == 0)
            return [];
        var quantity = PasteQuantity.For(piece, parts);
        var batch = DosedRecipe.For(plan.Paste, quantity.BatchG, materials);
        return
        [
            .. Paste(plan.Paste, batch, materials),
            new ShapePieces(ShapeKey, quantity.Pieces, quantity.Pieces - piece.Needed(parts), quantity.Ball, quantity.PieceG, piece.Solid ? null : piece.ThicknessMm),
            new DryPieces("dry"),
            .. CoatSteps(plan, piece, parts, materials),
            new ComparePieces("compare"),
        ];
    }

    /// <summary>Only the coats.</summary>
    public static IEnumerable<RunStep> CoatSteps(PiecePlan plan, Piece piece, int parts, Materials materials)
    {
        var (shape, pieces) = (piece.Shape(), piece.ToMake(parts));
        return plan.Coats.SelectMany(coat => Coat(coat, shape, pieces, materials));
    }

    private static IEnumerable<RunStep> Paste(PasteRecipe recipe, DosedRecipe batch, Materials materials)
    {
        yield return new WeighPaste(PasteKey, recipe.BaseId, batch.PasteG - batch.BroughtG, batch.BroughtG, batch.RoundingDeltaE);
        foreach (var colour in batch.Colours)
            yield return new AddColour($"colour:{colour.ColourantId}", colour.ColourantId, colour.Grams, colour.MeasuredG, colour.Units, colour.LetDown, colour.CountedBesides, recipe.BaseId);
        if (recipe.Doses.Count > 0)
            yield return new RestPaste("rest", RecipeEvaluation.RestHoursOf(recipe, materials));
    }

    private static IEnumerable<RunStep> Coat(Coat coat, PieceShape shape, int pieces, Materials materials)
    {
        switch (coat)
        {
            case DustCoat dust:
                Caution[] cautions = dust.Mix.Any(p => materials.Get<Dust>(p.MaterialId).Label.FoodStatus != FoodStatus.Edible)
                    ? [Caution.DustInTheAir, Caution.DecorativeOnly]
                    : [Caution.DustInTheAir];
                yield return new MixDust($"{coat.Id}:mix", coat.Id, CoatAmounts.Dust(dust, shape, pieces), cautions);
                yield return new BrushDust($"{coat.Id}:brush", coat.Id, DustLoad.Nearest(dust.LoadMgPerCm2).Word, dust.Place, dust.Sides, pieces, dust.AfterAssembly, cautions);
                break;
            case WashCoat wash:
                yield return new MixWash($"{wash.Id}:mix", wash.Id, CoatAmounts.Paint(wash, shape, pieces), wash.ThinnerId, CoatAmounts.WashMl(wash, shape, pieces));
                yield return new BrushWash($"{wash.Id}:brush", wash.Id, wash.Marking, wash.Place, wash.Sides, pieces, WashDriesMinutes);
                break;
            case SteamCoat steam:
                yield return new SteamPieces($"{coat.Id}:steam", coat.Id, steam.Seconds, pieces);
                break;
            case GlazeCoat glaze:
                var ml = CoatAmounts.GlazeMlPerCoat(glaze, shape, pieces, materials);
                for (var number = 1; number <= glaze.Coats; number++)
                    yield return new GlazePieces($"{coat.Id}:glaze:{number}", coat.Id, glaze.GlazeId, number, glaze.Coats, ml, CoatAmounts.Tint(glaze, shape, pieces, materials), glaze.Sides, pieces, FlashOffMinutes);
                break;
            case PollenCoat pollen:
                yield return new StickPollen(
                    $"{pollen.Id}:pollen", pollen.Id, pollen.AdhesiveId, pollen.CrumbId, CoatAmounts.CrumbG(pollen, shape, pieces), pollen.Place, pieces, PollenDriesHours);
                break;
        }
    }
}
