using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Flowers;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Cabinet;

/// <summary>The made-up jars that the product comes with: puts them all on the shelf, or takes out together those that nothing uses.</summary>
public static class StarterJars
{
    /// <param name="Changed">Jars that came or went.</param>
    /// <param name="InUse">Jars that stayed, because a plan or a batch names them.</param>
    public sealed record Answer(int Changed, int InUse);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapPost("/materials/starter", PutIn).WithName("putInStarterJars")
            .WithSummary("Puts the made-up jars that the product comes with on the shelf.").Produces<Answer>().ProducesProblems();
        api.MapDelete("/materials/starter", TakeOut).WithName("takeOutStarterJars")
            .WithSummary("Takes out the made-up jars that nothing uses.").Produces<Answer>().ProducesProblems();
    }

    private static async Task<IResult> PutIn(CurrentStudio studio, CabinetStore cabinet, CancellationToken cancel)
    {
        var studioId = studio.Id;
        var kept = (await cabinet.ListAsync(studioId, cancel)).Select(one => one.Material).ToList();
        // A jar of one's own that has this name is the one that is meant.
        var missing = StarterCabinet.Load().All
            .Where(jar => kept.All(one => one.Id != jar.Id && !one.Label.Name.Equals(jar.Label.Name, StringComparison.OrdinalIgnoreCase))).ToList();
        await cabinet.SaveAsync(studioId, [.. missing.Select(jar => new MaterialChange(jar, 0))], cancel);
        return TypedResults.Ok(new Answer(missing.Count, 0));
    }

    private static async Task<IResult> TakeOut(CurrentStudio studio, CabinetStore cabinet, CancellationToken cancel)
    {
        var studioId = studio.Id;
        var results = new List<RemoveMaterialResult>();
        foreach (var jar in StarterCabinet.Load().All)
            results.Add(await cabinet.RemoveAsync(studioId, jar.Id, cancel));
        return TypedResults.Ok(new Answer(results.Count(one => one == RemoveMaterialResult.Removed), results.Count(one => one == RemoveMaterialResult.InUse)));
    }
}
