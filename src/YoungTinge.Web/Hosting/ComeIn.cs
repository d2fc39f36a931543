using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Hosting;

/// <summary>Goes into the studio that a request is about: that of whoever has signed in, or the one that a secret in the address leads to.</summary>
internal sealed class ComeIn(RequestDelegate next)
{
    public async Task InvokeAsync(HttpContext context, StudioDatabases databases, CurrentStudio current)
    {
        if (context.GetEndpoint()?.Metadata.GetMetadata<EnteredBy>() is { } entered)
        {
            var secret = context.GetRouteValue(Shared.EnteredBy.RouteValue) as string ?? "";
            if (await entered.Find(databases, secret, context.RequestAborted) is not { } studio)
            {
                await ApiProblem.NotFound().ExecuteAsync(context);
                return;
            }

            current.Enter(studio);
        }
        else if (context.User.StudioId() is { } studioId)
        {
            current.Enter(databases.Of(studioId));
        }

        await next(context);
    }
}
