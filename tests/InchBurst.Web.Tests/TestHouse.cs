using System.Net;
using AngleSharp.Dom;
using AngleSharp.Html.Parser;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace InchBurst.Web.Tests;

/// <summary>The whole application on a free loopback port with a SQLite file of its own.</summary>
public sealed class TestHouse : IAsyncDisposable
{
    private readonly WebApplication app;

    private TestHouse(WebApplication app, HouseOptions options)
    {
        this.app = app;
        Options = options;
        Address = new Uri(app.Urls.First(u => u.StartsWith("http:", StringComparison.Ordinal)));
        NetworkAddress = app.Urls.FirstOrDefault(u => u.StartsWith("https:", StringComparison.Ordinal)) is { } url ? new Uri(url) : null;
    }

    public HouseOptions Options { get; }

    public Uri Address { get; }

    /// <summary>Where other devices would come in, on loopback here; null when the house is closed to them.</summary>
    public Uri? NetworkAddress { get; }

    public IServiceProvider Services => app.Services;

    public static async Task<TestHouse> OpenAsync(bool demo = false, string? folder = null, bool network = false)
    {
        folder ??= Path.Combine(Path.GetTempPath(), "inch-burst-test-" + Guid.NewGuid().ToString("N"));
        if (demo)
        {
            await DemoFolder.CopyAsync(folder);
        }

        return await BuildAsync(folder, demo, network);
    }

    private static async Task<TestHouse> BuildAsync(string folder, bool demo, bool network = false)
    {
        var options = new HouseOptions(folder, 0, demo, false, ContentRoot: Path.Combine(Repository.Root, "src/InchBurst.Web")) { Network = network ? IPAddress.Loopback : null, NetworkPort = 0 };
        var app = House.Build([], options);
        await House.PrepareAsync(app);
        await app.StartAsync();
        return new(app, options);
    }

    public async Task<T> InDbAsync<T>(Func<ClubDb, Task<T>> act)
    {
        await using var scope = Services.CreateAsyncScope();
        return await act(scope.ServiceProvider.GetRequiredService<ClubDb>());
    }

    public Visitor Visitor() => new(Address);

    /// <summary>Someone signed in as the demo coach (demo) or as the owner of a new club.</summary>
    public async Task<Visitor> CoachAsync()
    {
        var visitor = Visitor();
        if (Options.Demo)
        {
            await visitor.PostAsync("/SignIn", "/SignIn?handler=Demo");
        }
        else
        {
            await visitor.PostAsync("/FirstRun", "/FirstRun", ("Input.Club", "Harbour Runners"), ("Input.Squad", "Sprinters"), ("Input.Name", "Odalys Brandvold"), ("Input.Password", "long enough"));
        }

        return visitor;
    }

    /// <summary>Somebody with an account and a password of their own, signed in.</summary>
    public async Task<Visitor> PersonAsync(string name, string role, string password = "four odd words here")
    {
        await using (var scope = Services.CreateAsyncScope())
        {
            var users = scope.ServiceProvider.GetRequiredService<UserManager<AppUser>>();
            var user = new AppUser { UserName = name, DisplayName = name };
            Assert.True((await users.CreateAsync(user, password)).Succeeded);
            await users.AddToRoleAsync(user, role);
        }

        var visitor = Visitor();
        await visitor.PostAsync("/SignIn", "/SignIn", ("Input.Name", name), ("Input.Password", password));
        return visitor;
    }

    /// <summary>Ends the application and leaves its folder, for another house to open.</summary>
    public async Task CloseAsync()
    {
        await app.StopAsync();
        await app.DisposeAsync();
    }

    public async ValueTask DisposeAsync()
    {
        await CloseAsync();
        Directory.Delete(Options.DataFolder, true);
    }
}

/// <summary>A browser without a screen: keeps cookies, sends forms with their token.</summary>
public sealed class Visitor
{
    private readonly CookieContainer cookies = new();
    private readonly HttpClient http;
    private readonly HtmlParser parser = new();
    private readonly Uri address;

    public Visitor(Uri address, CookieCollection? known = null)
    {
        this.address = address;
        cookies.Add(known ?? []);
        http = new(new HttpClientHandler { AllowAutoRedirect = false, CookieContainer = cookies }) { BaseAddress = address };
    }

    /// <summary>Another browser with a copy of this one's cookies.</summary>
    public Visitor Copy() => new(address, cookies.GetAllCookies());

    /// <summary>The part of a page that is asked for from now on; null for whole pages.</summary>
    public string? Part
    {
        set
        {
            http.DefaultRequestHeaders.Remove("Part");
            if (value is not null)
            {
                http.DefaultRequestHeaders.Add("Part", value);
            }
        }
    }

    public async Task<(HttpStatusCode Code, IDocument Page, HttpResponseMessage Response)> GetAsync(string path)
    {
        var response = await http.GetAsync(path);
        return (response.StatusCode, await parser.ParseDocumentAsync(await response.Content.ReadAsStringAsync()), response);
    }

    /// <summary>An answer as soon as it begins; its end is not waited for.</summary>
    public Task<HttpResponseMessage> BeginAsync(string path) => http.GetAsync(path, HttpCompletionOption.ResponseHeadersRead);

    public async Task<IDocument> PageAsync(string path)
    {
        var (code, page, _) = await GetAsync(path);
        Assert.True(code == HttpStatusCode.OK, $"{path}: {code}");
        return page;
    }

    /// <summary>An answer that is no page, as text.</summary>
    public async Task<string> TextAsync(string path)
    {
        var response = await http.GetAsync(path);
        Assert.True(response.IsSuccessStatusCode, $"{path}: {response.StatusCode}");
        return await response.Content.ReadAsStringAsync();
    }

    /// <summary>Sends a form as the page at <paramref name="from"/> would.</summary>
    public async Task<(HttpStatusCode Code, IDocument Page, HttpResponseMessage Response)> PostAsync(string from, string to, params (string Name, string Value)[] fields)
    {
        var page = (await GetAsync(from)).Page;
        var token = page.QuerySelector("meta[name=form-token]")?.GetAttribute("content") ?? "";
        return await SendAsync(to, token, fields);
    }

    /// <summary>Sends a form with a file.</summary>
    public async Task<(HttpStatusCode Code, IDocument Page, HttpResponseMessage Response)> UploadAsync(string from, string to, string name, byte[] file, params (string Name, string Value)[] fields)
    {
        var token = (await GetAsync(from)).Page.QuerySelector("meta[name=form-token]")?.GetAttribute("content") ?? "";
        using var form = new MultipartFormDataContent { { new ByteArrayContent(file), "file", name } };
        foreach (var (field, value) in fields.Append(("__RequestVerificationToken", token)))
        {
            form.Add(new StringContent(value), field);
        }

        var response = await http.PostAsync(to, form);
        return (response.StatusCode, await parser.ParseDocumentAsync(await response.Content.ReadAsStringAsync()), response);
    }

    /// <summary>Asks for a page until something is on it, and gives that thing's value.</summary>
    public async Task<string> UntilAsync(string path, string selector)
    {
        for (var i = 0; i < 2000; i++)
        {
            if ((await PageAsync(path)).QuerySelector(selector) is { } found)
            {
                return found.GetAttribute("value")!;
            }
        }

        throw new TimeoutException($"{selector} never came to {path}.");
    }

    public async Task<(HttpStatusCode Code, IDocument Page, HttpResponseMessage Response)> SendAsync(string to, string token, params (string Name, string Value)[] fields)
    {
        var response = await http.PostAsync(to, new FormUrlEncodedContent(fields.Append(("__RequestVerificationToken", token)).Select(f => new KeyValuePair<string, string>(f.Item1, f.Item2))));
        return (response.StatusCode, await parser.ParseDocumentAsync(await response.Content.ReadAsStringAsync()), response);
    }
}
