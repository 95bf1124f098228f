using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Shorthand;

/// <summary>What a shorthand line may assume.</summary>
/// <param name="DefaultUnit">Unit of distances written without one.</param>
/// <param name="Catalogue">Known exercises.</param>
public sealed record ShorthandContext(DistanceUnit DefaultUnit, ExerciseCatalogue Catalogue)
{
    /// <summary>Metres and the exercises that ship with the program.</summary>
    public static ShorthandContext Metric { get; } = new(DistanceUnit.Metre, ExerciseCatalogue.BuiltIn);
}

/// <summary>Why a line cannot be read, and where.</summary>
/// <param name="Start">Place of the first character, from 0.</param>
/// <param name="Length">Number of characters, 0 when something is missing at that place.</param>
/// <param name="Message">What is wrong, in a coach's words.</param>
/// <param name="Suggestion">The nearest word that would be understood, or null.</param>
public sealed record ShorthandProblem(int Start, int Length, string Message, string? Suggestion = null)
{
    /// <summary>What it may have meant, best first; at most nine, each picked with one key.</summary>
    public IReadOnlyList<ShorthandChoice> Choices { get; init; } = [];
}

/// <summary>One answer to a doubtful line.</summary>
/// <param name="Label">What it is, in few words.</param>
/// <param name="Put">What is put where in the line.</param>
public sealed record ShorthandChoice(string Label, (int At, int Length, string Text) Put)
{
    /// <summary>What is written at the end of the line besides.</summary>
    public string Ends { get; init; } = "";

    /// <summary>The line with the answer in it.</summary>
    /// <param name="line">The line as typed.</param>
    public string In(string line) => line[..Put.At] + Put.Text + line[(Put.At + Put.Length)..].TrimEnd() + Ends;
}

/// <summary>A line read, or the problem that kept it from being read; never both and never neither.</summary>
/// <param name="Line">The line, or null.</param>
/// <param name="Problem">The problem, or null.</param>
public sealed record ShorthandReading(PlanLine? Line, ShorthandProblem? Problem);

/// <summary>Reads one line of session shorthand (grammar in docs/formats.md).</summary>
public static class ShorthandLine
{
    /// <summary>Longest line taken, in characters.</summary>
    public const int LongestLine = 400;

    /// <summary>Reads a line. Never throws on what a person may type.</summary>
    /// <param name="text">The line.</param>
    /// <param name="context">Default unit and known exercises; null means <see cref="ShorthandContext.Metric"/>.</param>
    /// <returns>The line with number 0, or the problem with its place.</returns>
    public static ShorthandReading Read(string text, ShorthandContext? context = null)
    {
        if (text.Length > LongestLine)
        {
            return new(null, new(LongestLine, text.Length - LongestLine, $"A line may have {LongestLine} characters."));
        }

        context ??= ShorthandContext.Metric;
        return Habit.InTime(() => ReadInTime(text, context), new(null, TookTooLong(text)));
    }

    /// <summary>Where the machine is so busy that a pattern gives up twice, the line is refused with that, and nothing that was typed is lost.</summary>
    /// <param name="text">The line.</param>
    internal static ShorthandProblem TookTooLong(string text) => new(0, text.Length, "This line took too long to read. Try it once more, or write it shorter.");

    private static ShorthandReading ReadInTime(string text, ShorthandContext context)
    {
        var reading = Plainly(text, context);
        if (reading.Problem is { } problem)
        {
            reading = ShorthandWaysOut.Noted(text, problem, context, t => Plainly(t, context)) ?? new(null, ShorthandWaysOut.For(text, problem, context, t => PlanText.Several(t, context) is null ? Plainly(t, context).Problem : null));
        }

        return reading.Line is { } line && ShorthandAccount.Missing(text, new(0, "", [line]), ShorthandPrinter.Print(line, context.Catalogue), context.Catalogue) is { } missing ? new(null, missing) : reading;
    }

    // A line read, without looking for ways out of its problem.
    internal static ShorthandReading Plainly(string text, ShorthandContext context)
    {
        var typed = LineText.Of(text);
        return AsPrinted(typed, text, context) ?? Try(LineHabits.Settle(typed, context.Catalogue), context);
    }

    /// <summary>Reads a line that the program wrote itself, in the language's own words, as it stands: without looking for habits, which takes longer, and without doubting what is odd.</summary>
    /// <param name="text">The line.</param>
    /// <param name="context">Default unit and known exercises.</param>
    /// <returns>As <see cref="Read"/>, which reads what cannot be read so.</returns>
    public static ShorthandReading ReadOwn(string text, ShorthandContext context) =>
        Try(LineHabits.KeepName(LineText.Of(text), context.Catalogue, true), context, true) is { Line: not null } reading ? reading : Read(text, context);

    // What the program prints is read as it stands, whatever habits there are.
    private static ShorthandReading? AsPrinted(LineText typed, string text, ShorthandContext context) =>
        Try(LineHabits.KeepName(typed, context.Catalogue, true), context, true) is { Line: { } line } reading && ShorthandPrinter.Print(line, context.Catalogue) == text.Trim() ? reading : null;

    private static ShorthandReading Try(LineText line, ShorthandContext context, bool asWritten = false)
    {
        try
        {
            return new(new ShorthandReader(line, context, asWritten).Line(), null);
        }
        catch (ShorthandException e)
        {
            return new(null, e.Problem);
        }
    }
}

internal sealed class ShorthandException(ShorthandProblem problem) : Exception(problem.Message)
{
    public ShorthandProblem Problem { get; } = problem;
}
