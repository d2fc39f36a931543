using YoungTinge.Store;

namespace YoungTinge.Web.Shared;

/// <summary>Of an endpoint that a secret in its address leads to: which studio that is of, before anything of the studio is asked.</summary>
/// <param name="Find">Takes the secret; null if it leads nowhere.</param>
internal sealed record EnteredBy(Func<StudioDatabases, string, CancellationToken, Task<StudioDatabase?>> Find)
{
    /// <summary>Of the address that has it.</summary>
    public const string RouteValue = "token";
}

internal static class EnteredByRules
{
    /// <summary>Whoever knows the secret may ask.</summary>
    /// <param name="find">For secrets that do not say themselves whose studio they are of.</param>
    public static RouteHandlerBuilder EnteredBy(this RouteHandlerBuilder route, Func<StudioDatabases, string, CancellationToken, Task<StudioDatabase?>>? find = null) =>
        route.ForAnyone().WithMetadata(new EnteredBy(find ?? ((databases, secret, cancel) => databases.FindAsync(secret, cancel))));
}
