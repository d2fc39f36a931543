using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Mixing;

/// <summary>Looks for the fewest coats over a paste that bring a target near which paste alone cannot reach.</summary>
public static class SurfaceFinishSearch
{
    private const int CoarseLoads = 8;

    /// <summary>So many of the best single dusts are tried with a second one over them.</summary>
    private const int Followed = 4;

    /// <summary>Each step must bring it this much nearer, in delta E, to be worth its while.</summary>
    public const double WorthAStep = 0.5;

    /// <param name="pastes">To try below; the first is the one that is nearest by itself.</param>
    /// <param name="allows">Which of the cabinet's dusts and glazes may be used.</param>
    /// <param name="worthAStep">How much nearer, in delta E, each dust or glaze must bring it.</param>
    /// <returns>The fewest steps that come about as near as any; null if none is worth its while.</returns>
    public static SurfaceFinish? Find(
        IReadOnlyList<PasteRecipe> pastes, Lab target, Materials materials, Func<Material, bool> allows,
        double worthAStep = WorthAStep, CancellationToken cancel = default)
    {
        var dusts = materials.All.OfType<Dust>().Where(dust => dust.Kind == DustKind.Matte && allows(dust)).ToList();
        Glaze?[] glazes = [null, .. materials.All.OfType<Glaze>().Where(glaze => allows(glaze))];
        var faces = pastes.Select(paste => new Face(paste, [], PasteOptics.Reflectance(paste, materials).Values.ToArray())).ToList();
        var without = DeltaE2000.Between(target, Illuminant.D65.LabOf(new Spectrum(faces[0].Reflectance)));

        var ways = new List<(SurfaceFinish Way, Face Face, Under Under)>();
        foreach (var under in glazes.Select(glaze => Under.Of(glaze, dusts)))
        {
            cancel.ThrowIfCancellationRequested();
            ways.Add((Done(faces[0], under, target), faces[0], under));
            ways.AddRange(faces.SelectMany(face => under.Dusts.Select(dust => With(face, dust, under, target))));
        }

        var singles = ways.Where(way => way.Way.Passes.Count == 1).OrderBy(way => way.Way.DeltaE).Take(Followed).ToList();
        ways.AddRange(singles.SelectMany(single => single.Under.Dusts.Select(dust => With(single.Face, dust, single.Under, target))));
        var best = ways.Select(way => way.Way).MinBy(Price)!;
        return Price(best) < without ? best : null;

        double Price(SurfaceFinish way) => way.DeltaE + worthAStep * (way.Passes.Count + (way.GlazeId is null ? 0 : 1));
    }

    private sealed record Lying(Dust Dust, DustFilm Film);

    /// <summary>Dusts as they lie once they are steamed and glazed.</summary>
    private sealed record Under(Glaze? Glaze, Later Later, IReadOnlyList<Lying> Dusts)
    {
        public static Under Of(Glaze? glaze, IReadOnlyList<Dust> dusts)
        {
            var later = Later.Nothing.Below(glaze is null ? null : new GlazeLayer(glaze.Optics, Coats: 1)).Below(new SteamLayer());
            return new Under(glaze, later, [.. dusts.Select(dust => new Lying(dust, new DustFilm(DustOptics.Lying(dust.Optics, dust.WetScattering, later))))]);
        }
    }

    private sealed record Face(PasteRecipe Paste, IReadOnlyList<DustPass> Passes, double[] Reflectance)
    {
        public Face With(Lying dust, Later later, double load)
        {
            var dusted = (double[])Reflectance.Clone();
            dust.Film.LayOn(dusted, load * DustOptics.KeptBy(later));
            return new Face(Paste, [.. Passes, new DustPass(dust.Dust.Id, load)], dusted);
        }
    }

    private static (SurfaceFinish Way, Face Face, Under Under) With(Face below, Lying dust, Under under, Lab target)
    {
        // A coarse walk up to the limit, then once finer round its best.
        double low = 0, high = dust.Dust.LoadLimitMgPerCm2, best = high;
        for (var pass = 0; pass < 2; pass++)
        {
            var step = (high - low) / CoarseLoads;
            best = Enumerable.Range(1, CoarseLoads).Select(i => low + i * step).MinBy(load => Done(below.With(dust, under.Later, load), under, target).DeltaE);
            (low, high) = (Math.Max(0, best - step), Math.Min(dust.Dust.LoadLimitMgPerCm2, best + step));
        }

        var face = below.With(dust, under.Later, best);
        return (Done(face, under, target), face, under);
    }

    private static SurfaceFinish Done(Face face, Under under, Lab target)
    {
        Span<double> finished = stackalloc double[SpectralGrid.Bands];
        face.Reflectance.CopyTo(finished);
        if (under.Glaze is { } glaze)
            new GlazeFilm(glaze.Optics, coats: 1).LayOn(finished);
        var colour = LabFromXyz.Convert(Illuminant.D65.XyzOf(finished), Illuminant.D65.White);
        return new SurfaceFinish(face.Paste, face.Passes, under.Glaze?.Id, colour, DeltaE2000.Between(target, colour));
    }
}
