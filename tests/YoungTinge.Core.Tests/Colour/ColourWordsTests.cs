using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Tests.Colour;

public class ColourWordsTests
{
    public static TheoryData<string, LightnessWord, ChromaWord, HueWord?> KnownColours => new()
    {
        { "#ffffff", LightnessWord.Pale, ChromaWord.Neutral, null },
        { "#000000", LightnessWord.VeryDark, ChromaWord.Neutral, null },
        { "#8f8f8f", LightnessWord.Mid, ChromaWord.Neutral, null },
        { "#e30613", LightnessWord.Mid, ChromaWord.Vivid, HueWord.Red },
        { "#ff9a3c", LightnessWord.Light, ChromaWord.Vivid, HueWord.Orange },
        { "#ffe14d", LightnessWord.Pale, ChromaWord.Vivid, HueWord.Yellow },
        { "#b7d36b", LightnessWord.Light, ChromaWord.Clear, HueWord.YellowGreen },
        { "#2e7d4f", LightnessWord.Mid, ChromaWord.Clear, HueWord.Green },
        { "#1b8a8f", LightnessWord.Mid, ChromaWord.Soft, HueWord.Teal },
        { "#2a6fbf", LightnessWord.Mid, ChromaWord.Clear, HueWord.Blue },
        { "#6a4fb0", LightnessWord.Dark, ChromaWord.Vivid, HueWord.Violet },
        { "#f2c4d0", LightnessWord.Pale, ChromaWord.Soft, HueWord.Pink },
    };

    [Theory]
    [MemberData(nameof(KnownColours))]
    public void Known_colours_have_the_words_people_use(string hex, LightnessWord lightness, ChromaWord chroma, HueWord? hue)
    {
        Assert.True(Srgb.TryParseHex(hex, out var colour));
        var words = ColourWords.Of(Illuminant.D65.LabOf(colour));
        Assert.Equal((lightness, chroma), (words.Lightness, words.Chroma));
        // The hue of a grey means nothing.
        if (hue is not null)
            Assert.Equal(hue, words.Hue);
    }

    [Fact]
    public void Every_colour_has_words()
    {
        for (var degrees = 0; degrees < 360; degrees++)
        {
            var radians = degrees * Math.PI / 180;
            var words = ColourWords.Of(new Lab(50, 40 * Math.Cos(radians), 40 * Math.Sin(radians)));
            Assert.True(Enum.IsDefined(words.Hue));
        }
    }
}
