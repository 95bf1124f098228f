namespace InchBurst.Data.Entities;

/// <summary>Who may see the picture of one frame that a coach keeps.</summary>
public enum StillFor
{
    /// <summary>No picture is kept.</summary>
    Nobody,

    /// <summary>The coaches.</summary>
    Coaches,

    /// <summary>The coaches, and the athlete on their own view.</summary>
    Athlete,
}

/// <summary>What was marked on a clip of an athlete. The clip itself is never kept.</summary>
public sealed class FilmReading
{
    public int Id { get; set; }
    public int AthleteId { get; set; }
    public Athlete? Athlete { get; set; }

    /// <summary>The run that was filmed, or null where only the day is known.</summary>
    public long? RunId { get; set; }

    public Run? Run { get; set; }
    public DateOnly Day { get; set; }

    /// <summary>Everything marked, as Core writes it.</summary>
    public string Marks { get; set; } = "";

    /// <summary>Mean contact in s, kept so that a list needs no marks; null where it is not marked. So are the next.</summary>
    public double? Contact { get; set; }

    public double? ContactWithin { get; set; }
    public double? Flight { get; set; }

    /// <summary>Steps a second.</summary>
    public double? Frequency { get; set; }

    public double? FrequencyWithin { get; set; }

    /// <summary>Step length in m.</summary>
    public double? Length { get; set; }

    /// <summary>Mean speed in m/s.</summary>
    public double? Speed { get; set; }

    public double? SpeedWithin { get; set; }
    /// <summary>A small JPEG of one frame, base64, where a coach said to keep it; empty otherwise.</summary>
    public string Still { get; set; } = "";

    public StillFor StillFor { get; set; }
    public string By { get; set; } = "";
    public DateTime At { get; set; }

    /// <summary>Counted up at every change; who changes an older one is told.</summary>
    public int Version { get; set; }

    public DateTime? DeletedAt { get; set; }
}
