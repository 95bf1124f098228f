namespace InchBurst.Data.Entities;

/// <summary>What a speed was read by.</summary>
public enum TraceDevice
{
    /// <summary>A radar gun behind or in front of the runner.</summary>
    Radar,

    /// <summary>A laser on the runner's back.</summary>
    Laser,
}

/// <summary>Speeds of one run along time, as a radar or laser read them.</summary>
public sealed class SpeedTrace
{
    public int Id { get; set; }
    public int AthleteId { get; set; }
    public Athlete? Athlete { get; set; }
    public DateOnly Day { get; set; }
    public TraceDevice Device { get; set; }

    /// <summary>Rows of time and speed in s and m/s: "0.00 0.12;0.02 0.15".</summary>
    public string Rows { get; set; } = "";

    /// <summary>MSS of its fit in m/s; kept, so that the athlete's curve needs no rows.</summary>
    public double Mss { get; set; }

    public double Tau { get; set; }
    public double MssError { get; set; }
    public double TauError { get; set; }
    public string By { get; set; } = "";
    public DateTime At { get; set; }
    public DateTime? DeletedAt { get; set; }
}
