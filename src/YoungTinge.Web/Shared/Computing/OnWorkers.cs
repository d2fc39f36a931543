using System.Threading.RateLimiting;

namespace YoungTinge.Web.Shared.Computing;

/// <summary>
/// Answers the API on the workers. A handler that awaits something goes on where it began, so its computing stays on them too.
/// Past a number of requests at once the next are asked to come again, which is better than a line that grows.
/// </summary>
internal sealed class OnWorkers(RequestDelegate next, Workers workers) : IDisposable
{
    private const int MostAtOnce = 256;

    private readonly ConcurrencyLimiter places = new(new() { PermitLimit = MostAtOnce, QueueLimit = 0 });

    public async Task InvokeAsync(HttpContext context)
    {
        if (!context.Request.IsApi())
        {
            await next(context);
            return;
        }

        using var place = places.AttemptAcquire();
        if (!place.IsAcquired)
            throw new BusyException();
        await Task.Factory.StartNew(() => next(context), context.RequestAborted, TaskCreationOptions.None, workers.Answers).Unwrap();
    }

    public void Dispose() => places.Dispose();
}
