namespace YoungTinge.Web.Shared;

internal static class RouteRules
{
    /// <summary>Lists the failures an endpoint may answer with.</summary>
    public static RouteHandlerBuilder ProducesProblems(this RouteHandlerBuilder route, params int[] statuses)
    {
        foreach (var status in statuses)
            route.Produces<ApiProblem>(status, "application/problem+json");
        return route;
    }
}
