using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.CoatPlanning;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Marble;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Ombre;
using YoungTinge.Core.Pictures;
using YoungTinge.Core.Scheduling;
using YoungTinge.Store;
using YoungTinge.Testing;
using YoungTinge.Web.Plan;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Tests;

/// <summary>Whatever the server can say is wrong, the client has words for.</summary>
public partial class WordsTests
{
    private static readonly string Client = Path.Combine(Repository.Folder, "client", "src");

    private static readonly JsonObject Words = WordsIn([.. Directory.EnumerateFiles(Path.Combine(Client, "locales", "en")).Select(file => Path.GetFileNameWithoutExtension(file))]);

    private static JsonObject WordsIn(params string[] groups) => new(groups
        .SelectMany(group => JsonNode.Parse(File.ReadAllText(Path.Combine(Client, "locales", "en", $"{group}.json")))!.AsObject())
        .Select(one => KeyValuePair.Create(one.Key, one.Value?.DeepClone())));

    private static IEnumerable<string> Codes<T>() where T : struct, Enum => Enum.GetNames<T>().Select(JsonNamingPolicy.CamelCase.ConvertName);

    public static TheoryData<string, string[]> Told => new()
    {
        { "problem", [.. Codes<PlanProblemCode>(), .. Codes<SearchProblemCode>(), .. Codes<OmbreProblemCode>(), .. Codes<MarbleProblemCode>(), .. Codes<PieceProblemCode>(), .. Codes<MakerProblemCode>(), "noFlowers", "flowersOutOfRange"] },
        { "trouble", [.. Codes<ApiProblemCode>()] },
        { "pictures.lightDoubt", [.. Codes<LightDoubt>()] },
        { "pictures.patchDoubt", [.. Codes<PatchDoubt>()] },
        { "proposals", [.. Codes<Help>().Select(help => $"help_{help}")] },
        { "commission.is", [.. Codes<CommissionStatus>()] },
        { "commission.shown", [.. Codes<CommissionStatus>()] },
        { "bin.kind", [.. Codes<BinKind>()] },
        { "shelf", [.. Codes<MaterialKind>()] },
        { "ombre.school", [.. Codes<OmbreMethod>()] },
        { "marble.look", [.. Codes<MarbleLook>()] },
        { "plan.obstacle", [.. Codes<ScheduleObstacle>()] },
        { "plan.remedy", [.. Codes<Remedy>()] },
    };

    [Theory]
    [MemberData(nameof(Told))]
    public void Everything_that_can_be_told_has_words(string place, string[] codes)
    {
        var words = place.Split('.').Aggregate((JsonNode)Words, (node, part) => node[part]!).AsObject();
        Assert.All(codes, code => Assert.True(words.ContainsKey(code), code));
    }

    public static TheoryData<string> OtherLanguages => [.. Directory.EnumerateFiles(Path.Combine(Client, "locales"), "*.json").Select(file => Path.GetFileNameWithoutExtension(file))];

    /// <summary>Another language says all that the first says, of the same things, and nothing else.</summary>
    [Theory]
    [MemberData(nameof(OtherLanguages))]
    public void Another_language_is_complete(string tag)
    {
        var theirs = All(JsonNode.Parse(File.ReadAllText(Path.Combine(Client, "locales", $"{tag}.json")))!, "").ToDictionary(one => one.Path, one => one.Text ?? "");
        var first = All(Words, "").ToDictionary(one => one.Path, one => one.Text ?? "");
        Assert.Equal([], first.Keys.Except(theirs.Keys));
        Assert.Equal([], theirs.Keys.Except(first.Keys));
        Assert.All(theirs, one => Assert.False(string.IsNullOrEmpty(one.Value), one.Key));
        static IEnumerable<string> Holes(string text) => Regex.Matches(text, @"\{\{[^}]*\}\}").Select(hole => hole.Value.Replace(" ", "", StringComparison.Ordinal)).Order();
        Assert.Equal([], first.Where(one => !Holes(one.Value).SequenceEqual(Holes(theirs[one.Key]))).Select(one => one.Key));
        // A name and a unit are the same in many languages; a sentence is not.
        Assert.Equal([], first.Where(one => one.Value == theirs[one.Key] && Regex.Matches(Regex.Replace(one.Value, @"\{\{[^}]*\}\}", ""), @"\b[a-z]{3,}\b").Count > 2).Select(one => one.Key));
    }

    [Fact]
    public void No_words_are_empty() => Assert.All(All(Words, ""), one => Assert.False(string.IsNullOrWhiteSpace(one.Text), one.Path));

    /// <summary>What the client says has words, and no words are left that nobody says.</summary>
    [Fact]
    public void Words_and_the_places_that_say_them_agree()
    {
        var source = string.Join('\n', Directory.EnumerateFiles(Client, "*.ts*", SearchOption.AllDirectories)
            .Where(file => !file.EndsWith("schema.d.ts", StringComparison.Ordinal)).Select(File.ReadAllText));
        // What a calendar says the server says.
        var paths = All(Words, "").Select(one => Plural().Replace(one.Path, "")).Where(path => !path.StartsWith(CalendarWords.Section, StringComparison.Ordinal)).ToHashSet();

        var said = Said().Matches(source).Select(match => match.Groups[1].Value).ToHashSet();
        Assert.Equal([], said.Except(paths));

        var quoted = Quoted().Matches(source).Select(match => match.Groups[1].Value).ToHashSet();
        var patterns = Composed().Matches(source).Select(match => match.Groups[1].Value).Where(text => text.Contains('.') && text.Contains("${")).Distinct()
            .Select(text => new Regex($"^{string.Join("[^.]+", Hole().Split(text).Select(Regex.Escape))}$")).ToList();
        Assert.Equal([], paths.Except(quoted).Where(path => !patterns.Any(pattern => pattern.IsMatch(path))));
    }

    /// <summary>Each page with the file that draws it and the words that come with it.</summary>
    public static TheoryData<string, string[]> Pages
    {
        get
        {
            var pages = Page().Matches(File.ReadAllText(Path.Combine(Client, "App.tsx"))).Select(match =>
                (File: $"{match.Groups[1].Value}.tsx", Groups: match.Groups[2].Success ? Regex.Matches(match.Groups[2].Value, "\\w+").Select(group => group.Value) : ["rest"]));
            var data = new TheoryData<string, string[]>();
            foreach (var (file, groups) in pages) data.Add(file, ["first", .. groups]);
            return data;
        }
    }

    /// <summary>No page, and nothing that is drawn round it, says what has not come yet.</summary>
    [Theory]
    [MemberData(nameof(Pages))]
    public void What_a_page_says_comes_with_it(string page, string[] groups) => SaysNoMoreThan(groups, ["main.tsx", page], []);

    /// <summary>Of these files and all that they import; a part that is fetched later may bring words of its own.</summary>
    private static void SaysNoMoreThan(IReadOnlyList<string> groups, IEnumerable<string> roots, IEnumerable<string> known)
    {
        var words = WordsIn([.. groups]);
        var sections = words.Select(one => one.Key).ToHashSet();
        var paths = All(words, "").Select(one => Plural().Replace(one.Path, "")).ToHashSet();
        var files = known.ToHashSet();
        var waiting = new Stack<string>(roots);
        var later = new List<(string File, string[] Groups)>();
        while (waiting.TryPop(out var file))
        {
            // Places are fetched from there, each when it is opened.
            if (file == "App.tsx" || !files.Add(file)) continue;
            var source = File.ReadAllText(Path.Combine(Client, file));
            var withWords = LaterWithWords().Matches(source).ToDictionary(match => match.Groups[1].Value, match => Regex.Matches(match.Groups[2].Value, "\\w+").Select(group => group.Value).ToArray());
            foreach (Match import in Imported().Matches(source))
            {
                var path = Path.GetRelativePath(Client, Path.GetFullPath(Path.Combine(Client, Path.GetDirectoryName(file)!, import.Groups[1].Value)));
                foreach (var one in new[] { $"{path}.ts", $"{path}.tsx" }.Where(one => File.Exists(Path.Combine(Client, one))))
                {
                    if (withWords.TryGetValue(import.Groups[1].Value, out var more)) later.Add((one, more));
                    else waiting.Push(one);
                }
            }
        }

        foreach (var part in later) SaysNoMoreThan([.. groups, .. part.Groups], [part.File], files);
        files.ExceptWith(known);
        // Its functions belong to many pages, and each calls what it has words for.
        files.Remove("shared/words.ts");
        Assert.All(files, file =>
        {
            var source = File.ReadAllText(Path.Combine(Client, file));
            Assert.Equal([], Said().Matches(source).Select(match => match.Groups[1].Value).Except(paths));
            Assert.Equal([], SaidIn().Matches(source).Select(match => match.Groups[1].Value).Except(sections));
        });
    }

    [GeneratedRegex(@"later\([^,]*,\s*async \(\) => \(await import\('(\.[^']*)'\)\)\.\w+,\s*\[([^\]]*)\]")]
    private static partial Regex LaterWithWords();

    [GeneratedRegex(@"\bt\(\s*`(\w+)\.")]
    private static partial Regex SaidIn();

    [GeneratedRegex(@"import\('\./(places/[^']*)'\)\)\.\w+(?:,\s*\[([^\]]*)\])?")]
    private static partial Regex Page();

    [GeneratedRegex(@"(?:^import (?!type )[^']*|import\()'(\.[^']*)'", RegexOptions.Multiline)]
    private static partial Regex Imported();

    [GeneratedRegex("_(zero|one|other)$")]
    private static partial Regex Plural();

    [GeneratedRegex(@"\bt\(\s*'([\w.-]+)'")]
    private static partial Regex Said();

    [GeneratedRegex(@"'([\w-]+(?:\.[\w-]+)+)'")]
    private static partial Regex Quoted();

    [GeneratedRegex(@"`((?:[\w.-]|\$\{[^}`]*\})+)`")]
    private static partial Regex Composed();

    [GeneratedRegex(@"\$\{[^}]*\}")]
    private static partial Regex Hole();

    private static IEnumerable<(string Path, string? Text)> All(JsonNode node, string path) => node.AsObject().SelectMany(
        one => one.Value is JsonObject inner ? All(inner, $"{path}{one.Key}.") : [(path + one.Key, (string?)one.Value)]);
}
