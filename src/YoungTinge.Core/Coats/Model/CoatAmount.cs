using YoungTinge.Core.Cabinet;

namespace YoungTinge.Core.Coats.Model;

/// <summary>What a coat takes for all pieces and all its layers.</summary>
/// <param name="Powders">What is weighed: dusts, colours, crumbs; in g.</param>
/// <param name="LiquidId">The thinner or the glaze; null if it takes none.</param>
/// <param name="Ml">Of the liquid; null if it takes none.</param>
public sealed record CoatAmount(IReadOnlyList<MaterialAmount> Powders, string? LiquidId = null, double? Ml = null);
