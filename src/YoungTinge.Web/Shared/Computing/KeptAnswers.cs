using System.Collections.Concurrent;
using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Caching.Memory;
using Microsoft.Extensions.Options;
using YoungTinge.Store;

namespace YoungTinge.Web.Shared.Computing;

/// <summary>
/// Views that are computed from what is kept: computed once for each state of the studio, and once for all who ask at the same time.
/// A view is only as old as the last change, so nobody sees another answer than she would have got without this.
/// </summary>
public sealed class KeptAnswers(StateStore states, TimeProvider clock, IOptions<JsonOptions> json) : IDisposable
{
    private const long MostBytes = 64_000_000;

    /// <summary>Days begin at a full quarter of an hour in every time zone, so what counts days is never told a day late.</summary>
    private static readonly TimeSpan SameDay = TimeSpan.FromMinutes(15);

    private readonly MemoryCache kept = new(new MemoryCacheOptions { SizeLimit = MostBytes });
    private readonly ConcurrentDictionary<string, Task<byte[]?>> underWay = new();

    /// <summary>Answers a request from what is kept, or computes it.</summary>
    /// <param name="without">Tables that the answer does not follow from.</param>
    public async ValueTask<object?> AnswerAsync(HttpContext context, Guid studioId, IReadOnlyList<string> without, Func<ValueTask<object?>> compute)
    {
        var cancel = context.RequestAborted;
        // Before anything is read: an answer may be newer than the state it is kept under, never older.
        var state = string.Join('-', (await states.OfAsync(studioId, cancel)).Where(table => !without.Contains(table.Key)).Select(table => table.Value));
        var question = $"{studioId} {clock.GetUtcNow().Ticks / SameDay.Ticks} {state} {context.Request.Path}{context.Request.QueryString}";
        // The state names the answer: whoever has it already is told so, before anything is computed or read.
        var mark = $"\"{Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(question)))[..24]}\"";
        context.Response.Headers.ETag = mark;
        context.Response.Headers.CacheControl = "private, no-cache";
        if (context.Request.Headers.IfNoneMatch.Contains(mark))
            return TypedResults.StatusCode(StatusCodes.Status304NotModified);
        if (kept.Get<byte[]>(question) is { } known)
            return Json(known);

        var first = new TaskCompletionSource<byte[]?>(TaskCreationOptions.RunContinuationsAsynchronously);
        if (underWay.GetOrAdd(question, first.Task) is var asked && asked != first.Task)
            // Whoever asked first may have failed or hung up; then each finds out for herself.
            return await asked.WaitAsync(cancel) is { } theirs ? Json(theirs) : await compute();

        byte[]? answer = null;
        try
        {
            var result = await compute();
            if (result is not IValueHttpResult { Value: { } value } || (result as IStatusCodeHttpResult)?.StatusCode != StatusCodes.Status200OK)
                return result;
            answer = JsonSerializer.SerializeToUtf8Bytes(value, value.GetType(), json.Value.SerializerOptions);
            kept.Set(question, answer, new MemoryCacheEntryOptions { Size = answer.Length, SlidingExpiration = SameDay });
            return Json(answer);
        }
        finally
        {
            underWay.TryRemove(question, out _);
            first.SetResult(answer);
        }
    }

    public void Dispose() => kept.Dispose();

    private static IResult Json(byte[] answer) => TypedResults.Bytes(answer, "application/json; charset=utf-8");
}

internal static class KeptAnswerRules
{
    /// <summary>What is done, and what is left in the jars: no colour follows from it.</summary>
    private static readonly string[] Doing = ["operation_done", "stock", "stock_use", "log_entry"];

    /// <summary>For a view that depends on nothing but the studio, its address and the day.</summary>
    public static RouteHandlerBuilder KeepsAnswer(this RouteHandlerBuilder route) => Keeps(route, []);

    /// <summary>For a view that shows plans and what they come to, but not what is done of them.</summary>
    public static RouteHandlerBuilder KeepsLook(this RouteHandlerBuilder route) => Keeps(route, Doing);

    /// <summary>For what is shipped: the same for every studio until the next build.</summary>
    public static RouteHandlerBuilder KeepsShipped(this RouteHandlerBuilder route) => Keeps(route, StateStore.Tables);

    private static RouteHandlerBuilder Keeps(RouteHandlerBuilder route, IReadOnlyList<string> without) => route.AddEndpointFilter(async (invocation, next) =>
    {
        var context = invocation.HttpContext;
        var studio = await context.RequestServices.GetRequiredService<CurrentStudio>().IdAsync(context.RequestAborted);
        return await context.RequestServices.GetRequiredService<KeptAnswers>().AnswerAsync(context, studio, without, () => next(invocation));
    });
}
