using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.CoatPlanning;

/// <summary>How far a proposal brings one zone.</summary>
public sealed record ZoneReached(Zone Zone, Lab Finished, Difference Difference);

/// <summary>What would bring a zone nearer that the planner could not reach.</summary>
public enum Help
{
    /// <summary>A dust that has run out would do it.</summary>
    Restock,

    /// <summary>Without the glaze it would be reached: choose another finish.</summary>
    NoGlaze,

    /// <summary>No paste, dust or wash of the cabinet comes so far: choose a calmer target, or buy a colour.</summary>
    OtherTarget,

    /// <summary>By itself it would be reached: what its neighbours need is in its way. Set their targets nearer to each other, or another approach.</summary>
    Neighbours,

    /// <summary>Not with washes alone: dust would come there. Choose another approach.</summary>
    NotByWashes,

    /// <summary>Coats that are locked or painted on purpose hold it where it is.</summary>
    Unlock,
}

/// <param name="MaterialId">That it takes, if it is one.</param>
/// <param name="DeltaE">What would be left.</param>
public sealed record ZoneHelp(Zone Zone, Help Help, string? MaterialId, double DeltaE);

/// <summary>A paste of a marble, with its share of the block.</summary>
public sealed record MarblePart(PasteRecipe Paste, double Share);

/// <summary>One way to colour a piece, ready to be taken.</summary>
/// <param name="Zones">One for each zone.</param>
/// <param name="Materials">How many different ones it takes, the paste before colour among them.</param>
/// <param name="MinutesForAll">At the bench, for all pieces with spares, drying left out, by the house figures.</param>
/// <param name="RiskDeltaE">How far the zone that suffers most moves when one touch more of a colour is kneaded in, or one coat gets a pass more.</param>
/// <param name="RiskMaterialId">The material that does it; null if nothing does.</param>
/// <param name="FoodStatus">Of the least edible material.</param>
/// <param name="Marble">The pastes to fold; empty for all other approaches.</param>
public sealed record Proposal(
    Approach Approach, PiecePlan Plan, IReadOnlyList<ZoneReached> Zones, int Materials, double MinutesForAll, double RiskDeltaE, string? RiskMaterialId,
    FoodStatus FoodStatus, IReadOnlyList<ZoneHelp> Help, IReadOnlyList<MarblePart> Marble)
{
    /// <summary>Of the zone that is farthest off.</summary>
    public double WorstDeltaE => Zones.Max(zone => zone.Difference.DeltaE);

    /// <summary>It is the whole plan that stood before, with nothing to change: nothing else comes clearly nearer.</summary>
    public bool Stands { get; init; }

    internal double[] DeltaEs() => [.. Zones.Select(zone => zone.Difference.DeltaE)];
}
