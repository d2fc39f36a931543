using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.Extensions.Options;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Hosting;

/// <summary>
/// Whoever signs in does so as a stranger: the cookie that the browser had is put aside before the framework sees it, which would go on with the
/// session that it names. What it names is ended when somebody else has come in.
/// </summary>
internal sealed class SignInAfresh(RequestDelegate next, IOptionsMonitor<CookieAuthenticationOptions> options)
{
    /// <summary>That the framework gives the name of a session.</summary>
    private const string SessionId = "Microsoft.AspNetCore.Authentication.Cookies-SessionId";

    public Task InvokeAsync(HttpContext context)
    {
        if (context.GetEndpoint()?.Metadata.GetMetadata<SignsIn>() is not null)
        {
            var cookie = options.Get(CookieAuthenticationDefaults.AuthenticationScheme);
            var had = cookie.CookieManager.GetRequestCookie(context, cookie.Cookie.Name!);
            SignsIn.PutAside(context, had is null ? null : cookie.TicketDataFormat.Unprotect(had)?.Principal.FindFirst(SessionId)?.Value);
            context.Request.Headers.Cookie = string.Join("; ", context.Request.Cookies.Where(one => !one.Key.StartsWith(cookie.Cookie.Name!, StringComparison.Ordinal)).Select(one => $"{one.Key}={one.Value}"));
        }

        return next(context);
    }
}
