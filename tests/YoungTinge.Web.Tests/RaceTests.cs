using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using YoungTinge.Core.Flowers;
using YoungTinge.Store;
using YoungTinge.Testing;

namespace YoungTinge.Web.Tests;

/// <summary>Many who change the same thing in the same moment.</summary>
public sealed class RaceTests(DemoApplication application) : ApiTest(application)
{
    private const int AtOnce = 16;

    private static Task<HttpStatusCode[]> AllAtOnceAsync(int count, Func<int, Task<HttpResponseMessage>> change) => Task.WhenAll(Enumerable.Range(0, count).Select(async i =>
    {
        await Task.Yield();
        using var answer = await change(i);
        return answer.StatusCode;
    }));

    [Fact]
    public async Task Of_many_orders_of_one_flower_one_wins_and_none_blocks_another()
    {
        var flower = await FlowerAsync("Hellebore");
        for (var round = 0; round < 5; round++)
        {
            var seen = await GetAsync($"/api/flowers/{flower["id"]}");
            var ids = seen["pieces"]!.AsArray().Select(piece => (string)piece!["id"]!).ToArray();
            var random = new Random(round);
            var orders = Enumerable.Range(0, AtOnce).Select(_ => ids.OrderBy(_ => random.Next()).ToArray()).ToList();
            var statuses = await AllAtOnceAsync(AtOnce, i => Http.PutOverAsync($"/api/flowers/{flower["id"]}/pieces/order", new { pieceIds = orders[i] }, (int)seen["version"]!));
            var winner = Assert.Single(statuses.Index(), one => one.Item == HttpStatusCode.OK).Index;
            Assert.All(statuses.Where((_, i) => i != winner), status => Assert.Equal(HttpStatusCode.PreconditionFailed, status));
            var now = (await GetAsync($"/api/flowers/{flower["id"]}"))["pieces"]!.AsArray().Select(piece => (string)piece!["id"]!).ToArray();
            Assert.Equal(orders[winner], now);
        }
    }

    [Fact]
    public async Task Limits_hold_however_many_are_added_at_once()
    {
        var flower = (string)(await FlowerAsync("Hellebore"))["id"]!;
        var shot = Convert.FromBase64String((string)(await PostAsync("/api/bench/light-box/flowers", new JsonObject { ["startingPointId"] = "crocus-petal-gold", ["seed"] = 3 }))["jpeg"]!);
        var pictures = await AllAtOnceAsync(PictureStore.MostPerFlower + 8, _ => Http.PostAsync($"/api/flowers/{flower}/pictures/{Guid.NewGuid()}", new ByteArrayContent(shot)));
        Assert.Equal(PictureStore.MostPerFlower, pictures.Count(status => status == HttpStatusCode.OK));
        Assert.Equal(PictureStore.MostPerFlower, (await GetAsync($"/api/flowers/{flower}/pictures")).AsArray().Count);

        var piece = (await GetAsync("/api/flower-library"))["flowers"]![0]!["pieces"]![0]!["piece"]!;
        var before = (await GetAsync($"/api/flowers/{flower}"))["pieces"]!.AsArray().Count;
        var pieces = await AllAtOnceAsync(PieceCheck.MostKinds + 4, _ => Http.PostAsJsonAsync($"/api/flowers/{flower}/pieces?sure=true", new JsonObject { ["piece"] = piece.DeepClone() }));
        Assert.Equal(PieceCheck.MostKinds - before, pieces.Count(status => status == HttpStatusCode.OK));
        Assert.Equal(PieceCheck.MostKinds, (await GetAsync($"/api/flowers/{flower}"))["pieces"]!.AsArray().Count);
    }

    [Fact]
    public async Task Ticks_of_many_pieces_and_an_import_at_once_leave_the_stock_right()
    {
        var flower = await FlowerAsync("Hellebore");
        async Task<string> StockAsync() => string.Join(' ', (await GetAsync("/api/materials")).AsArray().OrderBy(jar => (string)jar!["id"]!, StringComparer.Ordinal)
            .Select(jar => $"{Math.Round((double?)jar!["supply"]!["stockG"] ?? 0, 6)}"));
        var before = await StockAsync();
        var sheets = new List<(string Id, string Fingerprint)[]>();
        foreach (var piece in flower["pieces"]!.AsArray())
        {
            var operations = (await GetAsync($"/api/pieces/{piece!["id"]}/run-sheet"))["operations"]!.AsArray();
            sheets.Add([.. operations.Take(20).Select(one => ToTick(one!))]);
        }

        var cabinet = await Http.GetByteArrayAsync("/api/files/cabinet.json");
        foreach (var isDone in new[] { true, false, true, false })
        {
            var statuses = await AllAtOnceAsync(4 * sheets.Count, i => i % 7 == 6
                ? Http.PostAsync("/api/files/cabinet/preview", new ByteArrayContent(cabinet))
                : TickAsync(isDone, sheets[i % sheets.Count]));
            Assert.All(statuses, status => Assert.True((int)status < 300, $"{status}"));
            if (isDone)
                Assert.NotEqual(before, await StockAsync());
        }

        Assert.Equal(before, await StockAsync());
    }
}
