using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Core.Work;

/// <summary>One kind of piece to make, with its plan.</summary>
public sealed record PlannedWork(Guid PieceId, Piece Piece, int Parts, PiecePlan Plan) : PieceToMake(PieceId, Piece, Parts)
{
    public override PasteRecipe Paste => Plan.Paste;
}
