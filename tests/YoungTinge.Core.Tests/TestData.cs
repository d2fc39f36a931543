using System.Text.Json;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Tests;

/// <summary>Reference files of this test assembly, and how to read what stands in them.</summary>
internal static class TestData
{
    public static Materials Cabinet { get; } = StarterCabinet.Load();

    public static string Text(string file)
    {
        using var reader = new StreamReader(typeof(TestData).Assembly.GetManifestResourceStream(file)!);
        return reader.ReadToEnd();
    }

    public static JsonElement Json(string file) => JsonDocument.Parse(Text(file)).RootElement;

    public static double[] Numbers(this JsonElement array) => [.. array.EnumerateArray().Select(value => value.GetDouble())];

    public static Spectrum Spectrum(this JsonElement array) => new(array.Numbers());

    public static Lab Lab(this JsonElement array) => array.Numbers() is [var l, var a, var b] ? new Lab(l, a, b) : throw new InvalidDataException();

    public static PasteRecipe Recipe(this JsonElement paste) => new(
        paste.GetProperty("base").GetString()!,
        [.. paste.GetProperty("parts").EnumerateArray().Select(part => new Dose(part.GetProperty("id").GetString()!, part.GetProperty("g").GetDouble()))]);
}
