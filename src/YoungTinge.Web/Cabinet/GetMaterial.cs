using YoungTinge.Core.Cabinet;
using YoungTinge.Store;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Cabinet;

/// <summary>One material with everything that is known of it, to be changed.</summary>
public static class GetMaterial
{
    /// <param name="Amount">g per 100 g, or mg/cm2.</param>
    public sealed record DabView(double Amount, ColourView Read);

    public sealed record Answer(MaterialRecord Sheet, int Version, IReadOnlyList<DabView> Dabs);

    public static void Map(RouteGroupBuilder api) => api.MapGet("/materials/{id}", Handle)
        .KeepsAnswer().WithName("getMaterial").Produces<Answer>().ProducesProblems(404);

    private static async Task<IResult> Handle(string id, CurrentStudio studio, CabinetStore cabinet, CancellationToken cancel) =>
        (await cabinet.ListAsync(studio.Id, cancel)).FirstOrDefault(kept => kept.Material.Id == id) is { } found
            ? TypedResults.Ok(new Answer(
                MaterialRecord.Of(found.Material), found.Version, [.. found.Material.Source.Dabs.Select(dab => new DabView(dab.Amount, ColourView.From(dab.Colour)))]))
            : ApiProblem.NotFound();
}
