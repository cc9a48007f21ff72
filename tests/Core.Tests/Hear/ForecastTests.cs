using MellowStand.Core.Assign;
using MellowStand.Core.Hear;
using MellowStand.Core.Tempo;

namespace MellowStand.Core.Tests.Hear;

public sealed class ForecastTests
{
    private static readonly DateOnly Start = new(2031, 3, 3);

    [Theory]
    [InlineData(0)]
    [InlineData(1)]
    [InlineData(2)]
    public void With_fewer_than_three_entries_nobody_can_tell(int count)
    {
        var forecast = Forecaster.Of(
            [.. Enumerable.Range(0, count).Select(i => new CleanTempo(Start.AddDays(i), 60 + i))],
            100,
            Start.AddDays(30)
        );
        Assert.Equal(Readiness.CannotTell, forecast.Readiness);
        Assert.Equal(count, forecast.Entries);
    }

    // 60, 67, 74 a week apart gain one quarter a day: 100 is reached on day 40 exactly (arithmetic by hand).
    [Theory]
    [InlineData(40, Readiness.OnTime)]
    [InlineData(43, Readiness.Early)]
    [InlineData(39, Readiness.Late)]
    public void The_line_meets_the_goal_on_its_day(int dueIn, Readiness expected)
    {
        var forecast = Forecaster.Of([new(Start, 60), new(Start.AddDays(7), 67), new(Start.AddDays(14), 74)], 100, Start.AddDays(dueIn));
        Assert.Equal(expected, forecast.Readiness);
        Assert.Equal(Start.AddDays(40), forecast.ReadyOn);
        Assert.Equal(7, forecast.BpmPerWeek);
    }

    // Least squares of (0, 1), (1, 3), (2, 2) is y = 1.5 + 0.5 x: a textbook example worked by hand.
    [Fact]
    public void The_line_is_that_of_least_squares()
    {
        var forecast = Forecaster.Of([new(Start, 61), new(Start.AddDays(1), 63), new(Start.AddDays(2), 62)], 100, Start.AddDays(10));
        Assert.Equal(66.5, forecast.AtDate);
        Assert.Equal(3.5, forecast.BpmPerWeek);
    }

    [Fact]
    public void A_tempo_that_falls_is_late_and_says_so() =>
        Assert.Contains(
            "does not climb",
            Forecaster.Of([new(Start, 70), new(Start.AddDays(5), 66), new(Start.AddDays(9), 65)], 100, Start.AddDays(60)).Why,
            StringComparison.Ordinal
        );

    [Fact]
    public void A_goal_once_clean_is_reached() =>
        Assert.Equal(
            Readiness.Early,
            Forecaster.Of([new(Start, 70), new(Start.AddDays(5), 100), new(Start.AddDays(9), 80)], 100, Start.AddDays(60)).Readiness
        );

    [Fact]
    public void Three_entries_of_one_day_tell_nothing() =>
        Assert.Equal(
            Readiness.CannotTell,
            Forecaster.Of([new(Start, 70), new(Start, 72), new(Start, 74)], 100, Start.AddDays(60)).Readiness
        );

    [Fact]
    public void A_plan_ends_on_the_date_and_begins_today()
    {
        var quarter = BeatUnit.Find("quarter")!;
        var plan = PassagePlan.Of(new(quarter, 60), new(quarter, 100), LadderBy.Step, 8, Start, Start.AddDays(20));
        Assert.Equal(Start, plan[0].By);
        Assert.Equal((Start.AddDays(20), 100.0), (plan[^1].By, plan[^1].Mark.Bpm));
        Assert.Throws<LadderException>(() =>
            PassagePlan.Of(new(quarter, 60), new(quarter, 100), LadderBy.Step, 8, Start, Start.AddDays(-1))
        );
    }
}
