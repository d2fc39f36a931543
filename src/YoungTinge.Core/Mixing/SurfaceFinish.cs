using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Mixing;

/// <summary>One dust over the paste.</summary>
/// <param name="LoadMgPerCm2">As brushed on, before steam.</param>
public sealed record DustPass(string DustId, double LoadMgPerCm2);

/// <summary>How near paste, dust, steam and glaze together bring a target that paste alone cannot reach.</summary>
/// <param name="Paste">What lies below; not always the paste that is nearest by itself.</param>
/// <param name="Passes">None to two dusts, the first on the paste; set with steam, which gives them their depth.</param>
/// <param name="GlazeId">One coat over it; null for none.</param>
/// <param name="Colour">Under daylight, when all is done.</param>
public sealed record SurfaceFinish(PasteRecipe Paste, IReadOnlyList<DustPass> Passes, string? GlazeId, Lab Colour, double DeltaE);
