using InchBurst.Data.Entities;
using Microsoft.AspNetCore.Identity;

namespace InchBurst.Web.Support.Door;

/// <summary>Refuses passwords that others try first: those known from breaches, a name with a few digits, one character or run of keys again and again.</summary>
/// <remarks>NIST SP 800-63B, section 5.1.1.2: length counts, lists of compromised values are refused, no rules of composition.</remarks>
public sealed class PasswordRules(IWebHostEnvironment environment) : IPasswordValidator<AppUser>
{
    /// <summary>Fewest characters.</summary>
    public const int Least = 10;

    private static readonly string[] Runs = ["abcdefghijklmnopqrstuvwxyz", "01234567890", "qwertyuiop", "asdfghjkl", "zxcvbnm", "qwertzuiop", "azertyuiop"];
    private readonly Lazy<HashSet<string>> known = new(() => [.. File.ReadLines(Path.Combine(environment.ContentRootPath, "Files", "passwords.txt"))]);

    /// <inheritdoc/>
    public Task<IdentityResult> ValidateAsync(UserManager<AppUser> manager, AppUser user, string? password) =>
        Task.FromResult(ProblemOf(password ?? "", user.UserName ?? "") is { } problem ? IdentityResult.Failed(new IdentityError { Code = "Password", Description = problem }) : IdentityResult.Success);

    /// <summary>Why a password is refused, or null.</summary>
    /// <param name="password">The password.</param>
    /// <param name="name">Name of the person.</param>
    public string? ProblemOf(string password, string name)
    {
        var plain = password.ToLowerInvariant();
        if (password.Length < Least)
        {
            return $"A password has at least {Least} characters. Four words after each other are easy to keep in mind.";
        }

        // What is left when digits and signs at either end are taken off is what is guessed.
        var core = plain.Trim([.. "0123456789!?.,-_*#@$%&+ "]);
        if (known.Value.Contains(plain) || known.Value.Contains(core) || core.Length < 4 || Repeats(plain))
        {
            return "This password is among the first that are tried. Take four words that do not belong together.";
        }

        return name.Split([' ', '-', '.'], StringSplitOptions.RemoveEmptyEntries).Append(name).Append("inchburst").Append("inch burst").Any(n => n.Length > 2 && (core == n.ToLowerInvariant() || core == n.Replace(" ", "", StringComparison.Ordinal).ToLowerInvariant()))
            ? "A password must be more than a name with a number."
            : null;
    }

    private static bool Repeats(string text)
    {
        for (var length = 1; length <= text.Length / 2; length++)
        {
            if (text.Select((c, i) => c == text[i % length]).All(same => same))
            {
                return true;
            }
        }

        return Runs.Any(r => r.Contains(text, StringComparison.Ordinal) || (r + r).Contains(text, StringComparison.Ordinal));
    }
}
