namespace YoungTinge.Core.Coats.Model;

public enum PlanProblemCode
{
    MissingTarget,
    NotAColour,
    SpreadOutOfRange,
    UnknownMaterial,
    DoseNotAboveZero,
    DoseOverLimit,
    SameColourTwice,
    EmptyMix,
    PartsOutOfRange,
    LoadNotAboveZero,
    LoadOverLimit,
    PlaceOutOfRange,
    PlaceEndsBeforeStart,
    TooManyPlaces,
    MarkSizeOutOfRange,
    SpacingOutOfRange,
    WaverOutOfRange,
    CoatsOutOfRange,
    SecondsOutOfRange,
    TooManyCoats,
    TooManyInMix,
    SameCoatTwice,
    StrengthOutOfRange,
    WetOutOfRange,
    TintOutOfRange,
    TintPartsOutOfRange,
    CoverageOutOfRange,
    NoteTooLong,
    TooManyOnPurpose,
}

/// <summary>Something in a plan that cannot be.</summary>
/// <param name="Path">The field, as in the plan's JSON: <c>coats[1].loadMgPerCm2</c>.</param>
/// <param name="Limit">The limit that was passed, if it is one.</param>
/// <param name="Material">The material whose limit it is, by id.</param>
public sealed record PlanProblem(string Path, PlanProblemCode Code, double? Limit = null, string? Material = null);
