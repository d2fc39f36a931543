namespace YoungTinge.Core.Coats.Model;

public enum MarkingKind
{
    /// <summary>Lines from base to tip, side by side.</summary>
    Stripes,

    /// <summary>One broad stroke along the midrib.</summary>
    CentreBar,

    /// <summary>A line on every vein.</summary>
    Veins,

    /// <summary>Freckles: specks scattered by a brush tip.</summary>
    Dots,

    /// <summary>A narrow line round the edge.</summary>
    PicoteeRim,

    /// <summary>One ragged patch in the middle of the place.</summary>
    Blotch,

    /// <summary>Lines from edge to edge, one above the other.</summary>
    CrossBars,
}

/// <summary>A detail painted by hand. The same seed paints the same strokes; they thin out where their place fades.</summary>
/// <param name="SizeMm">Width of a line, bar or rim, or across a dot or blotch.</param>
/// <param name="SpacingMm">From one stripe, cross bar or dot to the next; of no meaning for the rest.</param>
/// <param name="Waver">How unsteady the hand is, 0 to 1: waves of a line, scatter of dots, raggedness of an edge.</param>
public sealed record Marking(MarkingKind Kind, double SizeMm, double SpacingMm, double Waver, int Seed)
{
    public const double SmallestMm = 0.2;
    public const double LargestMm = 60;

    /// <summary>Closer than this no brush sets one stroke beside the other.</summary>
    public const double SmallestSpacingMm = 0.5;

    public bool IsSpaced => Kind is MarkingKind.Stripes or MarkingKind.Dots or MarkingKind.CrossBars;
}
