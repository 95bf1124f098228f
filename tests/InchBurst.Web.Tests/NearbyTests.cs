using System.Net;
using System.Net.Security;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Drawing;
using InchBurst.Web.Pages.Account;
using InchBurst.Web.Support;
using InchBurst.Web.Support.Door;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace InchBurst.Web.Tests;

/// <summary>Other devices come in encrypted, by this machine's own authority, and the first account is never made from elsewhere.</summary>
public sealed class NearbyTests
{
    private static X509ChainPolicy Trusting(X509Certificate2 authority)
    {
        var policy = new X509ChainPolicy { TrustMode = X509ChainTrustMode.CustomRootTrust, RevocationMode = X509RevocationMode.NoCheck };
        policy.CustomTrustStore.Add(authority);
        return policy;
    }

    private static HttpClient Phone(TestHouse house, X509Certificate2? trusts) => new(new SocketsHttpHandler
    {
        AllowAutoRedirect = false,
        SslOptions = new SslClientAuthenticationOptions { CertificateChainPolicy = trusts is null ? null : Trusting(trusts) },
    })
    { BaseAddress = house.NetworkAddress };

    [Fact]
    public async Task A_phone_that_trusts_the_authority_comes_in_and_one_that_does_not_is_warned()
    {
        await using var house = await TestHouse.OpenAsync(network: true);
        using var laptop = new HttpClient { BaseAddress = house.Address };
        using var authority = X509CertificateLoader.LoadCertificate(await laptop.GetByteArrayAsync("/authority.crt", TestContext.Current.CancellationToken));
        Assert.False(authority.HasPrivateKey);
        using var phone = Phone(house, authority);
        using var answer = await phone.GetAsync("/SignIn", TestContext.Current.CancellationToken);
        Assert.True(answer.StatusCode is HttpStatusCode.OK or HttpStatusCode.Redirect);
        Assert.All(answer.Headers.TryGetValues("Set-Cookie", out var cookies) ? cookies : [], c => Assert.Contains("httponly", c, StringComparison.OrdinalIgnoreCase));
        using var stranger = Phone(house, null);
        var refused = await Assert.ThrowsAsync<HttpRequestException>(() => stranger.GetAsync("/SignIn", TestContext.Current.CancellationToken));
        Assert.Equal(HttpRequestError.SecureConnectionError, refused.HttpRequestError);

        // The settings show the same fingerprint that the phone computes.
        var coach = await house.CoachAsync();
        var expected = Convert.ToHexString(SHA256.HashData(authority.RawData));
        Assert.Equal(expected, house.Services.GetRequiredService<NearbyDevices>().Fingerprint().Replace(" ", "", StringComparison.Ordinal));
        Assert.NotNull((await coach.PageAsync("/Settings")).QuerySelector("#devices"));
    }

    [Fact]
    public async Task The_authority_outlives_a_restart_and_its_key_is_for_its_owner_only()
    {
        var first = await TestHouse.OpenAsync(network: true);
        var before = first.Services.GetRequiredService<NearbyDevices>().Fingerprint();
        var file = Path.Combine(first.Options.DataFolder, "keys", "authority.pfx");
        if (!OperatingSystem.IsWindows())
        {
            Assert.Equal(UnixFileMode.UserRead | UnixFileMode.UserWrite, File.GetUnixFileMode(file));
        }

        await first.CloseAsync();
        await using var second = await TestHouse.OpenAsync(folder: first.Options.DataFolder, network: true);
        Assert.Equal(before, second.Services.GetRequiredService<NearbyDevices>().Fingerprint());
    }

    [Theory]
    [InlineData("192.168.1.20", true)]
    [InlineData("10.0.0.7", true)]
    [InlineData("203.0.113.5", false)] // RFC 5737: documentation, a public range
    [InlineData("bank.example", false)]
    [InlineData("renamed.local", true)] // RFC 6762: .local names never leave the network
    public async Task The_authority_can_vouch_for_private_addresses_only(string name, bool holds)
    {
        await using var house = await TestHouse.OpenAsync(network: true);
        _ = house.Services.GetRequiredService<NearbyDevices>().Fingerprint();
        using var authority = X509CertificateLoader.LoadPkcs12FromFile(Path.Combine(house.Options.DataFolder, "keys", "authority.pfx"), null);
        using var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        var request = new CertificateRequest("CN=Stolen", key, HashAlgorithmName.SHA256);
        var names = new SubjectAlternativeNameBuilder();
        if (IPAddress.TryParse(name, out var address))
        {
            names.AddIpAddress(address);
        }
        else
        {
            names.AddDnsName(name);
        }

        request.CertificateExtensions.Add(names.Build());
        using var made = request.Create(authority, DateTimeOffset.UtcNow.AddHours(-1), DateTimeOffset.UtcNow.AddDays(1), [1, 2, 3]);
        using var chain = new X509Chain { ChainPolicy = Trusting(authority) };
        Assert.Equal(holds, chain.Build(made));
    }

    [Fact]
    public async Task Closed_to_the_network_there_is_no_authority_and_the_settings_say_how_to_open_it()
    {
        await using var house = await TestHouse.OpenAsync();
        Assert.Null(house.NetworkAddress);
        var coach = await house.CoachAsync();
        Assert.Equal(HttpStatusCode.NotFound, (await house.Visitor().GetAsync("/authority.crt")).Code);
        Assert.Contains("--network", (await coach.PageAsync("/Settings")).QuerySelector("#devices")!.TextContent);
        Assert.False(File.Exists(Path.Combine(house.Options.DataFolder, "keys", "authority.pfx")));
    }

    [Fact]
    public async Task The_first_account_is_not_made_from_elsewhere()
    {
        await using var house = await TestHouse.OpenAsync();
        await using var scope = house.Services.CreateAsyncScope();
        var services = scope.ServiceProvider;
        foreach (var (from, made) in new[] { ("192.168.1.7", 0), ("127.0.0.1", 1) })
        {
            var context = new DefaultHttpContext { RequestServices = services };
            context.Connection.RemoteIpAddress = IPAddress.Parse(from);
            context.Connection.LocalIpAddress = IPAddress.Parse("192.168.1.2");
            services.GetRequiredService<IHttpContextAccessor>().HttpContext = context;
            var model = new FirstRunModel(services.GetRequiredService<ClubDb>(), services.GetRequiredService<UserManager<AppUser>>(), services.GetRequiredService<DoorKeeper>())
            {
                PageContext = new PageContext { HttpContext = context },
                Input = new() { Club = "Harbour Runners", Squad = "Sprinters", Name = "Odalys Brandvold", Password = "long enough" },
            };
            Assert.Equal(made == 0, model.IsElsewhere);
            await model.OnPostAsync();
            Assert.Equal(made, await house.InDbAsync(db => db.Users.CountAsync()));
        }
    }

    [Fact]
    public async Task A_damaged_authority_is_said_at_the_start_and_never_replaced_silently()
    {
        var house = await TestHouse.OpenAsync(network: true);
        var file = Path.Combine(house.Options.DataFolder, "keys", "authority.pfx");
        await house.CloseAsync();
        await File.WriteAllTextAsync(file, "not a certificate", TestContext.Current.CancellationToken);
        var problem = await Assert.ThrowsAsync<HouseProblem>(() => TestHouse.OpenAsync(folder: house.Options.DataFolder, network: true));
        Assert.Contains("authority.pfx", problem.Message);
        Assert.Equal("not a certificate", await File.ReadAllTextAsync(file, TestContext.Current.CancellationToken));
        Directory.Delete(house.Options.DataFolder, true);
    }

    // RFC 1918 and RFC 3927.
    [Theory]
    [InlineData("10.255.255.255", true)]
    [InlineData("172.15.255.255", false)]
    [InlineData("172.16.0.0", true)]
    [InlineData("172.31.255.255", true)]
    [InlineData("172.32.0.0", false)]
    [InlineData("192.168.0.1", true)]
    [InlineData("192.169.0.1", false)]
    [InlineData("169.254.3.4", true)]
    [InlineData("127.0.0.1", true)]
    [InlineData("8.8.8.8", false)]
    public void Private_addresses_are_told_apart(string address, bool expected) => Assert.Equal(expected, NearbyDevices.IsPrivate(IPAddress.Parse(address)));

    [Fact]
    public void The_options_for_the_network_are_read_and_what_cannot_be_is_refused()
    {
        Assert.Null(HouseOptions.Read([]).Network);
        Assert.Equal((IPAddress.Any, 5443), (HouseOptions.Read(["--network"]).Network, HouseOptions.Read(["--network"]).NetworkPort));
        Assert.Equal(6000, HouseOptions.Read(["--network", "--network-port", "6000"]).NetworkPort);
        Assert.Contains("anybody may enter the demo", HouseOptions.Read(["--demo", "--network"]).Problem);
        Assert.Contains("must differ", HouseOptions.Read(["--network", "--network-port", "5080"]).Problem);
        Assert.Contains("port number", HouseOptions.Read(["--network-port", "x"]).Problem);
    }

    [Fact]
    public void The_square_code_has_its_three_corners_and_a_quiet_zone()
    {
        // ISO/IEC 18004: a 7 x 7 finder pattern in three corners, within a quiet zone of 4 modules.
        var code = SquareCode.Of("https://192.168.1.20:5443");
        var far = code.Size - 4 - 7;
        foreach (var (x, y) in new[] { (4, 4), (far, 4), (4, far) })
        {
            Assert.Contains($"M{x} {y}h7v1h-7z", code.Path);
            Assert.Contains($"M{x} {y + 6}h7v1h-7z", code.Path);
        }

        Assert.DoesNotContain("M0 ", code.Path);
        Assert.DoesNotContain($"M{far} {far}h7v1h-7z", code.Path);
        Assert.True(code.Size is >= 21 + 8 and <= 45);
    }

    // RFC 5280, 6.1.3: a certificate counts only while every certificate above it does.
    [Fact]
    public void A_certificate_never_begins_before_its_authority()
    {
        var folder = Directory.CreateTempSubdirectory("inch-burst-nearby-").FullName;
        try
        {
            var clock = new SteppingClock(new(2026, 3, 1, 12, 0, 0, TimeSpan.Zero));
            using var made = new NearbyDevices(new(folder, 5080, false, false), clock);
            var first = made.Current().NotBefore;
            using var kept = new NearbyDevices(new(folder, 5080, false, false), new SteppingClock(new(2026, 2, 27, 12, 0, 0, TimeSpan.Zero)));
            Assert.Equal(first, kept.Current().NotBefore);
            using var later = new NearbyDevices(new(folder, 5080, false, false), new SteppingClock(new(2026, 5, 1, 12, 0, 0, TimeSpan.Zero)));
            Assert.Equal(new DateTime(2026, 4, 30, 12, 0, 0, DateTimeKind.Utc), later.Current().NotBefore.ToUniversalTime());
        }
        finally
        {
            Directory.Delete(folder, true);
        }
    }

    // A second passes with each look, as between two looks it may.
    private sealed class SteppingClock(DateTimeOffset at) : TimeProvider
    {
        private DateTimeOffset next = at;

        public override DateTimeOffset GetUtcNow()
        {
            var now = next;
            next = now.AddSeconds(1);
            return now;
        }
    }
}
