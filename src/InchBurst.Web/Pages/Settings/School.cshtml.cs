using System.Globalization;
using InchBurst.Core.School;
using InchBurst.Core.Units;
using InchBurst.Data;
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

    public async Task<IActionResult> OnGetAsync(string name) => await FindAsync(name) ? Page() : NotFound();

    public async Task<IActionResult> OnPostAsync(string name, string? title, string? about)
    {
        if (!await FindAsync(name))
        {
            return NotFound();
        }

        var values = new Dictionary<string, SchoolValue>();
        foreach (var number in CoachingSchool.Numbers)
        {
            var text = Request.Form["value-" + number.Key].FirstOrDefault()?.Trim() ?? "";
            typed[number.Key] = text;
            var reason = Request.Form["reason-" + number.Key].FirstOrDefault()?.Trim();
            if (!double.TryParse(text.Replace(',', '.'), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var value) || value < number.Least || value > number.Most)
            {
                Problems[number.Key] = $"From {Figures.Number(number.Least)} to {Figures.Number(number.Most)}.";
                value = School[number.Key];
            }

            values[number.Key] = new(value, string.IsNullOrEmpty(reason) ? "Our own choice." : reason);
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

    private async Task<bool> FindAsync(string name)
    {
        Before = name;
        var found = await schools.IsOwnAsync(name) ? (await schools.AllAsync()).FirstOrDefault(s => s.Name == name) : null;
        School = found ?? School;
        return found is not null;
    }
}
