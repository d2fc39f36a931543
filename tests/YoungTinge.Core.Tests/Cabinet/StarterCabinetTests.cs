using System.Text.Json;
using YoungTinge.Checks;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Tests.Cabinet;

public class StarterCabinetTests
{
    private static readonly JsonElement File = JsonDocument.Parse(
        typeof(StarterCabinet).Assembly.GetManifestResourceStream("starter-cabinet.json")!).RootElement;

    public static TheoryData<string> Shaped() => new(File.GetProperty("items").EnumerateArray()
        .Where(item => item.TryGetProperty("compact", out _) && item.TryGetProperty("K", out _)).Select(item => item.GetProperty("id").GetString()!));

    [Fact]
    public void Everything_of_the_house_range_is_there()
    {
        Assert.Equal(67, TestData.Cabinet.All.Count);
        Assert.Equal(3, TestData.Cabinet.All.OfType<PasteBase>().Count());
        Assert.Equal(24, TestData.Cabinet.All.OfType<Colourant>().Count());
        Assert.Equal(26, TestData.Cabinet.All.OfType<Dust>().Count(dust => dust.Kind == DustKind.Matte));
        Assert.Equal(4, TestData.Cabinet.All.OfType<Glaze>().Count());
        Assert.All(TestData.Cabinet.All.OfType<Colourant>(), colourant => Assert.NotEmpty(colourant.Units));
    }

    /// <summary>The arrays are the authority; the bands they were made from are written beside them, and must tell the same.</summary>
    [Theory]
    [MemberData(nameof(Shaped))]
    public void Spectra_are_what_their_bands_add_up_to(string id)
    {
        var compact = File.GetProperty("items").EnumerateArray().First(item => item.GetProperty("id").GetString() == id).GetProperty("compact");
        var optics = TestData.Cabinet.Find(id) switch
        {
            PasteBase paste => paste.Optics,
            Colourant colourant => colourant.Optics,
            Dust dust => dust.Optics,
            _ => throw new InvalidDataException(id),
        };
        for (var band = 0; band < SpectralGrid.Bands; band++)
        {
            double nm = SpectralGrid.WavelengthNm(band);
            var k = Number("flat")
                + Bands("gauss").Sum(g => g[2] * Math.Exp(-(nm - g[0]) * (nm - g[0]) / (2 * g[1] * g[1])))
                + Bands("edge").Sum(e => e[2] / (1 + Math.Exp((nm - e[0]) / e[1])))
                + Bands("exp").Sum(e => e[0] * Math.Exp(-(nm - 400) / e[1]));
            Assert.Equal(k, optics.Absorption[band], 1e-6 * Math.Max(1, k));
            Assert.Equal(Number("scatter") * Math.Pow(550 / nm, Number("scatterPower")), optics.Scattering[band], 1e-6);
        }

        double Number(string name) => compact.TryGetProperty(name, out var value) ? value.GetDouble() : 0;
        IEnumerable<double[]> Bands(string name) => compact.TryGetProperty(name, out var value) ? value.EnumerateArray().Select(JsonReading.Numbers) : [];
    }

    [Fact]
    public void A_second_material_of_the_same_name_is_refused() =>
        Assert.Throws<ArgumentException>(() => new Materials([.. TestData.Cabinet.All, TestData.Cabinet.All[0]]));

    [Fact]
    public void Asking_for_the_wrong_kind_finds_nothing()
    {
        Assert.True(TestData.Cabinet.Has<Dust>("wine-lees"));
        Assert.False(TestData.Cabinet.Has<Colourant>("wine-lees"));
        Assert.Throws<KeyNotFoundException>(() => TestData.Cabinet.Get<Glaze>("wine-lees"));
        Assert.Null(TestData.Cabinet.Find("nobody"));
    }
}
