using YoungTinge.Core.Colour;

namespace YoungTinge.Devices;

/// <summary>A simulated pocket colour reader: the true spectrum with the noise and the small error of scale of a cheap instrument.</summary>
public sealed class PocketReader(Spectrum before, int seed) : IColourReader
{
    private const double NoisePerBand = 0.004;
    private const double ScaleError = 0.004;

    public Task<Spectrum> ReadAsync(CancellationToken cancel)
    {
        cancel.ThrowIfCancellationRequested();
        var chance = new Random(seed);
        var scale = 1 + ScaleError * chance.NextNormal();
        return Task.FromResult(before.Map(r => Math.Clamp(r * scale + NoisePerBand * chance.NextNormal(), 0.001, 1)));
    }
}
