using OpenQA.Selenium;

namespace YoungTinge.Browser.Tests;

/// <summary>A first job of one's own: from an empty studio to paste that has been made, and what leads there and back.</summary>
[Collection(OtherApplication.Name)]
public class BeginningTests(Application application)
{
    [Fact]
    public Task From_an_empty_studio_to_a_ticked_paste() => application.InBrowserAsync(nameof(From_an_empty_studio_to_a_ticked_paste), async browser =>
    {
        await application.Demo.BeginAsync();
        browser.Open("/");
        browser.Find("heading", "Begin here");
        browser.Click("link", "The studio");
        browser.Fill("Name of the studio", "Quay Room");
        browser.Fill("Maker", "Ida Marsh");
        browser.Choose("Currency", "NOK, Norwegian Krone");
        browser.Click("button", "Keep", exact: true);
        browser.WaitUntil("kept", () => !browser.Find("button", "Keep", exact: true).Enabled);
        browser.Click("link", "Commissions", exact: true);
        browser.WaitForText("Quay Room, Ida Marsh");
        browser.Click("button", "Put the starter jars in");
        browser.WaitForText("jars in the cabinet");
        browser.Click("link", "New commission");

        browser.Click("button", "Make it, and add its first flower");
        browser.WaitForText("Give it a name.");
        browser.Fill("Name", "Harbour christening");
        browser.Fill("Where the flowers will stand", "Boat house, by the window");
        browser.Click("button", "Make it, and add its first flower");
        browser.Find("heading", "A new flower for Harbour christening");
        browser.Click("button", "Anemone", exact: true);
        browser.Fill("Flowers", "3");
        browser.Click("button", "Make it", exact: true);
        browser.Find("heading", "Petals", exact: true);
        browser.WaitForSaved();

        var picture = await TestFiles.FlowerAsync(application.Http, "anemone-petal-violet");
        browser.Click("link", "Choose targets");
        browser.Find("heading", "Targets: Anemone");
        browser.WaitForText("Anemone as it grows");
        browser.Upload("Picture of the flower", picture.Path);
        browser.Click("button", "Suggest the zones");
        browser.Click("button", "Use what is sure for");
        browser.WaitForSaved();
        browser.Click("button", "Undo", exact: true);
        browser.WaitForSaved();
        browser.Click("button", "Redo", exact: true);
        browser.WaitForSaved();
        browser.Click("link", "Back to the build-up");

        browser.OpenColumn("Paste, ");
        browser.Click("button", "Find recipes");
        browser.WaitForText("Nothing is kneaded in: the white is this colour by itself.");
        browser.Click("button", "Ground like the target of the base");
        browser.Click("button", "Find recipes");
        browser.WaitUntil("colours", () => !browser.PageText().Contains("Nothing is kneaded in"));
        browser.Click("button", "Use recipe 1");
        browser.WaitForSaved();
        Assert.Matches("touch|drop|pea|knife tip|pinch", browser.PageText());

        browser.Click("link", "Paste day", exact: true);
        browser.Click("checkbox", "Made: Anemone");
        browser.WaitForSaved();
        browser.Click("button", "Batches", exact: true);
        browser.WaitForText("g made");
        // The commission without a name was rightly refused.
        Assert.All(browser.ConsoleErrors(), error => Assert.Contains("422", error));
    });

    [Fact]
    public Task By_keys_from_the_commissions_to_the_first_tick_are_under_forty() => application.InBrowserAsync(nameof(By_keys_from_the_commissions_to_the_first_tick_are_under_forty), browser =>
    {
        var pressed = 0;
        void Press(string key)
        {
            browser.Press(key);
            pressed++;
        }

        browser.Open("/");
        browser.WaitForText("Lantern Pier winter supper");
        browser.FocusIsOn("heading", "Commissions");
        Press("/");
        browser.WaitUntil("the search to have the focus", () => (bool)browser.Run("return document.activeElement.getAttribute('role') === 'combobox'")!);
        foreach (var letter in "bracts")
            Press($"{letter}");
        browser.WaitForText("Hellebore, Bracts");
        Press(Keys.Enter);
        browser.Find("heading", "Bracts", exact: true);
        browser.WaitForSaved();
        browser.FocusIsOn("heading", "Bracts");
        Press("r");
        browser.Find("checkbox", "Weigh");
        browser.WaitForSaved();
        while (!(bool)browser.Run("return document.activeElement.type === 'checkbox'")!)
        {
            Press(Keys.Tab);
            Assert.True(pressed < 40, "The first tick is too far away.");
        }

        Press(Keys.Space);
        browser.WaitForText("1 of ");
        browser.WaitForSaved();
        return Task.CompletedTask;
    });

    [Fact]
    public Task Escape_closes_and_gives_the_focus_back() => application.InBrowserAsync(nameof(Escape_closes_and_gives_the_focus_back), browser =>
    {
        browser.OpenSepals();
        foreach (var (opener, inside) in new[] { ("DustNettle", "Dust: Nettle"), ("Change the target of the Rim", "Target for the rim"), ("Plan the coats", "Plan the coats"), ("Shape and number", "Sepals: shape and number"), ("Log what came out", "Log what came out"), ("Change Hellebore", "Hellebore") })
        {
            browser.Run("arguments[0].focus()", browser.Find("button", opener));
            browser.Press(Keys.Enter);
            browser.WaitUntil($"{inside} to have the focus", () => !browser.HasFocus("button", opener));
            browser.Press(Keys.Escape);
            browser.WaitUntil($"{opener} to have the focus again", () => browser.HasFocus("button", opener));
        }

        // A word of the trade explains itself by key too.
        browser.TabTo("term", "Heart");
        browser.Press(Keys.Enter);
        browser.WaitForText("The middle of a piece, away from its edge.");
        browser.Press(Keys.Escape);
        browser.WaitUntil("closed", () => !browser.PageText().Contains("The middle of a piece"));

        browser.Press("?");
        browser.WaitForText("Keys that save a way");
        browser.Click("link", "Words of the trade");
        browser.Find("heading", "Words of the trade");
        browser.WaitForText("How much dust lies on a square centimetre");
        return Task.CompletedTask;
    });

    [Fact]
    public Task A_commission_is_changed_copied_taken_out_and_given_back() => application.InBrowserAsync(nameof(A_commission_is_changed_copied_taken_out_and_given_back), browser =>
    {
        browser.Open("/");
        browser.Click("link", "Change Harbour school fete");
        browser.Fill("Name", Keys.Delete);
        browser.Fill("Ready before it is due", "2.5");
        browser.WaitForText("Type a whole number");
        browser.Fill("Ready before it is due", "3");
        browser.Click("button", "Save", exact: true);
        browser.WaitForText("Give it a name.");
        Assert.False(browser.Has("status", "Saved", exact: true));
        browser.Reload();
        browser.WaitUntil("what was typed", () => browser.ValueOf("Ready before it is due") == "3");
        browser.Fill("Name", "Harbour school fair");
        browser.Choose("It is", "In work");
        browser.Click("button", "Save", exact: true);
        browser.Find("heading", "Harbour school fair");

        browser.Click("button", "Begin anew", exact: true);
        browser.Fill("Name of the copy", "Spring fair");
        browser.Click("button", "Copy", exact: true);
        browser.Find("heading", "Spring fair");
        browser.Click("link", "Commissions", exact: true);
        browser.Fill("Find a commission", "fair");
        browser.WaitUntil("two fairs", () => browser.Has("heading", "Spring fair") && browser.Has("heading", "Harbour school fair") && !browser.Has("heading", "Lantern Pier"));

        browser.Click("link", "Change Spring fair");
        browser.Click("button", "Take this commission out");
        browser.Click("button", "Yes, remove", exact: true);
        browser.WaitForText("30 days left");
        browser.Click("button", "Give it back: Spring fair");
        browser.WaitForText("The bin is empty.");
        browser.Open("/");
        browser.Find("heading", "Spring fair");
        return Task.CompletedTask;
    });

    [Fact]
    public Task A_flower_is_copied_counted_anew_and_asked_about_before_it_is_left() => application.InBrowserAsync(nameof(A_flower_is_copied_counted_anew_and_asked_about_before_it_is_left), browser =>
    {
        browser.OpenSepals();
        browser.Click("button", "Change Hellebore");
        browser.Fill("Flowers", "9");
        browser.Press(Keys.Escape);
        browser.WaitForText("Something you typed here is not kept yet.");
        browser.Click("button", "Go on typing");
        Assert.Equal("9", browser.ValueOf("Flowers"));
        browser.Click("link", "Cabinet", exact: true);
        browser.WaitForText("Something you typed here is not kept yet.");
        browser.Click("button", "Go on typing");
        browser.Click("button", "Save", exact: true);
        browser.WaitForText("9 flowers, 3 buds");

        browser.Click("button", "Change Hellebore");
        browser.Click("disclosure", "Copy");
        browser.Choose("Into", "Harbour school fete");
        browser.Fill("Name of the copy", "Lenten rose");
        browser.Click("button", "Copy", exact: true);
        browser.WaitForText("Lenten rose");
        browser.WaitForText("Harbour school fete");
        return Task.CompletedTask;
    });

    [Fact]
    public Task Numbers_are_read_as_the_language_writes_them_or_refused() => application.InBrowserAsync(nameof(Numbers_are_read_as_the_language_writes_them_or_refused), browser =>
    {
        browser.Open("/");
        browser.Click("link", "Add a flower Harbour school fete");
        browser.Fill("Name", "Sea pink");
        foreach (var wrong in new[] { "2.5", "1e9", "3 or 4", "0x10", "--2", "1/2" })
        {
            browser.Fill("Flowers", wrong);
            browser.WaitForText(wrong == "2.5" ? "Type a whole number" : "This cannot be read as a number.");
            browser.Click("button", "Make it", exact: true);
            browser.Find("heading", "A new flower for Harbour school fete");
            Assert.Equal(wrong, browser.ValueOf("Flowers"));
        }

        browser.Open("/cabinet/rowan");
        browser.Fill("In stock", "1,200");
        browser.WaitForText("That can be read in two ways. Do you mean");
        browser.Click("button", "1.2", exact: true);
        browser.Click("button", "Save", exact: true);
        browser.WaitForSaved();
        browser.Reload();
        browser.WaitUntil("the one that was meant", () => browser.ValueOf("In stock") == "1.2");
        browser.Fill("In stock", "12,345.5");
        browser.Click("button", "Save", exact: true);
        browser.WaitForSaved();
        browser.Reload();
        browser.WaitUntil("with its thousands", () => browser.ValueOf("In stock") == "12345.5");
        return Task.CompletedTask;
    });

    [Fact]
    public Task A_size_that_no_flower_reaches_is_asked_about() => application.InBrowserAsync(nameof(A_size_that_no_flower_reaches_is_asked_about), browser =>
    {
        browser.OpenSepals();
        browser.Click("button", "Shape and number");
        browser.Fill("Thick", "50");
        browser.Click("button", "Save", exact: true);
        browser.WaitForText("mm thick");
        browser.WaitForText("Really so thick?");
        Assert.False(browser.Has("status", "Saved.", exact: true));
        browser.Fill("Thick", "4");
        browser.Click("button", "Save", exact: true);
        browser.Click("button", "Yes, it is so");
        browser.WaitForText("4 mm thick");
        browser.Click("button", "Shape and number");
        browser.Click("button", "Ivy leaf", exact: true);
        browser.WaitUntil("a leaf", () => browser.Find("combobox", "It is a").GetDomProperty("value") == "leaf");
        return Task.CompletedTask;
    });
}
