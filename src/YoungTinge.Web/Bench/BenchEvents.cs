using System.Net.ServerSentEvents;
using System.Runtime.CompilerServices;
using Npgsql;
using YoungTinge.Store;
using YoungTinge.Store.People;
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

    private static IResult Handle(HttpContext context, CurrentStudio studio, SessionStore sessions, TimeProvider clock, IHostApplicationLifetime life, CancellationToken cancel)
    {
        var session = SignedIn.SessionOf(context) ?? "";
        return TypedResults.ServerSentEvents(ChangesAsync(
            studio.Database.States, stop => IsStillInAsync(sessions, studio.Id, session, clock.GetUtcNow(), stop), clock, life.ApplicationStopping, cancel));
    }

    /// <param name="isStillIn">Whoever listens may have been signed out meanwhile, here or elsewhere: then the stream ends.</param>
    private static async IAsyncEnumerable<SseItem<Told>> ChangesAsync(
        StateStore states, Func<CancellationToken, Task<bool>> isStillIn, TimeProvider clock, CancellationToken stopping, [EnumeratorCancellation] CancellationToken cancel)
    {
        using var ends = CancellationTokenSource.CreateLinkedTokenSource(cancel, stopping);
        var known = "";
        var told = DateTimeOffset.MinValue;
        while (!ends.IsCancellationRequested)
        {
            var state = await StateAsync(states, ends.Token) ?? known;
            var now = clock.GetUtcNow();
            if (state != known || now - told > Alive)
            {
                if (!await isStillIn(ends.Token))
                    yield break;
                yield return new SseItem<Told>(new Told(now), state != known ? "changed" : "alive");
                (known, told) = (state, now);
            }

            // Whoever hangs up is no failure.
            await Task.Delay(Look, clock, ends.Token).ContinueWith(_ => { }, TaskScheduler.Default);
        }
    }

    /// <summary>However many listen, the database is asked by one at a time.</summary>
    /// <returns>Null while it does not answer: nothing is told then, and the stream goes on.</returns>
    private static async Task<string?> StateAsync(StateStore states, CancellationToken cancel)
    {
        try
        {
            return await states.FindAsync(cancel) is var (_, tables) ? string.Join('-', tables.Values) : null;
        }
        catch (Exception failure) when (IsAway(failure))
        {
            return null;
        }
    }

    /// <returns>True while the database does not answer: nothing can be told of the studio then.</returns>
    private static async Task<bool> IsStillInAsync(SessionStore sessions, Guid studioId, string session, DateTimeOffset now, CancellationToken cancel)
    {
        try
        {
            return await sessions.FindAsync(studioId, session, now, cancel) is not null;
        }
        catch (Exception failure) when (IsAway(failure))
        {
            return true;
        }
    }

    private static bool IsAway(Exception failure) => failure is NpgsqlException or TimeoutException or OperationCanceledException;
}
