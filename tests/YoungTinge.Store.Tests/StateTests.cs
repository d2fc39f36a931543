using Npgsql;
using YoungTinge.Testing;

namespace YoungTinge.Store.Tests;

/// <summary>Whether anything has changed, told without reading it.</summary>
public sealed class StateTests(DemoDatabase demo) : IClassFixture<DemoDatabase>, IAsyncLifetime
{
    private static readonly CancellationToken Cancel = CancellationToken.None;

    public Task InitializeAsync() => demo.ResetAsync();

    public Task DisposeAsync() => Task.CompletedTask;

    private async Task<IReadOnlyDictionary<string, string>> StateAsync() => (await new StateStore(demo.DataSource, demo.StudioId).FindAsync(Cancel))!.Value.State;

    /// <summary>Tables whose word is another after some statements.</summary>
    private async Task<IEnumerable<string>> ChangedByAsync(string sql)
    {
        var before = await StateAsync();
        await using var command = demo.DataSource.CreateCommand(sql);
        await command.ExecuteNonQueryAsync(Cancel);
        var after = await StateAsync();
        return StateStore.Tables.Where(table => before[table] != after[table]).Order();
    }

    [Theory]
    [InlineData("update piece set name = name || '!' where name = 'Sepals'", "piece")]
    [InlineData("update material set name = name || '!' where id = 'rowan'", "material")]
    [InlineData("update material set stock_g = 1, version = version + 1 where id = 'rowan'", "stock")]
    [InlineData("update material set stock_g = 1 where id = 'rowan'; update material set note = 'new' where id = 'ember'", "material stock")]
    [InlineData("delete from log_entry", "log_entry")]
    [InlineData("update studio set maker = 'Somebody'", "studio")]
    [InlineData("insert into operation_done (studio_id, operation_id) select id, 'piece:1:shape' from studio", "operation_done")]
    [InlineData("delete from commission", "batch commission flower log_entry paste_plan piece")]
    [InlineData("update piece set name = name where false", "")]
    public async Task A_change_is_marked_at_its_table_and_nowhere_else(string sql, string tables) =>
        Assert.Subset(tables.Split(' ', StringSplitOptions.RemoveEmptyEntries).ToHashSet(), (await ChangedByAsync(sql)).ToHashSet());

    [Fact]
    public async Task A_change_is_seen_when_it_ends_not_before_and_never_missed()
    {
        var before = await StateAsync();
        await using var first = await demo.DataSource.OpenConnectionAsync(Cancel);
        await using var second = await demo.DataSource.OpenConnectionAsync(Cancel);
        await using var late = await first.BeginTransactionAsync(Cancel);
        await RunAsync(first, "update piece set name = name || '1' where name = 'Sepals'");
        Assert.Equal(before, await StateAsync());
        // Another begins after it and ends before it: neither waits, and both are told.
        await RunAsync(second, "update piece set name = name || '2' where name = 'Leaf'");
        var between = await StateAsync();
        Assert.NotEqual(before["piece"], between["piece"]);
        await late.CommitAsync(Cancel);
        Assert.NotEqual(between["piece"], (await StateAsync())["piece"]);
        // What is broken off has changed nothing.
        var now = await StateAsync();
        await using (await first.BeginTransactionAsync(Cancel))
            await RunAsync(first, "delete from piece");
        Assert.Equal(now, await StateAsync());
    }

    private static async Task RunAsync(NpgsqlConnection connection, string sql)
    {
        await using var command = new NpgsqlCommand(sql, connection);
        await command.ExecuteNonQueryAsync(Cancel);
    }
}
