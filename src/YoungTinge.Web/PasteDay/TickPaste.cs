using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Work;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.PasteDay;

/// <summary>Ticks a step of the day, and takes a tick back. A paste that is ticked is a batch from then on.</summary>
public static class TickPaste
{
    public sealed record Request(string Fingerprint);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapPut("/paste-day/{block}/tick", Tick).WithName("tickPaste")
            .WithSummary("Ticks a step of the paste day. A paste that is ticked is a batch from then on.").Produces(204).ProducesProblems(422);
        api.MapDelete("/paste-day/{block}/tick", Untick).WithName("untickPaste")
            .WithSummary("Takes a tick of the paste day back.").Produces(204).ProducesProblems();
    }

    private static async Task<IResult> Tick(
        string block, Request request, PasteDayStore store, PasteDayLoader days, TimeProvider clock, CancellationToken cancel)
    {
        if (request.Fingerprint.Length is < 1 or > Fingerprint.Longest || block.Length > BlockPlace.LongestKey)
            return ApiProblem.NotPossible([new FieldProblem("fingerprint", "lengthOutOfRange", Fingerprint.Longest, null)]);
        var day = await days.LoadAsync([], cancel);
        // A paste that has changed since the maker read it is ticked, but what it was is not known here any more.
        var mixed = day.AllBlocks.FirstOrDefault(one => one.Key == block);
        if (mixed is null || BlockView.From(mixed, day).Fingerprint != request.Fingerprint)
            await store.TickAsync(day.Studio.Id, block, request.Fingerprint, cancel);
        else
        {
            var made = new MixedBlock(
                block, BatchesOf(mixed, day, clock.GetUtcNow()), mixed.Leftover?.KeepG ?? 0, [.. mixed.Uses.Select(use => use.PieceId)], [.. mixed.Takes()]);
            await store.MixedAsync(day.Studio.Id, made, request.Fingerprint, day.Materials, cancel);
        }

        return TypedResults.NoContent();
    }

    private static async Task<IResult> Untick(string block, CurrentStudio studio, PasteDayStore store, CancellationToken cancel)
    {
        await store.NotMixedAsync(await studio.IdAsync(cancel), block, cancel);
        return TypedResults.NoContent();
    }

    private static Batch[] BatchesOf(PasteBlock block, Day day, DateTimeOffset now)
    {
        var made = block.Batches();
        var pieces = block.Uses.Select(use => day.All.SelectMany(flower => flower.Works).First(work => work.PieceId == use.PieceId).Piece.Name.ToLowerInvariant());
        var name = day.NameOf(block.FlowerIds[0]) + (block.Kind == BlockKind.Paste ? $", {string.Join(", ", pieces)}" : "");
        return [.. made.Select((batch, place) => new Batch(
            Guid.CreateVersion7(now), block.CommissionId, Short(made.Count > 1 ? $"{name} {place + 1}/{made.Count}" : name), batch.Recipe, batch.PasteG,
            PasteOptics.ColourOf(block.Kind == BlockKind.Paste ? block.Mixed[0].Recipe : batch.Recipe, day.Materials), null, "", 0)
        {
            Made = new Making(now, batch.Recipe, batch.PasteG, batch.PasteG, ""),
            Block = new BlockPlace(block.Key, place),
        })];
    }

    private static string Short(string name) => name.Length <= StudioRules.LongestName ? name : name[..StudioRules.LongestName];
}
