using Serilog;
using Serilog.Events;

namespace YoungTinge.Web.Hosting;

/// <summary>Gives every answer the number that its line in the log has, so that what a maker was shown can be found there.</summary>
internal sealed class RequestNumber(RequestDelegate next)
{
    public const string Header = "X-Request-Id";

    /// <summary>How a line of the log looks: with the number of the request that it belongs to.</summary>
    public const string LogLine = "[{Timestamp:HH:mm:ss} {Level:u3}] {Message:lj} {RequestId}{NewLine}{Exception}";

    private const double SlowMs = 1000;

    public Task InvokeAsync(HttpContext context)
    {
        context.Response.OnStarting(() =>
        {
            context.Response.Headers[Header] = context.TraceIdentifier;
            return Task.CompletedTask;
        });
        return next(context);
    }

    /// <summary>A line for each request; those that go well and quickly are only written where the log is asked for them (Debug).</summary>
    public static void Log(WebApplication app) => app.UseSerilogRequestLogging(log =>
    {
        log.MessageTemplate = "{RequestMethod} {RequestPath} {StatusCode} in {Elapsed:0} ms";
        // What goes on telling for as long as somebody listens is not slow.
        log.GetLevel = (context, elapsedMs, failure) =>
            failure is not null || context.Response.StatusCode >= StatusCodes.Status400BadRequest || elapsedMs > SlowMs && context.Response.ContentType?.StartsWith("text/event-stream", StringComparison.Ordinal) != true
                ? LogEventLevel.Information : LogEventLevel.Debug;
        log.GetMessageTemplateProperties = (context, path, elapsedMs, status) =>
        [
            new("RequestMethod", new ScalarValue(context.Request.Method)), new("RequestPath", new ScalarValue(WithoutSecret(path))), new("StatusCode", new ScalarValue(status)), new("Elapsed", new ScalarValue(elapsedMs)),
        ];
    });

    /// <summary>Whoever reads the log must not be able to go where an address leads.</summary>
    private static string WithoutSecret(string path) => Secret.FirstOrDefault(beginning => path.StartsWith(beginning, StringComparison.OrdinalIgnoreCase)) is { } found ? $"{found}..." : path;

    private static readonly string[] Secret = ["/api/calendars/", "/api/guest/", "/guest/", "/api/door/codes/", "/in/"];
}
