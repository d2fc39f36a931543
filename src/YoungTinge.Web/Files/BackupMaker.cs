using System.Security.Cryptography;
using YoungTinge.Files.Pictures;
using YoungTinge.Store;
using YoungTinge.Store.Archives;

namespace YoungTinge.Web.Files;

/// <summary>Makes copies of a whole studio in the folder that the server's keeper has named, and reads each back before it counts.</summary>
public sealed class BackupMaker(IConfiguration configuration, TimeProvider clock)
{
    private readonly string? folder = configuration["Backups:Folder"] is { Length: > 0 } named ? named : null;

    /// <summary>Whether a folder was named.</summary>
    public bool CanMake => folder is not null;

    /// <exception cref="IOException">It could not be written, or not be read back.</exception>
    public async Task<Backup> MakeAsync(StudioDatabase studio, CancellationToken cancel)
    {
        var id = Guid.CreateVersion7(clock.GetUtcNow());
        var path = PathOf(studio.StudioId, id)!;
        Directory.CreateDirectory(Path.GetDirectoryName(path)!);
        var part = path + ".part";
        try
        {
            Backup made;
            await using (var file = new FileStream(part, FileMode.Create, FileAccess.ReadWrite, FileShare.Read, 1 << 16, useAsync: true))
            {
                var (rows, pictures) = await new ArchiveStore(studio.DataSource, PictureFile.IsPicture).WriteProvenAsync(studio.StudioId, file, cancel);
                file.Flush(flushToDisk: true);
                made = new Backup(id, clock.GetUtcNow(), file.Length, rows, pictures, await SHA256.HashDataAsync(file, cancel));
            }

            File.Move(part, path);
            return made;
        }
        finally
        {
            File.Delete(part);
        }
    }

    /// <summary>Lets go of copies beyond those that are to be kept.</summary>
    public async Task TidyAsync(StudioDatabase studio, CancellationToken cancel)
    {
        var backups = new BackupStore(studio.DataSource);
        var schedule = await backups.ScheduleAsync(studio.StudioId, cancel);
        foreach (var old in (await backups.ListAsync(studio.StudioId, cancel)).Skip(schedule.Keep))
        {
            File.Delete(PathOf(studio.StudioId, old.Id)!);
            await backups.ForgetAsync(studio.StudioId, old.Id, cancel);
        }
    }

    /// <summary>Opens a copy; null if its file is gone, or is not any more what was written.</summary>
    public async Task<FileStream?> OpenAsync(Guid studioId, Backup backup, CancellationToken cancel)
    {
        if (PathOf(studioId, backup.Id) is not { } path || !File.Exists(path))
            return null;
        var file = new FileStream(path, FileMode.Open, FileAccess.Read, FileShare.Read | FileShare.Delete, 1 << 16, useAsync: true);
        if (file.Length == backup.Bytes && (await SHA256.HashDataAsync(file, cancel)).AsSpan().SequenceEqual(backup.Sha256))
        {
            file.Position = 0;
            return file;
        }

        await file.DisposeAsync();
        return null;
    }

    private string? PathOf(Guid studioId, Guid id) => folder is null ? null : Path.Combine(folder, studioId.ToString("N"), $"{id:N}.zip");
}
