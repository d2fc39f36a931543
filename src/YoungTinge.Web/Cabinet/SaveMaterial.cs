using System.Text.Json;
using YoungTinge.Core.Cabinet;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Cabinet;

/// <summary>Adds a material (version 0), or writes over the version that a change was made from.</summary>
public static class SaveMaterial
{
    public sealed record Request(MaterialRecord Sheet);

    public sealed record Answer(string Id, int Version);

    public static void Map(RouteGroupBuilder api) => api.MapPost("/materials", Handle)
        .WithName("saveMaterial").Produces<Answer>().ProducesProblems(404, 422);

    private static async Task<IResult> Handle(Request request, MadeFrom madeFrom, HttpResponse response, CurrentStudio studio, CabinetStore cabinet, CancellationToken cancel)
    {
        if (MaterialRecordCheck.Problems(request.Sheet) is { Count: > 0 } problems)
            return ApiProblem.NotPossible([.. problems.Select(problem => Problem(problem.Field, JsonNamingPolicy.CamelCase.ConvertName(problem.Code.ToString()), problem.Limit))]);
        var studioId = studio.Id;
        var isKnown = madeFrom.Version > 0;
        var all = await cabinet.ListedAsync(studioId, cancel);
        if (isKnown && (request.Sheet.Id is not { } known || all.Find(known) is null))
            return ApiProblem.NotFound();
        // Plans that name it count on what it is.
        if (isKnown && MaterialKinds.Of(all.Find(request.Sheet.Id!)!) != request.Sheet.Kind)
            return ApiProblem.NotPossible([Problem("kind", "kindFixed", null)]);
        var id = isKnown ? request.Sheet.Id! : MaterialId.From(request.Sheet.Name, one => all.Find(one) is not null);
        var material = MaterialFromRecord.Convert(request.Sheet with { Id = id }, id);
        switch (await cabinet.SaveAsync(studioId, [new MaterialChange(material, madeFrom.Version)], cancel))
        {
            case SaveMaterialsResult.Saved:
                var version = madeFrom.Version + 1;
                MadeFrom.Tell(response, version);
                return TypedResults.Ok(new Answer(id, version));
            case SaveMaterialsResult.NameTaken:
                return ApiProblem.NotPossible([Problem("name", "nameTaken", null)]);
            default:
                return ApiProblem.ChangedElsewhere();
        }
    }

    private static FieldProblem Problem(string field, string code, double? limit) => new($"sheet.{field}", code, limit, null);
}
