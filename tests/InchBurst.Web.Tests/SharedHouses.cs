using Microsoft.Extensions.DependencyInjection;

namespace InchBurst.Web.Tests;

/// <summary>One house with the demo club for all tests of a class: only for those that leave the file as it is.</summary>
public sealed class DemoHouse : IAsyncLifetime
{
    public TestHouse House { get; private set; } = null!;

    public Visitor Coach { get; private set; } = null!;

    public async ValueTask InitializeAsync()
    {
        House = await TestHouse.OpenAsync(demo: true);
        Coach = await House.CoachAsync();
    }

    public ValueTask DisposeAsync() => House.DisposeAsync();

    /// <summary>What one of the program's services gives.</summary>
    public async Task<T> InAsync<TService, T>(Func<TService, Task<T>> act)
        where TService : notnull
    {
        await using var scope = House.Services.CreateAsyncScope();
        return await act(scope.ServiceProvider.GetRequiredService<TService>());
    }
}

/// <summary>One house with a few people, a match and a session, for tests that judge sheets and store nothing.</summary>
public sealed class PeopleHouse : IAsyncLifetime
{
    public TestHouse House { get; private set; } = null!;

    public async ValueTask InitializeAsync() => House = await FilesTests.WithPeopleAsync();

    public ValueTask DisposeAsync() => House.DisposeAsync();
}
