namespace YoungTinge.Store.Archives;

/// <summary>What stands where in an archive.</summary>
internal static class ArchiveNames
{
    public const string Head = "studio.json";

    public const string Pictures = "pictures/";

    public static string Of(ArchiveTable table) => $"tables/{table.Name}.jsonl";

    public static string OfPicture(string sum) => $"{Pictures}{sum}.jpg";
}
