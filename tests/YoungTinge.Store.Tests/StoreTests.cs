using System.Text.Json;
using Npgsql;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Store.Demo;
using YoungTinge.Testing;

namespace YoungTinge.Store.Tests;

/// <summary>The store against a real PostgreSQL.</summary>
public sealed class StoreTests(DemoDatabaseAlone demo) : IClassFixture<DemoDatabaseAlone>, IAsyncLifetime
{
    private static readonly CancellationToken Cancel = CancellationToken.None;

    private Guid studioId;

    public async Task InitializeAsync()
    {
        await demo.ResetAsync();
        studioId = demo.StudioId;
    }

    public Task DisposeAsync() => Task.CompletedTask;

    private PieceStore Pieces => new(demo.DataSource);

    private async Task<PlannedPiece> SepalsAsync() =>
        (await Pieces.ListAsync(studioId, null, Cancel)).Single(piece => piece.Piece.Name == "Sepals");

    [Fact]
    public async Task Migrating_again_changes_nothing()
    {
        Schema.Migrate(demo.OwnerConnection);
        var (commissions, flowers) = await new CommissionStore(demo.DataSource).ListAsync(studioId, Cancel);
        Assert.Equal(["Lantern Pier winter supper", "Tidewrack moon wedding", "Harbour school fete"], commissions.Select(c => c.Name));
        Assert.Equal(6, flowers.Count);
    }

    [Fact]
    public async Task The_cabinet_comes_back_as_it_went_in()
    {
        static IEnumerable<string> Written(Materials materials) => materials.All.Select(material => JsonSerializer.Serialize(MaterialRecord.Of(material), PlanJson.Options));
        var store = new CabinetStore(demo.DataSource);
        Assert.Equal(Written(DemoSupplies.Stock(StarterCabinet.Load())), Written(await store.ListedAsync(studioId, Cancel)));
    }

    [Fact]
    public async Task A_material_is_written_over_the_version_it_was_made_from_or_not_at_all()
    {
        var store = new CabinetStore(demo.DataSource);
        var rowan = (await store.ListAsync(studioId, Cancel)).Single(kept => kept.Material.Id == "rowan");
        var renamed = rowan.Material with { Label = rowan.Material.Label with { Name = "Rowan, new pot" }, Supply = rowan.Material.Supply with { Lot = "B 7" } };
        Assert.IsType<SaveMaterialsResult.Saved>(await store.SaveAsync(studioId, [new MaterialChange(renamed, rowan.Version)], Cancel));
        Assert.Equal(new SaveMaterialsResult.Changed("rowan"), await store.SaveAsync(studioId, [new MaterialChange(rowan.Material, rowan.Version)], Cancel));
        // A new one with the id of one that is there is no change of it.
        Assert.Equal(new SaveMaterialsResult.Changed("rowan"), await store.SaveAsync(studioId, [new MaterialChange(rowan.Material, 0)], Cancel));
        var after = (await store.ListAsync(studioId, Cancel)).Single(kept => kept.Material.Id == "rowan");
        Assert.Equal((rowan.Version + 1, "Rowan, new pot", "B 7"), (after.Version, after.Material.Label.Name, after.Material.Supply.Lot));
    }

    [Fact]
    public async Task Of_many_materials_all_are_written_or_none()
    {
        var store = new CabinetStore(demo.DataSource);
        var glue = new Adhesive(new Label("flower-glue", "Flower glue", "gum", FoodStatus.Edible));
        var twin = new Adhesive(new Label("flower-glue-2", "Flower glue", "gum", FoodStatus.Edible));
        Assert.Equal(
            new SaveMaterialsResult.NameTaken("Flower glue"),
            await store.SaveAsync(studioId, [new MaterialChange(glue, 0), new MaterialChange(twin, 0)], Cancel));
        Assert.DoesNotContain((await store.LoadAsync(studioId, Cancel)).All, material => material.Id == "flower-glue");
    }

    [Fact]
    public async Task Nothing_is_removed_that_a_plan_or_a_batch_names()
    {
        var store = new CabinetStore(demo.DataSource);
        Assert.Equal(RemoveMaterialResult.InUse, await store.RemoveAsync(studioId, "wine-lees", Cancel));
        // Only in a kept batch.
        Assert.Equal(RemoveMaterialResult.InUse, await store.RemoveAsync(studioId, "sloe", Cancel));
        Assert.Equal(RemoveMaterialResult.Removed, await store.RemoveAsync(studioId, "edible-glue", Cancel));
        Assert.Equal(RemoveMaterialResult.Missing, await store.RemoveAsync(studioId, "edible-glue", Cancel));
        Assert.Equal(RemoveMaterialResult.Missing, await store.RemoveAsync(Guid.NewGuid(), "fresh-egg-white", Cancel));
    }

    [Fact]
    public async Task A_batch_is_kept_once_and_never_overwritten_unseen()
    {
        var store = new BatchStore(demo.DataSource);
        var (commissions, _) = await new CommissionStore(demo.DataSource).ListAsync(studioId, Cancel);
        var recipe = new PasteRecipe("bright-white-paste", [new Dose("rowan", 0.3)]);
        var batch = new Batch(Guid.NewGuid(), commissions[0].Id, "Dusty wine", recipe, 180, new Lab(44, 25, 5), null, "", 0);
        Assert.Equal(new SaveBatchResult.Saved(1), await store.SaveAsync(studioId, batch, Cancel));
        // Sent again after a lost answer.
        Assert.Equal(new SaveBatchResult.Saved(1), await store.SaveAsync(studioId, batch, Cancel));
        var read = batch with { Version = 1, Measured = new Lab(45, 24, 5.5), Note = "A hair pale." };
        Assert.Equal(new SaveBatchResult.Saved(2), await store.SaveAsync(studioId, read, Cancel));
        Assert.Equal(new SaveBatchResult.Changed(), await store.SaveAsync(studioId, read with { Name = "Another" }, Cancel));
        var kept = (await store.ListAsync(studioId, 100, Cancel)).Single(other => other.Id == batch.Id);
        Assert.Equal(read with { Version = 2, Recipe = kept.Recipe, CommissionName = commissions[0].Name }, kept);
        Assert.Equal(recipe.Doses, kept.Recipe.Doses);

        Assert.Equal(new SaveBatchResult.Missing(), await store.SaveAsync(studioId, batch with { Id = Guid.NewGuid(), CommissionId = Guid.NewGuid() }, Cancel));
        Assert.Equal(new SaveBatchResult.Missing(), await store.SaveAsync(studioId, batch with { Id = Guid.NewGuid(), Version = 3 }, Cancel));
        // Another studio sees and touches nothing of it.
        Assert.Equal(new SaveBatchResult.Missing(), await store.SaveAsync(Guid.NewGuid(), kept, Cancel));
        Assert.False(await store.RemoveAsync(Guid.NewGuid(), batch.Id, Cancel));
        Assert.True(await store.RemoveAsync(studioId, batch.Id, Cancel));
        Assert.DoesNotContain(await store.ListAsync(studioId, 100, Cancel), other => other.Id == batch.Id);
    }

    [Fact]
    public async Task A_saved_plan_is_there_after_a_restart_of_the_database()
    {
        var piece = await SepalsAsync();
        var plan = piece.Plan with { PasteTarget = new Lab(88, -4, 12), Coats = [.. piece.Plan.Coats.Skip(1)] };
        var saved = Assert.IsType<SavePlanResult.Saved>(await Pieces.SavePlanAsync(studioId, piece.Id, piece.Version, plan, keepsPaste: false, Cancel));
        Assert.Equal(piece.Version + 1, saved.Version);

        await demo.Cluster.StopAsync();
        await demo.Cluster.RestartAsync();
        demo.DataSource.Clear();

        var again = await SepalsAsync();
        Assert.Equal(saved.Version, again.Version);
        Assert.Equal(plan.PasteTarget, again.Plan.PasteTarget);
        Assert.Equal(plan.Targets.OrderBy(t => t.Key), again.Plan.Targets.OrderBy(t => t.Key));
        Assert.Equal(plan.Coats.Select(coat => coat.Id), again.Plan.Coats.Select(coat => coat.Id));
    }

    [Fact]
    public async Task A_plan_made_from_an_old_version_does_not_overwrite()
    {
        var piece = await SepalsAsync();
        await Pieces.SavePlanAsync(studioId, piece.Id, piece.Version, piece.Plan with { PasteTarget = new Lab(80, 0, 0) }, keepsPaste: false, Cancel);
        var late = await Pieces.SavePlanAsync(studioId, piece.Id, piece.Version, piece.Plan with { PasteTarget = new Lab(20, 0, 0) }, keepsPaste: false, Cancel);
        Assert.Equal(80, Assert.IsType<SavePlanResult.Changed>(late).Current.Plan.PasteTarget.L);
    }

    [Fact]
    public async Task Of_many_saves_at_once_exactly_one_wins()
    {
        var piece = await SepalsAsync();
        var saves = Enumerable.Range(0, 12).Select(i =>
            Pieces.SavePlanAsync(studioId, piece.Id, piece.Version, piece.Plan with { PasteTarget = new Lab(i, 0, 0) }, keepsPaste: false, Cancel));
        var results = await Task.WhenAll(saves);
        Assert.Single(results.OfType<SavePlanResult.Saved>());
        Assert.Equal(11, results.OfType<SavePlanResult.Changed>().Count());
    }

    [Fact]
    public async Task Another_studios_piece_is_not_to_be_found_or_changed()
    {
        var piece = await SepalsAsync();
        var stranger = Guid.NewGuid();
        Assert.Null(await Pieces.FindAsync(stranger, piece.Id, Cancel));
        Assert.IsType<SavePlanResult.Missing>(await Pieces.SavePlanAsync(stranger, piece.Id, piece.Version, piece.Plan, keepsPaste: false, Cancel));
        Assert.IsType<SavePlanResult.Missing>(await Pieces.SavePlanAsync(studioId, Guid.NewGuid(), 1, piece.Plan, keepsPaste: false, Cancel));
    }

    [Fact]
    public async Task Every_kind_of_coat_survives_the_database()
    {
        var piece = await SepalsAsync();
        Coat[] coats =
        [
            new DustCoat(
                Guid.NewGuid(), [new Portion("wine-lees", 1), new Portion("plain-cornstarch", 2.5)], 0.123,
                new Place(PlaceKind.Rim, 0.5, 3, 4) { Also = [Place.Whole with { Half = PieceHalf.Left }], Within = new Place(PlaceKind.Bar, 0, 2, 1) { Relief = Relief.Ridges } }, Sides.Both),
            new SteamCoat(Guid.NewGuid(), 9) { IsLocked = true },
            new GlazeCoat(Guid.NewGuid(), "pond-dip", 3, Sides.Back),
        ];
        await Pieces.SavePlanAsync(studioId, piece.Id, piece.Version, piece.Plan with { Coats = coats }, keepsPaste: false, Cancel);
        var back = (await SepalsAsync()).Plan.Coats;
        var dust = Assert.IsType<DustCoat>(back[0]);
        Assert.Equal(coats[0] with { }, dust with { Mix = ((DustCoat)coats[0]).Mix });
        Assert.Equal(((DustCoat)coats[0]).Mix, dust.Mix);
        Assert.Equal(coats[1..], back.Skip(1));
    }

    [Fact]
    public async Task A_painted_detail_survives_the_database()
    {
        var piece = await SepalsAsync();
        var marking = new Marking(MarkingKind.Stripes, 0.7, 3.5, 0.25, -12);
        var wash = new WashCoat(Guid.NewGuid(), [new Portion("rowan", 1)], "clear-spirit", 0.2, 0.004, Place.Whole, Sides.Face) { Marking = marking };
        await Pieces.SavePlanAsync(studioId, piece.Id, piece.Version, piece.Plan with { Coats = [wash] }, keepsPaste: false, Cancel);
        Assert.Equal(marking, Assert.IsType<WashCoat>(Assert.Single((await SepalsAsync()).Plan.Coats)).Marking);
    }

    private CommissionStore Commissions => new(demo.DataSource);

    private async Task<Commission> SupperAsync() => (await Commissions.ListAsync(studioId, Cancel)).Commissions[0];

    [Fact]
    public async Task A_flower_comes_to_the_end_of_its_commission_with_its_pieces_in_order()
    {
        var supper = await SupperAsync();
        var plan = (await SepalsAsync()).Plan;
        var rose = FlowerLibrary.Find("rose")!;
        var flower = new Flower(Guid.NewGuid(), supper.Id, "Rose", 4, 2, MustBeEdible: true, Version: 1);
        Assert.True(await Commissions.AddFlowerAsync(studioId, flower, [.. rose.Pieces.Select(piece => (Guid.NewGuid(), piece.Piece, plan))], Cancel));
        var (_, flowers) = await Commissions.ListAsync(studioId, Cancel);
        Assert.Equal(flower, flowers.Where(one => one.CommissionId == supper.Id).Last());
        var pieces = await Pieces.ListAsync(studioId, flower.Id, Cancel);
        Assert.Equal(rose.Pieces.Select(piece => piece.Piece), pieces.Select(piece => piece.Piece));
        Assert.All(pieces, piece => Assert.True(piece.Guests.EatIt));
        Assert.False(await Commissions.AddFlowerAsync(studioId, flower with { Id = Guid.NewGuid(), CommissionId = Guid.NewGuid() }, [], Cancel));
    }

    [Fact]
    public async Task A_flower_and_its_guests_are_changed_over_what_was_there()
    {
        var sepals = await SepalsAsync();
        var flower = (await Commissions.FindFlowerAsync(studioId, sepals.FlowerId, Cancel))!.Value.Flower;
        Assert.Equal(2, await Commissions.SaveFlowerAsync(studioId, flower with { Name = "Winter rose", MustBeEdible = true }, Cancel));
        Assert.Null(await Commissions.SaveFlowerAsync(studioId, flower with { Name = "Lenten rose" }, Cancel));
        Assert.Equal("Winter rose", (await Commissions.FindFlowerAsync(studioId, flower.Id, Cancel))!.Value.Flower.Name);
        var supper = await SupperAsync();
        var details = supper.Details with { Diets = [Diet.NutFree, Diet.Vegan, Diet.Vegan], Status = CommissionStatus.Delivered, RoomCelsius = 18.5, OwnNote = "Bring the tall box." };
        Assert.Equal(supper.Version + 1, await Commissions.SaveAsync(studioId, supper.Id, supper.Version, details, Cancel));
        Assert.Null(await Commissions.SaveAsync(studioId, supper.Id, supper.Version, details with { Name = "Too late" }, Cancel));
        Assert.Null(await Commissions.SaveAsync(studioId, Guid.NewGuid(), 1, details, Cancel));
        Assert.Equivalent(details with { Diets = [Diet.NutFree, Diet.Vegan] }, (await Commissions.FindAsync(studioId, supper.Id, Cancel))!.Details, strict: true);
        var after = await SepalsAsync();
        Assert.True(after.Guests.EatIt);
        Assert.Equal([Diet.Vegan, Diet.NutFree], after.Guests.Diets.Order());
    }

    [Fact]
    public async Task A_piece_is_changed_over_its_version_and_moved()
    {
        var sepals = await SepalsAsync();
        var broader = sepals.Piece with { WidthMm = 50, Form = sepals.Piece.Form with { Frill = 0.4, Veins = VeinPattern.Palm } };
        Assert.Equal(sepals.Version + 1, await Pieces.SavePieceAsync(studioId, sepals.Id, sepals.Version, broader, Cancel));
        Assert.Null(await Pieces.SavePieceAsync(studioId, sepals.Id, sepals.Version, sepals.Piece, Cancel));
        Assert.Null(await Pieces.SavePieceAsync(studioId, Guid.NewGuid(), 1, broader, Cancel));
        var after = await SepalsAsync();
        Assert.Equal((broader, sepals.Version + 1), (after.Piece, after.Version));
        // A plan made before that is not written over it unseen.
        Assert.IsType<SavePlanResult.Changed>(await Pieces.SavePlanAsync(studioId, sepals.Id, sepals.Version, sepals.Plan, keepsPaste: false, Cancel));

        Guid[] ids = [.. (await Pieces.ListAsync(studioId, sepals.FlowerId, Cancel)).Select(piece => piece.Id)];
        Assert.Equal(2, await Pieces.OrderAsync(studioId, sepals.FlowerId, 1, [.. ids.Reverse()], Cancel));
        Assert.Equal(ids.Reverse(), (await Pieces.ListAsync(studioId, sepals.FlowerId, Cancel)).Select(piece => piece.Id));
        Assert.Null(await Pieces.OrderAsync(studioId, sepals.FlowerId, 1, ids, Cancel));
        Assert.Null(await Pieces.OrderAsync(studioId, sepals.FlowerId, 2, ids[1..], Cancel));
        Assert.Null(await Pieces.OrderAsync(studioId, sepals.FlowerId, 2, [Guid.NewGuid(), .. ids[1..]], Cancel));
        Assert.Equal(ids.Reverse(), (await Pieces.ListAsync(studioId, sepals.FlowerId, Cancel)).Select(piece => piece.Id));
    }

    [Fact]
    public async Task A_tick_can_be_set_twice_and_taken_back_twice()
    {
        var piece = await SepalsAsync();
        var ticks = new DoneStore(demo.DataSource);
        var id = $"piece:{piece.Id}:shape";
        await ticks.TickAsync(studioId, [new DoneOperation(id, "one", [])], "Odile", new Materials([]), Cancel);
        Assert.Null(Assert.Single(await ticks.ListAsync(studioId, Cancel)).HouseMinutes);
        await ticks.TickAsync(studioId, [new DoneOperation(id, "two", []) { HouseMinutes = 12.5 }], "Ruben", new Materials([]), Cancel);
        Assert.True(Assert.Single(await ticks.ListAsync(studioId, Cancel)) is { Fingerprint: "two", By: "Ruben", HouseMinutes: 12.5 });
        await ticks.UntickAsync(studioId, [id], Cancel);
        await ticks.UntickAsync(studioId, [id], Cancel);
        Assert.Empty(await ticks.ListAsync(studioId, Cancel));
    }

    [Fact]
    public async Task A_log_entry_sent_twice_is_logged_once()
    {
        var piece = await SepalsAsync();
        var logbook = new LogbookStore(demo.DataSource);
        var entry = new LogEntry(Guid.NewGuid(), piece.Id, LogSubject.Tip, new Lab(80, 1, 2), new Lab(79, 2, 3), "Fine.", DateTimeOffset.UtcNow);
        await logbook.AddAsync(studioId, entry, Cancel);
        await logbook.AddAsync(studioId, entry, Cancel);
        var found = Assert.Single(await logbook.ListAsync(studioId, piece.Id, 100, Cancel), named => named.Entry.Id == entry.Id);
        Assert.Equal((entry.Predicted, entry.Actual, entry.Note), (found.Entry.Predicted, found.Entry.Actual, found.Entry.Note));
        Assert.Equal(("Sepals", "Hellebore", "Lantern Pier winter supper"), (found.PieceName, found.FlowerName, found.CommissionName));
    }

    [Theory]
    [InlineData("update piece set length_mm = -1", "piece_length_range")]
    [InlineData("update piece set per_part = 0", "piece_per_part_range")]
    [InlineData("update material set absorption = array[1, 2]", "material_absorption_bands")]
    [InlineData("update material set load_limit_g_per_100g = null where kind = 'colourant'", "material_has_what_its_kind_needs")]
    [InlineData("update log_entry set actual_l = 'NaN'", "log_entry_actual_l_range")]
    [InlineData("update flower set flowers = 0, buds = 0", "flower_has_something")]
    public async Task The_database_guards_its_own_ranges(string sql, string constraint)
    {
        await using var command = demo.DataSource.CreateCommand(sql);
        var refused = await Assert.ThrowsAsync<PostgresException>(() => command.ExecuteNonQueryAsync());
        Assert.Equal(constraint, refused.ConstraintName);
    }
}
