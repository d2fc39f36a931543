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
using YoungTinge.Store;
using YoungTinge.Testing;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Tests;

/// <summary>Whatever the server can say is wrong, the client has words for.</summary>
public partial class WordsTests
{
    private static readonly JsonNode Words = JsonNode.Parse(File.ReadAllText(Path.Combine(Repository.Folder, "client", "src", "locales", "en.json")))!;

    private static IEnumerable<string> Codes<T>() where T : struct, Enum => Enum.GetNames<T>().Select(JsonNamingPolicy.CamelCase.ConvertName);

    public static TheoryData<string, string[]> Told => new()
    {
        { "problem", [.. Codes<PlanProblemCode>(), .. Codes<SearchProblemCode>(), .. Codes<OmbreProblemCode>(), .. Codes<MarbleProblemCode>(), .. Codes<PieceProblemCode>(), "noFlowers", "flowersOutOfRange"] },
        { "trouble", [.. Codes<ApiProblemCode>()] },
        { "pictures.lightDoubt", [.. Codes<LightDoubt>()] },
        { "pictures.patchDoubt", [.. Codes<PatchDoubt>()] },
        { "proposals", [.. Codes<Help>().Select(help => $"help_{help}")] },
        { "commission.is", [.. Codes<CommissionStatus>()] },
        { "commission.shown", [.. Codes<CommissionStatus>()] },
        { "bin.kind", [.. Codes<BinKind>()] },
        { "cabinet.shelf", [.. Codes<MaterialKind>()] },
        { "ombre.school", [.. Codes<OmbreMethod>()] },
        { "marble.look", [.. Codes<MarbleLook>()] },
    };

    [Theory]
    [MemberData(nameof(Told))]
    public void Everything_that_can_be_told_has_words(string place, string[] codes)
    {
        var words = place.Split('.').Aggregate(Words, (node, part) => node[part]!).AsObject();
        Assert.All(codes, code => Assert.True(words.ContainsKey(code), code));
    }

    [Fact]
    public void No_words_are_empty() => Assert.All(All(Words, ""), one => Assert.False(string.IsNullOrWhiteSpace(one.Text), one.Path));

    /// <summary>What the client says has words, and no words are left that nobody says.</summary>
    [Fact]
    public void Words_and_the_places_that_say_them_agree()
    {
        var source = string.Join('\n', Directory.EnumerateFiles(Path.Combine(Repository.Folder, "client", "src"), "*.ts*", SearchOption.AllDirectories)
            .Where(file => !file.EndsWith("schema.d.ts", StringComparison.Ordinal)).Select(File.ReadAllText));
        var paths = All(Words, "").Select(one => Plural().Replace(one.Path, "")).ToHashSet();

        var said = Said().Matches(source).Select(match => match.Groups[1].Value).ToHashSet();
        Assert.Equal([], said.Except(paths));

        var quoted = Quoted().Matches(source).Select(match => match.Groups[1].Value).ToHashSet();
        var patterns = Composed().Matches(source).Select(match => match.Groups[1].Value).Where(text => text.Contains('.') && text.Contains("${")).Distinct()
            .Select(text => new Regex($"^{string.Join("[^.]+", Hole().Split(text).Select(Regex.Escape))}$")).ToList();
        Assert.Equal([], paths.Except(quoted).Where(path => !patterns.Any(pattern => pattern.IsMatch(path))));
    }

    [GeneratedRegex("_(one|other)$")]
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
