using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Unify;

namespace MellowStand.Core.Tests.Unify;

/// <summary>The last rule for a level: where the leader prints none and the others are even, the balance decides. Common practice, no
/// published source.</summary>
public sealed class BalanceProposalTests
{
    [Theory]
    [InlineData("C3w", "f")] // the line is on top: it must be heard
    [InlineData("C7w", "p")] // another part is above it
    public void Where_all_else_is_even_the_balance_decides(string other, string level)
    {
        var score = ShortFormReader.Score(
            $"part \"Flute 1\"\n| C5q D5q E5q F5q\npart \"Flute 2\"\n| !f C5q D5q E5q F5q\npart \"Flute 3\"\n| !p C5q D5q E5q "
                + $"F5q\npart \"Piano\"\n| {other}"
        );
        var proposal = Assert.Single(UnifyDesk.Compare(score, House.Default).Differences, d => d.Kind == "dynamic").Proposal;
        Assert.Equal(("balance", level), (proposal.Rule, proposal.Mark));
    }

    [Fact]
    public void Where_most_agree_they_decide()
    {
        var score = ShortFormReader.Score(
            "part \"Flute 1\"\n| C5q D5q E5q F5q\npart \"Flute 2\"\n| !f C5q D5q E5q F5q\npart \"Flute 3\"\n| !p C5q D5q E5q "
                + "F5q\npart \"Flute 4\"\n| !p C5q D5q E5q F5q"
        );
        Assert.Equal("most", Assert.Single(UnifyDesk.Compare(score, House.Default).Differences, d => d.Kind == "dynamic").Proposal.Rule);
    }
}
