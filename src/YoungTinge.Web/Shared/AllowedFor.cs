using Microsoft.AspNetCore.Authorization;
using YoungTinge.Store.People;

namespace YoungTinge.Web.Shared;

/// <summary>Who may ask something of the API: each level takes in those after it.</summary>
public enum Access
{
    /// <summary>Whoever comes, or knows a secret that stands in the address.</summary>
    Anyone,

    /// <summary>Whoever has signed in.</summary>
    Helper,
    Maker,
    Owner,
}

/// <summary>Who may use an endpoint. An endpoint that says nothing is for helpers if it only reads, and for makers if it changes something.</summary>
internal sealed record AllowedFor(Access Least);

/// <summary>Of an endpoint that is posted to but keeps nothing: it computes an answer.</summary>
internal sealed record OnlyComputes;

/// <summary>Of an endpoint whose changes stand elsewhere with who made them and when, such as ticks on their sheets: a line for each would hide all else.</summary>
internal sealed record LeavesNoLine;

internal static class AccessRules
{
    public static RouteHandlerBuilder ForAnyone(this RouteHandlerBuilder route) => route.WithMetadata(new AllowedFor(Access.Anyone));

    public static RouteHandlerBuilder ForHelper(this RouteHandlerBuilder route) => route.WithMetadata(new AllowedFor(Access.Helper));

    public static RouteHandlerBuilder ForMaker(this RouteHandlerBuilder route) => route.WithMetadata(new AllowedFor(Access.Maker));

    public static RouteHandlerBuilder ForOwner(this RouteHandlerBuilder route) => route.WithMetadata(new AllowedFor(Access.Owner));

    /// <summary>Keeps nothing: whoever works in the studio may ask, and no trail is left.</summary>
    public static RouteHandlerBuilder Computes(this RouteHandlerBuilder route) => route.WithMetadata(new OnlyComputes());

    /// <summary>What it changes stands elsewhere with who did it and when.</summary>
    public static RouteHandlerBuilder LeavesNoLine(this RouteHandlerBuilder route) => route.WithMetadata(new LeavesNoLine());

    /// <summary>Every endpoint of the group says who may use it, by what it says itself or else by its method.</summary>
    public static void AskWhoMay(this RouteGroupBuilder api) => ((IEndpointConventionBuilder)api).Finally(endpoint =>
    {
        var least = Least(endpoint.Metadata);
        if (!endpoint.Metadata.OfType<AllowedFor>().Any())
            endpoint.Metadata.Add(new AllowedFor(least));
        endpoint.Metadata.Add(least == Access.Anyone ? new AllowAnonymousAttribute() : new AuthorizeAttribute(least.ToString()));
    });

    /// <summary>A policy for each level.</summary>
    public static void Configure(AuthorizationOptions options)
    {
        foreach (var least in Enum.GetValues<Role>())
            options.AddPolicy(least.ToString(), policy => policy.RequireRole(Enum.GetValues<Role>().Where(role => role >= least).Select(role => role.ToString())));
    }

    private static Access Least(IList<object> metadata)
    {
        if (metadata.OfType<AllowedFor>().LastOrDefault() is { } said)
            return said.Least;
        return metadata.IsReading() || metadata.OfType<OnlyComputes>().Any() ? Access.Helper : Access.Maker;
    }
}
