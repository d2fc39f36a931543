using YoungTinge.Core.Coats.Advice;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Targets;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Targets;

/// <summary>How pieces of one whorl would differ with a target's spread: alike, but no clones.</summary>
public static class ShowWhorl
{
    internal const int MostPieces = 60;

    public sealed record Request(Target Target, int Pieces, int Seed);

    public static void Map(RouteGroupBuilder api) => api.MapPost("/targets/whorl", Handle)
        .Computes().WithName("showWhorl").Produces<IReadOnlyList<ColourView>>().ProducesProblems(422);

    private static IResult Handle(Request request)
    {
        var problems = new List<FieldProblem>();
        if (!PlanCheck.IsColour(request.Target.Colour))
            problems.Add(new FieldProblem("target.colour", FieldProblem.NotAColour, null, null));
        if (!(request.Target.Spread is >= 0 and <= Target.MostSpread))
            problems.Add(new FieldProblem("target.spread", "spreadOutOfRange", Target.MostSpread, null));
        if (request.Pieces is < 1 or > MostPieces)
            problems.Add(new FieldProblem("pieces", "countOutOfRange", MostPieces, null));
        return problems.Count > 0
            ? ApiProblem.NotPossible(problems)
            : TypedResults.Ok<IReadOnlyList<ColourView>>([.. Variety.Of(request.Target, request.Pieces, request.Seed).Select(ColourView.From)]);
    }
}
