using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Coats.Model;

/// <param name="Ml">Of the thinner.</param>
public sealed record MixWash(string Key, Guid CoatId, IReadOnlyList<MaterialAmount> Colours, string ThinnerId, double Ml) : RunStep(Key, [Caution.Gloves, Caution.Fumes])
{
    public override IReadOnlyList<MaterialTake> Takes() => [.. Colours.Select(amount => new MaterialTake(amount.MaterialId, amount.Grams)), new(ThinnerId, Ml)];
}

/// <param name="DryMinutes">To leave it before the next step.</param>
public sealed record BrushWash(string Key, Guid CoatId, Marking? Marking, Place Place, Sides Sides, int Pieces, double DryMinutes) : RunStep(Key, [Caution.Fumes]);
