using YoungTinge.Core.Cabinet;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Cabinet;

/// <summary>The mean mass of a maker's own touch or drop, from many weighed together.</summary>
public static class WeighUnit
{
    public sealed record Request(double TotalG, double Count);

    public static void Map(RouteGroupBuilder api) => api.MapPost("/materials/weigh", Handle)
        .Computes().WithName("weighUnit").Produces<UnitWeighing>().ProducesProblems(422);

    private static IResult Handle(Request request)
    {
        var problems = new List<FieldProblem>();
        if (!(request.TotalG is > 0 and <= 1000))
            problems.Add(new FieldProblem("totalG", "massOutOfRange", 1000, null));
        if (!(request.Count is >= 1 and <= UnitWeighing.MostWeighed) || request.Count != Math.Floor(request.Count))
            problems.Add(new FieldProblem("count", "weighedOutOfRange", UnitWeighing.MostWeighed, null));
        return problems.Count > 0 ? ApiProblem.NotPossible(problems) : TypedResults.Ok(UnitWeighing.Together(request.TotalG, (int)request.Count));
    }
}
