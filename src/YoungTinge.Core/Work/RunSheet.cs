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
        return plan.Coats.SelectMany(coat => coat.Resolve(materials).StepsFor(shape, pieces));
    }

    private static IEnumerable<RunStep> Paste(PasteRecipe recipe, DosedRecipe batch, Materials materials)
    {
        yield return new WeighPaste(PasteKey, recipe.BaseId, batch.PasteG - batch.BroughtG, batch.BroughtG, batch.RoundingDeltaE);
        foreach (var colour in batch.Colours)
            yield return new AddColour($"colour:{colour.ColourantId}", colour.ColourantId, colour.Grams, colour.MeasuredG, colour.Units, colour.LetDown, colour.CountedBesides, recipe.BaseId);
        if (recipe.Doses.Count > 0)
            yield return new RestPaste("rest", RecipeEvaluation.RestHoursOf(recipe, materials));
    }
}
