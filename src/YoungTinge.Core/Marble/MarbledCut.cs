using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Marble;

/// <summary>One piece cut from a marbled sheet, as light meets it at each point.</summary>
public sealed class MarbledCut
{
    private readonly RolledMarble sheet;
    private readonly RolledMarble.CutPlace place;
    private readonly double lengthMm;

    internal MarbledCut(RolledMarble sheet, RolledMarble.CutPlace place, double lengthMm) => (this.sheet, this.place, this.lengthMm) = (sheet, place, lengthMm);

    /// <summary>Reflectance of the paste at a point of the piece.</summary>
    /// <param name="xMm">Across from the midrib.</param>
    /// <param name="yMm">Along from the base.</param>
    /// <param name="seenMm">Half the width of the spot that an eye takes together there.</param>
    public Spectrum FaceAt(double xMm, double yMm, double seenMm)
    {
        var (x, y) = place.On(xMm, lengthMm - yMm, sheet.SideMm);
        return sheet.FaceAt(x, y, seenMm);
    }
}
