namespace YoungTinge.Browser.Tests;

/// <summary>At the mixing table as a new maker would sit down to it.</summary>
[Collection(OtherApplication.Name)]
public class MixingTests(Application application)
{
    [Fact]
    public Task From_a_dusty_wine_to_touches_and_a_spoilt_batch_back() => application.InBrowserAsync(nameof(From_a_dusty_wine_to_touches_and_a_spoilt_batch_back), browser =>
    {
        browser.Open("/");
        browser.Click("link", "Mixing table");
        browser.Choose("Or a colour by name", "Dusty wine");
        browser.WaitForText("Target: Dusty wine");
        browser.Fill("Paste needed", "180");
        browser.Click("button", "Find recipes");
        browser.Click("button", "Put recipe 1 on the table");
        var mix = browser.Find("region", "Mix A", exact: true);
        browser.WaitUntil("touches or drops for 180 g", () => mix.Text.Contains("For 180 g") && (mix.Text.Contains(" touches") || mix.Text.Contains(" drops")));
        browser.WaitUntil("a rested paste that is there", () => Rested(browser).Contains("there"));

        // Compare with the second, then put that away again.
        browser.Click("button", "Lay 2 beside");
        browser.Find("region", "Mix B", exact: true);
        browser.Click("button", "Put Mix B away");
        browser.WaitUntilGone("region", "Mix B");

        // Keep it for the commission.
        browser.Choose("For", "Tidewrack moon wedding");
        browser.Click("button", "Keep it");
        browser.WaitForText("Kept.");
        browser.Click("button", "A batch", exact: true);
        browser.Find("button", "Open Dusty wine", exact: true);

        // Spoil it on purpose: too much of something blue.
        browser.Choose("I also put in …", "Woad");
        browser.Fill("Extra Woad", "12");
        browser.Click("button", "Find a rescue");
        browser.WaitForText("Make no more than you need");
        browser.WaitForText("of the batch.");
        Assert.Contains("The batch now:", browser.PageText());

        // And so far that nothing helps.
        browser.Fill("Extra Woad", "1000");
        browser.WaitUntilGone("heading", "Make no more than you need");
        browser.Click("button", "Find a rescue");
        browser.WaitForText("a rescue would");

        // A reload loses nothing of what lies on the table.
        browser.Reload();
        browser.WaitForText("Target: Dusty wine");
        browser.WaitUntil("the same rested paste", () => Rested(browser).Contains("there"));
        return Task.CompletedTask;
    });

    [Fact]
    public Task A_dose_is_dragged_and_the_colour_follows() => application.InBrowserAsync(nameof(A_dose_is_dragged_and_the_colour_follows), browser =>
    {
        browser.Open("/mixing");
        browser.Choose("Or a colour by name", "Sage");
        browser.Choose("Add a colour", "Frond");
        browser.WaitUntil("a mix beside the target", () => Rested(browser).Length > 0);
        var pale = Rested(browser);
        var slider = browser.Find("slider", "Dose of Frond");
        for (var i = 0; i < 25; i++)
            slider.SendKeys(OpenQA.Selenium.Keys.PageUp);
        browser.WaitUntil("another colour", () => Rested(browser) != pale);
        browser.WaitForText("above that it turns soft and sticky");
        browser.WaitForText("Instead of so much");
        browser.WaitForText("while you make the paste");

        // By units, as a hand doses.
        browser.Fill("Dose of Frond", "0.05");
        browser.WaitUntilGone("heading", "Instead of so much");
        browser.WaitForText("6 touches");
        browser.Click("button", "One touch more of Frond");
        browser.WaitForText("7 touches");

        // In another light the target stays beside it.
        browser.Choose("Seen in", "Candle");
        var daylight = Rested(browser);
        browser.WaitUntil("the colours under a candle", () => Rested(browser) != daylight || browser.PageText().Contains("Candle"));
        return Task.CompletedTask;
    });

    [Fact]
    public Task A_target_of_a_flower_comes_with_its_light_and_its_mass() => application.InBrowserAsync(nameof(A_target_of_a_flower_comes_with_its_light_and_its_mass), browser =>
    {
        browser.OpenSepals();
        browser.OpenColumn("Paste, ");
        browser.Click("link", "Take it to the mixing table");
        browser.WaitForText("Target: Hellebore, sepals");
        Assert.Equal("Lamp", browser.Run("return arguments[0].selectedOptions[0].text", browser.Find("combobox", "Seen in")));
        Assert.True(double.Parse(browser.ValueOf("Paste needed"), System.Globalization.CultureInfo.InvariantCulture) > 50);
        // What was mixed goes back to the piece it is for.
        browser.Choose("Add a colour", "Inkcap");
        browser.Fill("Dose of Inkcap", "0.05");
        browser.WaitForText("Inkcap");
        browser.Click("button", "Use it for Hellebore, sepals");
        browser.WaitForText("It is the paste of that piece now.");
        browser.Click("link", "See the piece");
        browser.OpenColumn("Paste, ");
        Assert.Equal("0.05", browser.ValueOf("Dose of Inkcap"));

        browser.Click("link", "Mixing table");
        browser.Click("button", "A flower", exact: true);
        browser.Choose("Flower and piece", ListedAs(browser, "Ivy, large leaves"));
        browser.WaitForText("Target: Ivy, large leaves");
        browser.Choose("Which colour of it", "Heart");
        browser.WaitUntil("the mix against another target", () => Rested(browser).Length > 0);
        return Task.CompletedTask;
    });

    [Fact]
    public Task A_batch_that_was_read_is_rescued_by_its_reading() => application.InBrowserAsync(nameof(A_batch_that_was_read_is_rescued_by_its_reading), browser =>
    {
        browser.Open("/mixing");
        browser.Click("button", "A batch", exact: true);
        browser.Click("button", "Open Ranunculus, middle whorl");
        browser.WaitForText("Target: Ranunculus, middle whorl");
        // What it came out as is taken from the shelf.
        Assert.Equal(true, browser.Run("return arguments[0].checked", browser.Find("checkbox", "I can see or measure its colour")));
        browser.Click("button", "Find a rescue");
        browser.WaitForText("The batch now:");

        browser.Click("button", "Remove Ranunculus, middle whorl");
        browser.WaitUntilGone("button", "Open Ranunculus, middle whorl");
        browser.Click("button", "Put it back");
        browser.Find("button", "Open Ranunculus, middle whorl");
        return Task.CompletedTask;
    });

    [Fact]
    public Task What_lies_at_hand() => application.InBrowserAsync(nameof(What_lies_at_hand), browser =>
    {
        browser.Open("/mixing");
        // Without a target these two already work.
        browser.Click("button", "Let-down", exact: true);
        browser.WaitForText("of colour in 180 g of paste");
        browser.WaitForText("Knead 1 touch of");
        browser.Fill("The batch should get", "0.00001");
        browser.WaitForText("too little to measure");
        browser.Fill("The batch should get", "0");
        browser.WaitForText("More than 0, up to 100.");
        browser.Click("button", "Dose ladder", exact: true);
        browser.Choose("Ladder of", "Woad");
        browser.WaitForText("Woad in Bright White Paste");
        browser.Find("img", "Lightness and strength of the paste against the dose");
        browser.Choose("Or a colour by name", "Harebell");
        browser.Click("button", "Spectrum", exact: true);
        browser.Find("img", "Share of light sent back at each wavelength");
        return Task.CompletedTask;
    });

    [Fact]
    public Task What_cannot_be_is_said_plainly() => application.InBrowserAsync(nameof(What_cannot_be_is_said_plainly), browser =>
    {
        browser.Open("/mixing");
        browser.Fill("Should look like", "40, 140, 0");
        browser.WaitForText("No surface can be this colour");
        browser.Fill("Should look like", "mud");
        browser.WaitForText("This is not a colour.");
        browser.Fill("Should look like", "#b0307f");
        browser.WaitForText("Target: Own colour");
        browser.Click("button", "Find recipes");
        browser.WaitForText("Paste alone does not get there");
        browser.WaitForText("Dust can:");

        browser.Fill("Paste needed", "0");
        browser.WaitForText("Must be more than 0 g");
        browser.Click("button", "Find recipes");
        browser.Find("alert", "Must be more than 0 g");
        browser.Fill("Paste needed", "120");

        browser.Run("document.querySelector('details').open = true");
        browser.Choose("Add what must be in", "Rowan");
        browser.Choose("Add what to leave out", "Rowan");
        browser.Click("button", "Find recipes");
        browser.WaitForText("Rowan must be in and is left out");
        browser.Click("button", "Take back Rowan");
        browser.WaitUntilGone("alert", "Rowan must be in");

        browser.Choose("Add a colour", "Inkcap");
        browser.Fill("Dose of Inkcap", "5000");
        browser.WaitForText("more is no paste any more");
        return Task.CompletedTask;
    });

    [Fact]
    public Task A_long_search_tells_how_far_it_is_and_can_be_stopped() => application.InBrowserAsync(nameof(A_long_search_tells_how_far_it_is_and_can_be_stopped), browser =>
    {
        browser.Open("/mixing");
        browser.Choose("Or a colour by name", "Mulberry");
        browser.WaitForText("Target: Mulberry");
        // A search that never ends, whatever the machine: the answer is held back on its way.
        browser.HoldBack("*/api/recipes/find");
        browser.Click("button", "Find recipes");
        browser.WaitForText("% searched");
        browser.Click("button", "Stop", exact: true);
        browser.WaitForText("Stopped.");
        browser.LetThrough();
        browser.Click("button", "Find recipes");
        browser.Find("button", "Put recipe 1 on the table");
        return Task.CompletedTask;
    });

    /// <summary>The rested mix as it is told: its colour's name and how far it is.</summary>
    private static string Rested(Browser browser) => (string?)browser.Run(
        """
        const rested = [...document.querySelectorAll('ul[aria-label="Mix A"] li')].find((one) => one.textContent.includes('Rested'))
        return rested ? rested.textContent + rested.querySelector('[role=img]').style.backgroundColor : ''
        """) ?? "";

    private static string ListedAs(Browser browser, string piece) => (string)browser.Run(
        "return [...document.querySelectorAll('option')].map((one) => one.text).find((text) => text.startsWith(arguments[0]))", piece)!;
}
