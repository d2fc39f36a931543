namespace YoungTinge.Web.Shared;

internal static class RouteRules
{
    /// <summary>Whatever is asked may be unreadable, go wrong here, or come at a bad moment.</summary>
    private static readonly int[] Always = [StatusCodes.Status400BadRequest, StatusCodes.Status500InternalServerError, StatusCodes.Status503ServiceUnavailable];

    /// <summary>Lists the failures that an endpoint may answer with, besides those that any may.</summary>
    public static RouteHandlerBuilder ProducesProblems(this RouteHandlerBuilder route, params int[] statuses)
    {
        foreach (var status in statuses.Union(Always).Order())
            route.Produces<ApiProblem>(status, "application/problem+json");
        return route;
    }
}
