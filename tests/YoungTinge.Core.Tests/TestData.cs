using System.Text.Json;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Tests;

/// <summary>Reference files of this test assembly, and the cabinet that most tests use.</summary>
internal static class TestData
{
    public const string White = "bright-white-paste";

    public static Materials Cabinet { get; } = StarterCabinet.Load();

    public static string Text(string file)
    {
        using var reader = new StreamReader(typeof(TestData).Assembly.GetManifestResourceStream(file)!);
        return reader.ReadToEnd();
    }

    public static JsonElement Json(string file) => JsonDocument.Parse(Text(file)).RootElement;

    /// <summary>A recipe in white paste.</summary>
    public static PasteRecipe Recipe(params (string Id, double GPer100g)[] doses) =>
        new(White, [.. doses.Select(dose => new Dose(dose.Id, dose.GPer100g))]);

    /// <summary>Rested, under daylight.</summary>
    public static Lab ColourOf(PasteRecipe recipe, Materials? materials = null) =>
        PasteOptics.ColourOf(recipe, materials ?? Cabinet);
}
