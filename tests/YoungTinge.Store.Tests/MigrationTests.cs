using Npgsql;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Flowers;
using YoungTinge.Store.Archives;
using YoungTinge.Testing;

namespace YoungTinge.Store.Tests;

/// <summary>A studio that was kept by an earlier build is read by this one.</summary>
public sealed class MigrationTests(DemoDatabase demo) : IClassFixture<DemoDatabase>
{
    private static readonly CancellationToken Cancel = CancellationToken.None;

    private async Task RunAsync(string sql)
    {
        await using var command = demo.Owner.CreateCommand(sql);
        await command.ExecuteNonQueryAsync(Cancel);
    }

    private static string Script(string name)
    {
        using var reader = new StreamReader(typeof(Schema).Assembly.GetManifestResourceStream(name)!);
        return reader.ReadToEnd();
    }

    [Fact]
    public async Task Targets_that_were_colours_alone_become_whole_and_carmine_is_said_once()
    {
        await Schema.DropAsync(demo.Owner, Cancel);
        demo.Owner.Clear();
        foreach (var script in new[] { "0001_studio_and_cabinet.sql", "0002_commissions_and_plans.sql", "0003_run_sheet_and_logbook.sql", "0004_supplies_lights_and_batches.sql" })
            await RunAsync(Script(script));
        // As the build before this one wrote it.
        await RunAsync("""
            insert into studio (id, name, maker, time_zone, currency) values ('7c9e6679-7425-40de-944b-e07fc1f90ae7', 'Old room', 'Odile', 'UTC', 'EUR');
            insert into material (studio_id, id, position, kind, name, form, food_status, dye_family, not_for, absorption, scattering, load_limit_g_per_100g, share_at_once, time_constant_hours)
            select s.id, 'beetle-red', 0, 'colourant', 'Beetle Red', 'gel', 'edible', 'carmine', '{vegan,vegetarian,nut_free}', array_fill(1.0::float8, array[36]), array_fill(0.1::float8, array[36]), 3, 0.8, 6 from studio s;
            insert into commission (id, studio_id, name, due_on) select '7c9e6679-7425-40de-944b-e07fc1f90ae8', id, 'Supper', '2026-12-01' from studio;
            insert into flower (id, studio_id, commission_id, position, name, flowers, buds)
            select '7c9e6679-7425-40de-944b-e07fc1f90ae9', id, '7c9e6679-7425-40de-944b-e07fc1f90ae8', 0, 'Rose', 3, 0 from studio;
            insert into piece (id, studio_id, flower_id, position, name, outline_id, length_mm, width_mm, thickness_mm, solid, part_of, per_part, spare_share, plan, version)
            select '7c9e6679-7425-40de-944b-e07fc1f90aea', id, '7c9e6679-7425-40de-944b-e07fc1f90ae9', 0, 'Petals', 'round-petal', 30, 30, 0.5, false, 'flower', 5, 0.1,
                '{"targets": {"rim": {"l": 70, "a": 20, "b": 5}, "tip": {"l": 71, "a": 20, "b": 5}, "heart": {"l": 72, "a": 20, "b": 5}, "base": {"l": 73, "a": 20, "b": 5}, "back": {"l": 74, "a": 20, "b": 5}},
                  "ground": {"l": 90, "a": 0, "b": 5}, "paste": {"baseId": "white", "doses": []}, "coats": [{"kind": "dust", "id": "7c9e6679-7425-40de-944b-e07fc1f90aeb",
                    "mix": [{"dustId": "soot", "parts": 2}], "loadMgPerCm2": 0.1, "place": {"kind": "whole", "start": 0, "end": 1, "feather": 0}, "sides": "both"}]}', 4 from studio;
            """);
        await RunAsync(Script("0005_cabinet_targets_and_pictures.sql"));
        await RunAsync(Script("0006_paste_day.sql"));
        // As the build before packs weighed what is poured.
        await RunAsync("""
            insert into material (studio_id, id, position, kind, name, form, food_status, density_g_per_ml, wash_depth_mm, stock_g, price_per_g)
            select id, 'spirit', 1, 'thinner', 'Spirit', 'liquid', 'edible', 0.8, 0.15, 40, 0.05 from studio
            """);
        await RunAsync(Script("0007_batches_packs_and_measures.sql"));
        await RunAsync(Script("0008_mixes_name_materials.sql"));
        await RunAsync(Script("0009_flowers_are_made.sql"));
        // As the build before commissions of one's own logged and mixed.
        await RunAsync("""
            insert into log_entry (id, studio_id, piece_id, subject, predicted_l, predicted_a, predicted_b, actual_l, actual_a, actual_b)
            select id, studio_id, id, 'paste', 80, 1, 2, 79, 1, 2 from piece;
            insert into batch (id, studio_id, commission_id, name, recipe, paste_g, target_l, target_a, target_b)
            select id, studio_id, id, 'Rose', '{"baseId": "white", "doses": []}', 50, 80, 1, 2 from commission;
            insert into replaced_studio (archive) values ('{}');
            """);
        await RunAsync(Script("0010_commissions_of_ones_own.sql"));
        await RunAsync("insert into replaced_studio (archive) values ('{}')");
        await RunAsync(Script("0011_pictures_stand_apart.sql"));
        await RunAsync(Script("0012_flowers_count_their_changes.sql"));
        // As the build before one graph of the work ticked on two sheets.
        await RunAsync("""
            insert into run_sheet_tick (piece_id, step_key, fingerprint)
            select id, key, 'f00' from piece, unnest(array['paste', 'colour:beetle-red', 'rest', 'shape', '7c9e6679-7425-40de-944b-e07fc1f90aeb:mix', '7c9e6679-7425-40de-944b-e07fc1f90aeb:brush']) key;
            insert into paste_day_tick (studio_id, step_key, fingerprint) select studio_id, 'paste:' || id, 'f01' from piece
            """);
        await RunAsync(Script("0013_one_tick_for_all_sheets.sql"));
        await RunAsync(Script("0014_changes_leave_marks.sql"));
        await RunAsync(Script("0015_cores_and_sizing_holes.sql"));
        await RunAsync(Script("0016_sprays_are_wired.sql"));
        await RunAsync(Script("0017_what_really_went_in.sql"));
        // As the build before glaze soaked dust; a maker's own figures for the white are left alone.
        await RunAsync("""
            insert into material (studio_id, id, position, kind, name, form, food_status, absorption, scattering, load_limit_mg_per_cm2)
            select studio.id, 'chalk-down', 2, 'dust', 'Chalk Down', 'powder', 'edible', array_fill(0.01::float8, array[36]), array_fill(3::float8, array[36]), 0.6 from studio
            """);
        await RunAsync(Script("0018_glaze_soaks_dust.sql"));
        foreach (var script in new[] { "0019_work_has_its_time", "0020_the_bench", "0021_a_calendar_has_an_address", "0022_what_was_done_is_logged", "0023_practice", "0024_studios_apart", "0025_people", "0026_how_things_dry", "0027_finished_pictures", "0028_minutes_of_a_hand", "0029_zones_as_laid", "0030_units_that_were_weighed", "0031_practice_on_folds", "0032_what_was_logged_is_made_again", "0033_pastes_that_still_rested", "0034_what_was_mended_is_taken_back" })
            await RunAsync(Script($"{script}.sql"));

        var studio = (await new StudioStore(demo.Owner).ListAsync(Cancel))[0];
        Assert.Equal(new Measuring(Measures.Metric, 0.1, 2), studio.Measuring);
        var materials = await new CabinetStore(demo.Owner).ListedAsync(studio.Id, Cancel);
        Assert.Equal(3, materials.All.Count);
        Assert.Equal(0.6, materials.Get<Dust>("chalk-down").WetScatter);
        var red = materials.Get<Colourant>("beetle-red");
        var spirit = materials.Get<Thinner>("spirit").Supply;
        Assert.Equal((null, 50.0), (spirit.StockG, spirit.StockMl!.Value));
        Assert.Equal(0.04, spirit.PricePerMl!.Value, 1e-12);
        Assert.Equal([Ingredient.Carmine], red.Label.Contains);
        Assert.Equal([Diet.NutFree], red.Label.NotFor);
        Assert.False(red.Label.Suits(Diet.Vegan));
        Assert.Equal(OpticsSource.Nominal with { Dabs = red.Source.Dabs }, red.Source);

        var piece = Assert.Single(await new PieceStore(demo.Owner).ListAsync(studio.Id, null, Cancel));
        Assert.Equal(4, piece.Version);
        Assert.Equal(new Target(new(70, 20, 5), 2, Finish.Matt), piece.Plan.Targets[Zone.Rim]);
        Assert.Equal(5, piece.Plan.Targets.Count);
        Assert.Equal([new Portion("soot", 2)], Assert.IsType<DustCoat>(Assert.Single(piece.Plan.Coats)).Mix);
        Assert.Empty(piece.Plan.OnPurpose);
        // Pieces without a form stand as their kind mostly does; nobody had diets.
        Assert.Equal(PieceForm.Usual(PieceRole.Petal), piece.Piece.Form);
        Assert.False(piece.Guests.EatIt);
        Assert.Empty(piece.Guests.Diets);
        var supper = Assert.Single((await new CommissionStore(demo.Owner).ListAsync(studio.Id, Cancel)).Commissions);
        Assert.Equal((CommissionStatus.Planned, 1, "", null), (supper.Details.Status, supper.Details.MarginDays, supper.Details.OwnNote, supper.Details.RoomCelsius));
        var logged = Assert.Single(await new LogbookStore(demo.Owner).ListAsync(studio.Id, null, 10, Cancel));
        Assert.Equal(("Petals", "Rose", "Supper"), (logged.PieceName, logged.FlowerName, logged.CommissionName));
        Assert.Equal("Supper", Assert.Single(await new BatchStore(demo.Owner).ListAsync(studio.Id, 10, Cancel)).CommissionName);
        Assert.Equal(2, (await new ArchiveStore(demo.Owner, _ => true).ListReplacedAsync(studio.Id, Cancel)).Count);
        // The paste is one tick; what it was like then is not known, so nothing is said to have changed.
        var done = await new DoneStore(demo.Owner).ListAsync(studio.Id, Cancel);
        Assert.Equal([$"paste:{piece.Id}", $"piece:{piece.Id}:7c9e6679-7425-40de-944b-e07fc1f90aeb:brush", $"piece:{piece.Id}:shape"], done.Select(tick => tick.OperationId).Order(StringComparer.Ordinal));
        Assert.All(done, tick => Assert.Null(tick.Fingerprint));
    }

    [Theory]
    [InlineData("update material set optics_origin = 'hearsay' where id = 'rowan'", "material_optics_origin_known")]
    [InlineData("update material set contains = '{plutonium}' where id = 'rowan'", "material_contains_known")]
    [InlineData("update material set reflectance = null where id = 'green-wire'", "material_has_what_its_kind_needs")]
    [InlineData("update material set opened_on = '2026-02-01', best_before = '2026-01-01' where id = 'rowan'", "material_dates_in_order")]
    [InlineData("update commission set diets = '{breatharian}'", "commission_diets_known")]
    [InlineData("update material set gauge = 99 where id = 'green-wire'", "material_gauge_range")]
    [InlineData("update material set stock_pieces = -1 where id = 'green-wire'", "material_stock_pieces_range")]
    public async Task The_database_holds_the_rules_too(string sql, string constraint)
    {
        await demo.ResetAsync();
        Assert.Equal(constraint, (await Assert.ThrowsAsync<PostgresException>(() => RunAsync(sql))).ConstraintName);
    }
}
