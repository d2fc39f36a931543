using System.Text.Json;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Cabinet;

/// <summary>The invented house range that a new studio starts with, read from <c>starter-cabinet.json</c>.</summary>
public static class StarterCabinet
{
    private static readonly IReadOnlyDictionary<string, DoseUnitKind> UnitNames = new Dictionary<string, DoseUnitKind>
    {
        ["toothpickTip"] = DoseUnitKind.Touch,
        ["drop"] = DoseUnitKind.Drop,
        ["peaSize"] = DoseUnitKind.Pea,
        ["knifeTip"] = DoseUnitKind.KnifeTip,
        ["pinch"] = DoseUnitKind.Pinch,
    };

    public static Materials Load()
    {
        using var document = JsonDocument.Parse(Shipped.Text("starter-cabinet.json"));
        return new Materials(document.RootElement.GetProperty("items").EnumerateArray().Select(Read));
    }

    private static Material Read(JsonElement item)
    {
        string Text(string name) => item.TryGetProperty(name, out var value) ? value.GetString() ?? "" : "";
        double Number(string name) => item.GetProperty(name).GetDouble();

        var label = new Label(Text("id"), Text("name"), Text("form"), Food(Text("foodStatus")), Text("dyeFamily"), Text("note"))
        {
            Contains = Text("dyeFamily").Contains("carmine") ? [Ingredient.Carmine] : [],
        };
        return Text("kind") switch
        {
            "base" => new PasteBase(label, Optics(item)),
            "colourant" => new Colourant(label, Optics(item), Number("maxLoadGPer100g"), Development(item.GetProperty("develop")))
            {
                Units = [.. item.GetProperty("unitMassG").EnumerateObject().Select(u => new DoseUnit(UnitNames[u.Name], u.Value.GetDouble()))],
            },
            "dust" => Dust(DustKind.Matte),
            "lustre" => Dust(DustKind.Lustre) with { Glint = Glint(item.GetProperty("glint")) },
            "extender" => Dust(DustKind.Extender),
            "glaze" => new Glaze(label, Number("g1"), Number("k1"), Number("k2"), Number("wetMlPerCm2PerCoat")),
            "thinner" => new Thinner(label, Number("densityGPerMl"), Number("washDepthMm")),
            "wire" => new Wire(label, Values(item, "R")),
            var kind => throw new InvalidDataException($"Unknown kind of material '{kind}'."),
        };

        Dust Dust(DustKind kind)
        {
            var dust = new Dust(label, kind, Optics(item), Number("maxLoadMgPerCm2"));
            return item.TryGetProperty("wetScatter", out var wet) ? dust with { WetScatter = wet.GetDouble() } : dust;
        }
    }

    private static FoodStatus Food(string status) => status switch
    {
        "edible" => FoodStatus.Edible,
        "decorative-only" => FoodStatus.DecorativeOnly,
        "" => FoodStatus.NotFood,
        _ => throw new InvalidDataException($"Unknown food status '{status}'."),
    };

    private static Development Development(JsonElement develop) =>
        new(develop.GetProperty("f0").GetDouble(), develop.GetProperty("tauHours").GetDouble());

    private static Glint Glint(JsonElement glint) => new(
        Srgb.TryParseHex(glint.GetProperty("tintHex").GetString(), out var tint) ? tint : throw new InvalidDataException("A glint needs a tint."),
        glint.GetProperty("strength").GetDouble(),
        glint.GetProperty("halfLoad").GetDouble());

    private static KubelkaMunkSpectra Optics(JsonElement item) => new(Values(item, "K"), Values(item, "S"));

    private static Spectrum Values(JsonElement item, string name) =>
        new(item.GetProperty(name).EnumerateArray().Select(value => value.GetDouble()).ToArray());
}
