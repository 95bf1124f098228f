using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Make;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Season;

/// <summary>A day of a suggested week.</summary>
/// <param name="Day">The day.</param>
/// <param name="Slot">Time and place, or null when there is none.</param>
/// <param name="Chosen">What is suggested; nothing is <see cref="WeekOption.Off"/>; null for a day that stays as it is.</param>
/// <param name="Session">The session made for it; null for nothing, and for one that is planned already.</param>
/// <param name="Why">Why the day is what it is.</param>
/// <param name="WhyNot">Why it is not something else.</param>
public sealed record DaySuggestion(DateOnly Day, OpenSlot? Slot, WeekOption? Chosen, SessionOffer? Session, string Why, IReadOnlyList<string> WhyNot);

/// <summary>A suggested week.</summary>
/// <param name="Days">Its seven days.</param>
/// <param name="Score">What it costs under the stated score.</param>
/// <param name="Looked">Weeks that were looked at until their end.</param>
public sealed record WeekSuggestion(IReadOnlyList<DaySuggestion> Days, WeekScore Score, long Looked);

/// <summary>A plan on the shelf.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Plan">The plan.</param>
public sealed record ShelfPlan(string Name, SessionPlan Plan);

/// <summary>What a week is suggested with besides what the week holds.</summary>
/// <param name="SettingOf">Group, lanes, pace and school in a slot.</param>
public sealed record WeekWish(Func<OpenSlot, ClockSetting> SettingOf)
{
    /// <summary>Plans of the club's shelf; those that fit are among the choices.</summary>
    public IReadOnlyList<ShelfPlan> Shelf { get; init; } = [];

    /// <summary>Athletes expected, for the checks of what is made.</summary>
    public IReadOnlyList<Check.CheckedAthlete> Athletes { get; init; } = [];

    /// <summary>What makes a session; whoever asks often keeps what was made.</summary>
    public Func<SessionWish, SessionOffer?> Maker { get; init; } = SessionMaker.Make;
}

/// <summary>Suggests a week: sessions for the slots there are, searched for exactly, with reasons.</summary>
public static class WeekMaker
{
    private const int MostShelf = 6;

    private sealed record Made(WeekOption Option, SessionOffer? Offer);

    /// <summary>The best week for a group; sessions that are done, pinned or before the first open day stay.</summary>
    /// <param name="week">The week.</param>
    /// <param name="wish">What it is made with.</param>
    /// <returns>The week, or null when no way to fill it keeps the rules.</returns>
    public static WeekSuggestion? Suggest(GroupWeek week, WeekWish wish)
    {
        var made = new Dictionary<(int, int, double, double), List<Made>>();
        var open = week.Days.Select(d => IsOpen(week, d)).ToList();
        var planned = week.Days.Select((d, i) => open[i] ? week.On(d).Select(KeyOf).FirstOrDefault() ?? "" : null).ToList();
        var movable = week.Sessions.Where(s => s.Day >= week.Monday && s.Day <= week.Sunday && open[s.Day.DayNumber - week.Monday.DayNumber])
            .Select(s => new WeekOption(KeyOf(s), s.Name, week.DoseOf(s)) { IsOnce = true }).ToList();
        var bare = week.Grid();
        List<Made> For(OpenSlot slot)
        {
            var key = (slot.Minutes, slot.Lanes, slot.StraightMetres, slot.RunOutMetres);
            return made.TryGetValue(key, out var known) ? known : made[key] = [.. Fill(week, slot, wish)];
        }

        var options = week.Days.Select((d, i) => !open[i] ? (IReadOnlyList<WeekOption>)[] : [WeekOption.Off, .. movable, .. SlotOn(week, d) is { } slot ? For(slot).Select(m => m.Option).Where(o => !o.Dose.IsPrimer(week.Numbers.Primer) || PrimerBeforeAMatch.IsWanted(bare, i)) : []]).ToList();
        if (WeekSearch.Find(week, options, planned) is not { } found)
        {
            return null;
        }

        return new(
            [.. week.Days.Select((d, i) =>
            {
                var slot = SlotOn(week, d);
                var chosen = found.Chosen[i];
                var offer = slot is not null && chosen is not null ? For(slot).FirstOrDefault(m => m.Option.Key == chosen.Key)?.Offer : null;
                var (why, whyNot) = Reasons(week, found, planned, options, i);
                return new DaySuggestion(d, slot, chosen, offer, why, whyNot);
            })],
            found.Score, found.Looked);
    }

    /// <summary>Key of a session that is planned.</summary>
    /// <param name="session">The session.</param>
    public static string KeyOf(SeasonSession session) => $"keep:{session.Id}";

    private static OpenSlot? SlotOn(GroupWeek week, DateOnly day) => week.Slots.Where(s => s.Day == day).OrderByDescending(s => s.Minutes).FirstOrDefault();

    // Days that may change: from the first open one on, with a slot or a session that is neither done nor pinned; two sessions of a day stay.
    private static bool IsOpen(GroupWeek week, DateOnly day) =>
        day >= week.OpenFrom && week.On(day).ToList() is var there && there.Count <= 1 && there.All(s => !s.IsDone && !s.IsPinned) && (there.Count == 1 || SlotOn(week, day) is not null);

    private static IEnumerable<Made> Fill(GroupWeek week, OpenSlot slot, WeekWish wish)
    {
        var setting = wish.SettingOf(slot);
        var athlete = new DemandAthlete(setting.Pace);
        List<(SessionAim[] Aims, double Size)> wishes = [([SessionAim.TopSpeed], 1), ([SessionAim.TopSpeed], 0.5), ([SessionAim.Acceleration], 1), ([SessionAim.Acceleration], 0.5), ([SessionAim.Acceleration, SessionAim.TopSpeed], 0.6)];
        if (week.Numbers.WishResisted > 0)
        {
            wishes.AddRange([([SessionAim.Push], 1), ([SessionAim.Push, SessionAim.TopSpeed], 0.6)]);
        }

        if (week.Numbers.Primer > 0 && !week.PlaysLittle)
        {
            wishes.Add(([SessionAim.Primer], 1));
        }

        if (week.PlaysLittle)
        {
            wishes.Add(([SessionAim.TopSpeed, SessionAim.Conditioning], 0.8));
        }

        foreach (var (aims, size) in wishes)
        {
            if (wish.Maker(new(aims, slot.Minutes, slot.StraightMetres, slot.RunOutMetres, setting) { Size = size, Athletes = wish.Athletes, Aim = week.Aim }) is { } offer)
            {
                yield return new(new(string.Join("+", aims) + (size < 1 ? $" {Figures.Number(size, 1)}" : ""), offer.Name, DayDose.Of(offer.Plan, athlete, setting.Catalogue)), offer);
            }
        }

        foreach (var (shelf, i) in wish.Shelf.Select((s, i) => (s, i)).Take(MostShelf))
        {
            if (Fitted(shelf, setting, slot.Minutes * 60.0) is { } offer)
            {
                yield return new(new($"shelf:{i}", shelf.Name, DayDose.Of(offer.Plan, athlete, setting.Catalogue)), offer);
            }
        }
    }

    // A plan of the shelf as it is where it fits, else with the cheapest change that makes it fit on the same lanes.
    private static SessionOffer? Fitted(ShelfPlan shelf, ClockSetting setting, double windowSeconds)
    {
        var seconds = SessionClock.Lay(shelf.Plan, setting).TotalSeconds;
        return seconds <= windowSeconds + Limits.WindowSeconds
            ? new(shelf.Name, shelf.Plan, seconds, "")
            : FitOffers.For(shelf.Plan, setting, windowSeconds).Where(o => o.EndSeconds <= windowSeconds + Limits.WindowSeconds && o.Lanes == setting.Lanes).Select(o => new SessionOffer(shelf.Name, o.Plan, o.EndSeconds, o.Label)).FirstOrDefault();
    }

    private static (string Why, IReadOnlyList<string> WhyNot) Reasons(GroupWeek week, FoundWeek found, IReadOnlyList<string?> planned, IReadOnlyList<IReadOnlyList<WeekOption>> options, int day)
    {
        var (grid, numbers) = (week.Grid(), week.Numbers);
        for (var d = 0; d < 7; d++)
        {
            grid[d] = found.Chosen[d]?.Dose ?? grid[d];
        }

        var to = grid.DaysTo(day) < DayGrid.Never ? grid.DaysTo(day) == 0 ? "match day" : $"{WeekWords.Days(grid.DaysTo(day))} to the match" : "no match ahead";
        if (found.Chosen[day] is not { } chosen)
        {
            return (week.On(week.Monday.AddDays(day)).Any(s => s.IsPinned) ? "pinned: it stays" : week.On(week.Monday.AddDays(day)).Any(s => s.IsDone) ? "done" : week.Monday.AddDays(day) < week.OpenFrom ? "past" : $"no time and place; {to}", []);
        }

        // What the day costs with something else on it, everything else as it is.
        var keys = found.Chosen.Select(c => c?.Key).ToList();
        var others = new List<string>();
        WeekScore? without = null;
        var fits = false;
        foreach (var other in options[day].Where(o => o.Key != chosen.Key).DistinctBy(o => o.Name))
        {
            grid[day] = other.Dose;
            if (Enumerable.Range(day, 7 - day).Select(d => (Day: d, Rule: WeekRules.Broken(grid, numbers, d))).FirstOrDefault(x => x.Rule is not null && options[x.Day].Count > 0) is { Rule: { } rule } broken)
            {
                others.Add($"{other.Name}: {(broken.Day == day ? "" : $"then {week.Monday.AddDays(broken.Day).DayOfWeek} would not do: ")}{rule.Keeps(grid, numbers, broken.Day)}");
                continue;
            }

            keys[day] = other.Key;
            fits |= other != WeekOption.Off;
            var score = WeekScore.Of(grid, numbers, planned, keys);
            without = other == WeekOption.Off ? score : without;
            if (score.Total > found.Score.Total && other != WeekOption.Off)
            {
                others.Add($"{other.Name}: {Worse(found.Score, score, MetresOf(week))}");
            }
        }

        var reason = chosen == WeekOption.Off
            ? fits ? "enough without it" : "nothing fits"
            : without is { } bare ? Better(found.Score, bare, MetresOf(week)) : "";
        return (string.Join(", ", new[] { to, reason }.Where(t => t.Length > 0)), [.. others.Distinct().Take(4)]);
    }

    // Whose metres the week is kept near.
    private static string MetresOf(GroupWeek week) => week.Aim is { Metres: > 0 } aim ? $"what {aim.Phase} asks" : "the month’s";

    private static string Better(WeekScore with, WeekScore without, string metres) =>
        without.Overdue > with.Overdue ? $"saves {WeekWords.Days((without.Overdue - with.Overdue) / WeekScore.OverdueDay)} over the limit"
        : without.Wishes > with.Wishes ? "gives what the school wishes each week"
        : without.Match > with.Match ? "the day asks for it"
        : without.Changes > with.Changes ? "planned already"
        : without.Metres > with.Metres ? $"keeps the metres near {metres}" : "";

    private static string Worse(WeekScore best, WeekScore other, string metres) =>
        other.Overdue > best.Overdue ? $"{WeekWords.Days((other.Overdue - best.Overdue) / WeekScore.OverdueDay)} more over the limit"
        : other.Wishes > best.Wishes ? "something wished would be missing"
        : other.Match > best.Match ? "no primer or top-up then"
        : other.Changes > best.Changes ? "changes what is planned"
        : other.Metres > best.Metres ? $"metres further from {metres}" : $"costs {other.Total - best.Total} more";
}
