using InchBurst.Core.Load;
using InchBurst.Data;

namespace InchBurst.Web.Tests;

/// <summary>The forms of the kit: what is refused or only worked out, on one club for all, which none of it changes.</summary>
public sealed class KitFormTests(DemoHouse demo) : IClassFixture<DemoHouse>
{
    private Task<(ClubKit Kit, int Version)> KitAsync() => demo.InAsync<LoadBook, (ClubKit, int)>(b => b.KitAsync());

    [Theory]
    [InlineData("Sled", "name", "Third|kilograms=0", "0.5 to 100 kg")]
    [InlineData("Sled", "name", "Third|kilograms=500", "0.5 to 100 kg")]
    [InlineData("Sled", "name", "Sled 1|kilograms=8", "already")]
    [InlineData("Sled", "name", "|kilograms=8", "name")]
    [InlineData("Plate", "plate", "-5|count=2", "kg is none")]
    [InlineData("Plate", "plate", "500|count=2", "kg is none")]
    [InlineData("Plate", "plate", "5|count=0", "how many")]
    [InlineData("Plate", "plate", "five|count=2", "kg is none")]
    [InlineData("Pull", "newtons", "514|total=17.5", "friction of 2.99")]
    [InlineData("Pull", "newtons", "hard|total=17.5", "newtons")]
    [InlineData("Pull", "newtons", "56|total=0", "kilograms of sled")]
    [InlineData("Pull", "newtons", "|total=10", "at least one reading")]
    public async Task A_bad_entry_is_told_beside_its_form_and_loses_nothing(string form, string field, string typed, string says)
    {
        var before = await KitAsync();
        var (value, other) = (typed.Split('|')[0], typed.Split('|')[1].Split('='));
        var (_, page, _) = await demo.Coach.PostAsync("/Settings/Kit", $"/Settings/Kit?handler={form}", (field, value), (other[0], other[1]), ("surface", "Track"), ("sled", "Sled 1"), ("version", $"{before.Version}"));
        Assert.Contains(page.QuerySelectorAll(".wrong"), w => w.TextContent.Contains(says, StringComparison.Ordinal));
        Assert.Equal(value, page.QuerySelector($"[name={field}]")!.GetAttribute("value"));
        Assert.Equal(other[1], page.QuerySelector($"[name={other[0]}]")!.GetAttribute("value"));
        Assert.Equal((before.Kit.Write(), before.Version), ((await KitAsync()).Kit.Write(), (await KitAsync()).Version));
    }

    [Theory]
    [InlineData("level=3", "5.2%")]
    [InlineData("rise=1&length=20", "5%")]
    [InlineData("level=50", "−30 to 30")]
    [InlineData("rise=30&length=20", "−30 to 30")]
    public async Task A_hill_is_worked_out(string query, string says) => Assert.Contains(says, (await demo.Coach.PageAsync("/Settings/Kit?" + query)).Body!.TextContent);
}
