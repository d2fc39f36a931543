using System.Buffers.Binary;
using System.Text;
using System.Text.Json;

namespace YoungTinge.Store.Archives;

/// <summary>Whose archive it is, told from the first bytes of a file that may be gigabytes long.</summary>
public static class ArchiveHead
{
    /// <summary>So much of the file is enough.</summary>
    public const int Bytes = 256 * 1024;

    private const int LocalHeader = 30;

    /// <returns>The studio's name, null if its beginning does not tell; or the problem if it is no archive at all.</returns>
    public static (string? StudioName, ArchiveProblem? Problem) Look(ReadOnlySpan<byte> head)
    {
        if (head.StartsWith("PK\x03\x04"u8))
            return Named(Inside(head));
        // A byte order mark may stand before the JSON of older archives.
        var json = head.StartsWith("\uFEFF"u8) ? head[3..] : head;
        return Named(json);
    }

    private static (string?, ArchiveProblem?) Named(ReadOnlySpan<byte> json)
    {
        try
        {
            var reader = new Utf8JsonReader(json, isFinalBlock: false, default);
            string? format = null, name = null;
            var (inStudio, key) = (false, "");
            while (reader.Read())
            {
                if (reader.TokenType == JsonTokenType.PropertyName)
                    key = reader.GetString()!;
                else if (reader.TokenType == JsonTokenType.StartObject && reader.CurrentDepth == 1)
                    inStudio = key == "studio";
                else if (reader.TokenType == JsonTokenType.EndObject && reader.CurrentDepth == 1)
                    inStudio = false;
                else if (reader.TokenType == JsonTokenType.String && reader.CurrentDepth == 1 && key == "format")
                    format = reader.GetString();
                else if (reader.TokenType == JsonTokenType.String && reader.CurrentDepth == 2 && inStudio && key == "name")
                    name = reader.GetString();
                if (format is not null && name is not null)
                    break;
            }

            return format == ArchiveStore.Format ? (name, name is null ? ArchiveProblem.Damaged : null) : (null, ArchiveProblem.NotAnArchive);
        }
        catch (Exception exception) when (exception is JsonException or InvalidOperationException)
        {
            return (null, ArchiveProblem.NotAnArchive);
        }
    }

    /// <summary>The first file in a zip, if it is the head and not packed (PKWARE APPNOTE, 4.3.7); nothing else.</summary>
    private static ReadOnlySpan<byte> Inside(ReadOnlySpan<byte> zip)
    {
        if (zip.Length < LocalHeader)
            return [];
        var method = BinaryPrimitives.ReadUInt16LittleEndian(zip[8..]);
        int name = BinaryPrimitives.ReadUInt16LittleEndian(zip[26..]), extra = BinaryPrimitives.ReadUInt16LittleEndian(zip[28..]);
        return method == 0 && zip.Length > LocalHeader + name + extra && Encoding.ASCII.GetString(zip.Slice(LocalHeader, name)) == ArchiveNames.Head
            ? zip[(LocalHeader + name + extra)..]
            : [];
    }
}
