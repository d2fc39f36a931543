using YoungTinge.Core.Coats.Learning;
using YoungTinge.Core.Learning;
using YoungTinge.Store;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Logbook;

/// <summary>How heavily the studio lays what its plans ask for, and how much its own units hold and how colours come out there, as the logbook has taught it; what was never read is left out.</summary>
public static class GetHand
{
    /// <param name="Coats">From finished zones.</param>
    /// <param name="Units">From pastes that were measured by them.</param>
    /// <param name="Rest">From pastes that still rested when they were read; null without any.</param>
    public sealed record Answer(IReadOnlyList<HandKnowledge> Coats, IReadOnlyList<UnitKnowledge> Units, RestKnowledge? Rest);

    public static void Map(RouteGroupBuilder api) => api.MapGet("/hand", Handle).KeepsAnswer().WithName("getHand").Produces<Answer>().ProducesProblems();

    private static async Task<IResult> Handle(CurrentStudio studio, CabinetStore cabinet, CancellationToken cancel)
    {
        var (_, jars, finish) = await cabinet.LoadLearnedAsync(studio.Id, cancel);
        return TypedResults.Ok(new Answer([.. finish.Hand.Where(part => part.Readings > 0)], jars.Units, jars.Rest));
    }
}
