namespace InchBurst.Core.Plan;

/// <summary>What a rep is to be done in: a time, or a share of the speed an endurance test gave.</summary>
/// <param name="Seconds">Time of a rep, the quicker end where a range is written, 0.5 to 7200 s; null where none is said.</param>
/// <param name="MostSeconds">The slower end of a range, s, or null.</param>
/// <param name="AerobicPercent">Percent of the athlete's own aerobic speed, the higher end of a range, 30 to 200; null where none is said.</param>
/// <param name="LeastPercent">The lower end of a range, percent, or null.</param>
public sealed record LineGoal(double? Seconds = null, double? MostSeconds = null, double? AerobicPercent = null, double? LeastPercent = null);
