using YoungTinge.Store.People;

namespace YoungTinge.Browser.Tests;

/// <summary>A studio of one's own: begun, shared, left, kept and put back, in two languages.</summary>
[Collection(OneApplication.Name)]
public class PeopleTests(Application application)
{
    private const string Password = "paper boats at noon";

    private static readonly Dictionary<string, string> Nobody = [];

    [Fact]
    public Task A_first_visit_makes_a_studio_and_comes_to_a_predicted_petal() => application.InBrowserAsync(nameof(A_first_visit_makes_a_studio_and_comes_to_a_predicted_petal), async browser =>
    {
        await application.Demo.EmptyAsync();
        browser.SignIn(Nobody);
        browser.Open("/");
        browser.Find("heading", "A studio of your own");
        Assert.Empty(browser.AccessibilityProblems());
        // What is wrong is said at its step, and nothing that was typed is lost.
        browser.Click("button", "Go on");
        browser.Fill("Your name, as others see it", "Ida Marsh");
        browser.Fill("Name to sign in with", "ida");
        browser.Fill("New password", "short");
        browser.Click("button", "Go on");
        browser.Click("button", "Make the studio");
        browser.WaitForText("Give it a name.");
        browser.Fill("Name of the studio", "Quay Room");
        browser.Choose("Currency", "NOK, Norwegian Krone");
        browser.Click("button", "Go on");
        browser.WaitForText("At least 10 letters.");
        Assert.Equal("Ida Marsh", browser.ValueOf("Your name, as others see it"));
        browser.Fill("New password", Password);
        browser.Click("button", "Go on");
        browser.Click("radio", "A starter cabinet");
        browser.Click("button", "Make the studio");

        browser.WaitForText("Quay Room, Ida Marsh");
        browser.Click("link", "New commission");
        browser.Fill("Name", "Harbour christening");
        browser.Click("button", "Make it, and add its first flower");
        browser.Click("button", "Anemone", exact: true);
        browser.Fill("Flowers", "3");
        browser.Click("button", "Make it", exact: true);
        browser.Find("heading", "Petals", exact: true);
        browser.WaitForSaved();
        browser.Find("img", "Petals, Face");
    });

    [Fact]
    public Task A_helper_is_asked_in_and_sees_what_is_hers_to_do() => application.InBrowserAsync(nameof(A_helper_is_asked_in_and_sees_what_is_hers_to_do), browser =>
    {
        browser.Open("/commissions");
        browser.Click("link", "You", exact: true);
        browser.Click("link", "Who works in this studio");
        browser.Find("heading", "People", exact: true);
        browser.Click("button", "Make an invitation");
        browser.Find("textbox", "Address of the invitation");
        Assert.Empty(browser.AccessibilityProblems());
        var address = browser.ValueOf("Address of the invitation");
        browser.SignIn(Nobody);
        browser.Open(new Uri(address).AbsolutePath);
        browser.Find("heading", "Come into Saltmarsh Lane Sugar Room");
        Assert.Empty(browser.AccessibilityProblems());
        browser.Fill("Your name, as others see it", "Bo");
        browser.Fill("Name to sign in with", "bo");
        browser.Fill("New password", Password);
        browser.Click("button", "Come in");
        browser.WaitForText("You help here");
        browser.Open("/cabinet/rootcellar");
        browser.Fill("Lot", "B 7");
        browser.Click("button", "Save", exact: true);
        browser.WaitForText("This is not for you to do here.");
        Assert.Equal("B 7", browser.ValueOf("Lot"));
        // The address is used up.
        browser.SignIn(Nobody);
        browser.Open(new Uri(address).AbsolutePath);
        browser.Find("heading", "This address was used already");
        return Task.CompletedTask;
    });

    [Fact]
    public Task A_client_sees_her_flowers_and_nothing_else() => application.InBrowserAsync(nameof(A_client_sees_her_flowers_and_nothing_else), browser =>
    {
        browser.Open("/commissions");
        browser.Click("link", "Change Lantern Pier winter supper");
        browser.Click("button", "Make an address");
        browser.Find("textbox", "Address to hand on");
        var address = new Uri(browser.ValueOf("Address to hand on")).AbsolutePath;
        browser.SignIn(Nobody);
        browser.Open(address);
        browser.Find("heading", "Lantern Pier winter supper");
        browser.Find("img", "A spray of");
        browser.WaitForText("What is in them");
        Assert.DoesNotContain("€", browser.PageText());
        Assert.Empty(browser.AccessibilityProblems());
        browser.Open("/commissions");
        browser.Find("heading", "Sign in", exact: true);
        return Task.CompletedTask;
    });

    [Fact]
    public Task Signed_out_everywhere_shows_the_door_and_a_locked_name_says_when() => application.InBrowserAsync(nameof(Signed_out_everywhere_shows_the_door_and_a_locked_name_says_when), browser =>
    {
        browser.Open("/me");
        Assert.Empty(browser.AccessibilityProblems());
        browser.Click("button", "Sign out everywhere");
        browser.Find("heading", "Sign in", exact: true);
        Assert.Empty(browser.AccessibilityProblems());
        browser.Fill("Name to sign in with", "demo");
        for (var tries = 0; tries < SignInTries.Free; tries++)
        {
            browser.Fill("Password", $"wrong one {tries}");
            browser.Click("button", "Come in");
            browser.WaitForText("Name and password do not belong together.");
            browser.WaitUntil("it can be tried again", () => browser.Find("button", "Come in").Enabled);
        }

        browser.Fill("Password", "and another");
        browser.Click("button", "Come in");
        browser.WaitForText("It can be tried again in");
        return Task.CompletedTask;
    });

    [Fact]
    public Task A_copy_is_made_and_put_back() => application.InBrowserAsync(nameof(A_copy_is_made_and_put_back), browser =>
    {
        browser.Open("/files");
        browser.Click("button", "Make a copy now");
        browser.WaitForText("Made, and read back.");
        browser.WaitForText("read back:");
        browser.Open("/cabinet/rootcellar");
        browser.Fill("Lot", "Lost again");
        browser.Click("button", "Save", exact: true);
        browser.WaitUntil("kept", () => !browser.PageText().Contains("Changes not saved yet"));
        browser.Open("/files");
        browser.Click("button", "Put the copy of");
        browser.Click("button", "Yes", exact: true);
        browser.WaitForText("This is now Saltmarsh Lane Sugar Room as it was archived.");
        browser.Open("/cabinet/rootcellar");
        browser.Find("textbox", "Lot");
        Assert.NotEqual("Lost again", browser.ValueOf("Lot"));
        // The demo as new again, and no studio of a maker's own.
        browser.Open("/studio");
        browser.Click("button", "Begin the demo anew");
        browser.Click("button", "Yes", exact: true);
        browser.WaitForText("The demo is as new.");
        return Task.CompletedTask;
    });

    [Fact]
    public Task The_main_path_goes_in_German() => application.InBrowserAsync(nameof(The_main_path_goes_in_German), browser =>
    {
        browser.Open("/me");
        browser.Choose("Language", "Deutsch");
        browser.Click("button", "Keep", exact: true);
        browser.Find("link", "Aufträge");
        browser.Click("link", "Aufträge", exact: true);
        browser.Find("heading", "Aufträge", exact: true);
        browser.WaitForText("fällig");
        browser.Click("link", "Hellebore");
        browser.Find("heading", "Sepals", exact: true);
        browser.Find("status", "Gespeichert", exact: true);
        browser.WaitForText("Abstand (ΔE)");
        browser.Click("button", "Die Schichten planen");
        browser.Click("button", "Wege vergleichen");
        browser.WaitForText("Wege gefunden.");
        browser.Click("button", "Schließen", exact: true);
        browser.Click("link", "Arbeitsblatt");
        browser.WaitForText("Gib acht");
        browser.Click("link", "Pastentag", exact: true);
        browser.WaitForText("Zuerst die Verdünnungen");
        // Once chosen it stays, also before anybody has signed in.
        browser.SignIn(Nobody);
        browser.Open("/");
        browser.Find("heading", "Anmelden", exact: true);
        Assert.Equal("de", browser.Run("return document.documentElement.lang"));
        Assert.Empty(browser.AccessibilityProblems());
        return Task.CompletedTask;
    });
}
