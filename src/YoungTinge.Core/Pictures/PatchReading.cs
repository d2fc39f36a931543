using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Pictures;

/// <summary>Why a patch of a picture cannot be trusted.</summary>
public enum PatchDoubt
{
    /// <summary>Too bright for the camera: the colour is lost.</summary>
    BlownOut,

    /// <summary>So dark that noise and stray light decide.</summary>
    TooDark,

    /// <summary>More colourful than the picture can hold: one channel is at its end.</summary>
    TooVivid,

    /// <summary>More than one colour: the mean is none of them.</summary>
    Uneven,

    /// <summary>The light is only estimated, and taking it away moves this colour far: mark something neutral, or take the picture as it is.</summary>
    LightEstimated,
}

/// <summary>The colour of a patch, cast removed.</summary>
/// <param name="Colour">Robust mean under daylight: what strays far from the middle does not count.</param>
/// <param name="Spread">Typical difference (CIEDE2000) of the patch's pixels from that mean.</param>
public sealed record PatchReading(Lab Colour, double Spread, IReadOnlyList<PatchDoubt> Doubts);
