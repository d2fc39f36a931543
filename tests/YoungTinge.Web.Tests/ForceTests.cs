using YoungTinge.Force;
using YoungTinge.Testing;

namespace YoungTinge.Web.Tests;

/// <summary>The real server under hostile requests; <c>./test fuzz</c> sends more of them.</summary>
public class HostileRequestTests
{
    [Fact]
    public async Task Hostile_requests_are_turned_away_in_words_and_in_time()
    {
        await using var demo = await DemoServer.StartAsync();
        var report = await new Fuzzer(await demo.EverybodyAsync(), seed: 1, longestSeconds: 90).RunAsync(Turns.Of(2500));
        Assert.True(report.Faults.Count == 0, string.Join('\n', report.Faults.Take(10)) + string.Join('\n', demo.Server.Errors.Take(3)));
        // They got through to the rules, and some were fine.
        Assert.True(report.ByStatus[200] > 250 && report.ByStatus[422] > 50 && report.ByStatus[405] > 5 && report.ByStatus[415] > 5, string.Join(", ", report.ByStatus));
    }
}

/// <summary>The real server and its database under sudden ends; <c>./test faults</c> makes more of them.</summary>
public class SuddenEndTests
{
    private static readonly int Kills = Turns.Of(12);

    [Fact]
    public async Task What_was_acknowledged_outlives_the_server_and_the_database()
    {
        await using var demo = await DemoServer.StartAsync();
        var report = await new Faults(demo, seed: 1).RunAsync(Kills);
        Assert.Empty(report.Lost);
        // At least one before each end; how many more depends on the machine.
        Assert.True(report.Acknowledged >= Kills, $"only {report.Acknowledged} changes were made");
    }
}
