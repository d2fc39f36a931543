using YoungTinge.Testing;
namespace YoungTinge.Browser.Tests;

/// <summary>Bad input, two people at once, and servers that go away: clear words, and nothing lost.</summary>
[Collection(OneApplication.Name)]
public class TroubleTests(Application application)
{
    private const string NewGround = "#cfd8b0";

    [Fact]
    public Task Bad_figures_are_said_at_their_field_and_not_saved() => application.InBrowserAsync(nameof(Bad_figures_are_said_at_their_field_and_not_saved), browser =>
    {
        browser.OpenSepals();
        browser.OpenColumn("DustNettle");
        browser.Fill("Load", "0.95");
        browser.WaitForText("falls off again");
        browser.WaitForText("Not saved");
        browser.Fill("Load", "-1");
        browser.WaitForText("Must be more than nothing.");
        browser.Fill("Load", "lots");
        browser.WaitForText("This cannot be read as a number.");
        browser.Fill("Load", "0,12");
        browser.WaitForSaved();

        browser.Fill("Full to", "180");
        browser.WaitForText("Must be within the piece.");
        browser.Fill("Full to", "20");
        browser.WaitForSaved();

        foreach (var part in new[] { "Nettle", "Sedge", "Plain Cornstarch" })
            browser.Click("button", $"Take {part} out of the mix");
        browser.WaitForText("Put at least one dust in the mix.");
        browser.Choose("Add to the mix", "Duckweed");
        browser.WaitForSaved();

        browser.OpenColumn("Paste, ");
        browser.Fill("Dose of Quince", "40");
        browser.WaitForText("makes the paste soft and sticky");
        browser.Fill("Dose of Quince", "0.2");
        browser.Fill("Ground colour", "mud");
        browser.WaitForText("This is not a colour.");
        browser.WaitForSaved();
        return Task.CompletedTask;
    });

    [Fact]
    public Task What_cannot_be_saved_for_now_waits_and_outlives_a_reload() => application.InBrowserAsync(nameof(What_cannot_be_saved_for_now_waits_and_outlives_a_reload), async browser =>
    {
        browser.OpenSepals();
        await application.Demo.Cluster.StopAsync();
        browser.Click("button", "Add a coat: Vixen");
        browser.WaitForText("The database does not answer just now.");
        browser.WaitForText("Not saved yet");
        browser.Find("region", "Dust: Vixen");

        await application.Demo.Cluster.RestartAsync();
        browser.WaitForSaved();
        browser.Reload();
        browser.Find("button", "DustVixen");
    });

    /// <summary>The server may run on this very machine, or in the same house.</summary>
    [Fact]
    public Task Without_a_network_a_server_that_answers_is_worked_with() => application.InBrowserAsync(nameof(Without_a_network_a_server_that_answers_is_worked_with), browser =>
    {
        browser.Open("/");
        browser.WaitForText("Lantern Pier winter supper");
        browser.Run("window.dispatchEvent(new Event('offline'))");
        browser.Click("link", "Change Harbour school fete");
        browser.Fill("Name", "Harbour school fair");
        browser.Click("button", "Save", exact: true);
        browser.Find("heading", "Harbour school fair");
        browser.Click("link", "Cabinet", exact: true);
        browser.WaitForText("jars");
        return Task.CompletedTask;
    });

    [Fact]
    public Task A_draft_outlives_the_server_and_the_window() => application.InBrowserAsync(nameof(A_draft_outlives_the_server_and_the_window), async browser =>
    {
        browser.OpenSepals();
        var piece = browser.Url;
        // A second window keeps the browser open; it is on another place and holds no draft.
        browser.OpenTab(new Uri(browser.Address, "/cabinet").ToString());
        browser.Find("heading", "Cabinet", exact: true);
        browser.SwitchToTab(0);
        browser.OpenColumn("Paste, ");
        await application.Server.StopAsync();
        browser.Click("button", "Soft Cream Paste");
        browser.WaitForText("The server does not answer just now.");
        browser.CloseTab();

        await application.Server.StartAsync();
        browser.OpenTab(piece);
        browser.Find("button", "Soft Cream Paste");
        browser.WaitForSaved();
    });

    [Fact]
    public Task Two_windows_on_different_parts_both_keep_their_changes() => application.InBrowserAsync(nameof(Two_windows_on_different_parts_both_keep_their_changes), browser =>
    {
        browser.OpenSepals();
        browser.OpenTab(browser.Url);
        browser.WaitForSaved();
        browser.Click("button", "Add a coat: Vixen");
        browser.WaitForSaved();

        browser.SwitchToTab(0);
        browser.OpenColumn("Paste, ");
        browser.Fill("Ground colour", NewGround);
        browser.WaitForText("Both changes are kept.");
        browser.WaitForSaved();
        browser.Find("button", "DustVixen");
        browser.Reload();
        browser.Find("button", "DustVixen");
        browser.OpenColumn("Paste, ");
        browser.WaitUntil("the new ground", () => browser.ValueOf("Ground colour") == NewGround);
        return Task.CompletedTask;
    });

    [Theory]
    [InlineData("Keep mine", "Haw", "Vixen")]
    [InlineData("Take the other version", "Vixen", "Haw")]
    public Task Two_windows_on_the_same_coats_are_asked(string choice, string kept, string gone) => application.InBrowserAsync($"{nameof(Two_windows_on_the_same_coats_are_asked)}_{kept}", browser =>
    {
        browser.OpenSepals();
        browser.OpenTab(browser.Url);
        browser.WaitForSaved();
        browser.Click("button", "Add a coat: Vixen");
        browser.WaitForSaved();

        browser.SwitchToTab(0);
        browser.Click("button", "Add a coat: Haw");
        browser.WaitForText("Changed in another window too: the coats.");
        browser.Click("button", choice);
        browser.WaitForSaved();
        browser.Reload();
        browser.Find("button", $"Dust{kept}");
        Assert.False(browser.Has("button", $"Dust{gone}"));
        return Task.CompletedTask;
    });

    [Fact]
    public Task Ticks_wait_for_the_server() => application.InBrowserAsync(nameof(Ticks_wait_for_the_server), async browser =>
    {
        browser.OpenSepals();
        browser.Click("link", "Run sheet");
        browser.Find("checkbox", "Mix 63 g of paste");
        await application.Server.StopAsync();
        browser.Click("checkbox", "Mix");
        browser.WaitForText("Not saved yet");
        browser.WaitForText("1 of ");
        await application.Server.StartAsync();
        browser.WaitForSaved();
        browser.Reload();
        browser.WaitForText("1 of ");
    });

    [Fact]
    public async Task A_body_that_is_too_large_is_refused()
    {
        var (http, _) = Visitor.Of(application.Server.Address);
        await application.Demo.SignInAsync(http);
        var response = await http.PostAsync("/api/colours/read", new StringContent($$"""{"text":"{{new string('x', 400_000)}}"}""", System.Text.Encoding.UTF8, "application/json"));
        Assert.Equal(System.Net.HttpStatusCode.RequestEntityTooLarge, response.StatusCode);
        Assert.Contains("tooLarge", await response.Content.ReadAsStringAsync());
    }
}
