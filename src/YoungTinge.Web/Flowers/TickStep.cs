using YoungTinge.Core.Flowers;
using YoungTinge.Core.Work;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Flowers;

/// <summary>
/// Ticks steps of a run sheet, or takes the ticks back: all of them or none. What is one tick to the maker, such as a coat of the dust
/// day, may be several steps. Doing either twice is the same as once.
/// </summary>
public static class TickStep
{
    internal const int MostSteps = 20;

    /// <param name="Key">Of the step.</param>
    /// <param name="Fingerprint">Of the step as the maker saw it.</param>
    public sealed record Step(string Key, string Fingerprint);

    public sealed record Request(IReadOnlyList<Step> Steps, bool IsDone);

    public static void Map(RouteGroupBuilder api) =>
        api.MapPut("/pieces/{id:guid}/run-sheet/ticks", Tick).WithName("tickSteps").Produces(204).ProducesProblems(404, 422);

    private static async Task<IResult> Tick(
        Guid id, Request request, StudioWorks works, RunSheetStore ticks, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        var studioId = work.Studio.Id;
        if (work.Find(id) is not { } planned)
            return ApiProblem.NotFound();
        if (Problems(request).ToList() is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        if (!request.IsDone)
        {
            await ticks.UntickAsync(studioId, id, [.. request.Steps.Select(step => step.Key)], cancel);
            return TypedResults.NoContent();
        }

        var materials = work.Materials;
        var sheet = RunSheet.For(planned.Plan, planned.Piece, planned.Parts, materials).ToDictionary(step => step.Key);
        if (!request.Steps.All(step => sheet.ContainsKey(step.Key)))
            return ApiProblem.NotFound();
        var own = planned.Work;
        await ticks.TickAsync(
            studioId, id, [.. request.Steps.Select(step => new TickedStep(sheet[step.Key], step.Fingerprint, [.. StepTakes.Of(sheet[step.Key], own, materials)]))], materials, cancel);
        return TypedResults.NoContent();
    }

    private static IEnumerable<FieldProblem> Problems(Request request)
    {
        if (request.Steps.Count is < 1 or > MostSteps || request.Steps.DistinctBy(step => step.Key).Count() < request.Steps.Count)
            yield return new FieldProblem("steps", "countOutOfRange", MostSteps, null);
        foreach (var (i, step) in request.Steps.Index())
        {
            if (step.Fingerprint.Length is < 1 or > Fingerprint.Longest)
                yield return new FieldProblem($"steps[{i}].fingerprint", "lengthOutOfRange", Fingerprint.Longest, null);
        }
    }
}
