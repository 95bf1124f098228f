using System.Reflection;
using System.Text.Json;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Live;
using InchBurst.Core.Plan;
using InchBurst.Core.Sprint;

namespace InchBurst.Core.Tests;

/// <summary>Documents are read by hand: whatever stands in them comes back, a member added later too, and what is no document is refused.</summary>
public class TakenAlongTests
{
    private int count;
    private int shapes;

    [Fact]
    public void Nothing_of_a_plan_is_lost()
    {
        var json = PlanJson.Write(Filled<SessionPlan>());
        Assert.Equal(json, PlanJson.Write(PlanJson.Read(json)));
        Assert.All(["run", "time", "count"], shape => Assert.Contains($"\"is\":\"{shape}\"", json));
    }

    [Fact]
    public void Nothing_of_an_exercise_is_lost()
    {
        var exercise = Filled<Exercise>();
        Assert.Equal(ExerciseJson.Write(exercise), ExerciseJson.Write(ExerciseJson.Read(ExerciseJson.Write(exercise))));
    }

    [Fact]
    public void Nothing_of_a_session_a_device_takes_along_is_lost()
    {
        var document = Filled<LiveDocument>() with { Exercises = [ExerciseJson.Write(Filled<Exercise>())] };
        var back = LiveDocument.Read(document.Write());
        Assert.Equal(document.Write(), back.Write());
        Assert.Equal(document.Exercises, back.Setting.Catalogue.All.Select(ExerciseJson.Write));
        Assert.Equal(document.Chips[0].Code, back.Setting.Catalogue.OwnChips[0].Code);
    }

    [Fact]
    public void Nothing_of_a_change_is_lost()
    {
        var change = Filled<LiveChange>();
        Assert.Equal(change.Write(), LiveChange.Read(change.Write()).Write());
    }

    [Theory]
    [InlineData("null")]
    [InlineData("[]")]
    [InlineData("{")]
    [InlineData("{\"version\":2,\"lastId\":0}")]
    [InlineData("{\"version\":2,\"blocks\":{},\"lastId\":0}")]
    [InlineData("{\"version\":2,\"blocks\":[{\"id\":1,\"lines\":[]}],\"lastId\":0}")]
    [InlineData("{\"version\":2,\"blocks\":[{\"id\":1,\"title\":\"a\"}],\"lastId\":0}")]
    [InlineData("{\"version\":2,\"blocks\":[{\"id\":1,\"title\":\"a\",\"lines\":[{\"kind\":\"acceleration\"}]}],\"lastId\":0}")]
    [InlineData("{\"version\":2,\"blocks\":[{\"id\":1,\"title\":\"a\",\"lines\":[{\"kind\":\"3\",\"shape\":{\"is\":\"time\",\"seconds\":5}}]}],\"lastId\":0}")]
    [InlineData("{\"version\":2,\"blocks\":[{\"id\":1,\"title\":\"a\",\"lines\":[{\"kind\":\"drill, acceleration\",\"shape\":{\"is\":\"time\",\"seconds\":5}}]}],\"lastId\":0}")]
    [InlineData("{\"version\":2,\"blocks\":[{\"id\":1,\"title\":\"a\",\"lines\":[{\"kind\":\"drill\",\"shape\":{\"is\":\"time\",\"seconds\":\"five\"}}]}],\"lastId\":0}")]
    [InlineData("{\"version\":2,\"blocks\":[{\"id\":1,\"title\":\"a\",\"lines\":[{\"kind\":\"drill\",\"shape\":{\"is\":\"square\"}}]}],\"lastId\":0}")]
    public void What_is_no_plan_is_refused(string json) => Assert.ThrowsAny<JsonException>(() => PlanJson.Read(json));

    [Fact]
    public void What_is_no_session_or_exercise_is_refused()
    {
        Assert.ThrowsAny<JsonException>(() => ExerciseJson.Read("{\"name\":\"hop\"}"));
        Assert.ThrowsAny<JsonException>(() => LiveDocument.Read("{\"by\":\"Odalys\"}"));
        Assert.ThrowsAny<JsonException>(() => LiveDevice.Open(Filled<LiveDocument>().Write().Replace("\"id\":\"", "\"id\":\"x", StringComparison.Ordinal)));
    }

    private T Filled<T>() => (T)Value(typeof(T), "");

    // A value that is not what a member is left at when it is not read, different each time.
    private object Value(Type type, string name)
    {
        count++;
        type = Nullable.GetUnderlyingType(type) ?? type;
        if (type.IsEnum)
        {
            var values = Enum.GetValues(type);
            return values.GetValue(1 + (count % (values.Length - 1)))!;
        }

        if (type.IsGenericType && type.GetGenericTypeDefinition() is { } open && type.IsInterface)
        {
            var of = type.GetGenericArguments();
            return open == typeof(IReadOnlyDictionary<,>)
                ? Filled(typeof(Dictionary<,>).MakeGenericType(of), 2, "Add", i => [of[0] == typeof(string) ? $"key {i}" : of[0].IsEnum ? Enum.GetValues(of[0]).GetValue(i)! : i, Value(of[1], name)])
                : Filled(typeof(List<>).MakeGenericType(of), 3, "Add", _ => [name == "Exercises" ? ExerciseJson.Write(Filled<Exercise>()) : Value(of[0], name)]);
        }

        return name == "Version" ? SessionPlan.Current : type switch
        {
            _ when type == typeof(string) => $"text {count} é\"",
            _ when type == typeof(double) => count + 0.25,
            _ when type == typeof(int) => count,
            _ when type == typeof(long) => (long)count,
            _ when type == typeof(bool) => name != "StartSaid" || count % 2 == 0,
            _ when type == typeof(Guid) => new Guid(count, 2, 3, new byte[8]),
            _ when type == typeof(DateTime) => LiveHistory.Start.AddSeconds(count),
            _ when type == typeof(DateOnly) => DateOnly.FromDateTime(LiveHistory.Start.AddDays(count)),
            _ when type == typeof(SprintCurve) => new SprintCurve(8 + (count % 7 / 10.0), 1.25),
            _ when type == typeof(RepShape) => (shapes++ % 3) switch { 0 => Filled<RunShape>(), 1 => Filled<TimedShape>(), _ => Filled<CountShape>() },
            _ => Whole(type),
        };
    }

    private static object Filled(Type type, int times, string method, Func<int, object[]> each)
    {
        var all = Activator.CreateInstance(type)!;
        for (var i = 1; i <= times; i++)
        {
            type.GetMethod(method)!.Invoke(all, each(i));
        }

        return all;
    }

    private object Whole(Type type)
    {
        var made = type.GetConstructors().Where(c => !(c.GetParameters() is [{ } only] && only.ParameterType == type)).MaxBy(c => c.GetParameters().Length)!;
        var whole = made.Invoke([.. made.GetParameters().Select(p => Value(p.ParameterType, p.Name!))]);
        var said = made.GetParameters().Select(p => p.Name).ToHashSet(StringComparer.OrdinalIgnoreCase);
        foreach (var member in type.GetProperties(BindingFlags.Public | BindingFlags.Instance).Where(p => p.CanWrite && !said.Contains(p.Name) && p.PropertyType != typeof(ExerciseCatalogue)))
        {
            member.SetValue(whole, Value(member.PropertyType, member.Name));
        }

        return whole;
    }
}
