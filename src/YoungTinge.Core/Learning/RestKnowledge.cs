namespace YoungTinge.Core.Learning;

/// <summary>What is taken of how pastes rest where no paste was read before its colour had come out. House figures.</summary>
internal static class RestPrior
{
    /// <summary>Of the logarithm of how many times as long colours take to come out as their lists say.</summary>
    public const double Variance = 0.3 * 0.3;

    /// <summary>And of one paste beside what is so on the whole: one lay warmer than another.</summary>
    public const double AmongPastes = 0.15 * 0.15;
}

/// <summary>What is thought of how colours come out as pastes rest here.</summary>
/// <param name="Times">How many times as long they take as their lists say.</param>
/// <param name="Readings">Of pastes that still rested.</param>
public sealed record RestKnowledge(LikelyTimes Times, int Readings);
