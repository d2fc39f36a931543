using System.IO.Compression;
using YoungTinge.Core.Pictures;
using YoungTinge.Files.Pictures;

namespace YoungTinge.Files.Tests;

public class PictureFileTests
{
    /// <summary>Left half red, right half green.</summary>
    private static Photograph Halves(int width, int height)
    {
        var rgb = new byte[3 * width * height];
        for (var i = 0; i < width * height; i++)
            rgb[3 * i + (i % width < width / 2 ? 0 : 1)] = 200;
        return new Photograph(width, height, rgb);
    }

    private static PictureProblem Problem(byte[] file) => Assert.IsType<PictureResult.Refused>(PictureFile.Read(file)).Problem;

    [Fact]
    public void A_jpeg_is_read_and_what_is_kept_has_no_notes_in_it()
    {
        var jpeg = WithExif(PictureFile.WriteJpeg(Halves(120, 80)), orientation: 6);
        Assert.Contains("Canary", Text(jpeg));
        // Turned by a quarter: what was left is on top.
        var photo = Assert.IsType<PictureResult.Read>(PictureFile.Read(jpeg)).Photo;
        Assert.Equal((80, 120), (photo.Width, photo.Height));
        Assert.True(photo.LinearAt(40, 20).R > photo.LinearAt(40, 20).G && photo.LinearAt(40, 100).G > photo.LinearAt(40, 100).R);
        var kept = PictureFile.WriteJpeg(photo);
        Assert.DoesNotContain("Canary", Text(kept));
        Assert.DoesNotContain("Exif", Text(kept));
    }

    [Fact]
    public void Whether_a_file_says_what_its_numbers_mean_is_found_in_its_head()
    {
        var plain = PictureFile.WriteJpeg(Halves(60, 40));
        Assert.False(SaysSo(WithExif(plain, orientation: 1)));
        Assert.True(SaysSo(WithSegment(plain, 0xE2, [.. "ICC_PROFILE\0"u8, 1, 1, .. new byte[64]])));
        Assert.False(SaysSo(WithSegment(plain, 0xE2, [.. "MPF\0"u8, .. new byte[64]])));
        // Exif with its colour space in the directory that the first one points to: 1 is sRGB, 0xFFFF says nothing.
        Assert.True(SaysSo(WithSegment(plain, 0xE1, ColourSpace(1))));
        Assert.False(SaysSo(WithSegment(plain, 0xE1, ColourSpace(0xFFFF))));

        static bool SaysSo(byte[] file) => Assert.IsType<PictureResult.Read>(PictureFile.Read(file)).SaysItsColours;
        static byte[] ColourSpace(ushort space) =>
        [
            .. "Exif\0\0"u8, .. "MM\0*"u8, 0, 0, 0, 8, 0, 1, 0x87, 0x69, 0, 4, 0, 0, 0, 1, 0, 0, 0, 26, 0, 0, 0, 0,
            0, 1, 0xA0, 0x01, 0, 3, 0, 0, 0, 1, (byte)(space >> 8), (byte)space, 0, 0, 0, 0, 0, 0,
        ];
    }

    [Fact]
    public void A_large_picture_is_kept_small()
    {
        var photo = Assert.IsType<PictureResult.Read>(PictureFile.Read(PictureFile.WriteJpeg(Halves(3000, 1000)))).Photo;
        Assert.Equal(PictureFile.LongestKept, photo.Width);
    }

    [Fact]
    public void What_is_no_picture_or_a_damaged_one_is_refused()
    {
        Assert.Equal(PictureProblem.NotAPicture, Problem([]));
        Assert.Equal(PictureProblem.NotAPicture, Problem("<svg xmlns='http://www.w3.org/2000/svg'/>"u8.ToArray()));
        Assert.Equal(PictureProblem.NotAPicture, Problem([.. "GIF89a"u8, .. new byte[200]]));
        var jpeg = PictureFile.WriteJpeg(Halves(400, 300));
        Assert.Equal(PictureProblem.Damaged, Problem(jpeg[..(jpeg.Length / 2)]));
        Assert.Equal(PictureProblem.TooLarge, Problem(new byte[PictureFile.LargestBytes + 1]));
        Assert.Equal(PictureProblem.TooSmall, Problem(PictureFile.WriteJpeg(Halves(8, 8))));
    }

    [Theory]
    [InlineData(30_000, 30_000)]
    [InlineData(30_000, 40)]
    [InlineData(15_900, 15_900)]
    public void A_picture_that_would_blow_up_is_refused_before_it_is_decoded(int width, int height)
    {
        var before = GC.GetTotalAllocatedBytes();
        Assert.Equal(PictureProblem.TooManyPixels, Problem(EmptyPng(width, height)));
        Assert.True(GC.GetTotalAllocatedBytes() - before < 50_000_000);
    }

    /// <summary>A PNG whose head promises so many pixels, of a few kilobytes.</summary>
    private static byte[] EmptyPng(int width, int height)
    {
        using var packed = new MemoryStream();
        using (var zlib = new ZLibStream(packed, CompressionLevel.SmallestSize))
            zlib.Write(new byte[1_000_000]);
        return PngFile.Write(width, height, packed.ToArray(), interlaced: false);
    }

    /// <summary>Puts an Exif block with an orientation and a maker's name behind the head of a JPEG.</summary>
    private static byte[] WithExif(byte[] jpeg, byte orientation)
    {
        byte[] exif =
        [
            .. "Exif\0\0"u8, .. "MM\0*"u8, 0, 0, 0, 8, 0, 2, 0x01, 0x12, 0, 3, 0, 0, 0, 1, 0, orientation, 0, 0,
            0x01, 0x0F, 0, 2, 0, 0, 0, 7, 0, 0, 0, 38, 0, 0, 0, 0, .. "Canary\0"u8,
        ];
        return WithSegment(jpeg, 0xE1, exif);
    }

    private static byte[] WithSegment(byte[] jpeg, byte marker, byte[] body) =>
        [jpeg[0], jpeg[1], 0xFF, marker, (byte)((body.Length + 2) >> 8), (byte)(body.Length + 2), .. body, .. jpeg[2..]];

    private static string Text(byte[] file) => System.Text.Encoding.Latin1.GetString(file);
}
