using MellowStand.Core.Tempo;

namespace MellowStand.Core.Tests.Tempo;

public sealed class LadderTests
{
    // [check] eighth = 66 to eighth = 120, then quarter = 60 to quarter = 100: common practice, no published source.
    [Fact]
    public void Changes_the_counting_unit_on_the_way()
    {
        var steps = Climb("eighth", 66, "quarter", 100, LadderBy.Step, 6);
        Assert.Equal(("eighth", 66.0), Name(steps[0]));
        Assert.Contains(("eighth", 120.0), steps.Select(Name));
        var change = steps.FindIndex(s => s.Mark.Unit.Name == "quarter");
        Assert.Equal(("quarter", 60.0), Name(steps[change]));
        Assert.Equal(("eighth", 120.0), Name(steps[change - 1]));
        Assert.Equal(("quarter", 100.0), Name(steps[^1]));
    }

    // [check] eighth = 136 and on until the quarter takes over (quarter = 68): common practice, no published source.
    [Fact]
    public void The_quarter_takes_over_at_the_same_speed() =>
        Assert.Equal(("quarter", 68.0), Name(Climb("eighth", 136, "quarter", 96, LadderBy.Step, 8)[1]));

    // [check] a goal of quarter = 58 is eighth = 116: common practice, no published source.
    [Fact]
    public void Two_units_of_the_same_speed_are_equal() => Assert.Equal(Mark("quarter", 58).QuarterBpm, Mark("eighth", 116).QuarterBpm);

    [Theory]
    [InlineData(LadderBy.Step, 10, "60 70 80 90 100")]
    [InlineData(LadderBy.Step, 15, "60 75 90 100")]
    [InlineData(LadderBy.Percent, 10, "60 66 72.6 79.9 87.8 96.6 100")]
    [InlineData(LadderBy.Marks, 1, "60 63 66 69 72 76 80 84 88 92 96 100")]
    [InlineData(LadderBy.Marks, 3, "60 69 80 92 100")]
    [InlineData(LadderBy.Count, 5, "60 70 80 90 100")]
    public void Climbs_as_asked(LadderBy by, double value, string expected) =>
        Assert.Equal(expected, string.Join(' ', Climb("quarter", 60, "quarter", 100, by, value).Select(s => s.Mark.Bpm)));

    [Fact]
    public void Start_and_goal_alike_are_one_step() => Assert.Single(Climb("quarter", 80, "quarter", 80, LadderBy.Step, 4));

    [Theory]
    [InlineData("quarter", 0, "quarter", 100, LadderBy.Step, 4, 1)]
    [InlineData("quarter", 60, "quarter", -1, LadderBy.Step, 4, 1)]
    [InlineData("quarter", 100, "quarter", 60, LadderBy.Step, 4, 1)] // downwards
    [InlineData("quarter", 60, "eighth", 60, LadderBy.Step, 4, 1)] // downwards in disguise
    [InlineData("quarter", 60, "quarter", 100, LadderBy.Step, 0, 1)]
    [InlineData("quarter", 60, "quarter", 100, LadderBy.Step, double.NaN, 1)]
    [InlineData("quarter", 60, "quarter", 100, LadderBy.Count, 2.5, 1)]
    [InlineData("quarter", 60, "quarter", 100, LadderBy.Step, 4, 0)]
    [InlineData("quarter", 60, "quarter", 900, LadderBy.Step, 0.1, 1)] // too many steps
    [InlineData("quarter", double.PositiveInfinity, "quarter", 900, LadderBy.Step, 1, 1)]
    public void Nonsense_is_refused_in_a_sentence(string su, double sb, string gu, double gb, LadderBy by, double value, int days)
    {
        var e = Assert.Throws<LadderException>(() => Ladder.Climb(Mark(su, sb), Mark(gu, gb), by, value, days));
        Assert.EndsWith(".", e.Message, StringComparison.Ordinal);
    }

    // Found by the property below: the seventh step of 3 percent rounds to 51.7, above the goal of 51.67.
    [Fact]
    public void A_rounded_step_never_passes_the_goal()
    {
        var goal = new TempoMark(BeatUnit.Find("dotted-half")!, 155 / 3.0);
        var steps = Ladder.Climb(Mark("eighth", 252), goal, LadderBy.Percent, 3, 1);
        Assert.All(steps, s => Assert.True(s.Mark.QuarterBpm <= goal.QuarterBpm));
        Assert.Equal(goal, steps[^1].Mark);
    }

    [SeededProperty(MaxTest = 500)]
    public bool Starts_at_the_start_ends_at_the_goal_and_never_goes_back(
        byte from,
        byte more,
        byte unitA,
        byte unitB,
        byte how,
        byte size,
        byte dayCount
    )
    {
        var units = BeatUnit.All;
        var start = new TempoMark(units[unitA % units.Count], 30 + from);
        var goalUnit = units[unitB % units.Count];
        var goal = new TempoMark(goalUnit, (start.QuarterBpm + more) / goalUnit.Quarters.Value);
        // Beyond what a metronome beats and what a ladder may hold, the refusal is tested above.
        if (
            goal.Bpm > 1000
            || more / start.Unit.Quarters.Value / (1 + (size % 20)) > 300
            || more / goalUnit.Quarters.Value / (1 + (size % 20)) > 300
        )
            return true;
        var by = (LadderBy)(how % 4);
        var value = by == LadderBy.Count ? 2 + (size % 30) : 1 + (size % 20);
        var days = 1 + (dayCount % 60);
        var steps = Ladder.Climb(start, goal, by, value, days);
        return steps[0].Mark == start
            && steps[^1].Mark == goal
            && steps[^1].Day == days
            && steps.Zip(steps.Skip(1)).All(p => p.First.Mark.QuarterBpm <= p.Second.Mark.QuarterBpm + 0.06 && p.First.Day <= p.Second.Day);
    }

    // The scale engraved on pendulum metronomes; from memory.
    [Fact]
    public void Traditional_marks_run_from_40_to_208()
    {
        Assert.Equal(39, MetronomeScale.Marks.Count);
        Assert.Equal(
            [40, 42, 60, 63, 72, 76, 120, 126, 144, 152, 208],
            MetronomeScale.Marks.Where(m => m is 40 or 42 or 60 or 63 or 72 or 76 or 120 or 126 or 144 or 152 or 208)
        );
    }

    private static TempoMark Mark(string unit, double bpm) => new(BeatUnit.Find(unit)!, bpm);

    private static (string, double) Name(LadderStep s) => (s.Mark.Unit.Name, s.Mark.Bpm);

    private static List<LadderStep> Climb(string su, double sb, string gu, double gb, LadderBy by, double value) =>
        [.. Ladder.Climb(Mark(su, sb), Mark(gu, gb), by, value, 10)];
}
