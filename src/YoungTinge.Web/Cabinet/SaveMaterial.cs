using System.Text.Json;
using YoungTinge.Core.Cabinet;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Cabinet;

/// <summary>Adds a material, or writes over the version that a change was made from.</summary>
public static class SaveMaterial
{
    /// <param name="Version">That the change was made from; 0 for a new material.</param>
    public sealed record Request(MaterialRecord Sheet, int Version);

    public sealed record Answer(string Id, int Version);

    public static void Map(RouteGroupBuilder api) => api.MapPost("/materials", Handle)
        .WithName("saveMaterial").Produces<Answer>().ProducesProblems(404, 412, 422, 503);

    private static async Task<IResult> Handle(Request request, CurrentStudio studio, CabinetStore cabinet, CancellationToken cancel)
    {
        if (MaterialRecordCheck.Problems(request.Sheet) is { Count: > 0 } problems)
            return ApiProblem.NotPossible([.. problems.Select(problem => Problem(problem.Field, JsonNamingPolicy.CamelCase.ConvertName(problem.Code.ToString()), problem.Limit))]);
        var studioId = await studio.IdAsync(cancel);
        var all = await cabinet.LoadAsync(studioId, cancel);
        if (request.Version > 0 && (request.Sheet.Id is not { } known || all.Find(known) is null))
            return ApiProblem.NotFound();
        // Plans that name it count on what it is.
        if (request.Version > 0 && MaterialKinds.Of(all.Find(request.Sheet.Id!)!) != request.Sheet.Kind)
            return ApiProblem.NotPossible([Problem("kind", "kindFixed", null)]);
        var id = request.Version > 0 ? request.Sheet.Id! : MaterialId.From(request.Sheet.Name, one => all.Find(one) is not null);
        var material = MaterialFromRecord.Convert(request.Sheet with { Id = id }, id);
        return await cabinet.SaveAsync(studioId, [new MaterialChange(material, request.Version)], cancel) switch
        {
            SaveMaterialsResult.Saved => TypedResults.Ok(new Answer(id, request.Version + 1)),
            SaveMaterialsResult.NameTaken => ApiProblem.NotPossible([Problem("name", "nameTaken", null)]),
            _ => ApiProblem.Result(StatusCodes.Status412PreconditionFailed, ApiProblemCode.ChangedElsewhere),
        };
    }

    private static FieldProblem Problem(string field, string code, double? limit) => new($"sheet.{field}", code, limit, null);
}
