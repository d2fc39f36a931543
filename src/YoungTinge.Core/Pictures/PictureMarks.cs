using System.Text.Json.Serialization;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Pictures;

/// <summary>Where a zone's colour was taken from a picture.</summary>
/// <param name="PieceId">Whose target it became; null while it has become none.</param>
/// <param name="IsUnsure">It was proposed, and waits to be looked at before it is used.</param>
public sealed record PictureSample(Guid? PieceId, Zone Zone, Box Box, bool IsUnsure = false);

/// <summary>How a picture is read: what its light is taken from, what it shows, and where it was sampled. All of it can be moved later.</summary>
public sealed record PictureMarks(PictureLight Light, SeenAs SeenAs, IReadOnlyList<PictureSample> Samples)
{
    public const int MostSamples = 60;

    public static PictureMarks None { get; } = new(PictureLight.Estimated, SeenAs.Bloom, []);

    /// <summary>For a picture whose file says what its colours mean.</summary>
    public static PictureMarks AsItIs { get; } = None with { Light = PictureLight.AsItIs };

    /// <summary>Whether everything lies in the picture.</summary>
    [JsonIgnore]
    public bool IsPossible => Samples.Count <= MostSamples && Samples.All(sample => sample.Box.IsInPicture) && Light.Mark is not { IsInPicture: false };
}
