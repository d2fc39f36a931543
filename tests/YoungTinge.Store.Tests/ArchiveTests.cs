using System.Text.Json.Nodes;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Pictures;
using YoungTinge.Core.Practice;
using YoungTinge.Core.Scheduling;
using YoungTinge.Store.Archives;
using YoungTinge.Testing;

namespace YoungTinge.Store.Tests;

/// <summary>A whole studio out and in again, and pictures, which are part of it.</summary>
public sealed class ArchiveTests(DemoDatabase demo) : IClassFixture<DemoDatabase>, IAsyncLifetime
{
    private static readonly CancellationToken Cancel = CancellationToken.None;
    private static readonly PictureMarks Marks = new(
        new PictureLight(new Box(0.1, 0.1, 0.2, 0.1), NeutralKind.WhiteCard), SeenAs.Bloom, [new PictureSample(null, Zone.Rim, new Box(0.4, 0.5, 0.05, 0.05))]);

    private Guid studioId;
    private Guid flowerId;

    public async Task InitializeAsync()
    {
        await demo.ResetAsync();
        studioId = demo.StudioId;
        flowerId = (await new CommissionStore(demo.DataSource).ListAsync(studioId, Cancel)).Flowers[0].Id;
        var picture = new KeptPicture(Guid.NewGuid(), flowerId, "Hellebore.jpg", Marks, 1);
        Assert.True(await Pictures.AddAsync(studioId, picture, [0xFF, 0xD8, 1, 2, 3, 0], Cancel));
    }

    public Task DisposeAsync() => Task.CompletedTask;

    private ArchiveStore Archive => new(demo.DataSource, IsPicture);

    private static bool IsPicture(byte[] picture) => picture is [0xFF, 0xD8, .., 0];

    private PictureStore Pictures => new(demo.DataSource);

    [Theory]
    [InlineData("paste_plan", "plan")]
    [InlineData("batch", "made_recipe")]
    public async Task What_cannot_be_read_is_refused_and_nothing_changes(string table, string column)
    {
        var archive = await Archive.WriteAsync(studioId);
        var damaged = ArchiveBytes.Read(archive);
        damaged["tables"]![table]!.AsArray().First(row => row![column] is not null)![column] = new JsonObject { ["folds"] = "many" };
        Assert.Equal(new RestoreResult.Refused(ArchiveProblem.Damaged, table), await Archive.RestoreAsync(studioId, ArchiveBytes.With(archive, damaged)));
        Assert.Equal(archive, await Archive.WriteAsync(studioId));
    }

    [Fact]
    public async Task What_goes_out_comes_in_the_same_to_the_last_digit()
    {
        var pieces = await new PieceStore(demo.DataSource).ListAsync(studioId, null, Cancel);
        var batches = await new BatchStore(demo.DataSource).ListAsync(studioId, 10, Cancel);
        await new LeftoverStore(demo.DataSource).UseAsync(studioId, $"paste:{pieces[0].Id}", batches.First(batch => batch.Made is not null).Id, Cancel);
        var materials = await new CabinetStore(demo.DataSource).LoadAsync(studioId, Cancel);
        await new DoneStore(demo.DataSource).TickAsync(studioId, [new DoneOperation($"piece:{pieces[0].Id}:shape", "f01", [new MaterialTake("nettle", 0.5)])], "Odile", materials, Cancel);
        var maker = Maker.Usual(studioId, "Odile");
        await new WorkPlanStore(demo.DataSource).SaveAsync(studioId, new KeptWorkPlan(new Workshop([maker], 24), new WorkPlan([new PlannedPart("a", 1, 1, DateTimeOffset.UnixEpoch, DateTimeOffset.UnixEpoch.AddMinutes(5), maker.Id)]), 0), Cancel);
        var bench = new BenchStore(demo.DataSource);
        await bench.StartAsync(studioId, Guid.NewGuid(), new BenchTimer(Guid.NewGuid(), null, "Steam", 90, DateTimeOffset.Parse("2026-03-01T09:00:00Z", System.Globalization.CultureInfo.InvariantCulture), "Odile"), Cancel);
        await bench.ReadAsync(studioId, new DryingReading(Guid.NewGuid(), $"piece:{pieces[0].Id}:dry", false, 31.25, 30, 24, DateTimeOffset.Parse("2026-03-01T09:00:00Z", System.Globalization.CultureInfo.InvariantCulture), "Odile"), Cancel);
        await new PracticeStore(demo.DataSource).AddAsync(studioId, new PracticeTrial(Guid.NewGuid(), Exercise.Glaze, 1.25, true, new Lab(60, 10, -5), DateTimeOffset.Parse("2026-03-01T09:00:00Z", System.Globalization.CultureInfo.InvariantCulture)), Cancel);
        var before = await Archive.WriteAsync(studioId);
        foreach (var table in ArchiveStore.TableNames)
            Assert.True(ArchiveBytes.Read(before)["tables"]![table]!.AsArray().Count > 0, table);

        Assert.Equal(RemoveMaterialResult.Removed, await new CabinetStore(demo.DataSource).RemoveAsync(studioId, "edible-glue", Cancel));
        Assert.Equal(new RestoreResult.Restored("Saltmarsh Lane Sugar Room"), await Archive.RestoreAsync(studioId, before));
        Assert.Equal(before, await Archive.WriteAsync(studioId));
    }

    [Fact]
    public async Task Another_studio_takes_an_archive_in_whole_and_the_first_never_sees_it()
    {
        var before = await Archive.WriteAsync(studioId);
        var other = demo.Databases.Of(Guid.CreateVersion7());
        await new StudioStore(other.DataSource).AddAsync(new Studio(other.StudioId, "Quay Room", "Ida Marsh", "UTC", "NOK", new Measuring(Measures.Metric, 0.1, Measuring.UsualDeltaE), 1), Cancel);
        var theirs = new ArchiveStore(other.DataSource, IsPicture);
        Assert.Equal(new RestoreResult.Restored("Saltmarsh Lane Sugar Room"), await theirs.RestoreAsync(other.StudioId, before));

        // Row by row the same, but for whose they are; and it did not become the demo.
        var (mine, now) = (ArchiveBytes.Read(before), ArchiveBytes.Read(await theirs.WriteAsync(other.StudioId)));
        Assert.Equal(mine["tables"]!.ToJsonString().Replace($"{studioId}", $"{other.StudioId}", StringComparison.Ordinal), now["tables"]!.ToJsonString());
        Assert.False((await new StudioStore(other.DataSource).ListAsync(Cancel)).Single().IsDemo);
        Assert.Equal(before, await Archive.WriteAsync(studioId));

        // What one of them changes or throws away is the other's no more than before.
        await using (var remove = other.DataSource.CreateCommand("delete from studio"))
            Assert.Equal(1, await remove.ExecuteNonQueryAsync());
        Assert.Equal(before, await Archive.WriteAsync(studioId));
    }

    [Fact]
    public async Task The_demo_begins_anew_and_what_it_was_can_be_had_back()
    {
        var people = await new YoungTinge.Store.People.PersonStore(demo.DataSource).ListAsync(studioId, Cancel);
        var studios = new StudioStore(demo.DataSource);
        await new CabinetStore(demo.DataSource).RemoveAsync(studioId, "edible-glue", Cancel);
        Assert.True(await studios.SaveAsync((await studios.ListAsync(Cancel)).Single() with { Name = "Another name", Currency = "DKK" }, Cancel));
        var changed = await Archive.WriteAsync(studioId);
        var now = (await studios.ListAsync(Cancel)).Single();
        Assert.False(await Archive.BeginDemoAnewAsync(now with { Version = 99 }, DateTimeOffset.UtcNow, Cancel));
        Assert.True(await Archive.BeginDemoAnewAsync(now, DateTimeOffset.UtcNow, Cancel));
        Assert.Equal(("Saltmarsh Lane Sugar Room", "EUR"), ((await studios.ListAsync(Cancel)).Single().Name, (await studios.ListAsync(Cancel)).Single().Currency));
        Assert.True((await new CabinetStore(demo.DataSource).LoadAsync(studioId, Cancel)).Has<YoungTinge.Core.Cabinet.Adhesive>("edible-glue"));
        Assert.Equal(people, await new YoungTinge.Store.People.PersonStore(demo.DataSource).ListAsync(studioId, Cancel));
        await Archive.BringBackAsync(studioId, Assert.Single(await Archive.ListReplacedAsync(studioId, Cancel)).Id, Cancel);
        Assert.Equal(changed, await Archive.WriteAsync(studioId));
    }

    [Fact]
    public async Task Every_state_that_was_replaced_can_be_had_back_and_none_is_lost_by_trying()
    {
        var cabinet = new CabinetStore(demo.DataSource);
        var states = new List<byte[]> { await Archive.WriteAsync(studioId) };
        foreach (var jar in new[] { "edible-glue", "fresh-egg-white" })
        {
            await cabinet.RemoveAsync(studioId, jar, Cancel);
            states.Add(await Archive.WriteAsync(studioId));
            // A wrong restore, and another one on top of it.
            await Archive.RestoreAsync(studioId, states[0]);
            await Archive.RestoreAsync(studioId, states[^1]);
        }

        // Its own work of before the wrong restores lies further back than the last of them.
        foreach (var wanted in states)
        {
            var kept = await Archive.ListReplacedAsync(demo.StudioId, Cancel);
            Assert.All(kept, state => Assert.Equal("Saltmarsh Lane Sugar Room", state.StudioName));
            var found = false;
            foreach (var state in kept)
            {
                await Archive.BringBackAsync(studioId, state.Id, Cancel);
                if (found = (await Archive.WriteAsync(studioId)).SequenceEqual(wanted))
                    break;
            }

            Assert.True(found || (await Archive.WriteAsync(studioId)).SequenceEqual(wanted));
        }

        Assert.Null(await Archive.BringBackAsync(studioId, 999_999, Cancel));
        for (var i = 0; i < ArchiveStore.MostReplaced + 3; i++)
            await Archive.RestoreAsync(studioId, states[0]);
        Assert.Equal(ArchiveStore.MostReplaced, (await Archive.ListReplacedAsync(demo.StudioId, Cancel)).Count);
    }

    public static TheoryData<string, ArchiveProblem> Broken => new()
    {
        { "format=\"else\"", ArchiveProblem.NotAnArchive },
        { "version=99", ArchiveProblem.OtherVersion },
        { "tables/piece=\"none\"", ArchiveProblem.Damaged },
        { "studio/name=null", ArchiveProblem.Damaged },
        { "tables/material/0/kind=\"soup\"", ArchiveProblem.Damaged },
        { "tables/material/5/absorption=[1,2,3]", ArchiveProblem.Damaged },
        { "tables/piece/0/plan={}", ArchiveProblem.Damaged },
        { "tables/piece/0/plan/coats=[{\"loadMgPerCm2\": 1}]", ArchiveProblem.Damaged },
        { "tables/piece/0/plan/coats=[null]", ArchiveProblem.Damaged },
        { "tables/piece/0/plan/targets/rim=null", ArchiveProblem.Damaged },
        { "tables/piece/0/plan/onPurpose=null", ArchiveProblem.Damaged },
        { "tables/piece/0/length_mm=\"NaN\"", ArchiveProblem.Damaged },
        { "tables/commission/0/due_on=\"0044-03-15 BC\"", ArchiveProblem.Damaged },
        { "tables/log_entry/0/logged_at=\"infinity\"", ArchiveProblem.Damaged },
        { "tables/log_entry/0/laid={\"lots\":{},\"laid\":{\"spots\":[],\"unevenness\":{\"l\":0,\"a\":0,\"b\":0}}}", ArchiveProblem.Damaged },
        { "tables/log_entry/0/note=\"a\\u0000b\"", ArchiveProblem.Damaged },
        { "studio/time_zone=\"Mars/Olympus\"", ArchiveProblem.Damaged },
        { "tables/commission/0/diets=[null]", ArchiveProblem.Damaged },
        { "tables/material/5/scattering/3=-1", ArchiveProblem.Damaged },
        { "tables/material/5/scattering/3=null", ArchiveProblem.Damaged },
        { "tables/flower/0/flowers=-3", ArchiveProblem.Damaged },
        { "tables/picture/0/marks/samples=[null]", ArchiveProblem.Damaged },
        { "tables/piece/0/outline_id=\"hexagon\"", ArchiveProblem.Damaged },
        { "tables/piece/0/form={\"role\":\"petal\"}", ArchiveProblem.Damaged },
        { "tables/commission/0/diets=[\"breatharian\"]", ArchiveProblem.Damaged },
        { "tables/flower/0/must_be_edible=null", ArchiveProblem.Damaged },
        { "tables/piece/0/plan/paste/baseId=\"gone\"", ArchiveProblem.Damaged },
        { "tables/log_entry/0/piece_id=\"7c9e6679-7425-40de-944b-e07fc1f90ae7\"", ArchiveProblem.Damaged },
    };

    [Theory]
    [MemberData(nameof(Broken))]
    public async Task A_broken_archive_is_refused_and_nothing_changes(string change, ArchiveProblem problem)
    {
        var before = await Archive.WriteAsync(studioId);
        var archive = ArchiveBytes.Read(before);
        var (path, value) = (change.Split('=', 2)[0].Split('/'), change.Split('=', 2)[1]);
        var at = path[..^1].Aggregate(archive, (node, step) => int.TryParse(step, out var index) ? node[index]! : node[step]!);
        if (at is JsonArray list)
            list[int.Parse(path[^1])] = JsonNode.Parse(value);
        else
            at[path[^1]] = JsonNode.Parse(value);
        Assert.Equal(problem, Assert.IsType<RestoreResult.Refused>(await Archive.RestoreAsync(studioId, ArchiveBytes.With(before, archive))).Problem);
        Assert.Equal(before, await Archive.WriteAsync(studioId));
        Assert.Empty(await Archive.ListReplacedAsync(demo.StudioId, Cancel));
    }

    [Fact]
    public async Task A_picture_keeps_its_marks_and_two_people_never_overwrite_each_other()
    {
        var kept = Assert.Single(await Pictures.ListAsync(studioId, flowerId, PictureShows.Living, Cancel));
        Assert.Equal((Marks.Light, Marks.Samples[0]), (kept.Marks.Light, kept.Marks.Samples[0]));
        var moved = Marks with { Light = PictureLight.Estimated };
        Assert.Equal(2, await Pictures.SaveMarksAsync(studioId, kept.Id, 1, moved, Cancel));
        Assert.Null(await Pictures.SaveMarksAsync(studioId, kept.Id, 1, Marks, Cancel));
        Assert.Equal([0xFF, 0xD8, 1, 2, 3, 0], await Pictures.FindJpegAsync(studioId, kept.Id, Cancel));
        Assert.Null(await Pictures.FindJpegAsync(Guid.NewGuid(), kept.Id, Cancel));
        Assert.False(await Pictures.RemoveAsync(Guid.NewGuid(), kept.Id, Cancel));
        Assert.True(await Pictures.RemoveAsync(studioId, kept.Id, Cancel));
    }
}
