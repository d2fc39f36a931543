using System.Globalization;
using System.Net.Http.Json;
using System.Security.Cryptography;
using System.Text.Json.Nodes;
using Npgsql;
using YoungTinge.Testing;

namespace YoungTinge.Force;

/// <param name="Bytes">Of the archive.</param>
/// <param name="PeakMegabytes">Of the server's memory, over all of it.</param>
/// <param name="ProgressLines">Told while it was taken in.</param>
public sealed record ArchiveReport(long Bytes, double OutSeconds, double InSeconds, double PeakMegabytes, int ProgressLines, bool IsSame);

/// <summary>A studio with many pictures out and in again, and what memory that takes.</summary>
public sealed class LargeArchive(DemoServer demo)
{
    private const int PaddingBytes = 2_500_000;

    public async Task<ArchiveReport> RunAsync(int pictures)
    {
        await FillAsync(pictures);
        var file = Path.GetTempFileName();
        var again = Path.GetTempFileName();
        try
        {
            var outSeconds = await FetchAsync(file);
            var watch = System.Diagnostics.Stopwatch.StartNew();
            var lines = await RestoreAsync(file);
            var inSeconds = watch.Elapsed.TotalSeconds;
            await FetchAsync(again);
            return new ArchiveReport(new FileInfo(file).Length, outSeconds, inSeconds, PeakMegabytes(), lines, await SumAsync(file) == await SumAsync(again));
        }
        finally
        {
            File.Delete(file);
            File.Delete(again);
        }
    }

    private async Task FillAsync(int pictures)
    {
        var shot = await (await demo.Http.PostAsJsonAsync("/api/bench/light-box/flowers", new { startingPointId = "crocus-petal-gold", seed = 1 })).Content.ReadFromJsonAsync<JsonNode>();
        var jpeg = Convert.FromBase64String((string)shot!["jpeg"]!);
        for (var i = 0; i < pictures; i++)
        {
            await using var command = demo.Demo.DataSource.CreateCommand("""
                with file as (insert into picture_file (sha256, jpeg) values (sha256($1), $1) returning sha256)
                insert into picture (id, studio_id, flower_id, name, marks, file_sha256)
                select gen_random_uuid(), f.studio_id, f.id, 'Shot', '{"light": {"mark": null, "kind": "somethingGrey", "asIs": true}, "seenAs": "bloom", "samples": []}', file.sha256
                from file, (select * from flower order by id limit 1) f
                """);
            command.Parameters.Add(new NpgsqlParameter<byte[]> { TypedValue = Padded(jpeg) });
            await command.ExecuteNonQueryAsync();
        }
    }

    /// <summary>The same picture with comments in it that nobody else has.</summary>
    private static byte[] Padded(byte[] jpeg)
    {
        const int longest = 65_000;
        using var padded = new MemoryStream();
        padded.Write(jpeg, 0, 2);
        for (var left = PaddingBytes; left > 0; left -= longest)
        {
            padded.Write([0xFF, 0xFE, (longest + 2) >> 8, (longest + 2) & 255]);
            padded.Write(RandomNumberGenerator.GetBytes(longest));
        }

        padded.Write(jpeg, 2, jpeg.Length - 2);
        return padded.ToArray();
    }

    private async Task<double> FetchAsync(string path)
    {
        var watch = System.Diagnostics.Stopwatch.StartNew();
        var (http, _) = Visitor.Of(demo.Server.Address, TimeSpan.FromMinutes(20));
        await demo.Demo.SignInAsync(http);
        using var answer = await http.GetAsync("/api/files/studio.zip", HttpCompletionOption.ResponseHeadersRead);
        answer.EnsureSuccessStatusCode();
        await using var file = File.Create(path);
        await answer.Content.CopyToAsync(file);
        return watch.Elapsed.TotalSeconds;
    }

    private async Task<int> RestoreAsync(string path)
    {
        var (http, _) = Visitor.Of(demo.Server.Address, TimeSpan.FromMinutes(20));
        await demo.Demo.SignInAsync(http);
        await using var file = File.OpenRead(path);
        using var request = new HttpRequestMessage(HttpMethod.Post, "/api/files/studio") { Content = new StreamContent(file) };
        request.Headers.Accept.ParseAdd("application/x-ndjson");
        using var answer = await http.SendAsync(request, HttpCompletionOption.ResponseHeadersRead);
        answer.EnsureSuccessStatusCode();
        using var lines = new StreamReader(await answer.Content.ReadAsStreamAsync());
        var progress = 0;
        while (await lines.ReadLineAsync() is { } line)
        {
            if (line.Contains("progress", StringComparison.Ordinal))
                progress++;
            else if (!line.Contains("answer", StringComparison.Ordinal))
                throw new InvalidOperationException(line);
        }

        return progress;
    }

    private double PeakMegabytes() => double.Parse(
        File.ReadLines($"/proc/{demo.Server.ProcessId}/status").First(line => line.StartsWith("VmHWM", StringComparison.Ordinal)).Split((char[])[' ', '\t'], StringSplitOptions.RemoveEmptyEntries)[1], CultureInfo.InvariantCulture) / 1024;

    private static async Task<string> SumAsync(string path)
    {
        await using var file = File.OpenRead(path);
        return Convert.ToHexString(await SHA256.HashDataAsync(file));
    }
}
