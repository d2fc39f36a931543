using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Optics;

/// <summary>Lays one layer on a face, in place.</summary>
/// <param name="share">How much of it lies here, 0 or more.</param>
/// <returns>Whether any of it lies here.</returns>
internal delegate bool Laying(Span<double> reflectance, double share);

/// <summary>A layer made ready for many points: it is either laid over the face, or soaks into the skin with the washes before it.</summary>
internal readonly record struct Film(Laying? Lay, WashLayer? Soaks = null);

/// <summary>Something that is laid on a face, with the figures that decide what it does to the colour.</summary>
public abstract record Layer
{
    /// <summary>Made ready to be laid on many points; null for what lays nothing on.</summary>
    /// <param name="later">What comes over it afterwards.</param>
    internal abstract Film? ReadyUnder(Later later);
}

/// <param name="Optics">Of the mix, in cm2/mg.</param>
/// <param name="WetScattering">Of the mix where glaze has soaked it, in cm2/mg.</param>
public sealed record DustLayer(KubelkaMunkSpectra Optics, Spectrum WetScattering, double LoadMgPerCm2) : Layer
{
    /// <summary>The last that was made, for a layer may be part of many stacks.</summary>
    private Made? made;

    private sealed record Made(Later Later, DustFilm Film);

    internal override Film? ReadyUnder(Later later)
    {
        if (made is not { } known || known.Later != later)
            made = known = new Made(later, new DustFilm(DustOptics.Lying(Optics, WetScattering, later)));
        var (film, load) = (known.Film, LoadMgPerCm2 * DustOptics.KeptBy(later));
        return new Film((reflectance, share) =>
        {
            film.LayOn(reflectance, load * share);
            return load * share > 0;
        });
    }
}

/// <param name="Colour">What the soaked skin takes up, in 1/mm, where the wash is full.</param>
public sealed record WashLayer(KubelkaMunkSpectra Colour, double DepthMm) : Layer
{
    internal override Film? ReadyUnder(Later later) => new Film(null, this);
}

/// <summary>Lays nothing on, but sets every dust below it.</summary>
public sealed record SteamLayer : Layer
{
    internal override Film? ReadyUnder(Later later) => null;
}

/// <summary>A film over all, which soaks every dust below it.</summary>
public sealed record GlazeLayer(GlazeOptics Glaze, int Coats, GlazeTint? Tint = null) : Layer
{
    /// <summary>Share of a dust below that it leaves dry: a tint takes from its shine, not from the liquid.</summary>
    internal double LeavesDry => Math.Pow(1 - Glaze.Gloss, Coats);

    internal override Film? ReadyUnder(Later later)
    {
        var film = new GlazeFilm(Glaze, Coats, Tint);
        return new Film((reflectance, _) =>
        {
            film.LayOn(reflectance);
            return true;
        });
    }
}

/// <summary>Crumbs beside each other, each hiding what is below it.</summary>
/// <param name="Reflectance">0 to 1.</param>
/// <param name="Coverage">Share of the face that they hide, 0 to 1.</param>
public sealed record CrumbLayer(Spectrum Reflectance, double Coverage) : Layer
{
    internal override Film? ReadyUnder(Later later) => new Film((reflectance, share) =>
    {
        var hidden = Math.Min(1, Coverage * share);
        for (var band = 0; band < SpectralGrid.Bands; band++)
            reflectance[band] += hidden * (Reflectance[band] - reflectance[band]);
        return hidden > 0;
    });
}
