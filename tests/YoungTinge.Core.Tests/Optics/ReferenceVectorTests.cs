using System.Text.Json;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Tests.Optics;

/// <summary>The optics against figures computed by an independent implementation in another language.</summary>
public class ReferenceVectorTests
{
    /// <summary>Operations of the reference file that the product computes so far.</summary>
    private static readonly string[] Operations = ["pasteMix", "kmInfinite", "kmFinite", "dustLayer", "glaze", "stack", "reconstruct", "develop"];

    private static readonly JsonElement File = TestData.Json("reference-vectors.json");

    public static TheoryData<string> Cases() => new(File.GetProperty("cases").EnumerateArray().Where(IsOurs).Select(c => c.GetProperty("id").GetString()!));

    [Theory]
    [MemberData(nameof(Cases))]
    public void Agrees(string id)
    {
        var vector = File.GetProperty("cases").EnumerateArray().First(c => c.GetProperty("id").GetString() == id);
        var expected = vector.GetProperty("expected");
        var inputs = vector.GetProperty("inputs");
        if (vector.GetProperty("op").GetString() == "develop")
        {
            var development = new Development(inputs.GetProperty("f0").GetDouble(), inputs.GetProperty("tauHours").GetDouble());
            Assert.Equal(expected.GetProperty("share").GetDouble(), development.ShareAfter(inputs.GetProperty("hours").GetDouble()), 1e-10);
            return;
        }

        var reconstructed = vector.GetProperty("op").GetString() == "reconstruct";
        var light = vector.TryGetProperty("illuminant", out var name) || inputs.TryGetProperty("illuminant", out name) ? Light(name.GetString()!) : Illuminant.D65;
        AssertFace(expected, Compute(vector.GetProperty("op").GetString()!, inputs), light, reconstructed ? 1e-6 : 1e-8);
    }

    [Fact]
    public void Enough_of_the_file_is_used() => Assert.True(Cases().Count > 90, $"Only {Cases().Count} vectors were used.");

    // Painted washes and powder in the glaze are not computed yet, nor a wire showing through.
    private static bool IsOurs(JsonElement vector)
    {
        var text = vector.GetProperty("inputs").GetRawText();
        return Operations.Contains(vector.GetProperty("op").GetString())
            && !text.Contains("\"wash\"") && !text.Contains("\"tint\"") && !text.Contains("\"kSpec\"") && !text.Contains("\"backing");
    }

    private static Spectrum Compute(string operation, JsonElement inputs) => operation switch
    {
        "pasteMix" => Paste(inputs),
        "kmInfinite" => KubelkaMunk.Opaque(inputs.GetProperty("K").Spectrum(), inputs.GetProperty("S").Spectrum()),
        "kmFinite" => KubelkaMunk.Layer(
            inputs.GetProperty("K").Spectrum(), inputs.GetProperty("S").Spectrum(), inputs.GetProperty("X").GetDouble(), inputs.GetProperty("Rg").Spectrum()),
        "dustLayer" => Stack(Substrate(inputs), [Dust(inputs)], inputs.TryGetProperty("steamed", out var steamed) && steamed.GetBoolean()),
        "glaze" => Stack(Substrate(inputs), [Glaze(inputs)]),
        "stack" => Stack(Paste(inputs.GetProperty("paste")), [.. inputs.GetProperty("steps").EnumerateArray().Select(Step)]),
        "reconstruct" => ReflectanceFromColour.Convert(
            Srgb.TryParseHex(inputs.GetProperty("hex").GetString(), out var colour) ? colour.ToLinear() : throw new InvalidDataException()),
        _ => throw new InvalidDataException(operation),
    };

    private static Spectrum Stack(Spectrum below, IReadOnlyList<Coat> coats, bool steamAfter = false)
    {
        var face = below.Values.ToArray();
        new CoatStack(steamAfter ? [.. coats, new SteamCoat(Guid.Empty, 8)] : coats, TestData.Cabinet, Side.Face).LayOn(face, _ => 1);
        return new Spectrum(face);
    }

    private static Coat Step(JsonElement step) => step.GetProperty("op").GetString() switch
    {
        "dust" => Dust(step),
        "steam" => new SteamCoat(Guid.Empty, 8),
        "glaze" => Glaze(step),
        var other => throw new InvalidDataException(other),
    };

    private static DustCoat Dust(JsonElement dust) => new(
        Guid.Empty,
        [.. dust.GetProperty("mix").EnumerateArray().Select(part => new Portion(part.GetProperty("id").GetString()!, part.GetProperty("parts").GetDouble()))],
        dust.GetProperty("load").GetDouble(),
        Place.Whole,
        Sides.Both);

    private static GlazeCoat Glaze(JsonElement glaze) => new(Guid.Empty, glaze.GetProperty("id").GetString()!, glaze.GetProperty("coats").GetInt32(), Sides.Both);

    private static Spectrum Substrate(JsonElement inputs)
    {
        var substrate = inputs.GetProperty("substrate");
        return substrate.TryGetProperty("R", out var r) ? r.Spectrum() : Paste(substrate.GetProperty("paste"));
    }

    private static Spectrum Paste(JsonElement paste) => PasteOptics.Reflectance(
        paste.Recipe(), TestData.Cabinet, paste.TryGetProperty("restHours", out var hours) ? hours.GetDouble() : null);

    private static Illuminant Light(string name) => name switch
    {
        "D65" => Illuminant.D65,
        "D50" => Illuminant.D50,
        "A" => Illuminant.A,
        "F11" => Illuminant.F11,
        "LED3000" => Illuminant.WarmLed,
        "candle" => Illuminant.Candle,
        _ => throw new InvalidDataException(name),
    };

    private static void AssertFace(JsonElement expected, Spectrum face, Illuminant light, double reflectanceTolerance)
    {
        AssertNumbers(expected.GetProperty("R"), face.Values.ToArray(), reflectanceTolerance);
        var xyz = light.XyzOf(face);
        // A reconstructed spectrum is only solved to 1e-6, and XYZ is on a scale of 100.
        AssertNumbers(expected.GetProperty("XYZ"), [xyz.X, xyz.Y, xyz.Z], Math.Max(1e-6, 100 * (reflectanceTolerance - 1e-8)));
        var lab = light.LabOf(face);
        AssertNumbers(expected.GetProperty("Lab"), [lab.L, lab.A, lab.B], Math.Max(1e-5, 100 * (reflectanceTolerance - 1e-8)));
        var rgb = light.LinearRgbOf(xyz);
        var srgb = Srgb.FromLinear(rgb);
        AssertNumbers(expected.GetProperty("sRGB"), [srgb.R, srgb.G, srgb.B], Math.Max(1e-7, 10 * (reflectanceTolerance - 1e-8)));
        Assert.Equal(expected.GetProperty("hex").GetString(), srgb.ToHex());
        var ok = OkLab.FromLinearRgb(rgb);
        AssertNumbers(expected.GetProperty("OKLab"), [ok.L, ok.A, ok.B], Math.Max(1e-7, 10 * (reflectanceTolerance - 1e-8)));
    }

    private static void AssertNumbers(JsonElement expected, double[] actual, double tolerance)
    {
        var numbers = expected.Numbers();
        for (var i = 0; i < numbers.Length; i++)
            Assert.True(Math.Abs(numbers[i] - actual[i]) <= tolerance, $"Value {i}: expected {numbers[i]:R}, got {actual[i]:R}.");
    }
}
