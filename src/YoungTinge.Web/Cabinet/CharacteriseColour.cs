using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Cabinet.Characterising;
using YoungTinge.Core.Colour;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Cabinet;

/// <summary>
/// Learns the optics of a colour or a dust from one to four dabs, and shows what it learned. Keeps nothing: the client saves what
/// it got with the rest of the material.
/// </summary>
public static class CharacteriseColour
{
    /// <param name="MaterialId">That the dabs are of, left out of what is learned from; null for a new one.</param>
    /// <param name="Kind">A colour for paste, a dust or a lustre.</param>
    /// <param name="BaseId">The paste that the dabs were mixed in or rubbed out on.</param>
    /// <param name="Dabs">All with a spectrum, or all taken by their colour alone.</param>
    public sealed record Request(string? MaterialId, MaterialKind Kind, string BaseId, IReadOnlyList<DabReading> Dabs);

    /// <param name="DeltaE">Between the two.</param>
    public sealed record DabView(double Amount, ColourView Read, ColourView Told, double DeltaE);

    public sealed record StepView(double Amount, ColourView Colour);

    /// <param name="Absorption">With the scattering, to be saved.</param>
    /// <param name="WorstDeltaE">Largest difference between a dab and what the model tells for it.</param>
    /// <param name="Ladder">What it does dose by dose, up to its usual limit.</param>
    public sealed record Answer(
        IReadOnlyList<double> Absorption, IReadOnlyList<double> Scattering, double WorstDeltaE, FitQuality Quality, IReadOnlyList<DabView> Dabs, IReadOnlyList<StepView> Ladder);

    public static void Map(RouteGroupBuilder api) => api.MapPost("/materials/characterise", Handle)
        .Computes().WithName("characteriseColour").Produces<Answer>().ProducesProblems(422);

    private static async Task<IResult> Handle(Request request, CurrentStudio studio, CabinetStore cabinet, CancellationToken cancel)
    {
        var materials = await cabinet.ListedAsync(studio.Id, cancel);
        if (Problems(request, materials) is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        var (learned, told, ladder) = Characterisation.Of(
            request.Kind, request.Dabs, materials.Get<PasteBase>(request.BaseId), materials.All.Where(other => other.Id != request.MaterialId));
        return TypedResults.Ok(new Answer(
            learned.Optics.Absorption.Values.ToArray(), learned.Optics.Scattering.Values.ToArray(), learned.WorstDeltaE, learned.Quality,
            [.. request.Dabs.Zip(told, (dab, model) => new DabView(dab.Amount, ColourView.From(dab.Colour), ColourView.From(model), DeltaE2000.Between(dab.Colour, model)))],
            [.. ladder.Select(step => new StepView(step.Amount, ColourView.From(step.Colour)))]));
    }

    private static List<FieldProblem> Problems(Request request, Materials materials)
    {
        var problems = new List<FieldProblem>();
        void Add(string path, string code, double? limit = null) => problems.Add(new FieldProblem(path, code, limit, null));
        if (!Characterisation.IsFor(request.Kind))
            Add("kind", "notForThisKind");
        if (!materials.Has<PasteBase>(request.BaseId))
            Add("baseId", "unknownMaterial");
        if (request.Dabs.Count is < 1 or > MaterialRecordCheck.MostDabs)
            Add("dabs", "dabsOutOfRange", MaterialRecordCheck.MostDabs);
        var most = request.Kind == MaterialKind.Colourant ? 20 : 5;
        foreach (var (i, dab) in request.Dabs.Index())
        {
            if (!(dab.Amount is >= 0.001 && dab.Amount <= most))
                Add($"dabs[{i}].amount", "amountOutOfRange", most);
            if (!ObjectColourSolid.Contain(dab.Colour))
                Add($"dabs[{i}].colour", "notAColour");
            if (dab.Reflectance is { } spectrum && !(spectrum.Count == SpectralGrid.Bands && spectrum.All(value => value is >= 0 and <= 1)))
                Add($"dabs[{i}].reflectance", "spectrumWrong");
            if (request.Dabs.Take(i).Any(other => other.Amount == dab.Amount))
                Add($"dabs[{i}].amount", "sameAmountTwice");
        }

        return problems;
    }
}
