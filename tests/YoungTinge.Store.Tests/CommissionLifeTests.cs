using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Ombre;
using YoungTinge.Core.Work;
using YoungTinge.Testing;

namespace YoungTinge.Store.Tests;

/// <summary>Commissions are made, copied and taken out; what was learned and mixed for them outlives them.</summary>
public sealed class CommissionLifeTests(DemoDatabase demo) : IClassFixture<DemoDatabase>, IAsyncLifetime
{
    private static readonly CancellationToken Cancel = CancellationToken.None;

    private readonly DateTimeOffset now = DateTimeOffset.UtcNow;
    private Guid studioId;

    public async Task InitializeAsync()
    {
        await demo.ResetAsync();
        studioId = demo.StudioId;
    }

    public Task DisposeAsync() => Task.CompletedTask;

    private CommissionStore Commissions => new(demo.DataSource);

    private PieceStore Pieces => new(demo.DataSource);

    private BinStore Bin => new(demo.DataSource);

    private async Task<Flower> FlowerAsync(string name) => (await Commissions.ListAsync(studioId, Cancel)).Flowers.First(flower => flower.Name == name);

    private async Task<int> CountAsync() => (await Pieces.ListAsync(studioId, null, Cancel)).Count;

    [Theory]
    [InlineData(BinKind.Commission)]
    [InlineData(BinKind.Flower)]
    [InlineData(BinKind.Piece)]
    public async Task What_is_taken_out_is_gone_from_every_list_and_comes_back_whole_within_thirty_days(BinKind kind)
    {
        var flower = await FlowerAsync("Hellebore");
        var piece = (await Pieces.ListAsync(studioId, flower.Id, Cancel))[0];
        var id = kind switch { BinKind.Commission => flower.CommissionId, BinKind.Flower => flower.Id, _ => piece.Id };
        var (commissions, flowers) = await Commissions.ListAsync(studioId, Cancel);
        var pieces = await CountAsync();
        Assert.False(await Bin.PutInAsync(Guid.NewGuid(), kind, id, now, Cancel));
        Assert.True(await Bin.PutInAsync(studioId, kind, id, now, Cancel));
        Assert.False(await Bin.PutInAsync(studioId, kind, id, now, Cancel));

        Assert.Null(await Pieces.FindAsync(studioId, piece.Id, Cancel));
        Assert.Equal(kind == BinKind.Piece, await Commissions.FindFlowerAsync(studioId, flower.Id, Cancel) is not null);
        Assert.True(await CountAsync() < pieces);
        Assert.IsType<SavePlanResult.Missing>(await Pieces.SavePlanAsync(studioId, piece.Id, piece.Version, piece.Plan, keepsPaste: false, Cancel) is var saved && kind == BinKind.Piece ? saved : new SavePlanResult.Missing());
        // A jar that only this uses is not thrown away while it can come back.
        Assert.Equal(RemoveMaterialResult.InUse, await new CabinetStore(demo.DataSource).RemoveAsync(studioId, piece.Plan.Paste.Doses[0].ColourantId, Cancel));

        Assert.Equal((kind, id), Assert.Single((await Bin.ListAsync(studioId, now.AddDays(29), Cancel)).Select(entry => (entry.Kind, entry.Id))));
        Assert.Empty(await Bin.ListAsync(studioId, now.AddDays(31), Cancel));
        Assert.False(await Bin.GiveBackAsync(studioId, id, now.AddDays(31), Cancel));
        Assert.True(await Bin.GiveBackAsync(studioId, id, now.AddDays(29), Cancel));
        var (after, flowersAfter) = await Commissions.ListAsync(studioId, Cancel);
        Assert.Equal(commissions.Select(one => one.Id), after.Select(one => one.Id));
        Assert.Equal(flowers, flowersAfter);
        Assert.Equal(pieces, await CountAsync());
        Assert.Empty(await Bin.ListAsync(studioId, now, Cancel));
    }

    [Fact]
    public async Task What_was_logged_and_mixed_outlives_its_commission()
    {
        var logbook = new LogbookStore(demo.DataSource);
        var flower = await FlowerAsync("Hellebore");
        var entries = await logbook.ListAsync(studioId, null, 100, Cancel);
        var batches = await new BatchStore(demo.DataSource).ListAsync(studioId, 100, Cancel);
        Assert.Contains(entries, entry => entry.FlowerId == flower.Id);
        await Bin.PutInAsync(studioId, BinKind.Commission, flower.CommissionId, now.AddDays(-40), Cancel);
        var binned = await logbook.ListAsync(studioId, null, 100, Cancel);
        Assert.Equal(entries.Select(entry => (entry.Entry.Id, entry.PieceName, entry.FlowerName, entry.CommissionName)), binned.Select(entry => (entry.Entry.Id, entry.PieceName, entry.FlowerName, entry.CommissionName)));
        Assert.DoesNotContain(binned, entry => entry.FlowerId == flower.Id);
        // Something else is taken out much later: what has lain there for more than thirty days is gone for good.
        await Bin.PutInAsync(studioId, BinKind.Flower, (await FlowerAsync("Astrantia")).Id, now, Cancel);
        Assert.Equal(0L, await ScalarAsync("select count(*) from commission where name = 'Lantern Pier winter supper'"));
        var after = await logbook.ListAsync(studioId, null, 100, Cancel);
        Assert.Equal(entries.Select(entry => (entry.Entry.Id, entry.FlowerName, entry.CommissionName)), after.Select(entry => (entry.Entry.Id, entry.FlowerName, entry.CommissionName)));
        Assert.All(after.Where(entry => entry.CommissionName.StartsWith("Lantern", StringComparison.Ordinal)), entry => Assert.Null(entry.Entry.PieceId));
        var batchesAfter = await new BatchStore(demo.DataSource).ListAsync(studioId, 100, Cancel);
        Assert.Equal(batches.Select(batch => (batch.Id, batch.CommissionName)), batchesAfter.Select(batch => (batch.Id, batch.CommissionName)));
        // And can still be used up.
        var left = batchesAfter.First(batch => batch.CommissionId is null);
        Assert.IsType<SaveBatchResult.Saved>(await new BatchStore(demo.DataSource).SaveAsync(studioId, left with { Note = "Gone into the ivy." }, Cancel));
    }

    [Fact]
    public async Task A_copied_commission_is_put_together_and_wired_as_the_first()
    {
        var commissions = new CommissionStore(demo.DataSource);
        var flower = await FlowerAsync("Ranunculus");
        var pieces = await Pieces.ListAsync(studioId, flower.Id, Cancel);
        PieceOfFlower[] parts = [.. pieces.Select(piece => new PieceOfFlower(piece.Id, piece.Piece, piece.Parts))];
        var assembly = HouseAssembly.For(flower.Id, parts) with { GroupOf = 3 };
        var spray = HouseSpray.For([.. SprayStock.Of(flower.Id, parts)]) with { Sprays = 1 };
        Assert.NotNull(await commissions.SaveAssemblyAsync(studioId, flower.Id, flower.Version, assembly, Cancel));
        var commission = (await commissions.FindAsync(studioId, flower.CommissionId, Cancel))!;
        Assert.NotNull(await commissions.SaveSprayAsync(studioId, commission.Id, commission.Version, spray, Cancel));
        Assert.Null(await commissions.SaveSprayAsync(studioId, commission.Id, commission.Version, null, Cancel));

        var (newId, copyId) = (Guid.NewGuid(), Guid.NewGuid());
        var copy = new FlowerCopy(flower.Id, flower with { Id = copyId, CommissionId = newId }, [.. pieces.Select(piece => (piece.Id, Guid.NewGuid(), piece.Piece, piece.Plan))], WithPastePlans: true);
        Assert.True(await new CopyStore(demo.DataSource).CopyAsync(studioId, (newId, commission.Details with { Name = "Again" }), commission.Id, [copy], Cancel));
        var copied = await Pieces.ListAsync(studioId, copyId, Cancel);
        var (all, flowers) = await commissions.ListAsync(studioId, Cancel);
        var its = flowers.Single(one => one.Id == copyId).Assembly!;
        PieceOfFlower[] own = [.. copied.Select(piece => new PieceOfFlower(piece.Id, piece.Piece, piece.Parts))];
        Assert.Empty(AssemblyCheck.Problems(its, own));
        Assert.Equal((3, assembly.Stages.Count), (its.GroupOf!.Value, its.Stages.Count));
        var wired = all.Single(one => one.Id == newId).Spray!;
        Assert.Empty(SprayCheck.Problems(wired, [.. SprayStock.Of(copyId, own)]));
        Assert.Equal(spray.Items.Select(item => (item.Part, item.Count, item.DistanceMm)), wired.Items.Select(item => (item.Part, item.Count, item.DistanceMm)));
    }

    [Fact]
    public async Task A_copy_has_pieces_and_runs_of_its_own()
    {
        var flower = await FlowerAsync("Ranunculus");
        var pieces = await Pieces.ListAsync(studioId, flower.Id, Cancel);
        var copy = new FlowerCopy(flower.Id, flower with { Id = Guid.NewGuid(), Name = "Ranunculus, paler" }, [.. pieces.Select(piece => (piece.Id, Guid.NewGuid(), piece.Piece, piece.Plan))], WithPastePlans: true);
        Assert.True(await new CopyStore(demo.DataSource).CopyAsync(studioId, null, null, [copy], Cancel));
        var copied = await Pieces.ListAsync(studioId, copy.Flower.Id, Cancel);
        Assert.Equal(pieces.Select(piece => piece.Piece), copied.Select(piece => piece.Piece));
        Assert.Empty(copied.Select(piece => piece.Id).Intersect(pieces.Select(piece => piece.Id)));
        var plans = await new PastePlanStore(demo.DataSource).ListAsync<OmbrePlan>(studioId, null, Cancel);
        var (old, its) = (plans.Single(plan => plan.FlowerId == flower.Id).Plan, plans.Single(plan => plan.FlowerId == copy.Flower.Id).Plan);
        Assert.Equal(old.GramsFor([.. pieces.Select(Work)]), its.GramsFor([.. copied.Select(Work)]));
        Assert.All(its.NamedPieces(), named => Assert.Contains(copied, piece => piece.Id == named.PieceId));
        Assert.False(await new CopyStore(demo.DataSource).CopyAsync(studioId, null, null, [copy with { Flower = copy.Flower with { Id = Guid.NewGuid(), CommissionId = Guid.NewGuid() }, Pieces = [] }], Cancel));

        static PlannedWork Work(PlannedPiece piece) => new(piece.Id, piece.Piece, piece.Parts, piece.Plan);
    }

    [Fact]
    public async Task A_tick_takes_from_the_cabinet_once_and_puts_back_what_it_took()
    {
        var cabinet = new CabinetStore(demo.DataSource);
        var materials = await cabinet.LoadAsync(studioId, Cancel);
        async Task<double?> StockAsync(string id) => (await cabinet.LoadAsync(studioId, Cancel)).Find(id)!.Supply is var supply ? supply.StockG ?? supply.StockMl ?? supply.StockPieces : null;
        var (dust, glaze, runsShort) = (await StockAsync("nettle"), await StockAsync("satin-veil"), await StockAsync("harts-tongue"));
        var ticks = new DoneStore(demo.DataSource);
        Task Tick(string fingerprint, params MaterialTake[] takes) => ticks.TickAsync(studioId, [new DoneOperation("some-step", fingerprint, takes)], "Odile", materials, Cancel);
        MaterialTake[] takes = [new("nettle", 1.5), new("satin-veil", 2), new("harts-tongue", 50), new("gone", 3)];
        await Tick("one", takes);
        Assert.Equal((dust - 1.5, glaze - 2, 0), (await StockAsync("nettle"), await StockAsync("satin-veil"), await StockAsync("harts-tongue")));
        // Its answer was lost and it is sent again; then the plan has changed, and it takes what it takes now.
        await Tick("one", takes);
        Assert.Equal(dust - 1.5, await StockAsync("nettle"));
        await Tick("two", new MaterialTake("nettle", 0.5));
        Assert.Equal((dust - 0.5, glaze, runsShort), (await StockAsync("nettle"), await StockAsync("satin-veil"), await StockAsync("harts-tongue")));
        await ticks.UntickAsync(studioId, ["some-step"], Cancel);
        await ticks.UntickAsync(studioId, ["some-step"], Cancel);
        Assert.Equal((dust, glaze, runsShort), (await StockAsync("nettle"), await StockAsync("satin-veil"), await StockAsync("harts-tongue")));
    }

    /// <summary>An earlier build's run sheet weighed it already; the tub is the poorer for it once.</summary>
    [Fact]
    public async Task A_paste_that_was_weighed_on_a_run_sheet_before_is_taken_once()
    {
        var cabinet = new CabinetStore(demo.DataSource);
        var materials = await cabinet.LoadAsync(studioId, Cancel);
        async Task<double> WhiteAsync() => (await cabinet.LoadAsync(studioId, Cancel)).Find("bright-white-paste")!.Supply.StockG!.Value;
        var before = await WhiteAsync();
        var piece = (await Pieces.ListAsync(studioId, (await FlowerAsync("Hellebore")).Id, Cancel))[0];
        await using (var command = demo.Owner.CreateCommand($"""
            insert into stock_use (studio_id, tick_key, material_id, measure, amount) values ('{studioId}', 'piece:{piece.Id}:paste', 'bright-white-paste', 'g', 80);
            update material set stock_g = stock_g - 80 where id = 'bright-white-paste'
            """))
            await command.ExecuteNonQueryAsync(Cancel);
        var ticks = new DoneStore(demo.DataSource);
        var made = new Batch(Guid.NewGuid(), null, "White", new PasteRecipe("bright-white-paste", []), 85, new Lab(90, 0, 0), null, "", 0) { Made = new Making(DateTimeOffset.UtcNow, new PasteRecipe("bright-white-paste", []), 85, 85, ""), Block = new BlockPlace("paste:x", 0) };
        await ticks.TickAsync(studioId, [new DoneOperation("paste:x", "f", [new("bright-white-paste", 85)]) { Makes = [made], PieceIds = [piece.Id] }], "Odile", materials, Cancel);
        Assert.Equal(before - 85, await WhiteAsync(), 1e-9);
        await ticks.UntickAsync(studioId, ["paste:x"], Cancel);
        Assert.Equal(before - 80, await WhiteAsync(), 1e-9);
    }

    private async Task<object?> ScalarAsync(string sql)
    {
        await using var command = demo.DataSource.CreateCommand(sql);
        return await command.ExecuteScalarAsync(Cancel);
    }
}
