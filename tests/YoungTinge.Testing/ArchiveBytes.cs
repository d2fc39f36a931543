using System.IO.Compression;
using System.Text;
using System.Text.Json.Nodes;
using YoungTinge.Store.Archives;

namespace YoungTinge.Testing;

/// <summary>Archives in memory, to be compared and changed.</summary>
public static class ArchiveBytes
{
    private static readonly CancellationToken Cancel = CancellationToken.None;

    public static async Task<byte[]> WriteAsync(this ArchiveStore archive, Guid studioId)
    {
        using var to = new MemoryStream();
        await archive.WriteAsync(studioId, to, Cancel);
        return to.ToArray();
    }

    public static Task<RestoreResult> RestoreAsync(this ArchiveStore archive, Guid studioId, byte[] file) =>
        archive.RestoreAsync(studioId, new MemoryStream(file), Cancel);

    /// <summary>As one JSON document: <c>studio</c> and a list of rows for each of the <c>tables</c>.</summary>
    public static JsonNode Read(byte[] file)
    {
        using var zip = new ZipArchive(new MemoryStream(file));
        var document = JsonNode.Parse(Text(zip.GetEntry("studio.json")!))!;
        document["tables"] = new JsonObject(zip.Entries.Where(entry => entry.FullName.StartsWith("tables/", StringComparison.Ordinal)).Select(entry =>
            KeyValuePair.Create<string, JsonNode?>(Path.GetFileNameWithoutExtension(entry.Name), new JsonArray([.. Text(entry).Split('\n', StringSplitOptions.RemoveEmptyEntries).Select(row => JsonNode.Parse(row))]))));
        return document;
    }

    /// <summary>The same archive with other studio and rows; its pictures stay, unless they are changed too.</summary>
    public static byte[] With(byte[] file, JsonNode document, Func<byte[], byte[]>? picture = null)
    {
        using var from = new ZipArchive(new MemoryStream(file));
        using var to = new MemoryStream();
        using (var zip = new ZipArchive(to, ZipArchiveMode.Create, leaveOpen: true))
        {
            var head = new JsonObject(document.AsObject().Where(part => part.Key != "tables").Select(part => KeyValuePair.Create(part.Key, part.Value?.DeepClone())));
            Put(zip, "studio.json", Encoding.UTF8.GetBytes(head.ToJsonString()));
            foreach (var (name, rows) in document["tables"]!.AsObject())
                Put(zip, $"tables/{name}.jsonl", Encoding.UTF8.GetBytes(rows is JsonArray list ? string.Concat(list.Select(row => (row?.ToJsonString() ?? "null") + "\n")) : rows?.ToJsonString() ?? ""));
            foreach (var entry in from.Entries.Where(entry => entry.FullName.StartsWith("pictures/", StringComparison.Ordinal)))
                Put(zip, entry.FullName, picture is null ? Bytes(entry) : picture(Bytes(entry)));
        }

        return to.ToArray();
    }

    private static void Put(ZipArchive zip, string name, byte[] bytes)
    {
        using var entry = zip.CreateEntry(name).Open();
        entry.Write(bytes);
    }

    private static string Text(ZipArchiveEntry entry) => Encoding.UTF8.GetString(Bytes(entry));

    private static byte[] Bytes(ZipArchiveEntry entry)
    {
        using var stream = entry.Open();
        using var bytes = new MemoryStream();
        stream.CopyTo(bytes);
        return bytes.ToArray();
    }
}
