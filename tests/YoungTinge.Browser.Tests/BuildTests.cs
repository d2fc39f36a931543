namespace YoungTinge.Browser.Tests;

/// <summary>What a flower is made of and how it is built: sizes, cuts, coats on what stands, sprays, and what really went in.</summary>
[Collection(OtherApplication.Name)]
public class BuildTests(Application application)
{
    [Fact]
    public Task A_piece_is_sized_by_a_hole_and_cut_with_a_thin_rim() => application.InBrowserAsync(nameof(A_piece_is_sized_by_a_hole_and_cut_with_a_thin_rim), browser =>
    {
        browser.Open("/studio");
        browser.Fill("Sizing holes, across in mm, the smallest first", "8; 6");
        browser.Click("button", "Keep", exact: true);
        browser.WaitForText("The smallest first, each larger than the one before.");
        browser.Fill("Sizing holes, across in mm, the smallest first", "4; 6; eight");
        browser.WaitForText("This cannot be read as a number.");
        browser.Fill("Sizing holes, across in mm, the smallest first", "4; 6; 9,5; 12");
        browser.Click("button", "Keep", exact: true);
        browser.WaitUntilQuiet();
        browser.Reload();
        Assert.Equal("4; 6; 9.5; 12", browser.ValueOf("Sizing holes, across in mm, the smallest first"));

        browser.OpenSepals();
        browser.Click("button", "Shape and number");
        browser.Click("disclosure", "One takes");
        browser.Choose("Size it by", "a sizing hole");
        browser.Choose("Hole", "3: 9.5 mm");
        var before = browser.ValueOf("Long");
        browser.Click("button", "Make it that size");
        browser.WaitUntil("another size", () => browser.ValueOf("Long") != before);
        browser.WaitForText("hole 3");
        browser.Click("disclosure", "Rim, lobes, groups");
        browser.Fill("At the rim", "5");
        browser.Click("button", "Save", exact: true);
        browser.WaitForText("At the rim from 0.05 mm up to as thick as the middle");
        browser.Fill("At the rim", "0.2");
        browser.Click("button", "Save", exact: true);
        browser.WaitForText("32.3 mm × 28.8 mm");
        browser.Click("link", "Run sheet");
        browser.WaitForText("Thinned to 0.2 mm at the rim");
        return Task.CompletedTask;
    });

    [Fact]
    public Task A_coat_goes_on_the_standing_flower_and_stops_where_no_brush_comes() => application.InBrowserAsync(nameof(A_coat_goes_on_the_standing_flower_and_stops_where_no_brush_comes), browser =>
    {
        browser.Open("/");
        browser.Click("link", "Ranunculus");
        browser.Click("link", "Outer petals");
        browser.Find("heading", "Outer petals", exact: true);
        browser.WaitForSaved();
        browser.OpenColumn("DustDuckweed");
        var loose = browser.Ribbon("Base");
        browser.Choose("Goes on", "the whole flower as it stands");
        browser.WaitUntil("another foot", () => browser.Ribbon("Base") != loose);
        browser.WaitForText("feet under other petals");
        browser.WaitForSaved();
        browser.Click("link", "Whole run sheet");
        browser.WaitForText("Over the whole flower, when it is assembled");
        browser.Open("/");
        browser.Click("link", "Dust day Lantern Pier winter supper");
        browser.WaitForText("Hardly reached now");
        return Task.CompletedTask;
    });

    [Fact]
    public Task Sprays_are_wired_by_distances_and_a_tick_says_what_went_in() => application.InBrowserAsync(nameof(Sprays_are_wired_by_distances_and_a_tick_says_what_went_in), browser =>
    {
        browser.Open("/");
        browser.Click("link", "Run sheet Lantern Pier winter supper");
        browser.Click("link", "How the sprays are wired");
        browser.Find("heading", "How the sprays are wired: Lantern Pier winter supper");
        browser.Fill("Sprays, all alike", "2");
        browser.Click("button", "Keep this plan");
        browser.WaitForText("Only 3");
        browser.Fill("Sprays, all alike", "1");
        browser.Click("button", "Hellebore, buds later");
        browser.Click("button", "Keep this plan");
        browser.Find("status", "Saved", exact: true);
        browser.Click("link", "Lantern Pier winter supper");
        browser.WaitForText("Wire 1 spray, from the end of the stem down");

        browser.Click("checkbox", "1 knife tip Duckweed");
        browser.Click("disclosure", "Other amounts went in");
        browser.Fill("Duckweed, planned", "0.2");
        browser.Click("button", "That went in");
        browser.WaitForText("0.20 g Duckweed");
        browser.Click("button", "As planned after all");
        browser.WaitUntil("as planned", () => !browser.PageText().Contains("Went in:"));
        return Task.CompletedTask;
    });
}
