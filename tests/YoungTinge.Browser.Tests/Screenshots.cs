using YoungTinge.Testing;

namespace YoungTinge.Browser.Tests;

/// <summary>Takes the pictures in <c>docs/screenshots</c> from the demo. Run by <c>scripts/screenshots</c>, not with the tests.</summary>
[Collection(OneApplication.Name)]
public class Screenshots(Application application)
{
    [Fact]
    [Trait("Category", "Screenshots")]
    public Task Every_main_view() => application.InBrowserAsync(nameof(Every_main_view), browser =>
    {
        browser.Open("/");
        browser.WaitForText("Lantern Pier winter supper");
        Take(browser, "commissions");
        browser.OpenSepals();
        Take(browser, "flower");
        browser.OpenColumn("PaintedFoxberry");
        browser.Find("region", "Painted: Foxberry");
        browser.Click("button", "Plan the coats");
        browser.Click("button", "Compare ways");
        browser.Find("button", "Take Marbled");
        browser.Run("arguments[0].scrollIntoView()", browser.Find("region", "Plan the coats", exact: true));
        Take(browser, "planner");
        browser.Click("button", "Close", exact: true);
        browser.Click("link", "Run sheet");
        browser.Click("checkbox", "Mix");
        browser.WaitForText("1 of ");
        browser.WaitForSaved();
        browser.Open("/mixing");
        browser.Choose("Or a colour by name", "Dusty wine");
        browser.Click("button", "Find recipes");
        browser.Click("button", "Put recipe 1 on the table");
        browser.Click("button", "Lay 2 beside");
        browser.Find("region", "Mix B", exact: true);
        browser.Run("window.scrollTo(0, 0)");
        Take(browser, "mixing-table");
        browser.Open("/cabinet");
        browser.WaitForText("runs short by");
        Take(browser, "cabinet");
        browser.Open("/logbook");
        browser.Find("heading", "Logbook", exact: true);
        Take(browser, "logbook");
        browser.Open("/cabinet/rootcellar");
        browser.Find("img", "Strength over time");
        browser.Run("document.querySelector('#learned').scrollIntoView()");
        Take(browser, "jar");
        browser.Open("/practice");
        browser.Click("button", "What will glaze do");
        browser.Click("button", "Number 1");
        browser.WaitForText("apart.");
        Take(browser, "practice");
        browser.Open("/plan");
        browser.Click("button", "Plan the work");
        browser.WaitForText("at the latest.");
        browser.Run("window.scrollTo(0, 0)");
        Take(browser, "plan");
        browser.Click("button", "Put this plan in force");
        browser.WaitForText("This plan is in force.");
        browser.Click("link", "Bench", exact: true);
        browser.Click("button", "Done", exact: true);
        browser.WaitForText("Drying and resting");
        browser.Click("button", "20 min");
        browser.Find("timer", "20 min");
        browser.WaitForText("Everything is sent.");
        // What is next hangs on the time of day.
        if (browser.Has("button", "Do this now: Mix"))
        {
            browser.Click("button", "Do this now: Mix");
            browser.WaitForText("How it should look when this is done");
        }

        browser.Run("window.scrollTo(0, 0)");
        Take(browser, "bench");
        browser.Run("localStorage.setItem('young-tinge/all/theme', 'dark')");
        browser.Open("/");
        browser.Click("link", "Ivy");
        browser.Click("link", "Large leaves");
        browser.Find("heading", "Large leaves", exact: true);
        browser.WaitForText("runs short by");
        Take(browser, "flower-dark");
        return Task.CompletedTask;
    });

    [Fact]
    [Trait("Category", "Screenshots")]
    public Task Targets() => application.InBrowserAsync(nameof(Targets), async browser =>
    {
        var flower = await TestFiles.FlowerAsync(application.Http, "hellebore-sepal-blush-ageing-green");
        browser.OpenTargets();
        browser.Upload("Picture of the flower", flower.Path);
        browser.Click("button", "White card", exact: true);
        browser.Drag("hellebore", (flower.Left + 0.02, flower.Top + 0.03), (flower.Left + flower.Width - 0.02, flower.Top + flower.Height - 0.03));
        browser.WaitForText("This cast is taken out.");
        browser.Click("button", "Suggest the zones");
        browser.Click("button", "Use what is sure for Sepals");
        browser.WaitForSaved();
        browser.Run("window.scrollTo(0, 0)");
        Take(browser, "targets");
    });

    [Fact]
    [Trait("Category", "Screenshots")]
    public Task Paste_day() => application.InBrowserAsync(nameof(Paste_day), browser =>
    {
        browser.OpenPaste("Ranunculus", "Ombre");
        browser.Find("img", "Shade 5");
        Take(browser, "ombre");
        browser.OpenPaste("Clematis", "Marble");
        browser.WaitForText("folds left");
        Take(browser, "marble");
        browser.Open("/paste-day");
        browser.Find("heading", "First the let-downs");
        browser.Run("window.scrollTo(0, 1080)");
        Take(browser, "paste-day");
        return Task.CompletedTask;
    });

    [Fact]
    [Trait("Category", "Screenshots")]
    public Task Coming_in() => application.InBrowserAsync(nameof(Coming_in), browser =>
    {
        browser.Open("/commissions");
        browser.Click("link", "Change Lantern Pier winter supper");
        browser.Click("button", "Make an address");
        browser.Find("textbox", "Address to hand on");
        var guest = new Uri(browser.ValueOf("Address to hand on")).AbsolutePath;
        browser.Open("/people");
        browser.Click("button", "Make an invitation");
        browser.Find("textbox", "Address of the invitation");
        browser.Run("window.scrollTo(0, 0)");
        Take(browser, "people");
        browser.SignIn(new Dictionary<string, string>());
        browser.Open(guest);
        browser.Find("img", "A spray of");
        Take(browser, "guest");
        browser.Open("/");
        browser.Find("heading", "Sign in", exact: true);
        Take(browser, "sign-in");
        browser.Click("button", "Begin a studio of your own");
        browser.Find("heading", "A studio of your own");
        browser.Fill("Name of the studio", "Quay Room");
        Take(browser, "begin");
        return Task.CompletedTask;
    });

    private static void Take(Browser browser, string name)
    {
        browser.Run("document.activeElement?.blur()");
        // A button that fades in is another picture each time.
        browser.WaitUntil("fonts, and what moves", () => (bool)browser.Run("return document.fonts.status === 'loaded' && document.getAnimations().every((one) => one.playState !== 'running')")!);
        browser.Screenshot(Path.Combine(Repository.Folder, "docs", "screenshots", $"{name}.png"));
    }
}
