using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Core.Coats.Model;

/// <param name="Grams">To weigh: what let-downs bring along is taken off.</param>
/// <param name="BroughtG">White that comes with let-downs; 0 for most.</param>
/// <param name="OffDeltaE">How far the paste comes out from the plan with every dose as it is measured.</param>
public sealed record WeighPaste(string Key, string BaseId, double Grams, double BroughtG, double OffDeltaE) : RunStep(Key, [])
{
    public override IReadOnlyList<MaterialTake> Takes() => [new(BaseId, Grams)];
}

/// <param name="MeasuredG">What really goes in.</param>
/// <param name="LetDown">For a dose, or the rest of one, under one unit; null if it needs none, or none can be made.</param>
/// <param name="CountedBesides">Whole units besides the let-down; 0 for most.</param>
/// <param name="BaseId">The paste that a let-down is made with.</param>
public sealed record AddColour(
    string Key, string ColourantId, double Grams, double MeasuredG, UnitChoice? Units, LetDown? LetDown, int CountedBesides, string BaseId) : RunStep(Key, [Caution.Gloves])
{
    public override IReadOnlyList<MaterialTake> Takes() => ColourTakes.Of(ColourantId, MeasuredG, LetDown, CountedBesides, BaseId);
}

/// <param name="Hours">Until the colour has come out as far as the plan counts on.</param>
public sealed record RestPaste(string Key, double Hours) : RunStep(Key, []);

public sealed record ShapePieces(string Key, int Pieces, int Spares, BenchBall Ball, double PieceG, double? ThicknessMm) : RunStep(Key, [Caution.BladesAndWire]);

public sealed record DryPieces(string Key) : RunStep(Key, []);

public sealed record ComparePieces(string Key) : RunStep(Key, []);
