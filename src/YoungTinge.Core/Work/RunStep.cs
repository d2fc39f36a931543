using System.Text.Json.Serialization;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Core.Work;

public enum Caution
{
    /// <summary>Gloves: colour stains.</summary>
    Gloves,

    /// <summary>Mask, low draught, no blowing.</summary>
    DustInTheAir,

    /// <summary>Steam burns.</summary>
    Steam,

    /// <summary>Glaze and spirit burn and give off fumes.</summary>
    Fumes,

    /// <summary>Blades and wire cut.</summary>
    BladesAndWire,

    /// <summary>Something here is not for eating.</summary>
    DecorativeOnly,
}

/// <summary>One thing to do for all pieces of a kind, with its amounts.</summary>
/// <param name="Key">Names the step as long as its coat exists, so that a tick outlives changes around it.</param>
/// <param name="Cautions">To show with it.</param>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(WeighPaste), "weighPaste")]
[JsonDerivedType(typeof(AddColour), "addColour")]
[JsonDerivedType(typeof(RestPaste), "restPaste")]
[JsonDerivedType(typeof(ShapePieces), "shapePieces")]
[JsonDerivedType(typeof(DryPieces), "dryPieces")]
[JsonDerivedType(typeof(MixDust), "mixDust")]
[JsonDerivedType(typeof(BrushDust), "brushDust")]
[JsonDerivedType(typeof(MixWash), "mixWash")]
[JsonDerivedType(typeof(BrushWash), "brushWash")]
[JsonDerivedType(typeof(SteamPieces), "steamPieces")]
[JsonDerivedType(typeof(GlazePieces), "glazePieces")]
[JsonDerivedType(typeof(StickPollen), "stickPollen")]
[JsonDerivedType(typeof(ComparePieces), "comparePieces")]
public abstract record RunStep(string Key, IReadOnlyList<Caution> Cautions);

/// <param name="Grams">To weigh: what let-downs bring along is taken off.</param>
/// <param name="BroughtG">White that comes with let-downs; 0 for most.</param>
/// <param name="OffDeltaE">How far the paste comes out from the plan with every dose as it is measured.</param>
public sealed record WeighPaste(string Key, string BaseId, double Grams, double BroughtG, double OffDeltaE) : RunStep(Key, []);

/// <param name="MeasuredG">What really goes in.</param>
/// <param name="LetDown">For a dose, or the rest of one, under one unit; null if it needs none, or none can be made.</param>
/// <param name="CountedBesides">Whole units besides the let-down; 0 for most.</param>
/// <param name="BaseId">The paste that a let-down is made with.</param>
public sealed record AddColour(
    string Key, string ColourantId, double Grams, double MeasuredG, UnitChoice? Units, LetDown? LetDown, int CountedBesides, string BaseId) : RunStep(Key, [Caution.Gloves]);

/// <param name="Hours">Until the colour has come out as far as the plan counts on.</param>
public sealed record RestPaste(string Key, double Hours) : RunStep(Key, []);

public sealed record ShapePieces(string Key, int Pieces, int Spares, BenchBall Ball, double PieceG, double? ThicknessMm) : RunStep(Key, [Caution.BladesAndWire]);

public sealed record DryPieces(string Key) : RunStep(Key, []);

public sealed record MixDust(string Key, Guid CoatId, IReadOnlyList<MaterialAmount> Portions, IReadOnlyList<Caution> Cautions) : RunStep(Key, Cautions);

/// <param name="AfterAssembly">Over the flower as it stands, not piece by piece.</param>
public sealed record BrushDust(string Key, Guid CoatId, LoadWord Load, Place Place, Sides Sides, int Pieces, bool AfterAssembly, IReadOnlyList<Caution> Cautions)
    : RunStep(Key, Cautions);

/// <param name="Ml">Of the thinner.</param>
public sealed record MixWash(string Key, Guid CoatId, IReadOnlyList<MaterialAmount> Colours, string ThinnerId, double Ml) : RunStep(Key, [Caution.Gloves, Caution.Fumes]);

/// <param name="DryMinutes">To leave it before the next step.</param>
public sealed record BrushWash(string Key, Guid CoatId, Marking? Marking, Place Place, Sides Sides, int Pieces, double DryMinutes) : RunStep(Key, [Caution.Fumes]);

/// <param name="DryHours">To leave it before it is touched.</param>
public sealed record StickPollen(string Key, Guid CoatId, string AdhesiveId, string CrumbId, double Grams, Place Place, int Pieces, double DryHours) : RunStep(Key, []);

public sealed record SteamPieces(string Key, Guid CoatId, int Seconds, int Pieces) : RunStep(Key, [Caution.Steam]);

/// <param name="Number">Which of the coats, from 1.</param>
/// <param name="FlashOffMinutes">To leave it before the next step.</param>
/// <param name="Tint">Powder to stir in; empty for a clear glaze.</param>
public sealed record GlazePieces(string Key, Guid CoatId, string GlazeId, int Number, int Of, double Ml, IReadOnlyList<MaterialAmount> Tint, Sides Sides, int Pieces, double FlashOffMinutes)
    : RunStep(Key, [Caution.Fumes]);

public sealed record ComparePieces(string Key) : RunStep(Key, []);
