using System.Collections.Concurrent;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Npgsql;
using YoungTinge.Testing;

namespace YoungTinge.Force;

/// <param name="Acknowledged">Changes that were answered with success.</param>
/// <param name="Lost">Those of them that are not there any more, or only half.</param>
public sealed record FaultReport(int Kills, int Acknowledged, IReadOnlyList<string> Lost);

/// <summary>Kills the server or the database while changes are made; what was acknowledged must be there afterwards, and nothing half.</summary>
public sealed class Faults(DemoServer demo, int seed)
{
    private const int Writers = 3;

    /// <summary>One kill in so many is of the database.</summary>
    private const int DatabaseOneIn = 5;

    /// <summary>For a change to be acknowledged, in hundredths of a second.</summary>
    private const int LongestWait = 3000;

    private const string LibraryFlower = "hellebore";

    private readonly ConcurrentDictionary<string, string> acknowledged = new();
    private readonly Random random = new(seed);

    public async Task<FaultReport> RunAsync(int kills, Action<int>? tell = null)
    {
        var piece = (await StudioIds.ReadAsync(demo.Http)).Pieces[0];
        for (var kill = 1; kill <= kills; kill++)
        {
            using var stop = new CancellationTokenSource();
            var writing = Enumerable.Range(0, Writers).Select(_ => WriteAsync(piece, stop.Token)).ToArray();
            await UntilOneMoreAsync();
            await Task.Delay(random.Next(0, 300));
            if (kill % DatabaseOneIn == 0)
            {
                await demo.Demo.Cluster.KillAsync();
                await stop.CancelAsync();
                await Task.WhenAll(writing);
                await demo.Demo.Cluster.RestartAsync();
                await demo.Server.UntilReadyAsync();
            }
            else
            {
                await demo.Server.StopAsync();
                await stop.CancelAsync();
                await Task.WhenAll(writing);
                await demo.Server.StartAsync();
            }

            tell?.Invoke(kill);
        }

        return new FaultReport(kills, acknowledged.Count, await LostAsync());
    }

    /// <summary>However slow the machine is: each end comes while changes go through.</summary>
    private async Task UntilOneMoreAsync()
    {
        var before = acknowledged.Count;
        for (var waited = 0; acknowledged.Count == before && waited < LongestWait; waited++)
            await Task.Delay(10);
    }

    private async Task WriteAsync(string piece, CancellationToken stop)
    {
        while (!stop.IsCancellationRequested)
        {
            try
            {
                var commission = new { name = $"Kept {Guid.NewGuid():N}", dueOn = "2026-12-24", place = "", roomHumidityPercent = (int?)null, roomCelsius = (double?)null, light = "daylight", marginDays = 1, clientNote = "", ownNote = "", diets = Array.Empty<string>(), status = "asked" };
                if (await MadeAsync("/api/commissions", commission) is not { } id)
                    continue;
                acknowledged[id] = "commission";
                if (await MadeAsync($"/api/commissions/{id}/flowers", new { name = "Hellebore", flowers = 3, buds = 1, mustBeEdible = false, fromLibrary = LibraryFlower }) is { } flower)
                    acknowledged[flower] = "flower";
                var entry = Guid.NewGuid();
                using var logged = await demo.Http.PutAsJsonAsync($"/api/log-entries/{entry}", new { pieceId = piece, subject = "paste", actual = new { l = 80, a = 1, b = 2 }, note = "" }, CancellationToken.None);
                if (logged.IsSuccessStatusCode)
                    acknowledged[$"{entry}"] = "log entry";
            }
            catch (Exception exception) when (exception is HttpRequestException or OperationCanceledException or IOException)
            {
                // Killed in the middle: nobody was told that it was kept.
                await Task.Delay(20, CancellationToken.None);
            }
        }
    }

    private async Task<string?> MadeAsync(string path, object body)
    {
        using var answer = await demo.Http.PostAsJsonAsync(path, body);
        return answer.IsSuccessStatusCode ? (string)(await answer.Content.ReadFromJsonAsync<JsonNode>())!["id"]! : null;
    }

    /// <summary>Read from the tables: after some thousand changes a view of them all would take longer than anyone waits.</summary>
    private async Task<IReadOnlyList<string>> LostAsync()
    {
        var there = (await ListAsync("select id::text from live_commission union all select id::text from live_flower union all select id::text from log_entry")).ToHashSet();
        var lost = acknowledged.Where(one => !there.Contains(one.Key)).Select(one => $"{one.Value} {one.Key}").ToList();
        var pieces = await ListAsync("""
            select distinct (select count(*) from live_piece p where p.flower_id = f.id)::text
            from live_flower f join commission c on c.id = f.commission_id where c.name like 'Kept %'
            """);
        if (pieces.Count > 1)
            lost.Add($"flowers with only some of their pieces: {string.Join(", ", pieces)}");
        return lost;
    }

    private async Task<IReadOnlyList<string>> ListAsync(string sql)
    {
        await using var source = NpgsqlDataSource.Create(demo.Demo.OwnerConnection);
        await using var command = source.CreateCommand(sql);
        await using var reader = await command.ExecuteReaderAsync();
        var texts = new List<string>();
        while (await reader.ReadAsync())
            texts.Add(reader.GetString(0));
        return texts;
    }
}
