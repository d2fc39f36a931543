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
    /// <param name="steamedUpTo">How many of the layers have been through steam; by default all that lie below the last steam.</param>
    public LayerStack(KubelkaMunkSpectra paste, IReadOnlyList<Layer?> layers, int? steamedUpTo = null)
    {
        var lastSteam = steamedUpTo ?? layers.Select((layer, i) => layer is SteamLayer ? i : -1).DefaultIfEmpty(-1).Max();
        for (var i = 0; i < layers.Count; i++)
        {
            if (layers[i]?.Film(paste, isSteamed: i < lastSteam) is { } lay)
                films.Add((i, lay));
        }
    }

    /// <summary>Of layers that are made ready already.</summary>
    /// <param name="films">In order, first on the paste; null leaves a place in the list empty.</param>
    internal LayerStack(IReadOnlyList<Laying?> films)
    {
        for (var i = 0; i < films.Count; i++)
        {
            if (films[i] is { } lay)
                this.films.Add((i, lay));
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
        var isBare = true;
        LayOn(reflectance, lies, 0, int.MaxValue, ref isBare);
    }

    /// <summary>Lays some of it on a face on which all below them lies already, in place.</summary>
    /// <param name="reflectance">36 values of the face so far, 0 to 1.</param>
    /// <param name="from">First layer to lay, by its place in the list.</param>
    /// <param name="to">The layer before which to stop.</param>
    /// <param name="isBare">Whether nothing but paste and washes lies there yet: handed on from what was laid before.</param>
    public void LayOn<TLies>(Span<double> reflectance, TLies lies, int from, int to, ref bool isBare) where TLies : struct, ILayerCoverage
    {
        Span<double> before = stackalloc double[SpectralGrid.Bands];
        foreach (var (layer, lay) in films)
        {
            if (layer < from)
                continue;
            if (layer >= to)
                break;
            var cover = lies.CoverOf(layer);
            if (cover <= 0)
                continue;
            if (cover < 1)
                reflectance.CopyTo(before);
            isBare &= !lay(reflectance, lies.ShareOf(layer), isBare);
            if (cover < 1)
                SimdKubelkaMunk.Blend(reflectance, before, cover);
        }
    }

    private readonly struct Everywhere(Func<int, double> shareOf) : ILayerCoverage
    {
        public double ShareOf(int layer) => shareOf(layer);

        public double CoverOf(int layer) => 1;
    }
}
