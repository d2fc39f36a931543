using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Optics;

/// <summary>Something that is laid on a face, with the figures that decide what it does to the colour.</summary>
public abstract record Layer;

/// <param name="Optics">Of the mix, in cm2/mg.</param>
public sealed record DustLayer(KubelkaMunkSpectra Optics, double LoadMgPerCm2) : Layer
{
    private DustFilm? dry;
    private DustFilm? steamed;

    /// <summary>Made once, for a layer may be part of many stacks.</summary>
    internal DustFilm Film(bool isSteamed) => isSteamed ? steamed ??= new DustFilm(DustOptics.Steamed(Optics)) : dry ??= new DustFilm(Optics);
}

/// <param name="Colour">What the soaked skin takes up, in 1/mm.</param>
public sealed record WashLayer(KubelkaMunkSpectra Colour, double DepthMm) : Layer;

public sealed record SteamLayer : Layer;

public sealed record GlazeLayer(GlazeOptics Glaze, int Coats, GlazeTint? Tint = null) : Layer;

/// <summary>Crumbs beside each other, each hiding what is below it.</summary>
/// <param name="Reflectance">0 to 1.</param>
/// <param name="Coverage">Share of the face that they hide, 0 to 1.</param>
public sealed record CrumbLayer(Spectrum Reflectance, double Coverage) : Layer;

/// <summary>How much of each layer of a stack lies at one spot.</summary>
public interface ILayerCoverage
{
    /// <summary>Share of a full layer, 0 or more.</summary>
    /// <param name="layer">Place in the list.</param>
    double ShareOf(int layer);

    /// <summary>Share of the spot that it lies on at all, 0 to 1; an eye takes the mean of that and the rest.</summary>
    /// <param name="layer">Place in the list.</param>
    double CoverOf(int layer);
}

/// <summary>
/// Layers made ready to be laid on many points. Steam looks back: a dust below it lies as steamed, a dust above it does not, and
/// a second steaming changes nothing more. Steam does nothing to a wash or a glaze.
/// </summary>
public sealed class LayerStack
{
    /// <summary>Lays one layer on a face, in place.</summary>
    /// <param name="share">How much of it lies here, 0 or more.</param>
    /// <param name="isBare">Nothing but paste and washes below.</param>
    /// <returns>Whether the face is bare no more.</returns>
    private delegate bool Laying(Span<double> reflectance, double share, bool isBare);

    private readonly List<(int Layer, Laying Lay)> films = [];

    /// <param name="paste">K and S of the coloured paste, in 1/mm.</param>
    /// <param name="layers">In order, first on the paste; null leaves a place in the list empty.</param>
    public LayerStack(KubelkaMunkSpectra paste, IReadOnlyList<Layer?> layers)
    {
        var lastSteam = layers.Select((layer, i) => layer is SteamLayer ? i : -1).DefaultIfEmpty(-1).Max();
        for (var i = 0; i < layers.Count; i++)
        {
            if (Film(layers[i], paste, isSteamed: i < lastSteam) is { } lay)
                films.Add((i, lay));
        }
    }

    /// <summary>Lays everything on a face, in place.</summary>
    /// <param name="reflectance">36 values of the paste, 0 to 1; becomes the finished face.</param>
    /// <param name="shareOf">How much of the layer at this place in the list lies here, 0 or more.</param>
    public void LayOn(Span<double> reflectance, Func<int, double> shareOf) => LayOn(reflectance, new Everywhere(shareOf));

    /// <summary>Lays everything on a face, in place.</summary>
    /// <param name="reflectance">36 values of the paste, 0 to 1; becomes the finished face.</param>
    public void LayOn<TLies>(Span<double> reflectance, TLies lies) where TLies : struct, ILayerCoverage
    {
        Span<double> before = stackalloc double[SpectralGrid.Bands];
        var isBare = true;
        foreach (var (layer, lay) in films)
        {
            var cover = lies.CoverOf(layer);
            if (cover <= 0)
                continue;
            if (cover < 1)
                reflectance.CopyTo(before);
            isBare &= !lay(reflectance, lies.ShareOf(layer), isBare);
            for (var band = 0; cover < 1 && band < SpectralGrid.Bands; band++)
                reflectance[band] = before[band] + cover * (reflectance[band] - before[band]);
        }
    }

    private readonly struct Everywhere(Func<int, double> shareOf) : ILayerCoverage
    {
        public double ShareOf(int layer) => shareOf(layer);

        public double CoverOf(int layer) => 1;
    }

    private static Laying? Film(Layer? layer, KubelkaMunkSpectra paste, bool isSteamed)
    {
        switch (layer)
        {
            case DustLayer dust:
                var dustFilm = dust.Film(isSteamed);
                var load = dust.LoadMgPerCm2 * (isSteamed ? DustOptics.SteamKeep : 1);
                return (face, share, _) =>
                {
                    dustFilm.LayOn(face, load * share);
                    return load * share > 0;
                };
            case WashLayer wash:
                var washFilm = new WashFilm(paste, wash.Colour, wash.DepthMm);
                return (face, share, isBare) =>
                {
                    washFilm.LayOn(face, share, isBare);
                    return false;
                };
            case GlazeLayer glaze:
                var glazeFilm = new GlazeFilm(glaze.Glaze, glaze.Coats, glaze.Tint);
                return (face, _, _) =>
                {
                    glazeFilm.LayOn(face);
                    return true;
                };
            case CrumbLayer crumbs:
                return (face, share, _) =>
                {
                    var hidden = Math.Min(1, crumbs.Coverage * share);
                    for (var band = 0; band < SpectralGrid.Bands; band++)
                        face[band] += hidden * (crumbs.Reflectance[band] - face[band]);
                    return hidden > 0;
                };
            default:
                return null;
        }
    }
}
