using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;
using OpenQA.Selenium.Support.UI;

namespace InchBurst.Browser.Tests;

/// <summary>A headless Chromium with what every test needs.</summary>
public sealed class Chromium : IDisposable
{
    private readonly string address;
    private readonly string profile = Directory.CreateTempSubdirectory("inch-burst-chromium-").FullName;

    public Chromium(TestApp app, int width = 1280, int height = 800, string? address = null)
    {
        App = app;
        this.address = address ?? app.Address;
        var options = new ChromeOptions { BinaryLocation = "/usr/bin/chromium" };
        options.AddArguments(
            "--headless", "--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-background-networking",
            "--disable-component-update", "--disable-sync", $"--user-data-dir={profile}");
        options.SetLoggingPreference(LogType.Browser, LogLevel.All);
        Driver = new ChromeDriver(ChromeDriverService.CreateDefaultService("/usr/bin", "chromedriver"), options);
        Resize(width, height);
    }

    public TestApp App { get; }

    public ChromeDriver Driver { get; }

    public void Resize(int width, int height, bool touch = false)
    {
        Driver.ExecuteCdpCommand("Emulation.setDeviceMetricsOverride", new() { ["width"] = width, ["height"] = height, ["deviceScaleFactor"] = 1, ["mobile"] = width < 600 });
        Driver.ExecuteCdpCommand("Emulation.setTouchEmulationEnabled", new() { ["enabled"] = touch, ["maxTouchPoints"] = 1 });
    }

    public void Go(string path) => Driver.Navigate().GoToUrl(address + path);

    public void EnterDemo()
    {
        Go("/SignIn");
        Click("#enter-demo");
        Until(d => d.FindElements(By.CssSelector(".site-nav")).Count > 0);
    }

    /// <summary>A new club with athletes A to H of invented names, and today's session of these lines with the clock running; gives the trackside page's path.</summary>
    public string StartSession(int athletes, params string[] lines) => StartSession(athletes, 1, lines);

    public string StartSession(int athletes, int lanes, string[] lines)
    {
        StartClub();
        Go("/Athletes");
        Type("#names", string.Join('\n', Names.Take(athletes)));
        Click("form[action*=AddMany] .btn");
        UntilText("table.rows", Names[athletes - 1]);

        Go("/Sessions/New");
        Find("#Input_Lanes").Clear();
        Type("#Input_Lanes", $"{lanes}");
        Click(".btn-primary");
        foreach (var (line, i) in lines.Select((l, i) => (l, i)))
        {
            Find("#type-text");
            Keys(line + OpenQA.Selenium.Keys.Enter);
            Until(d => d.FindElements(By.CssSelector("[data-line]")).Count == i + 1 ? d : null);
        }

        var path = new Uri(Driver.Url).AbsolutePath + "/Trackside";
        Go(path);
        Find(".t-save").SendKeys(OpenQA.Selenium.Keys.Enter);
        Find("[data-clock-from]");
        Quiet();
        return path;
    }

    /// <summary>A new club without anybody in it.</summary>
    public void StartClub()
    {
        Go("/");
        Type("#Input_Club", "Harbour Runners");
        Type("#Input_Squad", "Sprinters");
        Type("#Input_Name", "Odalys Brandvold");
        Type("#Input_Password", "long enough" + OpenQA.Selenium.Keys.Enter);
        UntilText("h2", "Nothing planned");
    }

    /// <summary>Invented names, in the order of the alphabet.</summary>
    public static IReadOnlyList<string> Names { get; } =
        ["Ada Quillfeather", "Bo Tranquist", "Chiamaka Roe", "Dov Maris", "Esi Halloran", "Fen Okabe", "Gul Petrossian", "Hana Wyvern"];

    public IWebElement Find(string css) => Until(d => d.FindElements(By.CssSelector(css)).FirstOrDefault(e => e.Displayed));

    public void Click(string css)
    {
        // Another device, or the page's own answer, may have drawn the element anew between finding and clicking it, or the page still scrolls beneath it.
        Until(d =>
        {
            Seen(Find(css)).Click();
            return d;
        });
        Quiet();
    }

    /// <summary>Clicks the first such element that answers to a description, without waiting for what follows.</summary>
    public void Press(string css, Func<IWebElement, bool> which) => Until(d =>
    {
        var found = d.FindElements(By.CssSelector(css)).FirstOrDefault(e => e.Displayed && which(e));
        if (found is not null)
        {
            Seen(found).Click();
        }

        return found;
    });

    /// <summary>Clicks one of such elements, counted from 0, without waiting for what follows.</summary>
    public void Press(string css, int number = 0) => Until(d =>
    {
        Seen(d.FindElements(By.CssSelector(css))[number]).Click();
        return d;
    });

    // The page scrolls smoothly, which a click does not wait for.
    private IWebElement Seen(IWebElement element)
    {
        Driver.ExecuteScript("const box = arguments[0].getBoundingClientRect(); if (box.top < 0 || box.bottom > innerHeight) arguments[0].scrollIntoView({ block: 'center', behavior: 'instant' })", element);
        return element;
    }

    /// <summary>Looks at several things at once; where they are drawn anew meanwhile, it looks again.</summary>
    public void Look(Action at) => Until(d =>
    {
        at();
        return d;
    });

    /// <summary>Touches elements one after another, as a thumb does.</summary>
    public void Tap(params string[] all)
    {
        var touch = new OpenQA.Selenium.Interactions.PointerInputDevice(OpenQA.Selenium.Interactions.PointerKind.Touch);
        var sequence = new OpenQA.Selenium.Interactions.ActionSequence(touch);
        foreach (var css in all)
        {
            var place = (System.Collections.ObjectModel.ReadOnlyCollection<object>)Until(d => ((IJavaScriptExecutor)d).ExecuteScript(
                "const r = document.querySelector(arguments[0])?.getBoundingClientRect(); return r && r.width > 0 ? [Math.round(r.x + r.width / 2), Math.round(r.y + r.height / 2)] : null", css));
            sequence.AddAction(touch.CreatePointerMove(OpenQA.Selenium.Interactions.CoordinateOrigin.Viewport, Convert.ToInt32(place[0], System.Globalization.CultureInfo.InvariantCulture), Convert.ToInt32(place[1], System.Globalization.CultureInfo.InvariantCulture), TimeSpan.Zero));
            sequence.AddAction(touch.CreatePointerDown(OpenQA.Selenium.Interactions.MouseButton.Left));
            sequence.AddAction(touch.CreatePointerUp(OpenQA.Selenium.Interactions.MouseButton.Left));
        }

        Driver.PerformActions([sequence]);
    }

    public void Type(string css, string text) => Find(css).SendKeys(text);

    /// <summary>Sends keys to whatever has the focus, as a keyboard does.</summary>
    public void Keys(string keys) => new OpenQA.Selenium.Interactions.Actions(Driver).SendKeys(keys).Perform();

    /// <summary>Holds a modifier while pressing a key, where the focus is.</summary>
    public void Chord(string modifier, string key) => Driver.SwitchTo().ActiveElement().SendKeys(modifier + key);

    public string Text(string css) => Until(d => d.FindElements(By.CssSelector(css)).FirstOrDefault(e => e.Displayed)?.Text);

    /// <summary>Waits until no request is on its way and the page has settled.</summary>
    public void Quiet() => Until(d => (bool)((IJavaScriptExecutor)d).ExecuteScript(
        "return document.readyState === 'complete' && !document.body.classList.contains('is-busy') && !document.querySelector('.htmx-request,.htmx-swapping,.htmx-settling')")! ? d : null);

    /// <summary>Waits until Core answers on the device.</summary>
    public void Core() => Until(d => (string?)((IJavaScriptExecutor)d).ExecuteScript("return document.documentElement.dataset.core") == "ready" ? d : null);

    /// <summary>From now on the page's own clock stands still until <see cref="PassTime"/>, so that what must happen within a second or two is not a race with the machine.</summary>
    public void HoldClock() => Driver.ExecuteScript("let held = performance.now(); performance.now = () => held; window.passTime = (ms) => { held += ms; };");

    /// <summary>Lets seconds pass at once on the page's held clock.</summary>
    public void PassTime(double seconds) => Driver.ExecuteScript("window.passTime(arguments[0])", seconds * 1000);

    public T Until<T>(Func<IWebDriver, T?> what)
    {
        var wait = new WebDriverWait(Driver, TimeSpan.FromSeconds(60)) { PollingInterval = TimeSpan.FromMilliseconds(40) };
        wait.IgnoreExceptionTypes(typeof(StaleElementReferenceException), typeof(NoSuchElementException), typeof(ElementClickInterceptedException));
        return wait.Until(what!)!;
    }

    public void UntilText(string css, string text) => Until(d => d.FindElements(By.CssSelector(css)).Any(e => e.Text.Contains(text, StringComparison.Ordinal)) ? d : null);

    /// <summary>What the browser's console complained about: blocked scripts, missing files, errors; not the lost connections where the test cut them.</summary>
    public IReadOnlyList<string> Complaints(bool wasCut = false) =>
        [.. Driver.Manage().Logs.GetLog(LogType.Browser).Where(e => e.Level == LogLevel.Severe && !(wasCut && e.Message.Contains("net::ERR_", StringComparison.Ordinal))).Select(e => e.Message)];

    public void Dispose()
    {
        Driver.Quit();
        Driver.Dispose();
        Directory.Delete(profile, true);
    }
}
