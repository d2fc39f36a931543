using System.IO.Compression;
using System.Text.Json.Nodes;
using YoungTinge.Files.Pictures;
using YoungTinge.Store.Archives;
using YoungTinge.Testing;

namespace YoungTinge.Store.Tests;

/// <summary>Archives as each earlier build wrote them, of the demo of its time with a picture.</summary>
public sealed class OldArchiveTests(DemoDatabase demo) : IClassFixture<DemoDatabase>
{
    private static readonly CancellationToken Cancel = CancellationToken.None;

    /// <summary>Builds from this one on wrote a zip, those before it one JSON file.</summary>
    private const int FirstZip = 11;

    private static byte[] Archived(int version)
    {
        var folder = Path.Combine(AppContext.BaseDirectory, "OldArchives");
        if (version >= FirstZip)
            return File.ReadAllBytes(Path.Combine(folder, $"studio-{version}.zip"));
        using var packed = File.OpenRead(Path.Combine(folder, $"studio-{version}.json.gz"));
        using var unpacked = new GZipStream(packed, CompressionMode.Decompress);
        using var bytes = new MemoryStream();
        unpacked.CopyTo(bytes);
        return bytes.ToArray();
    }

    [Theory]
    [InlineData(5)]
    [InlineData(6)]
    [InlineData(8)]
    [InlineData(9)]
    [InlineData(10)]
    [InlineData(11)]
    [InlineData(12)]
    [InlineData(13)]
    [InlineData(23)]
    public async Task An_archive_of_an_earlier_build_comes_in_whole(int version)
    {
        await demo.ResetAsync();
        var studios = new StudioStore(demo.DataSource);
        var archive = new ArchiveStore(demo.DataSource, PictureFile.IsPicture);
        var own = await archive.WriteAsync((await studios.ListAsync(Cancel))[0].Id);
        var old = Archived(version);
        var rows = (version >= FirstZip ? ArchiveBytes.Read(old) : JsonNode.Parse(old))!["tables"]!.AsObject();
        Assert.Equal(("Saltmarsh Lane Sugar Room", null), ArchiveHead.Look(old.AsSpan(0, ArchiveHead.Bytes < old.Length ? ArchiveHead.Bytes : old.Length)));

        var current = (await studios.ListAsync(Cancel))[0].Id;
        Assert.Equal(new RestoreResult.Restored("Saltmarsh Lane Sugar Room"), await archive.RestoreAsync(current, old));
        var studioId = (await studios.ListAsync(Cancel))[0].Id;
        var restored = await archive.WriteAsync(studioId);
        var now = ArchiveBytes.Read(restored)["tables"]!;
        foreach (var (table, kept) in rows.Where(row => row.Key is not ("run_sheet_tick" or "paste_day_tick")))
            Assert.True(kept!.AsArray().Count == now[table]!.AsArray().Count, table);
        // Ticks of both sheets are ticks of the work now; what was ticked of a paste or a pot by itself has no step of its own any more.
        if (version == 12)
            Assert.Equal(TicksNow(rows), now["operation_done"]!.AsArray().Select(row => (string)row!["operation_id"]!).Order());
        var flower = (await new CommissionStore(demo.DataSource).ListAsync(studioId, Cancel)).Flowers[0];
        var picture = Assert.Single(await new PictureStore(demo.DataSource).ListAsync(studioId, flower.Id, PictureShows.Living, Cancel));
        Assert.True(PictureFile.IsPicture((await new PictureStore(demo.DataSource).FindJpegAsync(studioId, picture.Id, Cancel))!));

        // Written anew it is one of this build, and comes in the same; what was there before can be had back.
        Assert.IsType<RestoreResult.Restored>(await archive.RestoreAsync(studioId, restored));
        Assert.Equal(restored, await archive.WriteAsync(studioId));
        var first = (await archive.ListReplacedAsync(demo.StudioId, Cancel))[^1];
        Assert.IsType<RestoreResult.Restored>(await archive.BringBackAsync(studioId, first.Id, Cancel));
        Assert.Equal(own, await archive.WriteAsync(current));
    }

    private static IEnumerable<string> TicksNow(JsonObject rows) => rows["paste_day_tick"]!.AsArray().Select(row => (string)row!["step_key"]!)
        .Concat(rows["run_sheet_tick"]!.AsArray().Select(row => (Piece: (string)row!["piece_id"]!, Key: (string)row["step_key"]!))
            .Where(tick => tick.Key != "rest" && !tick.Key.StartsWith("colour:", StringComparison.Ordinal) && !tick.Key.EndsWith(":mix", StringComparison.Ordinal))
            .Select(tick => tick.Key == "paste" ? $"paste:{tick.Piece}" : $"piece:{tick.Piece}:{tick.Key}"))
        .Distinct().Order();

    [Theory]
    [InlineData("""{"format": "young-tinge-studio", "version": 999, "studio": {"name": "Later"}, "tables": {}}""", ArchiveProblem.OtherVersion)]
    [InlineData("""{"format": "young-tinge-studio", "version": 4, "studio": {"name": "Too early"}, "tables": {}}""", ArchiveProblem.OtherVersion)]
    [InlineData("""{"format": "young-tinge-studio", "version": 9, "studio": {"name": "Empty"}, "tables": {}}""", ArchiveProblem.Damaged)]
    [InlineData("PK, but no zip", ArchiveProblem.NotAnArchive)]
    [InlineData("", ArchiveProblem.NotAnArchive)]
    public async Task What_this_build_cannot_read_is_said_and_nothing_changes(string file, ArchiveProblem problem)
    {
        await demo.ResetAsync();
        var archive = new ArchiveStore(demo.DataSource, PictureFile.IsPicture);
        var current = demo.StudioId;
        var before = await archive.WriteAsync(current);
        Assert.Equal(problem, Assert.IsType<RestoreResult.Refused>(await archive.RestoreAsync(current, System.Text.Encoding.UTF8.GetBytes(file))).Problem);
        Assert.Equal(before, await archive.WriteAsync(current));
    }
}
