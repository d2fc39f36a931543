using Npgsql;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Mixing;
using YoungTinge.Testing;

namespace YoungTinge.Store.Tests;

/// <summary>What becomes of a batch on paste day, and of the leftovers that go into it.</summary>
public sealed class BatchLifeTests(DemoDatabase demo) : IClassFixture<DemoDatabase>, IAsyncLifetime
{
    private static readonly CancellationToken Cancel = CancellationToken.None;
    private static readonly Materials None = new([]);
    private static readonly DateTimeOffset Morning = new(2031, 5, 4, 8, 0, 0, TimeSpan.Zero);
    private static readonly PasteRecipe Rose = new("bright-white-paste", [new Dose("rowan", 0.3)]);
    private Guid studioId;
    private Guid commissionId;

    public async Task InitializeAsync()
    {
        await demo.ResetAsync();
        studioId = demo.StudioId;
        commissionId = (await new CommissionStore(demo.DataSource).ListAsync(studioId, Cancel)).Commissions[0].Id;
    }

    public Task DisposeAsync() => Task.CompletedTask;

    private BatchStore Batches => new(demo.DataSource);

    private DoneStore Ticks => new(demo.DataSource);

    private LeftoverStore Leftovers => new(demo.DataSource);

    private Task MixedAsync(string fingerprint, double leftoverG, params Batch[] makes) => Ticks.TickAsync(
        studioId, [new DoneOperation("paste:x", fingerprint, []) { Makes = makes, LeftoverG = leftoverG }], "Odile", None, Cancel);

    private Batch Mixed(string name, double leftG, BlockPlace? block = null) =>
        new(Guid.NewGuid(), commissionId, name, Rose, 80, new Lab(60, 30, 10), null, "", 0) { Made = new Making(Morning, Rose, 80, leftG, "Tin 4"), Block = block };

    private async Task<Batch?> FindAsync(Guid id) => (await Batches.ListAsync(studioId, 500, Cancel)).SingleOrDefault(batch => batch.Id == id);

    private async Task<double> LeftOfAsync(Guid id) => (await FindAsync(id))!.Made!.LeftG;

    [Fact]
    public async Task What_really_went_in_and_where_it_lies_come_back_as_they_went_in()
    {
        var planned = Mixed("Rose", 0) with { Made = null };
        Assert.Equal(new SaveBatchResult.Saved(1), await Batches.SaveAsync(studioId, planned, Cancel));
        Assert.Null((await FindAsync(planned.Id))!.Made);
        var made = new Making(Morning, new PasteRecipe("soft-cream-paste", [new Dose("rowan", 1.0 / 3), new Dose("ember", 0.02)]), 79.5, 12.25, "Tin 4, wrapped");
        Assert.Equal(new SaveBatchResult.Saved(2), await Batches.SaveAsync(studioId, planned with { Version = 1, Made = made }, Cancel));
        var back = (await FindAsync(planned.Id))!.Made!;
        Assert.Equal(made with { Recipe = back.Recipe }, back);
        Assert.Equal(made.Recipe.Doses, back.Recipe.Doses);
        // More left than was made cannot be.
        await Assert.ThrowsAsync<PostgresException>(() => Batches.SaveAsync(studioId, planned with { Version = 2, Made = made with { LeftG = 80 } }, Cancel));
    }

    [Fact]
    public async Task What_went_into_a_batch_stays_in_the_cabinet()
    {
        var cabinet = new CabinetStore(demo.DataSource);
        await cabinet.SaveAsync(studioId, [new MaterialChange(new Adhesive(new Label("by-mistake", "By mistake", "gum", FoodStatus.Edible)), 0)], Cancel);
        var batch = Mixed("Rose", 10);
        await Batches.SaveAsync(studioId, batch with { Made = batch.Made! with { Recipe = Rose.With(new Dose("by-mistake", 0.1)) } }, Cancel);
        Assert.Equal(RemoveMaterialResult.InUse, await cabinet.RemoveAsync(studioId, "by-mistake", Cancel));
    }

    [Fact]
    public async Task A_paste_that_is_ticked_is_a_batch_once_and_none_again_when_the_tick_is_taken_back()
    {
        var batch = Mixed("Rose", 80, new BlockPlace("paste:x", 0));
        await MixedAsync("one", 0, batch);
        // The answer was lost, and the tick is sent again: it has another id for the same batch.
        await MixedAsync("two", 0, batch with { Id = Guid.NewGuid() });
        Assert.Equal(batch.Id, Assert.Single(await Batches.ListAsync(studioId, 500, Cancel), one => one.Block is not null).Id);
        Assert.Equal("two", Assert.Single(await Ticks.ListAsync(studioId, Cancel)).Fingerprint);
        await Ticks.UntickAsync(studioId, ["paste:x"], Cancel);
        Assert.Null(await FindAsync(batch.Id));
        Assert.Empty(await Ticks.ListAsync(studioId, Cancel));
    }

    [Fact]
    public async Task A_batch_that_was_read_outlives_its_tick()
    {
        var batch = Mixed("Rose", 80, new BlockPlace("paste:x", 0));
        await MixedAsync("one", 0, batch);
        await Batches.SaveAsync(studioId, batch with { Version = 1, Measured = new Lab(61, 29, 10) }, Cancel);
        await Ticks.UntickAsync(studioId, ["paste:x"], Cancel);
        Assert.NotNull(await FindAsync(batch.Id));
        // And when it is ticked again, that is still the batch of it.
        await MixedAsync("one", 0, batch with { Id = Guid.NewGuid() });
        Assert.Equal(batch.Id, Assert.Single(await Batches.ListAsync(studioId, 500, Cancel), one => one.Block is not null).Id);
    }

    [Fact]
    public async Task A_leftover_is_less_when_its_paste_is_mixed_and_more_again_when_that_is_taken_back()
    {
        var left = Mixed("Rose", 30);
        await Batches.SaveAsync(studioId, left, Cancel);
        Assert.True(await Leftovers.UseAsync(studioId, "paste:x", left.Id, Cancel));
        Assert.Equal(new ChosenLeftover("paste:x", left.Id, null), Assert.Single(await Leftovers.ListAsync(studioId, Cancel)));
        Assert.Equal(30, await LeftOfAsync(left.Id));
        for (var sent = 0; sent < 2; sent++)
            await MixedAsync("one", 18, Mixed("Rose", 80, new BlockPlace("paste:x", 0)));
        Assert.Equal(12, await LeftOfAsync(left.Id));
        // It is in the paste now: nothing is changed by thinking otherwise.
        await Leftovers.LeaveAsync(studioId, "paste:x", Cancel);
        Assert.False(await Leftovers.UseAsync(studioId, "paste:x", left.Id, Cancel));
        Assert.Equal(18, Assert.Single(await Leftovers.ListAsync(studioId, Cancel)).UsedG);
        for (var sent = 0; sent < 2; sent++)
            await Ticks.UntickAsync(studioId, ["paste:x"], Cancel);
        Assert.Equal(30, await LeftOfAsync(left.Id));
        await Leftovers.LeaveAsync(studioId, "paste:x", Cancel);
        Assert.Empty(await Leftovers.ListAsync(studioId, Cancel));
    }

    [Fact]
    public async Task No_more_of_a_leftover_goes_than_there_is_and_none_of_another_studios()
    {
        var left = Mixed("Rose", 10);
        await Batches.SaveAsync(studioId, left, Cancel);
        Assert.False(await Leftovers.UseAsync(Guid.NewGuid(), "paste:x", left.Id, Cancel));
        Assert.False(await Leftovers.UseAsync(studioId, "paste:x", Guid.NewGuid(), Cancel));
        await Leftovers.UseAsync(studioId, "paste:x", left.Id, Cancel);
        await MixedAsync("one", 25, Mixed("Rose", 80, new BlockPlace("paste:x", 0)));
        Assert.Equal(0, await LeftOfAsync(left.Id));
        await Ticks.UntickAsync(studioId, ["paste:x"], Cancel);
        Assert.Equal(10, await LeftOfAsync(left.Id));
        Assert.True(await Batches.RemoveAsync(studioId, left.Id, Cancel));
        Assert.Empty(await Leftovers.ListAsync(studioId, Cancel));
    }

    [Fact]
    public async Task What_is_shaped_from_a_batch_takes_from_it_once_and_gives_it_back()
    {
        var left = Mixed("Rose", 30);
        await Batches.SaveAsync(studioId, left, Cancel);
        var operation = new DoneOperation($"piece:{Guid.NewGuid()}:batch", "one", []) { FromBatch = (left.Id, 18) };
        for (var sent = 0; sent < 2; sent++)
            await Ticks.TickAsync(studioId, [operation], "Odile", None, Cancel);
        Assert.Equal(12, await LeftOfAsync(left.Id));
        for (var sent = 0; sent < 2; sent++)
            await Ticks.UntickAsync(studioId, [operation.Id], Cancel);
        Assert.Equal(30, await LeftOfAsync(left.Id));
        Assert.Empty(await Leftovers.ListAsync(studioId, Cancel));
        // No more goes than there is.
        await Ticks.TickAsync(studioId, [operation with { FromBatch = (left.Id, 50) }], "Odile", None, Cancel);
        Assert.Equal(0, await LeftOfAsync(left.Id));
    }

    [Fact]
    public async Task The_studio_and_how_it_measures_are_changed_over_what_was_seen()
    {
        var studios = new StudioStore(demo.DataSource);
        var ounces = new Measuring(Measures.Imperial, 0.01, 1.25);
        var changed = (await studios.ListAsync(Cancel))[0] with { Name = "Marsh Room", Maker = "", Currency = "DKK", TimeZone = "Europe/Copenhagen", Measuring = ounces };
        Assert.True(await studios.SaveAsync(changed, Cancel));
        Assert.False(await studios.SaveAsync(changed with { Name = "Too late" }, Cancel));
        Assert.Equal(changed with { Version = 2 }, (await studios.ListAsync(Cancel))[0]);
        Assert.Equal(0.01, (await new CabinetStore(demo.DataSource).LoadAsync(studioId, Cancel)).ScaleG);
    }

    [Fact]
    public async Task Spares_are_changed_over_what_was_seen()
    {
        var pieces = new PieceStore(demo.DataSource);
        var sepals = (await pieces.ListAsync(studioId, null, Cancel)).First(piece => piece.Piece.Name == "Sepals");
        Assert.Equal(2, await pieces.SaveSparesAsync(studioId, sepals.Id, 1, 0.5, Cancel));
        Assert.Null(await pieces.SaveSparesAsync(studioId, sepals.Id, 1, 0.6, Cancel));
        Assert.Null(await pieces.SaveSparesAsync(Guid.NewGuid(), sepals.Id, 2, 0.6, Cancel));
        Assert.Equal(0.5, (await pieces.FindAsync(studioId, sepals.Id, Cancel))!.Piece.SpareShare);
    }
}
