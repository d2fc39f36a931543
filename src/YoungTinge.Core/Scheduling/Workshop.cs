namespace YoungTinge.Core.Scheduling;

/// <summary>What a plan has to work with.</summary>
/// <param name="Makers">Who works when.</param>
/// <param name="DryingPieces">So many pieces have a former or a place on the rack at once, 1 or more; null for as many as there are.</param>
public sealed record Workshop(IReadOnlyList<Maker> Makers, int? DryingPieces = null);
