using System.Text.RegularExpressions;
using MellowStand.Core.HouseRules;

namespace MellowStand.Core.Tests;

/// <summary>No switch of the house is there for show: each is read where something is worked out.</summary>
public sealed partial class EveryRuleActsTests
{
    private static readonly HashSet<string> Read =
    [
        .. Directory
            .EnumerateFiles(Path.Combine(Reference.RepositoryRoot, "src"), "*.cs", SearchOption.AllDirectories)
            .Where(f => !f.Contains($"{Path.DirectorySeparatorChar}obj{Path.DirectorySeparatorChar}", StringComparison.Ordinal))
            .SelectMany(f => Reading().Matches(File.ReadAllText(f)))
            .Select(m => m.Groups[1].Value),
    ];

    public static TheoryData<string> Rules => [.. HouseRuleCatalog.All.Select(r => r.Name)];

    [Theory]
    [MemberData(nameof(Rules))]
    public void Each_rule_is_read_by_computation(string rule) => Assert.Contains(rule, Read);

    [Fact]
    public void Each_rule_that_is_read_is_one() => Assert.All(Read, r => Assert.NotNull(HouseRuleCatalog.Find(r)));

    [Fact]
    public void A_rule_that_nobody_reads_would_be_found() => Assert.DoesNotContain("where-the-director-stands", Read);

    // house["ladder"], House["trill-end"], piece.Layer.Knowledge.House["counting-words"]
    [GeneratedRegex(@"[Hh]ouse\[""([a-z-]+)""\]")]
    private static partial Regex Reading();
}
