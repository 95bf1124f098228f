namespace InchBurst.Data.Entities;

/// <summary>What a device without a person, such as a set of timing gates, shows to be let in. The key itself is not kept, only what proves it.</summary>
public sealed class DeviceKey
{
    public int Id { get; set; }

    /// <summary>What the device is called, at most 40 characters.</summary>
    public string Name { get; set; } = "";

    /// <summary>SHA-256 of the key, as hexadecimal digits.</summary>
    public string KeyHash { get; set; } = "";

    public DateTime MadeAt { get; set; }
    public string MadeBy { get; set; } = "";

    /// <summary>When it was last shown, to the minute; null when it never was.</summary>
    public DateTime? SeenAt { get; set; }

    public DateTime? WithdrawnAt { get; set; }
}
