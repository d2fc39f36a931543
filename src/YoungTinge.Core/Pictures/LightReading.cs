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

    /// <summary>What seems neutral lies in one part of the picture, or differs from part to part: the estimate may be far off.</summary>
    EstimateUnsure,
}

/// <summary>The light of a picture, as marked or as estimated.</summary>
/// <param name="UnsureDeltaE">How far (CIEDE2000) white may be off because the light is only estimated; null if it is marked, or the picture taken as it is.</param>
public sealed record LightReading(WhiteBalance Cast, IReadOnlyList<LightDoubt> Doubts, double? UnsureDeltaE = null)
{
    /// <summary>An estimate may move a colour so far (CIEDE2000) without being asked about.</summary>
    private const double TrustedMove = 3.5;

    /// <summary>Under this (C* of white) nobody sees a cast.</summary>
    private const double CastFrom = 3;

    public bool HasCast => Cast.Strength >= CastFrom;

    /// <summary>Median of a patch counts, not its mean: a speck on the card changes nothing.</summary>
    public static LightReading Of(Photograph photo, PictureLight light)
    {
        var doubts = new List<LightDoubt>();
        if (light is { Mark: null, AsIs: true })
            return new LightReading(WhiteBalance.None, doubts);
        double? unsure = null;
        var cast = light.Mark is { } mark ? FromMark(photo, mark, light.Kind, doubts) : Estimated(photo, doubts, out unsure);
        if (cast.Strength > StrongCastFrom)
            doubts.Add(LightDoubt.StrongCast);
        if (GreyPixels.Disagreement(photo, cast) > MixedFrom)
            doubts.Add(LightDoubt.MixedLight);
        return new LightReading(cast, doubts, unsure);
    }

    /// <summary>A patch in this light. Where that is only estimated and would move the colour far, it is doubted.</summary>
    public PatchReading Read(Photograph photo, Box box)
    {
        var reading = PatchReader.Read(photo, box, Cast);
        return UnsureDeltaE is not null && DeltaE2000.Between(reading.Colour, PatchReader.Read(photo, box, WhiteBalance.None).Colour) > TrustedMove
            ? reading with { Doubts = [.. reading.Doubts, PatchDoubt.LightEstimated] }
            : reading;
    }

    private const double StrongCastFrom = 45;

    /// <summary>Colour difference (a*, b*) between neutral things in different parts of a picture.</summary>
    private const double MixedFrom = 9;

    /// <summary>A mark this dark or darker is noise.</summary>
    private const double LeastLight = 1e-4;

    private static WhiteBalance FromMark(Photograph photo, Box mark, NeutralKind kind, List<LightDoubt> doubts)
    {
        var patch = PatchReader.Read(photo, mark, WhiteBalance.None);
        if (patch.Doubts.Contains(PatchDoubt.BlownOut))
            doubts.Add(LightDoubt.MarkBlownOut);
        if (patch.Doubts.Contains(PatchDoubt.TooDark))
            doubts.Add(LightDoubt.MarkTooDark);
        if (patch.Doubts.Contains(PatchDoubt.Uneven))
            doubts.Add(LightDoubt.MarkUneven);
        var seen = Illuminant.D65.LinearRgbOf(patch.Colour);
        return WhiteBalance.From(new LinearRgb(Math.Max(seen.R, LeastLight), Math.Max(seen.G, LeastLight), Math.Max(seen.B, LeastLight)), kind.Reflectance());
    }

    private static WhiteBalance Estimated(Photograph photo, List<LightDoubt> doubts, out double? unsureDeltaE)
    {
        if (GreyPixels.Light(photo) is not var (neutral, unsure))
        {
            unsureDeltaE = null;
            doubts.Add(LightDoubt.NothingNeutral);
            return WhiteBalance.None;
        }

        unsureDeltaE = unsure;
        if (unsure > UnsureFrom)
            doubts.Add(LightDoubt.EstimateUnsure);
        return WhiteBalance.From(neutral);
    }

    /// <summary>An estimate that may be off by more is said to be unsure.</summary>
    private const double UnsureFrom = 4;
}
