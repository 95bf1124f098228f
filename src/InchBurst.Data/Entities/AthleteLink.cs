namespace InchBurst.Data.Entities;

/// <summary>An address at which an athlete reads what is kept of them, without signing in. The key itself is not kept, only what proves it.</summary>
public sealed class AthleteLink
{
    public int Id { get; set; }
    public int AthleteId { get; set; }
    public Athlete? Athlete { get; set; }

    /// <summary>SHA-256 of the key, as hexadecimal digits.</summary>
    public string KeyHash { get; set; } = "";

    public DateTime MadeAt { get; set; }
    public string MadeBy { get; set; } = "";

    /// <summary>Last day on which it opens.</summary>
    public DateOnly ExpiresOn { get; set; }

    public DateTime? WithdrawnAt { get; set; }

    /// <summary>Day it was last opened; null when it never was.</summary>
    public DateOnly? OpenedOn { get; set; }
}
