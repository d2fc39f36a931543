using YoungTinge.Store.People;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Hosting;

/// <summary>Keeps who changed what: a line for each change that went well.</summary>
internal sealed class AuditTrail(RequestDelegate next)
{
    /// <summary>What an address names a thing by.</summary>
    private static readonly string[] Subjects = ["id", "flowerId", "block", "state"];

    public async Task InvokeAsync(HttpContext context, CurrentStudio studio, TimeProvider clock, ILogger<AuditTrail> log)
    {
        await next(context);
        if (context.Response.StatusCode >= StatusCodes.Status400BadRequest || ActionOf(context.GetEndpoint()) is not { } action || context.User.PersonId() is not { } person)
            return;
        var subject = Subjects.Select(name => context.GetRouteValue(name)?.ToString()).FirstOrDefault(value => value is { Length: > 0 and <= 100 }) ?? "";
        try
        {
            await new AuditStore(studio.Database.DataSource)
                .AddAsync(studio.Id, new AuditEntry(Guid.CreateVersion7(clock.GetUtcNow()), clock.GetUtcNow(), person, context.User.PersonName(), action, subject), CancellationToken.None);
        }
        catch (Npgsql.NpgsqlException failure)
        {
            // The change itself is kept and has been answered.
            log.LogError(failure, "The trail of {Action} was lost", action);
        }
    }

    /// <summary>Null for what changes nothing, or leaves no line.</summary>
    internal static string? ActionOf(Endpoint? endpoint) =>
        endpoint is null || endpoint.Metadata.IsReading() || endpoint.Metadata.Any(one => one is OnlyComputes or LeavesNoLine) ? null : endpoint.Metadata.GetMetadata<IEndpointNameMetadata>()?.EndpointName;
}
