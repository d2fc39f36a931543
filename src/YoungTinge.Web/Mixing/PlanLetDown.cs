using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Mixing;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Mixing;

/// <summary>How to measure a dose that is too small for the hand or the scale.</summary>
public static class PlanLetDown
{
    /// <param name="Unit">What the maker counts by.</param>
    /// <param name="UnitsWanted">How many of it the batch should get; parts of one are what this is for.</param>
    /// <param name="ScaleG">Smallest step of the scale.</param>
    public sealed record Request(string ColourantId, DoseUnitKind Unit, double UnitsWanted, double PasteG, double ScaleG);

    /// <param name="LetDown">Null if it cannot be made with this scale and batch.</param>
    /// <param name="BatchWhiteG">White to weigh for the batch beside it.</param>
    public sealed record Answer(double DoseG, LetDown? LetDown, double BatchWhiteG);

    internal const double MostUnits = 100;

    private const double LeastUnits = 1e-9;

    public static void Map(RouteGroupBuilder api) => api.MapPost("/let-downs", Handle)
        .Computes().WithName("planLetDown").Produces<Answer>().ProducesProblems(422);

    private static async Task<IResult> Handle(Request request, CurrentStudio studio, CabinetStore cabinet, CancellationToken cancel)
    {
        var materials = await cabinet.LoadAsync(studio.Id, cancel);
        var unit = materials.Find(request.ColourantId) is Colourant colourant ? colourant.Units.FirstOrDefault(unit => unit.Kind == request.Unit) : null;
        FieldProblem[] problems = [.. Problems(request, unit)];
        if (unit is null || problems.Length > 0)
            return ApiProblem.NotPossible(problems);
        var doseG = request.UnitsWanted * unit.MassG;
        var letDown = LetDown.For(doseG, unit, request.PasteG, request.ScaleG);
        return TypedResults.Ok(new Answer(doseG, letDown, request.PasteG - (letDown?.BroughtG ?? 0)));
    }

    private static IEnumerable<FieldProblem> Problems(Request request, DoseUnit? unit)
    {
        if (unit is null)
            yield return new FieldProblem("colourantId", "unknownMaterial", null, null);
        if (request.UnitsWanted is not (>= LeastUnits and <= MostUnits))
            yield return new FieldProblem("unitsWanted", "unitsOutOfRange", MostUnits, null);
        if (!BenchScale.IsPossible(request.ScaleG))
            yield return new FieldProblem("scaleG", "scaleOutOfRange", BenchScale.CoarsestG, null);
        foreach (var problem in StudioRules.OfMass(request.PasteG, "pasteG").Lines())
            yield return problem;
    }
}
