using OpenQA.Selenium;

namespace YoungTinge.Browser.Tests;

/// <summary>From a target colour to a dusted, glazed, logged petal, as a maker goes.</summary>
[Collection(OtherApplication.Name)]
public class WholePathTests(Application application)
{
    [Fact]
    public Task A_petal_from_target_to_logbook() => application.InBrowserAsync(nameof(A_petal_from_target_to_logbook), async browser =>
    {
        browser.Open("/");
        browser.WaitForText("Lantern Pier winter supper");
        browser.Click("link", "Hellebore");
        browser.Find("heading", "Sepals", exact: true);

        // 1. A target is changed.
        var before = browser.Ribbon("Rim");
        browser.Click("button", "Change the target of the Rim");
        browser.Fill("Should look like", "#c98f94");
        browser.WaitUntil("the rim to be compared anew", () => browser.Ribbon("Rim") != before);
        browser.WaitForSaved();

        // 2. A recipe for the ground colour.
        browser.OpenColumn("Paste, ");
        browser.WaitForText("42 sepals");
        browser.WaitForText("mm ball");
        browser.Click("button", "Find recipes");
        browser.Find("button", "Use recipe 3");
        var colours = browser.Colours();
        browser.Click("button", "Use recipe 1");
        browser.WaitUntil("the ribbons to change", () => browser.Colours() != colours);
        browser.WaitForSaved();

        // 3. and 4. Coats are added, changed, moved and removed; ribbons and pictures follow.
        var pictures = browser.Pictures();
        browser.Click("button", "Add a coat: Vixen");
        browser.Find("region", "Dust: Vixen");
        browser.Click("button", "heavy", exact: true);
        browser.Click("button", "Heart", exact: true);
        browser.Click("button", "Both sides", exact: true);
        browser.WaitUntil("the pictures to change", () => browser.Pictures() != pictures);
        browser.Choose("Add to the mix", "Wine Lees");
        browser.Fill("Parts of Wine Lees", "2.5");
        browser.Fill("Full to", "35");
        browser.WaitForText("For all pieces: Vixen");
        var last = browser.Colours();
        browser.Click("button", "Earlier");
        browser.WaitUntil("the order to show", () => browser.Colours() != last);
        browser.Click("button", "Steam, glaze", exact: true);
        browser.Click("button", "Add a coat: Pond Dip");
        browser.Fill("Coats", "2");
        browser.WaitForText("ml for all pieces");
        browser.Click("button", "Remove", exact: true);
        browser.WaitUntilGone("region", "Glaze: Pond Dip");
        browser.WaitForSaved();

        // 5. The run sheet, ticked, and resumed after a restart of the server.
        browser.Click("link", "Run sheet");
        browser.WaitForText("of paste");
        browser.Click("checkbox", "Mix");
        browser.Click("checkbox", "Make 42 pieces");
        browser.WaitForText("2 of ");
        browser.WaitForSaved();
        await application.Server.StopAsync();
        await application.Server.StartAsync();
        browser.Reload();
        browser.WaitForText("2 of ");
        Assert.Contains("Vixen", browser.PageText());
        Assert.NotEmpty(browser.PrintToPdf());

        // 6. What came out, predicted beside actual, in the logbook.
        browser.Click("link", "Back to Hellebore");
        browser.Click("button", "Log what came out");
        browser.Fill("Came out as", "84, -3, 14");
        browser.WaitForText("yellow");
        browser.Fill("Note", "A little warmer than the dab.");
        browser.Click("button", "Put in the logbook");
        browser.WaitForText("In the logbook.");
        browser.Click("button", "Base", exact: true);
        browser.Fill("Came out as", "#a9c47c");
        // At once: it goes in as soon as the colour is read.
        browser.Click("button", "Put in the logbook");
        browser.WaitForText("In the logbook.");
        browser.Click("link", "See the logbook");
        browser.WaitForText("A little warmer than the dab.");
        browser.Find("link", "Hellebore, sepals: paste");
        browser.Find("link", "Hellebore, sepals: base");
        // While the server was stopped the browser rightly complained.
        Assert.All(browser.ConsoleErrors(), error => Assert.Contains("ERR_CONNECTION", error));
    });

    [Fact]
    public Task Keys_alone_reach_and_change_everything() => application.InBrowserAsync(nameof(Keys_alone_reach_and_change_everything), browser =>
    {
        browser.Open("/");
        browser.TabTo("link", "Hellebore");
        browser.Press(Keys.Enter);
        browser.Find("heading", "Sepals", exact: true);
        browser.WaitForSaved();
        var colours = browser.Colours();
        browser.TabTo("button", "Add a coat: Guelder");
        browser.Press(Keys.Enter);
        browser.WaitUntil("the coat to show", () => browser.Colours() != colours);
        browser.TabTo("slider", "Load");
        colours = browser.Colours();
        for (var i = 0; i < 10; i++)
            browser.Press(Keys.ArrowRight);
        browser.WaitUntil("the load to show", () => browser.Colours() != colours);
        browser.TabTo("button", "Remove");
        browser.Press(Keys.Enter);
        browser.WaitUntilGone("region", "Dust: Guelder");
        browser.WaitForSaved();
        return Task.CompletedTask;
    });

    [Fact]
    public Task A_phone_shows_the_whole_path_without_scrolling_sideways() => application.InBrowserAsync(
        nameof(A_phone_shows_the_whole_path_without_scrolling_sideways),
        browser =>
        {
            browser.Open("/");
            browser.WaitForText("Lantern Pier winter supper");
            AssertFits(browser);
            browser.Click("link", "Hellebore");
            browser.WaitForSaved();
            AssertFits(browser);
            browser.OpenColumn("Paste, ");
            browser.Click("button", "Find recipes");
            browser.Click("button", "Use recipe 2");
            browser.WaitForSaved();
            AssertFits(browser);
            browser.Click("button", "Add a coat: Vixen");
            browser.Click("button", "Rim", exact: true);
            browser.WaitForSaved();
            AssertFits(browser);
            browser.Click("link", "Run sheet");
            browser.Click("checkbox", "Mix");
            browser.WaitForText("1 of ");
            AssertFits(browser);
            foreach (var place in new[] { "/cabinet", "/logbook" })
            {
                browser.Open(place);
                browser.Find("heading", place == "/cabinet" ? "Cabinet" : "Logbook", exact: true);
                AssertFits(browser);
            }

            return Task.CompletedTask;
        },
        width: 390,
        height: 844);

    private static void AssertFits(Browser browser) =>
        Assert.True((bool)browser.Run("return document.documentElement.scrollWidth <= window.innerWidth")!, $"{browser.Url} is wider than the window.");
}
