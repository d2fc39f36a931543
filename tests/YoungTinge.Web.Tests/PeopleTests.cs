using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Routing;
using Microsoft.Extensions.DependencyInjection;
using YoungTinge.Store.People;
using YoungTinge.Testing;
using YoungTinge.Web.Hosting;

namespace YoungTinge.Web.Tests;

/// <summary>Coming in, going out, and who may stay.</summary>
public sealed class PeopleTests(DemoApplication application) : ApiTest(application)
{
    private const string Password = "paper boats at noon";

    private static async Task<string> CodeOf(HttpResponseMessage answer) => (string)(await answer.Content.ReadFromJsonAsync<JsonNode>())!["code"]!;

    private static Task<HttpResponseMessage> SignIn(HttpClient http, string name, string password) => http.PostAsJsonAsync("/api/door/sign-in", new { name, password });

    private readonly DemoApplication application = application;

    private async Task<HttpClient> InvitedAsync(string name, string role = "helper", Visitor? visitor = null)
    {
        var made = await PostAsync("/api/people/invitations", new JsonObject { ["role"] = role });
        var http = application.CreateClient(visitor ?? new Visitor());
        await Visitor.UseCodeAsync(http, ((string)made["address"]!)["/in/".Length..], new { name, signInName = name, password = Password });
        return http;
    }

    private async Task<JsonNode> PersonAsync(string name) => (await GetAsync("/api/people")).AsArray().Single(person => (string)person!["name"]! == name)!;

    [Fact]
    public async Task An_invitation_lets_one_in_once_with_her_role()
    {
        var address = (string)(await PostAsync("/api/people/invitations", new JsonObject { ["role"] = "helper" }))["address"]!;
        var path = $"/api/door/codes/{address["/in/".Length..]}";
        using var http = Stranger();
        Assert.Equal("Saltmarsh Lane Sugar Room", (string)(await http.GetFromJsonAsync<JsonNode>(path))!["studioName"]!);
        Assert.Equal(["name nameTooLong", "password passwordTooShort"], await ProblemsOf(await http.PostAsJsonAsync(path, new { name = new string('o', 10_000), signInName = "bo", password = "short" })));
        Assert.Equal(["password passwordCommon"], await ProblemsOf(await http.PostAsJsonAsync(path, new { name = "Bo", signInName = "bo", password = "Sugarflower1" })));
        Assert.Equal(["signInName signInNameTaken"], await ProblemsOf(await http.PostAsJsonAsync(path, new { name = "Bo", signInName = "DEMO", password = Password })));
        await Visitor.UseCodeAsync(http, address["/in/".Length..], new { name = "Bo", signInName = "bo", password = Password });
        var me = (await http.GetFromJsonAsync<JsonNode>("/api/me"))!;
        Assert.Equal(("Bo", "helper"), ((string)me["name"]!, (string)me["role"]!));

        using var second = Stranger();
        Assert.Equal(HttpStatusCode.NotFound, (await second.GetAsync(path)).StatusCode);
        Assert.Equal("codeGone", await CodeOf(await second.PostAsJsonAsync(path, new { name = "Cy", signInName = "cy", password = Password })));
        Assert.Equal(HttpStatusCode.NoContent, (await SignIn(second, " Bo ", Password)).StatusCode);
    }

    [Fact]
    public async Task A_cookie_is_worth_nothing_after_signing_out_here_everywhere_or_by_the_owner()
    {
        var own = new Visitor();
        using var bo = await InvitedAsync("Bo", visitor: own);
        foreach (var way in new Func<Task>[]
        {
            () => bo.PostAsJsonAsync("/api/door/sign-out", new { everywhere = false }),
            async () =>
            {
                using var elsewhere = Stranger();
                await SignIn(elsewhere, "Bo", Password);
                (await elsewhere.PostAsJsonAsync("/api/door/sign-out", new { everywhere = true })).EnsureSuccessStatusCode();
            },
            async () => (await Http.PostAsync($"/api/people/{(await PersonAsync("Bo"))["id"]}/sign-out", null)).EnsureSuccessStatusCode(),
        })
        {
            (await SignIn(bo, "Bo", Password)).EnsureSuccessStatusCode();
            var stolen = new Visitor();
            using var thief = application.CreateClient(stolen);
            // What the browser had is still what the thief has.
            stolen.Take(own.Cookies);
            Assert.Equal(HttpStatusCode.OK, (await thief.GetAsync("/api/me")).StatusCode);
            using var heard = await thief.GetAsync("/api/bench/events", HttpCompletionOption.ResponseHeadersRead);
            using var lines = new StreamReader(await heard.Content.ReadAsStreamAsync());
            Assert.Equal("event: changed", await lines.ReadLineAsync());
            await way();
            Assert.Equal(HttpStatusCode.Unauthorized, (await thief.GetAsync("/api/me")).StatusCode);
            await ChangeSomethingAsync();
            Assert.DoesNotContain("event: changed", await lines.ReadToEndAsync().WaitAsync(TimeSpan.FromSeconds(10)));
        }

        async Task ChangeSomethingAsync() => (await Http.PutAsJsonAsync($"/api/log-entries/{Guid.NewGuid()}", new
        {
            pieceId = (Guid?)null,
            subject = "paste",
            actual = new { l = 70, a = 20, b = 5 },
            note = "",
            wentIn = new { baseId = "bright-white-paste", pasteG = 100, doses = new[] { new { colourantId = "rowan", unit = (string?)null, amount = 0.3 } } },
        })).EnsureSuccessStatusCode();
    }

    [Fact]
    public async Task A_wrong_password_again_and_again_locks_the_name_and_tells_nothing()
    {
        using var bo = await InvitedAsync("Bo");
        using var guessing = Stranger();
        foreach (var name in new[] { "bo", "nobody at all" })
        {
            var statuses = new List<string>();
            await Parallel.ForEachAsync(Enumerable.Range(0, 60), new ParallelOptions { MaxDegreeOfParallelism = 8 }, async (number, _) =>
            {
                var answer = await SignIn(guessing, name, $"wrong password {number}");
                lock (statuses)
                    statuses.Add($"{(int)answer.StatusCode}");
            });
            // There is such a name, or there is not: both are answered alike.
            Assert.Equal(SignInTries.Free, statuses.Count(status => status == "401"));
            Assert.All(statuses, status => Assert.True(status is "401" or "429"));
        }

        var locked = await SignIn(guessing, "bo", Password);
        Assert.Equal((HttpStatusCode.TooManyRequests, "tooOften"), (locked.StatusCode, await CodeOf(locked)));
        // Who is in stays in.
        Assert.Equal(HttpStatusCode.OK, (await bo.GetAsync("/api/me")).StatusCode);
    }

    [Fact]
    public async Task A_studio_never_loses_its_last_owner_not_even_by_two_at_once()
    {
        var me = await PersonAsync("Odile Farrant");
        Assert.Equal("lastOwner", await CodeOf(await Http.DeleteOverAsync($"/api/people/{me["id"]}", 1)));
        Assert.Equal("lastOwner", await CodeOf(await Http.PutOverAsync($"/api/people/{me["id"]}/role", new { role = "maker" }, 1)));
        using var ida = await InvitedAsync("Ida", "owner");
        var her = await PersonAsync("Ida");
        var both = await Task.WhenAll(Http.DeleteOverAsync($"/api/people/{her["id"]}", 1), ida.DeleteOverAsync($"/api/people/{me["id"]}", 1));
        Assert.Single(both, answer => answer.StatusCode == HttpStatusCode.NoContent);
        Assert.Single(await new PersonStore(Demo.DataSource).ListAsync(Demo.StudioId, CancellationToken.None), person => person.Role == Role.Owner);
    }

    [Fact]
    public async Task A_new_password_signs_out_every_other_browser_and_the_old_one_is_gone()
    {
        using var bo = await InvitedAsync("Bo");
        using var elsewhere = Stranger();
        await SignIn(elsewhere, "Bo", Password);
        Assert.Equal(["old passwordWrong"], await ProblemsOf(await bo.PutAsJsonAsync("/api/me/password", new { old = "not that", password = "gulls over the pier" })));
        Assert.Equal(HttpStatusCode.NoContent, (await bo.PutAsJsonAsync("/api/me/password", new { old = Password, password = "gulls over the pier" })).StatusCode);
        Assert.Equal((HttpStatusCode.OK, HttpStatusCode.Unauthorized), ((await bo.GetAsync("/api/me")).StatusCode, (await elsewhere.GetAsync("/api/me")).StatusCode));
        Assert.Equal("wrongPassword", await CodeOf(await SignIn(elsewhere, "bo", Password)));

        // Forgotten: an owner makes a code.
        var code = ((string)(await PostAsync($"/api/people/{(await PersonAsync("Bo"))["id"]}/code", new JsonObject()))["address"]!)["/in/".Length..];
        await Visitor.UseCodeAsync(elsewhere, code, new { name = "", signInName = "", password = "rain on the slipway" });
        Assert.Equal(HttpStatusCode.Unauthorized, (await bo.GetAsync("/api/me")).StatusCode);
        Assert.Equal(HttpStatusCode.NoContent, (await SignIn(bo, "bo", "rain on the slipway")).StatusCode);
    }

    [Fact]
    public async Task A_guest_reads_one_commission_without_prices_until_the_address_ends()
    {
        var id = (string)(await CommissionAsync("Lantern Pier winter supper"))["id"]!;
        Assert.Equal(["days daysOutOfRange"], await ProblemsOf(await Http.PostAsJsonAsync($"/api/commissions/{id}/guest-address", new { days = 9999 })));
        var secret = ((string)(await PostAsync($"/api/commissions/{id}/guest-address", new JsonObject { ["days"] = 30 }))["path"]!)["/guest/".Length..];
        using var guest = Stranger();
        var seen = (await guest.GetFromJsonAsync<JsonNode>($"/api/guest/{secret}?light=candle"))!;
        Assert.Equal("Lantern Pier winter supper", (string)seen["commissionName"]!);
        Assert.NotEmpty(seen["flowers"]!.AsArray());
        Assert.DoesNotContain("price", seen.ToJsonString(), StringComparison.OrdinalIgnoreCase);
        Assert.DoesNotContain("Note", seen.ToJsonString(), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.Unauthorized, (await guest.GetAsync($"/api/commissions/{id}/spray")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await guest.GetAsync($"/api/guest/{secret[..^2]}AA")).StatusCode);

        await Demo.ExpireGuestsAsync();
        Assert.Equal(HttpStatusCode.NotFound, (await guest.GetAsync($"/api/guest/{secret}")).StatusCode);
        var again = ((string)(await PostAsync($"/api/commissions/{id}/guest-address", new JsonObject { ["days"] = 30 }))["path"]!)["/guest/".Length..];
        (await Http.DeleteAsync($"/api/commissions/{id}/guest-address")).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.NotFound, (await guest.GetAsync($"/api/guest/{again}")).StatusCode);
    }

    [Fact]
    public async Task Who_changed_what_is_told_to_owners()
    {
        using var maker = await InvitedAsync("Ida", "maker");
        var commission = await CommissionAsync("Harbour school fete");
        (await maker.DeleteAsync($"/api/commissions/{commission["id"]}")).EnsureSuccessStatusCode();
        var line = (await GetAsync("/api/audit"))["lines"]![0]!;
        Assert.Equal(("Ida", "removeCommission", "Harbour school fete"), ((string)line["who"]!, (string)line["action"]!, (string)line["subject"]!));
        // What failed, and what only computes, leaves none.
        await maker.PostAsJsonAsync("/api/colours/read", new { text = "#fff" });
        await maker.DeleteAsync("/api/commissions/3fa85f64-5717-4562-b3fc-2c963f66afa6");
        Assert.Equal("removeCommission", (string)(await GetAsync("/api/audit"))["lines"]![0]!["action"]!);
    }

    /// <summary>Whatever leaves a line has words, and no words are left for what leaves none.</summary>
    [Fact]
    public void Every_line_of_the_trail_can_be_told()
    {
        var actions = Services.GetServices<EndpointDataSource>().SelectMany(source => source.Endpoints).Select(AuditTrail.ActionOf).OfType<string>().Distinct().Order();
        var words = JsonNode.Parse(File.ReadAllText(Path.Combine(Repository.Folder, "client", "src", "locales", "en", "people.json")))!["trail"]!.AsObject().Select(one => one.Key).Order();
        Assert.Equal(actions, words);
    }

    [Fact]
    public async Task How_she_sees_the_pages_is_hers_and_two_windows_never_overwrite_each_other()
    {
        var me = await GetAsync("/api/me");
        var german = new { name = "Odile", preferences = new { language = "de", measures = "imperial", timeZone = "Europe/Berlin", theme = "dark" } };
        Assert.Equal(HttpStatusCode.OK, (await Http.PutOverAsync("/api/me", german, (int)me["version"]!)).StatusCode);
        Assert.Equal(HttpStatusCode.PreconditionFailed, (await Http.PutOverAsync("/api/me", german, (int)me["version"]!)).StatusCode);
        Assert.Equal(("de", "imperial"), ((string)(await GetAsync("/api/me"))["preferences"]!["language"]!, (string)(await GetAsync("/api/me"))["preferences"]!["measures"]!));
        Assert.Equal("metric", (string)(await GetAsync("/api/studio"))["measures"]!);
        Assert.Equal(["timeZone unknownTimeZone"], await ProblemsOf(await Http.PutOverAsync("/api/me", german with { preferences = german.preferences with { timeZone = "Mars/Olympus" } }, 2)));
    }
}
