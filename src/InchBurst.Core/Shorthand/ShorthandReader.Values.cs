using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;
using static InchBurst.Core.Shorthand.ShorthandWords;

namespace InchBurst.Core.Shorthand;

/// <summary>Figures and words within their bounds, and what is said when they are not.</summary>
internal sealed partial class ShorthandReader
{
    private double Amount(double least, double most, string what)
    {
        var value = Within(Now, Now.Value, least, most, what);
        at++;
        return value;
    }

    // A time without a unit: few are minutes, many are seconds; what is held may be done so many times too.
    private static ShorthandException Unitless(Token bare, bool orReps = false, bool isLong = false)
    {
        var areMinutes = isLong || bare.Value <= MostBareMinutes;
        string[] units = areMinutes ? ["min", "s"] : ["s", "min"];
        var first = Figures.Clock(areMinutes ? bare.Value * 60 : bare.Value);
        return Doubtful(bare, $"{bare.Text} {units[0]}? Write {first}; {(orReps ? $"{bare.Text} {units[1]}; or {bare.Text} reps" : $"or {bare.Text} {units[1]}")}.", orReps ? [.. units, "reps"] : units, unit => (bare.Start + bare.Length, 0, " " + unit), unit => $"{bare.Text} {unit}");
    }

    private const double MostBareMinutes = 10;

    private static int Whole(Token token, int least, int most, string what)
    {
        var value = Within(token, token.Value, least, most, what);
        return value == Math.Floor(value) ? (int)value : throw Wrong(token, $"{what} must be a whole number.");
    }

    private static double Within(Token token, double value, double least, double most, string what) =>
        value >= least && value <= most ? value : throw Wrong(token, $"{what} must be from {Figures.Number(least, 1)} to {Figures.Number(most, 1)}.");

    private const double LongestRunMetres = 10000;

    private static Distance Metres(Token token, DistanceUnit unit)
    {
        var distance = new Distance(token.Value, unit);
        return distance.Metres is >= 0.5 and <= LongestRunMetres ? distance : throw Wrong(token, "A distance must be from 0.5 to 10000 m.");
    }

    private static string Text(Token token, int longest, string what)
    {
        var text = token.Text.Trim();
        return text.Length is > 0 && text.Length <= longest && !text.Any(char.IsControl) ? text : throw Wrong(token, $"{what} has 1 to {longest} characters.");
    }

    private ShorthandException Unknown(Token token, IEnumerable<string>? among = null, string what = "word")
    {
        var near = Common.Contains(token.Text) ? null : Nearest(token.Text, among ?? Keywords.Concat(EffortWords.Keys).Concat(Roles.Keys).Concat(Movements.Keys).Concat(DistanceUnits.Keys).Concat(TimeUnits.Keys).Concat(exerciseName is null ? context.Catalogue.Names : []));
        return new(new(token.Start, token.Length, near is null ? $"“{token.Text}” is not a {what} known here." : near.Equals(token.Text, StringComparison.OrdinalIgnoreCase) ? $"“{token.Text}” does not belong here." : $"“{token.Text}” is not known. Did you mean {near}?", near) { Choices = near is null || near.Equals(token.Text, StringComparison.OrdinalIgnoreCase) ? [] : [new(near, (token.Start, token.Length, near))] });
    }

    // Words that people write and the table of habits knows, which are no slips of other words; and no word is a slip of its own plural.
    private static readonly HashSet<string> Common = new(["set", "sets", "and", "best", "sprints", "starts", "runs", "test", "round", "rounds", "first", "last", "next", "steps", "stop", "back", "line", "lines", "hold", "only", "test", "then", "than", "corner", "corners", "cone", "cones", "over", "under", "side", "sides", "wall", "starters", "one", "two", "three", "four", "five", "six"], StringComparer.OrdinalIgnoreCase);

    // A doubtful reading is asked about: each choice is the whole line with something put in.
    private static ShorthandException Doubtful(Token token, string question, IReadOnlyList<string> words, Func<string, (int At, int Length, string Put)> with, Func<string, string>? label = null) =>
        new(new(token.Start, token.Length, question) { Choices = [.. words.Select(w => new ShorthandChoice(label?.Invoke(w) ?? w, with(w)))] });

    // A name nobody knows: a slip, or an exercise of the coach's own, of which only its kind is asked.
    private ShorthandException Doubtful(Token token, string name, string? near, Token? slip = null)
    {
        if (name.Length is < 2 or > 80 || name.Contains('"', StringComparison.Ordinal))
        {
            return Wrong(token, $"“{name}” is not a name: it has 2 to 80 characters.");
        }

        // Nobody meant the same word.
        near = name.Equals(near, StringComparison.OrdinalIgnoreCase) ? null : near;
        var at = near is null ? token : slip ?? token;
        List<ShorthandChoice> choices = near is null || Keywords.Contains(near) ? [] : [new(near, (at.Start, at.Length, near))];
        if (near is null && cue is null && Within(name) is { } within)
        {
            choices.Add(new($"{within.Known.Name}, {within.How}", (token.Start, token.Length, within.Known.Name)) { Ends = $" cue \"{within.How}\"" });
        }

        choices.AddRange(OwnKinds.Select(k => new ShorthandChoice($"my own: {k.Words}", (token.Start, token.Length, $"\"{name}\"")) { Ends = $" as {k.Kind.Word()}" }));
        return new(new(at.Start, at.Length, near is null ? choices.Count > OwnKinds.Length ? $"“{name}” is new. Is it {choices[0].Label}? Or what sort of work is it?" : $"“{name}” is new. What sort of work is it?" : $"“{name}” is not known. Did you mean {near}? Or what sort of work is it?", near) { Choices = choices });
    }

    private static readonly (WorkKind Kind, string Words)[] OwnKinds =
        [(WorkKind.Drill, "a drill"), (WorkKind.Jumps, "jumps or throws"), (WorkKind.Strength, "strength or trunk"), (WorkKind.Mobilise, "warming up"), (WorkKind.Acceleration, "sprinting"), (WorkKind.Conditioning, "conditioning")];

    private static ShorthandException Wrong(Token token, string message) => new(new(token.Start, token.Length, message));

    // A time alone behind what is done several times is the rest, unless somebody could run that far in it.
    private bool IsRestBehind(Token token)
    {
        var end = Later(token.Kind == TokenKind.Clock ? 1 : 2);
        return TimeAt(token) is >= LeastBareRest and var seconds && (end.Kind == TokenKind.End || end.Is(',')) && sets * reps > 1 && exercise?.Counted != CountedIn.Seconds
            && (shape is CountShape || (shape is RunShape run && run.Metres / seconds is < LeastRunSpeed or > MostRunSpeed));
    }

    // Seconds of a clock's time or of a number with a unit of time behind it; 0 where it is neither.
    private double TimeAt(Token token) => token.Kind == TokenKind.Clock ? token.Value : Next.Kind == TokenKind.Word && TimeUnits.TryGetValue(Next.Text, out var unit) ? token.Value * unit : 0;

    private const double LeastBareRest = 20;
    private const double LeastRunSpeed = 3;
    private const double MostRunSpeed = 12;
}
