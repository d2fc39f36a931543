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
/// Layers made ready to be laid on many points. Steam and glaze look back: a dust below lies as steamed and soaked, a dust above does not,
/// and a second steaming changes nothing more. Steam does nothing to a wash or a glaze. Washes with nothing laid between them share one skin.
/// </summary>
public sealed class LayerStack
{
    /// <summary>Painted details that may lie over each other in one skin; of more the mean is taken as if they were thin and everywhere.</summary>
    private const int MostOverEachOther = 4;

    private readonly SoakedSkin skin;
    private readonly List<(int Layer, Film Film)> films = [];

    /// <param name="paste">K and S of the coloured paste, in 1/mm.</param>
    /// <param name="layers">In order, first on the paste; null leaves a place in the list empty.</param>
    /// <param name="done">How many of them have been done, if it is not yet all: what comes later changes nothing yet.</param>
    public LayerStack(KubelkaMunkSpectra paste, IReadOnlyList<Layer?> layers, int? done = null)
    {
        skin = new SoakedSkin(paste);
        var later = Later.Nothing;
        for (var i = (done ?? layers.Count) - 1; i >= 0; i--)
        {
            if (layers[i]?.ReadyUnder(later) is { } film)
                films.Add((i, film));
            later = later.Below(layers[i]);
        }

        films.Reverse();
    }

    /// <summary>Of layers that are made ready already.</summary>
    /// <param name="films">In order, first on the paste; null leaves a place in the list empty.</param>
    internal LayerStack(SoakedSkin skin, IReadOnlyList<Film?> films)
    {
        this.skin = skin;
        for (var i = 0; i < films.Count; i++)
        {
            if (films[i] is { } film)
                this.films.Add((i, film));
        }
    }

    /// <summary>Lays everything on a face, in place.</summary>
    /// <param name="reflectance">36 values of the paste, 0 to 1; becomes the finished face.</param>
    /// <param name="shareOf">How much of the layer at this place in the list lies here, 0 or more.</param>
    public void LayOn(Span<double> reflectance, Func<int, double> shareOf) => LayOn(reflectance, new Everywhere(shareOf));

    /// <summary>Lays everything on bare paste, in place.</summary>
    /// <param name="reflectance">36 values of the paste, 0 to 1; becomes the finished face.</param>
    public void LayOn<TLies>(Span<double> reflectance, TLies lies) where TLies : struct, ILayerCoverage
    {
        var spot = new Spot(stackalloc double[Spot.Room]);
        spot.Begin(reflectance);
        LayOn(ref spot, lies, 0, int.MaxValue);
        spot.Reflectance.CopyTo(reflectance);
    }

    /// <summary>Lays some of it on a face on which all below lies already, in place.</summary>
    /// <param name="from">First layer to lay, by its place in the list.</param>
    /// <param name="to">The layer before which to stop.</param>
    public void LayOn<TLies>(ref Spot spot, TLies lies, int from, int to) where TLies : struct, ILayerCoverage
    {
        Span<double> before = stackalloc double[SpectralGrid.Bands];
        foreach (var (layer, film) in films)
        {
            if (layer < from)
                continue;
            if (layer >= to)
                break;
            var cover = lies.CoverOf(layer);
            if (cover <= 0)
                continue;
            if (film.Lay is not { } lay)
            {
                Soak(ref spot, lies, layer);
                continue;
            }

            if (cover < 1)
                spot.Reflectance.CopyTo(before);
            if (lay(spot.Reflectance, lies.ShareOf(layer)))
                spot.Cover();
            if (cover < 1)
                SimdKubelkaMunk.Blend(spot.Reflectance, before, cover);
        }
    }

    /// <summary>The skin with all washes since something was last laid over it, up to this one.</summary>
    private void Soak<TLies>(ref Spot spot, TLies lies, int last) where TLies : struct, ILayerCoverage
    {
        if (lies.ShareOf(last) <= 0)
            return;
        spot.Soak(last);
        Span<double> k = stackalloc double[SpectralGrid.Bands], s = stackalloc double[SpectralGrid.Bands];
        k.Clear();
        s.Clear();
        var depthMm = 0.0;
        Span<(int Film, double Share, double Cover)> parted = stackalloc (int, double, double)[MostOverEachOther];
        var parts = 0;
        for (var i = 0; i < films.Count && films[i].Layer <= last; i++)
        {
            if (films[i].Layer < spot.SkinFrom || films[i].Film.Soaks is not { } wash)
                continue;
            var (share, cover) = (lies.ShareOf(films[i].Layer), lies.CoverOf(films[i].Layer));
            if (share <= 0 || cover <= 0)
                continue;
            if (cover < 1 && parts < MostOverEachOther)
                parted[parts++] = (i, share, cover);
            else
                Take(wash, share * cover, k, s, ref depthMm);
        }

        if (parts == 0)
            skin.LayOver(spot.Below, k, s, depthMm, spot.IsBare, spot.Reflectance);
        else
            Mean(ref spot, parted[..parts], k, s, depthMm);
    }

    /// <summary>What an eye sees where strokes cross that each hide a share of the spot: the mean of every way that they may lie over each other.</summary>
    private void Mean(ref Spot spot, scoped ReadOnlySpan<(int Film, double Share, double Cover)> parted, scoped ReadOnlySpan<double> k, scoped ReadOnlySpan<double> s, double depthMm)
    {
        Span<double> thisK = stackalloc double[SpectralGrid.Bands], thisS = stackalloc double[SpectralGrid.Bands], look = stackalloc double[SpectralGrid.Bands];
        spot.Reflectance.Clear();
        for (var lying = 0; lying < 1 << parted.Length; lying++)
        {
            k.CopyTo(thisK);
            s.CopyTo(thisS);
            var (weight, thisDepthMm) = (1.0, depthMm);
            for (var i = 0; i < parted.Length; i++)
            {
                var isThere = (lying >> i & 1) == 1;
                weight *= isThere ? parted[i].Cover : 1 - parted[i].Cover;
                if (isThere)
                    Take(films[parted[i].Film].Film.Soaks!, parted[i].Share, thisK, thisS, ref thisDepthMm);
            }

            skin.LayOver(spot.Below, thisK, thisS, thisDepthMm, spot.IsBare, look);
            SimdKubelkaMunk.Add(spot.Reflectance, look, weight);
        }
    }

    private static void Take(WashLayer wash, double share, Span<double> k, Span<double> s, ref double depthMm)
    {
        SimdKubelkaMunk.Add(k, wash.Colour.Absorption.Values, share);
        SimdKubelkaMunk.Add(s, wash.Colour.Scattering.Values, share);
        depthMm = Math.Max(depthMm, wash.DepthMm);
    }

    private readonly struct Everywhere(Func<int, double> shareOf) : ILayerCoverage
    {
        public double ShareOf(int layer) => shareOf(layer);

        public double CoverOf(int layer) => 1;
    }
}
