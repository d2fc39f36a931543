using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Core.Work;

/// <summary>One kind of piece to make, with its plan.</summary>
/// <param name="Plan">As it is carried out: its paste is what the piece is shaped from.</param>
public sealed record PlannedWork(Guid PieceId, Piece Piece, int Parts, PiecePlan Plan) : PieceToMake(PieceId, Piece, Parts)
{
    /// <summary>What it is shaped from; null for its own recipe.</summary>
    public PasteSource? Source { get; init; }

    public override PasteRecipe Paste => Plan.Paste;
}
