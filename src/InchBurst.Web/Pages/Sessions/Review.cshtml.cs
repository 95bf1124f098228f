using System.Globalization;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Live;
using InchBurst.Core.Load;
using InchBurst.Core.Log;
using InchBurst.Core.Make;
using InchBurst.Core.Plan;
using InchBurst.Core.Rest;
using InchBurst.Core.School;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Drawing;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Sessions;

/// <summary>An athlete's times on a line.</summary>
public sealed record ReviewTimes(Athlete Athlete, IReadOnlyList<(Run Run, RunMeaning Meaning)> Runs, double? BestBefore, string? Sides)
{
    public RunMeaning Best => Runs.MinBy(r => r.Meaning.Seconds).Meaning;

    public bool IsNewBest => BestBefore is { } before && Best.Seconds < before - 1e-9;
}

/// <summary>A line with the times of everyone.</summary>
public sealed record ReviewLine(PlanLine Line, LineReview Review, IReadOnlyList<ReviewTimes> Times, IReadOnlyList<(Athlete Athlete, Run Run)> Measured, bool IsJump)
{
    /// <summary>The real rests, or null when nobody ran twice.</summary>
    public RestDots? Rests { get; init; }

    /// <summary>The goes, with the moment each ended.</summary>
    public IReadOnlyList<Go> Goes { get; init; } = [];
}

/// <summary>A row of the ratings form as typed.</summary>
public sealed record RatingRow(Attendance Row, string Rating, string Minutes, string Note, string? Wrong);

/// <summary>What was planned against what was run, and what follows from it.</summary>
public sealed class ReviewModel(TracksideBook book, SquadBook squads, ResultsBook results, SchoolBook schools, LoadBook loads, LiveMaker settings, ExerciseCatalogue catalogue, Desk desk, WeekBook weeks) : PageModel
{
    private ILookup<int, string> groups = null!;

    private const double StripWidth = 1232;

    public LiveSession Live { get; private set; } = null!;

    public Club Club { get; private set; } = null!;

    public double StopShare { get; private set; }

    public IReadOnlyList<ReviewLine> Lines { get; private set; } = [];

    public IReadOnlyList<(Athlete Athlete, double? Share, double? Best)> Reached { get; private set; } = [];

    /// <summary>Free runs soon after loaded ones against each athlete's usual, the fastest first.</summary>
    public IReadOnlyList<(Athlete Athlete, Contrast Contrast)> Contrasts { get; private set; } = [];

    public IReadOnlyList<FaultSeen> Faults { get; private set; } = [];

    public IReadOnlyList<(Athlete Athlete, string Text)> Messages { get; private set; } = [];

    public IReadOnlyList<RatingRow> Ratings { get; private set; } = [];

    public string Notes { get; private set; } = "";

    public bool Saved { get; private set; }

    /// <summary>Planned and run in time; null before anything ran.</summary>
    public ReviewStrip? Strip { get; private set; }

    /// <summary>Every rep of the lines run at full effort; null where there are none.</summary>
    public ReviewReps? Every { get; private set; }

    /// <summary>What the rests say, with what it cost.</summary>
    public string RestWords
    {
        get
        {
            var rests = Lines.Select(l => l.Review.Rests).OfType<RealRests>().ToList();
            var brief = rests.Sum(r => r.Short);
            var latest = Strip?.Late.Where(a => a.Text.StartsWith('+')).MaxBy(a => a.To - a.From);
            return (brief == 0 ? "Nobody was short of rest." : $"{brief} of {rests.Sum(r => r.Count)} rests were more than a tenth short: times after them may be slower than the athlete.")
                + (latest is { } late && rests.Any(r => r.MedianSeconds > r.PlannedSeconds * 1.5) ? $" Rests ran longer than asked, and the session ended up to {late.Text[1..]} late." : "");
        }
    }

    public int SessionMinutes { get; private set; }

    public async Task<IActionResult> OnGetAsync(int id, bool saved = false)
    {
        Saved = saved;
        return await LoadAsync(id) ? Page() : NotFound();
    }

    public async Task<IActionResult> OnPostRatingsAsync(int id, int[] athlete, string[] rating, string[] minutes, string[] note, string? notes)
    {
        if (!await LoadAsync(id))
        {
            return NotFound();
        }

        var rows = new List<RatingRow>();
        var good = new Dictionary<int, (double? Rating, int? Minutes, string Note)>();
        for (var i = 0; i < athlete.Length; i++)
        {
            if (Live.Attendance.FirstOrDefault(a => a.AthleteId == athlete[i]) is not { } row)
            {
                continue;
            }

            string At(string[] all) => (all.ElementAtOrDefault(i) ?? "").Trim();
            var (r, m, n) = (At(rating), At(minutes), At(note));
            double? value = null;
            int? length = null;
            string? wrong = null;
            if (r.Length > 0)
            {
                wrong = double.TryParse(r.Replace(',', '.'), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var typed) && typed is >= 0 and <= 10 ? null : "A rating is 0 to 10.";
                value = typed;
            }

            if (m.Length > 0)
            {
                wrong ??= int.TryParse(m, NumberStyles.None, CultureInfo.InvariantCulture, out var whole) && whole is >= 1 and <= 600 ? null : "Minutes are 1 to 600.";
                length = int.TryParse(m, NumberStyles.None, CultureInfo.InvariantCulture, out var kept) ? kept : null;
            }

            wrong ??= n.Length > 300 ? "A note has at most 300 characters." : null;
            rows.Add(new(row, r, m, n, wrong));
            good[row.AthleteId] = (value, length, n);
        }

        Notes = (notes ?? "").Trim();
        if (rows.Any(r => r.Wrong is not null) || Notes.Length > 2000)
        {
            Ratings = rows;
            return Page();
        }

        await book.ChangeAsync(id, live =>
        {
            live.Session.Notes = Notes;
            foreach (var row in live.Attendance.Where(a => good.ContainsKey(a.AthleteId)))
            {
                (row.Rating, row.Minutes, row.Note) = good[row.AthleteId];
            }
        });
        return Redirect($"/Sessions/{id}/Review?saved=true#ratings");
    }

    private async Task<bool> LoadAsync(int id)
    {
        if (await book.LoadAsync(id) is not { } live)
        {
            return false;
        }

        Live = live;
        Club = await desk.ClubAsync();
        var session = live.Session;
        groups = await weeks.OwnGroupsAsync(session.SquadId);
        var school = await schools.OfAsync(session);
        StopShare = school["stop.share"] / 100;
        SessionMinutes = session is { StartedAt: { } from, EndedAt: { } to } ? Math.Clamp((int)Math.Round((to - from).TotalMinutes), 1, 600) : session.WindowMinutes;
        Notes = session.Notes;
        var here = live.Attendance.Where(a => a.Present).ToList();
        var lines = new List<ReviewLine>();
        foreach (var line in live.Plan.Lines)
        {
            if (await LineAsync(line, here, school) is { } review)
            {
                lines.Add(review);
            }
        }

        Lines = lines;
        var rows = (await squads.RowsAsync(session.SquadId, session.Day)).ToDictionary(r => r.Athlete.Id);
        Reached = [.. here.Select(a =>
        {
            var today = live.Runs.Where(r => r.AthleteId == a.AthleteId).Max(r => r.FlyingSpeed);
            var best = rows.GetValueOrDefault(a.AthleteId)?.BestSpeed;
            return (a.Athlete!, today / best, today);
        }).OrderByDescending(x => x.Item2 ?? -1)];
        var contrasts = new List<(Athlete Athlete, Contrast Contrast)>();
        foreach (var person in here.Where(a => live.Runs.Any(r => r.AthleteId == a.AthleteId && r.Load.Length > 0)))
        {
            if ((await loads.ContrastsAsync(person.AthleteId, session.Day)).TryGetValue(session.Id, out var contrast))
            {
                contrasts.Add((person.Athlete!, contrast));
            }
        }

        Contrasts = [.. contrasts.OrderByDescending(c => c.Contrast.FasterPercent)];
        if (Live.Session.StartedAt is { } started && Lines.Count > 0)
        {
            var planned = PlanJson.Read(Live.Session.PlanJson);
            var timeline = SessionClock.Lay(planned, (await settings.SettingAsync(Live.Session, Club)).Clock(Live.State with { Plan = planned }));
            Strip = ReviewStrip.Draw(timeline, [.. Lines.Select(l => (l.Line, l.Goes))], started, Live.Session.WindowMinutes * 60, l => [LiveView.ItemName(l, planned), LiveView.ItemName(l), LineWords.DoseText(l)], StripWidth);
        }

        Faults = Observations.Most(live.Runs.SelectMany(r => r.Seen.Select(x => (r.AthleteId, x.Code))), catalogue);
        Every = ReviewReps.Of([.. lines.Where(l => l.Times.Count > 0 && IsOneEffort(l.Line)).Select(l => (l, LineWords.DoseText(l.Line), (Func<Athlete, int>)(a => AskedOf(l.Line, a))))], Faults, StopShare);
        Ratings = [.. here.Select(a => new RatingRow(a, a.Rating is { } r ? Figures.Number(r, 1) : "", a.Minutes?.ToString(CultureInfo.InvariantCulture) ?? "", a.Note, null))];
        Messages = [.. here.Where(a => live.Runs.Any(r => r.AthleteId == a.AthleteId)).Select(a => (a.Athlete!, Message(a.Athlete!)))];
        return true;
    }

    // A drop is only read off full reps of one effort; build-ups are meant to differ.
    private bool IsOneEffort(PlanLine line) => LineDemand.Of(line, catalogue).IsHardSprint && (line.Effort?.Percents.Distinct().Count() ?? 1) == 1;

    private int AskedOf(PlanLine line, Athlete athlete) => BuilderMaker.IsFor(Live.Plan, line, athlete, groups) ? line.Turns * (Live.Plan.BlockOf(line.Id)?.Rounds ?? 1) : 0;

    /// <summary>A drill for what was seen, for those on whom it was seen; for everybody when that was most of those here.</summary>
    public string DrillFor(FaultSeen fault, Exercise drill)
    {
        var names = Live.Attendance.Where(a => a.Present && Live.Runs.Any(r => r.AthleteId == a.AthleteId && r.Seen.Any(s => s.Code.Equals(fault.Seen.Code, StringComparison.OrdinalIgnoreCase)))).Select(a => a.Athlete!.Name).ToList();
        return names.Count == 0 || names.Count * 2 > Live.Attendance.Count(a => a.Present) ? drill.Name : $"{drill.Name} for {string.Join(", ", names.Select(n => $"\"{n}\""))}";
    }

    private async Task<ReviewLine?> LineAsync(PlanLine line, List<Attendance> here, CoachingSchool school)
    {
        var runs = Live.Runs.Where(r => r.LineId == line.Id && r.Outcome is not (RunOutcome.Skipped or RunOutcome.Again)).ToList();
        // A note on a line without times or measures says what was seen, not that a rep was run.
        if (runs.Count == 0 || (LineMarks.Expected(LineDemand.Of(line, catalogue)).Count + line.AskedMeasures.Count == 0 && runs.All(r => r.Marks.Count + r.Measures.Count == 0)))
        {
            return null;
        }

        var names = Live.Attendance.ToDictionary(a => a.AthleteId, a => a.Athlete!);
        var planned = PlanJson.Read(Live.Session.PlanJson).Line(line.Id);
        var rest = RestRules.Between(LineDemand.Of(planned ?? line, catalogue), school).Seconds;
        IReadOnlyList<Go> goes = [.. runs.Select(r => new Go(r.AthleteId, r.FinishedAt, r.Marks.Select(m => m.Seconds).DefaultIfEmpty(0).Max()))];
        var setRest = (planned ?? line).Rest?.SetSeconds ?? rest;
        var review = SessionReview.Of(planned, line, Live.Plan.BlockOf(line.Id)?.Rounds ?? 1, here.Count(a => BuilderMaker.IsFor(Live.Plan, line, a.Athlete!, groups)), goes, rest, setRest);
        var times = new List<ReviewTimes>();
        foreach (var own in runs.Where(r => r.Marks.Count > 0 && names.ContainsKey(r.AthleteId)).GroupBy(r => r.AthleteId))
        {
            // Times of one trial are set beside each other: the one run most often where a line was timed in more ways than one.
            var logged = own.OrderBy(r => r.FinishedAt).Select(r => (Run: r, Logged: r.ToLogged())).ToList();
            var lead = logged.MaxBy(r => logged.Count(o => RunMeaning.SameButSide(o.Logged, r.Logged))).Logged;
            var read = logged.Where(r => RunMeaning.SameButSide(r.Logged, lead)).Select(r => (r: r.Run, RunMeaning.Against(r.Logged, null))).ToList();
            var best = read.MinBy(r => r.Item2.Seconds).r;
            var sides = read.Where(r => r.r.Side is not null).ToLookup(r => r.r.Side!.Value, r => r.Item2.Seconds);
            times.Add(new(names[own.Key], read, await results.BestBeforeAsync(best, earlierDaysOnly: true), LiveEntry.Sides([.. sides[Side.Left]], [.. sides[Side.Right]], best.Method)));
        }

        return new(line, review, [.. times.OrderBy(t => t.Best.Seconds)], [.. runs.Where(r => r.Measures.Count > 0 && names.ContainsKey(r.AthleteId)).Select(r => (names[r.AthleteId], r))], LiveEntry.IsJump(line, catalogue))
        {
            Goes = goes,
            Rests = review.Rests is { } real ? RestDots.Draw([.. SessionReview.Each(goes, rest, setRest, Math.Max(1, line.Turns / line.Sets)).Select(r => r.Real)], rest, real.MedianSeconds) : null,
        };
    }

    // A time with a load or help is told as that, never as the athlete's own.
    private string NameOf(PlanLine line, ReviewTimes times)
    {
        var item = LiveView.ItemName(line, Live.Plan);
        var name = item == times.Best.Label ? times.Best.Label : $"{item}, {times.Best.Label}";
        var words = times.Runs[0].Run.ToLogged().Trial.FlyingWords;
        return words.Length == 0 ? name : $"{name} ({words})";
    }

    // Words written on the day are passed on as they are; chips, shipped or the club's own, with the drill that answers them.
    private bool IsChip(string code) => catalogue.Seen(code).Phase != RunPhase.Own;

    private string Message(Athlete athlete)
    {
        var lines = Lines.SelectMany(l => l.Times.Where(t => t.Athlete.Id == athlete.Id).Select(t => new MessageLine(
            NameOf(l.Line, t), [.. t.Runs.Select(r => r.Meaning.Seconds)], Figures.SpeedText(t.Best.Speed, Club.SpeedUnit), t.BestBefore, t.Runs[0].Run.ToLogged().Trial.IsAssisted))).ToList();
        var seen = Live.Runs.Where(r => r.AthleteId == athlete.Id).SelectMany(r => r.Seen.Select(s => s.Code)).ToList();
        return AthleteMessage.Write(
            athlete.Name, Desk.DayText(Live.Session.Day), lines, Reached.FirstOrDefault(r => r.Athlete.Id == athlete.Id).Share,
            [.. seen.Select(catalogue.Seen).Where(o => o.IsGood).Select(o => o.Says).Distinct()],
            [.. Observations.Most(seen.Where(IsChip).Select(s => (athlete.Id, s)), catalogue).Take(2).Select(f => f.Drills.Count > 0 ? $"{f.Seen.Says.ToLowerInvariant()}, so {f.Drills[0].Name}" : f.Seen.Says.ToLowerInvariant())],
            Live.Session.Cue,
            [.. seen.Where(s => !IsChip(s)).Distinct(StringComparer.OrdinalIgnoreCase)]);
    }
}
