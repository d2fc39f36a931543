using YoungTinge.Core.Cabinet;
using YoungTinge.Core.CoatPlanning;
using YoungTinge.Core.Coats.Advice;
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

    /// <param name="Coats">Of the coats of its plan, in order.</param>
    /// <param name="MinutesForAll">At the bench, for all pieces with spares, drying left out.</param>
    /// <param name="Stands">It is the plan that stood before: nothing else comes clearly nearer.</param>
    public sealed record ProposalView(
        Approach Approach, PiecePlan Plan, IReadOnlyList<ZoneView> Zones, double WorstDeltaE, IReadOnlyList<PreviewPlan.CoatView> Coats, int Materials, double MinutesForAll,
        double RiskDeltaE, string? RiskMaterialId, FoodStatus FoodStatus, IReadOnlyList<ZoneHelp> Help, IReadOnlyList<MarblePart> Marble, bool Stands);

    /// <param name="ReachedDeltaE">Within this a zone counts as reached.</param>
    public sealed record Answer(IReadOnlyList<ProposalView> Proposals, double ReachedDeltaE);

    public static void Map(RouteGroupBuilder api) => api.MapPost("/pieces/{id:guid}/proposals", Handle)
        .Computes().ForMaker().WithName("proposePlans").Produces<Answer>().ProducesProblems(404, 422);

    private static async Task<IResult> Handle(
        Guid id, Request request, StudioWorks works, CabinetStore cabinet, HttpContext context, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        if (work.Find(id) is not { } kept)
            return ApiProblem.NotFound();
        if (PlanProblems.Of(request.Plan, kept, work) is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        var planned = work.With(kept, request.Plan);
        // What is planned elsewhere, or made, is not mixed anew for one piece.
        var keepsPaste = request.KeepPaste || planned.IsPasteSettled;
        var (learned, dusts) = await cabinet.LearnedAsync(work.Studio.Id, cancel);
        var inUse = OpenBeside(work.FindFlower(kept.FlowerId)!.Value.Commission.Id, [kept.Id], work);
        var rules = new PlannerRules(planned.Guests) { InUse = inUse, Learned = learned, LearnedDusts = dusts };
        var planner = new CoatPlanner(planned.Plan, planned.Piece, planned.Parts, work.Materials, rules, Guid.CreateVersion7, planned.Source, planned.Standing);
        return await LongWork.RunAsync(context, (progress, stop) =>
        {
            var approaches = Enum.GetValues<Approach>();
            var shares = new double[approaches.Length];
            var found = SideBySide.Select(approaches, (approach, i) =>
            {
                var proposal = planner.Propose(approach, keepsPaste, stop, share => Tell(i, share));
                Tell(i, 1);
                return proposal;
            }, stop).OfType<Proposal>();

            void Tell(int i, double share)
            {
                shares[i] = share;
                progress?.Invoke(shares.Average());
            }

            return new Answer([.. found.Select(proposal => View(proposal, planned, work))], CoatPlanner.ReachedDeltaE);
        });
    }

    /// <summary>Jars that stand open for the other pieces of a commission.</summary>
    /// <param name="but">Pieces that are planned anew.</param>
    internal static HashSet<string> OpenBeside(Guid commissionId, IReadOnlyCollection<Guid> but, StudioWork work) =>
        [.. work.PiecesIn(commissionId).Where(other => !but.Contains(other.Id)).SelectMany(other => PlanAdvisor.MaterialsOf(other.Plan))];

    private static ProposalView View(Proposal proposal, PlannedPiece piece, StudioWork work) => new(
        proposal.Approach, proposal.Plan,
        [.. proposal.Zones.Select(zone => new ZoneView(zone.Zone, ColourView.From(zone.Finished), ColourView.From(proposal.Plan.Targets[zone.Zone].Colour), zone.Difference))],
        proposal.WorstDeltaE,
        [.. proposal.Plan.Coats.Select(coat => PreviewPlan.View(coat.Resolve(work.Materials), piece.Piece.Shape(), piece.Quantity.Pieces, work.Materials))], proposal.Materials, proposal.MinutesForAll * work.Pace.Factor, proposal.RiskDeltaE, proposal.RiskMaterialId,
        proposal.FoodStatus, proposal.Help, proposal.Marble, proposal.Stands);
}
