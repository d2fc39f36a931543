using System.Text.Json.Serialization;

namespace YoungTinge.Core.Pictures;

/// <summary>A part of a picture as shares of its width and height, so that it means the same at every size.</summary>
/// <param name="Left">0 at the left edge, 1 at the right.</param>
/// <param name="Top">0 at the top edge, 1 at the bottom.</param>
public readonly record struct Box(
    [property: JsonRequired] double Left, [property: JsonRequired] double Top, [property: JsonRequired] double Width, [property: JsonRequired] double Height)
{
    /// <summary>Wholly inside the picture and not empty.</summary>
    [JsonIgnore]
    public bool IsInPicture =>
        Left >= 0 && Top >= 0 && Width > 0 && Height > 0 && Left + Width <= 1 + Slack && Top + Height <= 1 + Slack;

    private const double Slack = 1e-6;

    [JsonIgnore]
    public (double X, double Y) Middle => (Left + Width / 2, Top + Height / 2);

    /// <summary>A box of this size round a point, moved inside the picture if it sticks out.</summary>
    public static Box Around(double x, double y, double width, double height) =>
        new(Math.Clamp(x - width / 2, 0, 1 - width), Math.Clamp(y - height / 2, 0, 1 - height), width, height);

    /// <summary>The pixels it covers, at least one: right and bottom are just outside.</summary>
    internal (int Left, int Top, int Right, int Bottom) In(Photograph photo)
    {
        var left = Math.Clamp((int)Math.Floor(Left * photo.Width), 0, photo.Width - 1);
        var top = Math.Clamp((int)Math.Floor(Top * photo.Height), 0, photo.Height - 1);
        return (left, top,
            Math.Clamp((int)Math.Ceiling((Left + Width) * photo.Width), left + 1, photo.Width),
            Math.Clamp((int)Math.Ceiling((Top + Height) * photo.Height), top + 1, photo.Height));
    }
}
