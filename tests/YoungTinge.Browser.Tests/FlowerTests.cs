using OpenQA.Selenium;

namespace YoungTinge.Browser.Tests;

/// <summary>Making a flower, planning its coats, comparing ways, and seeing it whole.</summary>
[Collection(OtherApplication.Name)]
public class FlowerTests(Application application)
{
    [Fact]
    public Task A_flower_is_made_from_a_blank_planned_by_comparing_ways_and_taken_out_again() => application.InBrowserAsync(nameof(A_flower_is_made_from_a_blank_planned_by_comparing_ways_and_taken_out_again), browser =>
    {
        browser.Open("/");
        browser.Click("link", "Add a flower Harbour school fete");
        browser.Find("heading", "A new flower for Harbour school fete");
        browser.Click("button", "Make it");
        browser.WaitForText("Give it a name.");
        browser.Fill("Name", "Sea pink");
        browser.Fill("Flowers", "3");
        browser.Reload();
        Assert.Equal("Sea pink", browser.ValueOf("Name"));
        browser.Click("button", "Make it");

        browser.Find("heading", "A new piece for Sea pink");
        browser.Fill("Name", "Outer petals");
        browser.Click("button", "Heart petal", exact: true);
        browser.Fill("In a flower", "900");
        browser.Click("button", "Add it");
        browser.WaitForText("From 1 to 400 in one flower.");
        browser.Fill("In a flower", "6");
        browser.Choose("Begin its targets from", "Peony, petal, shell pink");
        browser.Click("button", "Add it");
        browser.Find("heading", "Outer petals", exact: true);

        browser.Click("button", "Plan the coats");
        browser.Click("button", "Compare ways");
        browser.WaitForText("Take Paste-led");
        foreach (var way in new[] { "Dust-led", "Wash-led", "Marbled" })
            browser.Find("button", $"Take {way}");
        browser.WaitForText("All zones are reached.");
        browser.Click("button", "Take Paste-led");
        browser.WaitUntil("its coats", () => browser.Has("button", "SteamSet"));
        browser.WaitForSaved();
        browser.Click("button", "Undo", exact: true);
        browser.WaitUntil("no coats again", () => !browser.Has("button", "SteamSet"));
        browser.Click("button", "Redo", exact: true);
        browser.WaitForSaved();

        // Copied and varied: a smaller whorl inside.
        browser.Click("button", "Shape and number");
        browser.Click("button", "Copy and vary");
        browser.Find("heading", "Outer petals, smaller", exact: true);
        browser.Click("button", "Shape and number");
        browser.Fill("Name", "Inner petals");
        browser.Click("button", "Save", exact: true);
        browser.Find("heading", "Inner petals", exact: true);
        browser.Click("link", "From above");
        browser.Find("img", "Sea pink from above, in Daylight");
        browser.WaitForText("Inner petals");
        browser.Choose("Seen in", "Candle");
        browser.Find("img", "Sea pink from above, in Candle");

        browser.Click("link", "Sea pink");
        browser.TakeFlowerOut("Sea pink", "Harbour school fete");
        return Task.CompletedTask;
    });

    [Fact]
    public Task A_detail_is_painted_and_locked_and_the_piece_is_looked_at_before_it_and_by_candle() => application.InBrowserAsync(nameof(A_detail_is_painted_and_locked_and_the_piece_is_looked_at_before_it_and_by_candle), browser =>
    {
        browser.OpenSepals();
        var before = browser.Pictures();
        browser.OpenColumn("PaintedFoxberry");
        browser.Choose("Painted as", "Stripes");
        browser.WaitUntil("stripes", () => browser.Pictures() != before);
        browser.Fill("Wide", "90");
        browser.WaitForText("From 0.2 to 60 mm.");
        browser.Fill("Wide", "0.6");
        browser.Click("checkbox", "Lock: the planner leaves it as it is");
        browser.Choose("Half", "Left only");
        browser.WaitForText("left half");
        browser.WaitForSaved();
        var striped = browser.Pictures();
        browser.Choose("Seen in", "Candle");
        browser.WaitUntil("candle light", () => browser.Pictures() != striped);
        browser.WaitForText("Candle, rested and finished");
        var candle = browser.Pictures();
        browser.Run("arguments[0].focus()", browser.Find("slider", "With the coats up to"));
        browser.Press(Keys.Home);
        browser.WaitForText("Paste alone");
        browser.WaitUntil("bare paste", () => browser.Pictures() != candle);
        browser.Reload();
        browser.WaitForSaved();
        browser.OpenColumn("PaintedFoxberry");
        Assert.True(browser.Find("checkbox", "Lock").Selected);
        browser.Choose("Painted as", "Freckles");
        browser.Choose("Half", "Both");
        browser.Click("checkbox", "Lock: the planner leaves it as it is");
        browser.WaitForSaved();
        return Task.CompletedTask;
    });

    [Fact]
    public Task A_dust_day_is_ticked_and_gone_on_with_after_a_reload() => application.InBrowserAsync(nameof(A_dust_day_is_ticked_and_gone_on_with_after_a_reload), browser =>
    {
        browser.Open("/");
        browser.Click("link", "Dust day Tidewrack moon wedding");
        browser.Find("heading", "Dust day: Tidewrack moon wedding");
        browser.WaitForText("Clean brush:");
        browser.WaitForText("Then leave them for");
        browser.WaitForText("Put the flowers together");
        browser.Click("link", "How they are put together");
        browser.Find("heading", "Clematis, moonlit: putting it together");
        browser.Click("button", "After assembly", exact: true);
        browser.Fill("Petals in a flower", "9");
        browser.Click("button", "Keep this plan");
        browser.WaitForText("Only 6 Petals are made for a flower.");
        browser.Fill("Petals in a flower", "6");
        browser.Click("button", "Keep this plan");
        browser.WaitForSaved();
        browser.Open("/");
        browser.Click("link", "Dust day Tidewrack moon wedding");
        browser.WaitForText("flowers as they stand");
        browser.Click("link", "How they are put together");
        browser.Click("button", "As the house would again");
        browser.WaitForText("As the house would; change");
        browser.Open("/");
        browser.Click("link", "Dust day Tidewrack moon wedding");
        browser.WaitForText("Put the flowers together");
        Assert.DoesNotContain("flowers as they stand", browser.PageText());
        browser.Click("checkbox", "Clematis, moonlit, bud:");
        browser.WaitForSaved();
        browser.Reload();
        browser.WaitForSaved();
        Assert.True(browser.Find("checkbox", "Clematis, moonlit, bud:").Selected);
        browser.Click("checkbox", "Clematis, moonlit, bud:");
        browser.WaitForSaved();

        browser.Open("/");
        browser.Click("link", "Spray Tidewrack moon wedding");
        browser.Find("img", "A spray of Clematis, moonlit, Caladium leaf, sea-glass");
        return Task.CompletedTask;
    });

    [Fact]
    public Task Guests_who_are_vegan_are_heeded_and_a_swatch_card_prints() => application.InBrowserAsync(nameof(Guests_who_are_vegan_are_heeded_and_a_swatch_card_prints), browser =>
    {
        browser.Open("/");
        browser.WaitForText("Must suit: Vegan");
        browser.Click("link", "Astrantia");
        browser.Find("heading", "Bracts", exact: true);
        browser.Click("button", "Change Astrantia");
        browser.Click("checkbox", "The flower itself will be eaten");
        browser.Click("button", "Save", exact: true);
        browser.WaitForText("Will be eaten");
        browser.Click("button", "Lustre", exact: true);
        browser.Click("button", "Add a coat: Moonmilk");
        browser.WaitForText("Moonmilk is not for eating, and this flower will be eaten.");
        browser.Click("button", "Remove", exact: true);
        browser.WaitForSaved();
        browser.Click("link", "Swatch card");
        browser.Find("heading", "Astrantia: swatch card");
        browser.Find("img", "Girdle");
        browser.WaitForText("Pom-pom");
        return Task.CompletedTask;
    });

    [Fact]
    public Task A_library_flower_is_taken_and_its_shape_is_kept_over_a_reload_until_it_is_saved() => application.InBrowserAsync(nameof(A_library_flower_is_taken_and_its_shape_is_kept_over_a_reload_until_it_is_saved), browser =>
    {
        browser.Open("/");
        browser.Click("link", "Add a flower Tidewrack moon wedding");
        browser.Click("button", "Daffodil", exact: true);
        Assert.Equal("Daffodil", browser.ValueOf("Name"));
        browser.Fill("Flowers", "4");
        browser.Click("button", "Make it");
        browser.Find("heading", "Trumpet", exact: true);
        // A tube has a mouth and a throat.
        browser.Find("row", "Throat");
        browser.Click("button", "Shape and number");
        browser.Fill("Long", "40");
        browser.Reload();
        browser.WaitForSaved();
        browser.Click("button", "Shape and number");
        Assert.Equal("40", browser.ValueOf("Long"));
        browser.Click("button", "As it was");
        Assert.Equal("32", browser.ValueOf("Long"));
        browser.Fill("Long", "0");
        browser.Click("button", "Save", exact: true);
        browser.WaitForText("From 1 to 500 mm.");
        browser.Fill("Long", "36");
        browser.Click("button", "Save", exact: true);
        browser.WaitForText("36 mm × 28 mm");

        // Moved along the stem, and one piece taken out.
        browser.Click("link", "Leaves");
        browser.Find("heading", "Leaves", exact: true);
        browser.Click("button", "Shape and number");
        browser.Click("button", "Up the stem");
        browser.Click("button", "Take it out");
        browser.Click("button", "Yes, remove", exact: true);
        browser.WaitUntil("two pieces are left", () => !browser.Has("link", "Leaves"));

        browser.TakeFlowerOut("Daffodil", "Tidewrack moon wedding");
        return Task.CompletedTask;
    });

    [Fact]
    public Task Places_are_put_together_and_bounded() => application.InBrowserAsync(nameof(Places_are_put_together_and_bounded), browser =>
    {
        browser.OpenSepals();
        browser.OpenColumn("DustNettle");
        var before = browser.Ribbon("Tip");
        browser.Click("button", "And another place");
        browser.WaitUntil("a green tip", () => browser.Ribbon("Tip") != before);
        browser.WaitForText("and from the tip to 15 %");
        browser.Click("button", "Only within");
        browser.WaitForText("only from the base to 20 %");
        browser.WaitUntil("the tip is bare again", () => browser.Ribbon("Tip") == before);
        browser.Choose("Brush catches", "Raised veins");
        browser.WaitForText("on raised veins");
        browser.Click("button", "Drop this bound");
        browser.Click("button", "Take this place out");
        browser.Choose("Brush catches", "Everything");
        browser.WaitUntil("as before", () => browser.Ribbon("Tip") == before);
        browser.WaitForSaved();
        return Task.CompletedTask;
    });

    [Fact]
    public Task A_locked_coat_is_in_every_way_that_is_proposed() => application.InBrowserAsync(nameof(A_locked_coat_is_in_every_way_that_is_proposed), browser =>
    {
        browser.Open("/");
        browser.Click("link", "Ranunculus");
        browser.Click("link", "Button");
        browser.Find("heading", "Button", exact: true);
        browser.Click("button", "Add a coat: Scabious");
        browser.Fill("Load", "0.02");
        browser.Click("checkbox", "Lock: the planner leaves it as it is");
        browser.WaitForSaved();
        browser.Click("button", "Plan the coats");
        browser.Click("checkbox", "Keep the paste");
        browser.Click("button", "Compare ways");
        browser.Find("button", "Take Wash-led");
        browser.WaitForText("Scabious: light · from the base");
        Assert.False(browser.Has("button", "Take Dust-led"));
        browser.Click("button", "Close", exact: true);
        browser.OpenColumn("DustScabious");
        browser.Click("button", "Remove", exact: true);
        browser.WaitForSaved();
        return Task.CompletedTask;
    });
}
