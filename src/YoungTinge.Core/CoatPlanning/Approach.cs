namespace YoungTinge.Core.CoatPlanning;

/// <summary>Where most of the colour comes from.</summary>
public enum Approach
{
    /// <summary>Paste near the target, dust for shading.</summary>
    PasteLed,

    /// <summary>Paste as it comes, everything by dust.</summary>
    DustLed,

    /// <summary>A white piece, thin washes.</summary>
    WashLed,

    /// <summary>Two pastes folded into streaks, little dust.</summary>
    Marbled,
}
