using System.Diagnostics;
using Npgsql;
using YoungTinge.Testing;

namespace YoungTinge.Store.Tests;

/// <summary>The script that keeps the private PostgreSQL.</summary>
public class PostgresScriptTests
{
    [Fact]
    public async Task Starting_twice_is_starting_once_and_stopping_twice_is_stopping_once()
    {
        await using var cluster = new PostgresCluster();
        await cluster.StartAsync();
        var first = cluster.ConnectionString;
        await cluster.StartAsync();
        Assert.Equal(first, cluster.ConnectionString);
        await cluster.StopAsync();
        await cluster.StopAsync();
        await cluster.StartAsync();
        await AssertOpensAsync(cluster.ConnectionString);
    }

    [Fact]
    public async Task Only_who_knows_the_password_gets_in_and_only_from_this_machine()
    {
        await using var cluster = new PostgresCluster();
        await cluster.StartAsync();
        await AssertOpensAsync(cluster.ConnectionString);
        var wrong = new NpgsqlConnectionStringBuilder(cluster.ConnectionString) { Password = "guess" };
        await using var connection = new NpgsqlConnection(wrong.ConnectionString);
        var refused = await Assert.ThrowsAsync<PostgresException>(() => connection.OpenAsync());
        Assert.Equal(PostgresErrorCodes.InvalidPassword, refused.SqlState);

        await using var dataSource = NpgsqlDataSource.Create(cluster.ConnectionString);
        await using var listens = dataSource.CreateCommand("show listen_addresses");
        Assert.Equal("127.0.0.1", await listens.ExecuteScalarAsync());
    }

    [Fact]
    public async Task A_number_left_behind_that_another_process_has_by_now_is_recognised_and_that_process_left_alone()
    {
        await using var cluster = new PostgresCluster();
        await cluster.StartAsync();
        await cluster.StopAsync();
        using var other = Process.Start("sleep", "600");
        await cluster.LeaveBehindAsync(other.Id);
        await cluster.StopAsync();
        Assert.False(other.HasExited);
        await cluster.StartAsync();
        await AssertOpensAsync(cluster.ConnectionString);
        await cluster.StopAsync();
        Assert.False(other.HasExited);
        other.Kill();
    }

    [Fact]
    public async Task A_killed_database_comes_back_on_its_port_with_sums_over_its_pages()
    {
        await using var cluster = new PostgresCluster();
        await cluster.StartAsync();
        var before = cluster.ConnectionString;
        await cluster.KillAsync();
        await cluster.StartAsync();
        Assert.Equal(before, cluster.ConnectionString);
        await using var dataSource = NpgsqlDataSource.Create(cluster.ConnectionString);
        await using var sums = dataSource.CreateCommand("show data_checksums");
        Assert.Equal("on", await sums.ExecuteScalarAsync());
    }

    [Theory]
    [InlineData("start", "--port", "many")]
    [InlineData("start", "--port", "99999")]
    [InlineData("start", "--loud")]
    [InlineData("scripts/postgres", "dance")]
    public async Task A_wrong_option_is_refused(string script, params string[] arguments) =>
        await Assert.ThrowsAsync<InvalidOperationException>(() => Repository.RunAsync(script, arguments));

    private static async Task AssertOpensAsync(string connectionString)
    {
        await using var connection = new NpgsqlConnection(connectionString);
        await connection.OpenAsync();
    }
}
