namespace YoungTinge.Core.Optics;

/// <summary>What comes over a layer afterwards and changes how it lies.</summary>
/// <param name="IsSteamed">It goes through steam; how often makes no difference.</param>
/// <param name="Dry">Share that no glaze soaks, 0 to 1.</param>
internal readonly record struct Later(bool IsSteamed, double Dry)
{
    public static Later Nothing => new(false, 1);

    /// <summary>For a layer below this one, of which the same comes afterwards.</summary>
    public Later Below(Layer? layer) => layer switch
    {
        SteamLayer => this with { IsSteamed = true },
        GlazeLayer glaze => this with { Dry = Dry * glaze.LeavesDry },
        _ => this,
    };
}
