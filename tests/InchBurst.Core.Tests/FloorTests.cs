using System.Reflection;
using ArchUnitNET.Domain;
using ArchUnitNET.Loader;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;

namespace InchBurst.Core.Tests;

/// <summary>Core is a house of floors: a room names only rooms on floors below it.</summary>
public class FloorTests
{
    // docs/architecture.md shows the same map.
    private static readonly string[][] Floors =
    [
        ["Units"],
        ["Plan"],
        ["Catalogue", "Sprint", "Movement"],
        ["Shorthand", "School", "Load", "Film"],
        ["Demand"],
        ["Rest"],
        ["Clock", "Log"],
        ["Make"],
        ["Check", "Progress"],
        ["Season", "Live"],
    ];

    private static readonly Architecture House = new ArchLoader().LoadAssemblies(typeof(SessionPlan).Assembly).Build();

    private static string? RoomOf(IType type) => type.Namespace?.FullName.Split('.') is ["InchBurst", "Core", var room, ..] ? room : null;

    [Fact]
    public void A_room_names_only_rooms_on_floors_below_it()
    {
        int FloorOf(string room) => Array.FindIndex(Floors, f => f.Contains(room));
        var wrong = House.Types.Where(t => RoomOf(t) is not null)
            .SelectMany(t => t.Dependencies.Where(d => d.Target is not GenericParameter).Select(d => (From: RoomOf(t)!, To: RoomOf(d.Target), Names: $"{t.Name} names {d.Target.Name}")))
            .Where(d => d.To is not null && d.To != d.From && FloorOf(d.To) >= FloorOf(d.From))
            .Select(d => $"{d.From} -> {d.To}: {d.Names}").Distinct().ToList();
        Assert.True(wrong.Count == 0, string.Join('\n', wrong));
    }

    [Fact]
    public void Every_room_has_its_floor_and_every_floor_its_rooms()
    {
        var rooms = House.Types.Select(RoomOf).OfType<string>().Distinct().Order().ToList();
        Assert.Equal(Floors.SelectMany(f => f).Order(), rooms);
        var map = File.ReadAllText(Path.Combine(Repository.Root, "docs/architecture.md"));
        Assert.All(Floors.SelectMany(f => f), room => Assert.Contains($"{room} ", map));
    }

    [Fact]
    public void Core_reads_no_clock_no_file_and_no_chance_of_its_own()
    {
        string[] forbidden = ["System.IO.File", "System.IO.Directory", "System.Net", "Microsoft.AspNetCore", "Microsoft.EntityFrameworkCore", "System.Console"];
        var wrong = House.Types.Where(t => RoomOf(t) is not null).SelectMany(t => t.Dependencies.Select(d => $"{t.FullName} -> {d.Target.FullName}")).Where(d => forbidden.Any(f => d.Contains("-> " + f, StringComparison.Ordinal))).Distinct();
        Assert.Empty(wrong);
        Assert.DoesNotContain(typeof(SessionPlan).Assembly.GetTypes().SelectMany(t => t.GetFields(BindingFlags.Static | BindingFlags.Public | BindingFlags.NonPublic)), f => f.FieldType == typeof(Random));
    }
}
