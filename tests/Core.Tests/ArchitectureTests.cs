using System.Reflection;
using MellowStand.Core.Study;
using NetArchTest.Rules;

namespace MellowStand.Core.Tests;

/// <summary>The house plan, held by the build.</summary>
public sealed class ArchitectureTests
{
    private static readonly Assembly Core = typeof(StudyDesk).Assembly;

    private static readonly string[] Stations = ["Study", "Unify", "Technique", "Tempo", "Assign", "Hear"];

    [Fact]
    public void Core_knows_no_web_no_database_and_no_clock()
    {
        var result = Types
            .InAssembly(Core)
            .ShouldNot()
            .HaveDependencyOnAny(
                "Microsoft.AspNetCore",
                "Microsoft.Data",
                "System.Data",
                "Microsoft.Extensions",
                "System.Net",
                "System.TimeProvider",
                "MellowStand.Storage",
                "MellowStand.Server"
            )
            .GetResult();
        Assert.True(result.IsSuccessful, string.Join(", ", result.FailingTypeNames ?? []));
        var packages = Core.GetReferencedAssemblies()
            .Select(a => a.Name!)
            .Where(n => !n.StartsWith("System", StringComparison.Ordinal) && n != "netstandard");
        Assert.Empty(packages);
    }

    [Fact]
    public void Core_never_asks_what_time_it_is()
    {
        var sources = Directory
            .EnumerateFiles(Path.Combine(Reference.RepositoryRoot, "src", "MellowStand.Core"), "*.cs", SearchOption.AllDirectories)
            .Where(f => !f.Contains("/obj/", StringComparison.Ordinal));
        Assert.All(
            sources,
            f => Assert.DoesNotMatch(@"DateTime(Offset)?\.(Utc)?Now|DateTime\.Today|Stopwatch|TimeProvider", File.ReadAllText(f))
        );
    }

    [Theory]
    [InlineData("Study", new string[0])]
    [InlineData("Unify", new string[0])]
    [InlineData("Technique", new string[0])]
    [InlineData("Hear", new string[0])]
    // A window of tempi rests on breaths and hands, a fermata is held as Study says, and a plan lays out a ladder.
    [InlineData("Tempo", new[] { "Study", "Technique" })]
    [InlineData("Performance", new[] { "Study", "Tempo" })]
    // Passages are cut by heat and shared lines, and planned by who is behind.
    [InlineData("Assign", new[] { "Tempo", "Study", "Unify", "Hear" })]
    public void A_station_uses_only_notation_instruments_and_house_rules(string station, string[] neighbours)
    {
        var forbidden = Stations
            .Except(neighbours)
            .Where(s => s != station)
            .Select(s => "MellowStand.Core." + s)
            .Append("MellowStand.Core.Formats")
            .ToArray();
        var result = Types
            .InAssembly(Core)
            .That()
            .ResideInNamespace("MellowStand.Core." + station)
            .ShouldNot()
            .HaveDependencyOnAny(forbidden)
            .GetResult();
        Assert.True(result.IsSuccessful, station + " leans on " + string.Join(", ", result.FailingTypeNames ?? []));
    }

    // Files know music, not judgement; decisions know notes; an edition is compared by its notes, and carries what Study and Unify name.
    [Theory]
    [InlineData("Formats", new string[0])]
    [InlineData("Decisions", new string[0])]
    [InlineData("Editions", new[] { "Study", "Unify" })]
    public void What_lies_between_ground_and_stations_leans_on_few(string floor, string[] stations)
    {
        var forbidden = Stations.Except(stations).Select(s => "MellowStand.Core." + s).Append("MellowStand.Core.Layers").ToArray();
        var result = Types
            .InAssembly(Core)
            .That()
            .ResideInNamespace("MellowStand.Core." + floor)
            .ShouldNot()
            .HaveDependencyOnAny(forbidden)
            .GetResult();
        Assert.True(result.IsSuccessful, floor + " leans on " + string.Join(", ", result.FailingTypeNames ?? []));
    }

    [Theory]
    [InlineData("Study")]
    [InlineData("Unify")]
    [InlineData("Technique")]
    [InlineData("Notation")]
    [InlineData("Formats")]
    public void Nothing_below_knows_the_layers_above_it(string below)
    {
        var result = Types
            .InAssembly(Core)
            .That()
            .ResideInNamespace("MellowStand.Core." + below)
            .ShouldNot()
            .HaveDependencyOn("MellowStand.Core.Layers")
            .GetResult();
        Assert.True(result.IsSuccessful, string.Join(", ", result.FailingTypeNames ?? []));
    }

    [Theory]
    [InlineData("Notation")]
    [InlineData("Instruments")]
    [InlineData("HouseRules")]
    public void What_stations_stand_on_knows_no_station(string ground)
    {
        var result = Types
            .InAssembly(Core)
            .That()
            .ResideInNamespace("MellowStand.Core." + ground)
            .ShouldNot()
            .HaveDependencyOnAny([.. Stations.Select(s => "MellowStand.Core." + s)])
            .GetResult();
        Assert.True(result.IsSuccessful, string.Join(", ", result.FailingTypeNames ?? []));
    }
}
