using System.Globalization;
using Npgsql;
using YoungTinge.Files.Pictures;
using YoungTinge.Store;
using YoungTinge.Store.Archives;

namespace YoungTinge.Web.Hosting;

/// <summary>Backups without a browser: <c>backup FILE</c> and <c>restore FILE</c>, while the server runs or not.</summary>
public static class Keeping
{
    /// <summary>A backup that is being written has this ending; only a whole one gets its name.</summary>
    private const string Unfinished = ".part";

    public static async Task<int> RunAsync(string what, string path)
    {
        if (Setup.Connection() is not { } connection)
            return 2;
        await using var dataSource = NpgsqlDataSource.Create(connection);
        var archive = new ArchiveStore(dataSource, PictureFile.IsPicture);
        try
        {
            return what == "backup" ? await BackupAsync(dataSource, archive, path) : await RestoreAsync(dataSource, archive, path);
        }
        catch (Exception exception) when (exception is IOException or UnauthorizedAccessException or NpgsqlException)
        {
            await Console.Error.WriteLineAsync($"That did not work: {exception.Message}");
            return 1;
        }
    }

    private static async Task<int> BackupAsync(NpgsqlDataSource dataSource, ArchiveStore archive, string path)
    {
        if (await new StudioStore(dataSource).FindFirstAsync(CancellationToken.None) is not { } studio)
        {
            await Console.Error.WriteLineAsync("There is no studio to keep.");
            return 1;
        }

        await using (var file = new FileStream(path + Unfinished, FileMode.Create, FileAccess.ReadWrite))
        {
            await archive.WriteAsync(studio.Id, file, CancellationToken.None);
            file.Flush(flushToDisk: true);
            file.Position = 0;
            if (await ArchiveStore.CountAsync(file, CancellationToken.None) is not var (rows, pictures))
                throw new IOException("What was written cannot be read back.");
            File.Move(path + Unfinished, path, overwrite: true);
            Console.WriteLine($"{studio.Name} is kept in {path}: {rows} rows and {pictures} pictures, {Size(file.Length)}. It was read back.");
        }

        return 0;
    }

    private static async Task<int> RestoreAsync(NpgsqlDataSource dataSource, ArchiveStore archive, string path)
    {
        await using var file = File.OpenRead(path);
        var current = await new StudioStore(dataSource).FindFirstAsync(CancellationToken.None);
        var told = 0;
        switch (await archive.RestoreAsync(current?.Id, file, CancellationToken.None, Tell))
        {
            case RestoreResult.Restored restored:
                Console.WriteLine($"This is now {restored.Name} as it was kept." + (current is null ? "" : $" {current.Name} as it was before can be brought back under Files."));
                return 0;
            case RestoreResult.Refused refused:
                await Console.Error.WriteLineAsync(refused.Problem switch
                {
                    ArchiveProblem.NotAnArchive => $"{path} is no archive of a studio.",
                    ArchiveProblem.OtherVersion => $"{path} was written by a newer version than this one.",
                    _ => $"{path} is damaged ({refused.Table}). Nothing was changed.",
                });
                return 1;
            default:
                throw new InvalidOperationException("An archive is restored or refused.");
        }

        void Tell(double share)
        {
            if ((int)(10 * share) <= told)
                return;
            told = (int)(10 * share);
            Console.WriteLine($"{10 * told} %");
        }
    }

    private static string Size(long bytes) => string.Create(CultureInfo.InvariantCulture, $"{bytes / 1e6:0.0} MB");
}
