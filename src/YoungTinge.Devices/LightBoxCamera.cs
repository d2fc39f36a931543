using YoungTinge.Core.Colour;
using YoungTinge.Core.Pictures;
using YoungTinge.Files.Pictures;

namespace YoungTinge.Devices;

/// <summary>
/// A simulated camera over a light box: lamps between daylight and filament, a sensor that is not quite an eye's, a white balance
/// that gets part of the way, fall-off towards the corners, and noise. The same seed gives the same picture.
/// </summary>
public sealed class LightBoxCamera(Scene before, int seed) : ICamera
{
    /// <summary>
    /// A box lamp is near daylight. Under a filament's light a camera that balances white by itself shows strong blues and yellows so
    /// far off (over 3 delta E from 40 % on) that no white card can tell.
    /// </summary>
    private const double MostFilament = 0.30;
    private const double SensorShiftNm = 2;
    private const double FallOff = 0.03;
    private const double ShotNoise = 0.010;
    private const double ReadNoise = 0.002;

    public Task<Shot> TakeAsync(CancellationToken cancel) => Task.FromResult(new Shot(PictureFile.WriteJpeg(Expose(cancel)), before.Card, before.Subject));

    private Photograph Expose(CancellationToken cancel)
    {
        var chance = new Random(seed);
        var filament = chance.Between(0, MostFilament);
        var balanced = chance.Between(0.4, 1);
        double[] shifts = [.. Enumerable.Range(0, 3).Select(_ => chance.Between(-SensorShiftNm, SensorShiftNm))];

        double[] Raw(Spectrum reflectance) => [.. shifts.Select((nm, channel) =>
        {
            var seen = HiddenTruth.Shifted(reflectance, nm);
            var xyz = Illuminant.D65.XyzOf(seen) * (1 - filament) + Illuminant.A.XyzOf(seen) * filament;
            var rgb = Illuminant.D65.LinearRgbOf(xyz);
            return channel switch { 0 => rgb.R, 1 => rgb.G, _ => rgb.B };
        })];

        var white = Raw(Scene.White);
        var level = chance.Between(0.60, 0.80);
        double[] gains = [.. white.Select((light, channel) => Math.Pow(white[1] / light, balanced) * (channel == 1 ? 1 : 1 + 0.05 * chance.NextNormal()))];
        var brightest = white.Zip(gains, (light, gain) => light * gain).Max();
        var surfaces = before.Surfaces.Select(surface => Raw(surface).Zip(gains, (light, gain) => light * gain * level / brightest).ToArray()).ToArray();

        int width = before.Width, height = before.Height;
        var rgb = new byte[3 * width * height];
        var light = new double[3];
        for (var y = 0; y < height; y++)
        {
            cancel.ThrowIfCancellationRequested();
            for (var x = 0; x < width; x++)
            {
                double fromMiddleX = 2.0 * x / width - 1, fromMiddleY = 2.0 * y / height - 1;
                var lit = (1 - FallOff * (fromMiddleX * fromMiddleX + fromMiddleY * fromMiddleY)) * before.ShadeAt(x, y);
                var parts = before.At(x, y);
                for (var channel = 0; channel < 3; channel++)
                {
                    var sum = 0.0;
                    foreach (var (surface, share) in parts)
                        sum += share * surfaces[surface][channel];
                    sum = Math.Max(0, sum * lit);
                    light[channel] = sum + ShotNoise * Math.Sqrt(sum) * chance.NextNormal() + ReadNoise * chance.NextNormal();
                }

                var seen = Srgb.FromLinear(new LinearRgb(light[0], light[1], light[2]));
                var at = 3 * (y * width + x);
                (rgb[at], rgb[at + 1], rgb[at + 2]) = (Srgb.Byte(seen.R), Srgb.Byte(seen.G), Srgb.Byte(seen.B));
            }
        }

        return new Photograph(width, height, rgb);
    }
}
