namespace YoungTinge.Core.Cabinet;

/// <summary>One colour in a paste.</summary>
/// <param name="GPer100g">Grams for each 100 g of paste before colour.</param>
public sealed record Dose(string ColourantId, double GPer100g);

/// <summary>A paste and what is kneaded into it; no doses is the paste as it comes.</summary>
public sealed record PasteRecipe(string BaseId, IReadOnlyList<Dose> Doses);
