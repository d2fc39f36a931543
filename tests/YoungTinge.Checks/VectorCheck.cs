using System.Text.Json;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Checks;

/// <summary>One computed quantity against the file.</summary>
/// <param name="Error">Largest absolute difference.</param>
public sealed record Deviation(string Quantity, double Error, double Tolerance)
{
    // Written as "not within", so that NaN fails too.
    public bool Fails => !(Error <= Tolerance);
}

public sealed record VectorResult(string Id, string Operation, IReadOnlyList<Deviation> Deviations)
{
    public bool Passes => !Deviations.Any(deviation => deviation.Fails);
}

/// <summary>The optics against figures that were computed independently: one case of a file of reference vectors after the other.</summary>
public sealed class VectorCheck(JsonElement file, Materials materials)
{
    private readonly JsonElement tolerances = file.GetProperty("absoluteTolerance");

    public IReadOnlyList<VectorResult> Run() => [.. file.GetProperty("cases").EnumerateArray().Select(Check)];

    /// <summary>A case that cannot be read or computed is one that fails, not the end of the check.</summary>
    public VectorResult Check(JsonElement vector)
    {
        try
        {
            return Compute(vector);
        }
        catch (Exception e) when (e is KeyNotFoundException or InvalidDataException or ArgumentException or InvalidOperationException)
        {
            return new VectorResult(vector.Text("id"), vector.Text("op"), [new Deviation($"not computed ({e.Message})", double.NaN, 0)]);
        }
    }

    private VectorResult Compute(JsonElement vector)
    {
        var operation = vector.Text("op");
        var inputs = vector.GetProperty("inputs");
        var expected = vector.GetProperty("expected");
        var light = vector.TryGetProperty("illuminant", out var name) || inputs.TryGetProperty("illuminant", out name) ? Light(name.GetString()!) : Illuminant.D65;
        IEnumerable<Deviation> deviations = operation switch
        {
            "develop" => [Compare("share", expected, new Development(inputs.Number("f0"), inputs.Number("tauHours")).ShareAfter(inputs.Number("hours")))],
            "washConcentration" =>
            [
                Compare("gPer100g", expected, PaintOptics.ConcentrationGPer100g(inputs.Number("gPerMl"), inputs.Number("wetMlPerCm2"), inputs.Number("depthMm")), 1e-10),
            ],
            "pasteMix" => Look(expected, Opaque(Paste(inputs), inputs), light),
            "kmInfinite" => Look(expected, KubelkaMunk.Opaque(inputs.GetProperty("K").Spectrum(), inputs.GetProperty("S").Spectrum()), light),
            "kmFinite" => Look(
                expected,
                KubelkaMunk.Layer(inputs.GetProperty("K").Spectrum(), inputs.GetProperty("S").Spectrum(), inputs.Number("X"), inputs.GetProperty("Rg").Spectrum()),
                light),
            "dustLayer" => Look(expected, Laid(inputs, inputs.TryGetProperty("steamed", out var steamed) && steamed.GetBoolean() ? [Dust(inputs), new SteamLayer()] : [Dust(inputs)]), light),
            "wash" => Look(expected, Washed(inputs), light),
            "glaze" => Look(expected, Glazed(inputs), light),
            "stack" => Look(expected, Stack(inputs), light),
            "showThrough" => ShownThrough(expected, inputs, light),
            "reconstruct" => Reconstructed(expected, inputs, light),
            "colourantFromSwatch" => ColourantFromSwatch(expected, inputs, light),
            "dustFromSwatch" => DustFromSwatch(expected, inputs, light),
            _ => [new Deviation($"unknown operation '{operation}'", double.NaN, 0)],
        };
        return new VectorResult(vector.Text("id"), operation, [.. deviations]);
    }

    private KubelkaMunkSpectra Paste(JsonElement paste) =>
        PasteOptics.Mix(paste.Recipe(), materials, paste.TryGetProperty("restHours", out var hours) ? hours.GetDouble() : null);

    /// <summary>Thick enough to hide what is below, unless a thickness is given.</summary>
    private Spectrum Opaque(KubelkaMunkSpectra mix, JsonElement paste)
    {
        if (!paste.TryGetProperty("thicknessMm", out var thickness))
            return KubelkaMunk.Opaque(mix);
        var backing = paste.TryGetProperty("backing", out var wire) ? materials.Get<Wire>(wire.GetString()!).Reflectance : paste.GetProperty("backingR").Spectrum();
        return KubelkaMunk.Layer(mix.Absorption, mix.Scattering, thickness.GetDouble(), backing);
    }

    private Spectrum Substrate(JsonElement inputs)
    {
        var substrate = inputs.GetProperty("substrate");
        return substrate.TryGetProperty("R", out var r) ? r.Spectrum() : Opaque(Paste(substrate.GetProperty("paste")), substrate.GetProperty("paste"));
    }

    private Spectrum Laid(JsonElement inputs, IReadOnlyList<Layer> layers) => Laid(Nothing, Substrate(inputs), layers);

    private static KubelkaMunkSpectra Nothing => new(Spectrum.From(_ => 0), Spectrum.From(_ => 1));

    private static Spectrum Laid(KubelkaMunkSpectra paste, Spectrum below, IReadOnlyList<Layer> layers)
    {
        var face = below.Values.ToArray();
        new LayerStack(paste, layers).LayOn(face, _ => 1);
        return new Spectrum(face);
    }

    private Spectrum Washed(JsonElement inputs)
    {
        var face = Substrate(inputs).Values.ToArray();
        new SoakedSkin(Paste(inputs.GetProperty("skin")))
            .LayOn(face, new WashLayer(PasteOptics.Colour(inputs.GetProperty("parts").Doses(), materials), inputs.Number("depthMm")), inputs.GetProperty("onBarePaste").GetBoolean());
        return new Spectrum(face);
    }

    private Spectrum Glazed(JsonElement inputs)
    {
        var face = Substrate(inputs).Values.ToArray();
        var glaze = Glaze(inputs);
        new GlazeFilm(glaze.Glaze, glaze.Coats, glaze.Tint, inputs.TryGetProperty("kSpec", out var mirrored) ? mirrored.GetDouble() : 0).LayOn(face);
        return new Spectrum(face);
    }

    private Spectrum Stack(JsonElement inputs)
    {
        var paste = inputs.GetProperty("paste");
        var mix = Paste(paste);
        return Laid(mix, Opaque(mix, paste), [.. inputs.GetProperty("steps").EnumerateArray().Select(Step)]);
    }

    private Layer Step(JsonElement step) => step.Text("op") switch
    {
        "dust" => Dust(step),
        "wash" => new WashLayer(PasteOptics.Colour(step.GetProperty("parts").Doses(), materials), step.Number("depthMm")),
        "steam" => new SteamLayer(),
        "glaze" => Glaze(step),
        var other => throw new InvalidDataException($"Unknown step '{other}'."),
    };

    private DustLayer Dust(JsonElement dust) => new(OpticsOf(dust.GetProperty("mix")), DustMix.WetScatteringOf(Mix(dust.GetProperty("mix")), materials), dust.Number("load"));

    private KubelkaMunkSpectra OpticsOf(JsonElement mix) => DustMix.OpticsOf(Mix(mix), materials);

    private static Portion[] Mix(JsonElement mix) => [.. mix.EnumerateArray().Select(part => new Portion(part.Text("id"), part.Number("parts")))];

    private GlazeLayer Glaze(JsonElement glaze) => new(
        materials.Get<Glaze>(glaze.Text("id")).Optics,
        glaze.GetProperty("coats").GetInt32(),
        glaze.TryGetProperty("tint", out var tint) ? new GlazeTint(OpticsOf(tint), glaze.Number("gPer10ml")) : null);

    private IEnumerable<Deviation> ShownThrough(JsonElement expected, JsonElement inputs, Illuminant light)
    {
        var wire = inputs.TryGetProperty("wire", out var id) ? materials.Get<Wire>(id.GetString()!).Reflectance : inputs.GetProperty("wireR").Spectrum();
        var seen = ShowThrough.Of(Paste(inputs), inputs.Number("thicknessMm"), wire);
        return
        [
            .. Look(expected, seen.OverWire, light),
            .. Look(expected.GetProperty("plain"), seen.Plain, light),
            Compare("deltaE00", expected, seen.DeltaE(light)),
        ];
    }

    private IEnumerable<Deviation> Reconstructed(JsonElement expected, JsonElement inputs, Illuminant light)
    {
        var colour = Hex(inputs);
        var reflectance = ReflectanceFromColour.Convert(colour.ToLinear());
        return
        [
            .. Look(expected, reflectance, light, "reconstructedR"),
            new Deviation("round trip deltaE00", DeltaE2000.Between(light.LabOf(colour), light.LabOf(reflectance)), 0.01),
        ];
    }

    private IEnumerable<Deviation> ColourantFromSwatch(JsonElement expected, JsonElement inputs, Illuminant light)
    {
        var paste = materials.Get<PasteBase>(inputs.Text("base")).Optics;
        var colour = FromSwatch.Colourant(ReflectanceFromColour.Convert(Hex(inputs).ToLinear()), inputs.Number("gPer100g"), paste);
        var test = inputs.Number("testGPer100g");
        var face = Spectrum.From(band => KubelkaMunk.Opaque(
            paste.Absorption[band] + test * colour.Absorption[band], paste.Scattering[band] + test * colour.Scattering[band]));
        return [RelativeK(expected, colour), .. Look(expected, face, light, "reconstructedR")];
    }

    private IEnumerable<Deviation> DustFromSwatch(JsonElement expected, JsonElement inputs, Illuminant light)
    {
        var dust = FromSwatch.Dust(ReflectanceFromColour.Convert(Hex(inputs).ToLinear()), inputs.Number("scatter"));
        return [RelativeK(expected, dust), .. Look(expected, Laid(inputs, [new DustLayer(dust, dust.Scattering, inputs.Number("testLoad"))]), light, "reconstructedR")];
    }

    private Deviation RelativeK(JsonElement expected, KubelkaMunkSpectra colour) => new(
        "K",
        expected.GetProperty("K").Numbers().Select((k, band) => Math.Abs(k - colour.Absorption[band]) / Math.Max(Math.Abs(k), 1e-3)).Max(),
        tolerances.Number("K_relative"));

    private IEnumerable<Deviation> Look(JsonElement expected, Spectrum face, Illuminant light, string reflectanceTolerance = "R")
    {
        var r = tolerances.Number(reflectanceTolerance);
        // A reconstructed spectrum is only solved to 1e-6; XYZ and Lab are on a scale of 100, and sRGB is steep near black.
        var looser = r / tolerances.Number("R");
        var xyz = light.XyzOf(face);
        var lab = light.LabOf(face);
        var rgb = light.LinearRgbOf(xyz);
        var srgb = Srgb.FromLinear(rgb);
        var ok = OkLab.FromLinearRgb(rgb);
        return
        [
            new Deviation("R", Largest(expected.GetProperty("R"), face.Values.ToArray()), r),
            new Deviation("XYZ", Largest(expected.GetProperty("XYZ"), [xyz.X, xyz.Y, xyz.Z]), tolerances.Number("XYZ") * looser),
            new Deviation("Lab", Largest(expected.GetProperty("Lab"), [lab.L, lab.A, lab.B]), tolerances.Number("Lab") * looser),
            new Deviation("sRGB", Largest(expected.GetProperty("sRGB"), [srgb.R, srgb.G, srgb.B]), tolerances.Number("sRGB") * looser),
            new Deviation("OKLab", Largest(expected.GetProperty("OKLab"), [ok.L, ok.A, ok.B]), tolerances.Number("OKLab") * looser),
            new Deviation("hex", srgb.ToHex() == expected.Text("hex") ? 0 : 1, 0),
        ];
    }

    private Deviation Compare(string quantity, JsonElement expected, double actual, double? tolerance = null) =>
        new(quantity, Math.Abs(expected.Number(quantity) - actual), tolerance ?? tolerances.Number(quantity));

    private static double Largest(JsonElement expected, double[] actual) => expected.Numbers().Zip(actual, (e, a) => Math.Abs(e - a)).Max();

    private static Srgb Hex(JsonElement inputs) =>
        Srgb.TryParseHex(inputs.Text("hex"), out var colour) ? colour : throw new InvalidDataException("That is no hex colour.");

    private static Illuminant Light(string name) => name switch
    {
        "D65" => Illuminant.D65,
        "D50" => Illuminant.D50,
        "A" => Illuminant.A,
        "F11" => Illuminant.F11,
        "LED3000" => Illuminant.WarmLed,
        "candle" => Illuminant.Candle,
        _ => throw new InvalidDataException($"Unknown light '{name}'."),
    };
}
