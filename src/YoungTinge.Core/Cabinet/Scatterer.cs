using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Cabinet;

/// <summary>
/// Kubelka-Munk absorption K and scattering S of a material, on the spectral grid. The unit is the holder's: 1/mm for paste,
/// 1/mm for each g per 100 g for a colourant, cm2/mg for a dust. K is about twice the ordinary absorption coefficient.
/// </summary>
public sealed record Scatterer(Spectrum Absorption, Spectrum Scattering);
