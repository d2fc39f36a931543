using YoungTinge.Store;

namespace YoungTinge.Web.Studios;

/// <summary>How the studio measures.</summary>
/// <param name="ScaleG">Smallest step of its scale.</param>
/// <param name="LeftoverDeltaE">A leftover may go into a paste if that differs by no more.</param>
/// <param name="Version">To send with a change.</param>
public sealed record MeasuringView(Measures Measures, double ScaleG, double LeftoverDeltaE, int Version)
{
    public static MeasuringView From(Studio studio) =>
        new(studio.Measuring.Measures, studio.Measuring.ScaleG, studio.Measuring.LeftoverDeltaE, studio.Version);
}
