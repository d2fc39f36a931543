using System.Collections.Concurrent;
using System.IO.Compression;
using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Caching.Memory;
using Microsoft.Extensions.Options;
using Microsoft.Net.Http.Headers;
using YoungTinge.Store;

namespace YoungTinge.Web.Shared.Computing;

/// <summary>
/// Views that are computed from what is kept: computed once for each state of the studio, and once for all who ask at the same time.
/// A view is only as old as the last change, so nobody sees another answer than she would have got without this.
/// </summary>
public sealed class KeptAnswers(TimeProvider clock, IOptions<JsonOptions> options) : IDisposable
{
    private const long MostBytes = 64_000_000;

    /// <summary>Days begin at a full quarter of an hour in every time zone, so what counts days is never told a day late.</summary>
    private static readonly TimeSpan SameDay = TimeSpan.FromMinutes(15);

    private const string Json = "application/json; charset=utf-8";

    private readonly MemoryCache kept = new(new MemoryCacheOptions { SizeLimit = MostBytes });
    private readonly ConcurrentDictionary<string, Task<Answer?>> underWay = new();

    /// <param name="Packed">JSON, packed by gzip once: nearly all who ask take it so.</param>
    /// <param name="Tag">That the view gave itself; null for that of its state.</param>
    private sealed record Answer(byte[] Packed, string? Tag);

    /// <summary>Answers a request from what is kept, or computes it.</summary>
    /// <param name="studio">Its state is read before anything else: an answer may be newer than the state it is kept under, never older.</param>
    /// <param name="follows">What it follows from.</param>
    public async ValueTask<object?> AnswerAsync(HttpContext context, CurrentStudio studio, FollowsFrom follows, Func<ValueTask<object?>> compute)
    {
        var cancel = context.RequestAborted;
        var studioId = studio.Id;
        var state = string.Join('-', (await studio.StateAsync(cancel)).Where(table => !follows.Without.Contains(table.Key)).Select(table => table.Value));
        var question = $"{studioId} {clock.GetUtcNow().Ticks / SameDay.Ticks} {state} {context.Request.Path}{context.Request.QueryString}";
        // The state names the answer: whoever has it already is told so, before anything is computed or read.
        var mark = $"\"{Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(question)))[..24]}\"";
        context.Response.Headers.CacheControl = "private, no-cache";
        if (!follows.HasOwnTag)
        {
            context.Response.Headers.ETag = mark;
            if (context.Request.Headers.IfNoneMatch.Contains(mark))
                return TypedResults.StatusCode(StatusCodes.Status304NotModified);
        }

        if (kept.Get<Answer>(question) is { } known)
            return Send(known);

        var first = new TaskCompletionSource<Answer?>(TaskCreationOptions.RunContinuationsAsynchronously);
        if (underWay.GetOrAdd(question, first.Task) is var asked && asked != first.Task)
            // Whoever asked first may have failed or hung up; then each finds out for herself.
            return await asked.WaitAsync(cancel) is { } theirs ? Send(theirs) : await compute();

        Answer? answer = null;
        try
        {
            var result = await compute();
            if (result is not IValueHttpResult { Value: { } value } || (result as IStatusCodeHttpResult)?.StatusCode != StatusCodes.Status200OK)
                return result;
            answer = new Answer(Pack(value), follows.HasOwnTag ? context.Response.Headers.ETag.ToString() : null);
            kept.Set(question, answer, new MemoryCacheEntryOptions { Size = answer.Packed.Length, SlidingExpiration = SameDay });
            return Send(answer);
        }
        finally
        {
            underWay.TryRemove(question, out _);
            first.SetResult(answer);
        }

        IResult Send(Answer found)
        {
            if (found.Tag is { } tag)
                context.Response.Headers.ETag = tag;
            context.Response.Headers.Append(HeaderNames.Vary, HeaderNames.AcceptEncoding);
            // Over https what is secret could be guessed from how well it packs, as with all else that is sent.
            if (context.Request.IsHttps || !TakesGzip(context.Request))
                return TypedResults.Stream(new GZipStream(new MemoryStream(found.Packed), CompressionMode.Decompress), Json);
            context.Response.Headers.ContentEncoding = "gzip";
            return TypedResults.Bytes(found.Packed, Json);
        }
    }

    private byte[] Pack(object value)
    {
        using var packed = new MemoryStream();
        using (var gzip = new GZipStream(packed, CompressionLevel.Fastest))
            JsonSerializer.Serialize(gzip, value, value.GetType(), options.Value.SerializerOptions);
        return packed.ToArray();
    }

    private static bool TakesGzip(HttpRequest request) =>
        request.GetTypedHeaders().AcceptEncoding.Any(encoding => encoding.Value == "gzip" && encoding.Quality is not 0);

    public void Dispose() => kept.Dispose();
}

/// <summary>What a kept answer follows from.</summary>
/// <param name="Without">Tables that it does not follow from.</param>
/// <param name="HasOwnTag">Its ETag is the version of what it shows, to be sent with a change.</param>
public sealed record FollowsFrom(IReadOnlyList<string> Without, bool HasOwnTag = false);

internal static class KeptAnswerRules
{
    /// <summary>What is done, and what is left in the jars: no colour follows from it.</summary>
    private static readonly string[] Doing = ["operation_done", "stock", "stock_use", "work_plan", "bench_timer", "drying_reading", "practice_trial"];

    /// <summary>For a view that depends on nothing but the studio, its address and the day.</summary>
    public static RouteHandlerBuilder KeepsAnswer(this RouteHandlerBuilder route) => Keeps(route, new FollowsFrom([]));

    /// <summary>For a view that shows plans and what they come to, but not what is done of them.</summary>
    public static RouteHandlerBuilder KeepsLook(this RouteHandlerBuilder route, bool hasOwnTag = false) => Keeps(route, new FollowsFrom(Doing, hasOwnTag));

    /// <summary>For what is shipped: the same for every studio until the next build.</summary>
    public static RouteHandlerBuilder KeepsShipped(this RouteHandlerBuilder route) => Keeps(route, new FollowsFrom(StateStore.Tables));

    private static RouteHandlerBuilder Keeps(RouteHandlerBuilder route, FollowsFrom follows) => route.AddEndpointFilter((invocation, next) =>
    {
        var services = invocation.HttpContext.RequestServices;
        return services.GetRequiredService<KeptAnswers>().AnswerAsync(invocation.HttpContext, services.GetRequiredService<CurrentStudio>(), follows, () => next(invocation));
    });
}
