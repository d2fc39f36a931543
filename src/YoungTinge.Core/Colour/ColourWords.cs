namespace YoungTinge.Core.Colour;

public enum LightnessWord
{
    VeryDark,
    Dark,
    Mid,
    Light,
    Pale,
}

public enum ChromaWord
{
    Neutral,
    Greyed,
    Soft,
    Clear,
    Vivid,
}

public enum HueWord
{
    Pink,
    Red,
    Orange,
    Gold,
    Yellow,
    YellowGreen,
    Green,
    Teal,
    Blue,
    BlueViolet,
    Violet,
    Magenta,
}

/// <summary>A colour in plain words, so that a swatch is never colour alone: "pale soft yellow-green".</summary>
public sealed record ColourWords(LightnessWord Lightness, ChromaWord Chroma, HueWord Hue)
{
    // Upper edges in CIELAB, set by eye on the starter cabinet.
    private static readonly (double Below, HueWord Hue)[] HueEdges =
    [
        (12, HueWord.Pink), (42, HueWord.Red), (68, HueWord.Orange), (85, HueWord.Gold), (104, HueWord.Yellow),
        (132, HueWord.YellowGreen), (172, HueWord.Green), (215, HueWord.Teal), (288, HueWord.Blue),
        (302, HueWord.BlueViolet), (322, HueWord.Violet), (345, HueWord.Magenta), (360, HueWord.Pink),
    ];

    public static ColourWords Of(Lab lab) => new(
        lab.L switch
        {
            < 22 => LightnessWord.VeryDark,
            < 42 => LightnessWord.Dark,
            < 65 => LightnessWord.Mid,
            < 82 => LightnessWord.Light,
            _ => LightnessWord.Pale,
        },
        lab.Chroma switch
        {
            < 5 => ChromaWord.Neutral,
            < 14 => ChromaWord.Greyed,
            < 30 => ChromaWord.Soft,
            < 55 => ChromaWord.Clear,
            _ => ChromaWord.Vivid,
        },
        HueEdges.First(edge => lab.HueDegrees < edge.Below).Hue);
}
