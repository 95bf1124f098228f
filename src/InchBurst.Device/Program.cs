using System.Runtime.InteropServices.JavaScript;
using System.Runtime.Versioning;
using InchBurst.Core.Shorthand;

[assembly: SupportedOSPlatform("browser")]

return;

/// <summary>What pages ask of Core on the device: few functions that take and give JSON.</summary>
internal static partial class Device
{
    [JSExport]
    internal static string Read(string line) => ShorthandLine.Read(line).Line is { } read ? ShorthandPrinter.Print(read) : "";
}
