using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Optics;

/// <summary>Lays one layer on a face, in place.</summary>
/// <param name="share">How much of it lies here, 0 or more.</param>
/// <param name="isBare">Nothing but paste and washes below.</param>
/// <returns>Whether the face is bare no more.</returns>
internal delegate bool Laying(Span<double> reflectance, double share, bool isBare);

/// <summary>Something that is laid on a face, with the figures that decide what it does to the colour.</summary>
public abstract record Layer
{
    /// <summary>Made ready to be laid on many points; null for what lays nothing on.</summary>
    /// <param name="paste">K and S of the coloured paste below all, in 1/mm.</param>
    /// <param name="isSteamed">Whether it goes through steam later on.</param>
    internal abstract Laying? Film(KubelkaMunkSpectra paste, bool isSteamed);
}

/// <param name="Optics">Of the mix, in cm2/mg.</param>
public sealed record DustLayer(KubelkaMunkSpectra Optics, double LoadMgPerCm2) : Layer
{
    private DustFilm? dry;
    private DustFilm? steamed;

    internal override Laying Film(KubelkaMunkSpectra paste, bool isSteamed)
    {
        // Made once, for a layer may be part of many stacks.
        var film = isSteamed ? steamed ??= new DustFilm(DustOptics.Steamed(Optics)) : dry ??= new DustFilm(Optics);
        var load = LoadMgPerCm2 * (isSteamed ? DustOptics.SteamKeep : 1);
        return (face, share, _) =>
        {
            film.LayOn(face, load * share);
            return load * share > 0;
        };
    }
}

/// <param name="Colour">What the soaked skin takes up, in 1/mm.</param>
public sealed record WashLayer(KubelkaMunkSpectra Colour, double DepthMm) : Layer
{
    internal override Laying Film(KubelkaMunkSpectra paste, bool isSteamed)
    {
        var film = new WashFilm(paste, Colour, DepthMm);
        return (face, share, isBare) =>
        {
            film.LayOn(face, share, isBare);
            return false;
        };
    }
}

/// <summary>Lays nothing on, but sets every dust below it.</summary>
public sealed record SteamLayer : Layer
{
    internal override Laying? Film(KubelkaMunkSpectra paste, bool isSteamed) => null;
}

public sealed record GlazeLayer(GlazeOptics Glaze, int Coats, GlazeTint? Tint = null) : Layer
{
    internal override Laying Film(KubelkaMunkSpectra paste, bool isSteamed)
    {
        var film = new GlazeFilm(Glaze, Coats, Tint);
        return (face, _, _) =>
        {
            film.LayOn(face);
            return true;
        };
    }
}

/// <summary>Crumbs beside each other, each hiding what is below it.</summary>
/// <param name="Reflectance">0 to 1.</param>
/// <param name="Coverage">Share of the face that they hide, 0 to 1.</param>
public sealed record CrumbLayer(Spectrum Reflectance, double Coverage) : Layer
{
    internal override Laying Film(KubelkaMunkSpectra paste, bool isSteamed) => (face, share, _) =>
    {
        var hidden = Math.Min(1, Coverage * share);
        for (var band = 0; band < SpectralGrid.Bands; band++)
            face[band] += hidden * (Reflectance[band] - face[band]);
        return hidden > 0;
    };
}
