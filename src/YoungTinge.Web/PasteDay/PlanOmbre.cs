using System.Text.Json;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Ombre;
using YoungTinge.Core.Planning;
using YoungTinge.Store;
using YoungTinge.Web.Commissions;
using YoungTinge.Web.Hosting;
using YoungTinge.Web.Mixing;

namespace YoungTinge.Web.PasteDay;

/// <summary>A run of shades for a flower: as it was kept or as a beginning, what follows from one, and keeping it.</summary>
public static class PlanOmbre
{
    /// <param name="Version">0 while it was never kept.</param>
    /// <param name="Uses">All pieces of the commission.</param>
    public sealed record Answer(string FlowerName, CommissionView Commission, OmbrePlan Plan, int Version, IReadOnlyList<PasteUseView> Uses);

    public sealed record SaveRequest(OmbrePlan Plan, int Version);

    public sealed record SaveAnswer(int Version);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapGet("/flowers/{id:guid}/ombre", Get).WithName("getOmbre").Produces<Answer>().Fails(404, 503);
        api.MapPost("/flowers/{id:guid}/ombre/look", Look).WithName("lookAtOmbre").Produces<OmbreView>().Fails(404, 422, 503);
        api.MapPost("/flowers/{id:guid}/ombre/dusted", Dusted).WithName("dustOmbre").Produces<IReadOnlyList<DustedShadeView>>().Fails(404, 422, 503);
        api.MapPut("/flowers/{id:guid}/ombre", Save).WithName("saveOmbre").Produces<SaveAnswer>().Fails(404, 412, 422, 503);
        api.MapDelete("/flowers/{id:guid}/ombre", Remove).WithName("removeOmbre").Produces(204).Fails(404, 503);
    }

    private static async Task<IResult> Get(
        Guid id, CurrentStudio studio, PasteWorks works, PastePlanStore plans, CabinetStore cabinet, TimeProvider clock, CancellationToken cancel)
    {
        var current = await studio.GetAsync(cancel);
        if (await works.FindAsync(current.Id, id, cancel) is not { } flower)
            return Trouble.NotFound();
        var materials = await cabinet.LoadAsync(current.Id, cancel);
        var kept = (await plans.ListAsync<OmbrePlan>(current.Id, id, cancel)).SingleOrDefault();
        return TypedResults.Ok(new Answer(
            flower.Flower.Name, CommissionView.From(flower.Commission, current, clock.GetUtcNow()),
            kept?.Plan ?? OmbrePlan.Suggest(flower.OfFlower, materials), kept?.Version ?? 0, flower.Uses(materials)));
    }

    private static Task<IResult> Look(Guid id, OmbrePlan plan, CurrentStudio studio, PasteWorks works, CabinetStore cabinet, CancellationToken cancel) =>
        WithRun(id, plan, studio, works, cabinet, cancel, (run, materials) => TypedResults.Ok(OmbreView.From(run, plan.ScaleG, materials)));

    private static Task<IResult> Dusted(Guid id, OmbrePlan plan, CurrentStudio studio, PasteWorks works, CabinetStore cabinet, CancellationToken cancel) =>
        WithRun(id, plan, studio, works, cabinet, cancel, (run, materials) => TypedResults.Ok<IReadOnlyList<DustedShadeView>>(
            [.. DustedShade.Of(run, materials, cancel).Zip(run.Shades, (dusted, shade) => DustedShadeView.From(dusted, shade.Colour))]));

    private static async Task<IResult> Save(
        Guid id, SaveRequest request, CurrentStudio studio, PasteWorks works, PastePlanStore plans, CabinetStore cabinet, CancellationToken cancel)
    {
        var studioId = await studio.IdAsync(cancel);
        if (await works.FindAsync(studioId, id, cancel) is not { } flower)
            return Trouble.NotFound();
        if (Problems(request.Plan, flower.All, await cabinet.LoadAsync(studioId, cancel)) is { Count: > 0 } problems)
            return Trouble.NotPossible([.. problems.Select(problem => problem with { Path = $"plan.{problem.Path}" })]);
        return await plans.SaveAsync(studioId, new KeptPastePlan<OmbrePlan>(id, request.Plan, request.Version), cancel) is { } version
            ? TypedResults.Ok(new SaveAnswer(version))
            : Trouble.Result(StatusCodes.Status412PreconditionFailed, TroubleCode.ChangedElsewhere);
    }

    private static async Task<IResult> Remove(Guid id, CurrentStudio studio, PastePlanStore plans, CancellationToken cancel) =>
        await plans.RemoveAsync<OmbrePlan>(await studio.IdAsync(cancel), id, cancel) ? TypedResults.NoContent() : Trouble.NotFound();

    private static async Task<IResult> WithRun(
        Guid id, OmbrePlan plan, CurrentStudio studio, PasteWorks works, CabinetStore cabinet, CancellationToken cancel, Func<OmbreRun, Materials, IResult> answer)
    {
        var studioId = await studio.IdAsync(cancel);
        if (await works.FindAsync(studioId, id, cancel) is not { } flower)
            return Trouble.NotFound();
        var materials = await cabinet.LoadAsync(studioId, cancel);
        return Problems(plan, flower.All, materials) is { Count: > 0 } problems ? Trouble.NotPossible(problems) : answer(plan.Run(flower.All, materials), materials);
    }

    private static List<FieldProblem> Problems(OmbrePlan plan, IReadOnlyList<PlannedWork> works, Materials materials)
    {
        List<FieldProblem> problems =
        [
            .. OmbreCheck.Problems(plan, works).Select(Line),
            .. SearchProblems.OfRecipe(plan.First, "first", materials), .. SearchProblems.OfRecipe(plan.Last, "last", materials),
            .. plan.Middle is { } middle ? SearchProblems.OfRecipe(middle.Recipe, "middle.recipe", materials) : [],
        ];
        return problems.Count > 0 ? problems : [.. OmbreCheck.Colours(plan, materials).Select(Line)];
    }

    private static FieldProblem Line(OmbreProblem problem) => new(problem.Path, JsonNamingPolicy.CamelCase.ConvertName(problem.Code.ToString()), problem.Limit, null);
}
