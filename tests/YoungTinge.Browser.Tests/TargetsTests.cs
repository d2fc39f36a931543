using OpenQA.Selenium;

namespace YoungTinge.Browser.Tests;

/// <summary>Targets from pictures, from the library, by eye and together.</summary>
[Collection(OneApplication.Name)]
public class TargetsTests(Application application)
{
    private const string Picture = "rose-petal-deep-red.jpg";

    [Fact]
    public Task A_picture_is_taken_in_its_light_marked_and_a_zone_sampled() => application.InBrowserAsync(nameof(A_picture_is_taken_in_its_light_marked_and_a_zone_sampled), async browser =>
    {
        var flower = await TestFiles.FlowerAsync(application.Http, "rose-petal-deep-red");
        browser.OpenTargets();
        browser.Upload("Picture of the flower", flower.Path);
        browser.Find("img", Picture);
        browser.Click("button", "White card", exact: true);
        browser.WaitForText("Drag over something white or grey");
        browser.Drag(Picture, (flower.Left + 0.02, flower.Top + 0.03), (flower.Left + flower.Width - 0.02, flower.Top + flower.Height - 0.03));
        browser.WaitForText("This cast is taken out.");

        // The tip of the petal that points up.
        browser.Click("button", "Tip", exact: false);
        browser.Drag(Picture, (0.395, 0.245), (0.405, 0.265));
        browser.Click("button", "Use for the tip");
        browser.WaitForSaved();
        browser.WaitUntil("the tip is dark red", () => TargetOf(browser, "Tip").Contains("red") && TargetOf(browser, "Tip").Contains("dark"));

        // The picture and its places stay with the flower; a place can be moved by key.
        browser.Reload();
        var place = browser.Find("button", "Tip, at 40 % across");
        browser.Run("arguments[0].focus()", place);
        browser.Press(Keys.ArrowRight);
        browser.Find("button", "Tip, at 41 % across");
        browser.Click("button", "Remove this picture");
        browser.Click("button", "Yes, remove");
        browser.WaitForText("Choose a picture of the living flower");
    });

    [Fact]
    public Task Zones_are_suggested_and_taken_over_all_at_once() => application.InBrowserAsync(nameof(Zones_are_suggested_and_taken_over_all_at_once), async browser =>
    {
        var flower = await TestFiles.FlowerAsync(application.Http, "cornflower-floret-blue");
        browser.OpenTargets();
        browser.Upload("Picture of the flower", flower.Path);
        browser.Click("button", "Suggest the zones");
        browser.Find("button", "Use for the heart");
        browser.WaitForText("main colours");
        browser.Click("button", "Use what is sure for Sepals");
        browser.WaitForSaved();
        browser.WaitUntil("the rim is blue", () => TargetOf(browser, "Rim").Contains("blue"));
    });

    [Fact]
    public Task What_is_no_picture_is_said_and_nothing_is_lost() => application.InBrowserAsync(nameof(What_is_no_picture_is_said_and_nothing_is_lost), browser =>
    {
        browser.OpenTargets();
        browser.Upload("Picture of the flower", TestFiles.Write("rose.jpg", "This is a letter."));
        browser.WaitForText("This is no picture (JPEG, PNG or WebP).");
        browser.WaitForText("Choose a picture of the living flower");
        return Task.CompletedTask;
    });

    [Fact]
    public Task A_colouring_of_the_library_becomes_the_targets() => application.InBrowserAsync(nameof(A_colouring_of_the_library_becomes_the_targets), browser =>
    {
        browser.OpenTargets();
        browser.Click("button", "Starting points", exact: true);
        browser.Fill("Find a plant, season or light", "clear cool sun");
        browser.WaitUntilGone("heading", "Peony");
        browser.Click("button", "Use for Sepals: Crocus violet");
        browser.WaitForSaved();
        browser.WaitUntil("the heart is violet", () => TargetOf(browser, "Heart").Contains("violet"));
        browser.Click("button", "Fantasy", exact: true);
        browser.Fill("Find a plant, season or light", "frost");
        browser.Click("button", "Use for Sepals: Hoar frost");
        browser.WaitUntil("the rim is frosted", () => TargetOf(browser, "Rim").Contains("Frosted"));
        browser.WaitForSaved();
        browser.Upload("Palette file", TestFiles.Write("autumn.gpl", "GIMP Palette\nName: Autumn\n120 40 20\tRusset\n"));
        browser.Click("button", "Russet");
        browser.WaitUntil("the rim is russet", () => TargetOf(browser, "Rim").Contains("dark"));
        browser.WaitForSaved();
        return Task.CompletedTask;
    });

    [Fact]
    public Task By_eye_a_touch_warmer_is_one_press() => application.InBrowserAsync(nameof(By_eye_a_touch_warmer_is_one_press), browser =>
    {
        browser.OpenTargets();
        browser.Click("button", "By eye", exact: true);
        browser.Click("button", "Base", exact: false);
        browser.WaitForText("Base: pale clear yellow-green.");
        var before = Hex(browser, "Base");
        browser.Click("button", "a touch warmer");
        browser.WaitUntil("another colour", () => Hex(browser, "Base") != before);
        browser.WaitForSaved();

        // What was done can be undone after a reload too.
        var after = Hex(browser, "Base");
        browser.Reload();
        browser.WaitForSaved();
        browser.Click("button", "Undo", exact: true);
        browser.WaitUntil("as before", () => Hex(browser, "Base") == before);
        browser.Click("button", "Redo", exact: true);
        browser.WaitUntil("warmer again", () => Hex(browser, "Base") == after);
        browser.WaitForSaved();
        browser.Click("button", "By eye", exact: true);
        browser.Click("button", "Base", exact: false);
        browser.Click("button", "dark soft yellow-green");
        browser.WaitUntil("a dark one", () => TargetOf(browser, "Base").Contains("dark"));
        browser.WaitForSaved();
        Assert.Empty(browser.ConsoleErrors());
        return Task.CompletedTask;
    });

    [Fact]
    public Task A_shared_accent_is_proposed_and_used() => application.InBrowserAsync(nameof(A_shared_accent_is_proposed_and_used), browser =>
    {
        browser.Open("/");
        browser.Click("link", "Clematis");
        browser.Click("link", "Petals");
        browser.Click("link", "Choose targets");
        browser.Click("button", "Together", exact: true);
        browser.WaitForText("have nothing in common yet");
        browser.Click("button", "Use it");
        browser.WaitForText("share an accent.");
        browser.WaitForSaved();
        return Task.CompletedTask;
    });

    [Fact]
    public Task Places_set_while_nobody_answers_are_not_lost() => application.InBrowserAsync(nameof(Places_set_while_nobody_answers_are_not_lost), async browser =>
    {
        var flower = await TestFiles.FlowerAsync(application.Http, "rose-petal-deep-red");
        browser.OpenTargets();
        browser.Upload("Picture of the flower", flower.Path);
        browser.Find("img", Picture);
        browser.HoldBack("*/marks");
        browser.Drag(Picture, (0.45, 0.40), (0.47, 0.43));
        browser.Find("button", "Rim, at 46 % across");
        browser.Reload();
        browser.LetThrough();
        browser.Find("button", "Rim, at 46 % across");
        // Saved now, and there for others too.
        browser.WaitUntil("nothing left to save", () => (long)browser.Run("return Object.keys(localStorage).filter((key) => key.includes('picture-marks')).length")! == 0);
        browser.OpenTab(browser.Url);
        browser.Find("button", "Rim, at 46 % across");
    });

    [Fact]
    public Task Two_people_on_one_picture_never_overwrite_each_other() => application.InBrowserAsync(nameof(Two_people_on_one_picture_never_overwrite_each_other), async browser =>
    {
        var flower = await TestFiles.FlowerAsync(application.Http, "rose-petal-deep-red");
        browser.OpenTargets();
        browser.Upload("Picture of the flower", flower.Path);
        browser.Find("img", Picture);
        browser.OpenTab(browser.Url);
        browser.Find("img", Picture);
        browser.Drag(Picture, (0.45, 0.40), (0.47, 0.43));
        browser.Find("button", "Use for the rim");
        browser.WaitUntil("saved", () => (long)browser.Run("return Object.keys(localStorage).filter((key) => key.includes('picture-marks')).length")! == 0);
        browser.SwitchToTab(0);
        browser.Drag(Picture, (0.25, 0.70), (0.27, 0.73));
        browser.WaitForText("Someone moved something in this picture in another window.");
        browser.Find("button", "Rim, at 46 % across");
    });

    [Fact]
    public Task A_picture_can_be_dropped_or_pasted() => application.InBrowserAsync(nameof(A_picture_can_be_dropped_or_pasted), async browser =>
    {
        var flower = await TestFiles.FlowerAsync(application.Http, "rose-petal-deep-red");
        var bytes = Convert.ToBase64String(await File.ReadAllBytesAsync(flower.Path));
        browser.OpenTargets();
        browser.WaitForText("Choose a picture of the living flower");
        const string carry = """
            const data = new DataTransfer()
            const bytes = Uint8Array.from(atob(arguments[0]), (letter) => letter.charCodeAt(0))
            data.items.add(new File([bytes], arguments[1], { type: 'image/jpeg' }))
            """;
        browser.Run(carry + "\ndocument.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true }))", bytes, "pasted.jpg");
        browser.Find("img", "pasted.jpg");
        browser.Run(carry + "\narguments[2].dispatchEvent(new DragEvent('drop', { dataTransfer: data, bubbles: true }))", bytes, "dropped.jpg", browser.Find("img", "pasted.jpg"));
        browser.Find("img", "dropped.jpg");
        browser.Click("button", "Picture 1 pasted.jpg");
        browser.Find("img", "pasted.jpg");
    });

    [Fact]
    public Task Nothing_sticks_out_on_a_phone() => application.InBrowserAsync(nameof(Nothing_sticks_out_on_a_phone), browser =>
    {
        void Fits(string view) => Assert.True((bool)browser.Run("return document.documentElement.scrollWidth <= window.innerWidth")!, view);
        browser.OpenTargets();
        browser.Click("button", "Use the practice light box");
        browser.Click("button", "Suggest the zones");
        browser.Find("button", "Use for the rim");
        Fits("picture");
        foreach (var source in new[] { "Starting points", "By eye", "Together" })
        {
            browser.Click("button", source, exact: true);
            browser.WaitForText(source switch { "Starting points" => "Peony", "By eye" => "a touch paler", _ => "Hellebore and its leaves" });
            Fits(source);
        }

        browser.Open("/cabinet/rowan");
        browser.Click("button", "Learn it from dabs");
        browser.Click("button", "By picture");
        browser.Click("button", "Use the practice light box");
        browser.Click("button", "Use this reading");
        Fits("dabs");
        browser.Open("/files");
        browser.Find("heading", "Whole studio");
        Fits("files");
        return Task.CompletedTask;
    }, width: 390, height: 844);

    /// <summary>The words of a zone's target in the list at the left.</summary>
    private static string TargetOf(Browser browser, string zone) => (string)browser.Run(
        "return [...document.querySelectorAll('[aria-label=Zones] button')].find((b) => b.textContent.startsWith(arguments[0]))?.textContent ?? ''", zone)!;

    private static string Hex(Browser browser, string zone) => (string)browser.Run(
        "return document.querySelector(`[aria-label=Zones] [aria-label^='${arguments[0]}']`)?.title ?? ''", zone)!;
}
