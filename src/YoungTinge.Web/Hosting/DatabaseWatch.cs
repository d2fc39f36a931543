using Microsoft.Extensions.Diagnostics.HealthChecks;
using Npgsql;

namespace YoungTinge.Web.Hosting;

/// <summary>
/// Asks the database again and again whether it is there, over a connection of its own, so that the state is told at once however busy
/// or frozen the database is.
/// </summary>
internal sealed class DatabaseWatch(IConfiguration configuration, TimeProvider clock) : BackgroundService, IHealthCheck
{
    private static readonly TimeSpan Pause = TimeSpan.FromSeconds(0.4);

    /// <summary>With the pause still under the two seconds in which a frozen database is to be noticed.</summary>
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(1.5);

    private volatile string? trouble = "The database has not been asked yet.";

    public Task<HealthCheckResult> CheckHealthAsync(HealthCheckContext context, CancellationToken cancellationToken = default) =>
        Task.FromResult(trouble is { } why ? HealthCheckResult.Unhealthy(why) : HealthCheckResult.Healthy());

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        // The description of the API is made without one.
        if (configuration.GetConnectionString(Server.ConnectionName) is not { Length: > 0 } told)
            return;
        var connection = new NpgsqlConnectionStringBuilder(told)
        {
            Pooling = true,
            MaxPoolSize = 2,
            Timeout = 1,
            CommandTimeout = 1,
            CancellationTimeout = 1,
            ApplicationName = "watch",
        };
        await using var database = NpgsqlDataSource.Create(connection);
        using var timer = new PeriodicTimer(Pause, clock);
        do
        {
            trouble = await LookAsync(database, stoppingToken);
        }
        while (await timer.WaitForNextTickAsync(stoppingToken));
    }

    private async Task<string?> LookAsync(NpgsqlDataSource database, CancellationToken stopping)
    {
        try
        {
            await using var command = database.CreateCommand("select exists (select from studio)");
            await command.ExecuteScalarAsync(stopping).WaitAsync(Patience, clock, stopping);
            return null;
        }
        catch (Exception exception) when (exception is NpgsqlException or TimeoutException or InvalidOperationException)
        {
            return "The database does not answer.";
        }
    }
}
