namespace YoungTinge.Core.Cabinet;

/// <summary>One colour in a paste.</summary>
/// <param name="GPer100g">Grams for each 100 g of paste before colour.</param>
public sealed record Dose(string ColourantId, double GPer100g);

/// <summary>A paste and what is kneaded into it; no doses is the paste as it comes.</summary>
public sealed record PasteRecipe(string BaseId, IReadOnlyList<Dose> Doses)
{
    /// <summary>Of more colours nobody mixes a paste.</summary>
    public const int MostDoses = 8;

    /// <summary>The same for what is mixed as one paste.</summary>
    internal string Key => BaseId + string.Concat(Doses.OrderBy(dose => dose.ColourantId, StringComparer.Ordinal).Select(dose => FormattableString.Invariant($"|{dose.ColourantId} {dose.GPer100g:R}")));

    /// <summary>The same with more in it: on top of what there is of that colour already, or as a further one.</summary>
    public PasteRecipe With(Dose more) => this with
    {
        Doses = Doses.Any(dose => dose.ColourantId == more.ColourantId)
            ? [.. Doses.Select(dose => dose.ColourantId == more.ColourantId ? dose with { GPer100g = dose.GPer100g + more.GPer100g } : dose)]
            : [.. Doses, more],
    };

    /// <summary>
    /// Pastes kneaded together. Where their bases differ, the whole goes by that of the largest part: whites are nearly alike.
    /// </summary>
    /// <param name="parts">At least one; masses in any unit, above 0 in all.</param>
    public static PasteRecipe Kneaded(IReadOnlyList<(PasteRecipe Recipe, double Mass)> parts)
    {
        var all = parts.Sum(part => part.Mass);
        var whole = new PasteRecipe(parts.MaxBy(part => part.Mass).Recipe.BaseId, []);
        foreach (var (recipe, mass) in parts)
        {
            foreach (var dose in recipe.Doses)
                whole = whole.With(dose with { GPer100g = dose.GPer100g * mass / all });
        }

        return whole.WithoutNothing();
    }

    /// <summary>Without colours at no dose, which are no part of it.</summary>
    public PasteRecipe WithoutNothing() => this with { Doses = [.. Doses.Where(dose => dose.GPer100g > 0)] };
}
