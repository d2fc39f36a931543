using System.Text.Json;

namespace YoungTinge.Browser.Tests;

/// <summary>The other places, and everything the demo holds.</summary>
[Collection(OtherApplication.Name)]
public class PlacesTests(Application application)
{
    [Fact]
    public Task Every_piece_of_every_flower_opens() => application.InBrowserAsync(nameof(Every_piece_of_every_flower_opens), async browser =>
    {
        var http = application.Http;
        using var commissions = JsonDocument.Parse(await http.GetStringAsync("/api/commissions"));
        foreach (var commission in commissions.RootElement.GetProperty("commissions").EnumerateArray())
        {
            foreach (var flower in commission.GetProperty("flowers").EnumerateArray())
            {
                browser.Open($"/flowers/{flower.GetProperty("id").GetString()}");
                foreach (var piece in flower.GetProperty("pieces").EnumerateArray())
                {
                    var name = piece.GetProperty("name").GetString()!;
                    browser.Click("link", name);
                    browser.Find("heading", name, exact: true);
                    browser.WaitForSaved();
                    browser.Find("img", $"{name}, Face");
                    browser.Find("img", $"{name}, Back");
                    // A ball has a crown where a petal has its tip.
                    Assert.NotEqual("", browser.Ribbon(piece.GetProperty("build").GetString() == "solid" ? "Crown" : "Tip"));
                }
            }
        }

        Assert.Empty(browser.ConsoleErrors());
    });

    [Fact]
    public Task The_cabinet_says_what_may_be_eaten_and_finds_things() => application.InBrowserAsync(nameof(The_cabinet_says_what_may_be_eaten_and_finds_things), browser =>
    {
        browser.Open("/cabinet");
        browser.Find("heading", "Colours for paste 24");
        browser.Find("heading", "Dusts 26");
        browser.Fill("Find a material", "mineral");
        browser.WaitUntilGone("heading", "Colours for paste");
        Assert.Contains("Decorative only", (string)browser.Run("return arguments[0].textContent", browser.Find("listitem", "Scabious"))!);
        browser.Fill("Find a material", "unicorn");
        browser.WaitForText("Nothing in the cabinet has “unicorn” in its name.");
        return Task.CompletedTask;
    });

    [Fact]
    public Task A_log_entry_needs_a_colour_and_outlives_a_reload() => application.InBrowserAsync(nameof(A_log_entry_needs_a_colour_and_outlives_a_reload), browser =>
    {
        browser.OpenSepals();
        browser.Click("button", "Log what came out");
        browser.Click("button", "Put in the logbook");
        browser.WaitForText("Pick or type the colour it came out as.");
        browser.Fill("Note", "Second batch, a cold day.");
        browser.Click("button", "Tip", exact: true);
        browser.Reload();
        browser.Click("button", "Log what came out");
        Assert.Equal("Second batch, a cold day.", browser.ValueOf("Note"));
        browser.Fill("Came out as", "#d8b8ac");
        browser.Find("img", "Actual:");
        browser.Click("button", "Put in the logbook");
        browser.WaitForText("In the logbook.");
        browser.Open("/logbook");
        browser.Find("link", "Hellebore, sepals: tip");
        browser.WaitForText("Second batch, a cold day.");
        return Task.CompletedTask;
    });

    [Fact]
    public Task The_finder_says_which_way_paste_cannot_go() => application.InBrowserAsync(nameof(The_finder_says_which_way_paste_cannot_go), browser =>
    {
        browser.OpenSepals();
        browser.OpenColumn("Paste, ");
        browser.Fill("Ground colour", "#3a0d14");
        browser.WaitForText("dark");
        browser.Click("button", "Find recipes");
        browser.WaitForText("Paste alone does not reach it");
        browser.WaitForText("Dust can close the gap.");
        return Task.CompletedTask;
    });

    [Fact]
    public Task Advice_comes_with_what_will_be_regretted() => application.InBrowserAsync(nameof(Advice_comes_with_what_will_be_regretted), browser =>
    {
        browser.OpenSepals();
        browser.WaitForText("Nothing stands out.");
        browser.Click("button", "Add a coat: Scabious");
        browser.Click("button", "Close");
        browser.WaitForText("Scabious goes on over glaze: dust does not hold there.");
        browser.WaitForText("Scabious: decorative only");
        return Task.CompletedTask;
    });

    [Fact]
    public Task A_theme_is_kept() => application.InBrowserAsync(nameof(A_theme_is_kept), browser =>
    {
        browser.Open("/");
        browser.Click("button", "Dark theme");
        browser.Find("button", "Light theme");
        browser.Reload();
        browser.Find("button", "Light theme");
        return Task.CompletedTask;
    });
}
