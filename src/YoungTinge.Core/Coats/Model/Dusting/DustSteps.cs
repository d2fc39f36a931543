using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Coats.Model;

/// <param name="DustId">That the mix is known by.</param>
public sealed record BrushDust(string Key, Guid CoatId, string DustId, LoadWord Load, Place Place, Sides Sides, int Pieces, IReadOnlyList<Caution> Cautions)
    : RunStep(Key, Cautions);
