using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Plan;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data;

/// <summary>Fills in what runs of an older file do not say of their trial, from the plans they were run by, and the times over stretches that are kept since.</summary>
public static class TrialFill
{
    private const int Batch = 4000;

    /// <summary>Fills whatever is not filled, in steps that are each whole; stopping half way loses nothing. Gives how many runs were filled.</summary>
    public static async Task<int> RunAsync(ClubDb db, ExerciseCatalogue catalogue, CancellationToken cancel = default)
    {
        var plans = new Dictionary<int, SessionPlan?>();
        var filled = 0;
        while (true)
        {
            var runs = await db.Runs.IgnoreQueryFilters().Include(r => r.Marks).Where(r => r.Course == "").OrderBy(r => r.Id).Take(Batch).ToListAsync(cancel);
            if (runs.Count == 0)
            {
                return filled;
            }

            var missing = runs.Select(r => r.SessionId).Distinct().Where(id => !plans.ContainsKey(id)).ToList();
            foreach (var session in await db.Sessions.IgnoreQueryFilters().AsNoTracking().Where(s => missing.Contains(s.Id)).Select(s => new { s.Id, Json = s.RanPlanJson ?? s.PlanJson }).ToListAsync(cancel))
            {
                plans[session.Id] = PlanJson.Read(session.Json);
            }

            var demands = new Dictionary<(int, int), LineDemand?>();
            foreach (var run in runs)
            {
                if (!demands.TryGetValue((run.SessionId, run.LineId), out var demand))
                {
                    var line = plans.GetValueOrDefault(run.SessionId)?.Line(run.LineId);
                    demands[(run.SessionId, run.LineId)] = demand = line is null ? null : LineDemand.Of(line, catalogue);
                }

                if (demand is not null)
                {
                    run.SetDemand(demand);
                }
                else
                {
                    // The line is gone from the plan: only what the run says itself is left.
                    run.Course = Trial.Straight;
                    run.Load = run.Kind switch { WorkKind.Resisted => "sled", WorkKind.Assisted => "tow", _ => "" };
                }

                // An older file did not tell a start on the gate from one that nobody measured.
                run.StartSaid = run.StartBehindGateMetres > 0;
                run.Settle();
            }

            await db.SaveChangesAsync(cancel);
            db.ChangeTracker.Clear();
            filled += runs.Count;
        }
    }
}
