using System.Text.Json;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Ombre;
using YoungTinge.Core.Work;
using YoungTinge.Store;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.PasteDay;

/// <summary>A run of shades for a flower: as it was kept or as a beginning, what follows from one, and keeping it.</summary>
public static class PlanOmbre
{
    /// <param name="Version">0 while it was never kept.</param>
    /// <param name="Uses">All pieces of the commission.</param>
    public sealed record Answer(string FlowerName, CommissionView Commission, OmbrePlan Plan, int Version, IReadOnlyList<PasteUseView> Uses);

    public sealed record SaveRequest(OmbrePlan Plan);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapGet("/flowers/{id:guid}/ombre", Get).KeepsLook().WithName("getOmbre")
            .WithSummary("The run of shades of a flower: as it was kept, or one to begin with.").Produces<Answer>().ProducesProblems(404);
        api.MapPost("/flowers/{id:guid}/ombre/look", Look).Computes().WithName("lookAtOmbre")
            .WithSummary("What follows from a run of shades, by each method. Keeps nothing.").Produces<OmbreView>().ProducesProblems(404, 422);
        api.MapPost("/flowers/{id:guid}/ombre/dusted", Dusted).Computes().WithName("dustOmbre")
            .WithSummary("How dust and glaze bring shades nearer that paste alone cannot reach.").Produces<IReadOnlyList<DustedShadeView>>().ProducesProblems(404, 422);
        api.MapPut("/flowers/{id:guid}/ombre", Save).WithName("saveOmbre")
            .WithSummary("Keeps a run of shades, over the version it was made from.").Produces<NewVersion>().ProducesProblems(404, 422);
        api.MapDelete("/flowers/{id:guid}/ombre", Remove).WithName("removeOmbre")
            .WithSummary("Takes the run of shades out; the pieces have their own pastes again.").Produces(204).ProducesProblems(404);
    }

    private static async Task<IResult> Get(
        Guid id, CurrentStudio studio, FlowerWorksLoader works, PastePlanStore plans, CabinetStore cabinet, TimeProvider clock, CancellationToken cancel)
    {
        var current = await studio.GetAsync(cancel);
        if (await works.FindAsync(id, cancel) is not { } flower)
            return ApiProblem.NotFound();
        var materials = await cabinet.LoadAsync(current.Id, cancel);
        var kept = (await plans.ListAsync<OmbrePlan>(current.Id, id, cancel)).SingleOrDefault();
        return TypedResults.Ok(new Answer(
            flower.Flower.Name, CommissionView.From(flower.Commission, current, clock.GetUtcNow()),
            kept?.Plan ?? OmbrePlan.Suggest(flower.OfFlower, materials), kept?.Version ?? 0, flower.Uses(materials)));
    }

    private static Task<IResult> Look(Guid id, OmbrePlan plan, FlowerPastePlans plans, CancellationToken cancel) => plans.LookAsync(
        id, plan, Problems, (flower, materials) => TypedResults.Ok(OmbreView.From(plan.Run(flower.All, materials), WantedShades.Of(plan, flower.All), plan.ScaleG, materials)), cancel);

    private static Task<IResult> Dusted(Guid id, OmbrePlan plan, FlowerPastePlans plans, CancellationToken cancel) => plans.LookAsync(
        id, plan, Problems,
        (flower, materials) =>
        {
            var run = plan.Run(flower.All, materials);
            return TypedResults.Ok<IReadOnlyList<DustedShadeView>>(
                [.. DustedShade.Of(run, materials, cancel).Zip(run.Shades, (dusted, shade) => DustedShadeView.From(dusted, shade.Colour))]);
        },
        cancel);

    private static Task<IResult> Save(Guid id, SaveRequest request, MadeFrom madeFrom, HttpResponse response, FlowerPastePlans plans, CancellationToken cancel) =>
        plans.SaveAsync(id, request.Plan, madeFrom, response, Problems, cancel);

    private static Task<IResult> Remove(Guid id, FlowerPastePlans plans, CancellationToken cancel) => plans.RemoveAsync<OmbrePlan>(id, cancel);

    private static List<FieldProblem> Problems(OmbrePlan plan, IReadOnlyList<PlannedWork> works, Materials materials)
    {
        List<FieldProblem> problems =
        [
            .. OmbreCheck.Problems(plan, works).Select(Line),
            .. StudioRules.OfRecipe(plan.First, "first", materials).Lines(), .. StudioRules.OfRecipe(plan.Last, "last", materials).Lines(),
            .. plan.Middle is { } middle ? StudioRules.OfRecipe(middle.Recipe, "middle.recipe", materials).Lines() : [],
        ];
        return problems.Count > 0 ? problems : [.. OmbreCheck.Colours(plan, materials).Select(Line)];
    }

    private static FieldProblem Line(OmbreProblem problem) => new(problem.Path, JsonNamingPolicy.CamelCase.ConvertName(problem.Code.ToString()), problem.Limit, null);
}
