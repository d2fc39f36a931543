using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Coats.Model;

/// <param name="ColourId">That the paint is known by.</param>
/// <param name="DryMinutes">To leave it before the next step.</param>
public sealed record BrushWash(string Key, Guid CoatId, string ColourId, Marking? Marking, Place Place, Sides Sides, int Pieces, double DryMinutes) : RunStep(Key, [Caution.Fumes]);
