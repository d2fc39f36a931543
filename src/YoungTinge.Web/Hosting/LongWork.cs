using System.Text.Json;
using System.Threading.Channels;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;

namespace YoungTinge.Web.Hosting;

/// <summary>
/// A computation that may take longer than a breath. A caller who accepts <c>application/x-ndjson</c> gets a line
/// <c>{"progress":0.4}</c> now and then and at last <c>{"answer":…}</c>; any other gets the answer alone. Both stop it by hanging up.
/// </summary>
internal static class LongWork
{
    private const string Lines = "application/x-ndjson";

    /// <summary>Gives progress in steps no smaller than this.</summary>
    private const double SmallestStep = 0.01;

    /// <param name="work">Runs on its own; tells its share done, 0 to 1.</param>
    public static async Task<IResult> RunAsync<T>(HttpContext context, Func<Action<double>?, CancellationToken, T> work)
    {
        var cancel = context.RequestAborted;
        if (!context.Request.Headers.Accept.ToString().Contains(Lines, StringComparison.Ordinal))
            return TypedResults.Ok(await Task.Run(() => work(null, cancel), cancel));

        var shares = Channel.CreateUnbounded<double>();
        var last = 0.0;
        var running = Task.Run(
            () =>
            {
                try
                {
                    return work(Tell, cancel);
                }
                finally
                {
                    shares.Writer.Complete();
                }
            },
            cancel);

        var json = context.RequestServices.GetRequiredService<IOptions<JsonOptions>>().Value.SerializerOptions;
        context.Response.ContentType = Lines;
        await foreach (var share in shares.Reader.ReadAllAsync(cancel))
            await WriteAsync(new { progress = share });
        await WriteAsync(new { answer = await running });
        return TypedResults.Empty;

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
