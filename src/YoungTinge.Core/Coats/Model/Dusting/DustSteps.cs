using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Coats.Model;

public sealed record MixDust(string Key, Guid CoatId, IReadOnlyList<MaterialAmount> Portions, IReadOnlyList<Caution> Cautions) : RunStep(Key, Cautions)
{
    public override IReadOnlyList<MaterialTake> Takes() => [.. Portions.Select(amount => new MaterialTake(amount.MaterialId, amount.Grams))];
}

/// <param name="AfterAssembly">Over the flower as it stands, not piece by piece.</param>
public sealed record BrushDust(string Key, Guid CoatId, LoadWord Load, Place Place, Sides Sides, int Pieces, bool AfterAssembly, IReadOnlyList<Caution> Cautions)
    : RunStep(Key, Cautions);
