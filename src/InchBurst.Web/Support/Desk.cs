using System.Globalization;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Data.Entities;

namespace InchBurst.Web.Support;

/// <summary>What every page needs to know: the club and its units, the squad in view, the day, who is asking.</summary>
public sealed class Desk(SquadBook squads, IHttpContextAccessor http, TimeProvider clock, HouseOptions options)
{
    private const string SquadCookie = "inchburst-squad";
    private Club? club;
    private List<Squad>? all;

    public bool DemoMode => options.Demo;

    public DateTime UtcNow => clock.GetUtcNow().UtcDateTime;

    public DateOnly Today => LocalDay(clock);

    public string Who => http.HttpContext?.User.Identity?.Name ?? "";

    public static DateOnly LocalDay(TimeProvider clock) => DateOnly.FromDateTime(clock.GetLocalNow().DateTime);

    public async Task<Club> ClubAsync() => club ??= await squads.ClubOrNullAsync() ?? new Club { Name = "" };

    public async Task<IReadOnlyList<Squad>> SquadsAsync() => all ??= await squads.SquadsAsync();

    /// <summary>The squad in view: the one chosen before on this device, or the first; null when the club has none.</summary>
    public async Task<Squad?> SquadAsync()
    {
        var known = await SquadsAsync();
        var chosen = int.TryParse(http.HttpContext?.Request.Cookies[SquadCookie], CultureInfo.InvariantCulture, out var id) ? id : 0;
        return known.FirstOrDefault(s => s.Id == chosen) ?? known.FirstOrDefault();
    }

    public void ChooseSquad(int id) => http.HttpContext?.Response.Cookies.Append(
        SquadCookie, id.ToString(CultureInfo.InvariantCulture), new CookieOptions { HttpOnly = true, SameSite = SameSiteMode.Lax, Secure = http.HttpContext.Request.IsHttps, IsEssential = true, MaxAge = TimeSpan.FromDays(400) });

    public static string DayText(DateOnly day) => day.ToString("ddd d MMMM", CultureInfo.InvariantCulture);

    public static string ShortDay(DateOnly day) => day.ToString("d MMM", CultureInfo.InvariantCulture);

    /// <summary>A moment as the club's clock shows it.</summary>
    public string LocalText(DateTime utc) =>
        TimeZoneInfo.ConvertTimeFromUtc(DateTime.SpecifyKind(utc, DateTimeKind.Utc), clock.LocalTimeZone).ToString("d MMM HH:mm", CultureInfo.InvariantCulture);

    public static string SpeedText(double metresPerSecond, Club club) => Figures.SpeedText(metresPerSecond, club.SpeedUnit);
}
