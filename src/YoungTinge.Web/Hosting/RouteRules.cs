namespace YoungTinge.Web.Hosting;

internal static class RouteRules
{
    /// <summary>Lists the failures an endpoint may answer with.</summary>
    public static RouteHandlerBuilder Fails(this RouteHandlerBuilder route, params int[] statuses)
    {
        foreach (var status in statuses)
            route.Produces<Trouble>(status, "application/problem+json");
        return route;
    }
}
