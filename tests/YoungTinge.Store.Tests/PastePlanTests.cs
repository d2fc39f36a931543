using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Marble;
using YoungTinge.Core.Ombre;
using YoungTinge.Testing;

namespace YoungTinge.Store.Tests;

/// <summary>Runs of shades, marbles, ticks of the day and numbers of flowers against a real PostgreSQL.</summary>
public sealed class PastePlanTests(DemoDatabase demo) : IClassFixture<DemoDatabase>, IAsyncLifetime
{
    private static readonly CancellationToken Cancel = CancellationToken.None;

    private Guid studioId;
    private IReadOnlyList<Flower> flowers = [];

    public async Task InitializeAsync()
    {
        await demo.ResetAsync();
        studioId = demo.StudioId;
        flowers = (await Commissions.ListAsync(studioId, Cancel)).Flowers;
    }

    public Task DisposeAsync() => Task.CompletedTask;

    private CommissionStore Commissions => new(demo.DataSource);

    private PastePlanStore Plans => new(demo.DataSource);

    private DoneStore Ticks => new(demo.DataSource);

    private Task TickAsync(string id, string fingerprint) => Ticks.TickAsync(studioId, [new DoneOperation(id, fingerprint, [])], "Odile", TestMaterials, Cancel);

    private static Materials TestMaterials { get; } = new([]);

    private Flower Named(string name) => flowers.Single(flower => flower.Name == name);

    private static OmbrePlan Ombre { get; } = new(
        new PasteRecipe("bright-white-paste", [new Dose("woad", 0.123456789012345)]), new PasteRecipe("pale-grey-paste", []),
        new MiddleShade(new PasteRecipe("soft-cream-paste", [new Dose("ember", 0.1)]), 1), [1, 2.5], [new([Guid.NewGuid()], 0), new([], 40), new([], 1.0 / 3)], 0.1, OmbreMethod.DoseEach);

    [Fact]
    public async Task A_run_comes_back_as_it_went_in_and_beside_a_marble_of_the_same_flower()
    {
        var ivy = Named("Ivy").Id;
        var marble = new MarblePlan([new(Ombre.First, 2), new(Ombre.Last, 1)], 2, 5, 0.35, [], 80, 42);
        Assert.Equal(1, await Plans.SaveAsync(studioId, new KeptPastePlan<OmbrePlan>(ivy, Ombre, 0), Cancel));
        Assert.Equal(1, await Plans.SaveAsync(studioId, new KeptPastePlan<MarblePlan>(ivy, marble, 0), Cancel));
        var ombreBack = Assert.Single(await Plans.ListAsync<OmbrePlan>(studioId, ivy, Cancel)).Plan;
        var marbleBack = Assert.Single(await Plans.ListAsync<MarblePlan>(studioId, ivy, Cancel)).Plan;
        Assert.Equivalent(Ombre, ombreBack, strict: true);
        Assert.Equivalent(marble, marbleBack, strict: true);
        Assert.True(await Plans.RemoveAsync<OmbrePlan>(studioId, ivy, Cancel));
        Assert.Empty(await Plans.ListAsync<OmbrePlan>(studioId, ivy, Cancel));
        Assert.Single(await Plans.ListAsync<MarblePlan>(studioId, ivy, Cancel));
    }

    [Fact]
    public async Task Of_two_people_the_second_is_told_and_overwrites_nothing()
    {
        var ivy = Named("Ivy").Id;
        Assert.Equal(1, await Plans.SaveAsync(studioId, new KeptPastePlan<OmbrePlan>(ivy, Ombre, 0), Cancel));
        Assert.Null(await Plans.SaveAsync(studioId, new KeptPastePlan<OmbrePlan>(ivy, Ombre with { ScaleG = 1 }, 0), Cancel));
        Assert.Equal(2, await Plans.SaveAsync(studioId, new KeptPastePlan<OmbrePlan>(ivy, Ombre with { ScaleG = 0.5 }, 1), Cancel));
        Assert.Null(await Plans.SaveAsync(studioId, new KeptPastePlan<OmbrePlan>(ivy, Ombre with { ScaleG = 1 }, 1), Cancel));
        Assert.Equal(0.5, Assert.Single(await Plans.ListAsync<OmbrePlan>(studioId, ivy, Cancel)).Plan.ScaleG);
    }

    [Fact]
    public async Task Nobody_elses_flower_gets_a_plan()
    {
        Assert.Null(await Plans.SaveAsync(Guid.NewGuid(), new KeptPastePlan<OmbrePlan>(Named("Ivy").Id, Ombre, 0), Cancel));
        Assert.Null(await Plans.SaveAsync(studioId, new KeptPastePlan<OmbrePlan>(Guid.NewGuid(), Ombre, 0), Cancel));
        Assert.Empty(await Plans.ListAsync<OmbrePlan>(Guid.NewGuid(), null, Cancel));
    }

    [Fact]
    public async Task The_demo_has_a_run_and_a_marble_that_can_be_made()
    {
        Assert.Equal(Named("Ranunculus").Id, Assert.Single(await Plans.ListAsync<OmbrePlan>(studioId, null, Cancel)).FlowerId);
        var marble = Assert.Single(await Plans.ListAsync<MarblePlan>(studioId, null, Cancel));
        Assert.Equal(Named("Clematis, moonlit").Id, marble.FlowerId);
        Assert.Equal(3, marble.Plan.Stripes.Count);
    }

    [Fact]
    public async Task What_a_marble_is_mixed_from_stays_in_the_cabinet()
    {
        var cabinet = new CabinetStore(demo.DataSource);
        var rook = new Adhesive(new Label("only-in-a-marble", "Only in a marble", "gum", FoodStatus.Edible));
        await cabinet.SaveAsync(studioId, [new MaterialChange(rook, 0)], Cancel);
        var marble = new MarblePlan([new(new PasteRecipe("bright-white-paste", [new Dose("only-in-a-marble", 1)]), 1), new(Ombre.Last, 1)], 1, 3, 0, [], 50, 1);
        await Plans.SaveAsync(studioId, new KeptPastePlan<MarblePlan>(Named("Ivy").Id, marble, 0), Cancel);
        Assert.Equal(RemoveMaterialResult.InUse, await cabinet.RemoveAsync(studioId, "only-in-a-marble", Cancel));
        await Plans.RemoveAsync<MarblePlan>(studioId, Named("Ivy").Id, Cancel);
        Assert.Equal(RemoveMaterialResult.Removed, await cabinet.RemoveAsync(studioId, "only-in-a-marble", Cancel));
    }

    [Fact]
    public async Task Ticks_of_the_day_are_renewed_and_taken_back_each_by_itself()
    {
        await TickAsync("paste:a", "one");
        await TickAsync("ombre:b", "two");
        await TickAsync("paste:a", "three");
        Assert.Equal([("ombre:b", "two"), ("paste:a", "three")], (await Ticks.ListAsync(studioId, Cancel)).Select(tick => (tick.OperationId, tick.Fingerprint!)).Order());
        await Ticks.UntickAsync(studioId, ["paste:a"], Cancel);
        Assert.Equal("ombre:b", Assert.Single(await Ticks.ListAsync(studioId, Cancel)).OperationId);
        Assert.Empty(await Ticks.ListAsync(Guid.NewGuid(), Cancel));
    }

    [Fact]
    public async Task The_number_of_flowers_is_changed_over_the_one_that_was_seen()
    {
        var hellebore = Named("Hellebore");
        Assert.Equal(2, await Commissions.SaveFlowerAsync(studioId, hellebore with { Flowers = 12, Buds = 0 }, Cancel));
        Assert.Null(await Commissions.SaveFlowerAsync(studioId, hellebore with { Flowers = 20, Buds = 5 }, Cancel));
        Assert.Null(await Commissions.SaveFlowerAsync(Guid.NewGuid(), hellebore with { Flowers = 20, Version = 2 }, Cancel));
        var now = (await Commissions.FindFlowerAsync(studioId, hellebore.Id, Cancel))!.Value.Flower;
        Assert.Equal((12, 0), (now.Flowers, now.Buds));
        // Pieces follow: twelve flowers of five sepals, and no buds at all.
        var parts = (await new PieceStore(demo.DataSource).ListAsync(studioId, hellebore.Id, Cancel)).ToDictionary(piece => piece.Piece.Name, piece => piece.Parts);
        Assert.Equal((12, 0), (parts["Sepals"], parts["Bud"]));
    }
}
