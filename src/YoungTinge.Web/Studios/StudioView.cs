using YoungTinge.Core.Cabinet;
using YoungTinge.Store;

namespace YoungTinge.Web.Studios;

/// <summary>The studio: whose it is, and how it measures.</summary>
/// <param name="Maker">Empty if she does not say.</param>
/// <param name="TimeZone">IANA name.</param>
/// <param name="Currency">ISO 4217.</param>
/// <param name="Language">Of its words, where nobody has chosen another: a BCP 47 tag.</param>
/// <param name="ScaleG">Smallest step of its scale.</param>
/// <param name="ScaleDecimals">That a weight on this scale is shown with.</param>
/// <param name="LeftoverDeltaE">A leftover may go into a paste if that differs by no more.</param>
/// <param name="HolesMm">Diameters of the maker's own sizing holes, from the smallest up; empty if she has none.</param>
/// <param name="Version">To send with a change (If-Match).</param>
public sealed record StudioView(
    string Name, string Maker, string TimeZone, string Currency, string Language, Measures Measures, double ScaleG, int ScaleDecimals, double LeftoverDeltaE, IReadOnlyList<double> HolesMm, int Version)
{
    public static StudioView From(Studio studio) => new(
        studio.Name, studio.Maker, studio.TimeZone, studio.Currency, studio.Language, studio.Measuring.Measures, studio.Measuring.ScaleG,
        BenchScale.DecimalsOf(studio.Measuring.ScaleG), studio.Measuring.LeftoverDeltaE, studio.Measuring.HolesMm, studio.Version);
}
