using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Optics;

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
    private readonly List<(int Layer, Laying Lay)> films = [];

    /// <param name="paste">K and S of the coloured paste, in 1/mm.</param>
    /// <param name="layers">In order, first on the paste; null leaves a place in the list empty.</param>
    public LayerStack(KubelkaMunkSpectra paste, IReadOnlyList<Layer?> layers)
    {
        var lastSteam = layers.Select((layer, i) => layer is SteamLayer ? i : -1).DefaultIfEmpty(-1).Max();
        for (var i = 0; i < layers.Count; i++)
        {
            if (layers[i]?.Film(paste, isSteamed: i < lastSteam) is { } lay)
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
}
