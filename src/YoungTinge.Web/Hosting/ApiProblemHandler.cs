using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Http.HttpResults;
using Npgsql;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Hosting;

/// <summary>Turns what was thrown into an answer: by kind of exception, never by its text.</summary>
internal sealed class ApiProblemHandler(ILogger<ApiProblemHandler> log) : IExceptionHandler
{
    private const string RetryAfterSeconds = "2";

    /// <summary>ENOSPC.</summary>
    private const int NoSpaceLeft = 28;

    public async ValueTask<bool> TryHandleAsync(HttpContext context, Exception exception, CancellationToken cancel)
    {
        if (exception is OperationCanceledException && context.RequestAborted.IsCancellationRequested)
            return true;
        var trouble = Of(exception);
        if (trouble.StatusCode == StatusCodes.Status503ServiceUnavailable)
            context.Response.Headers.RetryAfter = RetryAfterSeconds;
        if (trouble.StatusCode >= StatusCodes.Status500InternalServerError)
            log.LogError(exception, "{Method} {Path} failed", context.Request.Method, context.Request.Path);
        await trouble.ExecuteAsync(context);
        return true;
    }

    /// <summary>What a failure is to whoever asked.</summary>
    internal static JsonHttpResult<ApiProblem> Of(Exception exception) => exception switch
    {
        BusyException => ApiProblem.Result(StatusCodes.Status503ServiceUnavailable, ApiProblemCode.Busy),
        // One of several kinds of a thing, without a word which.
        NotSupportedException { Source: "System.Text.Json" } => ApiProblem.ForStatus(StatusCodes.Status400BadRequest),
        BadHttpRequestException bad => ApiProblem.ForStatus(bad.StatusCode),
        // A text that PostgreSQL cannot keep.
        PostgresException { SqlState: PostgresErrorCodes.CharacterNotInRepertoire or PostgresErrorCodes.UntranslatableCharacter } =>
            ApiProblem.ForStatus(StatusCodes.Status400BadRequest),
        // Two changes that met: the one that gave way was not made.
        PostgresException { SqlState: PostgresErrorCodes.DeadlockDetected or PostgresErrorCodes.SerializationFailure or PostgresErrorCodes.ForeignKeyViolation } =>
            ApiProblem.ChangedElsewhere(),
        PostgresException { SqlState: PostgresErrorCodes.DiskFull } or IOException { HResult: NoSpaceLeft } =>
            ApiProblem.Result(StatusCodes.Status507InsufficientStorage, ApiProblemCode.DiskFull),
        // A server error with its own SQLSTATE is our mistake, unless the server is on its way up or down.
        PostgresException { IsTransient: false } => ApiProblem.ForStatus(StatusCodes.Status500InternalServerError),
        NoStudioException => ApiProblem.ForStatus(StatusCodes.Status401Unauthorized),
        NpgsqlException => ApiProblem.Result(StatusCodes.Status503ServiceUnavailable, ApiProblemCode.DatabaseAway),
        _ => ApiProblem.ForStatus(StatusCodes.Status500InternalServerError),
    };
}
