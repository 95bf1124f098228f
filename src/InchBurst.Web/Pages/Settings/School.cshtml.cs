using System.Globalization;
using InchBurst.Core.School;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Settings;

/// <summary>Changes a school of the club's own.</summary>
public sealed class SchoolModel(SchoolBook schools) : PageModel
{
    private readonly Dictionary<string, string> typed = [];

    public string Before { get; private set; } = "";

    public CoachingSchool School { get; private set; } = CoachingSchool.Usual;

    public Dictionary<string, string> Problems { get; } = [];

    public string Typed(string key) => typed.TryGetValue(key, out var text) ? text : Figures.Number(School[key], 2);

    /// <summary>What the form showed when it was opened.</summary>
    public string Opened { get; private set; } = "";

    public async Task<IActionResult> OnGetAsync(string name)
    {
        var found = await FindAsync(name);
        Opened = StaleForm.Opened(Fields(School));
        return found ? Page() : NotFound();
    }

    public async Task<IActionResult> OnPostAsync(string name, string? title, string? about, string? opened)
    {
        if (!await FindAsync(name))
        {
            return NotFound();
        }

        // What others changed since the form was opened is neither lost nor put back.
        var now = Fields(School);
        var mine = now.Keys.ToDictionary(k => k, k => Request.Form[k].FirstOrDefault()?.Trim() ?? "");
        foreach (var (field, message) in StaleForm.Merge(mine, opened, now))
        {
            Problems[field] = message;
        }

        Opened = Problems.Count > 0 ? StaleForm.Opened(now) : opened ?? "";
        (title, about) = (mine["title"], mine["about"]);
        var values = new Dictionary<string, SchoolValue>();
        foreach (var number in CoachingSchool.Numbers)
        {
            var text = mine["value-" + number.Key];
            typed[number.Key] = text;
            if (!double.TryParse(text.Replace(',', '.'), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var value) || value < number.Least || value > number.Most)
            {
                Problems["value-" + number.Key] = $"From {Figures.Number(number.Least)} to {Figures.Number(number.Most)}.";
                value = School[number.Key];
            }

            values[number.Key] = new(value, mine["reason-" + number.Key] is { Length: > 0 } reason ? reason : "Our own choice.");
        }

        var clean = title?.Trim() ?? "";
        if (clean.Length is 0 or > 60 || (clean != name && (await schools.AllAsync()).Any(s => s.Name == clean)))
        {
            Problems["title"] = clean.Length is 0 or > 60 ? "A name has 1 to 60 characters." : "There is a school of that name already.";
        }

        School = new(clean, about?.Trim() ?? "", values);
        if (Problems.Count > 0)
        {
            return Page();
        }

        await schools.SaveAsync(name, School);
        return Redirect("/Settings/Schools");
    }

    public async Task<IActionResult> OnPostRemoveAsync(string name)
    {
        await schools.RemoveAsync(name);
        return Redirect("/Settings/Schools");
    }

    private static Dictionary<string, string> Fields(CoachingSchool school) => CoachingSchool.Numbers
        .SelectMany(n => new[] { ("value-" + n.Key, Figures.Number(school[n.Key], 2)), ("reason-" + n.Key, school.Of(n.Key).Reason) }).Append(("title", school.Name)).Append(("about", school.About)).ToDictionary(f => f.Item1, f => f.Item2);

    private async Task<bool> FindAsync(string name)
    {
        Before = name;
        var found = await schools.IsOwnAsync(name) ? (await schools.AllAsync()).FirstOrDefault(s => s.Name == name) : null;
        School = found ?? School;
        return found is not null;
    }
}
