using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Coats.Model;

/// <param name="Number">Which of the coats, from 1.</param>
/// <param name="FlashOffMinutes">To leave it before the next step.</param>
/// <param name="Tint">Powder to stir in; empty for a clear glaze.</param>
public sealed record GlazePieces(string Key, Guid CoatId, string GlazeId, int Number, int Of, double Ml, IReadOnlyList<MaterialAmount> Tint, Sides Sides, int Pieces, double FlashOffMinutes)
    : RunStep(Key, [Caution.Fumes])
{
    public override IReadOnlyList<MaterialTake> Takes() => [.. Tint.Select(amount => new MaterialTake(amount.MaterialId, amount.Grams)), new(GlazeId, Ml)];
}
