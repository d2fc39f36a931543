using YoungTinge.Core.Cabinet;

namespace YoungTinge.Core.Coats.Model;

/// <summary>What is mixed for a coat.</summary>
/// <param name="Parts">Powder, in any one unit of mass; not empty.</param>
/// <param name="LiquidId">That it goes into; null for dust.</param>
/// <param name="GPerMl">Powder in the liquid; 0 for dust.</param>
/// <param name="IsDab">So little is wanted that a dab of it is enough.</param>
public sealed record CoatMix(IReadOnlyList<Portion> Parts, string? LiquidId = null, double GPerMl = 0, bool IsDab = false);
