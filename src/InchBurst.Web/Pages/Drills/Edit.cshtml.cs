using System.ComponentModel.DataAnnotations;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Movement;
using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;
using InchBurst.Data;
using InchBurst.Web.Drawing;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Drills;

public sealed class EditModel(ExerciseCatalogue catalogue, CatalogueBook book) : PageModel
{
    public sealed class ExerciseInput
    {
        [Required(ErrorMessage = "What is it called?")]
        public string Name { get; set; } = "";

        public WorkKind Kind { get; set; } = WorkKind.Drill;

        [Required(ErrorMessage = "Which family, such as upright running?"), StringLength(40, ErrorMessage = "At most 40 characters.")]
        public string Family { get; set; } = "own";

        public CountedIn Counted { get; set; }

        /// <summary>What the body does; null leaves it to what is counted.</summary>
        public Motion? Movement { get; set; }

        /// <summary>The load that belongs to it, in shorthand; empty for free work.</summary>
        [StringLength(40, ErrorMessage = "At most 40 characters.")]
        public string? Load { get; set; }

        /// <summary>The position it is drawn by: a name of one, <see cref="AsItIs"/>, <see cref="Posed"/>, or empty for none.</summary>
        public string? Pose { get; set; }

        /// <summary>Positions the coach set, one a row.</summary>
        public string? Own { get; set; }

        public bool Stops { get; set; }

        [Range(0.3, 60, ErrorMessage = "From 0.3 to 60 s.")]
        public double SecondsEach { get; set; } = 2;

        [Required(ErrorMessage = "What is the usual dose?")]
        public string Dose { get; set; } = "";

        [Range(1, 110, ErrorMessage = "From 1 to 110%.")]
        public double Effort { get; set; } = 60;

        [Range(0, 100, ErrorMessage = "From 0 to 100.")]
        public double Contacts { get; set; }

        public bool EachSide { get; set; }

        public bool ShortContact { get; set; }

        [Required(ErrorMessage = "Say in one sentence what it is for."), StringLength(200, ErrorMessage = "At most 200 characters.")]
        public string For { get; set; } = "";

        /// <summary>Other names, one a row.</summary>
        public string? Also { get; set; }

        /// <summary>Kit, with commas between.</summary>
        [StringLength(200, ErrorMessage = "At most 200 characters.")]
        public string? Kit { get; set; }

        /// <summary>Body regions it prepares.</summary>
        public string[] Covers { get; set; } = [];

        public string? Easier { get; set; }

        public string? Harder { get; set; }

        public string? Points { get; set; }

        public string? Faults { get; set; }

        public string? Cautions { get; set; }
    }

    public string? Of { get; private set; }

    [BindProperty]
    public ExerciseInput Input { get; set; } = new();

    /// <summary>Stands for the several positions an exercise is drawn by.</summary>
    public const string AsItIs = "as it is";

    /// <summary>Stands for positions the coach set.</summary>
    public const string Posed = "as you posed it";

    /// <summary>Positions of a coach's own at most.</summary>
    public const int MostOwn = 4;

    public IEnumerable<string> Families => catalogue.All.Select(e => e.Family).Distinct().Order(StringComparer.Ordinal);

    public IEnumerable<string> Names => catalogue.All.Select(e => e.Name);

    /// <summary>What the form showed when it was opened.</summary>
    public string Opened { get; private set; } = "";

    private static ExerciseInput From(Exercise e) => new()
    {
        Name = e.Name,
        Kind = e.Kind,
        Family = e.Family,
        Counted = e.Counted,
        Dose = e.Dose,
        Effort = e.Effort,
        Movement = e.Does,
        Load = ShorthandPrinter.LoadText(e.Load),
        Pose = e.Poses.Any(p => OwnPose.Read(p) is not null) ? Posed : e.Poses.Count > 1 ? AsItIs : e.Poses.FirstOrDefault(),
        Own = string.Join('\n', e.Poses.Where(p => OwnPose.Read(p) is not null)),
        Stops = e.Stops,
        SecondsEach = e.SecondsEach,
        Contacts = e.Contacts,
        EachSide = e.EachSide,
        ShortContact = e.ShortContact,
        For = e.For,
        Also = string.Join('\n', e.Also),
        Kit = string.Join(", ", e.Kit),
        Covers = [.. e.Covers],
        Easier = e.Easier,
        Harder = e.Harder,
        Points = string.Join('\n', e.Points),
        Faults = string.Join('\n', e.Faults),
        Cautions = string.Join('\n', e.Cautions),
    };

    public IActionResult OnGet(string? of, string? name)
    {
        if (of is null)
        {
            Input.Name = name ?? "";
            return Page();
        }

        if (catalogue.Find(of) is not { } e)
        {
            return NotFound();
        }

        Of = e.Name;
        Input = From(e);
        Opened = StaleForm.Opened(Input);
        return Page();
    }

    /// <summary>A position that is being posed, after a change: drawn, with its joints. Nothing is stored.</summary>
    public IActionResult OnGetPosed(string? pose, WorkKind kind, PoseDesk.Change change) =>
        !ModelState.IsValid || !change.IsSound || !Enum.IsDefined(kind) ? BadRequest() : PoseBook.Any(pose ?? "") is Pose position ? new JsonResult(PoseDesk.Of(position, change, KindLook.Of(kind).Hue)) : NotFound();

    public async Task<IActionResult> OnPostAsync(string? of, string? opened)
    {
        Of = string.IsNullOrEmpty(of) ? null : of;
        Opened = opened ?? "";
        if (!ModelState.IsValid)
        {
            return Page();
        }

        // What the form does not show is kept as it was; what others changed since it was opened is neither lost nor put back.
        var before = catalogue.Find(Of);
        if (before is not null && !StaleForm.Merge(Input, opened, From(before), ModelState, nameof(Input)))
        {
            Opened = StaleForm.Opened(From(before));
            return Page();
        }

        LineLoad? load = null;
        if (!string.IsNullOrWhiteSpace(Input.Load))
        {
            // A load is written as on a line, so the one reader reads it.
            load = before?.Load is { } kept && ShorthandPrinter.LoadText(kept) == Input.Load.Trim() ? kept : ShorthandLine.Read($"10 m {Input.Load.Trim()}").Line?.Load;
            if (load is null)
            {
                ModelState.AddModelError("Input.Load", "Write the load as on a line, such as sled 20%bm, sled -10%v, band medium or uphill 5%.");
                return Page();
            }
        }

        List<Pose?> own = Input.Pose == Posed ? [.. Rows(Input.Own).Select(OwnPose.Read)] : [];
        if (Input.Pose == Posed && (own.Count is 0 or > MostOwn || own.Contains(null)))
        {
            ModelState.AddModelError("Input.Own", own.Count == 0 ? "Pose a position, or choose one of the pictures." : own.Count > MostOwn ? $"At most {MostOwn} positions." : "One of these positions could not be read. Take it out, or pose it anew.");
            return Page();
        }

        var exercise = new Exercise
        {
            Name = Input.Name.Trim(),
            Also = Rows(Input.Also),
            Kind = Input.Kind,
            Family = Input.Family.Trim(),
            Counted = Input.Counted,
            Dose = Input.Dose.Trim(),
            Effort = Input.Effort,
            Movement = Input.Movement,
            Load = load,
            Poses = own.Count > 0 ? [.. own.Select(p => OwnPose.Write(PoseHand.Grounded(p!)))] : Input.Pose == AsItIs ? before?.Poses ?? [] : PoseBook.Any(Input.Pose ?? "") is { } pose ? [pose.Name] : [],
            Props = before is not null && From(before).Pose == Input.Pose ? before.Props : [],
            Stops = Input.Stops,
            EachSide = Input.EachSide,
            Contacts = Input.Contacts,
            ShortContact = Input.ShortContact,
            SecondsEach = Input.SecondsEach,
            Kit = (Input.Kit ?? "").Split(',', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries),
            Covers = [.. Input.Covers.Where(c => Exercise.Regions.Contains(c))],
            StaticHold = before?.StaticHold ?? false,
            For = Input.For.Trim(),
            Easier = string.IsNullOrWhiteSpace(Input.Easier) ? null : Input.Easier.Trim(),
            Harder = string.IsNullOrWhiteSpace(Input.Harder) ? null : Input.Harder.Trim(),
            Points = Rows(Input.Points),
            Faults = Rows(Input.Faults),
            Cautions = Rows(Input.Cautions),
        };
        var problems = await book.SaveAsync(exercise, Of);
        foreach (var (field, message) in problems)
        {
            ModelState.AddModelError($"Input.{field}", message);
        }

        return problems.Count > 0 ? Page() : Redirect($"/Drills/{Uri.EscapeDataString(exercise.Name)}");
    }

    private static string[] Rows(string? text) => (text ?? "").Split('\n', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries);
}
