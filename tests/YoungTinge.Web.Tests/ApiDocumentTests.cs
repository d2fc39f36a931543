using System.Text.Json.Nodes;
using YoungTinge.Testing;
using YoungTinge.Web.Hosting;

namespace YoungTinge.Web.Tests;

/// <summary>The API explains itself: someone who has only its description knows what each thing is and how it may fail.</summary>
public class ApiDocumentTests
{
    private static IEnumerable<(string Schema, string Name, JsonNode Property)> Properties =>
        from schema in ApiDocument.Root["components"]!["schemas"]!.AsObject()
        where schema.Value!["properties"] is JsonObject
        from property in schema.Value!["properties"]!.AsObject()
        select (schema.Key, property.Key, property.Value!);

    private static IEnumerable<JsonNode> Parameters => ApiDocument.Operations.SelectMany(operation => operation.Description["parameters"]?.AsArray() ?? []).OfType<JsonNode>();

    [Fact]
    public void Every_operation_says_what_it_does_and_no_two_say_the_same()
    {
        var summaries = ApiDocument.Operations.Select(operation => (Of: $"{operation.Method} {operation.Path}", Says: (string?)operation.Description["summary"])).ToList();
        Assert.Empty(summaries.Where(one => string.IsNullOrWhiteSpace(one.Says)).Select(one => one.Of));
        Assert.Empty(summaries.GroupBy(one => one.Says).Where(group => group.Count() > 1).SelectMany(group => group.Select(one => one.Of)));
    }

    [Fact]
    public void Every_operation_stands_at_a_place_and_tells_how_it_may_fail() => Assert.All(ApiDocument.Operations, operation =>
    {
        Assert.Single(operation.Description["tags"]!.AsArray());
        var responses = operation.Description["responses"]!.AsObject();
        Assert.All(["400", "500", "503"], status => Assert.Contains(status, responses.Select(response => response.Key)));
        Assert.All(responses.Where(response => response.Key[0] is '4' or '5'), response =>
        {
            Assert.Equal("#/components/schemas/ApiProblem", (string?)response.Value!["content"]!["application/problem+json"]!["schema"]!["$ref"]);
            Assert.NotEmpty((string)response.Value["description"]!);
        });
        Assert.Equal(responses.ContainsKey("428"), operation.Description["parameters"]?.AsArray().Any(parameter => (string?)parameter!["name"] == "If-Match") == true);
    });

    [Fact]
    public void Places_are_told_once_and_each_has_something() => Assert.Equal(
        ApiDocument.Root["tags"]!.AsArray().Select(tag => (string)tag!["name"]!).Order(),
        ApiDocument.Operations.Select(operation => (string)operation.Description["tags"]![0]!).Distinct().Order());

    [Fact]
    public void Every_parameter_and_property_says_what_it_is()
    {
        Assert.All(Parameters, parameter => Assert.NotEmpty((string)parameter["description"]!));
        Assert.Empty(Properties.Where(one => string.IsNullOrWhiteSpace((string?)one.Property["description"])).Select(one => $"{one.Schema}.{one.Name}"));
    }

    /// <summary>A unit is in a name and in its words, and they are the same one.</summary>
    [Theory]
    [InlineData("Mm", "mm")]
    [InlineData("MgPerCm2", "mg")]
    [InlineData("MlPerCm2", "ml")]
    [InlineData("Celsius", "Celsius")]
    [InlineData("Hours", "hours")]
    public void A_quantity_says_its_unit(string ending, string unit) => Assert.Empty(
        Properties.Where(one => one.Name.EndsWith(ending, StringComparison.Ordinal) && !((string)one.Property["description"]!).Contains(unit, StringComparison.Ordinal))
            .Select(one => $"{one.Schema}.{one.Name}: {one.Property["description"]}"));

    [Fact]
    public void No_words_are_kept_for_what_is_not_there() =>
        Assert.Empty(PropertyWords.Keys.Except(Properties.SelectMany(one => new[] { one.Name, $"{one.Schema}.{one.Name}" })).Except(Parameters.Select(one => (string)one["name"]!)));
}
