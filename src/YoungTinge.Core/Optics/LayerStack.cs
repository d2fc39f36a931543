using YoungTinge.Core.Cabinet;

namespace YoungTinge.Core.Optics;

/// <summary>Something that is laid on a face, with the figures that decide what it does to the colour.</summary>
public abstract record Layer;

/// <param name="Optics">Of the mix, in cm2/mg.</param>
public sealed record DustLayer(Scatterer Optics, double LoadMgPerCm2) : Layer;

/// <param name="Colour">What the soaked skin takes up, in 1/mm.</param>
public sealed record WashLayer(Scatterer Colour, double DepthMm) : Layer;

public sealed record SteamLayer : Layer;

public sealed record GlazeLayer(Glaze Glaze, int Coats, GlazeTint? Tint = null) : Layer;

/// <summary>
/// Layers made ready to be laid on many points. Steam looks back: a dust below it lies as steamed, a dust above it does not, and
/// a second steaming changes nothing more. Steam does nothing to a wash or a glaze.
/// </summary>
public sealed class LayerStack
{
    private readonly List<(int Layer, DustFilm? Dust, double LoadMgPerCm2, WashFilm? Wash, GlazeFilm? Glaze)> films = [];

    /// <param name="paste">K and S of the coloured paste, in 1/mm.</param>
    /// <param name="layers">In order, first on the paste; null leaves a place in the list empty.</param>
    public LayerStack(Scatterer paste, IReadOnlyList<Layer?> layers)
    {
        var lastSteam = layers.Select((layer, i) => layer is SteamLayer ? i : -1).DefaultIfEmpty(-1).Max();
        for (var i = 0; i < layers.Count; i++)
        {
            switch (layers[i])
            {
                case DustLayer dust when i < lastSteam:
                    films.Add((i, new DustFilm(DustOptics.Steamed(dust.Optics)), dust.LoadMgPerCm2 * DustOptics.SteamKeep, null, null));
                    break;
                case DustLayer dust:
                    films.Add((i, new DustFilm(dust.Optics), dust.LoadMgPerCm2, null, null));
                    break;
                case WashLayer wash:
                    films.Add((i, null, 0, new WashFilm(paste, wash.Colour, wash.DepthMm), null));
                    break;
                case GlazeLayer glaze:
                    films.Add((i, null, 0, null, new GlazeFilm(glaze.Glaze, glaze.Coats, glaze.Tint)));
                    break;
            }
        }
    }

    /// <summary>Lays everything on a face, in place.</summary>
    /// <param name="reflectance">36 values of the paste, 0 to 1; becomes the finished face.</param>
    /// <param name="shareOf">How much of the layer at this place in the list lies here, 0 or more.</param>
    public void LayOn(Span<double> reflectance, Func<int, double> shareOf)
    {
        var bare = true;
        foreach (var (layer, dust, load, wash, glaze) in films)
        {
            if (dust is not null)
            {
                var here = load * shareOf(layer);
                dust.LayOn(reflectance, here);
                bare &= here <= 0;
            }

            wash?.LayOn(reflectance, shareOf(layer), bare);
            if (glaze is null)
                continue;
            glaze.LayOn(reflectance);
            bare = false;
        }
    }
}
