using InchBurst.Data.Safe;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages;

[IgnoreAntiforgeryToken]
public sealed class TroubleModel : PageModel
{
    public string Heading { get; private set; } = "";

    public string Text { get; private set; } = "";

    public void OnGet(int? code) => Say(code);

    public void OnPost(int? code) => Say(code);

    private void Say(int? code)
    {
        if (HttpContext.Features.Get<IExceptionHandlerFeature>()?.Error is { } error && CopyBook.IsFull(error))
        {
            Response.StatusCode = StatusCodes.Status507InsufficientStorage;
            (Heading, Text) = ("No room on the disk", "The disk of the machine that keeps the club is full, so this was not saved. What was saved before is safe. Make room there, go back and send it again; what was logged trackside waits on its device.");
            return;
        }

        (Heading, Text) = (code ?? 500) switch
        {
            404 => ("Not here", "There is no such page, or it was taken away."),
            403 => ("Not for this account", "Ask the club's owner for the role that may do this."),
            400 => ("Please try again", "The page had been open too long to be trusted. Go back, reload and send it once more; what you typed is still in the form."),
            _ => ("Something went wrong here", "It is not your doing. What was saved before is safe; try again."),
        };
    }
}
