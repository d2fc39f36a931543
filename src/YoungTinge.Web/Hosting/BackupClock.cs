using Npgsql;
using YoungTinge.Store;
using YoungTinge.Store.Archives;
using YoungTinge.Store.People;
using YoungTinge.Web.Files;

namespace YoungTinge.Web.Hosting;

/// <summary>Makes the copies that are due, on whichever server looks first.</summary>
internal sealed class BackupClock(StudioDatabases databases, BackupMaker maker, IConfiguration configuration, TimeProvider clock, ILogger<BackupClock> log) : BackgroundService
{
    private static readonly TimeSpan Pause = TimeSpan.FromSeconds(20);

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        if (!maker.CanMake || string.IsNullOrEmpty(configuration.GetConnectionString(Server.ConnectionName)))
            return;
        using var timer = new PeriodicTimer(Pause, clock);
        do
        {
            try
            {
                foreach (var studioId in await BackupStore.DueAsync(databases.Door, clock.GetUtcNow(), stoppingToken))
                    await MakeAsync(databases.Of(studioId), stoppingToken);
            }
            catch (Exception failure) when (failure is not OperationCanceledException)
            {
                // Whatever it was: the server serves on, and it is asked again.
                log.LogWarning(failure, "Which backups are due could not be asked");
            }
        }
        while (await timer.WaitForNextTickAsync(stoppingToken));
    }

    private async Task MakeAsync(StudioDatabase studio, CancellationToken stopping)
    {
        try
        {
            await new BackupStore(studio.DataSource).MakeDueAsync(studio.StudioId, clock.GetUtcNow(), cancel => maker.MakeAsync(studio, cancel), stopping);
            await maker.TidyAsync(studio, stopping);
            await new AuditStore(studio.DataSource).TidyAsync(studio.StudioId, clock.GetUtcNow(), stopping);
        }
        catch (Exception failure) when (failure is IOException or UnauthorizedAccessException or NpgsqlException)
        {
            // It stays due, and is tried again.
            log.LogError(failure, "The backup of {Studio} was not made", studio.StudioId);
        }
    }
}
