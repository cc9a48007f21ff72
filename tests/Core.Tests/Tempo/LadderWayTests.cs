using MellowStand.Core.HouseRules;
using MellowStand.Core.Tempo;

namespace MellowStand.Core.Tests.Tempo;

/// <summary>Ways over a ladder, and when to move on. Common practice, no published source.</summary>
public sealed class LadderWayTests
{
    [Theory]
    [InlineData(false, 0, "60 70 80 90 100")]
    [InlineData(true, 0, "60 70 80 70 80 90 80 90 100")] // two up, one back
    [InlineData(false, 6, "60 70 80 90 100 106 100")] // past the goal and back
    [InlineData(true, 10, "60 70 80 70 80 90 80 90 100 110 100")]
    public void The_way_goes_over_the_same_steps(bool oneBack, double past, string expected)
    {
        var steps = Ladder.Climb(Mark(60), Mark(100), LadderBy.Step, 10, 9, new LadderWay(oneBack, past));
        Assert.Equal(expected, string.Join(' ', steps.Select(s => s.Mark.Bpm)));
        Assert.Equal((1, 9), (steps[0].Day, steps[^1].Day));
        Assert.Equal(steps.OrderBy(s => s.Day), steps);
    }

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    public void A_short_ladder_has_no_step_to_go_back_to(int rungs)
    {
        var steps = Ladder.Climb(Mark(60), Mark(rungs == 1 ? 60 : 64), LadderBy.Step, 10, 5, new LadderWay(true));
        Assert.Equal(rungs, steps.Count);
    }

    [Theory]
    [InlineData(-1)]
    [InlineData(26)]
    [InlineData(double.NaN)]
    public void Far_past_the_goal_is_refused(double past) =>
        Assert.Throws<LadderException>(() => Ladder.Climb(Mark(60), Mark(90), LadderBy.Step, 10, 5, new LadderWay(false, past)));

    [Theory]
    [InlineData("three-clean", "+++", NextStep.Up)]
    [InlineData("three-clean", "-+++", NextStep.Up)]
    [InlineData("three-clean", "++-+", NextStep.Stay)] // in a row
    [InlineData("three-clean", "+--", NextStep.Back)]
    [InlineData("three-clean", "-+-", NextStep.Stay)]
    [InlineData("three-clean", "", NextStep.Stay)]
    [InlineData("five-clean", "+++", NextStep.Stay)]
    [InlineData("five-clean", "+++++", NextStep.Up)]
    [InlineData("once-clean", "-+", NextStep.Up)]
    [InlineData("once-clean", "--", NextStep.Stay)]
    public void A_player_moves_on_by_the_house(string rule, string tries, NextStep expected) =>
        Assert.Equal(expected, MoveOn.After(House.Default.With("move-on", rule), [.. tries.Select(t => t == '+')]));

    [Fact]
    public void Every_answer_has_its_words() =>
        Assert.All(HouseRuleCatalog.Find("move-on")!.Choices, c => Assert.NotEmpty(MoveOn.Words(House.Default.With("move-on", c.Key))));

    private static TempoMark Mark(double bpm) => new(BeatUnit.Find("quarter")!, bpm);
}
