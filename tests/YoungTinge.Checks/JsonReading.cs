using System.Text.Json;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;

namespace YoungTinge.Checks;

/// <summary>How colours, spectra and recipes stand in the reference files.</summary>
public static class JsonReading
{
    public static double[] Numbers(this JsonElement array) => [.. array.EnumerateArray().Select(value => value.GetDouble())];

    public static double Number(this JsonElement item, string name) => item.GetProperty(name).GetDouble();

    public static string Text(this JsonElement item, string name) => item.GetProperty(name).GetString() ?? throw new InvalidDataException($"'{name}' is empty.");

    public static Spectrum Spectrum(this JsonElement array) => new(array.Numbers());

    public static Lab Lab(this JsonElement array) => array.Numbers() is [var l, var a, var b]
        ? new Lab(l, a, b)
        : throw new InvalidDataException("A Lab colour has three numbers.");

    public static IReadOnlyList<Dose> Doses(this JsonElement parts) => [.. parts.EnumerateArray().Select(part => new Dose(part.Text("id"), part.Number("g")))];

    public static PasteRecipe Recipe(this JsonElement paste) => new(paste.Text("base"), paste.TryGetProperty("parts", out var parts) ? parts.Doses() : []);
}
