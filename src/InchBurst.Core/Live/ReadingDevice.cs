using System.Text.Json;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Clock;
using InchBurst.Core.Make;
using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;

namespace InchBurst.Core.Live;

/// <summary>Reads lines on a device as the server reads them: what the session is held with comes along once, and every key is answered here.</summary>
public sealed class ReadingDevice
{
    private readonly ShorthandContext context;
    private readonly ClockSetting setting;
    private readonly IReadOnlyCollection<SquadMember> squad;

    private ReadingDevice(LiveDocument document)
    {
        var known = document.Exercises.Count + document.Hidden.Count == 0 ? ExerciseCatalogue.BuiltIn
            : new ExerciseCatalogue(ExerciseCatalogue.BuiltIn.All.Where(e => !document.Hidden.Contains(e.Name, StringComparer.OrdinalIgnoreCase)).Concat(document.Exercises.Select(ExerciseJson.Read)));
        (context, setting) = (new(document.Setting.DistanceUnit, known), (document.Setting with { Catalogue = known }).Clock(document.State));
        squad = [.. document.Setting.Athletes.Select(a => new SquadMember(a.Name, a.Groups))];
    }

    /// <summary>A device that reads for a session.</summary>
    /// <param name="json">A <see cref="LiveDocument"/> as text, whose exercises are the club's own, those that ship and were changed among them.</param>
    /// <exception cref="JsonException">The text is no such document.</exception>
    public static ReadingDevice Open(string json) => new(LiveDocument.Read(json));

    /// <summary>How a line reads so far.</summary>
    /// <param name="text">The line.</param>
    /// <returns>A <see cref="LineReading"/> as JSON.</returns>
    public string Read(string text) => Write(LineReading.Of(text, context, setting, squad));

    /// <summary>A reading as the device's answer.</summary>
    /// <param name="reading">The reading.</param>
    public static string Write(LineReading reading) => JsonSerializer.Serialize(reading, LiveJsonContext.Default.LineReading);
}
