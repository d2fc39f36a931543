using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Cabinet;

/// <summary>Takes a material out of the cabinet for good, unless something that is kept names it: then it can only be retired.</summary>
public static class RemoveMaterial
{
    public static void Map(RouteGroupBuilder api) => api.MapDelete("/materials/{id}", Handle)
        .WithName("removeMaterial").Produces(204).ProducesProblems(404, 409);

    private static async Task<IResult> Handle(string id, CurrentStudio studio, CabinetStore cabinet, CancellationToken cancel) =>
        await cabinet.RemoveAsync(studio.Id, id, cancel) switch
        {
            RemoveMaterialResult.Removed => TypedResults.NoContent(),
            RemoveMaterialResult.InUse => ApiProblem.Result(StatusCodes.Status409Conflict, ApiProblemCode.InUse),
            _ => ApiProblem.NotFound(),
        };
}
