using System.Net;
using System.Text.Json.Nodes;
using YoungTinge.Files.Pictures;
using YoungTinge.Store.Archives;
using YoungTinge.Testing;

namespace YoungTinge.Web.Tests;

/// <summary>An archive is a file, and a file may say anything: what is taken in can be looked at everywhere, or it is not taken in.</summary>
public sealed class DamagedArchiveTests(DemoApplication application) : ApiTest(application)
{
    private static readonly CancellationToken Cancel = CancellationToken.None;

    private static readonly int Changes = Turns.Of(12);

    private static readonly JsonNode?[] Odd =
    [
        null, "", "\u2603", "NaN", "Infinity", "0044-03-15 BC", "0001-01-01", "9999-12-31", "infinity", "Mars/Olympus", new string('x', 5000), "a\nb", "<b>",
        0, -1, 1e300, -1e300, 0.5, 2147483647, true, new JsonArray(), new JsonArray((JsonNode?)null), new JsonArray(1, 2, 3), new JsonObject(),
    ];

    private ArchiveStore Archive => new(Demo.DataSource, PictureFile.IsPicture);

    private Task<Guid> StudioIdAsync() => Task.FromResult(Demo.StudioId);

    [Fact]
    public async Task What_is_taken_in_with_one_value_changed_answers_every_view()
    {
        await WithPictureAsync();
        var whole = await Archive.WriteAsync(await StudioIdAsync());
        var random = new Random(Turns.AreMany ? Environment.TickCount : 14);
        var (taken, failed) = (0, new List<string>());
        for (var turn = 0; turn < Changes; turn++)
        {
            var document = ArchiveBytes.Read(whole);
            var change = ChangeOne(document, random);
            if (await Archive.RestoreAsync(await StudioIdAsync(), ArchiveBytes.With(whole, document)) is not RestoreResult.Restored)
                continue;
            taken++;
            failed.AddRange((await FailuresAsync()).Select(failure => $"{change}: {failure}"));
        }

        Assert.True(failed.Count == 0, string.Join('\n', failed.Take(20)));
        // Notes, names and the like may be anything, so some are.
        Assert.InRange(taken, 1, Changes - 1);
    }

    [Fact]
    public async Task A_whole_archive_answers_every_view_and_half_a_picture_is_refused()
    {
        await WithPictureAsync();
        var whole = await Archive.WriteAsync(await StudioIdAsync());
        Assert.Empty(await FailuresAsync());
        Assert.Equal(new RestoreResult.Refused(ArchiveProblem.Damaged, "picture"),
            await Archive.RestoreAsync(await StudioIdAsync(), ArchiveBytes.With(whole, ArchiveBytes.Read(whole), picture => picture[..(picture.Length / 2)])));
        // A picture that is named but not there.
        var named = ArchiveBytes.Read(whole);
        named["tables"]!["picture"]![0]!["file_sha256"] = @"\x" + new string('0', 64);
        Assert.Equal(new RestoreResult.Refused(ArchiveProblem.Damaged, "picture"), await Archive.RestoreAsync(await StudioIdAsync(), ArchiveBytes.With(whole, named)));
        Assert.Equal(whole, await Archive.WriteAsync(await StudioIdAsync()));
    }

    private async Task WithPictureAsync()
    {
        var shot = await PostAsync("/api/bench/light-box/flowers", new JsonObject { ["startingPointId"] = "crocus-petal-gold", ["seed"] = 3 });
        var flower = (string)(await FlowerAsync("Hellebore"))["id"]!;
        using var added = await Http.PostAsync($"/api/flowers/{flower}/pictures/{Guid.NewGuid()}", new ByteArrayContent(Convert.FromBase64String((string)shot["jpeg"]!)));
        Assert.Equal(HttpStatusCode.OK, added.StatusCode);
    }

    private async Task<IReadOnlyList<string>> FailuresAsync()
    {
        var failures = new List<string>();
        foreach (var address in await ApiDocument.ViewsAsync(Http))
        {
            using var answer = await Http.GetAsync(address);
            // A number that is none cannot be written as JSON, so it would be a 500.
            if (!answer.IsSuccessStatusCode)
                failures.Add($"{address} {(int)answer.StatusCode}");
        }

        return failures;
    }

    /// <summary>Puts something odd in the place of one value, however deep it stands.</summary>
    /// <returns>What was changed.</returns>
    private static string ChangeOne(JsonNode document, Random random)
    {
        var at = random.Next(8) == 0 ? document["studio"]! : document["tables"]![random.GetItems([.. document["tables"]!.AsObject().Where(table => table.Value!.AsArray().Count > 0).Select(table => table.Key)], 1)[0]]!;
        while (true)
        {
            var keys = at is JsonArray list ? [.. Enumerable.Range(0, list.Count).Select(i => (object)i)] : at.AsObject().Select(part => (object)part.Key).ToArray();
            var key = keys[random.Next(keys.Length)];
            var next = key is int place ? at[place] : at[(string)key];
            if ((next is JsonObject { Count: > 0 } || next is JsonArray { Count: > 0 }) && (random.Next(6) > 0 || next is JsonObject && at is JsonArray))
            {
                at = next;
                continue;
            }

            var odd = Odd[random.Next(Odd.Length)]?.DeepClone();
            var said = $"{at.GetPath()}.{key} = {(odd?.ToJsonString() is { Length: > 40 } text ? text[..40] : odd?.ToJsonString() ?? "null")} (was {next?.ToJsonString() ?? "null"})";
            if (key is int index)
                at[index] = odd;
            else
                at[(string)key] = odd;
            return said;
        }
    }
}
