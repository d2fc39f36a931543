using System.Diagnostics;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.CoatPlanning;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Numerics;
using YoungTinge.Store;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Flowers;

/// <summary>Ways to colour a piece so that it reaches its targets, side by side. Keeps nothing.</summary>
public static class ProposePlans
{
    /// <param name="Plan">As edited: its targets, its locked and painted coats, and its paste if that stays.</param>
    /// <param name="KeepPaste">The paste is mixed already, or is a shade of a run.</param>
    public sealed record Request(PiecePlan Plan, bool KeepPaste);

    public sealed record ZoneView(Zone Zone, ColourView Finished, ColourView Target, Difference Difference);

    /// <param name="MinutesForAll">At the bench, for all pieces with spares, drying left out.</param>
    public sealed record ProposalView(
        Approach Approach, PiecePlan Plan, IReadOnlyList<ZoneView> Zones, double WorstDeltaE, int Coats, int Materials, double MinutesForAll,
        double RiskDeltaE, string? RiskMaterialId, FoodStatus FoodStatus, IReadOnlyList<ZoneHelp> Help, IReadOnlyList<MarblePart> Marble);

    /// <param name="ReachedDeltaE">Within this a zone counts as reached.</param>
    public sealed record Answer(IReadOnlyList<ProposalView> Proposals, double ReachedDeltaE);

    public static void Map(RouteGroupBuilder api) => api.MapPost("/pieces/{id:guid}/proposals", Handle)
        .WithName("proposePlans").Produces<Answer>().ProducesProblems(404, 422);

    /// <summary>More is not worth waiting for: after that a plan that is whole is not bettered any more.</summary>
    private static readonly TimeSpan LongestSearch = TimeSpan.FromSeconds(3);

    private static async Task<IResult> Handle(
        Guid id, Request request, CurrentStudio studio, PieceStore pieces, CabinetStore cabinet, HttpContext context, CancellationToken cancel)
    {
        var studioId = await studio.IdAsync(cancel);
        if (await pieces.FindAsync(studioId, id, cancel) is not { } planned)
            return ApiProblem.NotFound();
        var materials = await cabinet.LoadAsync(studioId, cancel);
        if (PlanProblems.Of(request.Plan, materials) is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        var planner = new CoatPlanner(request.Plan, planned.Piece, planned.Parts, materials, new PlannerRules(planned.Guests), Guid.CreateVersion7);
        return await LongWork.RunAsync(context, (progress, stop) =>
        {
            var searched = Stopwatch.StartNew();
            var approaches = Enum.GetValues<Approach>();
            var shares = new double[approaches.Length];
            var found = SideBySide.Select(approaches, (approach, i) =>
            {
                var proposal = planner.Propose(approach, request.KeepPaste, stop, share => Tell(i, share), () => searched.Elapsed / LongestSearch);
                Tell(i, 1);
                return proposal;
            }, stop).OfType<Proposal>();

            void Tell(int i, double share)
            {
                shares[i] = share;
                progress?.Invoke(shares.Average());
            }

            return new Answer([.. found.Select(View)], CoatPlanner.ReachedDeltaE);
        });
    }

    private static ProposalView View(Proposal proposal) => new(
        proposal.Approach, proposal.Plan,
        [.. proposal.Zones.Select(zone => new ZoneView(zone.Zone, ColourView.From(zone.Finished), ColourView.From(proposal.Plan.Targets[zone.Zone].Colour), zone.Difference))],
        proposal.WorstDeltaE, proposal.Plan.Coats.Count, proposal.Materials, proposal.MinutesForAll, proposal.RiskDeltaE, proposal.RiskMaterialId,
        proposal.FoodStatus, proposal.Help, proposal.Marble);
}
