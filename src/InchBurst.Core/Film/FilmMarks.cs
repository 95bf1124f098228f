using System.Text.Json;
using System.Text.Json.Serialization;
using InchBurst.Core.Movement;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Film;

/// <summary>Part of a run a frame is judged by.</summary>
public enum FilmPhase
{
    /// <summary>Upright at speed.</summary>
    Upright,

    /// <summary>The set position.</summary>
    Start,

    /// <summary>The first pushes.</summary>
    Drive,

    /// <summary>Trunk coming up.</summary>
    Rise,

    /// <summary>Slowing down.</summary>
    Slowing,
}

/// <summary>Moment of a step.</summary>
public enum FilmMoment
{
    /// <summary>First frame with the foot on the ground.</summary>
    FootDown,

    /// <summary>Hip over the foot.</summary>
    MidStance,

    /// <summary>First frame with the foot clear of the ground.</summary>
    FootOff,

    /// <summary>Both feet clear.</summary>
    Flight,
}

/// <summary>A joint that is marked, in the order they are asked in. Near is the side towards the camera.</summary>
public enum FilmJoint
{
    /// <summary>Middle of the head.</summary>
    Head,

    /// <summary>Middle of the shoulders.</summary>
    Shoulder,

    /// <summary>Middle of the hips.</summary>
    Hip,

    /// <summary>Near knee.</summary>
    NearKnee,

    /// <summary>Near ankle.</summary>
    NearAnkle,

    /// <summary>Tip of the near foot.</summary>
    NearToe,

    /// <summary>Far knee.</summary>
    FarKnee,

    /// <summary>Far ankle.</summary>
    FarAnkle,

    /// <summary>Tip of the far foot.</summary>
    FarToe,

    /// <summary>Near elbow.</summary>
    NearElbow,

    /// <summary>Near hand.</summary>
    NearHand,

    /// <summary>Far elbow.</summary>
    FarElbow,

    /// <summary>Far hand.</summary>
    FarHand,
}

/// <summary>A foot that touches the ground, or leaves it.</summary>
/// <param name="Frame">First frame on which it is so.</param>
/// <param name="Foot">Which foot.</param>
/// <param name="IsDown">True for touching.</param>
/// <param name="At">Where the tip of the foot stands, px from the left and from the top; null where nobody marked it.</param>
public sealed record FootMark(FilmFrame Frame, Side Foot, bool IsDown, Spot? At = null);

/// <summary>The chest passes a line.</summary>
/// <param name="Frame">First frame on which it has passed.</param>
/// <param name="At">Where the line lies on the run; the first one may be 0.</param>
public sealed record LineMark(FilmFrame Frame, Distance At);

/// <summary>Two things on the ground whose distance is known.</summary>
/// <param name="Frame">The frame it was marked on.</param>
/// <param name="From">One, px from the left and from the top.</param>
/// <param name="To">The other.</param>
/// <param name="Metres">Distance between them, m, above 0.</param>
public sealed record ScaleMark(int Frame, Spot From, Spot To, double Metres)
{
    /// <summary>Length in the picture, px.</summary>
    public double Pixels => (To - From).Length;
}

/// <summary>Joints marked on one frame.</summary>
/// <param name="Frame">The frame.</param>
/// <param name="Phase">Part of the run it belongs to.</param>
/// <param name="Moment">Moment of the step.</param>
/// <param name="Joints">Where each marked joint is, px from the left and from the top.</param>
public sealed record BodyMark(int Frame, FilmPhase Phase, FilmMoment Moment, IReadOnlyDictionary<FilmJoint, Spot> Joints);

/// <summary>Everything marked on a clip. The picture is no part of it.</summary>
public sealed record FilmMarks
{
    /// <summary>The clip.</summary>
    public required FilmClip Clip { get; init; }

    /// <summary>Feet touching and leaving the ground.</summary>
    public IReadOnlyList<FootMark> Feet { get; init; } = [];

    /// <summary>Lines passed.</summary>
    public IReadOnlyList<LineMark> Lines { get; init; } = [];

    /// <summary>The scale, and where it was marked again to see whether the camera stood still.</summary>
    public IReadOnlyList<ScaleMark> Scales { get; init; } = [];

    /// <summary>Bodies.</summary>
    public IReadOnlyList<BodyMark> Bodies { get; init; } = [];

    /// <summary>Camera to the lane, m; null where nobody said it.</summary>
    public double? CameraMetres { get; init; }

    /// <summary>How far beside the runner's line the scale lies, m; 0 on it.</summary>
    public double BesideMetres { get; init; }

    /// <summary>Unit of speed the club reads.</summary>
    public SpeedReading Speed { get; init; }

    /// <summary>As text.</summary>
    public string Write() => JsonSerializer.Serialize(this, FilmJsonContext.Default.FilmMarks);

    /// <summary>From text.</summary>
    /// <param name="json">Text made by <see cref="Write"/>, or by a page.</param>
    /// <exception cref="JsonException">The text is no such document, or a figure in it cannot be.</exception>
    public static FilmMarks Read(string json)
    {
        var marks = JsonSerializer.Deserialize(json, FilmJsonContext.Default.FilmMarks) ?? throw new JsonException("There are no marks.");
        return marks.Fault is { } fault ? throw new JsonException(fault) : marks;
    }

    // What a page could not have sent.
    private string? Fault
    {
        get
        {
            bool Inside(Spot p) => p.X >= 0 && p.Y >= 0 && p.X <= Clip.Width && p.Y <= Clip.Height;
            bool Is(int frame) => frame >= 0 && frame < Clip.Frames;
            return Clip is not { Frames: >= 2, Seconds: > 0, Width: > 0, Height: > 0 } || Clip.ShotRate is < FilmClip.LeastRate or > FilmClip.MostRate ? "The clip cannot be."
                : !Feet.All(f => Is(f.Frame.Number) && (f.At is not { } at || Inside(at))) || !Lines.All(l => Is(l.Frame.Number) && l.At.Amount is >= 0 and <= 1000) ? "A mark lies outside the clip."
                : !Scales.All(s => Is(s.Frame) && Inside(s.From) && Inside(s.To) && s.Metres is > 0 and <= 1000 && s.Pixels > 0) ? "The scale cannot be."
                : !Bodies.All(b => Is(b.Frame) && b.Joints.Values.All(Inside)) ? "A joint lies outside the picture."
                : CameraMetres is <= 0 or > 1000 || BesideMetres is < 0 or > 100 ? "The camera cannot stand there." : null;
        }
    }
}

/// <summary>Writes and reads marks and what is said of them.</summary>
[JsonSourceGenerationOptions(JsonSerializerDefaults.Web, UseStringEnumConverter = true, IgnoreReadOnlyProperties = true, DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull)]
[JsonSerializable(typeof(FilmMarks))]
[JsonSerializable(typeof(FilmSight))]
[JsonSerializable(typeof(FilmClip))]
[JsonSerializable(typeof(FilmOpened))]
[JsonSerializable(typeof(FilmFrame))]
internal sealed partial class FilmJsonContext : JsonSerializerContext;
