using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Live;
using InchBurst.Core.Log;
using InchBurst.Core.Make;
using InchBurst.Core.Plan;
using InchBurst.Core.School;
using InchBurst.Data;
using InchBurst.Data.Entities;

namespace InchBurst.Web.Support;

/// <summary>How lines read while they are typed, here or on the device.</summary>
public sealed partial class BuilderMaker
{
    /// <summary>How a typed line reads, with what it would add to the session.</summary>
    public async Task<LineReading> ReadAsync(string text, PlannedSession planned)
    {
        var (setting, athletes, _, own) = await HeldAsync(planned.Session, planned.Plan);
        return LineReading.Of(text, await ContextAsync(), setting, [.. athletes.Select(a => new SquadMember(a.Name, WeekBook.GroupsOf(a, own)))]);
    }

    /// <summary>What a device needs to read lines of a session by itself.</summary>
    public async Task<LiveDocument> ReaderAsync(PlannedSession planned)
    {
        var session = planned.Session;
        var (setting, athletes, _, own) = await HeldAsync(session, planned.Plan);
        var club = await desk.ClubAsync();
        var held = new LiveSetting
        {
            Athletes = [.. athletes.Select(a => new LiveAthlete(a.Id, a.Name) { Group = WeekBook.GroupOf(a), OwnGroups = [.. own[a.Id]], Availability = a.Availability })],
            Pace = setting.Pace,
            School = setting.School ?? CoachingSchool.Usual,
            WindowSeconds = session.WindowMinutes * 60,
            StartIntervalSeconds = setting.StartIntervalSeconds,
            ChangeoverSeconds = setting.ChangeoverSeconds,
            Kit = setting.Kit,
            DistanceUnit = club.DistanceUnit,
            MassUnit = club.MassUnit,
            SpeedUnit = club.SpeedUnit,
        };
        var state = new LiveState { Plan = SessionPlan.Empty, Day = session.Day, Lanes = session.Lanes, Usual = new(TimingMethod.Electronic, StartTrigger.FirstGate, 0) };
        // What ships is on the device already; what the club added or changed goes along, and what it hides.
        var shipped = ExerciseCatalogue.BuiltIn;
        return new(state, held, [.. catalogue.All.Select(e => (e.Name, Json: ExerciseJson.Write(e))).Where(e => shipped.All.FirstOrDefault(s => s.Name.Equals(e.Name, StringComparison.OrdinalIgnoreCase)) is not { } s || ExerciseJson.Write(s) != e.Json).Select(e => e.Json)], desk.Who, true)
        {
            Hidden = [.. shipped.All.Select(e => e.Name).Except(catalogue.All.Select(e => e.Name), StringComparer.OrdinalIgnoreCase)],
        };
    }
}
