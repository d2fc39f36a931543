using System.Net.Http.Json;
using System.Text.Json;

namespace YoungTinge.Browser.Tests;

/// <summary>Files as a maker has them on her machine.</summary>
internal static class TestFiles
{
    public static string Write(string name, string text)
    {
        var path = PathOf(name);
        File.WriteAllText(path, text);
        return path;
    }

    /// <summary>A picture of a flower from the light box, and where its card lies.</summary>
    public static async Task<(string Path, double Left, double Top, double Width, double Height)> FlowerAsync(HttpClient http, string plant)
    {
        using var response = await http.PostAsJsonAsync("/api/bench/light-box/flowers", new { startingPointId = plant, seed = 12 });
        var shot = await response.Content.ReadFromJsonAsync<JsonElement>();
        var path = PathOf($"{plant}.jpg");
        await File.WriteAllBytesAsync(path, shot.GetProperty("jpeg").GetBytesFromBase64());
        var card = shot.GetProperty("card");
        double Of(string name) => card.GetProperty(name).GetDouble();
        return (path, Of("left"), Of("top"), Of("width"), Of("height"));
    }

    public static async Task<string> ArchiveAsync(HttpClient http)
    {
        var path = PathOf("studio.zip");
        await File.WriteAllBytesAsync(path, await http.GetByteArrayAsync("/api/files/studio.zip"));
        return path;
    }

    private static string PathOf(string name) => Path.Combine(Directory.CreateTempSubdirectory("young-tinge-").FullName, name);
}
