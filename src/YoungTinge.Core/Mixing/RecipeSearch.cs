using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Mixing;

/// <summary>What a paste recipe is wanted for.</summary>
/// <param name="BaseIds">Pastes to try; at least one.</param>
/// <param name="Target">Under daylight, of the rested paste.</param>
/// <param name="PasteG">Paste before colour that the batch needs, above 0; says how finely doses can be measured.</param>
public sealed record RecipeSearch(IReadOnlyList<string> BaseIds, Lab Target, double PasteG)
{
    public const int FewestColourants = 1;
    public const int MostColourantsEver = 4;

    /// <summary>More than three colours seldom come nearer, and are more to measure.</summary>
    public const int UsualMostColourants = 3;

    public RecipeSearch(string baseId, Lab target, double pasteG)
        : this([baseId], target, pasteG)
    {
    }

    /// <summary>How many colours may go into one recipe, 1 to 4. Default 3.</summary>
    public int MostColourants { get; init; } = UsualMostColourants;

    /// <summary>How many different recipes to return at most. Default 3.</summary>
    public int Wanted { get; init; } = 3;

    /// <summary>Colours that every recipe must hold.</summary>
    public IReadOnlyList<string> MustUse { get; init; } = [];

    /// <summary>Colours that no recipe may hold.</summary>
    public IReadOnlyList<string> LeaveOut { get; init; } = [];

    /// <summary>Only what may be eaten. Default no.</summary>
    public bool EdibleOnly { get; init; }

    /// <summary>Only what suits all of these.</summary>
    public IReadOnlyList<Diet> Diets { get; init; } = [];

    /// <summary>No more of a colour than the studio has left, where that is known. Default yes.</summary>
    public bool WithinStock { get; init; } = true;

    /// <summary>Whether a material is still bought and passes the food status and diet filters.</summary>
    public bool Allows(Material material) =>
        !material.Label.IsRetired && !(EdibleOnly && material.Label.FoodStatus != FoodStatus.Edible) && Diets.All(material.Label.Suits);

    /// <summary>Most of a colour that a recipe may hold, g per 100 g; 0 if it may not be used at all.</summary>
    public double LimitOf(Colourant colourant)
    {
        if (LeaveOut.Contains(colourant.Id) || !Allows(colourant))
            return 0;
        var inStock = WithinStock && colourant.Supply.StockG is { } grams ? grams * 100 / PasteG : double.PositiveInfinity;
        return Math.Min(colourant.LoadLimitGPer100g, inStock);
    }
}

/// <summary>A recipe that was found.</summary>
/// <param name="Colour">What it comes out as, rested, under daylight.</param>
/// <param name="Difference">Against the target.</param>
/// <param name="DoseSensitivity">Delta E by which the colour moves when its most sensitive dose is 10 % off.</param>
public sealed record FoundRecipe(PasteRecipe Recipe, Lab Colour, Difference Difference, double DoseSensitivity);
