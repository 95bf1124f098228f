using System.Runtime.InteropServices.JavaScript;
using System.Runtime.Versioning;
using InchBurst.Core.Film;
using InchBurst.Core.Live;
using InchBurst.Core.Load;
using InchBurst.Core.Log;

[assembly: SupportedOSPlatform("browser")]

return;

/// <summary>What pages ask of Core on the device: few functions that take and give text. No rule stands here.</summary>
internal static partial class Device
{
    private static LiveDevice? session;
    private static ReadingDevice? reader;

    [JSExport]
    internal static void Open(string document) => session = LiveDevice.Open(document);

    [JSExport]
    internal static void Hear(string state) => session!.Hear(state);

    [JSExport]
    internal static void Change(string change) => session!.Change(change);

    [JSExport]
    internal static string Told() => session!.Told();

    [JSExport]
    internal static string Expected(int athlete, int line) => session!.Expected(athlete, line);

    [JSExport]
    internal static string Call(int athlete, int line) => session!.Call(athlete, line);

    [JSExport]
    internal static string StartOf(int athlete, int line) => session!.StartOf(athlete, line);

    [JSExport]
    internal static double StartHold(double least, double most, double draw) => StartBox.HoldSeconds(new(0, least, most), (uint)draw);

    [JSExport]
    internal static string StartRead(int athlete, int line, bool fromMove, double go, double move, double[] taps) => session!.StartRead(athlete, line, fromMove, go, move, taps);

    [JSExport]
    internal static string Seen(int athlete) => session!.Seen(athlete);

    [JSExport]
    internal static string See(string waiting, double now, int line, int round) => session!.See(waiting, now, line, round);

    [JSExport]
    internal static string Judge(string fields, double now) => session!.Judge(fields, now);

    [JSExport]
    internal static string Load(string document, double decrement, int steps) => LoadAnswer.Of(LoadDocument.Read(document), decrement, steps).Write();

    [JSExport]
    internal static string LoadOfMass(string document, double kilograms) => LoadAnswer.OfMass(LoadDocument.Read(document), kilograms).Write();

    [JSExport]
    internal static void OpenReader(string document) => reader = ReadingDevice.Open(document);

    [JSExport]
    internal static string ReadLine(string text) => reader!.Read(text);

    [JSExport]
    internal static string? FilmClip(double[] times, int width, int height) => FilmSight.ClipOf(times, width, height);

    [JSExport]
    internal static string? FilmBeside(string beside, double[] times, int width, int height) => FilmSight.BesideOf(beside, times, width, height);

    [JSExport]
    internal static string Film(string marks, string frame, string phase) => FilmSight.Read(marks, frame, phase);

    [JSExport]
    internal static string Place(string digits, double expected) => DigitEntry.Place(digits, expected).Text;
}
