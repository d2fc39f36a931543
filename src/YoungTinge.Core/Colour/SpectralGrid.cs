namespace YoungTinge.Core.Colour;

/// <summary>The wavelengths on which every spectrum of the product stands: 380 to 730 nm, every 10 nm.</summary>
public static class SpectralGrid
{
    public const int StartNm = 380;
    public const int StepNm = 10;
    public const int Bands = 36;

    public static int WavelengthNm(int band) => StartNm + StepNm * band;
}
