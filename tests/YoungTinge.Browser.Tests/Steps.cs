namespace YoungTinge.Browser.Tests;

/// <summary>What a maker does again and again.</summary>
internal static class Steps
{
    public static void OpenSepals(this Browser browser)
    {
        browser.Open("/");
        browser.Click("link", "Hellebore");
        browser.Find("heading", "Sepals", exact: true);
        browser.WaitForSaved();
    }

    public static void OpenTargets(this Browser browser)
    {
        browser.OpenSepals();
        browser.Click("link", "Choose targets");
        browser.Find("heading", "Targets: Hellebore");
        browser.WaitForSaved();
    }

    /// <summary>Opens how the paste of a flower is got: its ombre or its marble.</summary>
    public static void OpenPaste(this Browser browser, string flower, string way)
    {
        browser.Open("/");
        browser.Click("link", flower);
        browser.Click("link", way, exact: true);
        browser.Find("heading", $": {way.ToLowerInvariant()}");
    }

    /// <summary>Takes an open flower out of its commission.</summary>
    public static void TakeFlowerOut(this Browser browser, string flower, string commission)
    {
        browser.Click("button", $"Change {flower}");
        browser.Click("button", "Take this flower out");
        browser.Click("button", "Yes, remove", exact: true);
        browser.WaitUntil("it is gone", () => browser.PageText().Contains(commission) && !browser.PageText().Contains(flower));
    }

    public static void WaitForSaved(this Browser browser) => browser.Find("status", "Saved", exact: true);

    /// <summary>Opens the column whose head has this kind and name.</summary>
    public static void OpenColumn(this Browser browser, string head) => browser.Click("button", head);

    /// <summary>The ribbon of a zone in words: its colours and its difference to the target.</summary>
    public static string Ribbon(this Browser browser, string zone) => browser.Find("row", zone).GetDomProperty("textContent") ?? "";

    /// <summary>Every colour of the ribbons, to see that they have changed.</summary>
    public static string Colours(this Browser browser) => (string)browser.Run(
        "return [...document.querySelectorAll('tbody [style]')].map((e) => e.style.backgroundColor).join(' ')")!;

    /// <summary>Every point of the pictures of the piece.</summary>
    public static string Pictures(this Browser browser) => (string)browser.Run(
        "return [...document.querySelectorAll('canvas')].map((c) => c.toDataURL()).join(' ')")!;
}
