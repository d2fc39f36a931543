using Microsoft.AspNetCore.Antiforgery;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Hosting;

/// <summary>
/// A change by somebody who has signed in carries a word that only our own pages can read: beside <see cref="SameOriginOnly"/>, for browsers that do not
/// say where a request comes from.
/// </summary>
internal sealed class AntiForgery(RequestDelegate next)
{
    public async Task InvokeAsync(HttpContext context, IAntiforgery antiforgery)
    {
        if (!context.Request.IsReading() && context.User.Identity?.IsAuthenticated == true && !await antiforgery.IsRequestValidAsync(context))
        {
            await ApiProblem.Result(StatusCodes.Status403Forbidden, ApiProblemCode.OldPage).ExecuteAsync(context);
            return;
        }

        await next(context);
    }
}
