using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.CoatPlanning;

/// <summary>A coat made ready to be laid, whatever comes over it and wherever it lies.</summary>
internal sealed class ReadyCoat(Coat coat, Lie lie, Materials materials)
{
    /// <summary>Made last: there are seldom two.</summary>
    private (Later Later, Film? Film)? made;

    private readonly Layer? layer = IsThere(coat) ? coat.Resolve(materials).Layer : null;

    public Lie Lie => lie;

    /// <summary>Whether any of it lies in a zone.</summary>
    public bool Touches(Zone zone) => IsOn(zone.Side()) && lie.Touches[(int)zone];

    /// <summary>A coat of nothing cannot be laid.</summary>
    public static bool IsThere(Coat coat) => coat is not (DustCoat { LoadMgPerCm2: <= 0 } or WashCoat { GPerMl: <= 0 });

    public bool IsOn(Side side) => coat.IsOn(side);

    /// <summary>For what lies below it, of which this comes afterwards.</summary>
    public Later Below(Later later) => later.Below(layer);

    /// <summary>Whether it changes what lies below it just as another does.</summary>
    public bool ChangesBelowAs(ReadyCoat other) => Below(Later.Nothing) == other.Below(Later.Nothing);

    /// <summary>Null where it lays nothing: a coat of nothing, and one that is only seen in others, as steam is.</summary>
    public Film? FilmUnder(Later later)
    {
        if (made is not { } known || known.Later != later)
            made = known = (later, layer?.ReadyUnder(later));
        return known.Film;
    }
}
