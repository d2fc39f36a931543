using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Pictures;

/// <summary>A photograph as its camera encoded it: sRGB, three bytes a pixel, row by row from the top left.</summary>
public sealed class Photograph
{
    private static readonly double[] Linear = [.. Enumerable.Range(0, 256).Select(code => new Srgb(code / 255.0, 0, 0).ToLinear().R)];

    private readonly byte[] rgb;

    /// <exception cref="ArgumentException">The bytes are not those of a picture of this size.</exception>
    public Photograph(int width, int height, byte[] rgb)
    {
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(width);
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(height);
        if (rgb.Length != 3 * width * height)
            throw new ArgumentException($"{width} by {height} pixels need {3 * width * height} bytes, not {rgb.Length}.", nameof(rgb));
        (Width, Height, this.rgb) = (width, height, rgb);
    }

    public int Width { get; }

    public int Height { get; }

    public ReadOnlySpan<byte> Rgb => rgb;

    /// <summary>The darkest and the brightest channel of a pixel, as encoded, 0 to 255.</summary>
    public (byte Darkest, byte Brightest) ChannelsAt(int x, int y)
    {
        var at = 3 * (y * Width + x);
        return (Math.Min(rgb[at], Math.Min(rgb[at + 1], rgb[at + 2])), Math.Max(rgb[at], Math.Max(rgb[at + 1], rgb[at + 2])));
    }

    public LinearRgb LinearAt(int x, int y)
    {
        var at = 3 * (y * Width + x);
        return new LinearRgb(Linear[rgb[at]], Linear[rgb[at + 1]], Linear[rgb[at + 2]]);
    }

    /// <summary>Mean light over the pixels of a small cell: averaging light, not codes, keeps it true.</summary>
    internal LinearRgb MeanOver(int left, int top, int right, int bottom)
    {
        double r = 0, g = 0, b = 0;
        var count = 0;
        for (var y = top; y < bottom; y++)
        {
            for (var x = left; x < right; x++)
            {
                var light = LinearAt(x, y);
                (r, g, b) = (r + light.R, g + light.G, b + light.B);
                count++;
            }
        }

        return new LinearRgb(r / count, g / count, b / count);
    }
}
