using System.Security.Claims;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using YoungTinge.Store.People;

namespace YoungTinge.Web.Shared;

/// <summary>Whoever has signed in, as the framework carries her along.</summary>
internal static class SignedIn
{
    private const string Studio = "studio";
    private const string Session = "session";

    public static ClaimsPrincipal Of(Guid studioId, Guid personId, string name, Role role) => new(new ClaimsIdentity(
        [new(ClaimTypes.NameIdentifier, personId.ToString()), new(Studio, studioId.ToString()), new(ClaimTypes.Name, name), new(ClaimTypes.Role, role.ToString())],
        CookieAuthenticationDefaults.AuthenticationScheme));

    /// <summary>Null where nobody has signed in.</summary>
    public static Guid? PersonId(this ClaimsPrincipal user) => IdOf(user, ClaimTypes.NameIdentifier);

    /// <summary>Null where nobody has signed in.</summary>
    public static Guid? StudioId(this ClaimsPrincipal user) => IdOf(user, Studio);

    public static string PersonName(this ClaimsPrincipal user) => user.FindFirstValue(ClaimTypes.Name) ?? "";

    /// <summary>Has the session that somebody has signed in with carried along.</summary>
    public static void Keep(AuthenticationProperties properties, string session) => properties.SetParameter(Session, session);

    /// <summary>The session that whoever asks has signed in with.</summary>
    public static string? SessionOf(HttpContext context) => context.Features.Get<IAuthenticateResultFeature>()?.AuthenticateResult?.Properties?.GetParameter<string>(Session);

    private static Guid? IdOf(ClaimsPrincipal user, string claim) => Guid.TryParse(user.FindFirstValue(claim), out var id) ? id : null;
}
