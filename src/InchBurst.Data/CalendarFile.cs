using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;
using InchBurst.Core.Season;
using Calendar = Ical.Net.Calendar;

namespace InchBurst.Data;

/// <summary>An event read from a calendar file, in the club's own time.</summary>
/// <param name="Uid">The event's own name.</param>
/// <param name="Occurrence">Which of a repeated event; empty for one that is not repeated.</param>
/// <param name="Title">Title.</param>
/// <param name="Where">Place, may be empty.</param>
/// <param name="Day">First day.</param>
/// <param name="LastDay">Last day.</param>
/// <param name="Start">When it starts; null for a whole day.</param>
/// <param name="IsCancelled">True when the file says that it is off.</param>
public sealed record CalendarEvent(string Uid, string Occurrence, string Title, string Where, DateOnly Day, DateOnly LastDay, TimeOnly? Start, bool IsCancelled);

/// <summary>What was read from a calendar file: events, or why not.</summary>
public sealed record CalendarRead(IReadOnlyList<CalendarEvent> Events, string? Problem)
{
    public static CalendarRead Not(string problem) => new([], problem);
}

/// <summary>Something that goes out into a calendar.</summary>
public sealed record CalendarOut(string Uid, string Title, string About, string Where, DateOnly Day, DateOnly LastDay, TimeOnly? Start, int Minutes);

/// <summary>Calendars as files (RFC 5545), read and written by a kept library.</summary>
public static class CalendarFile
{
    /// <summary>Longest file, characters.</summary>
    public const int MostCharacters = 1_000_000;

    /// <summary>Most events of one reading.</summary>
    public const int MostEvents = 400;

    private const int MostTitle = 120;

    /// <summary>Reads the events of a file between two days, repeats laid out, times in the club's zone.</summary>
    /// <param name="text">The file.</param>
    /// <param name="from">First day.</param>
    /// <param name="to">Last day.</param>
    /// <param name="zone">Zone of the club.</param>
    public static CalendarRead Read(string text, DateOnly from, DateOnly to, TimeZoneInfo zone)
    {
        if (text.Length > MostCharacters)
        {
            return CalendarRead.Not("This file is too large for a season's calendar. Export fewer months.");
        }

        if (Damage(text) is { } damage)
        {
            return CalendarRead.Not(damage);
        }

        List<CalendarEvent> events = [];
        try
        {
            var calendar = Calendar.Load(text);
            if (calendar is null || calendar.Events.Count == 0)
            {
                return CalendarRead.Not("There is no event in this file.");
            }

            if (calendar.Events.FirstOrDefault(e => e.Start is null) is { } dateless)
            {
                return CalendarRead.Not($"“{Cut(dateless.Summary)}” has no start. Nothing was read.");
            }

            // A day more on both sides: zones can move an event over midnight.
            var start = new CalDateTime(from.AddDays(-1).ToDateTime(default), "UTC");
            foreach (var occurrence in calendar.GetOccurrences<Ical.Net.CalendarComponents.CalendarEvent>(start).TakeWhile(o => DayOf(o.Period.StartTime, zone).Day <= to))
            {
                var source = (Ical.Net.CalendarComponents.CalendarEvent)occurrence.Source;
                var (day, time) = DayOf(occurrence.Period.StartTime, zone);
                var end = occurrence.Period.EffectiveEndTime is { } stop ? DayOf(stop, zone) : (Day: day, Start: null);

                // A whole day ends at the beginning of the next one; what ends after midnight is still that evening's.
                var last = time is null ? end.Day.AddDays(-1) : end.Start is { } ends && ends.Hour < 6 ? end.Day.AddDays(-1) : end.Day;
                if (day < from && last < from)
                {
                    continue;
                }

                var repeats = source.RecurrenceRule is not null || source.RecurrenceDates.GetAllDates().Any() || source.RecurrenceIdentifier is not null;
                var planned = source.RecurrenceIdentifier?.StartTime ?? occurrence.Period.StartTime;
                events.Add(new(
                    source.Uid ?? "", repeats ? (planned.HasTime ? planned.AsUtc.ToString("yyyyMMdd'T'HHmm'Z'", System.Globalization.CultureInfo.InvariantCulture) : planned.Date.ToString("yyyyMMdd", System.Globalization.CultureInfo.InvariantCulture)) : "",
                    Cut(source.Summary), Cut(source.Location), day, last < day ? day : last, time, string.Equals(source.Status, "CANCELLED", StringComparison.OrdinalIgnoreCase)));
                if (events.Count > MostEvents)
                {
                    return CalendarRead.Not($"More than {MostEvents} events lie in that time. Choose fewer months.");
                }
            }
        }
        catch (Exception e) when (e is not OutOfMemoryException and not StackOverflowException)
        {
            // The library throws many kinds for what it cannot read; all mean the same to whoever chose the file.
            return CalendarRead.Not("This file is damaged: a date or a repeat in it cannot be read. Export it again.");
        }

        if (events.Any(e => e.Uid.Length is 0 or > 250))
        {
            return CalendarRead.Not("An event in this file has no name of its own (UID), so reading it again would double it.");
        }

        return events.Count == 0 ? CalendarRead.Not("No event of this file lies in that time.") : new([.. events.DistinctBy(e => (e.Uid, e.Occurrence)).OrderBy(e => e.Day).ThenBy(e => e.Start)], null);
    }

    /// <summary>A calendar file; times are written in UTC, so that every calendar shows them right in its own zone.</summary>
    /// <param name="name">Name of the calendar.</param>
    /// <param name="events">What it holds.</param>
    /// <param name="zone">Zone of the club.</param>
    /// <param name="now">When it is written.</param>
    public static string Write(string name, IEnumerable<CalendarOut> events, TimeZoneInfo zone, DateTime now)
    {
        var calendar = new Calendar { ProductId = "-//Inch Burst//Season//EN" };
        calendar.AddProperty("X-WR-CALNAME", name);
        foreach (var e in events)
        {
            var made = new Ical.Net.CalendarComponents.CalendarEvent { Uid = e.Uid, Summary = e.Title, DtStamp = new CalDateTime(now, "UTC") };
            if (e.About.Length > 0)
            {
                made.Description = e.About;
            }

            if (e.Where.Length > 0)
            {
                made.Location = e.Where;
            }

            if (e.Start is { } start)
            {
                var utc = ToUtc(e.Day, start, zone);
                made.Start = new CalDateTime(utc, "UTC");
                made.End = new CalDateTime(utc.AddMinutes(Math.Max(1, e.Minutes)), "UTC");
            }
            else
            {
                made.Start = new CalDateTime(e.Day);
                made.End = new CalDateTime(e.LastDay.AddDays(1));
            }

            calendar.Events.Add(made);
        }

        return new CalendarSerializer().SerializeToString(calendar) ?? "";
    }

    /// <summary>A moment of the club's clock in UTC; a time that summer time skips is taken an hour later.</summary>
    /// <param name="day">Day.</param>
    /// <param name="time">Time.</param>
    /// <param name="zone">Zone.</param>
    public static DateTime ToUtc(DateOnly day, TimeOnly time, TimeZoneInfo zone)
    {
        var local = day.ToDateTime(time);
        return TimeZoneInfo.ConvertTimeToUtc(zone.IsInvalidTime(local) ? local.AddHours(1) : local, zone);
    }

    // A time without a zone is the club's own.
    private static (DateOnly Day, TimeOnly? Start) DayOf(CalDateTime when, TimeZoneInfo zone)
    {
        if (!when.HasTime)
        {
            return (when.Date, null);
        }

        var local = when.IsFloating ? when.Value : TimeZoneInfo.ConvertTimeFromUtc(DateTime.SpecifyKind(when.AsUtc, DateTimeKind.Utc), zone);
        return (DateOnly.FromDateTime(local), TimeOnly.FromDateTime(local));
    }

    private static string Cut(string? text) => (text ?? "").Trim().ReplaceLineEndings(" ") is var t && t.Length > MostTitle ? t[..(MostTitle - 1)] + "…" : t.Length == 0 ? "" : t;

    // What the library would pass over in silence: a file that is cut off, or no calendar at all.
    private static string? Damage(string text)
    {
        var open = new Stack<string>();
        var (number, begun) = (0, false);
        foreach (var raw in text.TrimStart('\uFEFF').Split('\n'))
        {
            number++;
            var line = raw.TrimEnd('\r');
            if (line.Contains('\0', StringComparison.Ordinal))
            {
                return "This is no calendar file.";
            }

            if (line.StartsWith("BEGIN:", StringComparison.OrdinalIgnoreCase))
            {
                var what = line[6..].Trim().ToUpperInvariant();
                if (!begun && what != "VCALENDAR")
                {
                    return "This is no calendar file: it does not begin as one.";
                }

                begun = true;
                open.Push(what);
            }
            else if (line.StartsWith("END:", StringComparison.OrdinalIgnoreCase))
            {
                var what = line[4..].Trim().ToUpperInvariant();
                if (!open.TryPop(out var last) || last != what)
                {
                    return $"Line {number} ends “{what}”, which was not begun. The file is damaged; export it again.";
                }
            }
            else if (begun && line.Length > 0 && line[0] is not (' ' or '\t') && (open.Count == 0 || !line.Contains(':', StringComparison.Ordinal)))
            {
                return $"Line {number} cannot be read. The file is damaged; export it again.";
            }
            else if (!begun && line.Trim().Length > 0)
            {
                return "This is no calendar file: it does not begin as one.";
            }
        }

        return !begun ? "The file is empty." : open.Count > 0 ? "The file is cut off before its end. Export it again." : null;
    }
}
