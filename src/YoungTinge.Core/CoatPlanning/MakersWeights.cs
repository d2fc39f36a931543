using YoungTinge.Core.Cabinet;

namespace YoungTinge.Core.CoatPlanning;

/// <summary>
/// What a maker weighs when she chooses between two plans that both come near: a hand, a jar and a brush more must be seen in the flower.
/// House figures; in CIEDE2000, or in squares of it summed over the zones where the search adds up what is missing.
/// </summary>
internal static class MakersWeights
{
    /// <summary>A coat earns its keep if the zone that is farthest off comes nearer by so much: less is not seen across a table ...</summary>
    public const double WorthAtTheWorst = 0.75;

    /// <summary>... or all zones together come nearer by so much in the mean. The same for a second colour in a pot, or in the paste.</summary>
    public const double WorthInTheMean = 0.4;

    /// <summary>A pot more is to mix, to keep a brush for, and to wash up.</summary>
    public const double PotMore = 2.0;

    /// <summary>A jar more is to find, to buy again, and to match next time ...</summary>
    public const double JarMore = 1.2;

    /// <summary>... unless it stands open for this piece or for the rest of the commission.</summary>
    public const double OpenJarMore = 0.4;

    /// <summary>Of jars that do the same, the one that was read comes out as it should: so much more for one that nobody has read.</summary>
    public const double UnreadJar = 0.3;

    /// <summary>What is not for eating costs a flower its place on the plate.</summary>
    public const double NotEdible = 0.8;

    /// <summary>Opaque white over a colour turns chalky and hides the work below; a paler paste does it.</summary>
    public const double WhiteOverColour = 12.0;

    /// <summary>Of two coats that do the same a hand takes the lighter: for a full mg on each cm2.</summary>
    public const double MgPerCm2 = 2.5;

    /// <summary>A dust whose full cover is so like the paste that nobody sees it lie there.</summary>
    public const double OwnColourDeltaE = 4;

    /// <summary>Two pastes that are more alike show no streaks.</summary>
    public const double StreaksFromDeltaE = 8;

    /// <summary>Whether something is missed when it is left out. What brings a zone to where an eye accepts it always is.</summary>
    /// <param name="with">What each zone is off with it.</param>
    /// <param name="without">What each is off without it, all else solved anew.</param>
    public static bool Earns(IReadOnlyList<double> with, IReadOnlyList<double> without) => Gains(with, without, 1) || with.Count(IsMissed) < without.Count(IsMissed);

    /// <summary>Whether a coat that is there already does next to nothing: less than half of what one must bring to be laid at all.</summary>
    /// <param name="with">What each zone is off with it.</param>
    /// <param name="without">What each is off without it.</param>
    public static bool IsIdle(IReadOnlyList<double> with, IReadOnlyList<double> without) => !Gains(with, without, 0.5) && with.Count(IsMissed) >= without.Count(IsMissed);

    /// <summary>
    /// Whether a piece misses a paste or a pot of its own on one that is shared, or on the plan that stands. To open, mix, keep and wash up for it is worth
    /// twice what a coat is, but no zone is given up for it that an eye accepts now.
    /// </summary>
    /// <param name="own">What each zone is off by itself.</param>
    /// <param name="shared">What each is off with what is there.</param>
    public static bool Misses(IReadOnlyList<double> own, IReadOnlyList<double> shared) =>
        Gains(own, shared, 2) || own.Zip(shared).Any(zone => IsMissed(zone.Second) && !IsMissed(zone.First));

    private static bool Gains(IReadOnlyList<double> with, IReadOnlyList<double> without, double coats) =>
        without.Max() - with.Max() >= coats * WorthAtTheWorst || without.Average() - with.Average() >= coats * WorthInTheMean;

    private static bool IsMissed(double deltaE) => deltaE > CoatPlanner.ReachedDeltaE;

    /// <param name="isOpen">It is used already, in this piece or beside it.</param>
    public static double PriceOf(Material jar, bool isOpen) => (isOpen ? OpenJarMore : JarMore) + (jar.Label.FoodStatus == FoodStatus.Edible ? 0 : NotEdible);
}
