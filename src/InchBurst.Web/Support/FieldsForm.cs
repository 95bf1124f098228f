using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;

namespace InchBurst.Web.Support;

/// <summary>The fields of a line as they come in from the form.</summary>
public static class FieldsForm
{
    public static LineFields Read(IFormCollection form)
    {
        string Value(string name) => form[name].FirstOrDefault() ?? "";
        var count = form["SegmentAmount"].Count;
        return new()
        {
            Exercise = Value("Exercise"),
            Sets = Value("Sets"),
            Reps = Value("Reps"),
            Segments = [.. Enumerable.Range(0, count).Select(i => new SegmentField
            {
                Amount = form["SegmentAmount"][i] ?? "",
                Unit = form["SegmentUnit"].ElementAtOrDefault(i) ?? "m",
                Role = form["SegmentRole"].ElementAtOrDefault(i) ?? "run",
                Side = form["SegmentSide"].ElementAtOrDefault(i) ?? "",
            })],
            Time = Value("Time"),
            Count = Value("Count"),
            Passes = Value("Passes") == "true",
            CountWord = Value("CountWord"),
            InWaves = Value("InWaves") == "true",
            Effort = Value("Effort"),
            Start = Value("Start"),
            Rest = Value("Rest"),
            SetRest = Value("SetRest"),
            Goal = Value("Goal"),
            Load = Value("Load"),
            Gates = Value("Gates"),
            Through = Value("Through"),
            EachSide = Value("EachSide") == "true",
            Log = Value("Log"),
            For = Value("For"),
            Cue = Value("Cue"),
            Kind = Value("Kind"),
        };
    }

    /// <summary>True when two sets of fields have the same inputs, so that what is on screen can stay while it is typed in.</summary>
    public static bool SameInputs(LineFields typed, LineFields kept) =>
        typed.Segments.Where(s => s.Amount.Trim().Length > 0).Select(s => s.Role is "turn" or "cut").SequenceEqual(kept.Segments.Select(s => s.Role is "turn" or "cut"))
        && typed.Segments.Count == kept.Segments.Count + (kept.Segments.Count > 0 ? 1 : 0)
        && (typed.Time.Length > 0) == (kept.Time.Length > 0) && (typed.Count.Length > 0) == (kept.Count.Length > 0);
}
