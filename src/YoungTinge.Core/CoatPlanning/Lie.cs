namespace YoungTinge.Core.CoatPlanning;

/// <summary>How a coat lies at the points of each zone.</summary>
internal sealed class Lie
{
    /// <param name="at">Share of a full layer and cover of the spot, by zone and point.</param>
    public Lie((double Share, double Cover)[][] at) =>
        (At, Alike, Touches) = (at, [.. at.Select(zone => zone.Select(one => Array.IndexOf(zone, one)).ToArray())], [.. at.Select(zone => zone.Any(one => one.Share > 0))]);

    public (double Share, double Cover)[][] At { get; }

    /// <summary>For each point of each zone, the first at which the coat lies just so.</summary>
    public int[][] Alike { get; }

    public bool[] Touches { get; }
}
