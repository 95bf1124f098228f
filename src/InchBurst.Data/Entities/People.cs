using Microsoft.AspNetCore.Identity;

namespace InchBurst.Data.Entities;

/// <summary>Roles of a club's users.</summary>
public static class Roles
{
    public const string Owner = "owner";
    public const string Coach = "coach";
    public const string Timer = "timer";
    public const string Viewer = "viewer";

    public static IReadOnlyList<string> All { get; } = [Owner, Coach, Timer, Viewer];
}

public sealed class AppUser : IdentityUser
{
    public string DisplayName { get; set; } = "";

    /// <summary>True while the password is one that somebody else gave.</summary>
    public bool MustChangePassword { get; set; }
}

/// <summary>A device on which somebody signed in.</summary>
public sealed class Visit
{
    public Guid Id { get; set; }
    public string UserId { get; set; } = "";
    public DateTime At { get; set; }
    public DateTime LastSeen { get; set; }

    /// <summary>What the device says it is, in short words.</summary>
    public string Device { get; set; } = "";

    /// <summary>When it was ended, by signing out or by somebody; null while it holds.</summary>
    public DateTime? EndedAt { get; set; }
}

/// <summary>A file that was read in, with what it added and changed, so that all of it can be taken back at once.</summary>
public sealed class ImportBatch
{
    public int Id { get; set; }
    public DateTime At { get; set; }
    public string By { get; set; } = "";
    public string What { get; set; } = "";

    /// <summary>What it added and what stood before what it changed, as JSON.</summary>
    public string ChangesJson { get; set; } = "";

    public DateTime? UndoneAt { get; set; }
}

/// <summary>What a column of somebody's file was taken for, remembered for the next one.</summary>
public sealed class ColumnMemory
{
    public int Id { get; set; }
    public string Kind { get; set; } = "";
    public string Header { get; set; } = "";
    public string Field { get; set; } = "";
}

/// <summary>Something that a person did, for the log.</summary>
public sealed class Deed
{
    public long Id { get; set; }
    public DateTime At { get; set; }
    public string By { get; set; } = "";

    /// <summary>What was done, in words.</summary>
    public string What { get; set; } = "";

    /// <summary>Address of the page it was done on.</summary>
    public string Where { get; set; } = "";

    /// <summary>How often in a row.</summary>
    public int Times { get; set; } = 1;
}
