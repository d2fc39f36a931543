using System.Globalization;
using Npgsql;
using YoungTinge.Files.Pictures;
using YoungTinge.Store;
using YoungTinge.Store.Archives;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Hosting;

/// <summary>Backups without a browser: <c>backup</c> writes an archive to its output, <c>restore</c> reads one from its input. While the server runs or not.</summary>
public static class Keeping
{
    public static async Task<int> RunAsync(string what)
    {
        if (Setup.Connection() is not { } connection)
            return 2;
        await using var dataSource = NpgsqlDataSource.Create(connection);
        var archive = new ArchiveStore(dataSource, PictureFile.IsPicture);
        try
        {
            return what == "backup" ? await BackupAsync(dataSource, archive) : await RestoreAsync(dataSource, archive);
        }
        catch (Exception exception) when (exception is IOException or UnauthorizedAccessException or NpgsqlException)
        {
            await Console.Error.WriteLineAsync($"That did not work: {exception.Message}");
            return 1;
        }
    }

    private static async Task<int> BackupAsync(NpgsqlDataSource dataSource, ArchiveStore archive)
    {
        if (await new StudioStore(dataSource).FindFirstAsync(CancellationToken.None) is not { } studio)
        {
            await Console.Error.WriteLineAsync("There is no studio to keep.");
            return 1;
        }

        await using var file = Uploads.NewSpool();
        await archive.WriteAsync(studio.Id, file, CancellationToken.None);
        file.Position = 0;
        if (await ArchiveStore.CountAsync(file, CancellationToken.None) is not var (rows, pictures))
            throw new IOException("What was written cannot be read back.");
        file.Position = 0;
        await using var output = Console.OpenStandardOutput();
        await file.CopyToAsync(output);
        await Console.Error.WriteLineAsync($"{studio.Name} is kept: {rows} rows and {pictures} pictures, {Size(file.Length)}. It was read back.");
        return 0;
    }

    private static async Task<int> RestoreAsync(NpgsqlDataSource dataSource, ArchiveStore archive)
    {
        await using var file = Uploads.NewSpool();
        await using (var input = Console.OpenStandardInput())
            await input.CopyToAsync(file);
        file.Position = 0;
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
                    ArchiveProblem.NotAnArchive => "This is no archive of a studio.",
                    ArchiveProblem.OtherVersion => "It was written by a newer version than this one.",
                    _ => $"It is damaged ({refused.Table}). Nothing was changed.",
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
