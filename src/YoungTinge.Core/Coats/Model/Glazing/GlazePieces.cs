using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Coats.Model;

/// <param name="Number">Which of the coats, from 1.</param>
/// <param name="Ml">Of it that goes, what passes by counted in.</param>
/// <param name="IsTinted">Powder is stirred into it: then it comes from a pot, not from the bottle.</param>
/// <param name="FlashOffMinutes">To leave it before the next step.</param>
public sealed record GlazePieces(string Key, Guid CoatId, string GlazeId, int Number, int Of, double Ml, bool IsTinted, Sides Sides, int Pieces, double FlashOffMinutes)
    : RunStep(Key, [Caution.Fumes])
{
    /// <summary>What they are dipped into; null for what is sprayed or brushed on.</summary>
    public DipPot? Dip { get; init; }

    internal override RunStep OverFlowers(IReadOnlyList<RunStep> steps, int flowers) => this with { Pieces = flowers, Ml = steps.OfType<GlazePieces>().Sum(step => step.Ml) };

    public override IReadOnlyList<MaterialTake> Takes() => IsTinted ? [] : [new(GlazeId, Ml)];
}

/// <summary>A glass to dip in: what is poured goes back, but for what stays on the pieces.</summary>
/// <param name="Ml">To pour.</param>
public sealed record DipPot(double AcrossMm, double DeepMm, double Ml);
