using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Scheduling;
using YoungTinge.Core.Work;
using YoungTinge.Store;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.DustDay;

/// <summary>The coats of a commission as a day's work: all pieces with the first colour, then all with the next.</summary>
public static class GetDustDay
{
    /// <summary>One kind of piece in a pass, ticked as a whole.</summary>
    /// <param name="Operations">That it consists of.</param>
    /// <param name="IsDone">All of them are ticked as they stand now.</param>
    /// <param name="IsOutOfReach">The flower is assembled, and a brush hardly comes there.</param>
    /// <param name="Flowers">Whole flowers that get it at once; null for what is done piece by piece.</param>
    /// <param name="Time">Of all of them together; null if they stand in no plan and none is done.</param>
    public sealed record UseView(
        Guid PieceId, Guid FlowerId, string FlowerName, string PieceName, int Pieces, int? Flowers, double Minutes, LoadWord? Load, Place? Place, Sides? Sides, int? Seconds, int? Coats,
        Marking? Marking, IReadOnlyList<OperationView> Operations, bool IsDone, bool IsOutOfReach, OperationTime? Time);

    /// <param name="Family">Of the brush that it takes; null for what takes none.</param>
    /// <param name="NewBrush">A clean brush: the one before was in another family.</param>
    /// <param name="MaterialIds">Of what is laid.</param>
    /// <param name="LiquidId">The thinner or the glaze; null if it takes none.</param>
    /// <param name="Ml">Of a glaze from the bottle; null for the rest.</param>
    /// <param name="Crumbs">As a hand measures them; null for the rest.</param>
    /// <param name="Pot">That it is taken from, to be mixed before its first pass; null for none.</param>
    /// <param name="IsFirstOfPot">The first pass that takes from it.</param>
    /// <param name="Colour">Of the mix; null for what has none.</param>
    /// <param name="Stages">Of putting the flowers together, to be done before it and not before an earlier pass.</param>
    public sealed record PassView(
        PassKind Kind, BrushFamily? Family, bool NewBrush, IReadOnlyList<string> MaterialIds, string? LiquidId, double? Ml, HandAmountView? Crumbs, OperationView? Pot, bool IsFirstOfPot,
        ColourView? Colour, bool IsOnStanding, IReadOnlyList<OperationView> Stages, IReadOnlyList<UseView> Uses, double Minutes, double WaitMinutes);

    /// <param name="FewestBrushes">No order of these coats takes fewer clean brushes.</param>
    /// <param name="Stages">Of putting the flowers together, that no pass waits for.</param>
    public sealed record Answer(CommissionView Commission, IReadOnlyList<PassView> Passes, IReadOnlyList<OperationView> Stages, double Minutes, int BrushChanges, int FewestBrushes, string TimeZone);

    public static void Map(RouteGroupBuilder api) => api.MapGet("/commissions/{id:guid}/dust-day", Handle)
        .KeepsAnswer().WithName("getDustDay").Produces<Answer>().ProducesProblems(404);

    private static async Task<IResult> Handle(Guid id, StudioWorks works, WorkPlanStore plans, TimeProvider clock, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        if (work.FindCommission(id) is not { } commission)
            return ApiProblem.NotFound();
        var graph = work.GraphOf(id);
        var day = DustDayPlan.Of(graph);
        var times = await PlannedTimes.OfAsync(graph.Operations, work, plans, cancel);
        var (mixed, built) = (new HashSet<string>(), new HashSet<string>());
        // In this order: what no pass waits for is known once all have been asked.
        PassView[] passes = [.. day.Passes.Select(View)];
        return TypedResults.Ok(new Answer(
            CommissionView.From(commission, work.Studio, clock.GetUtcNow()), passes,
            [.. graph.Operations.Where(operation => operation.Step is BuildStage && !built.Contains(operation.Id)).Select(operation => OperationView.From(operation, work))], day.Minutes, day.BrushChanges, day.FewestBrushes, work.Studio.TimeZone));

        PassView View(CoatPass pass)
        {
            var (coat, shape) = (pass.Uses[0].Coat, work.Find(pass.Uses[0].PieceId)!.Piece.Shape());
            var amount = coat.AmountFor(shape, 1);
            var crumbs = coat.Coat is PollenCoat ? pass.Uses.SelectMany(use => use.Operations).SelectMany(operation => operation.Takes).Sum(take => take.Amount) : 0;
            return new PassView(
                pass.Kind, pass.Family, pass.NewBrush, [.. amount.Powders.Select(powder => powder.MaterialId)], amount.LiquidId,
                pass.Kind == PassKind.Glaze && pass.PotId is null ? pass.Uses.SelectMany(use => use.Operations).SelectMany(operation => operation.Takes).Sum(take => take.Amount) : null,
                crumbs > 0 ? HandAmountView.Of(amount.Powders[0].MaterialId, crumbs, work.Materials) : null,
                pass.PotId is { } pot ? OperationView.From(graph.Find(pot)!, work) : null, pass.PotId is { } first && mixed.Add(first), ColourView.OfPot(coat), pass.IsOnStanding,
                [.. (pass.IsOnStanding ? graph.StagesBefore(pass.Uses.SelectMany(use => use.Operations)) : []).Where(stage => built.Add(stage.Id)).Select(stage => OperationView.From(stage, work))],
                [.. pass.Uses.Select(ViewOf)], pass.Minutes, pass.WaitMinutes);
        }

        UseView ViewOf(PassUse use)
        {
            var coat = use.Coat.Coat;
            OperationView[] operations = [.. use.Operations.Select(operation => OperationView.From(operation, work))];
            return new UseView(
                use.PieceId, use.FlowerId, work.FlowerName(use.FlowerId) ?? "", work.Find(use.PieceId)!.Piece.Name, use.Pieces, use.Operations[0].FlowersAtOnce, use.Minutes,
                coat is DustCoat dust ? DustLoad.Nearest(dust.LoadMgPerCm2).Word : null, (coat as IPlacedCoat)?.Place, (coat as IPlacedCoat)?.Sides ?? (coat as GlazeCoat)?.Sides,
                (coat as SteamCoat)?.Seconds, (coat as GlazeCoat)?.Coats, (coat as WashCoat)?.Marking, operations,
                operations.All(operation => operation.TickedAt is not null && !operation.ChangedSince), use.IsOutOfReach,
                OperationTime.Together([.. use.Operations.Select(operation => times.GetValueOrDefault(operation.Id)).OfType<OperationTime>()]));
        }
    }
}
