using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Mixing;

/// <summary>What a paste recipe is wanted for.</summary>
/// <param name="Target">Under daylight, of the rested paste.</param>
/// <param name="PasteG">Paste before colour that the batch needs, above 0; says how finely doses can be measured.</param>
public sealed record RecipeSearch(string BaseId, Lab Target, double PasteG)
{
    public const int FewestColourants = 1;
    public const int MostColourantsEver = 3;

    /// <summary>How many colours may go into one recipe, 1 to 3. Default 3.</summary>
    public int MostColourants { get; init; } = MostColourantsEver;

    /// <summary>How many different recipes to return at most. Default 3.</summary>
    public int Wanted { get; init; } = 3;
}

/// <summary>A recipe that was found.</summary>
/// <param name="Colour">What it comes out as, rested, under daylight.</param>
/// <param name="Difference">Against the target.</param>
/// <param name="Unsteadiness">Delta E by which the colour moves when its most sensitive dose is 10 % off.</param>
public sealed record FoundRecipe(PasteRecipe Recipe, Lab Colour, Difference Difference, double Unsteadiness);
