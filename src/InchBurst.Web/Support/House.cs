using System.IO.Compression;
using System.Net.ServerSentEvents;
using System.Runtime.CompilerServices;
using System.Threading.RateLimiting;
using InchBurst.Core.Catalogue;
using InchBurst.Data;
using InchBurst.Data.Demo;
using InchBurst.Data.Entities;
using InchBurst.Data.Files;
using InchBurst.Data.Files.Csv;
using InchBurst.Data.Safe;
using InchBurst.Web.Support.Door;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.HttpOverrides;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.RateLimiting;
using Microsoft.AspNetCore.ResponseCompression;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Web.Support;

/// <summary>Puts the application together.</summary>
public static class House
{
    public const string CoachPolicy = "coach";
    public const string TimerPolicy = "timer";
    public const string ReaderPolicy = "reader";
    public const string GateLimit = "gates";
    public const string FileLimit = "files";

    public static WebApplication Build(string[] args, HouseOptions options)
    {
        if (options.Demo && options.Reset)
        {
            RemoveDemo(options.DataFolder);
        }

        FolderGuard.MakePrivate(options.DataFolder);
        var builder = WebApplication.CreateBuilder(new WebApplicationOptions
        {
            Args = args,
            ApplicationName = typeof(House).Assembly.GetName().Name,
            ContentRootPath = options.ContentRoot,
        });
        builder.WebHost.UseStaticWebAssets();
        builder.WebHost.ConfigureKestrel(k =>
        {
            k.ListenLocalhostOnly(options.Port);
            if (options.Network is { } network)
            {
                k.Listen(network, options.NetworkPort, l => l.UseHttps(h => h.ServerCertificateSelector = (_, _) => k.ApplicationServices.GetRequiredService<NearbyDevices>().Current()));
            }

            k.AddServerHeader = false;
            k.Limits.MaxRequestBodySize = 2_000_000;
        });
        builder.Logging.AddFilter("Microsoft", LogLevel.Warning);

        // A run sent twice at one moment meets the unique index, which is its purpose; what is not handled is logged by the exception handler.
        builder.Logging.AddFilter("Microsoft.EntityFrameworkCore", LogLevel.Critical);
        builder.Logging.AddFilter("Microsoft.AspNetCore.DataProtection", LogLevel.Error);
        AddServices(builder.Services, options);
        var app = builder.Build();
        UsePipeline(app);
        return app;
    }

    public static void AddServices(IServiceCollection services, HouseOptions options)
    {
        services.AddSingleton(options);
        services.AddSingleton(TimeProvider.System);
        services.AddSingleton(s => new CopyBook(options.DataFolder, s.GetRequiredService<TimeProvider>()));
        services.AddSingleton<Standstill>().AddSingleton<VisitShelf>().AddSingleton<TryCounter>().AddSingleton<GuardHolder>();
        services.AddSingleton<DailyCopies>().AddHostedService(s => s.GetRequiredService<DailyCopies>());
        services.AddSingleton<ImportJobs>().AddSingleton<GuideBook>();
        services.AddScoped<CsvOut>().AddScoped<ImportBook>().AddScoped<ClubJson>().AddScoped<AthleteEraser>().AddScoped<DoorKeeper>().AddScoped<PeopleBook>().AddScoped<DeedFilter>();
        services.AddSingleton<CurveShelf>();
        services.AddSingleton<LiveWire>();
        services.AddSingleton<LiveShelf>();
        services.AddSingleton<WriteTurn>();
        services.AddSingleton<Shipped>();
        services.AddSingleton<DeviceFiles>();
        services.AddSingleton<NearbyDevices>();
        services.AddSingleton<CatalogueShelf>();
        services.AddSingleton<OfferShelf>();
        services.AddScoped<ExerciseCatalogue>(s => s.GetRequiredService<CatalogueShelf>().Current(s.GetRequiredService<ClubDb>()));
        services.AddSingleton(_ => new ClubConnections(options.DataFolder)).AddScoped<LentConnection>();
        services.AddDbContext<ClubDb>((s, o) => o.UseSqlite(s.GetRequiredService<LentConnection>().Connection, q => q.UseQuerySplittingBehavior(QuerySplittingBehavior.SingleQuery)));
        services.AddDataProtection().SetApplicationName("InchBurst").PersistKeysToFileSystem(Directory.CreateDirectory(Path.Combine(options.DataFolder, "keys")));
        services.AddIdentity<AppUser, IdentityRole>(o =>
        {
            // Length and more: PasswordRules.
            o.Password.RequiredLength = 1;
            o.Password.RequireNonAlphanumeric = false;
            o.Password.RequireUppercase = false;
            o.Password.RequireDigit = false;
            o.Password.RequireLowercase = false;
            o.User.AllowedUserNameCharacters = "";
        }).AddEntityFrameworkStores<ClubDb>().AddDefaultTokenProviders().AddPasswordValidator<PasswordRules>();
        services.ConfigureApplicationCookie(o =>
        {
            o.LoginPath = "/SignIn";
            o.AccessDeniedPath = "/Denied";
            o.Cookie.Name = "inchburst";
            o.Cookie.HttpOnly = true;
            o.Cookie.SameSite = SameSiteMode.Lax;
            o.ExpireTimeSpan = TimeSpan.FromDays(30);
            o.SlidingExpiration = true;
            o.Cookie.SecurePolicy = CookieSecurePolicy.SameAsRequest;
            o.Events.OnValidatePrincipal = VisitShelf.CheckAsync;
        });
        services.AddAuthorizationBuilder()
            .SetFallbackPolicy(new AuthorizationPolicyBuilder().RequireAuthenticatedUser().Build())
            .AddPolicy(CoachPolicy, p => p.RequireRole(Roles.Owner, Roles.Coach))
            .AddPolicy(ReaderPolicy, p => p.RequireRole(Roles.Owner, Roles.Coach, Roles.Viewer))
            .AddPolicy(TimerPolicy, p => p.RequireRole(Roles.Owner, Roles.Coach, Roles.Timer));
        services.AddAntiforgery(o =>
        {
            o.Cookie.Name = "inchburst-form";
            o.Cookie.SecurePolicy = CookieSecurePolicy.SameAsRequest;
        });
        services.AddRateLimiter(o =>
        {
            // Gates at a meet send a few a second; a flood is told to wait.
            o.AddPolicy(GateLimit, c => RateLimitPartition.GetTokenBucketLimiter(c.Connection.RemoteIpAddress?.ToString() ?? "", _ => new TokenBucketRateLimiterOptions { TokenLimit = 400, TokensPerPeriod = 100, ReplenishmentPeriod = TimeSpan.FromSeconds(1), AutoReplenishment = true }));
            o.AddPolicy(FileLimit, c => HttpMethods.IsPost(c.Request.Method)
                ? RateLimitPartition.GetFixedWindowLimiter(c.User.Identity?.Name ?? "", _ => new FixedWindowRateLimiterOptions { PermitLimit = 60, Window = TimeSpan.FromMinutes(1) })
                : RateLimitPartition.GetNoLimiter("looking"));
            o.RejectionStatusCode = StatusCodes.Status429TooManyRequests;
            o.OnRejected = async (context, cancel) =>
            {
                context.HttpContext.Response.Headers.RetryAfter = "2";
                if (context.HttpContext.Request.Path.StartsWithSegments(GateDesk.Address))
                {
                    await context.HttpContext.Response.WriteAsJsonAsync(new { problem = "Too many reports at once. Send this one again in 2 seconds." }, cancel);
                }
            };
        });
        services.AddRazorPages(o =>
        {
            o.Conventions.ConfigureFilter(new ServiceFilterAttribute(typeof(DeedFilter)));

            // What is public, and what is for everybody who has signed in, is named here and nowhere else: any other page is the coach's, a new one too.
            string[] forAll = ["/Account/SignIn", "/Account/FirstRun", "/Trouble", "/Mine"];
            string[] forSignedIn = ["/Index", "/Denied", "/Guide", "/Account/You"];
            foreach (var page in forAll)
            {
                o.Conventions.AllowAnonymousToPage(page);
            }

            // A timer logs and corrects what is run; everything else is the coach's.
            string[] forTimers = ["/Sessions/Trackside", "/Sessions/Correct"];
            foreach (var page in forTimers)
            {
                o.Conventions.AuthorizePage(page, TimerPolicy);
            }

            // A viewer reads what is printed, and changes nothing.
            string[] forReaders = ["/Sessions/Sheet", "/Sessions/Card", "/Season/Print"];
            foreach (var page in forReaders)
            {
                o.Conventions.AuthorizePage(page, ReaderPolicy);
            }

            o.Conventions.AddFolderApplicationModelConvention("/", page =>
            {
                if (!forAll.Contains(page.ViewEnginePath) && !forSignedIn.Contains(page.ViewEnginePath) && !forTimers.Contains(page.ViewEnginePath) && !forReaders.Contains(page.ViewEnginePath))
                {
                    page.EndpointMetadata.Add(new AuthorizeAttribute(CoachPolicy));
                }
            });
        });
        services.AddResponseCompression(o =>
        {
            o.Providers.Add<BrotliCompressionProvider>();
            o.Providers.Add<GzipCompressionProvider>();
        });
        services.Configure<BrotliCompressionProviderOptions>(o => o.Level = CompressionLevel.Fastest);
        services.AddHttpContextAccessor();
        services.AddScoped<SquadBook>().AddScoped<SessionBook>().AddScoped<TracksideBook>().AddScoped<ResultsBook>().AddScoped<SeasonOfOne>().AddScoped<CompareBook>().AddScoped<LinkBook>().AddScoped<KeyBook>().AddScoped<CardMaker>().AddScoped<LoadBook>().AddScoped<LiftBook>().AddScoped<CalendarBook>().AddScoped<WeekBook>().AddScoped<SeasonBook>().AddScoped<RosterBook>().AddScoped<CatalogueBook>().AddScoped<SchoolBook>().AddScoped<Desk>().AddScoped<BuilderMaker>().AddScoped<LiveMaker>().AddScoped<SheetMaker>().AddScoped<WeekViewMaker>().AddScoped<SuggestMaker>().AddScoped<TrendMaker>().AddScoped<TraceBook>().AddScoped<FilmBook>();
    }

    public static void UsePipeline(WebApplication app)
    {
        if (app.Services.GetRequiredService<HouseOptions>().ProxiedAs is not null)
        {
            // Only a proxy on this machine is believed, and only where the owner said that there is one.
            var forwarded = new ForwardedHeadersOptions { ForwardedHeaders = ForwardedHeaders.XForwardedFor | ForwardedHeaders.XForwardedProto, ForwardLimit = 1 };
            app.UseForwardedHeaders(forwarded);
        }

        app.UseExceptionHandler("/Trouble");
        app.UseStatusCodePagesWithReExecute("/Trouble", "?code={0}");
        app.UseMiddleware<SafeHeaders>();
        app.UseMiddleware<Doorstep>();
        app.UseResponseCompression();
        app.UseRouting();
        app.UseAuthentication();
        app.UseAuthorization();
        app.UseRateLimiter();
        app.MapStaticAssets().AllowAnonymous();
        app.MapRazorPages().WithStaticAssets();
        app.MapGet("/device/{version}/_framework/{name}", (string version, string name, HttpContext context, DeviceFiles files) => files.Send(version, name, context)).AllowAnonymous();
        app.MapGet("/live/{id:int}", (int id, LiveWire wire, TimeProvider clock, IHostApplicationLifetime life, CancellationToken cancel) => Microsoft.AspNetCore.Http.TypedResults.ServerSentEvents(Live(id, wire, clock, life.ApplicationStopping, cancel)))
            .RequireAuthorization(TimerPolicy);
        app.MapPost("/live/{id:int}/go", GoDesk.TellAsync).RequireAuthorization(TimerPolicy);

        // A phone fetches what it is to trust before anybody has signed in on it; it is the public part only.
        app.MapGet("/authority.crt", (NearbyDevices nearby) => nearby.IsOn ? Results.File(nearby.AuthorityCertificate(), "application/x-x509-ca-cert", "inch-burst.crt") : Results.NotFound()).AllowAnonymous();

        // A calendar on a phone cannot sign in; it knows a private address, which can be taken back.
        app.MapGet("/feed/{key}.ics", FeedDesk.SendAsync).AllowAnonymous();

        // Gates cannot sign in; each shows a key of its own instead.
        var gates = app.MapGroup(GateDesk.Address).AllowAnonymous().DisableAntiforgery().RequireRateLimiting(GateLimit);
        gates.MapGet("/", GateDesk.RunningAsync);
        gates.MapPost("/{session:int}", GateDesk.TakeAsync);
        gates.MapPost("/{session:int}/alive", GateDesk.AliveAsync);
        gates.Map("/{**rest}", GateDesk.NoSuch);

        // For whoever watches the machine: says only whether it answers and its file does.
        app.MapGet("/health", async (ClubDb db, CancellationToken cancel) => await db.Database.CanConnectAsync(cancel) ? Results.Text("ok") : Results.Text("the file does not answer", statusCode: StatusCodes.Status503ServiceUnavailable)).AllowAnonymous();
    }

    private static readonly TimeSpan SignOfLife = TimeSpan.FromSeconds(10);

    private static async IAsyncEnumerable<SseItem<string>> Live(int id, LiveWire wire, TimeProvider clock, CancellationToken stopping, [EnumeratorCancellation] CancellationToken gone)
    {
        using var either = CancellationTokenSource.CreateLinkedTokenSource(stopping, gone);
        await foreach (var news in wire.WatchAsync(id, SignOfLife, either.Token))
        {
            // A sign of life tells how long each set of gates has been silent, in ms.
            var now = clock.GetUtcNow().UtcDateTime;
            yield return news is null
                ? new(System.Text.Json.JsonSerializer.Serialize(wire.Gates(id, now).ToDictionary(g => g.Name, g => (long)(now - g.At).TotalMilliseconds)), "alive")
                : news.Go is { } go ? new(go, "go") : news.News is { } change ? new(change, "change") : new(news.Stamp, "changed");
        }
    }

    /// <summary>Brings the file up to date, makes the roles and, in demo mode, the demo club.</summary>
    public static async Task PrepareAsync(WebApplication app)
    {
        await using var scope = app.Services.CreateAsyncScope();
        var services = scope.ServiceProvider;
        var options = services.GetRequiredService<HouseOptions>();
        var clock = services.GetRequiredService<TimeProvider>();
        if (options.Demo && File.Exists(Path.Combine(options.DataFolder, "club.db")) && await ClubLook.AtAsync(Path.Combine(options.DataFolder, "club.db"), isQuick: true) is { Problem: null, IsDemo: false })
        {
            throw new HouseProblem($"The folder {options.DataFolder} holds a real club; the demo will not open it. Choose another with --data DIR.");
        }

        var guard = services.GetRequiredService<GuardHolder>();
        guard.Take(options);
        if (!options.GoOn && await FolderGuard.ProblemAsync(options.DataFolder) is { } wrong)
        {
            throw new HouseProblem(await WayOnAsync(wrong, options, clock));
        }

        // Only now: who asks for the club's rows opens the file, and one that is not there would be made.
        var db = services.GetRequiredService<ClubDb>();
        await ClubFile.BringUpToDateAsync(db, options.DataFolder, clock);
        var roles = services.GetRequiredService<RoleManager<IdentityRole>>();
        foreach (var role in Roles.All)
        {
            if (!await roles.RoleExistsAsync(role))
            {
                await roles.CreateAsync(new IdentityRole(role));
            }
        }

        var club = await db.Clubs.AsNoTracking().SingleOrDefaultAsync();
        if (options.Network is not null)
        {
            // What is wrong with the certificate is said now, not to the first phone.
            services.GetRequiredService<NearbyDevices>().Current();
        }

        if (options.Demo && club is null)
        {
            await File.WriteAllTextAsync(Path.Combine(options.DataFolder, DemoMarker), "Made by the demo; ./demo --reset may empty this folder.");
            await new DemoClub(Desk.LocalDay(clock)).FillAsync(db);
            var users = services.GetRequiredService<UserManager<AppUser>>();
            var coach = new AppUser { UserName = DemoCoach, DisplayName = "Demo coach" };
            await users.CreateAsync(coach);
            await users.AddToRoleAsync(coach, Roles.Owner);
            club = await db.Clubs.AsNoTracking().SingleAsync();
        }

        if (options.GateKey is { } file)
        {
            await LetGatesInAsync(services.GetRequiredService<KeyBook>(), file);
        }

        guard.Opened(club?.Name ?? "");
        foreach (var key in Directory.GetFiles(Path.Combine(options.DataFolder, "keys")).Concat(Directory.GetFiles(options.DataFolder, "club.*")))
        {
            CopyBook.OwnerOnly(key);
        }
    }

    // A key for the demo's simulated gates, new at each start; whoever reads the file may report to the demo.
    private static async Task LetGatesInAsync(KeyBook keys, string file)
    {
        const string Simulated = "Simulated gates";
        foreach (var old in (await keys.OpenAsync()).Where(k => k.Name == Simulated))
        {
            await keys.WithdrawAsync(old.Id);
        }

        var (key, wrong) = await keys.MakeAsync(Simulated, "the demo");
        await File.WriteAllTextAsync(file, key ?? throw new HouseProblem(wrong!));
        CopyBook.OwnerOnly(file);
    }

    // What is wrong with the file, and how to go on.
    private static async Task<string> WayOnAsync(string wrong, HouseOptions options, TimeProvider clock)
    {
        var last = await FolderGuard.LastGoodAsync(options.DataFolder, clock);
        return wrong + " Nothing was changed."
            + (last is var (path, copy, look) ? $"\nThe last good copy is of {copy.At:yyyy-MM-dd HH:mm} UTC ({look.Athletes} athletes, {look.Runs} runs). To put it back: ./start --data \"{options.DataFolder}\" --restore \"{path}\"" : "\nThere is no good copy in its folder of copies. To put back one you keep elsewhere: ./start --restore FILE")
            + "\nTo open what there is as it is: ./start --go-on";
    }

    public const string DemoCoach = "demo-coach";

    private const string DemoMarker = "demo.marker";

    private static void RemoveDemo(string folder)
    {
        // Only a folder that carries the demo's own marker is ever emptied.
        if (!File.Exists(Path.Combine(folder, DemoMarker)))
        {
            return;
        }

        foreach (var name in new[] { "club.db", "club.db-wal", "club.db-shm", "club.mark" })
        {
            File.Delete(Path.Combine(folder, name));
        }
    }

    private static void ListenLocalhostOnly(this Microsoft.AspNetCore.Server.Kestrel.Core.KestrelServerOptions kestrel, int port) => kestrel.Listen(System.Net.IPAddress.Loopback, port);
}

/// <summary>Holds the club's folder as long as the program runs.</summary>
public sealed class GuardHolder : IDisposable
{
    private FolderGuard? guard;

    /// <summary>Takes the folder.</summary>
    /// <exception cref="HouseProblem">Another program has it.</exception>
    public void Take(HouseOptions options) => guard = FolderGuard.Take(options.DataFolder) ?? throw new HouseProblem(HouseCommands.Taken(options));

    /// <summary>Notes that the club's file is open.</summary>
    public void Opened(string club) => guard?.Opened(club);

    /// <inheritdoc/>
    public void Dispose() => guard?.Dispose();
}

/// <summary>A reason not to start, said in one sentence.</summary>
public sealed class HouseProblem(string message) : Exception(message);

/// <summary>Security headers on every answer. Scripts, styles, fonts and requests come from this application only.</summary>
public sealed class SafeHeaders(RequestDelegate next)
{
    private const string Policy =
        "default-src 'self'; script-src 'self' 'wasm-unsafe-eval'; style-src 'self'; img-src 'self' data:; media-src 'self' blob:; font-src 'self'; connect-src 'self'; object-src 'none'; base-uri 'self'; form-action 'self'; frame-ancestors 'none'";

    public Task InvokeAsync(HttpContext context)
    {
        var headers = context.Response.Headers;
        headers.ContentSecurityPolicy = Policy;
        headers.XContentTypeOptions = "nosniff";
        headers.XFrameOptions = "DENY";
        headers["Referrer-Policy"] = "same-origin";
        headers["Permissions-Policy"] = "camera=(), microphone=(), geolocation=()";
        headers["Cross-Origin-Opener-Policy"] = "same-origin";

        // What is made for somebody is kept by nobody, unless it says otherwise itself.
        context.Response.OnStarting(() =>
        {
            if (headers.CacheControl.Count == 0)
            {
                headers.CacheControl = "no-store";
            }

            return Task.CompletedTask;
        });
        if (context.Request.Path.StartsWithSegments("/lib", StringComparison.Ordinal) && context.Request.Query.ContainsKey("v"))
        {
            // Under a version the bytes never change.
            context.Response.OnStarting(() =>
            {
                headers.CacheControl = context.Response.StatusCode == StatusCodes.Status200OK ? "public, max-age=31536000, immutable" : headers.CacheControl;
                return Task.CompletedTask;
            });
        }

        return next(context);
    }
}
