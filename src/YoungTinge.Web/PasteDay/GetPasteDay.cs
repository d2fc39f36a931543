using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Advice;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Scheduling;
using YoungTinge.Core.Work;
using YoungTinge.Files.Tables;
using YoungTinge.Store;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.PasteDay;

/// <summary>All pastes of a day over some commissions, with what has been done.</summary>
public static class GetPasteDay
{
    /// <param name="Needed">Without spares.</param>
    /// <param name="Wire">To carry it; null if its paste holds something that is gone.</param>
    /// <param name="SpareShare">Of the number needed.</param>
    /// <param name="UsualSpareShare">For so fragile a piece.</param>
    /// <param name="Version">Of the piece, to send with a change of it (If-Match).</param>
    public sealed record PieceLine(
        Guid Id, string Name, int Needed, int Pieces, double SpareShare, double UsualSpareShare, double PieceG, BenchBall Ball, bool Solid, double Grams, WireAdvice? Wire,
        int Version);

    /// <param name="Version">Of the flower, to send with a change of it (If-Match).</param>
    public sealed record FlowerLine(Guid Id, string Name, int Flowers, int Buds, IReadOnlyList<PieceLine> Pieces, int Version);

    /// <param name="Flowers">None unless it is planned for.</param>
    public sealed record CommissionLine(CommissionView Commission, IReadOnlyList<FlowerLine> Flowers);

    /// <summary>A part of a touch, made measurable before the pastes are begun.</summary>
    /// <param name="Key">To tick it by.</param>
    public sealed record LetDownView(
        string Key, string BlockKey, string ColourantId, LetDown LetDown, string Fingerprint, DateTimeOffset? TickedAt, bool ChangedSince);

    /// <summary>A run or a marble that cannot be made as it stands: its pieces are mixed by their own plans.</summary>
    public sealed record NotMadeView(Guid FlowerId, string FlowerName, BlockKind Kind);

    /// <param name="Commissions">All of the studio's.</param>
    /// <param name="NotMade">To be looked at first.</param>
    /// <param name="LetDowns">To make before all else.</param>
    /// <param name="Blocks">Of those that were asked for, in order.</param>
    /// <param name="Shopping">What those take, coats and all, against the stock.</param>
    /// <param name="Currency">ISO 4217.</param>
    /// <param name="Times">By operation, for what is done or stands in the plan in force.</param>
    public sealed record Answer(
        IReadOnlyList<CommissionLine> Commissions, IReadOnlyList<NotMadeView> NotMade, IReadOnlyList<LetDownView> LetDowns, IReadOnlyList<BlockView> Blocks, IReadOnlyList<ShoppingLine> Shopping, string Currency,
        IReadOnlyDictionary<string, OperationTime> Times, string TimeZone);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapGet("/paste-day", Handle).KeepsAnswer().WithName("getPasteDay")
            .WithSummary("All pastes of a day over some commissions, with what has been done.").Produces<Answer>().ProducesProblems();
        api.MapGet("/paste-day/shopping.csv", ShoppingCsv).WithName("getShoppingCsv")
            .WithSummary("What is to be bought for them, as a table.").Produces(200, contentType: "text/csv").ProducesProblems();
    }

    /// <param name="commissionId">Those to plan; all if none is named.</param>
    private static async Task<IResult> Handle(
        Guid[] commissionId, PasteDayLoader days, WorkPlanStore plans, TimeProvider clock, CancellationToken cancel)
    {
        var day = await days.LoadAsync(commissionId, cancel);
        var operations = day.Operations.ToDictionary(operation => operation.Id);
        return TypedResults.Ok(new Answer(
            [.. day.Work.Commissions.Select(commission => new CommissionLine(
                CommissionView.From(commission, day.Studio, clock.GetUtcNow()),
                [.. day.Work.Flowers.Where(flower => flower.CommissionId == commission.Id && day.Chosen.Contains(commission))
                    .Select(flower => new FlowerLine(
                        flower.Id, flower.Name, flower.Flowers, flower.Buds, [.. day.Work.PiecesOf(flower.Id).Select(piece => Line(piece.Work, piece.Version, day.Materials))], flower.Version))]))],
            [.. NotMade(day)],
            [.. day.Operations.Where(operation => operation.Step is MakeLetDown).Select(operation => LetDownOf(operation, day))],
            [.. day.Blocks.Select(block => BlockView.From(operations[block.Key], day))],
            day.Shopping, day.Studio.Currency, await PlannedTimes.OfAsync([.. day.Operations], day.Work, plans, cancel), day.Studio.TimeZone));
    }

    private static IEnumerable<NotMadeView> NotMade(Day day)
    {
        foreach (var flower in day.Chosen.SelectMany(commission => day.Work.PastesOf(commission.Id)))
        {
            bool IsMade(BlockKind kind) => day.Blocks.Any(block => block.Kind == kind && block.FlowerIds.Contains(flower.FlowerId));
            foreach (var (kind, isPlanned) in new[] { (BlockKind.Ombre, flower.Ombre is not null), (BlockKind.Marble, flower.Marble is not null) })
            {
                if (isPlanned && !IsMade(kind) && flower.Works.Any(work => work.Parts > 0))
                    yield return new NotMadeView(flower.FlowerId, day.NameOf(flower.FlowerId), kind);
            }
        }
    }

    private static async Task<IResult> ShoppingCsv(Guid[] commissionId, PasteDayLoader days, CancellationToken cancel)
    {
        var day = await days.LoadAsync(commissionId, cancel);
        return TextDownload.Of(ShoppingTable.WriteCsv(day.Shopping, day.Materials, day.Studio.Currency), TextDownload.Csv, "shopping.csv");
    }

    private static LetDownView LetDownOf(Operation operation, Day day)
    {
        var (step, print, tick) = ((MakeLetDown)operation.Step, OperationView.PrintOf(operation), day.Work.Ticks.GetValueOrDefault(operation.Id));
        var block = day.Operations.First(other => other.Block is not null && other.After.Contains(operation.Id));
        return new LetDownView(operation.Id, block.Id, step.ColourantId, step.LetDown, print, tick?.At, OperationView.HasChanged(tick, print));
    }

    private static PieceLine Line(PlannedWork work, int version, Materials materials)
    {
        var quantity = PasteQuantity.For(work.Piece, work.Parts);
        return new PieceLine(
            work.PieceId, work.Piece.Name, work.Piece.Needed(work.Parts), quantity.Pieces, work.Piece.SpareShare, SparesAdvice.ShareFor(work.Piece), quantity.PieceG, quantity.Ball,
            work.Piece.Solid, quantity.BatchG,
            Supports.WireAdviceFor(work, materials), version);
    }
}
