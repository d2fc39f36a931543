using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Mixing;

public enum SearchProblemCode
{
    NotAColour,

    /// <summary>No surface of any kind can be this colour in daylight.</summary>
    NoSurfaceIsThis,
    MassOutOfRange,
    CountOutOfRange,
    NoBase,
    UnknownMaterial,

    /// <summary>The paste does not pass the food status or diet filters.</summary>
    BaseNotAllowed,

    /// <summary>The same colour must be used and is to be left out.</summary>
    MustUseAndLeftOut,

    /// <summary>A colour that must be used does not pass the filters.</summary>
    MustUseNotAllowed,

    /// <summary>A colour that must be used has run out.</summary>
    MustUseOutOfStock,

    /// <summary>More colours must be used than may go into a recipe.</summary>
    MustUseTooMany,

    /// <summary>The cabinet has no colours for paste.</summary>
    NoColours,

    /// <summary>The filters leave no colour over.</summary>
    NothingLeft,
}

/// <summary>Something about a search that cannot be.</summary>
/// <param name="Path">The field, as in the search's JSON.</param>
/// <param name="Limit">The limit that was passed, if it is one.</param>
/// <param name="Material">The material that it is about, by id.</param>
public sealed record SearchProblem(string Path, SearchProblemCode Code, double? Limit = null, string? Material = null);

/// <summary>Finds what cannot be in a search, before time is spent on it.</summary>
public static class SearchCheck
{
    public const double MostPasteG = 100_000;

    /// <summary>Less is weighed on no bench, in g.</summary>
    public const double LeastPasteG = 0.001;

    public static IReadOnlyList<SearchProblem> Problems(RecipeSearch search, Materials materials) =>
        [.. Target(search.Target, "target"), .. Figures(search), .. Bases(search, materials), .. Colours(search, materials)];

    /// <param name="path">The field to name.</param>
    public static IEnumerable<SearchProblem> Target(Lab target, string path)
    {
        if (!target.IsFinite)
            yield return new SearchProblem(path, SearchProblemCode.NotAColour);
        else if (!ObjectColourSolid.Contain(target))
            yield return new SearchProblem(path, SearchProblemCode.NoSurfaceIsThis);
    }

    private static IEnumerable<SearchProblem> Figures(RecipeSearch search)
    {
        if (search.PasteG is not (>= LeastPasteG and <= MostPasteG))
            yield return new SearchProblem("pasteG", SearchProblemCode.MassOutOfRange, MostPasteG);
        if (search.MostColourants is < RecipeSearch.FewestColourants or > RecipeSearch.MostColourantsEver)
            yield return new SearchProblem("mostColourants", SearchProblemCode.CountOutOfRange, RecipeSearch.MostColourantsEver);
        if (search.MustUse.Distinct().Count() > search.MostColourants)
            yield return new SearchProblem("mustUse", SearchProblemCode.MustUseTooMany, search.MostColourants);
    }

    private static IEnumerable<SearchProblem> Bases(RecipeSearch search, Materials materials)
    {
        if (search.BaseIds.Count == 0)
            yield return new SearchProblem("baseIds", SearchProblemCode.NoBase);
        foreach (var (i, id) in search.BaseIds.Index())
        {
            if (!materials.Has<PasteBase>(id))
                yield return new SearchProblem($"baseIds[{i}]", SearchProblemCode.UnknownMaterial);
            else if (!search.Allows(materials.Get<PasteBase>(id)))
                yield return new SearchProblem($"baseIds[{i}]", SearchProblemCode.BaseNotAllowed, Material: id);
        }
    }

    private static IEnumerable<SearchProblem> Colours(RecipeSearch search, Materials materials)
    {
        var colourants = materials.All.OfType<Colourant>().ToList();
        if (colourants.Count == 0)
        {
            yield return new SearchProblem("target", SearchProblemCode.NoColours);
            yield break;
        }

        foreach (var (i, id) in search.MustUse.Index())
        {
            var path = $"mustUse[{i}]";
            if (!materials.Has<Colourant>(id))
                yield return new SearchProblem(path, SearchProblemCode.UnknownMaterial);
            else if (search.LeaveOut.Contains(id))
                yield return new SearchProblem(path, SearchProblemCode.MustUseAndLeftOut, Material: id);
            else if (!search.Allows(materials.Get<Colourant>(id)))
                yield return new SearchProblem(path, SearchProblemCode.MustUseNotAllowed, Material: id);
            else if (!(search.LimitOf(materials.Get<Colourant>(id)) > 0))
                yield return new SearchProblem(path, SearchProblemCode.MustUseOutOfStock, Material: id);
        }

        if (search.PasteG > 0 && !colourants.Any(colourant => search.LimitOf(colourant) > 0))
            yield return new SearchProblem("leaveOut", SearchProblemCode.NothingLeft);
    }
}
