using InchBurst.Core.Progress;
using InchBurst.Data;

namespace InchBurst.Web.Tests;

public sealed class DayMemoryTests
{
    [Fact]
    public async Task What_changed_is_asked_for_again_only_of_whom_and_on_the_days_it_did()
    {
        var (memory, asked, day) = (new DayMemory<SquadTime>(t => t.Day), new List<string>(), new DateOnly(2026, 10, 5));

        // Everybody ran on the first and on the third day, in other times at each asking.
        Task<ILookup<int, SquadTime>> Found(IReadOnlyCollection<int> who, IReadOnlySet<DateOnly>? days, DateOnly from)
        {
            asked.Add(string.Join(' ', who.Order()) + string.Concat((days ?? new HashSet<DateOnly>()).Order().Select(d => " on " + d.Day)));
            return Task.FromResult(who.SelectMany(a => new[] { 0, 2 }, (a, d) => new SquadTime(a, "key", 0, 20000, day.AddDays(d), a + (asked.Count / 100.0))).Where(t => t.Day >= from && days?.Contains(t.Day) != false).ToLookup(t => t.Athlete));
        }

        async Task<string> Ask(int[] who, int later = 0) =>
            string.Join(' ', (await memory.GetAsync(who, day.AddDays(later), (some, days) => Found(some, days, day.AddDays(later)))).SelectMany(g => g).OrderBy(t => t.Athlete).ThenBy(t => t.Day).Select(t => FormattableString.Invariant($"{t.Value:0.00}")));

        Assert.Equal("1.01 1.01 2.01 2.01", await Ask([1, 2]));
        Assert.Equal("1.01 1.01 2.01 2.01", await Ask([2, 1]));
        Assert.Equal("1.01 1.01 2.01 2.01 3.02 3.02", await Ask([1, 2, 3]));

        // Fewer days of what is known are not asked for, more are.
        Assert.Equal("1.01 2.01", await Ask([1, 2], 1));
        Assert.Equal("1.01 1.01 2.01 2.01", await Ask([1, 2]));
        Assert.Equal("2.03 2.03", await Ask([2], -1));

        // What changed on a day is asked for on that day, whoever else's days come with it.
        memory.Forget(1, day);
        Assert.Equal("1.04 1.01 2.03 2.03 3.02 3.02", await Ask([1, 2, 3]));
        Assert.Equal("1.04 1.01 2.03 2.03 3.02 3.02", await Ask([1, 2, 3]));
        memory.Forget(7, day);
        memory.Forget(1, day.AddDays(2));
        memory.Forget(3, day);
        Assert.Equal("1.04 1.05 2.03 2.03 3.05 3.02", await Ask([1, 2, 3]));
        Assert.Equal(["1 2", "3", "2", "1 on 5", "1 3 on 5 on 7"], asked);
        memory.Forget(2, day.AddDays(-40));
        Assert.Equal("1.04 1.05 2.03 2.03", await Ask([1, 2]));
        Assert.Equal(5, asked.Count);
        memory.ForgetAll();
        Assert.Equal("1.06 1.06 2.06 2.06", await Ask([1, 2]));

        // What changed while it was asked for is not remembered, of others it is.
        await memory.GetAsync([8, 9], day, (some, days) =>
        {
            memory.Forget(9, day);
            return Found(some, days, day);
        });
        Assert.Equal("8.07 8.07 9.08 9.08", await Ask([8, 9]));
        memory.Forget(9, day);
        await memory.GetAsync([9], day, (some, days) =>
        {
            memory.Forget(9, day.AddDays(2));
            return Found(some, days, day);
        });
        Assert.Equal("9.10 9.10", await Ask([9]));
        await memory.GetAsync([5], day, (some, days) =>
        {
            memory.ForgetAll();
            return Found(some, days, day);
        });
        Assert.Equal("5.12 5.12", await Ask([5]));
    }

    [Fact]
    public async Task Where_the_latest_are_enough_older_ones_are_fetched_when_too_many_of_them_went()
    {
        var day = new DateOnly(2026, 10, 1);
        var (memory, asked) = (new DayMemory<DateOnly>(d => d, enough: 3), new List<string>());
        List<DateOnly> file = [.. Enumerable.Range(0, 10).Select(day.AddDays)];
        async Task<string> Ask() => string.Join(' ', (await memory.GetAsync([1], day, (who, days) =>
        {
            asked.Add(days is null ? "all" : string.Join(' ', days.Order().Select(d => d.Day)));
            return Task.FromResult((days is null ? file.OrderDescending().Take(5) : file.Where(days.Contains)).ToLookup(_ => 1));
        }))[1].OrderDescending().Select(d => d.Day));

        async Task<string> Without(int number)
        {
            file.Remove(day.AddDays(number - 1));
            memory.Forget(1, day.AddDays(number - 1));
            return await Ask();
        }

        Assert.Equal("10 9 8 7 6", await Ask());
        Assert.Equal("10 9 7 6", await Without(8));
        Assert.Equal("9 7 6", await Without(10));

        // What changed before the oldest that is known says nothing of those between.
        file.Add(day.AddDays(1));
        memory.Forget(1, day.AddDays(1));
        Assert.Equal("9 7 6", await Ask());
        Assert.Equal("9 7 5 4 3", await Without(6));
        Assert.Equal(["all", "8", "10", "2", "6", "all"], asked);

        // Fewer than enough are all there are.
        file.RemoveAll(d => d.Day < 7);
        memory.ForgetAll();
        Assert.Equal("9 7", await Ask());
        file.Add(day);
        memory.Forget(1, day);
        Assert.Equal("9 7 1", await Ask());
        Assert.Equal("9 1", await Without(7));
        Assert.Equal(["all", "1", "7"], asked.Skip(6));
    }
}
