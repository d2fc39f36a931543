using YoungTinge.Core.Pictures;

namespace YoungTinge.Devices;

/// <summary>A picture as a camera hands it over.</summary>
/// <param name="Jpeg">The file.</param>
/// <param name="Card">Where the camera's own white card lies in it; null if it has none.</param>
/// <param name="Subject">Where what was photographed lies, if the camera knows; null if it does not.</param>
public sealed record Shot(byte[] Jpeg, Box? Card, Box? Subject);

/// <summary>Takes a picture of what lies before it.</summary>
public interface ICamera
{
    Task<Shot> TakeAsync(CancellationToken cancel);
}
