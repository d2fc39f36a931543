using YoungTinge.Core.Colour;

namespace YoungTinge.Devices;

/// <summary>Reads the spectrum of what it is held to.</summary>
public interface IColourReader
{
    /// <returns>Reflectance, 0 to 1.</returns>
    Task<Spectrum> ReadAsync(CancellationToken cancel);
}
