using System.Text;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Files.Palettes;
using YoungTinge.Files.Spectra;

namespace YoungTinge.Files.Tests;

public class PaletteAndSpectrumTests
{
    private static Srgb Hex(string hex) => Srgb.TryParseHex(hex, out var colour) ? colour : throw new ArgumentException(hex);

    private static readonly Palette Sepals = new("Sepals, <blush> & green", [new("Rim", Hex("#ddbeb1")), new("Tip", Hex("#d7bcaf")), new("Heart \"deep\"", Hex("#d0af9f"))]);

    [Fact]
    public void A_palette_goes_out_and_comes_in_the_same()
    {
        foreach (var text in new[] { GplPalette.Write(Sepals), SvgPalette.Write(Sepals) })
        {
            var back = Palette.Read(Encoding.UTF8.GetBytes(text))!;
            Assert.Equal(Sepals.Name, back.Name);
            Assert.Equal(Sepals.Colours.Select(one => (one.Name, one.Colour.ToHex())), back.Colours.Select(one => (one.Name, one.Colour.ToHex())));
        }
    }

    [Fact]
    public void Palettes_from_elsewhere_are_read()
    {
        var gpl = Palette.Read("GIMP Palette\r\nName: Autumn\r\n# made by hand\r\n255 0   0 Red\r\n 12  34  56\r\nnonsense\r\n999 0 0 no\r\n"u8.ToArray())!;
        Assert.Equal(["#ff0000 Red", "#0c2238 "], gpl.Colours.Select(one => $"{one.Colour.ToHex()} {one.Name}"));
        var svg = Palette.Read("""<svg xmlns="http://www.w3.org/2000/svg"><g><circle style="stroke:red;fill:#abc"/><path fill="rgb(1,2,3)"/><rect fill="none"/></g></svg>"""u8.ToArray())!;
        Assert.Equal(["#aabbcc", "#010203"], svg.Colours.Select(one => one.Colour.ToHex()));
    }

    [Theory]
    [InlineData("")]
    [InlineData("Just words")]
    [InlineData("GIMP Palette\nName: Empty\n")]
    [InlineData("<svg xmlns=\"http://www.w3.org/2000/svg\"><rect fill='#fff'")]
    [InlineData("<html><body/></html>")]
    [InlineData("<!DOCTYPE svg [<!ENTITY a \"aaaaaaaaaa\"><!ENTITY b \"&a;&a;&a;&a;\">]><svg xmlns=\"http://www.w3.org/2000/svg\"><rect fill=\"#fff\"><title>&b;</title></rect></svg>")]
    public void What_is_no_palette_is_refused(string text) => Assert.Null(Palette.Read(Encoding.UTF8.GetBytes(text)));

    [Fact]
    public void Spectra_go_out_and_come_in_the_same()
    {
        var cabinet = StarterCabinet.Load();
        SpectralReading[] readings =
        [
            .. cabinet.All.OfType<Colourant>().Take(5).Select(colourant => new SpectralReading(
                $"{colourant.Label.Name} \"a\"", 0.25, PasteOptics.Reflectance(new PasteRecipe("bright-white-paste", [new Dose(colourant.Id, 0.25)]), cabinet))),
            new("Grey card", null, Spectrum.From(_ => 0.18)),
        ];
        var back = SpectralReadings.Read(Encoding.UTF8.GetBytes(SpectralReadings.Write(readings)))!;
        Assert.Equal(readings.Select(one => (one.Name.Replace('"', '\''), one.Amount)), back.Select(one => (one.Name, one.Amount)));
        Assert.Equal(readings.SelectMany(one => one.Reflectance.Values.ToArray()), back.SelectMany(one => one.Reflectance.Values.ToArray()));
    }

    [Fact]
    public void Other_steps_and_per_cent_are_brought_to_ours()
    {
        var fields = Enumerable.Range(0, 18).Select(i => 390 + 20 * i).ToArray();
        var text = $"CGATS.17\nBEGIN_DATA_FORMAT\nSAMPLE_ID {string.Join(' ', fields.Select(nm => $"SPECTRAL_{nm}"))}\nEND_DATA_FORMAT\nBEGIN_DATA\n"
            + $"1 {string.Join(' ', fields.Select(nm => ((nm - 300) / 10.0).ToString(System.Globalization.CultureInfo.InvariantCulture)))}\nEND_DATA\n";
        var reading = Assert.Single(SpectralReadings.Read(Encoding.UTF8.GetBytes(text))!);
        for (var band = 1; band < SpectralGrid.Bands; band++)
            Assert.Equal((SpectralGrid.WavelengthNm(band) - 300) / 1000.0, reading.Reflectance[band], 9);
    }

    [Theory]
    [InlineData("CGATS.17\nBEGIN_DATA_FORMAT\nSAMPLE_ID LAB_L LAB_A LAB_B\nEND_DATA_FORMAT\nBEGIN_DATA\n1 50 0 0\nEND_DATA\n")]
    [InlineData("CGATS.17\nBEGIN_DATA_FORMAT\nNM380 NM400 NM420 NM500 NM600 NM730\nEND_DATA_FORMAT\nBEGIN_DATA\n1 2 3\nEND_DATA\n")]
    [InlineData("words")]
    public void What_holds_no_spectra_is_refused(string text) => Assert.Null(SpectralReadings.Read(Encoding.UTF8.GetBytes(text)));
}
