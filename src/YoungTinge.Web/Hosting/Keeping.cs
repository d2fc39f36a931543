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
        await using var databases = new StudioDatabases(connection);
        try
        {
            // A maker's own before the demo.
            if ((await new StudioStore(databases.Door).ListAsync(CancellationToken.None)).FirstOrDefault() is not { } studio)
            {
                await Console.Error.WriteLineAsync("There is no studio yet. Start, make one, and try again.");
                return 1;
            }

            var archive = new ArchiveStore(databases.Of(studio.Id).DataSource, PictureFile.IsPicture);
            return what == "backup" ? await BackupAsync(studio, archive) : await RestoreAsync(studio, archive);
        }
        catch (Exception exception) when (exception is IOException or UnauthorizedAccessException or NpgsqlException)
        {
            await Console.Error.WriteLineAsync($"That did not work: {exception.Message}");
            return 1;
        }
    }

    private static async Task<int> BackupAsync(Studio studio, ArchiveStore archive)
    {
        await using var file = Uploads.NewSpool();
        var (rows, pictures) = await archive.WriteProvenAsync(studio.Id, file, CancellationToken.None);
        await using var output = Console.OpenStandardOutput();
        await file.CopyToAsync(output);
        await Console.Error.WriteLineAsync($"{studio.Name} is kept: {rows} rows and {pictures} pictures, {Size(file.Length)}. It was read back.");
        return 0;
    }

    private static async Task<int> RestoreAsync(Studio studio, ArchiveStore archive)
    {
        await using var file = Uploads.NewSpool();
        await using (var input = Console.OpenStandardInput())
            await input.CopyToAsync(file);
        file.Position = 0;
        var told = 0;
        switch (await archive.RestoreAsync(studio.Id, file, CancellationToken.None, Tell))
        {
            case RestoreResult.Restored restored:
                Console.WriteLine($"This is now {restored.Name} as it was kept. {studio.Name} as it was before can be brought back under Files.");
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
