namespace YoungTinge.Core.Cabinet;

/// <summary>Those for whom a flower is made, as far as its materials go.</summary>
/// <param name="EatIt">The flower itself will be eaten, not only looked at.</param>
/// <param name="Diets">That everything on the table must suit.</param>
public sealed record Guests(bool EatIt, IReadOnlyList<Diet> Diets)
{
    public static Guests Any { get; } = new(false, []);
}
