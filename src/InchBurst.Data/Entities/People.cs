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
}
