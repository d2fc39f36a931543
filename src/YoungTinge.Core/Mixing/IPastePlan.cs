namespace YoungTinge.Core.Mixing;

/// <summary>A way to get the pastes of a flower that names the pieces it is for.</summary>
public interface IPastePlan
{
    /// <summary>Each piece with its field within the plan.</summary>
    IEnumerable<(string Path, Guid PieceId)> NamedPieces();
}
