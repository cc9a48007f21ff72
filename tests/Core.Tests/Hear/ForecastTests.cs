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
            [.. Enumerable.Range(0, count).Select(i => new HeardTempo(Start.AddDays(i), 60 + i))],
            100,
            Start.AddDays(30)
        );
        Assert.Equal(Readiness.CannotTell, forecast.Readiness);
        Assert.Equal(count, forecast.Entries);
    }

    // 60, 67, 74 a week apart: a line drawn on would be there on day 40; a curve that flattens takes longer.
    [Theory]
    [InlineData(90, Readiness.OnTime)]
    [InlineData(28, Readiness.Late)]
    public void A_curve_meets_the_goal_later_than_a_line(int dueIn, Readiness expected)
    {
        var forecast = Forecaster.Of([new(Start, 60), new(Start.AddDays(7), 67), new(Start.AddDays(14), 74)], 100, Start.AddDays(dueIn));
        Assert.Equal(expected, forecast.Readiness);
        Assert.True(forecast.ReadyOn >= Start.AddDays(36), $"{forecast.ReadyOn}");
        Assert.InRange(forecast.BpmPerWeek!.Value, 5.5, 7.5);
        Assert.True(forecast.Low < forecast.AtDate && forecast.AtDate < forecast.High);
    }

    [Fact]
    public void The_later_the_date_the_better_the_chance()
    {
        double ChanceIn(int days) =>
            Forecaster.Of([new(Start, 60), new(Start.AddDays(7), 67), new(Start.AddDays(14), 74)], 100, Start.AddDays(days)).Chance!.Value;
        Assert.True(ChanceIn(21) < ChanceIn(35));
        Assert.True(ChanceIn(35) < ChanceIn(60));
    }

    [Fact]
    public void A_failed_try_counts()
    {
        HeardTempo[] clean = [new(Start, 70), new(Start.AddDays(7), 78), new(Start.AddDays(14), 85)];
        var without = Forecaster.Of(clean, 100, Start.AddDays(28));
        var with = Forecaster.Of(
            [.. clean, new HeardTempo(Start.AddDays(14), 88, false), new HeardTempo(Start.AddDays(16), 86, false)],
            100,
            Start.AddDays(28)
        );
        Assert.Equal(5, with.Entries);
        Assert.True(with.Chance < without.Chance, $"{with.Chance} {without.Chance}");
        Assert.Contains("2 of them not clean", with.Why, StringComparison.Ordinal);
    }

    [Fact]
    public void With_nothing_clean_nobody_can_tell()
    {
        var forecast = Forecaster.Of(
            [new(Start, 80, false), new(Start.AddDays(3), 76, false), new(Start.AddDays(6), 70, false)],
            100,
            Start.AddDays(30)
        );
        Assert.Equal(Readiness.CannotTell, forecast.Readiness);
        Assert.Null(forecast.Chance);
        Assert.Contains("none of them clean", forecast.Why, StringComparison.Ordinal);
    }

    // A section of players who all went flat makes a steady beginning less sure.
    [Fact]
    public void What_a_section_has_shown_is_learnt()
    {
        LearnerHistory Flat(int n) =>
            new(
                [.. Enumerable.Range(0, 6).Select(i => new HeardTempo(Start.AddDays(5 * i), i < 2 ? 60 + (10 * i) + n : 71 + n))],
                100,
                Start.AddDays(40)
            );
        var learned = LearnerPrior.Learn(Enumerable.Range(0, 12).Select(Flat));
        HeardTempo[] entries = [new(Start, 70), new(Start.AddDays(5), 78), new(Start.AddDays(10), 84)];
        Assert.True(
            Forecaster.Of(entries, 100, Start.AddDays(40), learned).Chance < Forecaster.Of(entries, 100, Start.AddDays(40)).Chance - 0.05
        );
    }

    [Fact]
    public void The_fan_opens_toward_the_date()
    {
        var fan = Forecaster.Fan([new(Start, 60), new(Start.AddDays(7), 67), new(Start.AddDays(14), 74)], 100, Start.AddDays(40), 6);
        Assert.Equal(Start.AddDays(14), fan[0].Day);
        Assert.Equal(Start.AddDays(40), fan[^1].Day);
        Assert.True(fan[^1].High - fan[^1].Low > fan[0].High - fan[0].Low);
    }

    // Two fair coins: none missing 1/4, at most one 3/4 (by hand).
    [Fact]
    public void Chances_of_a_section_are_brought_together()
    {
        Assert.Equal(0.25, Chances.AllBut([0.5, 0.5], 0), 9);
        Assert.Equal(0.75, Chances.AllBut([0.5, 0.5], 1), 9);
        Assert.Equal(1, Chances.AllBut([], 0), 9);
        Assert.Equal("7 in 10", Chances.Words(0.68));
        Assert.Equal("under 1 in 20", Chances.Words(0.01));
    }

    // Table values of the normal distribution (any handbook).
    [Theory]
    [InlineData(0, 0.5)]
    [InlineData(1, 0.841345)]
    [InlineData(-1.96, 0.024998)]
    [InlineData(1.281552, 0.9)]
    public void The_normal_curve_is_that_of_the_tables(double z, double below)
    {
        var type = typeof(Forecaster).Assembly.GetType("MellowStand.Core.Hear.NormalCurve")!;
        Assert.Equal(below, (double)type.GetMethod("Below")!.Invoke(null, [z])!, 5);
    }

    [Fact]
    public void A_tempo_that_falls_is_late_and_says_so() =>
        Assert.Contains(
            "does not climb",
            Forecaster.Of([new(Start, 70), new(Start.AddDays(5), 66), new(Start.AddDays(9), 65)], 100, Start.AddDays(20)).Why,
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
