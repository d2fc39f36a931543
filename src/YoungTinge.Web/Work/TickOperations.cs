using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Work;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Work;

/// <summary>
/// Ticks what is done, on whichever sheet, or takes the ticks back: all of them or none. What is one tick to the maker, such as a coat of
/// the dust day, may be several operations. Doing either twice is the same as once.
/// </summary>
public static class TickOperations
{
    internal const int MostOperations = 40;

    /// <param name="Fingerprint">Of the operation as the maker saw it.</param>
    /// <param name="Went">What really went in, of what it takes, each in its own measure; null for as planned. Not for a paste, which is a batch that can be mended.</param>
    public sealed record Ticked(string Id, string Fingerprint, IReadOnlyList<MaterialTake>? Went = null);

    public sealed record Request(IReadOnlyList<Ticked> Operations, bool IsDone);

    public static void Map(RouteGroupBuilder api) => api.MapPut("/ticks", Tick).ForHelper().LeavesNoLine().WithName("tickOperations")
        .WithSummary("Ticks what is done, or takes ticks back. A paste that is ticked is a batch from then on.").Produces(204).ProducesProblems(404, 422);

    private static async Task<IResult> Tick(Request request, StudioWorks works, DoneStore store, TimeProvider clock, CancellationToken cancel)
    {
        if (Problems(request).ToList() is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        var work = await works.LoadAsync(cancel);
        if (!request.IsDone)
        {
            await store.UntickAsync(work.Studio.Id, [.. request.Operations.Select(one => one.Id)], cancel);
            return TypedResults.NoContent();
        }

        var ticked = new List<DoneOperation>();
        foreach (var one in request.Operations)
        {
            if (work.FindOperation(one.Id) is not { } operation)
                return ApiProblem.NotFound();
            if (WentProblems(operation, one.Went, ticked.Count).ToList() is { Count: > 0 } wrong)
                return ApiProblem.NotPossible(wrong);
            ticked.Add(Ticking.Of(operation, one.Fingerprint, one.Went, work, clock.GetUtcNow()));
        }

        await store.TickAsync(work.Studio.Id, ticked, work.Studio.Maker, work.Materials, cancel);
        return TypedResults.NoContent();
    }

    /// <summary>Only what it takes can have gone in otherwise.</summary>
    private static IEnumerable<FieldProblem> WentProblems(Operation operation, IReadOnlyList<MaterialTake>? went, int at)
    {
        var takes = operation.Block is null ? operation.AllTakes().Select(take => take.MaterialId).ToHashSet() : [];
        foreach (var (i, take) in (went ?? []).Index())
        {
            var path = $"operations[{at}].went[{i}]";
            if (!takes.Contains(take.MaterialId) || went!.Take(i).Any(other => other.MaterialId == take.MaterialId))
                yield return new FieldProblem($"{path}.materialId", "unknownMaterial", null, take.MaterialId);
            if (!(take.Amount is >= 0 and <= MaterialRecordCheck.MostStock))
                yield return new FieldProblem($"{path}.amount", "wentOutOfRange", MaterialRecordCheck.MostStock, null);
        }
    }

    private static IEnumerable<FieldProblem> Problems(Request request)
    {
        if (request.Operations.Count is < 1 or > MostOperations || request.Operations.DistinctBy(one => one.Id).Count() < request.Operations.Count)
            yield return new FieldProblem("operations", "countOutOfRange", MostOperations, null);
        foreach (var (i, one) in request.Operations.Index())
        {
            if (one.Id.Length is < 1 or > OperationId.Longest)
                yield return new FieldProblem($"operations[{i}].id", "lengthOutOfRange", OperationId.Longest, null);
            if (one.Fingerprint.Length is < 1 or > Fingerprint.Longest)
                yield return new FieldProblem($"operations[{i}].fingerprint", "lengthOutOfRange", Fingerprint.Longest, null);
        }
    }
}
