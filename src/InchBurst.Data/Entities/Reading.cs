using InchBurst.Core.Demand;
using InchBurst.Core.Log;

namespace InchBurst.Data.Entities;

/// <summary>One person's reading of a rep, kept when there is more than one.</summary>
public sealed class RunReading
{
    public int Id { get; set; }
    public long RunId { get; set; }

    /// <summary>Made by the device that sent it, so that sending twice stores once.</summary>
    public Guid ClientId { get; set; }

    public string By { get; set; } = "";
    public TimingMethod Method { get; set; }
    public StartTrigger Trigger { get; set; }
    public DateTime FinishedAt { get; set; }

    /// <summary>Marks as JSON.</summary>
    public string MarksJson { get; set; } = "";

    /// <summary>What <see cref="MarksJson"/> holds for "no time".</summary>
    public const string NoMarks = "[]";

    /// <summary>When whoever read it took it back, or null.</summary>
    public DateTime? DeletedAt { get; set; }
}

/// <summary>A command of a device that has been carried out, so that sending it twice does it once.</summary>
public sealed class DoneCommand
{
    /// <summary>Made by the device.</summary>
    public Guid ClientId { get; set; }

    public int SessionId { get; set; }
    public DateTime At { get; set; }
}

/// <summary>A run as timing gates reported it, until somebody saves or dismisses it.</summary>
public sealed class GateReading
{
    public int Id { get; set; }

    /// <summary>Made by the gates, so that reporting twice stores once.</summary>
    public Guid ClientId { get; set; }

    public int SessionId { get; set; }
    public DateTime At { get; set; }

    /// <summary>Lane the gates stand on, from 1; 0 when they do not say.</summary>
    public int Lane { get; set; }

    public string PassesJson { get; set; } = "";

    /// <summary>The go by the gates' clock, ms; null where nothing heard it.</summary>
    public double? GoMilliseconds { get; set; }

    /// <summary>The first movement by the gates' clock, ms; null where nothing felt it.</summary>
    public double? MovedMilliseconds { get; set; }

    /// <summary>What was told of the start; null where nothing was.</summary>
    public GateStart? Start => GoMilliseconds is null && MovedMilliseconds is null ? null : new(GoMilliseconds, MovedMilliseconds);

    /// <summary>How many gates stand on the lane; 0 when they do not say.</summary>
    public int Gates { get; set; }

    /// <summary>When it was run, which may be long before it arrived.</summary>
    public DateTime RanAt { get; set; }

    /// <summary>What was left out when it came, in a coach's words; may be empty.</summary>
    public string Note { get; set; } = "";

    /// <summary>The run it became, or 0 when it was dismissed; null while it waits.</summary>
    public long? UsedFor { get; set; }
}
