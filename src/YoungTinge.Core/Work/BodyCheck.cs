using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Work;

/// <summary>Finds what bought pieces and cores want of the cabinet that it does not have.</summary>
public static class BodyCheck
{
    private const string Path = "form.body.materialId";

    /// <param name="parts">Flowers or buds that it is made for.</param>
    /// <param name="isSure">What is only asked about is so.</param>
    public static IEnumerable<PieceProblem> Problems(Piece piece, int parts, Materials materials, bool isSure)
    {
        if (piece.Form.Body?.MaterialId is not { } id)
            yield break;
        var isThere = piece.Body.Kind switch
        {
            BodyKind.Bought => materials.Has<Stamens>(id),
            BodyKind.CoveredCore => materials.Has<CoreBall>(id),
            _ => false,
        };
        if (!isThere)
            yield return new PieceProblem(Path, PieceProblemCode.NotInCabinet);
        else if (!isSure && materials.Find(id)!.Supply.StockPieces is { } stock && stock < piece.ToMake(parts))
            yield return new PieceProblem(Path, PieceProblemCode.ReallyMoreThanInStock, stock);
    }
}
