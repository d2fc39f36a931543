using YoungTinge.Core.Cabinet;

namespace YoungTinge.Core.Mixing;

/// <summary>What a batch of paste is at the moment.</summary>
public enum BatchState
{
    /// <summary>Not mixed yet.</summary>
    Planned,

    /// <summary>Its colour is still coming out.</summary>
    Resting,

    /// <summary>Rested, and whole.</summary>
    Made,

    /// <summary>Some of it is gone.</summary>
    InUse,
    UsedUp,
}

/// <summary>A batch that has been mixed.</summary>
/// <param name="Recipe">What really went in.</param>
/// <param name="Grams">All of it, above 0.</param>
/// <param name="LeftG">0 to all of it.</param>
/// <param name="KeptIn">Where it lies, in the maker's words.</param>
public sealed record Making(DateTimeOffset At, PasteRecipe Recipe, double Grams, double LeftG, string KeptIn)
{
    /// <summary>Less than this is no paste to speak of, in g.</summary>
    private const double Crumb = 0.05;

    /// <param name="restHours">Until its colour has come out.</param>
    public BatchState StateAt(DateTimeOffset now, double restHours)
    {
        if (LeftG < Crumb)
            return BatchState.UsedUp;
        if (LeftG < Grams - Crumb)
            return BatchState.InUse;
        return now < At.AddHours(restHours) ? BatchState.Resting : BatchState.Made;
    }

    /// <summary>Whether any of it may go into another paste.</summary>
    /// <param name="hasPieces">It was mixed for pieces of its own: whole, it is there for them, until its maker says what is left of it.</param>
    public bool IsLeftover(bool hasPieces) => LeftG >= LeftoverUse.WorthFetchingG && (!hasPieces || LeftG < Grams - Crumb);
}
