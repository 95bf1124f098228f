using InchBurst.Core.Demand;
using InchBurst.Core.Load;
using InchBurst.Core.Plan;
using InchBurst.Core.Sprint;

namespace InchBurst.Core.Log;

/// <summary>What an athlete usually takes for a stretch.</summary>
/// <param name="FromMillimetres">Where it begins; 0 for the start.</param>
/// <param name="ToMillimetres">Where it ends.</param>
/// <param name="Fastest">Fastest comparable time in s.</param>
/// <param name="Slowest">Slowest comparable time in s.</param>
/// <param name="Runs">How many runs it stands on.</param>
public sealed record StretchRange(int FromMillimetres, int ToMillimetres, double Fastest, double Slowest, int Runs);

/// <summary>What is known when marks are judged.</summary>
/// <param name="FromRest">True when the run begins from rest and straight on, so that nobody starts faster than the best measured.</param>
/// <param name="IsHelped">True when it is run with help, so that own best speeds say nothing.</param>
/// <param name="IsHard">True for a free hard run straight on, which is never slow.</param>
/// <param name="StartBehindGateMetres">Distance from the start line to the first gate, m.</param>
/// <param name="BestSpeed">The athlete's best flying speed in m/s, if known.</param>
public sealed record MarkContext(bool FromRest = true, bool IsHelped = false, bool IsHard = true, double StartBehindGateMetres = 0, double? BestSpeed = null)
{
    /// <summary>How the times are typed.</summary>
    public EntryMode Mode { get; init; }

    /// <summary>Why figures are missing, if they are.</summary>
    public PartFilled Part { get; init; }

    /// <summary>Least seconds anybody could take to a mark of a course that turns, by its metres; null where the straight rules hold.</summary>
    public Func<double, double>? Least { get; init; }

    /// <summary>The athlete's own ranges over stretches; those that stand on too few runs are passed over.</summary>
    public IReadOnlyList<StretchRange> Ranges { get; init; } = [];

    /// <summary>What is known from what a line asks.</summary>
    /// <param name="demand">What the line asks.</param>
    /// <param name="startBehindGateMetres">Distance from the start line to the first gate, m.</param>
    /// <param name="bestSpeed">The athlete's best flying speed in m/s, if known.</param>
    public static MarkContext Of(LineDemand demand, double startBehindGateMetres, double? bestSpeed) => new(
        demand.Line.Start?.Position != StartPosition.Moving && !demand.IsAssisted && demand.Course is { IsStraightSprint: true },
        demand.IsAssisted,
        demand is { IsHardSprint: true, Load.Sense: LoadSense.Free, Course.IsStraightSprint: true },
        startBehindGateMetres,
        bestSpeed)
    {
        Least = demand.Course is { SharpTurns: > 0 } ? LeastOf(demand, startBehindGateMetres) : null,
    };

    // Whoever starts and runs faster than anyone ever measured, at full effort without a load, and a seventh on top for what the model of turns may miss.
    private static Func<double, double> LeastOf(LineDemand demand, double startBehindGateMetres)
    {
        var nobody = LineDemand.Of(demand.Line with { Effort = new([100]), Load = null }, demand.Exercise, new(MarkEntry.StartNobodyMakes));
        return metres => MissedShare * nobody.ExpectedSeconds(metres, startBehindGateMetres);
    }

    private const double MissedShare = 0.85;
}
