namespace YoungTinge.Web.Shared;

/// <summary>Of an endpoint that signs somebody in.</summary>
internal sealed record SignsIn
{
    private static readonly object Had = new();

    /// <summary>Keeps the session that the browser had for when somebody else has come in.</summary>
    public static void PutAside(HttpContext context, string? session) => context.Items[Had] = session;

    /// <summary>The session that the browser had; null for none.</summary>
    public static string? HadBefore(HttpContext context) => context.Items[Had] as string;
}

internal static class SignsInRules
{
    public static RouteHandlerBuilder SignsIn(this RouteHandlerBuilder route) => route.WithMetadata(new SignsIn());
}
