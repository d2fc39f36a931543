namespace YoungTinge.Core.Coats.Model;

/// <summary>What can be done as planned, but will be regretted.</summary>
public enum AdviceCode
{
    /// <summary>Dust does not hold on a glazed face.</summary>
    DustOverGlaze,

    /// <summary>Steam clouds a glaze.</summary>
    SteamOverGlaze,

    /// <summary>A glaze that is dipped or brushed drags dust that was not set; a spray does not.</summary>
    GlazeOverLooseDust,

    /// <summary>Spirit and water eat into a glaze.</summary>
    PaintOverGlaze,

    /// <summary>Steam clouds the shine of a lustre below it.</summary>
    SteamOverLustre,

    /// <summary>Spirit carries off what was not set, and dust sticks in patches to what is wet: dust first, paint on it, then set it.</summary>
    DustOverPaint,

    /// <summary>Crumbs soften, cloud or come off under anything that follows them.</summary>
    CoatOverPollen,

    /// <summary>Water softens thin sugar and dries slowly.</summary>
    WaterOnThinPiece,

    /// <summary>Without starch a heavier dust goes on in patches.</summary>
    DustNotCut,

    /// <summary>Too little feather: the edge of the coat will read as a line.</summary>
    HardLine,

    /// <summary>A coat takes colour away while it darkens, and the zone ends duller than wanted.</summary>
    Muddy,

    /// <summary>A green that no leaf has: it wants a little brown, or its complement.</summary>
    NeonGreen,

    /// <summary>A coat that is seen when it is laid, and no more once all is done.</summary>
    Vanishes,

    /// <summary>It was to shine, and no glaze makes it so.</summary>
    TooMatt,

    /// <summary>It shines more than it was to.</summary>
    TooGlossy,

    /// <summary>It was to shimmer, and no lustre lies there.</summary>
    NoShimmer,

    /// <summary>It shimmers, and was not to.</summary>
    Shimmers,

    /// <summary>The wire is seen through the piece, even that which shows least.</summary>
    WireShows,

    /// <summary>So much liquid colour in all that the paste goes soft.</summary>
    PasteTooWet,

    /// <summary>So much powder in all that the paste crumbles.</summary>
    PasteTooDry,

    /// <summary>A dose is less than one of the maker's units.</summary>
    DoseUnderOneUnit,

    /// <summary>A material that is not for eating.</summary>
    DecorativeOnly,

    /// <summary>The same, on a flower that will be eaten.</summary>
    MustBeEdible,

    /// <summary>Something that the guests of the commission do not eat.</summary>
    NotForGuests,
}
