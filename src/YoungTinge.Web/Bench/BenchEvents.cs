using System.Net.ServerSentEvents;
using System.Runtime.CompilerServices;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Bench;

/// <summary>
/// Tells open pages that something has changed, whoever changed it and on whichever server: what follows from it is read again then. Server-sent events,
/// as the HTML standard has them.
/// </summary>
public static class BenchEvents
{
    /// <summary>A change is seen by everybody within twice this.</summary>
    private static readonly TimeSpan Look = TimeSpan.FromMilliseconds(700);

    /// <summary>Nothing for longer, and something between may take the connection for dead.</summary>
    private static readonly TimeSpan Alive = TimeSpan.FromSeconds(15);

    /// <param name="Now">By the clock of the server.</param>
    public sealed record Told(DateTimeOffset Now);

    public static void Map(RouteGroupBuilder api) => api.MapGet("/bench/events", Handle).WithName("benchEvents").Produces<Told>(StatusCodes.Status200OK, "text/event-stream").ProducesProblems();

    private static IResult Handle(StateStore states, TimeProvider clock, IHostApplicationLifetime life, CancellationToken cancel) =>
        TypedResults.ServerSentEvents(ChangesAsync(states, clock, CancellationTokenSource.CreateLinkedTokenSource(cancel, life.ApplicationStopping).Token));

    private static async IAsyncEnumerable<SseItem<Told>> ChangesAsync(StateStore states, TimeProvider clock, [EnumeratorCancellation] CancellationToken cancel)
    {
        var known = "";
        var told = DateTimeOffset.MinValue;
        while (!cancel.IsCancellationRequested)
        {
            // However many listen, the database is asked by one at a time.
            var state = string.Join('-', (await states.FindFirstAsync(cancel) ?? throw new NoStudioException()).State.Values);
            var now = clock.GetUtcNow();
            if (state != known || now - told > Alive)
            {
                yield return new SseItem<Told>(new Told(now), state != known ? "changed" : "alive");
                (known, told) = (state, now);
            }

            try
            {
                await Task.Delay(Look, clock, cancel);
            }
            catch (OperationCanceledException)
            {
                yield break;
            }
        }
    }
}
