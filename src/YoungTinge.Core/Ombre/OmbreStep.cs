using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Core.Ombre;

public enum OmbreAct
{
    /// <summary>Weigh paste and knead its colours in; a plain paste is only weighed.</summary>
    MakePaste,

    /// <summary>Take what the pieces of a shade need, and cover it.</summary>
    SetAside,

    /// <summary>Knead into what remains.</summary>
    AddPaste,

    /// <summary>Knead measured parts together.</summary>
    MixParts,

    /// <summary>No shade needs it: keep it as a stock.</summary>
    LeftOver,
}

/// <summary>One thing to do for a run of shades.</summary>
/// <param name="Shade">That it makes or takes, from 0; null if it is for several.</param>
/// <param name="Grams">That are made, taken, added or left.</param>
/// <param name="Stop">The paste that is made or added, by its place in the run; null for a shade's own.</param>
/// <param name="Parts">Grams of each paste of the run; empty unless parts are mixed.</param>
/// <param name="Recipe">Of what is made; null unless paste is made.</param>
/// <param name="Batch">The same as a hand measures it.</param>
public sealed record OmbreStep(
    OmbreAct Act, int? Shade, double Grams, int? Stop = null, IReadOnlyList<StopPart>? Parts = null, PasteRecipe? Recipe = null, DosedRecipe? Batch = null);

/// <param name="Stop">Its place in the run.</param>
public sealed record StopPart(int Stop, double Grams);
