using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Commissions;

/// <summary>Takes commissions, flowers and pieces out, and gives them back for thirty days.</summary>
public static class Bin
{
    /// <param name="Of">What it belongs to; empty for a commission.</param>
    /// <param name="DaysLeft">Until it is gone for good, with the one that has begun: 1 on the last day.</param>
    public sealed record EntryView(BinKind Kind, Guid Id, string Name, string Of, DateTimeOffset DeletedAt, int DaysLeft);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapDelete("/commissions/{id:guid}", Remove(BinKind.Commission)).WithName("removeCommission")
            .WithSummary("Takes a commission out, into the bin.").Produces(204).ProducesProblems(404);
        api.MapDelete("/flowers/{id:guid}", Remove(BinKind.Flower)).WithName("removeFlower")
            .WithSummary("Takes a flower out, into the bin.").Produces(204).ProducesProblems(404);
        api.MapDelete("/pieces/{id:guid}", Remove(BinKind.Piece)).WithName("removePiece")
            .WithSummary("Takes a piece out, into the bin.").Produces(204).ProducesProblems(404);
        api.MapGet("/bin", List).WithName("getBin")
            .WithSummary("What was taken out in the last thirty days.").Produces<IReadOnlyList<EntryView>>().ProducesProblems();
        api.MapPost("/bin/{id:guid}/give-back", GiveBack).WithName("giveBack")
            .WithSummary("Gives back what was taken out.").Produces(204).ProducesProblems(404);
    }

    private static Func<Guid, CurrentStudio, BinStore, TimeProvider, CancellationToken, Task<IResult>> Remove(BinKind kind) => async (id, studio, bin, clock, cancel) =>
        await bin.PutInAsync(studio.Id, kind, id, clock.GetUtcNow(), cancel) ? TypedResults.NoContent() : ApiProblem.NotFound();

    private static async Task<IResult> List(CurrentStudio studio, BinStore bin, TimeProvider clock, CancellationToken cancel)
    {
        var now = clock.GetUtcNow();
        return TypedResults.Ok<IReadOnlyList<EntryView>>([.. (await bin.ListAsync(studio.Id, now, cancel)).Select(entry => new EntryView(
            entry.Kind, entry.Id, entry.Name, entry.Of, entry.DeletedAt, (int)Math.Ceiling(BinStore.KeptDays - (now - entry.DeletedAt).TotalDays)))]);
    }

    private static async Task<IResult> GiveBack(Guid id, CurrentStudio studio, BinStore bin, TimeProvider clock, CancellationToken cancel) =>
        await bin.GiveBackAsync(studio.Id, id, clock.GetUtcNow(), cancel) ? TypedResults.NoContent() : ApiProblem.NotFound();
}
