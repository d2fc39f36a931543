using Xunit.Abstractions;

[assembly: TestCollectionOrderer("YoungTinge.Web.Tests.LongestFirst", "YoungTinge.Web.Tests")]

namespace YoungTinge.Web.Tests;

/// <summary>Classes that take minutes begin first, so that at the end neither core waits for the other.</summary>
public sealed class LongestFirst : ITestCollectionOrderer
{
    private static readonly string[] Long = [nameof(SuddenEndTests), nameof(HostileRequestTests), nameof(TwoServersTests), nameof(ApiTests), nameof(PlanTests), nameof(FlowerTests), nameof(StartTests)];

    public IEnumerable<ITestCollection> OrderTestCollections(IEnumerable<ITestCollection> testCollections) =>
        testCollections.OrderBy(collection => Array.FindIndex(Long, name => collection.DisplayName.Contains($".{name}", StringComparison.Ordinal)) is >= 0 and var at ? at : Long.Length);
}
