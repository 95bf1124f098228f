using System.Formats.Asn1;
using System.Net;
using System.Net.NetworkInformation;
using System.Net.Sockets;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;

namespace InchBurst.Web.Support;

/// <summary>Lets phones on the same network in, over an encrypted connection: this machine's own authority, and a certificate made from it for the addresses of the moment.</summary>
/// <remarks>The authority may vouch only for private addresses and names, so that whoever trusts it risks nothing else.</remarks>
public sealed class NearbyDevices(HouseOptions options, TimeProvider clock) : IDisposable
{
    private const string AuthorityFile = "authority.pfx";
    private static readonly TimeSpan AddressesHold = TimeSpan.FromSeconds(10);
    private static readonly TimeSpan LeafHolds = TimeSpan.FromDays(397);
    private static readonly TimeSpan RenewedBefore = TimeSpan.FromDays(30);

    // The private ranges of RFC 1918, link-local and loopback, as address and mask.
    private static readonly byte[][] PrivateRanges = [[10, 0, 0, 0, 255, 0, 0, 0], [172, 16, 0, 0, 255, 240, 0, 0], [192, 168, 0, 0, 255, 255, 0, 0], [169, 254, 0, 0, 255, 255, 0, 0], [127, 0, 0, 0, 255, 0, 0, 0]];

    private readonly Lock making = new();
    private X509Certificate2? authority;
    private X509Certificate2? leaf;
    private string leafFor = "";
    private DateTimeOffset lookedAt = DateTimeOffset.MinValue;

    /// <summary>True when the application was started for other devices too.</summary>
    public bool IsOn => options.Network is not null;

    public int Port => options.NetworkPort;

    // Names that exist on this machine or within its network only (RFC 6761, RFC 6762). No other name is vouched for, so a machine that is renamed keeps its phones' trust.
    private static readonly string[] PrivateNames = ["localhost", "local"];

    /// <summary>Private IPv4 addresses of this machine, the wireless and wired ones before the rest.</summary>
    public static IReadOnlyList<IPAddress> Addresses() =>
    [
        .. NetworkInterface.GetAllNetworkInterfaces().Where(n => n.OperationalStatus == OperationalStatus.Up && n.NetworkInterfaceType != NetworkInterfaceType.Loopback)
            .OrderBy(n => n.NetworkInterfaceType == NetworkInterfaceType.Wireless80211 ? 0 : n.NetworkInterfaceType == NetworkInterfaceType.Ethernet ? 1 : 2)
            .SelectMany(n => n.GetIPProperties().UnicastAddresses.Select(u => u.Address)).Where(a => a.AddressFamily == AddressFamily.InterNetwork && IsPrivate(a)).Distinct(),
    ];

    /// <summary>True for an address that exists only within a home or club network.</summary>
    public static bool IsPrivate(IPAddress address) => address.MapToIPv4().GetAddressBytes() is var bytes
        && PrivateRanges.Any(r => bytes.Select((b, i) => (b & r[i + 4]) == r[i]).All(same => same));

    /// <summary>True when a request comes from this machine itself.</summary>
    public static bool IsOwnMachine(IPAddress? from, IPAddress? to) => from is null || IPAddress.IsLoopback(from) || from.Equals(to);

    /// <summary>Public part of this machine's authority, for phones to trust.</summary>
    public byte[] AuthorityCertificate() => Authority().Export(X509ContentType.Cert);

    /// <summary>SHA-256 of the authority, in groups of four, to compare by eye.</summary>
    public string Fingerprint() => string.Join(' ', Convert.ToHexString(SHA256.HashData(Authority().RawData)).Chunk(4).Select(c => new string(c)));

    /// <summary>The certificate for the addresses that this machine has now.</summary>
    public X509Certificate2 Current()
    {
        lock (making)
        {
            var now = clock.GetUtcNow();
            if (leaf is not null && now - lookedAt < AddressesHold)
            {
                return leaf;
            }

            lookedAt = now;
            var addresses = Addresses().Append(IPAddress.Loopback).ToList();
            var wanted = string.Join(' ', addresses.Select(a => a.ToString()).Order(StringComparer.Ordinal));
            if (leaf is null || wanted != leafFor || leaf.NotAfter - RenewedBefore < now.LocalDateTime)
            {
                // The old one may still be in use by an open connection, so it is left to the collector.
                (leaf, leafFor) = (MakeLeaf(addresses, now), wanted);
            }

            return leaf;
        }
    }

    public void Dispose()
    {
        authority?.Dispose();
        leaf?.Dispose();
    }

    private X509Certificate2 Authority()
    {
        lock (making)
        {
            if (authority is not null)
            {
                return authority;
            }

            var path = Path.Combine(options.DataFolder, "keys", AuthorityFile);
            if (Kept(path) is { } kept && kept.NotAfter > clock.GetUtcNow().LocalDateTime + LeafHolds)
            {
                return authority = kept;
            }

            using var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
            var request = new CertificateRequest($"CN=Inch Burst on {Dns.GetHostName()}", key, HashAlgorithmName.SHA256);
            request.CertificateExtensions.Add(new X509BasicConstraintsExtension(true, true, 0, true));
            request.CertificateExtensions.Add(new X509KeyUsageExtension(X509KeyUsageFlags.KeyCertSign, true));
            request.CertificateExtensions.Add(new X509SubjectKeyIdentifierExtension(request.PublicKey, false));
            request.CertificateExtensions.Add(OnlyNearby());
            var now = clock.GetUtcNow();
            var made = request.CreateSelfSigned(now.AddDays(-1), now.AddYears(10));
            Directory.CreateDirectory(Path.GetDirectoryName(path)!);
            var writing = path + ".new";
            File.Delete(writing);
            var open = new FileStreamOptions { Mode = FileMode.CreateNew, Access = FileAccess.Write };
            if (!OperatingSystem.IsWindows())
            {
                // Never readable by others, not even for a moment.
                open.UnixCreateMode = UnixFileMode.UserRead | UnixFileMode.UserWrite;
            }

            using (var file = new FileStream(writing, open))
            {
                file.Write(made.Export(X509ContentType.Pkcs12));
                file.Flush(flushToDisk: true);
            }

            File.Move(writing, path, overwrite: true);
            return authority = made;
        }
    }

    private static X509Certificate2? Kept(string path)
    {
        try
        {
            return File.Exists(path) ? X509CertificateLoader.LoadPkcs12FromFile(path, null) : null;
        }
        catch (CryptographicException)
        {
            throw new HouseProblem($"The file {path}, by which phones know this machine, is damaged. Put back a copy of it, or move it away; then a new one is made and every phone has to trust it anew.");
        }
    }

    private X509Certificate2 MakeLeaf(IReadOnlyList<IPAddress> addresses, DateTimeOffset now)
    {
        using var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        var request = new CertificateRequest("CN=Inch Burst", key, HashAlgorithmName.SHA256);
        var names = new SubjectAlternativeNameBuilder();
        names.AddDnsName("localhost");
        names.AddDnsName(Dns.GetHostName().Split('.')[0].ToLowerInvariant() + ".local");

        foreach (var address in addresses)
        {
            names.AddIpAddress(address);
        }

        request.CertificateExtensions.Add(names.Build());
        request.CertificateExtensions.Add(new X509BasicConstraintsExtension(false, false, 0, true));
        request.CertificateExtensions.Add(new X509KeyUsageExtension(X509KeyUsageFlags.DigitalSignature, true));
        request.CertificateExtensions.Add(new X509EnhancedKeyUsageExtension([new("1.3.6.1.5.5.7.3.1")], false));
        request.CertificateExtensions.Add(X509AuthorityKeyIdentifierExtension.CreateFromCertificate(Authority(), true, false));

        // Never from before its authority: that may have been made a second later, or before the clock was put back.
        var from = Math.Max(now.AddDays(-1).UtcTicks, Authority().NotBefore.ToUniversalTime().Ticks);
        using var signed = request.Create(Authority(), new DateTimeOffset(from, TimeSpan.Zero), now + LeafHolds, RandomNumberGenerator.GetBytes(16));
        return signed.CopyWithPrivateKey(key);
    }

    // Name constraints of RFC 5280, 4.2.1.10: the permitted names and address ranges.
    private static X509Extension OnlyNearby()
    {
        var writer = new AsnWriter(AsnEncodingRules.DER);
        using (writer.PushSequence())
        {
            using (writer.PushSequence(new Asn1Tag(TagClass.ContextSpecific, 0)))
            {
                foreach (var name in PrivateNames)
                {
                    using (writer.PushSequence())
                    {
                        writer.WriteCharacterString(UniversalTagNumber.IA5String, name, new Asn1Tag(TagClass.ContextSpecific, 2));
                    }
                }

                foreach (var range in PrivateRanges)
                {
                    using (writer.PushSequence())
                    {
                        writer.WriteOctetString(range, new Asn1Tag(TagClass.ContextSpecific, 7));
                    }
                }
            }
        }

        return new X509Extension("2.5.29.30", writer.Encode(), true);
    }
}
