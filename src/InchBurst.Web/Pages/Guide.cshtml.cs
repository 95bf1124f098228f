using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages;

/// <summary>The coach's guide, one page a job.</summary>
public sealed class GuideModel(GuideBook guide) : PageModel
{
    public IReadOnlyList<GuidePage> Pages => guide.Pages;

    public GuidePage Shown { get; private set; } = null!;

    public IActionResult OnGet(string? job)
    {
        if (guide.Pages.FirstOrDefault(p => p.Key == (job ?? guide.Pages[0].Key)) is not { } page)
        {
            return NotFound();
        }

        Shown = page;
        return Page();
    }
}
