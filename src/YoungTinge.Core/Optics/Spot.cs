using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Optics;

/// <summary>One spot of a piece while layers are laid on it: its colour, and what the skin has soaked up since something was last laid over it.</summary>
public ref struct Spot
{
    /// <summary>Doubles that it works in.</summary>
    public const int Room = 2 * SpectralGrid.Bands;

    private const int NothingSoaked = -1;

    private readonly Span<double> below;

    /// <param name="room">Of <see cref="Room"/> doubles, whatever is in them.</param>
    public Spot(Span<double> room)
    {
        Reflectance = room[..SpectralGrid.Bands];
        below = room[SpectralGrid.Bands..Room];
    }

    /// <summary>36 values, 0 to 1.</summary>
    public Span<double> Reflectance { get; }

    /// <summary>Nothing but paste and washes lies there.</summary>
    internal bool IsBare { get; private set; }

    /// <summary>First wash of those that the skin holds now, by its place among the layers; below 0 for none.</summary>
    internal int SkinFrom { get; private set; }

    internal readonly bool IsSoaked => SkinFrom >= 0;

    /// <summary>The spot before the first of these washes: 36 values.</summary>
    internal readonly ReadOnlySpan<double> Below => below;

    /// <summary>Of paste with nothing on it; its colour is in the reflectance, or is put there now.</summary>
    /// <param name="isBare">Whether a wash finds the paste of the piece there; not so where another paste lies beside it.</param>
    public void Begin(ReadOnlySpan<double> paste, bool isBare = true)
    {
        paste.CopyTo(Reflectance);
        (IsBare, SkinFrom) = (isBare, NothingSoaked);
    }

    /// <summary>Goes on as another one stands.</summary>
    public void GoOnFrom(in Spot other) => GoOnFrom(other.Reflectance, other.Below, other.SkinFrom, other.IsBare);

    internal void GoOnFrom(ReadOnlySpan<double> reflectance, ReadOnlySpan<double> beforeSkin, int skinFrom, bool isBare)
    {
        reflectance.CopyTo(Reflectance);
        if (skinFrom >= 0)
            beforeSkin.CopyTo(below);
        (IsBare, SkinFrom) = (isBare, skinFrom);
    }

    /// <summary>The skin takes up a wash, together with those that it holds already.</summary>
    internal void Soak(int layer)
    {
        if (IsSoaked)
            return;
        Reflectance.CopyTo(below);
        SkinFrom = layer;
    }

    /// <summary>Something lies over it all.</summary>
    internal void Cover() => (IsBare, SkinFrom) = (false, NothingSoaked);
}
