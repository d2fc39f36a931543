using System.Text.Json;
using System.Text.Json.Nodes;
using YoungTinge.Core.Coats;
using YoungTinge.Core.Marble;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Ombre;
using YoungTinge.Testing;
using YoungTinge.Web.Hosting;

namespace YoungTinge.Web.Tests;

/// <summary>Whatever the server can say is wrong, the client has words for.</summary>
public class WordsTests
{
    private static readonly JsonNode Words = JsonNode.Parse(File.ReadAllText(Path.Combine(Repository.Folder, "client", "src", "locales", "en.json")))!;

    private static IEnumerable<string> Codes<T>() where T : struct, Enum => Enum.GetNames<T>().Select(JsonNamingPolicy.CamelCase.ConvertName);

    public static TheoryData<string, string[]> Told => new()
    {
        { "problem", [.. Codes<PlanProblemCode>(), .. Codes<SearchProblemCode>(), .. Codes<OmbreProblemCode>(), .. Codes<MarbleProblemCode>(), "noFlowers", "flowersOutOfRange"] },
        { "trouble", [.. Codes<TroubleCode>()] },
        { "ombre.school", [.. Codes<OmbreSchool>()] },
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
    public void No_words_are_empty()
    {
        var empty = new List<string>();
        Look(Words, "");
        Assert.Empty(empty);

        void Look(JsonNode node, string path)
        {
            foreach (var (key, value) in node.AsObject())
            {
                if (value is JsonObject inner)
                    Look(inner, $"{path}{key}.");
                else if (string.IsNullOrWhiteSpace((string?)value))
                    empty.Add(path + key);
            }
        }
    }
}
