using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Mixing;

/// <summary>One kind of piece, and the paste that it is made of.</summary>
/// <param name="Parts">Flowers or buds that it is made for.</param>
public abstract record PieceToMake(Guid PieceId, Piece Piece, int Parts)
{
    public abstract PasteRecipe Paste { get; }
}
