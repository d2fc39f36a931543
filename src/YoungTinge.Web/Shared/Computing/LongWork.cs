using System.Text.Json;
using System.Threading.Channels;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;

namespace YoungTinge.Web.Shared.Computing;

/// <summary>
/// A computation that may take longer than a breath. A caller who accepts <c>application/x-ndjson</c> gets a line
/// <c>{"progress":0.4}</c> now and then and at last <c>{"answer":…}</c> or <c>{"trouble":…}</c>; any other gets the answer alone. Both stop it by hanging up.
/// </summary>
internal static class LongWork
{
    private const string Lines = "application/x-ndjson";

    /// <summary>Gives progress in steps no smaller than this.</summary>
    private const double SmallestStep = 0.01;

    /// <param name="work">Computes; tells its share done, 0 to 1.</param>
    public static Task<IResult> RunAsync<T>(HttpContext context, Func<Action<double>?, CancellationToken, T> work)
    {
        var workers = context.RequestServices.GetRequiredService<Workers>();
        return TellAsync(context, async (tell, cancel) => TypedResults.Ok(await workers.SearchAsync(() => work(tell, cancel), cancel)));
    }

    /// <param name="work">Mostly waits for something else; tells its share done, 0 to 1. What it answers may be a failure too.</param>
    public static async Task<IResult> TellAsync(HttpContext context, Func<Action<double>?, CancellationToken, Task<IResult>> work)
    {
        var cancel = context.RequestAborted;
        if (!context.Request.Headers.Accept.ToString().Contains(Lines, StringComparison.Ordinal))
            return await work(null, cancel);

        var shares = Channel.CreateUnbounded<double>();
        var last = 0.0;
        var running = RunAsync();
        var json = context.RequestServices.GetRequiredService<IOptions<JsonOptions>>().Value.SerializerOptions;
        // Until something has been told, a failure is answered as any other.
        if (!await shares.Reader.WaitToReadAsync(cancel))
        {
            var early = await running;
            if (early is not IValueHttpResult { Value: not ApiProblem })
                return early;
        }

        context.Response.ContentType = Lines;
        await foreach (var share in shares.Reader.ReadAllAsync(cancel))
            await WriteAsync(new { progress = share });
        var value = ((IValueHttpResult)await running).Value;
        await WriteAsync(value is ApiProblem ? new { trouble = value } : new { answer = value });
        return TypedResults.Empty;

        async Task<IResult> RunAsync()
        {
            try
            {
                return await work(Tell, cancel);
            }
            finally
            {
                shares.Writer.Complete();
            }
        }

        void Tell(double share)
        {
            if (share < last + SmallestStep)
                return;
            last = share;
            shares.Writer.TryWrite(share);
        }

        async Task WriteAsync(object line)
        {
            await context.Response.WriteAsync(JsonSerializer.Serialize(line, json) + "\n", cancel);
            await context.Response.Body.FlushAsync(cancel);
        }
    }
}
