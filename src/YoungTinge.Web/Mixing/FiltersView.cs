using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Web.Mixing;

/// <summary>Which colours a recipe may hold.</summary>
/// <param name="MustUse">Ids of colours that it must hold.</param>
/// <param name="LeaveOut">Ids of colours that it may not.</param>
/// <param name="EdibleOnly">Only what may be eaten.</param>
/// <param name="Diets">Only what suits all of these.</param>
/// <param name="WithinStock">No more than the studio has left.</param>
public sealed record FiltersView(
    IReadOnlyList<string> MustUse, IReadOnlyList<string> LeaveOut, bool EdibleOnly, IReadOnlyList<Diet> Diets, bool WithinStock)
{
    public static FiltersView None { get; } = new([], [], false, [], true);

    public RecipeSearch Apply(RecipeSearch search) =>
        search with { MustUse = MustUse, LeaveOut = LeaveOut, EdibleOnly = EdibleOnly, Diets = Diets, WithinStock = WithinStock };
}
