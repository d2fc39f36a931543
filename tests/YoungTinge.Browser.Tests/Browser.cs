using System.Collections.ObjectModel;
using System.Diagnostics;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;
using OpenQA.Selenium.Interactions;
using OpenQA.Selenium.Support.UI;
using YoungTinge.Testing;

namespace YoungTinge.Browser.Tests;

/// <summary>Headless Chromium, in which things are found by role and name as a person does. It waits for what is looked for.</summary>
public sealed class Browser
{
    // Counted only while the page waits for nobody: on a busy machine an answer that is on its way is not yet a failure.
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(15);
    private static readonly TimeSpan Longest = TimeSpan.FromMinutes(3);

    private const string CountRequestsScript = """
        window.requestsUnderWay = 0
        const send = window.fetch
        window.fetch = async (...what) => {
          window.requestsUnderWay++
          const over = () => window.requestsUnderWay--
          try {
            const answer = await send(...what)
            // What a long computation tells comes bit by bit: it is under way until the last of it is there.
            answer.clone().blob().then(over, over)
            return answer
          } catch (failure) {
            over()
            throw failure
          }
        }
        """;

    // A good part of the accessible name computation (W3C accname 1.2): enough for this application.
    private const string NamesScript = """
        const [role, name, exact] = arguments
        const selectors = {
          button: 'button:not(dfn button)', term: 'dfn button', link: 'a[href]', checkbox: 'input[type=checkbox]', combobox: 'select', slider: 'input[type=range],[role=slider]',
          textbox: 'input:not([type]),input[type=text],input[type=search],input[type=password],textarea', radio: 'input[type=radio]', heading: 'h1,h2,h3', img: '[role=img],img[alt]',
          file: 'input[type=file]', group: '[role=group],fieldset',
          region: 'section[aria-label],[role=region]', listitem: 'li', row: 'tr', alert: '[role=alert]', status: '[role=status]', disclosure: 'summary', timer: '[role=timer]',
        }
        const clean = (text) => (text ?? '').replace(/\s+/g, ' ').trim()
        const nameOf = (e) => clean(e.getAttribute('aria-label') ?? e.getAttribute('alt') ?? (e.labels?.length ? [...e.labels].map((l) => l.textContent).join(' ') : e.textContent))
        const isIt = (e) => {
          const own = nameOf(e)
          return (exact ? own === name : own.includes(name)) && e.checkVisibility()
        }
        const all = () => [...document.querySelectorAll(selectors[role])]
        """;

    private const string FindScript = NamesScript + "\nreturn all().filter(isIt)";

    /// <summary>Whether the first of that name has the focus; the others are looked at only where it may.</summary>
    private const string FocusScript = NamesScript + "\n" + """
        const own = document.activeElement
        return own.matches(selectors[role]) && isIt(own) && all().find(isIt) === own
        """;

    private static readonly Lazy<string> Axe = new(() => File.ReadAllText(Path.Combine(Repository.Folder, "client", "node_modules", "axe-core", "axe.min.js")));

    private readonly ChromeDriver driver;

    /// <summary>Leaves the application: nothing is asked of it any more.</summary>
    public static void Leave(ChromeDriver chromium)
    {
        foreach (var tab in chromium.WindowHandles)
        {
            chromium.SwitchTo().Window(tab);
            chromium.Navigate().GoToUrl("about:blank");
        }
    }

    /// <summary>A new tab of a running Chromium that remembers nothing of the application.</summary>
    public Browser(ChromeDriver chromium, Uri address, int width = 1280, int height = 800)
    {
        (driver, Address) = (chromium, address);
        driver.SwitchTo().NewWindow(WindowType.Tab);
        var own = driver.CurrentWindowHandle;
        foreach (var left in driver.WindowHandles.Where(handle => handle != own))
        {
            driver.SwitchTo().Window(left);
            driver.Close();
        }

        driver.SwitchTo().Window(own);
        driver.ExecuteCdpCommand("Storage.clearDataForOrigin", new Dictionary<string, object?> { ["origin"] = address.GetLeftPart(UriPartial.Authority), ["storageTypes"] = "all" });
        ConsoleErrors();
        // The window includes a bar that headless Chromium does not show; the page itself must have the size asked for.
        driver.ExecuteCdpCommand("Emulation.setDeviceMetricsOverride", new Dictionary<string, object?>
        {
            ["width"] = width,
            ["height"] = height,
            ["deviceScaleFactor"] = 1,
            ["mobile"] = width < 600,
        });
        CountRequests();
    }

    /// <summary>Signs in as whoever has these cookies; with none, out.</summary>
    public void SignIn(IReadOnlyDictionary<string, string> cookies)
    {
        driver.ExecuteCdpCommand("Network.clearBrowserCookies", []);
        foreach (var (name, value) in cookies)
            driver.ExecuteCdpCommand("Network.setCookie", new Dictionary<string, object?> { ["name"] = name, ["value"] = value, ["url"] = Address.ToString(), ["path"] = "/", ["sameSite"] = "Lax" });
    }

    /// <summary>Starts Chromium: it takes as long as many a test, so it is kept for those that follow.</summary>
    public static ChromeDriver StartChromium()
    {
        var options = new ChromeOptions { BinaryLocation = "/usr/bin/chromium" };
        options.AddArguments(
            "--headless=new", "--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-dev-shm-usage", "--hide-scrollbars",
            "--disable-background-networking", "--disable-component-update", "--disable-sync", "--lang=en-GB");
        return new ChromeDriver(ChromeDriverService.CreateDefaultService("/usr/bin", "chromedriver"), options);
    }

    public Uri Address { get; }

    public string Url => driver.Url;

    public string Title => driver.Title;

    public void Open(string path) => driver.Navigate().GoToUrl(new Uri(Address, path));

    public void Reload() => driver.Navigate().Refresh();

    public void OpenTab(string url)
    {
        driver.SwitchTo().NewWindow(WindowType.Tab);
        CountRequests();
        driver.Navigate().GoToUrl(url);
    }

    public void SwitchToTab(int number) => driver.SwitchTo().Window(driver.WindowHandles[number]);

    public void CloseTab()
    {
        driver.Close();
        driver.SwitchTo().Window(driver.WindowHandles[0]);
    }

    public IWebElement Find(string role, string name, bool exact = false) =>
        Until($"a {role} named '{name}'", () => All(role, name, exact).FirstOrDefault());

    public bool Has(string role, string name, bool exact = false) => All(role, name, exact).Count > 0;

    public void WaitUntilGone(string role, string name) =>
        Until($"no {role} named '{name}'", () => Has(role, name) ? null : driver);

    /// <summary>Clicks once it can be clicked: nobody presses what is greyed out.</summary>
    public void Click(string role, string name, bool exact = false) => Act(() =>
    {
        // The first of that name, once it can be: while a list wakes up, a later one may be awake before it.
        var element = Until($"a {role} named '{name}' that can be clicked", () => All(role, name, exact).FirstOrDefault() is { Enabled: true } first ? first : null);
        driver.ExecuteScript("arguments[0].scrollIntoView({ block: 'center', inline: 'center' })", element);
        element.Click();
    });

    /// <summary>Replaces what stands in a field.</summary>
    public void Fill(string label, string text) => Act(() =>
    {
        var field = Find("textbox", label);
        field.SendKeys(Keys.Control + "a");
        field.SendKeys(text);
    });

    /// <summary>Chooses of a list, once it offers that: what there is to choose from may still be on its way.</summary>
    public void Choose(string label, string option) => Act(() =>
        Until($"'{option}' in {label}", () => Find("combobox", label).FindElements(By.TagName("option")).FirstOrDefault(one => one.Text.Trim() == option)).Click());

    /// <summary>Chooses a file in a field.</summary>
    public void Upload(string label, string path) => Act(() => Find("file", label).SendKeys(path));

    /// <summary>Drags over a picture, from one place to another in shares of its width and height.</summary>
    public void Drag(string picture, (double X, double Y) from, (double X, double Y) to) => Act(() =>
    {
        var element = Find("img", picture);
        driver.ExecuteScript("arguments[0].scrollIntoView({ block: 'center' })", element);
        (int X, int Y) At((double X, double Y) share) => ((int)((share.X - 0.5) * element.Size.Width), (int)((share.Y - 0.5) * element.Size.Height));
        var (begin, end) = (At(from), At(to));
        new Actions(driver).MoveToElement(element, begin.X, begin.Y).ClickAndHold().MoveToElement(element, end.X, end.Y).Release().Perform();
    });

    public string ValueOf(string label) => Find("textbox", label).GetDomProperty("value") ?? "";

    /// <summary>Waits until the page shows a text.</summary>
    public void WaitForText(string text) =>
        Until($"the text '{text}'", () => PageText().Contains(text, StringComparison.Ordinal) ? driver : null);

    /// <summary>Waits until the page has a heading and asks for nothing more.</summary>
    public void WaitUntilQuiet()
    {
        var quiet = Stopwatch.StartNew();
        WaitUntil("a page that asks for nothing more", () =>
        {
            if (AwaitsAnAnswer() || driver.FindElements(By.TagName("h1")).Count == 0)
                quiet.Restart();
            return quiet.Elapsed > TimeSpan.FromMilliseconds(250);
        });
    }

    /// <summary>How much of the page moved away while it was built, as the browser counts layout shift (0 for nothing), and what moved furthest.</summary>
    public (double Score, string Moved) LayoutShift()
    {
        var found = (IReadOnlyList<object>)driver.ExecuteScript("""
            return new Promise((done) => {
              const all = []
              new PerformanceObserver((list) => all.push(...list.getEntries())).observe({ type: 'layout-shift', buffered: true })
              // What was buffered is told in a task of its own.
              setTimeout(() => {
                const moved = all.sort((one, other) => other.value - one.value)[0]?.sources ?? []
                done([
                  all.reduce((sum, one) => sum + one.value, 0),
                  moved.map(({ node, previousRect, currentRect }) => `${node?.nodeName} '${(node?.textContent ?? '').slice(0, 30)}' ${previousRect.y} to ${currentRect.y}`).join(' | '),
                ])
              }, 50)
            })
            """)!;
        return (Convert.ToDouble(found[0]), (string)found[1]);
    }

    /// <summary>What is to be read, with plain spaces: as the browser tells it, which is much quicker than WebDriver's own way.</summary>
    public string PageText() => (string)driver.ExecuteScript("return document.body.innerText.replaceAll('\u00a0', ' ')")!;

    /// <summary>Waits until something read from the page is as it should be.</summary>
    public void WaitUntil(string what, Func<bool> holds) => Until(what, () => holds() ? driver : null);

    public void Press(string keys) => driver.SwitchTo().ActiveElement().SendKeys(keys);

    public bool HasFocus(string role, string name) => driver.ExecuteScript(FocusScript, role, name, false) is true;

    public void FocusIsOn(string role, string name) => Until($"the focus on the {role} '{name}'", () => HasFocus(role, name) ? driver : null);

    /// <summary>Goes on with the Tab key until the named thing has the focus.</summary>
    public void TabTo(string role, string name)
    {
        for (var i = 0; i < 200; i++)
        {
            if (HasFocus(role, name))
                return;
            new Actions(driver).SendKeys(Keys.Tab).Perform();
        }

        throw new InvalidOperationException($"The {role} '{name}' cannot be reached with the Tab key.");
    }

    /// <summary>Keeps requests to matching addresses from leaving the browser until <see cref="LetThrough"/>.</summary>
    public void HoldBack(string pattern) => driver.ExecuteCdpCommand("Fetch.enable", new Dictionary<string, object?>
    {
        ["patterns"] = new[] { new Dictionary<string, object> { ["urlPattern"] = pattern } },
    });

    public void LetThrough() => driver.ExecuteCdpCommand("Fetch.disable", []);

    public object? Run(string script, params object[] arguments) => driver.ExecuteScript(script, arguments);

    /// <summary>Rules of axe-core (WCAG A and AA) that the page breaks, with where: all of them as it is, those of colour in the other theme as well.</summary>
    public IReadOnlyList<string> AccessibilityProblems()
    {
        if (driver.ExecuteScript("return window.axe === undefined") is true)
            driver.ExecuteScript(Axe.Value);
        var found = driver.ExecuteAsyncScript("""
            const done = arguments[arguments.length - 1]
            const page = document.documentElement
            const asItWas = page.dataset.theme
            const run = async (runOnly) => (await axe.run({ runOnly, resultTypes: ['violations'] })).violations
              .flatMap((rule) => rule.nodes.map((node) => `${page.dataset.theme}: ${rule.id}: ${node.target.join(' ')} ${node.failureSummary}`))
            // A colour half way to another is nobody's.
            const still = new CSSStyleSheet()
            still.replaceSync('*, *::before, *::after { transition: none !important }')
            ;(async () => {
              const problems = await run(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'])
              document.adoptedStyleSheets.push(still)
              page.dataset.theme = asItWas === 'north-light' ? 'north-dusk' : 'north-light'
              problems.push(...(await run(['color-contrast', 'link-in-text-block'])))
              page.dataset.theme = asItWas
              document.adoptedStyleSheets.pop()
              return problems
            })().then(done)
            """);
        return [.. ((ReadOnlyCollection<object>)found!).Cast<string>()];
    }

    /// <summary>Page errors and refusals of the content policy since the last call.</summary>
    public IReadOnlyList<string> ConsoleErrors() =>
        [.. driver.Manage().Logs.GetLog(LogType.Browser).Where(entry => entry.Level == LogLevel.Severe).Select(entry => entry.Message)];

    public void Screenshot(string path)
    {
        Directory.CreateDirectory(Path.GetDirectoryName(path)!);
        driver.GetScreenshot().SaveAsFile(path);
    }

    public byte[] PrintToPdf() => driver.Print(new PrintOptions { PageDimensions = PrintOptions.PageSize.A4 }).AsByteArray;

    private List<IWebElement> All(string role, string name, bool exact) =>
        [.. ((IReadOnlyCollection<object>)driver.ExecuteScript(FindScript, role, name, exact)!).Cast<IWebElement>()];

    private void CountRequests() =>
        driver.ExecuteCdpCommand("Page.addScriptToEvaluateOnNewDocument", new Dictionary<string, object?> { ["source"] = CountRequestsScript });

    private bool AwaitsAnAnswer() => driver.ExecuteScript("return window.requestsUnderWay") is > 0L;

    private T Until<T>(string what, Func<T?> look) where T : class
    {
        var idle = Stopwatch.StartNew();
        var wait = new WebDriverWait(new SystemClock(), driver, Longest, TimeSpan.FromMilliseconds(50)) { Message = $"Waited for {what}." };
        wait.IgnoreExceptionTypes(typeof(StaleElementReferenceException));
        return wait.Until(_ =>
        {
            if (look() is { } found)
                return found;
            if (AwaitsAnAnswer())
                idle.Restart();
            return idle.Elapsed < Patience ? null : throw new WebDriverTimeoutException($"Waited for {what}, with nothing more under way. {Shown()}");
        })!;
    }

    /// <summary>For whoever reads of a failure and has no picture of it.</summary>
    private string Shown()
    {
        const int most = 2000;
        return $"{driver.Url} shows: {Run($"return (document.querySelector('main') ?? document.body).innerText.replaceAll(/\\s+/g, ' ').slice(0, {most})")}";
    }

    /// <summary>Does something to an element again if the page was drawn anew in between.</summary>
    private static void Act(Action action)
    {
        for (var tries = 0; ; tries++)
        {
            try
            {
                action();
                return;
            }
            catch (Exception e) when (tries < 5 && e is StaleElementReferenceException or ElementClickInterceptedException)
            {
                // The page was just drawn; what was found is gone or under something. Look again.
            }
        }
    }
}
