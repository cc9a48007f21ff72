using MellowStand.Core.Notation;
using MellowStand.Core.Performance;

namespace MellowStand.Core.Tests.Performance;

/// <summary>What is counted before a passage, and how its measures are clicked; moments in quarters, an accent with "!". Common practice,
/// no
/// published source.</summary>
public sealed class CountOffTests
{
    [Theory]
    [InlineData("meter:4/4 | C4w", "quarter", 60, "-4! -3 -2 -1")]
    [InlineData("meter:4/4 | C4w", "half", 60, "-4! -2")]
    [InlineData("meter:3/4 | C4h.", "eighth", 120, "-3! -5/2 -2 -3/2 -1 -1/2")]
    [InlineData("meter:4/4 pickup | G4q | C5w", "quarter", 60, "-3! -2 -1")] // [check] a one-beat pickup leaves three beats
    [InlineData("meter:4/4 pickup | G4e | C5w", "quarter", 60, "-7/2! -5/2 -3/2 -1/2")] // the upbeat comes between two clicks
    [InlineData("meter:4/4 pickup | G4h. | C5w", "quarter", 60, "-5! -4 -3 -2 -1!")] // one click tells no tempo: a measure more
    [InlineData("meter:6/8 | C4q. C4q.", "dotted-quarter", 60, "-3! -3/2")]
    [InlineData("meter:6/8 pickup | C4e | C4q. C4q.", "dotted-quarter", 60, "-5/2! -1")]
    [InlineData("meter:5/8 | C4e D4 E4 F4 G4", "eighth", 120, "-5/2! -2 -3/2! -1 -1/2")] // beamed as one: two and three is usual
    [InlineData("meter:3+2/8 | C4q. C4q", "quarter", 60, "-5/2! -1")] // a quarter does not fit: by the groups
    [InlineData("meter:2+2+3/8 | C4h. C4e", "eighth", 160, "-7/2! -3 -5/2! -2 -3/2! -1 -1/2")]
    [InlineData("meter:4/4 | C4w", "quarter", 200, "-8! -7 -6 -5 -4! -3 -2 -1")] // quick: two measures
    [InlineData("meter:2/4 | C4h", "quarter", 132, "-4! -3 -2! -1")]
    [InlineData("meter:2/4 | C4h", "quarter", 120, "-2! -1")]
    public void A_count_off_is_made_of_the_meter(string music, string unit, double bpm, string expected)
    {
        var played = Played.Of(music, unit, bpm);
        Assert.Equal(expected, Played.Clicks(played.Clicks.Where(c => c.IsCountOff)));
        Assert.Equal(0, played.Clicks[0].Seconds);
    }

    [Theory]
    [InlineData("meter:4/4 pickup | G4q | C5w", "quarter", "0 1! 2 3 4")] // the pickup is beat four
    [InlineData("meter:7/8 | C4e[ D4] E4[ F4] G4[ A4 B4]", "eighth", "0! 1/2 1! 3/2 2! 5/2 3")]
    [InlineData("meter:3+2/8 | C4q. C4q | C4q. C4q", "dotted-quarter", "0! 3/2 5/2! 4")]
    [InlineData("meter:4/4 | C4w | meter:3/4 C4h.", "quarter", "0! 1 2 3 4! 5 6")]
    [InlineData("meter:4/4 | C4w", "dotted-quarter", "0! 3/2 3")] // the bar line wins
    public void The_click_follows_meter_groups_and_bar_lines(string music, string unit, string expected) =>
        Assert.Equal(expected, Played.Clicks(Played.Of(music, unit, 60).Clicks.Where(c => !c.IsCountOff)));

    // A measure cut in two by a repeat sign: its second half is begun as a pickup is.
    [Fact]
    public void A_range_that_begins_inside_a_measure_counts_what_comes_before()
    {
        var cut = Played.Of("meter:4/4 pickup | G4q | C5w | D5h.", from: 0);
        Assert.Equal(3, cut.StartsAt / (60 / 96.0), 6);
    }

    [Fact]
    public void Free_music_is_counted_off_by_four() =>
        Assert.Equal(
            "-4 -3 -2 -1",
            Played.Clicks(new[] { CountOffPlan.Of(null!, Free(), 1, 60, 1) }.SelectMany(p => p.Clicks).Select(Click))
        );

    [Theory]
    [InlineData(ClickGame.SilentMeasures, 1, 2, "1001")]
    [InlineData(ClickGame.EveryNth, 2, 1, "1010")]
    [InlineData(ClickGame.EveryNth, 4, 1, "1000")]
    [InlineData(ClickGame.FadeOut, 2, 1, "1500")]
    [InlineData(ClickGame.None, 2, 2, "1111")]
    public void Games_keep_measures_silent_and_never_the_count_off(ClickGame game, int on, int off, string levels)
    {
        var played = Played.Of("meter:2/4 | C4h | C4h | C4h | C4h", bpm: 60, click: new ClickPlan(1, game, on, off));
        var heard = played.Clicks.Where(c => !c.IsCountOff).GroupBy(c => c.Measure).Select(g => g.First().Level);
        Assert.Equal(levels, string.Concat(heard.Select(l => l == 0.5 ? "5" : $"{l:0}")));
        Assert.All(played.Clicks.Where(c => c.IsCountOff), c => Assert.Equal(1, c.Level));
    }

    [Fact]
    public void Only_the_off_beat_is_halfway_between()
    {
        var played = Played.Of("meter:3/4 | C4h.", bpm: 60, click: new ClickPlan(1, ClickGame.OffBeat));
        Assert.Equal("-3! -2 -1 1/2 3/2 5/2", Played.Clicks(played.Clicks));
    }

    [Fact]
    public void A_beat_is_divided_into_equal_clicks()
    {
        var played = Played.Of("meter:2/4 | C4h", bpm: 60, click: new ClickPlan(3));
        Assert.Equal("0! 1/3 2/3 1 4/3 5/3", Played.Clicks(played.Clicks.Where(c => !c.IsCountOff)));
    }

    private static MeasureFrame Free() => new(0, "1", 0, 4, Meter.Senza, false, null);

    private static PerformedClick Click(GridClick c) => new(c.Offset, 0, c.Rank, null, c.Beat, 1);
}
