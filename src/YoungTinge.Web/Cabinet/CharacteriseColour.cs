using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;
using YoungTinge.Store;
using YoungTinge.Web.Hosting;
using YoungTinge.Web.Mixing;

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
        .WithName("characteriseColour").Produces<Answer>().Fails(422, 503);

    private static async Task<IResult> Handle(Request request, CurrentStudio studio, CabinetStore cabinet, CancellationToken cancel)
    {
        var materials = await cabinet.LoadAsync(await studio.IdAsync(cancel), cancel);
        if (Problems(request, materials) is { Count: > 0 } problems)
            return Trouble.NotPossible(problems);
        var paste = materials.Get<PasteBase>(request.BaseId);
        var below = KubelkaMunk.Opaque(paste.Optics);
        var isPaste = request.Kind == MaterialKind.Colourant;
        var learned = isPaste ? Colourant(request, paste, materials) : Dust(request, below, materials);
        Lab Told(double amount) => Illuminant.D65.LabOf(isPaste
            ? Spectrum.From(band => KubelkaMunk.Opaque(
                paste.Optics.Absorption[band] + amount * learned.Optics.Absorption[band], paste.Optics.Scattering[band] + amount * learned.Optics.Scattering[band]))
            : KubelkaMunk.Layer(learned.Optics.Absorption, learned.Optics.Scattering, amount, below));
        return TypedResults.Ok(new Answer(
            learned.Optics.Absorption.Values.ToArray(), learned.Optics.Scattering.Values.ToArray(), learned.WorstDeltaE, learned.Quality,
            [.. request.Dabs.Select(dab => new DabView(dab.Amount, ColourView.From(dab.Colour), ColourView.From(Told(dab.Amount)), DeltaE2000.Between(dab.Colour, Told(dab.Amount))))],
            [.. Steps(isPaste).Select(amount => new StepView(amount, ColourView.From(Told(amount))))]));
    }

    private static LearnedOptics Colourant(Request request, PasteBase paste, Materials materials) => request.Dabs.All(dab => dab.Reflectance is not null)
        ? FromDabs.Colourant([.. request.Dabs.Select(Measured)], paste.Optics)
        : FromSeenDabs.Colourant([.. request.Dabs.Select(Seen)], paste.Optics, materials.All.OfType<Colourant>().Where(other => IsKnown(other, request)));

    private static LearnedOptics Dust(Request request, Spectrum below, Materials materials) => request.Dabs.All(dab => dab.Reflectance is not null)
        ? FromDabs.Dust([.. request.Dabs.Select(Measured)], below)
        : FromSeenDabs.Dust([.. request.Dabs.Select(Seen)], below, materials.All.OfType<Dust>().Where(other => IsKnown(other, request)));

    /// <summary>What is only roughly known teaches nothing about others.</summary>
    private static bool IsKnown(Material other, Request request) => other.Id != request.MaterialId && other.Source.Origin != OpticsOrigin.Label;

    private static Dab Measured(DabReading dab) => new(dab.Amount, new Spectrum(dab.Reflectance!.Select(value => Math.Max(value, 0.001)).ToArray()));

    private static SeenDab Seen(DabReading dab) => new(dab.Amount, dab.Colour);

    private static IEnumerable<double> Steps(bool isPaste) => isPaste ? [0.02, 0.05, 0.1, 0.2, 0.4, 0.8, 1.6, 3] : [0.05, 0.1, 0.2, 0.3, 0.45, 0.7];

    private static List<FieldProblem> Problems(Request request, Materials materials)
    {
        var problems = new List<FieldProblem>();
        void Add(string path, string code, double? limit = null) => problems.Add(new FieldProblem(path, code, limit, null));
        if (request.Kind is not (MaterialKind.Colourant or MaterialKind.Dust or MaterialKind.Lustre))
            Add("kind", "notForThisKind");
        if (!materials.Has<PasteBase>(request.BaseId))
            Add("baseId", "unknownMaterial");
        if (request.Dabs.Count is < 1 or > SheetCheck.MostDabs)
            Add("dabs", "dabsOutOfRange", SheetCheck.MostDabs);
        var most = request.Kind == MaterialKind.Colourant ? 20 : 5;
        foreach (var (i, dab) in request.Dabs.Index())
        {
            if (!(dab.Amount is >= 0.001 && dab.Amount <= most))
                Add($"dabs[{i}].amount", "amountOutOfRange", most);
            if (!SurfaceColours.Contain(dab.Colour))
                Add($"dabs[{i}].colour", "notAColour");
            if (dab.Reflectance is { } spectrum && !(spectrum.Count == SpectralGrid.Bands && spectrum.All(value => value is >= 0 and <= 1)))
                Add($"dabs[{i}].reflectance", "spectrumWrong");
            if (request.Dabs.Take(i).Any(other => other.Amount == dab.Amount))
                Add($"dabs[{i}].amount", "sameAmountTwice");
        }

        return problems;
    }
}
