using System.Text.Encodings.Web;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.Extensions.Options;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Hosting;

/// <summary>Outside of the API nobody is asked who she is: pages and health are for everybody, also where the database is away.</summary>
internal sealed class Nobody(IOptionsMonitor<AuthenticationSchemeOptions> options, ILoggerFactory log, UrlEncoder encoder) : AuthenticationHandler<AuthenticationSchemeOptions>(options, log, encoder)
{
    /// <summary>Asks by cookie in the API, and nobody elsewhere.</summary>
    public const string ByAddress = "by address";

    public const string Elsewhere = "nobody";

    protected override Task<AuthenticateResult> HandleAuthenticateAsync() => Task.FromResult(AuthenticateResult.NoResult());
}

internal static class NobodyRules
{
    public static AuthenticationBuilder AddNobodyElsewhere(this AuthenticationBuilder authentication) => authentication
        .AddPolicyScheme(Nobody.ByAddress, null, policy => policy.ForwardDefaultSelector = context =>
            context.Request.IsApi() ? CookieAuthenticationDefaults.AuthenticationScheme : Nobody.Elsewhere)
        .AddScheme<AuthenticationSchemeOptions, Nobody>(Nobody.Elsewhere, null);
}
