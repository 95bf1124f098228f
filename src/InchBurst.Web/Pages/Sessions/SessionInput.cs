using System.ComponentModel.DataAnnotations;
using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Units;
using InchBurst.Data.Entities;
using InchBurst.Web.Support;

namespace InchBurst.Web.Pages.Sessions;

/// <summary>What is set for a whole session; lengths in the club's unit.</summary>
public sealed class SessionInput
{
    [Required(ErrorMessage = "Give the session a name."), StringLength(80, ErrorMessage = "At most 80 characters.")]
    public string Name { get; set; } = "";

    [Required(ErrorMessage = "Which day?")]
    public DateOnly? Day { get; set; }

    [Required(ErrorMessage = "Which squad?")]
    public int? SquadId { get; set; }

    [Required(ErrorMessage = "How many lanes?"), Range(1, 20, ErrorMessage = "From 1 to 20 lanes.")]
    public int? Lanes { get; set; } = 2;

    [Required(ErrorMessage = "How many minutes?"), Range(5, 240, ErrorMessage = "From 5 to 240 minutes.")]
    public int? WindowMinutes { get; set; } = 45;

    [Required(ErrorMessage = "How long is the straight?"), Range(5, 500, ErrorMessage = "From 5 to 500.")]
    public double? Straight { get; set; }

    [Required(ErrorMessage = "How much room to stop?"), Range(0, 200, ErrorMessage = "From 0 to 200.")]
    public double? RunOut { get; set; }

    [Range(0, 120, ErrorMessage = "From 0 to 120 s.")]
    public double? StartInterval { get; set; }

    [Range(0, 120, ErrorMessage = "From 0 to 120 s.")]
    public double? Changeover { get; set; }

    [Range(1, 99, ErrorMessage = "From 1 to 99, or empty for enough.")]
    public int? Racks { get; set; }

    [Range(1, 99, ErrorMessage = "From 1 to 99, or empty for enough.")]
    public int? Walls { get; set; }

    [Range(1, 99, ErrorMessage = "From 1 to 99, or empty for enough.")]
    public int? Sleds { get; set; }

    [Range(1, 99, ErrorMessage = "From 1 to 99, or empty for enough.")]
    public int? Hurdles { get; set; }

    [Range(1, 99, ErrorMessage = "From 1 to 99, or empty for enough.")]
    public int? Boxes { get; set; }

    [StringLength(120, ErrorMessage = "At most 120 characters.")]
    public string? Cue { get; set; }

    public string? School { get; set; }

    public Surface Surface { get; set; }

    public Shoes Shoes { get; set; }

    [Range(-10, 10, ErrorMessage = "From −10 to 10 m/s; a tailwind is positive.")]
    public double? Wind { get; set; }

    [Range(0, 4000, ErrorMessage = "From 0 to 4000 m.")]
    public double? Altitude { get; set; }

    public TimeOnly? Start { get; set; }

    [StringLength(40)]
    public string? Group { get; set; }

    [StringLength(40)]
    public string? Sled { get; set; }

    public static SessionInput From(TrainingSession s, DistanceUnit unit)
    {
        var kit = SessionKit.Read(s.KitJson);
        int? Of(LimitedKit what) => kit.TryGetValue(what, out var n) ? n : null;
        return new()
        {
            Name = s.Name,
            Day = s.Day,
            SquadId = s.SquadId,
            Lanes = s.Lanes,
            WindowMinutes = s.WindowMinutes,
            Cue = s.Cue,
            School = s.School,
            Surface = s.Surface,
            Shoes = s.Shoes,
            Wind = s.Wind,
            Altitude = s.Altitude,
            Sled = s.Sled,
            Start = s.Start,
            Group = s.Group,
            Straight = Math.Round(Distance.InMetres(s.StraightMetres).To(unit).Amount, 2),
            RunOut = Math.Round(Distance.InMetres(s.RunOutMetres).To(unit).Amount, 2),
            StartInterval = s.StartIntervalSeconds,
            Changeover = s.ChangeoverSeconds,
            Racks = Of(LimitedKit.Rack),
            Walls = Of(LimitedKit.Wall),
            Sleds = Of(LimitedKit.Sled),
            Hurdles = Of(LimitedKit.Hurdles),
            Boxes = Of(LimitedKit.Box),
        };
    }

    /// <summary>Takes time and place from a slot of the week.</summary>
    public void Take(Slot slot, DistanceUnit unit)
    {
        (Start, WindowMinutes, Lanes) = (slot.Start, slot.Minutes, slot.Place!.Lanes);
        Straight = Math.Round(Distance.InMetres(slot.Place.StraightMetres).To(unit).Amount, 2);
        RunOut = Math.Round(Distance.InMetres(slot.Place.RunOutMetres).To(unit).Amount, 2);
        Surface = slot.Place.Surface == Surface.Unsaid ? Surface : slot.Place.Surface;
    }

    public void Into(TrainingSession s, DistanceUnit unit)
    {
        s.Name = Name.Trim();
        s.Day = Day!.Value;
        s.SquadId = SquadId!.Value;
        s.Lanes = Lanes!.Value;
        s.WindowMinutes = WindowMinutes!.Value;
        s.StraightMetres = new Distance(Straight!.Value, unit).Metres;
        s.RunOutMetres = new Distance(RunOut!.Value, unit).Metres;
        s.Cue = Cue?.Trim() ?? "";
        s.School = School ?? "";
        s.Surface = Surface;
        (s.Shoes, s.Wind, s.Altitude) = (Enum.IsDefined(Shoes) ? Shoes : Shoes.Unsaid, Wind, Altitude);
        s.Sled = Sled?.Trim() ?? "";
        s.Start = Start;
        s.Group = Group?.Trim() ?? "";
        s.StartIntervalSeconds = StartInterval ?? 0;
        s.ChangeoverSeconds = Changeover ?? ClockSetting.UsualChangeoverSeconds;
        s.KitJson = SessionKit.Write(new[] { (LimitedKit.Rack, Racks), (LimitedKit.Wall, Walls), (LimitedKit.Sled, Sleds), (LimitedKit.Hurdles, Hurdles), (LimitedKit.Box, Boxes) }
            .Where(k => k.Item2 is not null).ToDictionary(k => k.Item1, k => k.Item2!.Value));
    }
}
