using OpenQA.Selenium;

namespace YoungTinge.Browser.Tests;

/// <summary>Coats of every kind, their order, and going back.</summary>
[Collection(OtherApplication.Name)]
public class CoatTests(Application application)
{
    [Fact]
    public Task A_wash_a_tinted_glaze_and_pollen_change_the_piece() => application.InBrowserAsync(nameof(A_wash_a_tinted_glaze_and_pollen_change_the_piece), browser =>
    {
        browser.OpenSepals();
        var before = browser.Ribbon("Rim");
        browser.Click("button", "Paint", exact: true);
        browser.Click("button", "Add a coat: Rowan");
        browser.WaitUntil("a redder rim", () => browser.Ribbon("Rim") != before);
        browser.WaitForText("Rowan goes on over glaze");
        browser.Click("button", "Mend it");
        browser.WaitUntil("before the glaze", () => !browser.PageText().Contains("goes on over glaze"));
        browser.WaitForText("of Clear Spirit.");
        browser.Fill("Colour in it", "0");
        browser.WaitForText("More than 0, up to 1 g in 1 ml.");
        browser.Fill("Colour in it", "0.01");
        browser.Choose("Let down with", "Plain Water");
        browser.WaitForText("Plain Water softens thin sugar");
        browser.Click("button", "Mend it");
        browser.WaitUntil("spirit again", () => !browser.PageText().Contains("softens thin sugar"));

        browser.Click("button", "Steam, glaze");
        browser.Click("button", "Add a coat: Pond Dip");
        browser.Click("checkbox", "Tinted with dust");
        browser.Fill("Powder", "9");
        browser.WaitForText("More than 0, up to 5 g in 10 ml.");
        browser.Fill("Powder", "0.3");
        browser.WaitForText("Glaze: Pond Dip, ");

        browser.Click("button", "Pollen");
        browser.Click("button", "Add a coat: Maize meal, pale");
        browser.Fill("Of the face hidden", "130");
        browser.WaitForText("From 1 to 100 %.");
        browser.Fill("Of the face hidden", "60");
        browser.WaitForSaved();
        browser.Reload();
        browser.WaitForSaved();
        browser.Find("button", "Rowan");
        browser.Find("button", "Maize meal, pale");
        browser.Click("link", "Run sheet");
        browser.WaitForText("ml of Clear Spirit");
        browser.WaitForText("and dip them in Maize meal, pale");
        browser.OpenSepals();
        foreach (var coat in new[] { "Maize meal, pale", "Pond Dip", "Rowan" })
        {
            browser.OpenColumn(coat);
            browser.Click("button", "Remove", exact: true);
        }

        browser.WaitForSaved();
        return Task.CompletedTask;
    });

    [Fact]
    public Task Pieces_are_planned_together_and_the_old_plans_put_back() => application.InBrowserAsync(nameof(Pieces_are_planned_together_and_the_old_plans_put_back), browser =>
    {
        browser.OpenSepals();
        browser.Click("link", "Plan together");
        browser.Find("heading", "Plan together", exact: true);
        foreach (var piece in new[] { "Bud", "Sepals", "Nectaries" })
            browser.Click("checkbox", piece, exact: true);
        browser.Click("button", "Plan 2 pieces together");
        browser.Find("region", "Pots by pieces");
        browser.WaitForText("all zones there");
        browser.Click("checkbox", "Use it for Bracts, Hellebore");
        browser.Click("button", "Use for ");
        browser.WaitForText("the new plan.");
        browser.Click("button", "Put the old plans back");
        browser.WaitForText("The old plans are back.");
        return Task.CompletedTask;
    });

    [Fact]
    public Task A_coat_goes_onto_other_pieces_when_it_was_looked_at() => application.InBrowserAsync(nameof(A_coat_goes_onto_other_pieces_when_it_was_looked_at), browser =>
    {
        browser.OpenSepals();
        browser.OpenColumn("Nettle");
        browser.Click("disclosure", "Put it on other pieces too");
        browser.Click("checkbox", "Bracts, Hellebore");
        browser.Click("checkbox", "Button, Ranunculus");
        browser.Click("button", "See what it does");
        browser.WaitForText("farthest zone");
        browser.Click("button", "Put it on 2 pieces");
        browser.WaitForText("2 pieces have the new plan.");
        browser.Click("button", "Put the old plans back");
        browser.WaitForText("The old plans are back.");
        return Task.CompletedTask;
    });

    [Fact]
    public Task A_broken_order_is_mended_or_kept_on_purpose_and_every_step_can_be_undone() => application.InBrowserAsync(nameof(A_broken_order_is_mended_or_kept_on_purpose_and_every_step_can_be_undone), browser =>
    {
        browser.OpenSepals();
        var before = browser.Ribbon("Heart");
        Assert.False(browser.Find("button", "Undo", exact: true).Enabled);
        browser.Click("button", "Add a coat: Vixen");
        browser.WaitForText("Vixen goes on over glaze: dust does not hold there.");
        browser.Click("button", "Mend it");
        browser.WaitUntil("before the glaze", () => !browser.PageText().Contains("goes on over glaze"));
        browser.Click("button", "Undo", exact: true);
        browser.WaitForText("Vixen goes on over glaze");
        browser.Click("button", "Keep it on purpose");
        browser.Fill("Why", "A dry-brushed edge, for once.");
        browser.Click("button", "Keep it", exact: true);
        browser.WaitForText("Kept on purpose");
        browser.WaitForSaved();
        browser.Reload();
        browser.WaitForText("A dry-brushed edge, for once.");
        browser.Click("button", "Look at it again");
        browser.WaitUntil("open again", () => !browser.PageText().Contains("A dry-brushed edge"));
        // By key, to where this page began.
        browser.Find("heading", "Sepals");
        browser.Press(Keys.Control + "z");
        browser.WaitForText("A dry-brushed edge, for once.");
        browser.Press(Keys.Control + Keys.Shift + "z");
        browser.WaitUntil("open once more", () => !browser.PageText().Contains("A dry-brushed edge"));
        browser.OpenColumn("Vixen");
        browser.Click("button", "Remove", exact: true);
        browser.WaitUntil("as at first", () => browser.Ribbon("Heart") == before);
        browser.WaitForSaved();
        return Task.CompletedTask;
    });
}
