using YoungTinge.Core.Coats.Learning;
using YoungTinge.Store;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Logbook;

/// <summary>How heavily the studio lays what its plans ask for, as finished zones have taught it; what was never read is left out.</summary>
public static class GetHand
{
    public static void Map(RouteGroupBuilder api) => api.MapGet("/hand", Handle).KeepsAnswer().WithName("getHand").Produces<IReadOnlyList<HandKnowledge>>().ProducesProblems();

    private static async Task<IResult> Handle(CurrentStudio studio, CabinetStore cabinet, CancellationToken cancel) =>
        TypedResults.Ok<IReadOnlyList<HandKnowledge>>([.. (await cabinet.LoadLearnedAsync(studio.Id, cancel)).Finish.Hand.Where(part => part.Readings > 0)]);
}
