using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using OpenQA.Selenium;
using YoungTinge.Testing;

namespace YoungTinge.Browser.Tests;

/// <summary>Ombre, marble and the sheet of the day.</summary>
[Collection(OtherApplication.Name)]
public partial class PasteDayTests(Application application)
{
    [Fact]
    public Task The_work_is_put_into_time_and_stays_in_force() => application.InBrowserAsync(nameof(The_work_is_put_into_time_and_stays_in_force), browser =>
    {
        browser.Open("/");
        browser.Click("link", "Plan", exact: true);
        browser.WaitForText("No plan is in force yet.");
        browser.Click("disclosure", "Hours of");
        browser.Click("button", "Add a pair of hands");
        browser.Click("button", "Plan the work");
        browser.WaitForText("at the latest.");
        browser.Click("button", "Put this plan in force");
        browser.WaitForText("This plan is in force.");
        browser.Reload();
        browser.WaitForText("This plan is in force.");
        browser.Find("link", "Run sheet");
        // Each day's sheet says when.
        browser.Click("link", "Paste day", exact: true);
        browser.WaitUntil("a paste with its time", () => PlannedTime().IsMatch(browser.PageText()));
        browser.Open("/commissions");
        browser.Click("link", "Dust day Lantern Pier winter supper");
        browser.WaitUntil("a coat with its time", () => PlannedTime().IsMatch(browser.PageText()));
        return Task.CompletedTask;
    });

    /// <summary>"· Tue, Dec 1, 09:30"</summary>
    [GeneratedRegex(@"· \w{3}, \w{3} \d{1,2}, \d\d:\d\d")]
    private static partial Regex PlannedTime();

    [Fact]
    public Task A_run_of_five_shades_is_compared_by_three_schools_changed_and_kept() => application.InBrowserAsync(nameof(A_run_of_five_shades_is_compared_by_three_schools_changed_and_kept), browser =>
    {
        browser.OpenPaste("Ranunculus", "Ombre");
        browser.WaitForText("Largest step to smallest: 1.00");
        foreach (var school in new[] { "Cut back", "Split stock", "Dose each" })
            Assert.InRange(Unevenness(browser, school), 1, 1.4);

        browser.Click("button", "Choose cut back");
        browser.WaitForText("Run sheet: cut back");
        browser.WaitForText("into what remains: shade 2");

        // Uneven on purpose, by key; kept in this browser over a reload.
        browser.Run("arguments[0].focus()", browser.Find("slider", "Shade 3", exact: true));
        browser.Press(Keys.ArrowDown);
        browser.WaitForText("against what you asked");
        browser.Find("status", "Not saved yet", exact: true);
        browser.Reload();
        browser.WaitForText("against what you asked");
        browser.Click("button", "Even steps");
        browser.Click("button", "Keep this plan");
        browser.WaitForSaved();
        browser.Reload();
        browser.WaitForText("Run sheet: cut back");
        browser.WaitForText("Largest step to smallest: 1.00");

        browser.Click("button", "One shade fewer");
        browser.WaitForText("4 shades");
        browser.Fill("Smallest step of your scale", "5");
        browser.WaitForText("this scale cannot weigh it well");
        browser.Click("button", "Back to how it was");
        browser.WaitForText("5 shades");
        return Task.CompletedTask;
    });

    [Fact]
    public Task A_fixed_shade_and_dust_alone_are_tried() => application.InBrowserAsync(nameof(A_fixed_shade_and_dust_alone_are_tried), browser =>
    {
        browser.OpenPaste("Ranunculus", "Ombre");
        browser.Click("button", "Fix a shade in the middle");
        browser.WaitForText("looks the same as the one before");
        browser.Choose("Take Shade 3, fixed (B) from", "Astrantia, pom-pom");
        browser.WaitForText("Make ");
        browser.WaitUntil("three pastes", () => browser.PageText().Contains("paste C"));
        browser.Click("button", "No fixed shade in the middle");
        browser.Click("button", "See how far dust gets");
        browser.WaitForText("5 shades come within");
        return Task.CompletedTask;
    });

    [Fact]
    public Task A_marble_is_folded_until_it_is_flat_and_back() => application.InBrowserAsync(nameof(A_marble_is_folded_until_it_is_flat_and_back), browser =>
    {
        browser.OpenPaste("Clematis", "Marble");
        browser.WaitForText("5 folds left");
        var before = browser.Pictures();
        browser.Click("button", "9 folds: flat");
        browser.WaitForText("Folded too far: the streaks are gone at 9 folds.");
        browser.WaitUntil("the sheet is flat", () => browser.Has("img", "of the sheet: flat"));
        browser.Click("button", "2 folds: bold ribbons");
        browser.WaitUntil("ribbons", () => browser.Has("img", "of the sheet: bold ribbons"));
        Assert.NotEqual(before, browser.Pictures());

        // Another hand folds another sheet.
        var sheet = browser.Pictures();
        browser.Click("button", "Another hand");
        browser.WaitUntil("another sheet", () => browser.Pictures() != sheet);

        foreach (var paste in new[] { "1", "2", "3" })
            browser.Fill($"Parts of Paste {paste}", "0");
        browser.WaitForText("At least two pastes must have a part in it.");
        browser.Fill("Parts of Paste 1", "3");
        browser.Fill("Parts of Paste 3", "1");
        browser.WaitForText("Paste 1: 56.3 g Bright White Paste");
        browser.Click("button", "Keep this plan");
        browser.WaitForSaved();
        browser.Reload();
        browser.WaitForText("Paste 1: 56.3 g Bright White Paste");
        return Task.CompletedTask;
    });

    [Fact]
    public Task The_sheet_of_two_commissions_is_ticked_and_prints_on_two_pages() => application.InBrowserAsync(nameof(The_sheet_of_two_commissions_is_ticked_and_prints_on_two_pages), browser =>
    {
        browser.Open("/paste-day");
        browser.WaitForText("of 15 pastes made");
        browser.Click("checkbox", "Harbour school fete");
        browser.WaitForText("0 of 13 pastes made");
        Assert.DoesNotContain("Astrantia, bracts", browser.PageText());

        browser.Click("checkbox", "Made: Hellebore, sepals");
        browser.Click("checkbox", "Made: Lantern, for Hellebore, bud");
        browser.WaitForText("1 of 13 pastes made");
        browser.WaitForSaved();
        browser.Reload();
        browser.WaitForText("1 of 13 pastes made");
        Assert.True(browser.Find("checkbox", "Made: Lantern, for Hellebore, bud").Selected);

        Assert.Equal(2, PageOfPdf().Count(Encoding.Latin1.GetString(browser.PrintToPdf())));
        return Task.CompletedTask;
    });

    [Fact]
    public Task A_tick_made_while_nobody_answers_waits_and_arrives() => application.InBrowserAsync(nameof(A_tick_made_while_nobody_answers_waits_and_arrives), browser =>
    {
        browser.Open("/paste-day");
        browser.WaitForText("0 of 15 pastes made");
        browser.HoldBack("*/api/ticks");
        browser.Click("checkbox", "Made: Ivy, leaves");
        browser.WaitForText("1 of 15 pastes made");
        browser.Find("status", "Not saved yet", exact: true);
        browser.LetThrough();
        browser.WaitForSaved();
        browser.Reload();
        browser.WaitForText("1 of 15 pastes made");
        browser.Click("checkbox", "Made: Ivy, leaves");
        browser.WaitForText("0 of 15 pastes made");
        browser.WaitForSaved();
        return Task.CompletedTask;
    });

    [Fact]
    public Task More_flowers_take_more_paste_and_none_is_said_to_be_none() => application.InBrowserAsync(nameof(More_flowers_take_more_paste_and_none_is_said_to_be_none), browser =>
    {
        browser.Open("/paste-day");
        browser.Click("button", "Quantities", exact: true);
        browser.WaitUntil("eight leaves", () => Row(browser, "Leaf").Contains("8"));
        var before = Row(browser, "Leaf");
        browser.Fill("Flowers of Caladium", "16" + Keys.Tab);
        browser.WaitUntil("twice the leaves", () => Row(browser, "Leaf").Contains("16"));
        Assert.NotEqual(before, Row(browser, "Leaf"));
        browser.Fill("Flowers of Caladium", "0" + Keys.Tab);
        browser.WaitForText("At least one flower or bud");
        browser.Fill("Flowers of Caladium", "8" + Keys.Tab);
        browser.WaitUntil("as before", () => Row(browser, "Leaf") == before);
        return Task.CompletedTask;
    });

    [Fact]
    public Task What_runs_short_is_to_be_bought() => application.InBrowserAsync(nameof(What_runs_short_is_to_be_bought), browser =>
    {
        browser.Open("/paste-day");
        browser.Click("button", "Shopping", exact: true);
        browser.WaitForText("6 materials run short");
        // No wire stands in the cabinet, and the plan needs it.
        Assert.Contains("at least 40 pieces", Row(browser, "Wire, none in the cabinet, 20 gauge"));
        Assert.Contains("1 pack of 7.0 g", Row(browser, "Hart's Tongue"));
        Assert.Contains("€", Row(browser, "Hart's Tongue"));
        Assert.Contains("1 pack of 60 ml", Row(browser, "Satin Veil"));
        browser.Find("link", "Save as CSV");
        return Task.CompletedTask;
    });

    [Fact]
    public Task A_leftover_goes_into_a_paste_which_is_then_a_batch() => application.InBrowserAsync(nameof(A_leftover_goes_into_a_paste_which_is_then_a_batch), browser =>
    {
        browser.Open("/paste-day");
        browser.Click("checkbox", "Tidewrack moon wedding");
        browser.Click("checkbox", "Harbour school fete");
        browser.WaitUntil("one commission", () => browser.Url.Contains("commission="));
        browser.Run("document.querySelectorAll('main summary').forEach((one) => one.click())");
        browser.WaitForText("can be brought to this colour");
        browser.Click("button", "Use it: Hellebore, trial petals");
        browser.WaitForText("Take 34 g of “Hellebore, trial petals” from Tin 1.");
        browser.Click("checkbox", "Made: Hellebore, sepals");
        browser.WaitForSaved();
        browser.Click("button", "Batches", exact: true);
        browser.WaitForText("Resting");
        browser.WaitForText("63 g made");
        // All of the leftover is gone.
        browser.Click("button", "Show 1 used up");
        browser.WaitForText("0 g left, in Tin 1");

        // What was really made of it.
        browser.Click("button", "Edit Hellebore, sepals");
        browser.Fill("Left", "99");
        browser.Click("button", "Keep", exact: true);
        browser.WaitForText("Cannot be less than nothing, or more than was made.");
        browser.Fill("Left", "11");
        browser.Fill("Kept in", "Blue box");
        browser.Reload();
        browser.Click("button", "Batches", exact: true);
        browser.Click("button", "Edit Hellebore, sepals");
        browser.Click("button", "Keep", exact: true);
        browser.WaitForText("11.0 g left, in Blue box");

        // Removed by mistake, and put back.
        browser.Click("button", "Edit Ivy, young leaves of the window wreath");
        browser.Click("button", "Remove Ivy, young leaves of the window wreath");
        browser.WaitForText("was removed.");
        browser.Click("button", "Put it back");
        browser.WaitUntil("back", () => !browser.PageText().Contains("was removed."));
        browser.WaitForText("8.0 g left, in Tin 2, left side");

        browser.Click("button", "The day, step by step", exact: true);
        browser.Click("checkbox", "Made: Hellebore, sepals");
        browser.WaitForSaved();
        browser.Click("button", "Mix it afresh instead");
        browser.WaitUntil("no leftover in it", () => !browser.PageText().Contains("from Tin 1"));
        return Task.CompletedTask;
    });

    [Fact]
    public Task Spares_by_fragility_are_taken_at_a_press() => application.InBrowserAsync(nameof(Spares_by_fragility_are_taken_at_a_press), browser =>
    {
        browser.Open("/paste-day");
        browser.Click("button", "Quantities", exact: true);
        browser.WaitForText("25 % is usual");
        var before = Row(browser, "Guard petals");
        browser.Click("button", "Guard petals: 25 % is usual: take it");
        browser.WaitUntil("more spares", () => Row(browser, "Guard petals") is var now && now != before && !now.Contains("is usual"));
        browser.Fill("Spares of Guard petals", "900" + Keys.Tab);
        browser.WaitForText("From 0 to 200 %.");
        browser.Fill("Spares of Guard petals", "20" + Keys.Tab);
        browser.WaitUntil("as before", () => Row(browser, "Guard petals") == before);
        return Task.CompletedTask;
    });

    [Fact]
    public Task Ounces_and_inches_are_shown_everywhere_at_once() => application.InBrowserAsync(nameof(Ounces_and_inches_are_shown_everywhere_at_once), browser =>
    {
        browser.Open("/paste-day");
        browser.WaitForText("of 15 pastes made");
        browser.Click("link", "The studio");
        browser.Click("button", "Ounces and inches");
        browser.Fill("Smallest step of the scale", "0");
        browser.Click("button", "Keep", exact: true);
        browser.WaitForText("From 0.001 g to 10 g.");
        browser.Reload();
        browser.WaitUntil("what was typed", () => browser.ValueOf("Smallest step of the scale") == "0");
        browser.Fill("Smallest step of the scale", "0.1");
        browser.Click("button", "Keep", exact: true);
        browser.WaitUntil("kept", () => !browser.Find("button", "Keep", exact: true).Enabled);
        browser.Click("link", "Paste day", exact: true);
        browser.WaitForText(" in ball");
        Assert.Contains(" oz", browser.PageText());
        Assert.DoesNotMatch(Metric(), browser.PageText());
        browser.Reload();
        browser.WaitForText(" oz");
        browser.Click("link", "The studio");
        browser.Click("button", "Grams and millimetres");
        browser.Click("button", "Keep", exact: true);
        browser.Click("link", "Paste day", exact: true);
        browser.WaitForText(" mm ball");
        return Task.CompletedTask;
    });

    [GeneratedRegex(@"\d (g|mm)\b")]
    private static partial Regex Metric();

    [Fact]
    public Task A_number_that_somebody_else_changed_is_shown_and_not_written_over() => application.InBrowserAsync(nameof(A_number_that_somebody_else_changed_is_shown_and_not_written_over), async browser =>
    {
        const string flowers = "Flowers of Hellebore";
        browser.Open("/paste-day");
        browser.Click("button", "Quantities", exact: true);
        Assert.Equal("7", browser.ValueOf(flowers));
        browser.WaitUntilQuiet();
        // Somebody else, of whom this page does not hear.
        var all = (await application.Http.GetFromJsonAsync<JsonNode>("/api/commissions"))!["commissions"]!.AsArray().SelectMany(entry => entry!["flowers"]!.AsArray());
        var address = $"/api/flowers/{all.Single(flower => (string)flower!["name"]! == "Hellebore")!["id"]}";
        var version = (int)(await application.Http.GetFromJsonAsync<JsonNode>(address))!["version"]!;
        (await application.Http.PutOverAsync($"{address}/counts", new { flowers = 12, buds = 3 }, version)).EnsureSuccessStatusCode();

        browser.Fill(flowers, "30");
        browser.Press(Keys.Tab);
        browser.WaitForText("It was changed in another window in the meantime.");
        browser.WaitUntil("what there is now", () => browser.ValueOf(flowers) == "12");
        browser.Reload();
        browser.Click("button", "Quantities", exact: true);
        browser.WaitUntil("the other's number stays", () => browser.ValueOf(flowers) == "12");
    });

    [Fact]
    public Task Of_two_people_the_second_chooses_whose_run_stays() => application.InBrowserAsync(nameof(Of_two_people_the_second_chooses_whose_run_stays), browser =>
    {
        browser.OpenPaste("Ranunculus", "Ombre");
        var page = browser.Url;
        browser.Fill("Smallest step of your scale", "0.2");
        // Somebody else, in another window with nothing of this one's.
        browser.OpenTab(page);
        browser.Run("localStorage.clear()");
        browser.Reload();
        browser.WaitForSaved();
        browser.Fill("Smallest step of your scale", "0.5");
        browser.Click("button", "Keep this plan");
        browser.WaitForSaved();
        browser.CloseTab();

        browser.Click("button", "Keep this plan");
        browser.WaitForText("It was changed in another window in the meantime.");
        Assert.Equal("0.2", browser.ValueOf("Smallest step of your scale"));
        browser.Click("button", "Keep mine");
        browser.WaitForSaved();
        browser.Reload();
        browser.WaitUntil("mine stays", () => browser.ValueOf("Smallest step of your scale") == "0.2");
        return Task.CompletedTask;
    });

    [Fact]
    public Task A_piece_that_has_its_paste_is_not_marbled_too() => application.InBrowserAsync(nameof(A_piece_that_has_its_paste_is_not_marbled_too), browser =>
    {
        browser.OpenPaste("Ranunculus", "Marble");
        browser.Find("status", "A beginning", exact: false);
        browser.Click("button", "Keep this plan");
        browser.WaitForText("gets its paste from another ombre or marble");
        browser.Click("button", "for Ranunculus, heart petals");
        browser.Choose("Use this batch for", "Ivy, leaves");
        browser.Click("button", "Keep this plan");
        browser.WaitForSaved();
        browser.Open("/paste-day");
        browser.WaitForText("Ranunculus, marble");
        Assert.DoesNotContain("Ivy, leaves: 10 g", browser.PageText());
        return Task.CompletedTask;
    });

    [Fact]
    public Task A_run_is_printed_as_its_run_sheet_alone() => application.InBrowserAsync(nameof(A_run_is_printed_as_its_run_sheet_alone), browser =>
    {
        browser.OpenPaste("Ranunculus", "Ombre");
        browser.WaitForText("Run sheet: split stock");
        Assert.Equal(1, PageOfPdf().Count(Encoding.Latin1.GetString(browser.PrintToPdf())));
        browser.OpenPaste("Clematis", "Marble");
        browser.WaitForText("How to make it");
        Assert.Equal(1, PageOfPdf().Count(Encoding.Latin1.GetString(browser.PrintToPdf())));
        return Task.CompletedTask;
    });

    [Fact]
    public Task On_a_phone_nothing_runs_over_the_edge() => application.InBrowserAsync(nameof(On_a_phone_nothing_runs_over_the_edge), browser =>
    {
        bool Fits() => (bool)browser.Run("return document.documentElement.scrollWidth <= window.innerWidth")!;
        browser.OpenPaste("Ranunculus", "Ombre");
        browser.WaitForText("Run sheet");
        Assert.True(Fits());
        browser.OpenPaste("Clematis", "Marble");
        browser.WaitForText("folds left");
        Assert.True(Fits());
        browser.Open("/paste-day");
        foreach (var view in new[] { "Quantities", "Shopping", "The day, step by step" })
        {
            browser.Click("button", view, exact: true);
            Assert.True(Fits(), view);
        }

        return Task.CompletedTask;
    }, width: 390, height: 844);

    private static string Row(Browser browser, string name) =>
        (string)browser.Run("return [...document.querySelectorAll('tr')].find((row) => row.cells[0].textContent === arguments[0])?.textContent ?? ''", name)!;

    private static double Unevenness(Browser browser, string school) => double.Parse((string)browser.Run(
        "return [...document.querySelectorAll(`article[aria-label='${arguments[0]}'] dt`)].find((dt) => dt.textContent.startsWith('Largest step')).nextSibling.textContent", school)!,
        System.Globalization.CultureInfo.InvariantCulture);

    [GeneratedRegex(@"/Type\s*/Page\b")]
    private static partial Regex PageOfPdf();
}
