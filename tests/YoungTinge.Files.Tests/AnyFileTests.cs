using System.Text;
using CsCheck;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Pictures;
using YoungTinge.Files.Palettes;
using YoungTinge.Files.Pictures;
using YoungTinge.Files.Spectra;
using YoungTinge.Files.Tables;

namespace YoungTinge.Files.Tests;

/// <summary>Whatever comes in, it is read or refused: nothing is thrown, and nothing half-read comes out.</summary>
public class AnyFileTests
{
    private static readonly Materials Cabinet = StarterCabinet.Load();
    private static readonly byte[] Csv = Encoding.UTF8.GetBytes(CabinetTable.WriteCsv(Cabinet.All.Take(6)));
    private static readonly byte[] Json = Encoding.UTF8.GetBytes(CabinetTable.WriteJson(Cabinet.All.Take(3)));
    private static readonly byte[] Log = Encoding.UTF8.GetBytes(LogTable.Template());
    private static readonly byte[] Gpl = Encoding.UTF8.GetBytes(GplPalette.Write(new Palette("Autumn", [new("Russet", new Srgb(0.5, 0.2, 0.1)), new("Straw", new Srgb(0.9, 0.8, 0.5))])));
    private static readonly byte[] Svg = Encoding.UTF8.GetBytes(SvgPalette.Write(new Palette("Autumn", [new("Russet", new Srgb(0.5, 0.2, 0.1))])));
    private static readonly byte[] Spectra = Encoding.UTF8.GetBytes(SpectralReadings.Write([new SpectralReading("Card", 1, Spectrum.From(_ => 0.9))]));
    private static readonly byte[] Jpeg = PictureFile.WriteJpeg(new Photograph(64, 48, [.. Enumerable.Range(0, 3 * 64 * 48).Select(i => (byte)(i * 7))]));

    /// <summary>A good file with some bytes changed, some cut out, and some put in twice; or bytes that are no file at all.</summary>
    private static Gen<byte[]> Damaged(byte[] good) => Gen.OneOf(
        Gen.Byte.Array[0, 400],
        Gen.Select(Gen.Int[0, good.Length - 1].Array[1, 8], Gen.Byte, Gen.Int[0, good.Length], (places, value, cut) =>
        {
            var bad = (byte[])good.Clone();
            foreach (var place in places)
                bad[place] = (byte)(value + place);
            return bad[..Math.Max(1, cut)];
        }),
        Gen.Select(Gen.Int[0, good.Length - 1], Gen.Int[0, good.Length - 1], (from, to) => (byte[])[.. good[..from], .. good[Math.Min(from, to)..]]));

    [Fact]
    public void Any_cabinet_file_is_read_or_refused()
    {
        Damaged(Csv).Sample(file => Lines(CabinetTable.ReadCsv(file, Cabinet)), iter: 400);
        Damaged(Json).Sample(file => Lines(CabinetTable.ReadJson(file, Cabinet)), iter: 400);

        static void Lines(TableResult<Material> result)
        {
            if (result is not TableResult<Material>.Read read)
                return;
            foreach (var line in read.Lines)
            {
                // What would be stored is possible in every field.
                if (line.State == LineState.Bad)
                    Assert.True(line.Value is null && line.Problems.Count > 0);
                else
                    Assert.Empty(SheetCheck.Problems(MaterialSheet.Of(line.Value!)));
            }
        }
    }

    [Fact]
    public void Any_logbook_file_is_read_or_refused() => Damaged(Log).Sample(
        file => LogTable.ReadCsv(file, [new PieceName(Guid.Empty, "Name of the commission", "Name of the flower", "Name of the piece")], new HashSet<Guid>()), iter: 400);

    [Fact]
    public void Any_palette_is_read_or_refused()
    {
        Damaged(Gpl).Sample(file => Whole(Palette.Read(file)), iter: 400);
        Damaged(Svg).Sample(file => Whole(Palette.Read(file)), iter: 400);

        static void Whole(Palette? palette) => Assert.True(palette is null || palette.Colours.All(one => one.Colour is { R: >= 0 and <= 1, G: >= 0 and <= 1, B: >= 0 and <= 1 }));
    }

    [Fact]
    public void Any_table_of_spectra_is_read_or_refused() => Damaged(Spectra).Sample(
        file => Assert.All(SpectralReadings.Read(file) ?? [], reading => Assert.All(reading.Reflectance.Values.ToArray(), value => Assert.InRange(value, 0, 1))), iter: 400);

    [Fact]
    public void Any_picture_is_read_or_refused() => Damaged(Jpeg).Sample(file =>
    {
        if (PictureFile.Read(file) is PictureResult.Read { Photo: var photo })
            Assert.True(photo.Rgb.Length == 3 * photo.Width * photo.Height && Math.Max(photo.Width, photo.Height) <= PictureFile.LongestKept);
    }, iter: 300);

    [Theory]
    [InlineData("0,15", 0.15)]
    [InlineData("1.234,5", 1234.5)]
    [InlineData("1,234.5", 1234.5)]
    [InlineData("1'234.5", 1234.5)]
    [InlineData(" -2e-3 ", -0.002)]
    public void Numbers_are_read_as_people_write_them(string cell, double number)
    {
        var line = Assert.Single(Assert.IsType<TableResult<Material>.Read>(
            CabinetTable.ReadCsv(Encoding.UTF8.GetBytes($"name;kind;stock_g\nRowan;colourant;{cell}\n"), Cabinet)).Lines);
        Assert.Equal(number < 0 ? null : number, line.Value?.Supply.StockG);
        Assert.Equal(number < 0, line.State == LineState.Bad);
    }

    [Fact]
    public void Any_number_goes_out_and_comes_in_the_same() => Gen.Double[0, 1_000_000].Sample(stock =>
    {
        var rowan = Cabinet.Get<Colourant>("rowan") with { Supply = new Supply(stock, stock / 1e4) };
        var back = (TableResult<Material>.Read)CabinetTable.ReadCsv(Encoding.UTF8.GetBytes(CabinetTable.WriteCsv([rowan])), Cabinet);
        Assert.Equal((stock, stock / 1e4), (back.Lines[0].Value!.Supply.StockG, back.Lines[0].Value!.Supply.PricePerG));
    }, iter: 200);
}
