using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Devices;

/// <summary>A dab on the simulated bench, as it really looks.</summary>
public static class Dabs
{
    /// <summary>A colour kneaded into a paste, rested, opaque.</summary>
    public static Spectrum InPaste(Colourant colourant, double gPer100g, PasteBase paste, HiddenTruth truth) =>
        DabColour.InPaste(truth.Of(colourant).Optics, gPer100g, paste.Optics);

    /// <summary>A dust rubbed out on plain dry paste.</summary>
    public static Spectrum RubbedOut(Dust dust, double loadMgPerCm2, PasteBase paste, HiddenTruth truth) =>
        DabColour.RubbedOut(truth.Of(dust).Optics, loadMgPerCm2, KubelkaMunk.Opaque(paste.Optics));
}
