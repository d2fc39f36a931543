using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Pictures;

/// <summary>Why the light of a picture cannot be trusted.</summary>
public enum LightDoubt
{
    /// <summary>The mark is blown out: its colour is lost.</summary>
    MarkBlownOut,

    MarkTooDark,

    /// <summary>The mark is not one even thing.</summary>
    MarkUneven,

    /// <summary>The cast is so strong that some colours are hardly lit.</summary>
    StrongCast,

    /// <summary>Neutral things differ from place to place.</summary>
    MixedLight,

    /// <summary>Nothing neutral was found: the picture is taken as it is.</summary>
    NothingNeutral,
}

/// <summary>The light of a picture, as marked or as estimated.</summary>
public sealed record LightReading(CastRemoval Cast, IReadOnlyList<LightDoubt> Doubts)
{
    /// <summary>Under this (C* of white) nobody sees a cast.</summary>
    private const double CastFrom = 3;

    public bool HasCast => Cast.Strength >= CastFrom;

    /// <summary>Median of a patch counts, not its mean: a speck on the card changes nothing.</summary>
    public static LightReading Of(Photograph photo, PictureLight light)
    {
        var doubts = new List<LightDoubt>();
        var cast = light.Mark is { } mark ? FromMark(photo, mark, light.Kind, doubts) : Estimated(photo, doubts);
        if (cast.Strength > StrongCastFrom)
            doubts.Add(LightDoubt.StrongCast);
        if (GreyPixels.Disagreement(photo, cast) > MixedFrom)
            doubts.Add(LightDoubt.MixedLight);
        return new LightReading(cast, doubts);
    }

    private const double StrongCastFrom = 45;

    /// <summary>Colour difference (a*, b*) between neutral things in different parts of a picture.</summary>
    private const double MixedFrom = 9;

    /// <summary>A mark this dark or darker is noise.</summary>
    private const double LeastLight = 1e-4;

    private static CastRemoval FromMark(Photograph photo, Box mark, NeutralKind kind, List<LightDoubt> doubts)
    {
        var patch = PatchReader.Read(photo, mark, CastRemoval.None);
        if (patch.Doubts.Contains(PatchDoubt.BlownOut))
            doubts.Add(LightDoubt.MarkBlownOut);
        if (patch.Doubts.Contains(PatchDoubt.TooDark))
            doubts.Add(LightDoubt.MarkTooDark);
        if (patch.Doubts.Contains(PatchDoubt.Uneven))
            doubts.Add(LightDoubt.MarkUneven);
        var seen = Illuminant.D65.LinearRgbOf(patch.Colour);
        return CastRemoval.From(new LinearRgb(Math.Max(seen.R, LeastLight), Math.Max(seen.G, LeastLight), Math.Max(seen.B, LeastLight)), kind.Reflectance());
    }

    private static CastRemoval Estimated(Photograph photo, List<LightDoubt> doubts)
    {
        if (GreyPixels.Light(photo) is { } neutral)
            return CastRemoval.From(neutral);
        doubts.Add(LightDoubt.NothingNeutral);
        return CastRemoval.None;
    }
}
