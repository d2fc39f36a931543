using YoungTinge.Core.Cabinet;
using YoungTinge.Store;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Cabinet;

/// <summary>What may stand in the cabinet twice. Only a suggestion.</summary>
public static class FindDuplicates
{
    public static void Map(RouteGroupBuilder api) => api.MapGet("/materials/duplicates", Handle)
        .KeepsAnswer().WithName("findDuplicates").Produces<IReadOnlyList<Duplicate>>().ProducesProblems();

    private static async Task<IResult> Handle(CurrentStudio studio, CabinetStore cabinet, CancellationToken cancel)
    {
        var materials = await cabinet.ListedAsync(studio.Id, cancel);
        return TypedResults.Ok(Duplicates.In(materials, material => SwatchColour.Of(material, materials)));
    }
}
