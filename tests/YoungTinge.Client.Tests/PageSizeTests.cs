using System.IO.Compression;
using System.Text.Json;
using System.Text.RegularExpressions;

namespace YoungTinge.Client.Tests;

/// <summary>How much a browser fetches before it shows a page, by what the built client says that each page needs; without headers.</summary>
public partial class PageSizeTests
{
    private const int FirstPageMaxBytes = 150_000;
    private const int OtherPageMaxBytes = 60_000;
    private const string FirstPage = "src/places/commissions/CommissionsPage.tsx";

    private static readonly string Built = Path.Combine(Repository.Folder, "src", "YoungTinge.Web", "wwwroot");

    private static readonly Dictionary<string, Chunk> Chunks = JsonSerializer.Deserialize<Dictionary<string, Chunk>>(
        File.ReadAllText(Path.Combine(Built, ".vite", "manifest.json")), JsonSerializerOptions.Web)!;

    public static TheoryData<string> OtherPages => [.. Chunks.Where(one => one.Value.IsDynamicEntry && one.Key.StartsWith("src/places/", StringComparison.Ordinal)).Select(one => one.Key).Except([FirstPage])];

    [Fact]
    public void The_first_page_comes_in_150_kB()
    {
        var page = File.ReadAllText(Path.Combine(Built, "index.html"));
        // Fonts are compressed already; what the page names itself is its script, its style and its fonts.
        var named = Named().Matches(page).Select(match => match.Groups[1].Value).ToHashSet();
        Assert.Equal(2, named.Count(file => file.EndsWith(".woff2", StringComparison.Ordinal)));
        var files = named.Concat(FilesOf("index.html")).Concat(FilesOf(FirstPage)).Append("index.html").ToHashSet();
        Assert.InRange(files.Sum(Compressed), 100_000, FirstPageMaxBytes);
    }

    [Theory]
    [MemberData(nameof(OtherPages))]
    public void Any_other_page_brings_60_kB_at_most(string page)
    {
        var there = FilesOf("index.html").Concat(FilesOf(FirstPage));
        Assert.InRange(FilesOf(page).Concat(WordsOf(page)).Except(there).ToHashSet().Sum(Compressed), 1_000, OtherPageMaxBytes);
    }

    /// <summary>Words that this page fetches.</summary>
    private static IEnumerable<string> WordsOf(string page)
    {
        var name = page["src/".Length..^".tsx".Length];
        var app = File.ReadAllText(Path.Combine(Repository.Folder, "client", "src", "App.tsx"));
        var groups = Regex.Match(app, $@"import\('\./{Regex.Escape(name)}'\)\)\.\w+,\s*\[([^\]]*)\]").Groups[1];
        return groups.Success ? Regex.Matches(groups.Value, @"\w+").SelectMany(group => FilesOf($"src/locales/en/{group.Value}.json")) : FilesOf("src/locales/en/rest.json");
    }

    /// <summary>A chunk's own files and those that it cannot be without.</summary>
    private static HashSet<string> FilesOf(string name)
    {
        var files = new HashSet<string>();
        void Take(string one)
        {
            var chunk = Chunks[one];
            if (!files.Add(chunk.File)) return;
            files.UnionWith(chunk.Css ?? []);
            foreach (var import in chunk.Imports ?? []) Take(import);
        }
        Take(name);
        return files;
    }

    private static long Compressed(string file)
    {
        var compressed = new FileInfo(Path.Combine(Built, $"{file}.gz"));
        if (compressed.Exists) return compressed.Length;
        var bytes = File.ReadAllBytes(Path.Combine(Built, file));
        if (file.EndsWith(".woff2", StringComparison.Ordinal)) return bytes.Length;
        using var counted = new MemoryStream();
        using (var zip = new GZipStream(counted, CompressionLevel.Optimal, leaveOpen: true)) zip.Write(bytes);
        return counted.Length;
    }

    private sealed record Chunk(string File, string[]? Imports, string[]? Css, bool IsDynamicEntry);

    [GeneratedRegex("(?:href|src)=\"/(assets/[^\"]*)\"")]
    private static partial Regex Named();
}
