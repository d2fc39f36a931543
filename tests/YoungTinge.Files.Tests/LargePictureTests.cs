using System.IO.Compression;
using YoungTinge.Core.Pictures;
using YoungTinge.Files.Pictures;

namespace YoungTinge.Files.Tests;

/// <summary>Pictures that are made small while they are unpacked, many at once and very large ones.</summary>
public class LargePictureTests
{
    private static Photograph Read(byte[] file) => Assert.IsType<PictureResult.Read>(PictureFile.Read(file)).Photo;

    private static byte[] Noise(int seed, int width, int height)
    {
        var rgb = new byte[3 * width * height];
        new Random(seed).NextBytes(rgb);
        return rgb;
    }

    [Fact]
    public async Task Pictures_read_at_the_same_time_come_out_as_each_does_alone()
    {
        // Larger than what is kept, so that each is made small; garbage is collected all the while, as on a busy server.
        var files = Enumerable.Range(0, 4).Select(seed => PictureFile.WriteJpeg(new Photograph(2000, 150, Noise(seed, 2000, 150)))).ToArray();
        var alone = files.Select(file => Read(file).Rgb.ToArray()).ToArray();
        using var stop = new CancellationTokenSource();
        var collecting = Task.Run(() =>
        {
            while (!stop.IsCancellationRequested)
            {
                GC.Collect();
                GC.WaitForPendingFinalizers();
            }
        });
        Parallel.For(0, 80, i => Assert.Equal(alone[i % files.Length], Read(files[i % files.Length]).Rgb.ToArray()));
        await stop.CancelAsync();
        await collecting;
    }

    [Theory]
    [InlineData(1601, 64)]
    [InlineData(2000, 333)]
    [InlineData(64, 4003)]
    [InlineData(1600, 1200)]
    public void Each_pixel_that_is_kept_is_the_mean_of_what_it_covers(int width, int height)
    {
        var rgb = Noise(width, width, height);
        var photo = Read(Png(width, height, rgb, interlaced: false));
        var scale = Math.Min(1.0, (double)PictureFile.LongestKept / Math.Max(width, height));
        Assert.Equal(((int)(width * scale), (int)(height * scale)), (photo.Width, photo.Height));
        foreach (var (x, y) in new[] { (0, 0), (photo.Width - 1, photo.Height - 1), (photo.Width / 2, photo.Height / 3), (photo.Width / 5, photo.Height - 1) })
        {
            for (var channel = 0; channel < 3; channel++)
            {
                var mean = Mean(rgb, channel, width, height, x * (double)width / photo.Width, y * (double)height / photo.Height, (x + 1.0) * width / photo.Width, (y + 1.0) * height / photo.Height);
                // 0.51: rounding to a code, and nothing else.
                Assert.Equal(mean, photo.Rgb[3 * (y * photo.Width + x) + channel], 0.51);
            }
        }
    }

    [Fact]
    public void A_picture_with_interlaced_rows_comes_out_as_one_without()
    {
        var rgb = Enumerable.Repeat((byte)90, 3 * 1700 * 900).ToArray();
        Assert.Equal(Read(Png(1700, 900, rgb, interlaced: false)).Rgb.ToArray(), Read(Png(1700, 900, rgb, interlaced: true)).Rgb.ToArray());
    }

    [Fact]
    public void The_largest_picture_is_read_and_one_that_breaks_off_is_not()
    {
        var file = Png(8000, 8000, null, interlaced: false);
        var photo = Read(file);
        Assert.Equal((1600, 1600), (photo.Width, photo.Height));
        Assert.Equal(PictureProblem.Damaged, Assert.IsType<PictureResult.Refused>(PictureFile.Read(file[..(file.Length / 2)])).Problem);
    }

    /// <summary>The mean over an area with broken edges, cell by cell.</summary>
    private static double Mean(byte[] rgb, int channel, int width, int height, double left, double top, double right, double bottom)
    {
        double sum = 0, area = 0;
        for (var y = (int)top; y < Math.Min(height, Math.Ceiling(bottom)); y++)
        {
            for (var x = (int)left; x < Math.Min(width, Math.Ceiling(right)); x++)
            {
                var part = (Math.Min(right, x + 1) - Math.Max(left, x)) * (Math.Min(bottom, y + 1) - Math.Max(top, y));
                (sum, area) = (sum + part * rgb[3 * (y * width + x) + channel], area + part);
            }
        }

        return sum / area;
    }

    /// <summary>A PNG (8 bits, RGB) written by hand; interlaced ones of one colour only, whose passes are all alike.</summary>
    /// <param name="rgb">Null for black.</param>
    private static byte[] Png(int width, int height, byte[]? rgb, bool interlaced)
    {
        using var packed = new MemoryStream();
        using (var zlib = new ZLibStream(packed, CompressionLevel.Fastest))
        {
            (int Left, int Top, int Across, int Down)[] passes = interlaced
                ? [(0, 0, 8, 8), (4, 0, 8, 8), (0, 4, 4, 8), (2, 0, 4, 4), (0, 2, 2, 4), (1, 0, 2, 2), (0, 1, 1, 2)]
                : [(0, 0, 1, 1)];
            foreach (var (left, top, across, down) in passes)
            {
                var columns = (width - left + across - 1) / across;
                for (var y = top; y < height; y += down)
                {
                    zlib.WriteByte(0);
                    zlib.Write(rgb is null ? new byte[3 * columns] : rgb.AsSpan(3 * y * width, 3 * columns));
                }
            }
        }

        return PngFile.Write(width, height, packed.ToArray(), interlaced);
    }
}
