using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.CoatPlanning;

/// <summary>A coat made ready to be laid over one paste, steamed or not, wherever it lies.</summary>
internal sealed class ReadyCoat(Coat coat, Lie lie, KubelkaMunkSpectra paste, Materials materials)
{
    private readonly Laying?[] films = new Laying?[2];
    private readonly bool[] isMade = new bool[2];

    public Lie Lie => lie;

    /// <summary>Whether any of it lies in a zone.</summary>
    public bool Touches(Zone zone) => coat.IsOn(zone == Zone.Back ? Side.Back : Side.Face) && lie.Touches[(int)zone];

    /// <summary>A coat of nothing cannot be laid.</summary>
    public static bool IsThere(Coat coat) => coat is not (DustCoat { LoadMgPerCm2: <= 0 } or WashCoat { GPerMl: <= 0 });

    /// <summary>Null where it lays nothing: a coat of nothing, and one that is only seen in others, as steam is.</summary>
    public Laying? Film(bool isSteamed)
    {
        var which = isSteamed ? 1 : 0;
        if (!isMade[which] && IsThere(coat))
            films[which] = coat.Resolve(materials).Layer.Film(paste, isSteamed);
        isMade[which] = true;
        return films[which];
    }
}
