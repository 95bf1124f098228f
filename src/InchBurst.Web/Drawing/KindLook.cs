using InchBurst.Core.Plan;

namespace InchBurst.Web.Drawing;

/// <summary>How a kind of work looks: hue, tint and pattern always together, so that colour never stands alone.</summary>
public sealed record KindLook(string Id, string Hue, string Tint, string Glyph)
{
    private static readonly Dictionary<WorkKind, KindLook> Looks = new()
    {
        [WorkKind.Raise] = new("raise", "#8F6206", "#E5DAC2", "M3 16h4.7v-4.6h4.7V6.8H17"),
        [WorkKind.Mobilise] = new("mobilise", "#697022", "#DFDCC7", "M4.5 15.5H17M4.5 15.5 11 4.5M13.2 13.2a8.6 8.6 0 0 0-4-5.4"),
        [WorkKind.Drill] = new("drill", "#1E7A70", "#D3DED3", "m3 14.5 3.6-8 3.6 8M9.8 14.5l3.6-8 3.6 8"),
        [WorkKind.Acceleration] = new("acceleration", "#2C66AE", "#D5DBDD", "M3.5 4.5v11M6.3 4.5v11M10.4 4.5v11M16.5 4.5v11"),
        [WorkKind.MaxVelocity] = new("maxvelocity", "#2A2B78", "#C4C1CC", "M3.2 3.5v13M16.8 3.5v13M5.8 10h7.4M10.4 6.8l3.2 3.2-3.2 3.2"),
        [WorkKind.Resisted] = new("resisted", "#7A4A28", "#E1D6C8", "M2.6 9.2h6.2v6.2H2.6zM8.8 12.3H17M13.6 8.6l3.7 3.7-3.7 3.7"),
        [WorkKind.Assisted] = new("assisted", "#17789A", "#D1DEDA", "m3.6 4.6 5.4 5.4-5.4 5.4M10.4 4.6l5.4 5.4-5.4 5.4"),
        [WorkKind.Jumps] = new("jumps", "#7C4FA0", "#E2D7DB", "M3 16h14M4.4 13c1.6-11 9.6-11 11.2 0"),
        [WorkKind.Strength] = new("strength", "#56616B", "#DCDAD2", "M6 10h8M5.4 5v10M14.6 5v10M2.6 7.4v5.2M17.4 7.4v5.2"),
        [WorkKind.Turn] = new("turn", "#A23B66", "#E8D4D2", "M3.4 5.4h8.4a4.4 4.4 0 0 1 0 8.8H5M8.4 10.6 4.6 14.2l3.8 3.6"),
        [WorkKind.Conditioning] = new("conditioning", "#3F7B3B", "#D8DECB", "M2.8 8.4c2.4-4.2 4.8-4.2 7.2 0s4.8 4.2 7.2 0M2.8 13.6c2.4-4.2 4.8-4.2 7.2 0s4.8 4.2 7.2 0"),
        [WorkKind.CoolDown] = new("cooldown", "#62737D", "#DDDDD5", "M3 6.8h4.7v4.6h4.7V16H17"),
    };

    public static KindLook Of(WorkKind kind) => Looks[kind];

    public static IEnumerable<(WorkKind Kind, KindLook Look)> All => Looks.Select(l => (l.Key, l.Value));

    /// <summary>Fill for efforts: the hue with white marks.</summary>
    public string Solid => $"url(#s-{Id})";

    /// <summary>Fill for bands and zones: the tint with marks in the hue.</summary>
    public string Light => $"url(#l-{Id})";

    /// <summary>Size of the pattern's tile in px.</summary>
    public static (double Width, double Height) Tile(WorkKind kind) => kind switch
    {
        WorkKind.Raise or WorkKind.Turn or WorkKind.Conditioning => (7, 7),
        WorkKind.Mobilise or WorkKind.Resisted => (5, 5),
        WorkKind.Drill => (9, 7),
        WorkKind.Jumps => (10, 7),
        WorkKind.CoolDown => (9, 6),
        _ => (6, 6),
    };

    /// <summary>The marks of the pattern as path data on its tile; empty for the plain fill of max velocity.</summary>
    public static string Marks(WorkKind kind) => kind switch
    {
        WorkKind.Raise => "M1.75 .6a1.15 1.15 0 1 0 .01 0zM5.25 4.1a1.15 1.15 0 1 0 .01 0z",
        WorkKind.Mobilise => "M1 0h1.3v5H1z",
        WorkKind.Drill => "M0 5.2 4.5 1.6 9 5.2v1.6L4.5 3.2 0 6.8z",
        WorkKind.Acceleration => "M0 6 6 0h-1.8L0 4.2zM6 6V4.2L4.2 6z",
        WorkKind.Resisted => "M0 1h5v2H0z",
        WorkKind.Assisted => "M0 0l6 6V4.2L1.8 0zM0 6V4.2L1.8 6z",
        WorkKind.Jumps => "M0 1.2a5 5 0 0 0 10 0h-1.2a3.8 3.8 0 0 1-7.6 0z",
        WorkKind.Strength => "M0 0h3v3H0zM3 3h3v3H3z",
        WorkKind.Turn => "M1 0h1.6L5.4 3.5 2.6 7H1l2.8-3.5z",
        WorkKind.Conditioning => "M0 3h7v1H0zM3 0h1v7H3z",
        WorkKind.CoolDown => "M0 1h5v1.2H0zM4 4h5v1.2H4z",
        _ => "",
    };
}
