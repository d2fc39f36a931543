using System.Globalization;
using System.Text.Json;
using CsCheck;

namespace YoungTinge.Client.Tests;

/// <summary>What is read from a keyboard and from the server.</summary>
public class ReadingTests
{
    [Theory]
    [InlineData("1.5", ".", 1.5)]
    [InlineData("1,5", ",", 1.5)]
    [InlineData("0,25", ".", 0.25)]
    [InlineData("-.5", ".", -0.5)]
    [InlineData("1 234,5", ",", 1234.5)]
    [InlineData("1,234,567.8", ".", 1234567.8)]
    [InlineData("\u22123", ".", -3)]
    public void Numbers_are_read_as_they_are_meant(string text, string point, double value) =>
        Assert.Equal(value, Read(text, point).GetProperty("value").GetDouble());

    [Theory]
    [InlineData("1,200", ".")]
    [InlineData("1.200", ",")]
    public void What_may_mean_two_things_is_asked(string text, string point) => Assert.Equal("ambiguous", Read(text, point).GetProperty("kind").GetString());

    [Theory]
    [InlineData("")]
    [InlineData("abc")]
    [InlineData("1.2.3")]
    [InlineData("12 34")]
    [InlineData("1e5")]
    [InlineData("--1")]
    public void Anything_else_is_not_guessed(string text) => Assert.Equal("unreadable", Read(text, ".").GetProperty("kind").GetString());

    [Fact]
    public void Every_number_is_read_again_as_it_was_written() => Gen.Select(Gen.Double[-1e6, 1e6], Gen.Bool).Holds((value, isPoint) =>
    {
        // Not to three places: those may part thousands, and are asked about.
        var point = isPoint ? "." : ",";
        var rounded = Math.Round(value, 2);
        var text = rounded.ToString("0.##", CultureInfo.InvariantCulture).Replace(".", point, StringComparison.Ordinal);
        Assert.Equal(rounded, Read(text, point).GetProperty("value").GetDouble());
    }, turns: 60);

    /// <summary>A network cuts where it likes.</summary>
    [Fact]
    public void Progress_is_heard_wherever_the_text_is_cut() => Gen.Int[1, 40].Array[1, 20].Holds(cuts => Assert.Equal("""[[0.25,0.5],{"answer":{"x":"\u00e9"}}]""",
        JsonSerializer.Serialize(JsonSerializer.Deserialize<JsonElement>(ClientCore.Run("""
            const text = '{"progress":0.25}\n\n{"progress":0.5}\n{"answer":{"x":"é"}}\n'
            const shares = []
            const lines = new ProgressLines((share) => shares.push(share))
            let heard = null, at = 0
            for (let i = 0; at < text.length && !heard; i++) {
              heard = lines.hear(text.slice(at, at + given[i % given.length]))
              at += given[i % given.length]
            }
            return [shares, heard]
            """, JsonSerializer.Serialize(cuts)))).Replace("\\u00E9", "\\u00e9", StringComparison.Ordinal)), turns: 60);

    [Fact]
    public void Work_that_fails_says_why() => Assert.Equal("""["tooManyColours",true]""", ClientCore.Run("""
        try {
          new ProgressLines(() => {}).hear('{"trouble":{"code":"tooManyColours","problems":[]}}\n')
        } catch (failure) {
          return [failure.code, failure instanceof RequestFailed]
        }
        """));

    private static JsonElement Read(string text, string point) =>
        JsonSerializer.Deserialize<JsonElement>(ClientCore.Run("return readNumber(given[0], given[1])", JsonSerializer.Serialize(new[] { text, point })));
}
