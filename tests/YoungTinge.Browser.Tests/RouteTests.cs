using OpenQA.Selenium;

namespace YoungTinge.Browser.Tests;

/// <summary>What holds for every page: its title, its heading, its width, and what stands at an address that is gone.</summary>
[Collection(OneApplication.Name)]
public class RouteTests(Application application)
{
    /// <summary>Every name that a maker can give, as long as it may be and without a space in it.</summary>
    private const string LongestNames = """
        update studio set name = repeat('W', 120), maker = repeat('W', 120);
        update commission set name = repeat('W', 120), place = repeat('W', 300), client_note = repeat('W', 300);
        update flower set name = repeat('W', 120);
        update piece set name = left('W' || position || repeat('W', 120), 120);
        update material set name = left(id || repeat('W', 120), 120);
        update batch set name = repeat('W', 120), kept_in = repeat('W', 120);
        update log_entry set note = repeat('W', 300);
        """;

    /// <summary>Layout shift over a page's whole arrival that is called good: https://web.dev/articles/cls.</summary>
    private const double GoodShift = 0.1;

    [Fact]
    public Task Every_page_has_a_title_of_its_own_and_the_focus_on_its_heading() => application.InBrowserAsync(nameof(Every_page_has_a_title_of_its_own_and_the_focus_on_its_heading), async browser =>
    {
        var titles = new List<string>();
        foreach (var route in await Routes.AllAsync(application.Http))
        {
            browser.Open(route);
            browser.WaitUntil($"the title of {route}", () => browser.Title.EndsWith(" · Young Tinge", StringComparison.Ordinal) && browser.Title.Length > 16);
            browser.WaitUntil($"the focus on the heading of {route}", () => (bool)browser.Run("return document.activeElement.tagName === 'H1'")!);
            Assert.StartsWith((string)browser.Run("return document.activeElement.textContent.slice(0, 4)")!, browser.Title);
            titles.Add(browser.Title);
        }

        // A flower opens on one of its pieces; all others differ.
        Assert.True(titles.Distinct().Count() >= titles.Count - 1, string.Join('\n', titles.Order()));
    });

    [Fact]
    public Task On_a_phone_no_page_is_too_wide_or_moves_away_with_the_longest_names() => application.InBrowserAsync(nameof(On_a_phone_no_page_is_too_wide_or_moves_away_with_the_longest_names), async browser =>
    {
        var routes = await Routes.AllAsync(application.Http);
        await using (var command = application.Demo.DataSource.CreateCommand(LongestNames))
            await command.ExecuteNonQueryAsync();
        var wide = new List<string>();
        foreach (var route in routes)
        {
            browser.Open(route);
            browser.WaitUntilQuiet();
            wide.AddRange(MovedAway(browser, route));
            if ((long)browser.Run("return document.documentElement.scrollWidth - window.innerWidth")! is > 0 and var over)
            {
                var what = (string)browser.Run("""
                    return [...document.querySelectorAll('body *')].filter((e) => e.getBoundingClientRect().right > innerWidth + 1 && !e.closest('.overflow-x-auto')).slice(0, 4)
                      .map((e) => `${e.tagName}.${e.className?.baseVal ?? e.className}`).join(' | ')
                    """)!;
                wide.Add($"{route}: {over} px, {what}");
            }
        }

        Assert.True(wide.Count == 0, string.Join('\n', wide));
    }, width: 390, height: 844);

    [Fact]
    public Task Every_page_passes_axe_and_stays_where_it_is() => application.InBrowserAsync(nameof(Every_page_passes_axe_and_stays_where_it_is), async browser =>
    {
        var broken = new List<string>();
        foreach (var route in await Routes.AllAsync(application.Http))
        {
            browser.Open(route);
            browser.WaitUntilQuiet();
            broken.AddRange(MovedAway(browser, route));
            broken.AddRange(browser.AccessibilityProblems().Select(problem => $"{route}: {problem}"));
        }

        Assert.True(broken.Count == 0, string.Join('\n', broken));
    });

    /// <summary>Whoever is quick presses what was there a moment before: what comes later moves nothing.</summary>
    private static IEnumerable<string> MovedAway(Browser browser, string route) =>
        browser.LayoutShift() is ( > GoodShift, _) shift ? [$"{route}: {shift.Score:0.00} moved away, {shift.Moved}"] : [];

    [Fact]
    public Task Nothing_begun_passes_axe_either() => application.InBrowserAsync(nameof(Nothing_begun_passes_axe_either), async browser =>
    {
        await application.Demo.BeginAsync();
        foreach (var route in new[] { "/commissions", "/paste-day", "/mixing", "/cabinet", "/logbook", "/files", "/studio", "/bin" })
        {
            browser.Open(route);
            browser.WaitUntilQuiet();
            Assert.Empty(browser.AccessibilityProblems());
        }
    });

    [Theory]
    [InlineData("/commissions/3fa85f64-5717-4562-b3fc-2c963f66afa6", "This commission is not here", "See what lies in the bin")]
    [InlineData("/commissions/3fa85f64-5717-4562-b3fc-2c963f66afa6/new-flower", "This commission is not here", "See what lies in the bin")]
    [InlineData("/commissions/3fa85f64-5717-4562-b3fc-2c963f66afa6/spray", "This commission is not here", "See what lies in the bin")]
    [InlineData("/flowers/3fa85f64-5717-4562-b3fc-2c963f66afa6", "This flower or piece is not here", "See what lies in the bin")]
    [InlineData("/flowers/nonsense/targets", "This flower or piece is not here", "See what lies in the bin")]
    [InlineData("/flowers/3fa85f64-5717-4562-b3fc-2c963f66afa6/new-piece", "This flower or piece is not here", "See what lies in the bin")]
    [InlineData("/cabinet/nothing-like-it", "This jar is not in the cabinet", "To the cabinet")]
    [InlineData("/moon", "There is nothing here", "Back to the commissions")]
    public Task A_dead_address_says_so_and_leads_on(string path, string words, string onward) => application.InBrowserAsync(nameof(A_dead_address_says_so_and_leads_on), browser =>
    {
        browser.Open(path);
        browser.Find("heading", words);
        browser.Find("link", onward);
        return Task.CompletedTask;
    });

    [Fact]
    public Task Anything_is_jumped_to_by_its_name() => application.InBrowserAsync(nameof(Anything_is_jumped_to_by_its_name), browser =>
    {
        browser.Open("/logbook");
        browser.FocusIsOn("heading", "Logbook");
        foreach (var (letters, role, name) in new[]
        {
            ("caladium", "heading", "Leaf"), ("rowan", "heading", "Rowan"), ("deep indigo", "listitem", "Clematis, deep indigo"),
            ("winter supper", "heading", "Lantern Pier winter supper"), ("words", "heading", "Words of the trade"),
        })
        {
            browser.Press("/");
            browser.WaitUntil("the search", () => (bool)browser.Run("return document.activeElement.getAttribute('role') === 'combobox'")!);
            browser.Press(letters);
            browser.WaitUntil($"“{letters}” found", () => browser.PageText().Contains(" found; arrow keys", StringComparison.Ordinal));
            browser.Press(Keys.Enter);
            browser.FocusIsOn(role, name);
        }

        return Task.CompletedTask;
    });

    [Fact]
    public Task No_picture_of_the_library_and_no_head_of_the_build_up_is_cut_off() => application.InBrowserAsync(nameof(No_picture_of_the_library_and_no_head_of_the_build_up_is_cut_off), browser =>
    {
        browser.Open("/");
        browser.Click("link", "Add a flower Harbour school fete");
        browser.Find("button", "Foxglove bell");
        Assert.Equal("", browser.Run("""
            return [...document.querySelectorAll('button svg')].filter((picture) => {
              const frame = picture.getBoundingClientRect()
              return [...picture.querySelectorAll('path, ellipse')].some((part) => {
                const { left, right, top, bottom } = part.getBoundingClientRect()
                return left < frame.left - 1 || right > frame.right + 1 || top < frame.top - 1 || bottom > frame.bottom + 1
              })
            }).map((picture) => picture.closest('button').textContent).join(', ')
            """));

        browser.OpenSepals();
        Assert.Equal("", browser.Run("""
            return [...document.querySelectorAll('thead button')].filter((head) => head.scrollWidth > head.clientWidth + 1 || head.scrollHeight > head.clientHeight + 1
              || [...head.querySelectorAll('span')].some((line) => parseFloat(getComputedStyle(line).fontSize) < 13)).map((head) => head.textContent).join(', ')
            """));
        return Task.CompletedTask;
    });
}
