using OpenQA.Selenium;

namespace YoungTinge.Browser.Tests;

/// <summary>A logbook that learns, and practice, as a maker uses them.</summary>
[Collection(OtherApplication.Name)]
public class LearningTests(Application application)
{
    [Fact]
    public Task Logged_by_eye_a_jar_moves_and_taken_out_it_moves_back() => application.InBrowserAsync(nameof(Logged_by_eye_a_jar_moves_and_taken_out_it_moves_back), browser =>
    {
        browser.Open("/cabinet/lichen");
        browser.WaitForText("This jar was never measured.");

        browser.OpenSepals();
        browser.Click("button", "Log what came out");
        browser.Click("button", "By eye");
        browser.Click("button", "a shade dark");
        // She counted; and first she slips.
        browser.Choose("Lichen: measured in", "touches");
        browser.Fill("Lichen", "-3");
        browser.Click("button", "Put in the logbook");
        browser.WaitForText("more is no paste any more");
        browser.Fill("Lichen", "9");
        browser.Click("button", "Put in the logbook");
        browser.WaitForText("In the logbook.");

        browser.Open("/cabinet/lichen");
        browser.WaitForText("stronger than the list");
        browser.WaitForText("from 1 reading");

        browser.Open("/logbook");
        browser.Find("heading", "Hellebore, sepals: paste");
        browser.Click("disclosure", "What it taught");
        browser.WaitForText("Lichen: 100 % of the list before");
        browser.WaitForText("Your touches: 100 % of what is written before");
        browser.WaitForText("(9 touches)");
        Assert.Empty(browser.AccessibilityProblems());
        // She counted eight, and it was not two hours old.
        browser.Click("button", "Mend: Hellebore, sepals: paste");
        browser.Fill("Lichen", "8");
        browser.Fill("Rested for", "1000");
        browser.Click("button", "Keep", exact: true);
        browser.WaitForText("at most 720 hours");
        Assert.Empty(browser.AccessibilityProblems());
        browser.Fill("Rested for", "2");
        browser.Click("button", "Keep", exact: true);
        browser.WaitForText("Mended: Hellebore, sepals: paste.");
        browser.WaitForText("(8 touches)");
        browser.WaitForText("read after 2 h of rest");
        browser.Click("disclosure", "What the prediction went by");
        browser.WaitForText("never measured before");
        browser.Click("button", "As it was before");
        browser.WaitForText("(9 touches)");
        browser.Click("button", "Take out: Hellebore, sepals: paste");
        browser.WaitForText("Taken out: Hellebore, sepals: paste.");
        browser.Open("/cabinet/lichen");
        browser.WaitForText("This jar was never measured.");
        return Task.CompletedTask;
    });

    [Fact]
    public Task A_finished_zone_teaches_of_its_dust_and_of_the_hand() => application.InBrowserAsync(nameof(A_finished_zone_teaches_of_its_dust_and_of_the_hand), browser =>
    {
        browser.OpenSepals();
        browser.Click("button", "Log what came out");
        browser.Click("button", "Tip", exact: true);
        browser.Click("button", "By eye");
        browser.Click("button", "a shade dark");
        browser.Click("button", "Put in the logbook");
        browser.WaitForText("In the logbook.");

        browser.Open("/logbook");
        browser.Find("heading", "Hellebore, sepals: tip");
        browser.Click("disclosure", "What it taught");
        browser.WaitForText("Such a zone: within");
        browser.WaitForText("of what is planned before");
        browser.Click("disclosure", "How your hand measures and lays it on");
        browser.WaitForText("than planned, surely between");
        Assert.Empty(browser.AccessibilityProblems());
        browser.Choose("With", "Scabious");
        browser.Find("heading", "Clematis, moonlit, petals: rim");
        browser.Open("/cabinet/scabious");
        browser.Find("heading", "What the logbook has taught of this jar");
        browser.WaitForText("the list, surely between");
        browser.Find("img", "Strength over time");
        Assert.Empty(browser.AccessibilityProblems());
        return Task.CompletedTask;
    });

    [Fact]
    public Task What_came_out_is_read_from_a_picture_logged_and_made_again() => application.InBrowserAsync(nameof(What_came_out_is_read_from_a_picture_logged_and_made_again), browser =>
    {
        browser.OpenSepals();
        browser.Click("button", "Log what came out");
        browser.Click("button", "Photo beside white");
        browser.Click("button", "Use the practice light box");
        browser.Find("img", "Picture of it beside a white card");
        browser.Click("button", "Use this reading");
        browser.Find("img", "Actual:");
        Assert.Empty(browser.AccessibilityProblems());
        // Or by the reader, which takes the place of what was there. It may well agree with the picture.
        browser.Click("button", "Colour reader");
        browser.Fill("Came out as", "#808080");
        browser.Click("button", "Use the practice reader");
        browser.WaitUntil("another reading", () => browser.ValueOf("Came out as") != "#808080");
        browser.Click("button", "Put in the logbook");
        browser.WaitForText("In the logbook.");

        browser.Open("/logbook");
        browser.Click("link", "Make it again: Hellebore, sepals: paste");
        browser.Find("heading", "Mixing table");
        browser.WaitForText("Hellebore, sepals: paste");
        return Task.CompletedTask;
    });

    [Fact]
    public Task The_finished_flower_stands_beside_its_drawing_and_tells_the_colour_of_a_zone() => application.InBrowserAsync(nameof(The_finished_flower_stands_beside_its_drawing_and_tells_the_colour_of_a_zone), browser =>
    {
        browser.OpenSepals();
        browser.Click("link", "From above");
        browser.Find("img", "Hellebore from above");
        browser.Click("button", "Use the practice light box");
        browser.Find("img", "Hellebore as it came out");
        Assert.Empty(browser.AccessibilityProblems());
        browser.Upload("Photograph of the finished flower", TestFiles.Write("notes.txt", "no picture"));
        browser.WaitForText("This is no picture");
        browser.Find("img", "Hellebore as it came out");

        browser.OpenSepals();
        browser.Click("button", "Log what came out");
        browser.Click("button", "Heart", exact: true);
        browser.Click("button", "Photo beside white");
        browser.Click("button", "Picture 1 Light box");
        browser.Find("img", "Picture of it beside a white card");
        browser.WaitForText("Drag over the white card");
        return Task.CompletedTask;
    });

    [Fact]
    public Task The_logbook_is_searched_and_an_outlier_is_left_out() => application.InBrowserAsync(nameof(The_logbook_is_searched_and_an_outlier_is_left_out), browser =>
    {
        browser.Open("/logbook");
        browser.Choose("With", "Rootcellar");
        browser.WaitForText("5 entries");
        browser.Fill("Words", "half on the board");
        browser.WaitForText("1 entry");
        browser.WaitForText("stands apart: hardly believed");
        browser.Click("button", "Leave this one out");
        browser.WaitForText("left out");
        browser.Click("button", "Show all");
        browser.Choose("Flower", "Clematis, moonlit");
        browser.Click("checkbox", "Flower by flower");
        browser.Find("region", "Clematis, moonlit");
        Assert.Empty(browser.AccessibilityProblems());
        browser.Click("button", "Make this piece again: Clematis, moonlit, petals: rim");
        browser.Click("button", "Put it there");
        browser.Find("heading", "Clematis, moonlit");
        browser.Open("/logbook");
        browser.WaitForText("First batch, rested overnight.");

        browser.Open("/cabinet/rootcellar");
        browser.WaitForText("from 4 readings");
        browser.Find("img", "Strength over time");
        browser.Click("button", "Learn from it again");
        browser.WaitForText("from 5 readings");
        return Task.CompletedTask;
    });

    [Fact]
    public Task Practice_is_done_by_keys_and_by_touch_and_counts() => application.InBrowserAsync(nameof(Practice_is_done_by_keys_and_by_touch_and_counts), browser =>
    {
        browser.Open("/practice");
        browser.Find("button", "Number 1");
        browser.Press("2");
        browser.WaitForText("apart.");
        browser.WaitForText("1 try");
        browser.Press(Keys.Enter);
        browser.Find("button", "Number 2");
        browser.Click("button", "Number 1");
        browser.WaitForText("2 tries");

        browser.Click("button", "Under candle light");
        browser.Click("button", "Still alike");
        browser.WaitForText("By candle light they look like this.");
        browser.Click("button", "One fold more?");
        browser.Find("img", "As it is wanted");
        browser.Find("img", "As it is now");
        browser.Click("button", "One fold more", exact: true);
        browser.WaitForText("A fold there changes what you see by");
        Assert.Empty(browser.AccessibilityProblems());
        browser.Click("button", "Match by doses");
        browser.Click("button", "It looks the same");
        browser.WaitForText("The mix was");
        Assert.Empty(browser.AccessibilityProblems());
        return Task.CompletedTask;
    });
}
