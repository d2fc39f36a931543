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
        Damaged(Csv).Holds(file => Lines(CabinetTable.ReadCsv(file, Cabinet)), turns: 400);
        Damaged(Json).Holds(file => Lines(CabinetTable.ReadJson(file, Cabinet)), turns: 400);

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
                    Assert.Empty(MaterialRecordCheck.Problems(MaterialRecord.Of(line.Value!)));
            }
        }
    }

    private static Gen<T> AnyOf<T>(params T[] values) => Gen.Int[0, values.Length - 1].Select(i => values[i]);

    /// <summary>Any letters a maker may type or paste, line breaks of every kind and what a spreadsheet would run among them.</summary>
    private static readonly Gen<string> Texts = Gen.OneOf(
        Gen.OneOf(Gen.Char[' ', '~'], AnyOf('\n', '\r', '\t', '"', ',', ';', '=', '+', '-', '@', '\'', '\u00e9', '\u2014', '\u0007', '\u0085'), Gen.OneOf(Gen.Char['\u00a0', '\u024f'])).Array[0, 40].Select(letters => new string(letters)),
        AnyOf("one\ntwo", "one\r\ntwo", "one\rtwo", "'=1+1", "''-", "=1+1", "+", "1,500", "a;b;c\n", "\"quoted\"", "-5", "0x1F")).Select(text => text.Trim());

    [Fact]
    public void The_studios_own_logbook_comes_in_again_as_it_went_out() => Texts.Array[4].Holds(texts =>
    {
        var row = new LogRow(Guid.NewGuid(), Guid.NewGuid(), $"C{texts[0]}", $"F{texts[1]}", $"P{texts[2]}", null, new Lab(80, 1, 2), new Lab(79.25, -3, 4.5), texts[3], DateTimeOffset.UnixEpoch.AddYears(56));
        PieceName[] pieces = [new(row.PieceId, row.Commission, row.Flower, row.Piece)];
        foreach (var result in new[] { LogTable.ReadCsv(Encoding.UTF8.GetBytes(LogTable.WriteCsv([row])), pieces, new HashSet<Guid>(), Cabinet), LogTable.ReadJson(Encoding.UTF8.GetBytes(LogTable.WriteJson([row])), pieces, new HashSet<Guid>(), Cabinet) })
        {
            var line = Assert.Single(Assert.IsType<TableResult<LogRow>.Read>(result).Lines);
            Assert.True(line.State == LineState.New, string.Join(", ", line.Problems));
            Assert.Equal(row, line.Value);
        }

        // Also when the piece has been taken out since: what is in the logbook stays there.
        Assert.Equal(LineState.Same, Assert.Single(Assert.IsType<TableResult<LogRow>.Read>(LogTable.ReadCsv(Encoding.UTF8.GetBytes(LogTable.WriteCsv([row])), [], new HashSet<Guid> { row.Id }, Cabinet)).Lines).State);
    }, turns: 1000);

    [Fact]
    public void The_studios_own_cabinet_comes_in_again_as_it_went_out() => Texts.Array[3].Holds(texts =>
    {
        var jar = Cabinet.Get<Dust>("nettle");
        var odd = new Materials([jar with { Label = jar.Label with { Name = $"N{texts[0]}", Form = texts[1], Note = texts[2] } }]);
        foreach (var result in new[] { CabinetTable.ReadCsv(Encoding.UTF8.GetBytes(CabinetTable.WriteCsv(odd.All)), odd), CabinetTable.ReadJson(Encoding.UTF8.GetBytes(CabinetTable.WriteJson(odd.All)), odd) })
            Assert.Equal(LineState.Same, Assert.Single(Assert.IsType<TableResult<Material>.Read>(result).Lines).State);
    }, turns: 500);

    [Theory]
    [InlineData("1,500", null)]
    [InlineData("-12,345", null)]
    [InlineData("1.500", 1.5)]
    [InlineData("0,125", 0.125)]
    [InlineData("1,5", 1.5)]
    [InlineData("12,50", 12.5)]
    [InlineData("1,500,000", 1500000.0)]
    [InlineData("1.500,25", 1500.25)]
    [InlineData("1,500.25", 1500.25)]
    [InlineData("1 500", 1500.0)]
    public void What_could_be_two_numbers_is_not_guessed(string cell, double? number)
    {
        var file = Encoding.UTF8.GetBytes($"name;kind;stock_g\nNettle Dust;dust;{cell}\n");
        var dust = Cabinet.Get<Dust>("nettle");
        var line = Assert.Single(Assert.IsType<TableResult<Material>.Read>(CabinetTable.ReadCsv(file, new Materials([dust with { Label = dust.Label with { Name = "Nettle Dust" } }]))).Lines);
        if (number is null)
            Assert.Equal("stock_g numberAmbiguous", $"{line.Problems[0].Column} {line.Problems[0].Code}");
        else if (number >= 0)
            Assert.Equal(number <= 1_000_000 ? number : null, line.Value?.Supply.StockG);
    }

    [Fact]
    public void Any_logbook_file_is_read_or_refused() => Damaged(Log).Holds(
        file => LogTable.ReadCsv(file, [new PieceName(Guid.Empty, "Name of the commission", "Name of the flower", "Name of the piece")], new HashSet<Guid>(), Cabinet), turns: 400);

    [Fact]
    public void Any_palette_is_read_or_refused()
    {
        Damaged(Gpl).Holds(file => Whole(Palette.Read(file)), turns: 400);
        Damaged(Svg).Holds(file => Whole(Palette.Read(file)), turns: 400);

        static void Whole(Palette? palette) => Assert.True(palette is null || palette.Colours.All(one => one.Colour is { R: >= 0 and <= 1, G: >= 0 and <= 1, B: >= 0 and <= 1 }));
    }

    [Fact]
    public void Any_table_of_spectra_is_read_or_refused() => Damaged(Spectra).Holds(
        file => Assert.All(SpectralReadings.Read(file) ?? [], reading => Assert.All(reading.Reflectance.Values.ToArray(), value => Assert.InRange(value, 0, 1))), turns: 400);

    [Fact]
    public void Any_picture_is_read_or_refused() => Damaged(Jpeg).Holds(file =>
    {
        if (PictureFile.Read(file) is PictureResult.Read { Photo: var photo })
            Assert.True(photo.Rgb.Length == 3 * photo.Width * photo.Height && Math.Max(photo.Width, photo.Height) <= PictureFile.LongestKept);
    }, turns: 300);

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
    public void Any_number_goes_out_and_comes_in_the_same() => Gen.Double[0, 1_000_000].Holds(stock =>
    {
        var rowan = Cabinet.Get<Colourant>("rowan") with { Supply = new Supply(stock, stock / 1e4) };
        var back = (TableResult<Material>.Read)CabinetTable.ReadCsv(Encoding.UTF8.GetBytes(CabinetTable.WriteCsv([rowan])), Cabinet);
        Assert.Equal((stock, stock / 1e4), (back.Lines[0].Value!.Supply.StockG, back.Lines[0].Value!.Supply.PricePerG));
    }, turns: 200);
}
