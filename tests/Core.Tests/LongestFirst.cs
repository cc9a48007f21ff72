using Xunit.Sdk;
using Xunit.v3;

[assembly: TestCollectionOrderer(typeof(MellowStand.Core.Tests.LongestFirst))]

namespace MellowStand.Core.Tests;

/// <summary>Begins with the classes that take longest, so that at the end of a run no core waits for one that began late.</summary>
public sealed class LongestFirst : ITestCollectionOrderer
{
    private static readonly string[] Longest =
    [
        "KillTests",
        "EveryStationTests",
        "ExtremeFileTests",
        "ScaleSheetTests",
        "PlannerTests",
        "PlantingTests",
    ];

    /// <inheritdoc/>
    public IReadOnlyCollection<TTestCollection> OrderTestCollections<TTestCollection>(
        IReadOnlyCollection<TTestCollection> testCollections
    )
        where TTestCollection : ITestCollection => [.. testCollections.OrderBy(Rank)];

    private static int Rank<TTestCollection>(TTestCollection collection)
        where TTestCollection : ITestCollection
    {
        var place = Array.FindIndex(Longest, n => collection.TestCollectionDisplayName.Contains($".{n} ", StringComparison.Ordinal));
        return place < 0 ? Longest.Length : place;
    }
}
