using Microsoft.AspNetCore.Antiforgery;

namespace YoungTinge.Web.Shared;

/// <summary>A word that only our own pages can read, and send with every change: they find it in a cookie that is set when they ask who has signed in.</summary>
internal static class ForgeryWord
{
    public const string Header = "X-Anti-Forgery";

    /// <summary>Pages read it, so it is no secret from them.</summary>
    public const string Cookie = "young-tinge-word";

    /// <summary>That it is compared with; pages cannot read this one.</summary>
    public const string SealedCookie = "young-tinge-sealed-word";

    /// <summary>Tells the pages the word for whoever has signed in.</summary>
    public static void Tell(HttpContext context, IAntiforgery antiforgery) => context.Response.Cookies.Append(
        Cookie, antiforgery.GetAndStoreTokens(context).RequestToken!, new CookieOptions { SameSite = SameSiteMode.Lax, Secure = context.Request.IsHttps, HttpOnly = false });
}
