using System.Net.Http.Json;
using System.Text.Json;

namespace YoungTinge.Browser.Tests;

/// <summary>The address of every view, with something of the demo in it.</summary>
internal static class Routes
{
    public static async Task<IReadOnlyList<string>> AllAsync(HttpClient http)
    {
        var first = (await http.GetFromJsonAsync<JsonElement>("/api/commissions")).GetProperty("commissions")[0];
        var commission = $"/commissions/{first.GetProperty("commission").GetProperty("id").GetString()}";
        var made = first.GetProperty("flowers")[0];
        var flower = $"/flowers/{made.GetProperty("id").GetString()}";
        var piece = $"{flower}/{made.GetProperty("pieces")[1].GetProperty("id").GetString()}";
        var jar = (await http.GetFromJsonAsync<JsonElement>("/api/materials"))[0].GetProperty("id").GetString();
        return
        [
            "/commissions", "/commissions/new", commission, $"{commission}/new-flower", $"{commission}/together", $"{commission}/dust-day", $"{commission}/run-sheet", $"{commission}/spray", $"{commission}/spray-plan", "/bin",
            flower, $"{flower}/targets", $"{flower}/ombre", $"{flower}/marble", $"{flower}/bloom", $"{flower}/card", $"{flower}/assembly", $"{flower}/run-sheet", $"{flower}/new-piece", piece, $"{piece}/run-sheet",
            "/plan", "/paste-day", "/mixing", "/cabinet", "/cabinet/new", $"/cabinet/{jar}", "/logbook", "/bench", "/practice", "/files", "/studio", "/people", "/me", "/glossary", "/nowhere",
        ];
    }
}
