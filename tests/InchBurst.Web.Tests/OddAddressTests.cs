using System.Net;

namespace InchBurst.Web.Tests;

/// <summary>Addresses that nobody links to are answered all the same; one club for all, for they are only asked.</summary>
public sealed class OddAddressTests(DemoHouse demo) : IClassFixture<DemoHouse>
{
    [Theory]
    [InlineData("/Season/Often?week=9999-12-31")]
    [InlineData("/Season?week=0001-01-01")]
    [InlineData("/Season?week=9999-12-31")]
    [InlineData("/Season?week=soon&group=nobody&day=never")]
    [InlineData("/Season/Suggest?week=9999-12-31")]
    [InlineData("/Season/Suggest/Session?day=9999-12-31&aim=Everything&second=7&lanes=0&straight=NaN")]
    [InlineData("/Season/Year?weeks=-3&from=9999-12-31&phase=77777")]
    [InlineData("/Season/Compare?week=0001-01-01")]
    [InlineData("/Season/Print?card=true&group=nobody&week=9999-12-31")]
    [InlineData("/Season/Calendar?edit=99999&removed=5&all=true")]
    public async Task Odd_addresses_are_answered(string url) => Assert.Equal(HttpStatusCode.OK, (await demo.Coach.GetAsync(url)).Code);
}
