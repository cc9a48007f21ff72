using MellowStand.Core.HouseRules;
using MellowStand.Core.Performance;
using MellowStand.Core.Tempo;

namespace MellowStand.Core.Tests.Performance;

/// <summary>Where each moment falls in seconds, worked out by hand. Common practice, no published source, for the words.</summary>
public sealed class PaceTests
{
    [Fact]
    public void Without_words_every_quarter_is_as_long_as_the_tempo_says()
    {
        var played = Played.Of("meter:4/4 | C4q D4 E4 F4", bpm: 120);
        Assert.Equal([2.0, 2.5, 3.0, 3.5], played.Notes.Select(n => n.Seconds));
        Assert.Equal(2, played.StartsAt);
        Assert.Equal(4, played.Seconds);
    }

    // Printed 100, then 50: asked for at 60 the second is 30.
    [Fact]
    public void A_later_printed_tempo_keeps_its_ratio_to_the_first()
    {
        var played = Played.Of("meter:2/4 tempo:q=100 | C4q C4 | tempo:q=50 C4q C4", bpm: 60);
        Assert.Equal([2.0, 3.0, 4.0, 6.0], played.Notes.Select(n => n.Seconds));
        Assert.Equal([(0, 60), (4, 30)], played.Pace.Steps.Select(s => ((int)s.Seconds, (int)s.QuarterBpm)));
    }

    // From 2/4 to 6/8 at the same beat the eighths become a third of the beat.
    [Fact]
    public void A_metric_change_keeps_the_beat()
    {
        var played = Played.Of("meter:2/4 tempo:q=60 | C4q C4 | meter:6/8 tempo:q=q. C4q. C4q.");
        Assert.Equal([2.0, 3.0, 4.0, 5.0], played.Notes.Select(n => Math.Round(n.Seconds, 9)));
    }

    // A rit. over four beats to the printed 60: 120 at its start, 60 at its end, 90 in the middle.
    [Fact]
    public void A_rit_is_a_curve_to_the_tempo_that_follows()
    {
        var played = Played.Of("meter:4/4 tempo:q=120 | C4q C4 C4 C4 | \"rit.\" C4q C4 C4 C4 | tempo:q=60 C4q C4 C4 C4");
        var gaps = Gaps(played);
        Assert.Equal([0.5, 0.5, 0.5, 0.5], gaps[..4]);
        Assert.Equal([1.0, 1.0, 1.0], gaps[8..]);
        Assert.True(gaps[4] > 0.5 && gaps[7] < 1 && gaps[4] < gaps[5] && gaps[5] < gaps[6] && gaps[6] < gaps[7], string.Join(' ', gaps));
        Assert.Equal(90, played.Pace.QuarterBpmAt(6), 2.0);
    }

    // The integral of 60 / (120 - 15 q) over four quarters is 4 ln 2 seconds.
    [Fact]
    public void The_seconds_of_a_curve_are_those_of_the_integral()
    {
        var played = Played.Of("meter:4/4 tempo:q=120 | \"rit.\" C4w | tempo:q=60 C4w");
        Assert.Equal(4 * Math.Log(2), played.Notes[1].Seconds - played.Notes[0].Seconds, 0.002);
    }

    [Fact]
    public void A_tempo_takes_up_the_tempo_before_the_slowing()
    {
        var played = Played.Of("meter:2/4 tempo:q=120 | C4q C4 | \"rit.\" C4q C4 | \"a tempo\" C4q C4 | C4q");
        Assert.Equal(120, played.Pace.QuarterBpmAt(4), 6);
        Assert.True(played.Pace.QuarterBpmAt(new(15, 4)) < 100);
    }

    [Fact]
    public void A_tempo_after_meno_mosso_is_the_printed_one()
    {
        var played = Played.Of("meter:2/4 tempo:q=100 | C4h | \"meno mosso\" C4h | \"a tempo\" C4h | \"rit.\" C4h | \"Tempo primo\" C4h");
        Assert.Equal([100, 85, 100], new[] { 0, 2, 4 }.Select(q => Math.Round(played.Pace.QuarterBpmAt(q))));
        Assert.Equal(100, played.Pace.QuarterBpmAt(8), 6);
    }

    [Fact]
    public void An_accelerando_quickens_and_an_allargando_broadens()
    {
        Assert.True(Gaps(Played.Of("meter:4/4 tempo:q=60 | \"accel.\" C4q C4 C4 C4")) is [var a, var b, var c] && a > b && b > c);
        Assert.True(Gaps(Played.Of("meter:4/4 tempo:q=60 | \"allargando\" C4q C4 C4 C4")) is [var d, var e, var f] && d < e && e < f);
    }

    [Fact]
    public void Molto_slows_more_and_poco_less()
    {
        double Last(string word) => Gaps(Played.Of($"meter:4/4 tempo:q=60 | \"{word}\" C4q C4 C4 C4"))[^1];
        Assert.True(Last("molto rit.") > Last("rit.") && Last("rit.") > Last("poco rit."));
        Assert.Equal(Last("rit."), Last("poco a poco rit."), 9);
    }

    // A slowing that nobody resolves does not slow for ever: after four measures the tempo before is back.
    [Fact]
    public void A_slowing_without_end_lasts_four_measures()
    {
        var played = Played.Of("meter:2/4 tempo:q=100 | \"rit.\" C4h | C4h | C4h | C4h | C4h | C4h");
        Assert.True(played.Pace.QuarterBpmAt(7) < 80);
        Assert.Equal(100, played.Pace.QuarterBpmAt(8), 6);
    }

    [Theory]
    [InlineData("past", "meter:4/4 | C4h. D4q(f)", 3)] // one beat is held three [check]
    [InlineData("past", "meter:4/4 | C4w(f)", 5)] // past its own four
    [InlineData("double", "meter:4/4 | C4h D4h(f)", 4)]
    [InlineData("in-time", "meter:4/4 | C4h D4h(f)", 2)]
    public void A_fermata_is_held_by_the_house(string choice, string music, double beats)
    {
        var played = Played.Of(music + " | E4w", bpm: 60, house: House.Default.With("fermata", choice));
        var held = played.Notes.Last(n => n.Midi != 64);
        Assert.Equal(beats, played.Notes.First(n => n.Midi == 64).Seconds - held.Seconds, 6);
    }

    [Fact]
    public void All_parts_wait_under_a_fermata_and_nobody_clicks()
    {
        var played = Played.Of("part \"A\"\nmeter:4/4 | C5w(f) | C5w\npart \"B\"\n| C4h D4h(f) | C4w", bpm: 60);
        var second = played.Notes.Where(n => n.From == 4).Select(n => Math.Round(n.Seconds, 6)).Distinct();
        Assert.Single(second);
        Assert.DoesNotContain(played.Clicks, c => c.At == 3);
        Assert.Contains(played.Clicks, c => c.At == 2);
    }

    // The tempo asked for is that in force where the range begins, be it inside a curve.
    [Fact]
    public void A_range_begins_at_the_tempo_that_was_asked_for()
    {
        var played = Played.Of("meter:4/4 tempo:q=120 | C4w | \"rit.\" C4w | C4w | tempo:q=60 C4w", bpm: 50, from: 2);
        Assert.Equal(50, played.Pace.Steps[0].QuarterBpm);
        Assert.True(played.Pace.QuarterBpmAt(3) < 45);
    }

    [Fact]
    public void A_slowing_word_beside_a_slower_number_is_a_new_tempo() =>
        Assert.Equal(60, Played.Of("meter:4/4 tempo:q=100 | C4w | \"rit.\" tempo:q=60 C4w | C4w").Pace.QuarterBpmAt(5), 6);

    [Fact]
    public void A_number_wins_over_the_word_beside_it() =>
        Assert.Equal(72, Played.Of("meter:4/4 tempo:q=72 \"Allegro\" | C4w", bpm: null).Pace.Steps[0].QuarterBpm);

    private static List<double> Gaps(PerformedRange played) =>
        [.. played.Notes.Zip(played.Notes.Skip(1), (a, b) => Math.Round(b.Seconds - a.Seconds, 9))];
}
