using System.Text.RegularExpressions;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Support.Door;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.Filters;
using Microsoft.AspNetCore.Mvc.Infrastructure;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Web.Support;

/// <summary>Notes what people change, page by page, and sends who has a password from somebody else to choose one of their own.</summary>
/// <remarks>What is logged trackside carries names of its own (who logged, who corrected, what it said before), so it is not noted twice.</remarks>
public sealed partial class DeedFilter(ClubDb db, TimeProvider clock) : IAsyncPageFilter
{
    /// <summary>Set among a request's items by a handler that did something and shows its page at once.</summary>
    public const string Done = "done";

    private const int MostChanges = 4;
    private static readonly TimeSpan InARow = TimeSpan.FromMinutes(10);
    private static readonly string[] NotNoted = ["/Sessions/Trackside", "/Account/SignIn", "/Account/FirstRun", "/Trouble"];

    /// <inheritdoc/>
    public Task OnPageHandlerSelectionAsync(PageHandlerSelectedContext context) => Task.CompletedTask;

    /// <inheritdoc/>
    public async Task OnPageHandlerExecutionAsync(PageHandlerExecutingContext context, PageHandlerExecutionDelegate next)
    {
        var page = context.ActionDescriptor.ViewEnginePath;
        var http = context.HttpContext;
        if (http.Items[typeof(Standing)] is Standing { MustChangePassword: true } && page is not ("/Account/You" or "/Account/SignIn" or "/Trouble"))
        {
            context.Result = new RedirectResult("/You");
            return;
        }

        var done = await next();
        if (!HttpMethods.IsPost(http.Request.Method) || NotNoted.Contains(page) || done.Exception is not null || (!context.ModelState.IsValid && db.Changed.Count == 0)
            || http.User.Identity?.Name is not { Length: > 0 } who || (done.Result is PageResult && !http.Items.ContainsKey(Done) && db.Changed.Count == 0) || (done.Result is IStatusCodeActionResult { StatusCode: >= 400 }) || http.Response.StatusCode >= 400)
        {
            return;
        }

        var changed = db.Changed;
        var what = changed.Count == 0 ? "" : $" ({string.Join("; ", changed.Take(MostChanges))}{(changed.Count > MostChanges ? $" and {changed.Count - MostChanges} more" : "")})";
        await NoteAsync(who, Words(page, context.HandlerMethod?.Name) + what, http.Request.Path + Only(http.Request.Query["id"]));
    }

    /// <summary>Writes a deed down; the same again soon after counts up.</summary>
    /// <param name="who">Name of the person.</param>
    /// <param name="what">What was done, in words.</param>
    /// <param name="where">Address of the page.</param>
    public async Task NoteAsync(string who, string what, string where)
    {
        var now = clock.GetUtcNow().UtcDateTime;
        var last = await db.Deeds.AsNoTracking().Where(d => d.By == who).OrderByDescending(d => d.Id).FirstOrDefaultAsync();
        if (last is not null && last.What == what && last.Where == where && now - last.At < InARow)
        {
            await db.Database.ExecuteSqlAsync($"UPDATE Deeds SET Times = Times + 1, At = {now} WHERE Id = {last.Id}");
            return;
        }

        await db.Database.ExecuteSqlAsync($"""INSERT INTO Deeds (At, "By", What, "Where", Times) VALUES ({now}, {who}, {what}, {where}, 1)""");
    }

    private static string Only(string? id) => int.TryParse(id, out var number) ? $"?id={number}" : "";

    /// <summary>A handler of a page, in words.</summary>
    /// <param name="page">The page.</param>
    /// <param name="handler">Its handler, or null for the page's own.</param>
    public static string Words(string page, string? handler)
    {
        var place = string.Join(", ", page.Trim('/').Split('/').Where(p => p != "Index").Select(p => Humps().Replace(p, " $1").ToLowerInvariant()));
        return $"{(place.Length == 0 ? "today" : place)}: {(handler is null or "" ? "saved" : Humps().Replace(handler, " $1").ToLowerInvariant())}";
    }

    [GeneratedRegex("(?<=[a-z])([A-Z])")]
    private static partial Regex Humps();
}
