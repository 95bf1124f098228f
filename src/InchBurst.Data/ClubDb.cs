using System.Data.Common;
using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Data.Entities;
using Microsoft.AspNetCore.Identity.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Diagnostics;

namespace InchBurst.Data;

public sealed class ClubDb(DbContextOptions<ClubDb> options, LiveShelf? shelf = null) : IdentityDbContext<AppUser>(options)
{
    private bool blocks;

    /// <summary>True while what is written here is put on the shelf of running sessions by the writer.</summary>
    internal bool IsLiveStep { get; set; }

    /// <summary>What this context has changed so far, in few words without what the values were: "athlete: body mass, notes", "new lift test".</summary>
    public IReadOnlyList<string> Changed => [.. changed];

    private readonly List<string> changed = [];

    public override int SaveChanges(bool acceptAllChangesOnSuccess)
    {
        var looks = LookOnce();
        try
        {
            BlockShelf();
            NoteChanges();
            return base.SaveChanges(acceptAllChangesOnSuccess);
        }
        finally
        {
            ChangeTracker.AutoDetectChangesEnabled = looks;
        }
    }

    public override async Task<int> SaveChangesAsync(bool acceptAllChangesOnSuccess, CancellationToken cancellationToken = default)
    {
        var looks = LookOnce();
        try
        {
            BlockShelf();
            NoteChanges();
            return await base.SaveChangesAsync(acceptAllChangesOnSuccess, cancellationToken);
        }
        finally
        {
            ChangeTracker.AutoDetectChangesEnabled = looks;
        }
    }

    // What changed is looked for once: the shelf, the list of deeds and the save would each go through everything that was loaded again.
    private bool LookOnce()
    {
        ChangeTracker.DetectChanges();
        var looks = ChangeTracker.AutoDetectChangesEnabled;
        ChangeTracker.AutoDetectChangesEnabled = false;
        return looks;
    }

    private void NoteChanges()
    {
        if (IsLiveStep)
        {
            return;
        }

        foreach (var words in ChangeWords.Of(ChangeTracker.Entries()))
        {
            if (!changed.Contains(words))
            {
                changed.Add(words);
            }
        }
    }

    public override void Dispose()
    {
        ReleaseShelf();
        base.Dispose();
    }

    public override ValueTask DisposeAsync()
    {
        ReleaseShelf();
        return base.DisposeAsync();
    }

    protected override void OnConfiguring(DbContextOptionsBuilder optionsBuilder) => optionsBuilder.AddInterceptors(ShelfGuard.Of);

    // Statements that change rows without loading them; what those may touch is not looked into.
    private sealed class ShelfGuard : DbCommandInterceptor
    {
        public static ShelfGuard Of { get; } = new();

        public override InterceptionResult<int> NonQueryExecuting(DbCommand command, CommandEventData eventData, InterceptionResult<int> result)
        {
            Block(eventData);
            return base.NonQueryExecuting(command, eventData, result);
        }

        public override ValueTask<InterceptionResult<int>> NonQueryExecutingAsync(DbCommand command, CommandEventData eventData, InterceptionResult<int> result, CancellationToken cancellationToken = default)
        {
            Block(eventData);
            return base.NonQueryExecutingAsync(command, eventData, result, cancellationToken);
        }

        private static void Block(CommandEventData data)
        {
            if (data.CommandSource != CommandSource.SaveChanges && data.Context is ClubDb db)
            {
                db.BlockShelf(true);
            }
        }
    }

    // A step may be committed long after it was saved, so the shelf stays blocked as long as this context lives: one request.
    private void BlockShelf(bool isUnseen = false)
    {
        if (!IsLiveStep && !blocks && shelf is not null && (isUnseen || ChangeTracker.Entries().Any(e => e.State != EntityState.Unchanged && e.Entity is TrainingSession or Entities.Attendance or Athlete or Run or Mark or RunReading or Entities.RunSeen or RunMeasure)))
        {
            blocks = true;
            shelf.Block();
        }
    }

    private void ReleaseShelf()
    {
        if (blocks)
        {
            blocks = false;
            shelf!.Release();
        }
    }

    public DbSet<Club> Clubs => Set<Club>();

    public DbSet<ClubExercise> ClubExercises => Set<ClubExercise>();

    public DbSet<ClubChip> ClubChips => Set<ClubChip>();

    public DbSet<ClubSchool> ClubSchools => Set<ClubSchool>();

    public DbSet<KeptPlan> KeptPlans => Set<KeptPlan>();

    public DbSet<Squad> Squads => Set<Squad>();

    public DbSet<Athlete> Athletes => Set<Athlete>();

    public DbSet<TrainingSession> Sessions => Set<TrainingSession>();

    public DbSet<PlanRevision> PlanRevisions => Set<PlanRevision>();

    public DbSet<Attendance> Attendance => Set<Attendance>();

    public DbSet<Run> Runs => Set<Run>();

    public DbSet<Mark> Marks => Set<Mark>();

    public DbSet<SpeedTrace> SpeedTraces => Set<SpeedTrace>();

    public DbSet<FilmReading> FilmReadings => Set<FilmReading>();

    public DbSet<AthleteLink> AthleteLinks => Set<AthleteLink>();
    public DbSet<DeviceKey> DeviceKeys => Set<DeviceKey>();

    public DbSet<RunStretch> RunStretches => Set<RunStretch>();

    public DbSet<RunReading> RunReadings => Set<RunReading>();

    public DbSet<DoneCommand> DoneCommands => Set<DoneCommand>();
    public DbSet<GateReading> GateReadings => Set<GateReading>();

    public DbSet<RunSeen> RunSeen => Set<RunSeen>();

    public DbSet<RunMeasure> RunMeasures => Set<RunMeasure>();

    public DbSet<Place> Places => Set<Place>();

    public DbSet<Slot> Slots => Set<Slot>();

    public DbSet<CalendarEntry> CalendarEntries => Set<CalendarEntry>();

    public DbSet<PlayedMinutes> PlayedMinutes => Set<PlayedMinutes>();

    public DbSet<OwnGroup> OwnGroups => Set<OwnGroup>();

    public DbSet<WeekStep> WeekSteps => Set<WeekStep>();

    public DbSet<SeasonPhase> SeasonPhases => Set<SeasonPhase>();

    public DbSet<AerobicTest> AerobicTests => Set<AerobicTest>();

    public DbSet<LiftTest> LiftTests => Set<LiftTest>();

    public DbSet<Visit> Visits => Set<Visit>();

    public DbSet<ImportBatch> ImportBatches => Set<ImportBatch>();

    public DbSet<ColumnMemory> ColumnMemories => Set<ColumnMemory>();

    public DbSet<Deed> Deeds => Set<Deed>();

    public DbSet<OftenWish> OftenWishes => Set<OftenWish>();

    public DbSet<RunCorrection> RunCorrections => Set<RunCorrection>();

    protected override void OnModelCreating(ModelBuilder builder)
    {
        base.OnModelCreating(builder);
        builder.Entity<Athlete>().HasIndex(a => a.SquadId);
        builder.Entity<TrainingSession>(e =>
        {
            e.HasIndex(s => s.Day);
            e.Property(s => s.Version).IsConcurrencyToken();
            e.HasQueryFilter(s => s.DeletedAt == null);
            e.HasMany(s => s.Attendance).WithOne().HasForeignKey(a => a.SessionId);
        });
        builder.Entity<PlanRevision>(e =>
        {
            e.HasIndex(r => new { r.SessionId, r.Number }).IsUnique();
            e.HasOne<TrainingSession>().WithMany().HasForeignKey(r => r.SessionId);
        });
        builder.Entity<Attendance>().HasKey(a => new { a.SessionId, a.AthleteId });
        builder.Entity<Run>(e =>
        {
            e.HasIndex(r => r.ClientId).IsUnique();

            // A session's board reads by session; an athlete's page by athlete and day; the top-speed clock by athlete and speed.
            e.HasIndex(r => r.SessionId);
            e.HasIndex(r => new { r.AthleteId, r.Day });
            e.HasIndex(r => new { r.AthleteId, r.FlyingSpeed, r.Day }).HasFilter("FlyingSpeed IS NOT NULL AND DeletedAt IS NULL");
            e.HasIndex(r => new { r.AthleteId, r.EstimatedSpeed, r.Day }).HasFilter("EstimatedSpeed IS NOT NULL AND DeletedAt IS NULL");
            e.HasIndex(r => r.Course).HasFilter("Course = ''");
            e.HasQueryFilter(r => r.DeletedAt == null);
            e.HasOne(r => r.Session).WithMany().HasForeignKey(r => r.SessionId).IsRequired(false);
            // One rep of an athlete on a line is one run, whoever enters it; a second entry becomes a reading of it.
            e.HasIndex(r => new { r.SessionId, r.AthleteId, r.LineId, r.Rep }).IsUnique().HasFilter("DeletedAt IS NULL AND Rep > 0");
            e.HasMany(r => r.Marks).WithOne().HasForeignKey(m => m.RunId);
            e.HasMany(r => r.Stretches).WithOne().HasForeignKey(s => s.RunId);
            e.Ignore(r => r.Told);
            e.HasMany(r => r.Readings).WithOne().HasForeignKey(m => m.RunId);
            e.HasMany(r => r.Seen).WithOne().HasForeignKey(m => m.RunId);
            e.HasMany(r => r.Measures).WithOne().HasForeignKey(m => m.RunId);
        });
        builder.Entity<RunReading>().HasIndex(r => r.ClientId).IsUnique();
        builder.Entity<DoneCommand>().HasKey(c => c.ClientId);
        builder.Entity<GateReading>(e =>
        {
            e.HasIndex(g => g.ClientId).IsUnique();
            e.HasIndex(g => new { g.SessionId, g.UsedFor });
            e.Ignore(g => g.Start);
        });
        builder.Entity<DeviceKey>(e =>
        {
            e.Property(k => k.Name).HasMaxLength(KeyBook.MostLetters);
            e.HasIndex(k => k.KeyHash).IsUnique();
        });
        builder.Entity<AthleteLink>(e =>
        {
            e.HasIndex(l => l.KeyHash).IsUnique();
            e.HasIndex(l => l.AthleteId);
        });
        builder.Entity<SpeedTrace>(e =>
        {
            e.HasIndex(t => new { t.AthleteId, t.Day });
            e.HasQueryFilter(t => t.DeletedAt == null);
        });
        builder.Entity<FilmReading>(e =>
        {
            e.HasIndex(f => new { f.AthleteId, f.Day });
            e.HasQueryFilter(f => f.DeletedAt == null);
            e.Property(f => f.Version).IsConcurrencyToken();
            e.HasOne(f => f.Run).WithMany().HasForeignKey(f => f.RunId).IsRequired(false);
        });
        builder.Entity<RunStretch>(e =>
        {
            e.HasKey(s => new { s.RunId, s.Key, s.FromMillimetres, s.ToMillimetres });

            // Best before a run, the latest runs' range and the best of every trial are all answered from this index alone.
            e.HasIndex(s => new { s.AthleteId, s.Key, s.FromMillimetres, s.ToMillimetres, s.Day, s.FinishedAt, s.Seconds, s.Effort, s.RunId });
        });
        builder.Entity<RunSeen>().HasKey(s => new { s.RunId, s.Code });
        builder.Entity<RunMeasure>().HasKey(m => new { m.RunId, m.Kind });
        builder.Entity<Mark>().HasKey(m => new { m.RunId, m.Millimetres });
        builder.Entity<ClubExercise>().HasIndex(e => e.Name).IsUnique();
        builder.Entity<ClubChip>().HasIndex(e => e.Words).IsUnique();
        builder.Entity<ClubSchool>().HasIndex(s => s.Name).IsUnique();
        builder.Entity<KeptPlan>().HasQueryFilter(p => p.DeletedAt == null);
        builder.Entity<RunCorrection>().HasIndex(c => c.RunId);
        builder.Entity<Slot>().HasQueryFilter(s => s.RetiredAt == null);
        builder.Entity<Place>().HasQueryFilter(p => p.RetiredAt == null);
        builder.Entity<Slot>().HasOne(s => s.Place).WithMany().HasForeignKey(s => s.PlaceId).IsRequired(false);
        builder.Entity<CalendarEntry>(e =>
        {
            e.HasQueryFilter(c => c.DeletedAt == null);
            e.HasIndex(c => new { c.SquadId, c.Day });
            e.Property(c => c.Version).IsConcurrencyToken();

            // An event of a calendar file is one entry, however often the file is read.
            e.HasIndex(c => new { c.SquadId, c.Uid, c.Occurrence }).IsUnique().HasFilter("Uid <> ''");
        });
        builder.Entity<PlayedMinutes>(e =>
        {
            e.HasKey(m => new { m.EntryId, m.AthleteId });
            e.HasOne(m => m.Entry).WithMany(c => c.Minutes).HasForeignKey(m => m.EntryId).IsRequired(false);
            e.HasIndex(m => new { m.AthleteId, m.CountsAsTopSpeed });
        });
        builder.Entity<OwnGroup>(e =>
        {
            e.HasIndex(g => new { g.SquadId, g.Name }).IsUnique();
            e.HasMany(g => g.Athletes).WithMany();
        });
        builder.Entity<WeekStep>().HasIndex(s => s.SquadId);
        builder.Entity<AerobicTest>(e =>
        {
            e.HasIndex(t => t.AthleteId);
            e.HasQueryFilter(t => t.DeletedAt == null);
        });
        builder.Entity<LiftTest>(e =>
        {
            e.HasIndex(t => new { t.AthleteId, t.Exercise });
            e.HasQueryFilter(t => t.DeletedAt == null);
        });
        builder.Entity<Visit>().HasIndex(v => v.UserId);
        builder.Entity<ColumnMemory>().HasIndex(c => new { c.Kind, c.Header }).IsUnique();
        builder.Entity<Deed>().HasIndex(d => d.At);
        builder.Entity<Club>().Property(c => c.CopiesKept).HasDefaultValue(14);
        builder.Entity<OftenWish>().HasIndex(w => new { w.SquadId, w.Exercise }).IsUnique();
        builder.Entity<SeasonPhase>().HasIndex(p => new { p.SquadId, p.From });
    }
}
