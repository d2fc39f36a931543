using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Marble;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Ombre;
using YoungTinge.Core.PasteDay;
using YoungTinge.Core.Planning;
using YoungTinge.Files.Tables;
using YoungTinge.Store;
using YoungTinge.Web.Commissions;
using YoungTinge.Web.Files;
using YoungTinge.Web.Hosting;
using YoungTinge.Web.Mixing;

namespace YoungTinge.Web.PasteDay;

/// <summary>All pastes of a day over some commissions, with what has been done; and ticking them.</summary>
public static class GetPasteDay
{
    /// <param name="Needed">Without spares.</param>
    /// <param name="Wire">To carry it; null if its paste holds something that is gone.</param>
    public sealed record PieceLine(
        Guid Id, string Name, int Needed, int Pieces, double PieceG, double BallMm, bool Solid, double Grams, WireAdvice? Wire);

    public sealed record FlowerLine(Guid Id, string Name, int Flowers, int Buds, IReadOnlyList<PieceLine> Pieces);

    public sealed record CommissionLine(CommissionView Commission, IReadOnlyList<FlowerLine> Flowers);

    public sealed record PartView(PasteRecipe Recipe, double Grams, BatchView Batch, ColourView Colour);

    /// <summary>A part of a touch, made measurable before the pastes are begun.</summary>
    /// <param name="Key">To tick it by.</param>
    public sealed record LetDownView(
        string Key, string BlockKey, string ColourantId, LetDown LetDown, string Fingerprint, DateTimeOffset? TickedAt, bool ChangedSince);

    /// <param name="Family">0 for whites and greys, then by hue.</param>
    /// <param name="Ombre">Null unless it is a run.</param>
    /// <param name="Parts">The paste itself, or the pastes of a marble; empty for a run.</param>
    /// <param name="Fingerprint">To send with a tick.</param>
    /// <param name="TickedAt">Null while it is to do.</param>
    /// <param name="ChangedSince">It was ticked, but it has changed since.</param>
    public sealed record BlockView(
        string Key, BlockKind Kind, Guid CommissionId, IReadOnlyList<Guid> FlowerIds, ColourView Colour, int Family, double TotalG, double RestHours,
        IReadOnlyList<PasteUse> Uses, IReadOnlyList<PartView> Parts, OmbreWayView? Ombre, MarblePlan? Marble, double ThicknessMm,
        string Fingerprint, DateTimeOffset? TickedAt, bool ChangedSince);

    /// <summary>A run or a marble that cannot be made as it stands: its pieces are mixed by their own plans.</summary>
    public sealed record NotMadeView(Guid FlowerId, string FlowerName, BlockKind Kind);

    /// <param name="Commissions">All of the studio's.</param>
    /// <param name="NotMade">To be looked at first.</param>
    /// <param name="LetDowns">To make before all else.</param>
    /// <param name="Blocks">Of those that were asked for, in order.</param>
    /// <param name="Shopping">What those take, coats and all, against the stock.</param>
    /// <param name="Currency">ISO 4217.</param>
    public sealed record Answer(
        IReadOnlyList<CommissionLine> Commissions, IReadOnlyList<NotMadeView> NotMade, IReadOnlyList<LetDownView> LetDowns, IReadOnlyList<BlockView> Blocks, IReadOnlyList<ShoppingLine> Shopping, string Currency);

    public sealed record TickRequest(string Fingerprint);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapGet("/paste-day", Handle).WithName("getPasteDay").Produces<Answer>().Fails(503);
        api.MapGet("/paste-day/shopping.csv", ShoppingCsv).WithName("getShoppingCsv").Produces(200, contentType: "text/csv").Fails(503);
        api.MapPut("/paste-day/{block}/tick", Tick).WithName("tickPaste").Produces(204).Fails(422, 503);
        api.MapDelete("/paste-day/{block}/tick", Untick).WithName("untickPaste").Produces(204).Fails(503);
    }

    /// <summary>The flowers to plan for, and their pastes.</summary>
    private sealed record Day(
        Studio Studio, Materials Materials, IReadOnlyList<Commission> Commissions, IReadOnlyList<Flower> Flowers, IReadOnlyList<FlowerPaste> Chosen, IReadOnlyList<FlowerPaste> All)
    {
        public IReadOnlyList<PasteBlock> Blocks { get; } = PasteDaySheet.Of(Chosen, Materials);

        public IReadOnlyList<ShoppingLine> Shopping => Core.PasteDay.Shopping.For(Chosen, Blocks, Materials);
    }

    /// <param name="commissionId">Those to plan; all if none is named.</param>
    private static async Task<IResult> Handle(
        Guid[] commissionId, CurrentStudio studio, CommissionStore commissions, PieceStore pieces, PastePlanStore plans, PasteDayStore ticks, CabinetStore cabinet,
        TimeProvider clock, CancellationToken cancel)
    {
        var day = await LoadAsync(commissionId, studio, commissions, pieces, plans, cabinet, cancel);
        var done = (await ticks.ListAsync(day.Studio.Id, cancel)).ToDictionary(tick => tick.StepKey);
        var works = day.All.ToDictionary(flower => flower.FlowerId, flower => flower.Works);
        return TypedResults.Ok(new Answer(
            [.. day.Commissions.Select(commission => new CommissionLine(
                CommissionView.From(commission, day.Studio, clock.GetUtcNow()),
                [.. day.Flowers.Where(flower => flower.CommissionId == commission.Id)
                    .Select(flower => new FlowerLine(flower.Id, flower.Name, flower.Flowers, flower.Buds, [.. works[flower.Id].Select(work => Line(work, day.Materials))]))]))],
            [.. NotMade(day)],
            [.. day.Blocks.SelectMany(block => LetDownsOf(block, done))],
            [.. day.Blocks.Select(block => View(block, done.GetValueOrDefault(block.Key), day.Materials))],
            day.Shopping, day.Studio.Currency));
    }

    private static IEnumerable<NotMadeView> NotMade(Day day)
    {
        foreach (var flower in day.Chosen)
        {
            bool IsMade(BlockKind kind) => day.Blocks.Any(block => block.Kind == kind && block.FlowerIds.Contains(flower.FlowerId));
            foreach (var (kind, isPlanned) in new[] { (BlockKind.Ombre, flower.Ombre is not null), (BlockKind.Marble, flower.Marble is not null) })
            {
                if (isPlanned && !IsMade(kind))
                    yield return new NotMadeView(flower.FlowerId, day.Flowers.First(one => one.Id == flower.FlowerId).Name, kind);
            }
        }
    }

    private static async Task<IResult> ShoppingCsv(
        Guid[] commissionId, CurrentStudio studio, CommissionStore commissions, PieceStore pieces, PastePlanStore plans, CabinetStore cabinet, CancellationToken cancel)
    {
        var day = await LoadAsync(commissionId, studio, commissions, pieces, plans, cabinet, cancel);
        return Downloads.Csv(ShoppingTable.WriteCsv(day.Shopping, day.Materials, day.Studio.Currency), "shopping.csv");
    }

    private static async Task<Day> LoadAsync(
        Guid[] commissionIds, CurrentStudio studio, CommissionStore commissions, PieceStore pieces, PastePlanStore plans, CabinetStore cabinet, CancellationToken cancel)
    {
        var current = await studio.GetAsync(cancel);
        var (all, flowers) = await commissions.ListAsync(current.Id, cancel);
        var works = (await pieces.ListAsync(current.Id, null, cancel)).ToLookup(piece => piece.FlowerId, PasteWorks.Of);
        var ombres = (await plans.ListAsync<OmbrePlan>(current.Id, null, cancel)).ToDictionary(kept => kept.FlowerId, kept => kept.Plan);
        var marbles = (await plans.ListAsync<MarblePlan>(current.Id, null, cancel)).ToDictionary(kept => kept.FlowerId, kept => kept.Plan);
        FlowerPaste[] pastes = [.. flowers.Select(flower => new FlowerPaste(
            flower.Id, flower.CommissionId, [.. works[flower.Id]], ombres.GetValueOrDefault(flower.Id), marbles.GetValueOrDefault(flower.Id)))];
        FlowerPaste[] chosen = [.. pastes.Where(flower => commissionIds.Length == 0 || commissionIds.Contains(flower.CommissionId))];
        return new Day(current, await cabinet.LoadAsync(current.Id, cancel), all, flowers, chosen, pastes);
    }

    private static IEnumerable<LetDownView> LetDownsOf(PasteBlock block, Dictionary<string, Tick> done)
    {
        IEnumerable<DosedRecipe?> batches = [block.Batch, .. block.Parts.Select(part => part.Batch), .. block.Way?.Steps.Select(step => step.Batch) ?? []];
        foreach (var (place, batch) in batches.Index())
        {
            foreach (var colour in batch?.Colours ?? [])
            {
                if (colour.LetDown is not { } letDown)
                    continue;
                var key = $"letDown:{block.Key}:{place}:{colour.ColourantId}";
                var fingerprint = Fingerprint.Of(letDown);
                var tick = done.GetValueOrDefault(key);
                yield return new LetDownView(key, block.Key, colour.ColourantId, letDown, fingerprint, tick?.TickedAt, tick is not null && tick.Fingerprint != fingerprint);
            }
        }
    }

    private static PieceLine Line(PlannedWork work, Materials materials)
    {
        var quantity = PasteQuantity.For(work.Piece, work.Parts);
        return new PieceLine(
            work.PieceId, work.Piece.Name, work.Piece.Needed(work.Parts), quantity.Pieces, quantity.PieceG, quantity.BallMm,
            work.Piece.Solid, quantity.BatchG,
            materials.HasAllOf(work.Plan.Paste) ? WireAdvice.For(work.Piece, work.Plan.Paste, materials) : null);
    }

    private static BlockView View(PasteBlock block, Tick? tick, Materials materials)
    {
        PartView[] parts = block.Recipe is { } recipe
            ? [new PartView(recipe, block.TotalG, BatchView.From(block.Batch!), ColourView.From(block.Colour))]
            : [.. block.Parts.Select(part => new PartView(part.Recipe, part.Grams, BatchView.From(part.Batch), ColourView.From(part.Colour)))];
        var view = new BlockView(
            block.Key, block.Kind, block.CommissionId, block.FlowerIds, ColourView.From(block.Colour), PasteDaySheet.FamilyOf(block.Colour), block.TotalG, block.RestHours,
            block.Uses, parts, block.Way is { } way ? OmbreWayView.From(way, materials) : null, block.Marble, block.ThicknessMm, "", null, false);
        var fingerprint = Fingerprint.Of(view);
        return view with { Fingerprint = fingerprint, TickedAt = tick?.TickedAt, ChangedSince = tick is not null && tick.Fingerprint != fingerprint };
    }

    private static async Task<IResult> Tick(string block, TickRequest request, CurrentStudio studio, PasteDayStore ticks, CancellationToken cancel)
    {
        if (request.Fingerprint.Length is < 1 or > Fingerprint.Longest || block.Length > PasteDayStore.LongestKey)
            return Trouble.NotPossible([new FieldProblem("fingerprint", "lengthOutOfRange", Fingerprint.Longest, null)]);
        await ticks.TickAsync(await studio.IdAsync(cancel), block, request.Fingerprint, cancel);
        return TypedResults.NoContent();
    }

    private static async Task<IResult> Untick(string block, CurrentStudio studio, PasteDayStore ticks, CancellationToken cancel)
    {
        await ticks.UntickAsync(await studio.IdAsync(cancel), block, cancel);
        return TypedResults.NoContent();
    }
}
