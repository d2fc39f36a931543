namespace YoungTinge.Browser.Tests;

/// <summary>What opens within a page against axe-core, in both themes; the pages as they are first seen are looked at with the routes.</summary>
[Collection(OneApplication.Name)]
public class AccessibilityTests(Application application)
{
    [Fact]
    public Task What_opens_within_a_page_passes_axe() => application.InBrowserAsync(nameof(What_opens_within_a_page_passes_axe), browser =>
    {
        browser.OpenSepals();
        Check(browser, "flower");
        browser.OpenColumn("Paste, ");
        browser.Click("button", "Find recipes");
        browser.Find("button", "Use recipe 1");
        Check(browser, "paste and recipes");
        browser.OpenColumn("DustNettle");
        browser.Fill("Load", "0.95");
        browser.WaitForText("falls off again");
        Check(browser, "dust with a problem");
        browser.Fill("Load", "0.1");
        browser.OpenColumn("GlazeSatin Veil");
        Check(browser, "glaze");
        browser.Click("button", "Change the target of the Heart");
        Check(browser, "target");
        browser.OpenColumn("PaintedFoxberry");
        Check(browser, "painted detail");
        browser.Click("button", "Shape and number");
        browser.Find("button", "Ivy leaf");
        Check(browser, "shape and number");
        browser.Click("button", "Plan the coats");
        browser.Click("button", "Compare ways");
        browser.Find("button", "Take Marbled");
        Check(browser, "ways side by side");
        browser.Click("button", "Log what came out");
        Check(browser, "log");
        browser.Open("/mixing");
        browser.Choose("Or a colour by name", "Mulberry");
        browser.Click("button", "Find recipes");
        browser.Click("button", "Put recipe 1 on the table");
        browser.Click("button", "Lay 2 beside");
        browser.Find("region", "Mix B", exact: true);
        browser.Run("document.querySelector('details').open = true");
        Check(browser, "mixing table");
        browser.Click("button", "A batch", exact: true);
        browser.Choose("I also put in …", "Inkcap");
        browser.Click("button", "Find a rescue");
        browser.WaitForText("The batch now:");
        Check(browser, "rescue");
        foreach (var tool in new[] { "Let-down", "Dose ladder", "Spectrum" })
        {
            browser.Click("button", tool, exact: true);
            Check(browser, tool);
        }

        browser.OpenPaste("Ranunculus", "Ombre");
        browser.Click("button", "See how far dust gets");
        browser.WaitForText("shades come within");
        Check(browser, "ombre");
        browser.OpenPaste("Clematis", "Marble");
        browser.WaitForText("folds left");
        Check(browser, "marble");
        browser.Open("/paste-day");
        browser.Click("button", "Quantities", exact: true);
        Check(browser, "quantities");
        browser.Click("button", "Shopping", exact: true);
        Check(browser, "shopping");
        browser.Click("button", "Batches", exact: true);
        browser.Click("button", "Edit Hellebore, trial petals");
        Check(browser, "batches");
        browser.Open("/cabinet");
        browser.Click("link", "Rowan");
        browser.Click("button", "Learn it from dabs");
        browser.Click("button", "By picture");
        browser.Click("button", "Use the practice light box");
        browser.Click("button", "Use this reading");
        browser.Click("button", "Learn from 1 dab");
        browser.WaitForText("Rough:");
        Check(browser, "characterise");
        browser.Open("/files");
        browser.Upload("Cabinet file", TestFiles.Write("bad.csv", "name,kind,stock_g\nRowan,colourant,a lot\n"));
        browser.WaitForText("1 line cannot be taken in.");
        Check(browser, "files");
        browser.OpenTargets();
        browser.Click("button", "Use the practice light box");
        browser.Click("button", "Suggest the zones");
        browser.Find("button", "Use for the rim");
        Check(browser, "targets from a picture");
        foreach (var source in new[] { "Starting points", "By eye", "Together" })
        {
            browser.Click("button", source, exact: true);
            browser.WaitForText(source switch { "Starting points" => "Peony", "By eye" => "a touch paler", _ => "Hellebore and its leaves" });
            Check(browser, source);
        }

        return Task.CompletedTask;
    });

    private static void Check(Browser browser, string view)
    {
        var problems = browser.AccessibilityProblems();
        Assert.True(problems.Count == 0, $"{view}:\n{string.Join('\n', problems)}");
    }
}
