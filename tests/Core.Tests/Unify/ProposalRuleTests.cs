using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Unify;

namespace MellowStand.Core.Tests.Unify;

/// <summary>Which reading wins, and that the rule used is named: common practice, no published source.</summary>
public sealed class ProposalRuleTests
{
    private const string Plain = "C5q D5q E5q F5q";

    [Theory]
    // A mark that is printed beats one that is forgotten, wherever it stands.
    [InlineData("C5q(.) D5q(.) E5q(.) F5q(.)", Plain, Plain, "articulation", "present", "staccato")]
    [InlineData(Plain, Plain, "C5q(.) D5q(.) E5q(.) F5q(.)", "articulation", "present", "staccato")]
    // Two marks against each other: the leader, which is the first in the score.
    [InlineData("C5q(.) D5q(.) E5q(.) F5q(.)", "C5q(-) D5q(-) E5q(-) F5q(-)", Plain, "articulation", "leader", "staccato")]
    [InlineData("C5q(-) D5q(-) E5q(-) F5q(-)", "C5q(.) D5q(.) E5q(.) F5q(.)", Plain, "articulation", "leader", "tenuto")]
    // The leader prints nothing and the others disagree: most of them.
    [InlineData(Plain, "C5q(.) D5q(.) E5q(.) F5q(.)", "C5q(.) D5q(.) E5q(.) F5q(.)", "articulation", "present", "staccato")]
    [InlineData("!f C5q D5q E5q F5q", "C5q D5q E5q F5q", "!f C5q D5q E5q F5q", "dynamic", "present", "f")]
    [InlineData("!f C5q D5q E5q F5q", "!p C5q D5q E5q F5q", "!p C5q D5q E5q F5q", "dynamic", "most", "p")] // not the leader
    public void A_rule_decides_and_is_named(string first, string second, string third, string kind, string rule, string mark)
    {
        var difference = Of(first, second, third).First(d => d.Kind == kind);
        Assert.Equal(rule, difference.Proposal.Rule);
        Assert.Contains(mark, difference.Proposal.Mark, StringComparison.Ordinal);
        Assert.EndsWith(".", difference.Proposal.Why, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("longer", "C5q[ D5q E5q F5q]")]
    [InlineData("shorter", "C5q[ D5q] E5q F5q")]
    public void Of_two_slurs_the_house_decides(string rule, string wins)
    {
        var score = ShortFormReader.Score($"part \"Flute 1\"\n| C5q[ D5q E5q F5q] | C5w\npart \"Flute 2\"\n| C5q[ D5q] E5q F5q | C5w");
        var slur = Assert.Single(UnifyDesk.Compare(score, House.Default.With("two-slurs", rule)).Differences, d => d.Kind == "slur");
        Assert.Equal(rule + "-slur", slur.Proposal.Rule);
        Assert.Equal(wins.Contains("F5q]", StringComparison.Ordinal) ? "P2" : "P1", Assert.Single(slur.Proposal.Parts));
    }

    [Fact]
    public void Parts_that_are_changed_are_those_that_read_otherwise()
    {
        foreach (var difference in Of("C5q(.) D5q(.) E5q F5q", Plain, "C5q D5q(.) E5q(>) F5q"))
        {
            var agreed = difference.Readings.Where(r => r.Has == difference.Proposal.Mark).Select(r => r.Part).ToHashSet();
            Assert.NotEmpty(agreed);
            Assert.DoesNotContain(difference.Proposal.Parts, agreed.Contains);
            Assert.Equal(difference.Readings.Count - agreed.Count, difference.Proposal.Parts.Count);
        }
    }

    [Fact]
    public void The_same_music_in_all_parts_leaves_nothing_to_decide() => Assert.Empty(Of(Plain, Plain, Plain));

    private static IReadOnlyList<Difference> Of(params string[] voices) =>
        UnifyDesk
            .Compare(ShortFormReader.Score(string.Join('\n', voices.Select((v, i) => $"part \"Flute {i + 1}\"\n| {v}"))), House.Default)
            .Differences;
}
