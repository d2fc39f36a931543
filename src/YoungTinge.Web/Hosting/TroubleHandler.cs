using Microsoft.AspNetCore.Diagnostics;
using Npgsql;

namespace YoungTinge.Web.Hosting;

/// <summary>Turns what was thrown into an answer: by kind of exception, never by its text.</summary>
internal sealed class TroubleHandler(ILogger<TroubleHandler> log) : IExceptionHandler
{
    public async ValueTask<bool> TryHandleAsync(HttpContext context, Exception exception, CancellationToken cancel)
    {
        if (exception is OperationCanceledException && context.RequestAborted.IsCancellationRequested)
            return true;
        var (status, code) = exception switch
        {
            BadHttpRequestException { StatusCode: StatusCodes.Status413PayloadTooLarge } => (StatusCodes.Status413PayloadTooLarge, TroubleCode.TooLarge),
            BadHttpRequestException bad => (bad.StatusCode, TroubleCode.Unreadable),
            // A server error with its own SQLSTATE is our mistake, unless the server is on its way up or down.
            PostgresException { IsTransient: false } => (StatusCodes.Status500InternalServerError, TroubleCode.Unexpected),
            NpgsqlException or NoStudioException => (StatusCodes.Status503ServiceUnavailable, TroubleCode.DatabaseAway),
            _ => (StatusCodes.Status500InternalServerError, TroubleCode.Unexpected),
        };
        if (status >= StatusCodes.Status500InternalServerError)
            log.LogError(exception, "{Method} {Path} failed", context.Request.Method, context.Request.Path);
        await Trouble.Result(status, code).ExecuteAsync(context);
        return true;
    }
}
