using System.Net.Http.Json;
using System.Text.Json.Nodes;
using OpenQA.Selenium;

namespace YoungTinge.Browser.Tests;

/// <summary>A day at the bench: with a plan, without a server, on two devices.</summary>
[Collection(OtherApplication.Name)]
public class BenchTests(Application application)
{
    private async Task<JsonNode> BenchAsync()
    {
        var http = application.Http;
        return (await http.GetFromJsonAsync<JsonNode>("/api/bench"))!;
    }

    private static string Now(Browser browser) => (string)browser.Run("return [...(document.querySelector('[aria-labelledby=now]')?.children ?? [])].slice(1).map((one) => one.textContent).join(' ')")!;

    /// <summary>Presses a key and waits until another card lies there: two things to do may read the same.</summary>
    private static void TurnCard(Browser browser, string key)
    {
        browser.Run("window.cardBefore = document.querySelector('[aria-labelledby=now]')");
        browser.Press(key);
        browser.WaitUntil("another card", () => browser.Run("return document.querySelector('[aria-labelledby=now]') !== window.cardBefore") is true);
    }

    [Fact]
    public Task A_day_goes_on_without_a_server_and_nothing_is_lost_or_done_twice() => application.InBrowserAsync(nameof(A_day_goes_on_without_a_server_and_nothing_is_lost_or_done_twice), async browser =>
    {
        browser.Open("/plan");
        browser.Click("button", "Plan the work");
        browser.Click("button", "Put this plan in force");
        browser.WaitForText("This plan is in force.");
        // Something is set to a later day, and the plans lie beside each other.
        browser.Click("button", "Set the time of: Make");
        browser.Click("button", "Only the day");
        browser.WaitForText("1 thing has a time that you set");
        browser.Click("button", "Plan again");
        browser.Find("row", "Plan 1");
        browser.Click("button", "Show In force");
        browser.WaitForText("This plan is in force.");

        browser.Click("link", "Commissions", exact: true);
        browser.WaitForText("Begin by");

        browser.Click("link", "Bench", exact: true);
        browser.Find("button", "Done", exact: true);
        browser.WaitForText("planned for");
        browser.WaitUntil("the day to be held", () => browser.Run("return navigator.serviceWorker.controller !== null && caches.match('/api/bench').then((held) => held !== undefined)") is true);
        var (first, before) = (Now(browser), (await BenchAsync())["recent"]!.AsArray().Count);
        TurnCard(browser, Keys.PageDown);
        browser.Click("button", "20 min");
        browser.Find("timer", "20 min");
        browser.WaitForText("Everything is sent.");
        browser.WaitUntilQuiet();

        await application.Server.StopAsync();
        TurnCard(browser, Keys.PageDown);
        browser.WaitForText("No connection");
        browser.Click("button", "5 min");
        browser.Find("timer", "5 min");
        // From what the browser holds.
        browser.Reload();
        browser.WaitForText("2 notes are kept here");
        browser.Find("timer", "20 min");
        browser.Find("timer", "5 min");
        TurnCard(browser, Keys.PageDown);
        TurnCard(browser, Keys.PageUp);
        browser.WaitForText("4 notes are kept here");

        await application.Server.StartAsync();
        browser.WaitForText("Everything is sent.");
        var bench = await BenchAsync();
        Assert.Equal(before + 2, bench["recent"]!.AsArray().Count);
        Assert.Equal(["20 min", "5 min"], bench["timers"]!.AsArray().Select(timer => (string)timer!["name"]!).OrderDescending().Reverse());
        browser.Click("button", "Stop 5 min");
        browser.Click("button", "Stop 20 min");
        browser.WaitUntilGone("timer", "min");
        TurnCard(browser, Keys.PageUp);
        TurnCard(browser, Keys.PageUp);
        browser.WaitForText("Everything is sent.");
        browser.WaitUntil("the first card again", () => Now(browser) == first);
        Assert.Empty(browser.AccessibilityProblems());
    });

    [Fact]
    public Task Another_device_sees_a_tick_and_a_clash_is_told() => application.InBrowserAsync(nameof(Another_device_sees_a_tick_and_a_clash_is_told), async browser =>
    {
        browser.Open("/bench");
        browser.Find("button", "Done", exact: true);
        var was = Now(browser);
        var operation = (await BenchAsync())["tasks"]![0]!["operation"]!;
        var other = application.Http;
        Task TellAsync(string kind) => other.PutAsJsonAsync($"/api/bench/notes/{Guid.NewGuid()}", new JsonObject
        {
            ["kind"] = kind,
            ["at"] = DateTimeOffset.UtcNow.ToString("O"),
            ["by"] = "Bo",
            ["operationId"] = operation["id"]!.DeepClone(),
            ["fingerprint"] = operation["fingerprint"]!.DeepClone(),
        });

        await TellAsync("tick");
        browser.WaitUntil("the next card", () => Now(browser) != was);
        await TellAsync("takeBack");
        browser.WaitUntil("the first card again", () => Now(browser) == was);

        // Both do it, this one without hearing of the other.
        browser.Click("link", "Logbook", exact: true);
        browser.Run("window.EventSource = class extends EventTarget { close() {} }");
        browser.Click("link", "Bench", exact: true);
        browser.WaitUntil("the first card", () => Now(browser) == was);
        browser.WaitUntilQuiet();
        await TellAsync("tick");
        browser.Press(Keys.PageDown);
        browser.WaitForText("had been ticked already, by Bo");
        browser.Click("button", "I have read it");
        browser.Press(Keys.PageUp);
        browser.WaitUntil("the first card again", () => Now(browser) == was);
    });
}
