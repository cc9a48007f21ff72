using System.Globalization;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;
using MellowStand.Core.Study;
using MellowStand.Core.Tempo;

namespace MellowStand.Core.Tests.Tempo;

/// <summary>The window of workable tempi, in quarters per minute. Common practice, no published source, for the limits.</summary>
public sealed class WindowTests
{
    private const string Repeated = "C5s C5 C5 C5 C5 C5 C5 C5 C5 C5 C5 C5 C5 C5 C5 C5";
    private const string Sixteenths = "C5s D5 E5 F5 G5 F5 E5 D5 C5 D5 E5 F5 G5 F5 E5 D5";

    // Eight tongued notes a second are sixteenths at 120.
    [Theory]
    [InlineData("C5s C5 C5 C5 C5 C5 C5 C5 C5 C5 C5 C5 C5 C5 C5 C5", 120)]
    [InlineData("C5e C5 C5 C5 C5 C5 C5 C5", 240)]
    public void Tongued_notes_are_clean_to_eight_a_second(string music, double expected) =>
        Assert.Equal(expected, Window($"part \"Clarinet\" sound:wind.reed.clarinet\nmeter:4/4 | {music}").Fastest!.QuarterBpm);

    [Fact]
    public void Slurred_notes_go_quicker_than_tongued_ones()
    {
        var tongued = Window($"part \"Flute\"\nmeter:4/4 | {Sixteenths}").Fastest!.QuarterBpm;
        var slurred = Window($"part \"Flute\"\nmeter:4/4 | {Slurred(Sixteenths)}").Fastest!.QuarterBpm;
        Assert.True(slurred > tongued, $"{slurred} {tongued}");
    }

    [Theory]
    [InlineData("Flute", "comfortable", "each begun anew")]
    [InlineData("Flute", "advanced", "double-tongued")]
    [InlineData("Trumpet", "extreme", "double-tongued")]
    [InlineData("Clarinet", "extreme", "each begun anew")]
    public void Who_can_double_tongue_goes_on_where_others_slur(string instrument, string level, string words)
    {
        var end = Window($"part \"{instrument}\"\nmeter:4/4 | {Repeated}", who: new WhoPlays(level)).Fastest!;
        Assert.Contains(words, end.Why, StringComparison.Ordinal);
        Assert.Equal(words == "double-tongued", end.QuarterBpm * 4 / 60 > 8 * (level == "extreme" ? 1.4 : 1.2) + 0.05);
    }

    // Eight beats on one breath of ten seconds: never below 48, whatever seven tenths of the goal are.
    [Theory]
    [InlineData("Flute", 48)]
    [InlineData("Violin", 42)]
    public void A_ladder_begins_where_the_longest_note_is_one_breath(string instrument, double expected) =>
        Assert.Equal(expected, InQuarters(Window($"part \"{instrument}\"\ntempo:q=60 | C5w~ | C5w | C5q D5 E5 F5").Start!));

    private static double InQuarters(TempoMark mark) => Math.Round(mark.QuarterBpm);

    [Fact]
    public void The_hardest_measure_is_named()
    {
        var end = Window($"part \"Flute\"\nmeter:4/4 | C5q D5 E5 F5 | {Sixteenths} | C5w").Fastest!;
        Assert.Equal(1, end.Measure);
        Assert.Contains("Measure 2 ", end.Why, StringComparison.Ordinal);
        Assert.Contains("notes a second", end.Why, StringComparison.Ordinal);
    }

    // Two tempos are two jobs, each with its own limits.
    [Theory]
    [InlineData("| tempo:q=120 C5q D5 E5 F5 | G5w | tempo:q=60 C5s D5 E5 F5 G5 F5 E5 D5 C5h | C5w", "0-1 2-3")]
    [InlineData("| tempo:q=120 C5q D5 E5 F5 | tempo:q=120 G5w | C5w", "0-2")]
    public void Each_printed_tempo_has_its_own_window(string music, string ranges)
    {
        var score = ShortFormReader.Score($"part \"Flute\"\nmeter:4/4 {music}");
        var context = new StudyContext(score, House.Default);
        var windows = TempoWindows.Each(context, score.Parts[0], 0, score.Measures.Count - 1, new WhoPlays("comfortable"));
        Assert.Equal(ranges, string.Join(' ', windows.Select(w => $"{w.From}-{w.To}")));
        Assert.All(windows, w => Assert.Equal(context.Tempo.QuarterBpmAt(w.From), w.Window.Goal!.QuarterBpm));
    }

    [Fact]
    public void A_range_in_words_is_the_printed_range()
    {
        var printed = Window("part \"Flute\"\nmeter:4/4 | \"♩ = 70–84\" C5q D5 E5 F5 | G5w").Printed!;
        Assert.Equal((70, 84), (printed.From, printed.To));
        Assert.Equal(120, Window("part \"Flute\"\nmeter:6/8 | \"about 80\" C5e D5 E5 F5 E5 D5 | C5h.").Printed!.From);
    }

    [Fact]
    public void One_quick_note_alone_is_a_figure()
    {
        Assert.Null(Window("part \"Flute\"\nmeter:4/4 | C5q D5e. E5s F5h").Fastest);
        Assert.Null(Window("part \"Flute\"\nmeter:4/4 | C5e D5e E5s F5s G5e C5h").Fastest);
        Assert.NotNull(Window("part \"Flute\"\nmeter:4/4 | C5q D5s E5s F5s G5s C5h").Fastest);
    }

    // Sixteen quarters in a breath of ten seconds: from 96 on.
    [Fact]
    public void The_longest_phrase_must_fit_one_breath()
    {
        var slowest = Window(
            "part \"Flute\"\nmeter:4/4 | C5q[ D5 E5 D5 | C5q D5 E5 D5 | C5q D5 E5 D5 | C5q D5 E5 D5] | rw"
        ).Slowest!;
        Assert.Equal(96, slowest.QuarterBpm);
        Assert.Contains("10 seconds", slowest.Why, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("breath", 48)] // a breath mark halves the phrase
    [InlineData("rest", 45)] // so does a rest
    public void A_place_to_breathe_makes_slower_work_possible(string place, double expected)
    {
        var end = place == "breath" ? "C5q D5 E5 D5(b)]" : "C5q D5 E5] r";
        var window = Window(
            $"part \"Flute\"\nmeter:4/4 | C5q[ D5 E5 D5 | {end} | C5q[ D5 E5 D5 | C5q D5 E5{(place == "rest" ? "] r" : " D5]")}"
        );
        Assert.Equal(expected, Math.Round(window.Slowest!.QuarterBpm, 0), 3.1);
    }

    // A slur of eight quarters in a bow of five seconds: from 96 on.
    [Fact]
    public void The_longest_slur_must_fit_one_bow() =>
        Assert.Equal(96, Window("part \"Violin\"\nmeter:4/4 | D4q[ E4 F#4 G4 | A4 B4 C#5 D5] | D5w").Slowest!.QuarterBpm);

    [Fact]
    public void A_drum_needs_neither_breath_nor_bow()
    {
        var window = Window("part \"Snare Drum\" clef:percussion\nmeter:4/4 | %C5s %C5 %C5 %C5 %C5 %C5 %C5 %C5 %C5h");
        Assert.Null(window.Slowest);
        Assert.NotNull(window.Fastest);
    }

    [Fact]
    public void Where_nothing_is_played_there_is_no_window() => Assert.Equal(TempoWindow.Silent, Window("part \"Flute\"\nmeter:4/4 | rw"));

    // Forty-eight quarters without a place to breathe, with sixteenths in them: no tempo serves both.
    [Fact]
    public void When_no_tempo_serves_both_it_says_where_to_breathe()
    {
        var music = string.Join(" | ", Enumerable.Repeat("C5s[ D5 E5 F5 G5 F5 E5 D5 C5 D5 E5 F5 G5 F5 E5 D5]", 12))
            .Replace("] | C5s[", " | C5s");
        var window = Window($"part \"Oboe\"\nmeter:4/4 tempo:q=100 | {music} | C5h");
        Assert.True(window.Slowest!.QuarterBpm > window.Fastest!.QuarterBpm);
        Assert.Contains("No tempo serves both", window.Why, StringComparison.Ordinal);
        Assert.Contains("reathe after", window.Why, StringComparison.Ordinal);
        Assert.Contains("breathe out too", window.Why, StringComparison.Ordinal);
    }

    // A slow ornamented etude printed at 64 begins at 45 [check]; the ladder's start is where it goes without strain.
    [Fact]
    public void A_slow_etude_begins_at_seven_tenths()
    {
        var window = Window("part \"Clarinet\" sound:wind.reed.clarinet\nmeter:3/4 tempo:q=64 | C5q. D5e E5q | C5h.");
        Assert.Equal(45, window.Start!.QuarterBpm, 1.0);
        Assert.Equal(64, window.Goal!.QuarterBpm);
    }

    [Fact]
    public void A_start_too_slow_to_count_is_counted_in_the_shorter_note()
    {
        var start = Window($"part \"Flute\"\nmeter:4/4 tempo:q=58 | {Sixteenths}").Start!;
        Assert.Equal("eighth", start.Unit.Name);
        Assert.Equal(58 * 0.5, start.QuarterBpm, 1.0);
    }

    [Theory]
    [InlineData("fast-as-clean", 96, 112, 112)] // all of the printed range is clean: its upper end
    [InlineData("fast-as-clean", 112, 140, 120)] // as fast as clean, inside the range
    [InlineData("fast-as-clean", 132, 144, 132)] // an audition asks for it: a risk, no reason for less
    [InlineData("printed", 132, 144, 132)]
    public void The_goal_is_as_fast_as_clean_inside_the_printed_range(string rule, int low, int high, double expected)
    {
        var music =
            $"part \"Clarinet\" sound:wind.reed.clarinet\nmeter:4/4 tempo:q={low} | C5s C5 C5 C5 C5 C5 C5 C5 C5 C5 C5 C5 C5 C5 C5 C5";
        var window = Window(music, house: House.Default.With("goal-tempo", rule), high: high);
        Assert.Equal(new PrintedTempo(low, high), window.Printed);
        Assert.Equal(expected, window.Goal!.QuarterBpm);
    }

    [Fact]
    public void A_goal_that_is_worked_out_is_a_whole_number_that_is_clean()
    {
        var window = Window($"part \"Oboe\"\nmeter:4/4 tempo:q=90 | {Sixteenths}", high: 180);
        Assert.Equal(Math.Floor(window.Fastest!.QuarterBpm), window.Goal!.Bpm);
    }

    [Fact]
    public void A_second_tempo_is_a_second_window()
    {
        var window = Window($"part \"Flute\"\nmeter:4/4 tempo:q=60 | C5h D5 | tempo:q=132 {Sixteenths} | C5w");
        Assert.Equal(60, window.Goal!.QuarterBpm);
        Assert.Null(window.Fastest);
        Assert.Contains("From measure 2 on there is another tempo", window.Why, StringComparison.Ordinal);
    }

    [Fact]
    public void What_is_far_quicker_than_the_music_is_no_limit()
    {
        var window = Window("part \"Flute\"\nmeter:4/4 tempo:q=88 | C5e D5 E5 F5 G5 F5 E5 D5 | C5w");
        Assert.Null(window.Fastest);
        Assert.DoesNotContain("clean to", window.Why, StringComparison.Ordinal);
    }

    [Fact]
    public void A_tempo_is_told_in_the_printed_unit()
    {
        var why = Window("part \"Oboe\"\nmeter:6/8 tempo:q.=80 | C5e D5 E5 F5 E5 D5 | C5q. G5q. | A5e G5 F5 E5 D5 B4 | C5h.").Why;
        Assert.Contains("dotted quarter = ", why, StringComparison.Ordinal);
        Assert.DoesNotContain("from quarter", why, StringComparison.Ordinal);
    }

    // Three of four notes are fingers; the tongue has time to be ready again.
    [Fact]
    public void A_run_slurred_in_fours_is_no_matter_of_the_tongue()
    {
        const string fours = "C5s[ D5 E5 F5] G5[ F5 E5 D5] C5[ D5 E5 F5] G5q";
        var slurred = Window($"part \"Clarinet\" sound:wind.reed.clarinet\nmeter:4/4 | {fours}").Fastest!;
        Assert.DoesNotContain("anew", slurred.Why, StringComparison.Ordinal);
    }

    [Fact]
    public void What_was_logged_draws_the_limits_nearer()
    {
        Assert.Equal(1, PlayerNearness.Of([]));
        Assert.Equal(1, PlayerNearness.Of([new(100, 100), new(80, 80)]));
        Assert.True(PlayerNearness.Of([new(60, 100)]) is < 1 and > 0.8);
        Assert.True(PlayerNearness.Of([new(60, 100), new(60, 100), new(60, 100)]) < PlayerNearness.Of([new(60, 100)]));
        var near = Window($"part \"Flute\"\nmeter:4/4 | {Sixteenths}", who: new WhoPlays("comfortable", Nearness: 0.8));
        Assert.True(near.Fastest!.QuarterBpm < Window($"part \"Flute\"\nmeter:4/4 | {Sixteenths}").Fastest!.QuarterBpm);
        Assert.Contains("logged", near.Fastest.Why, StringComparison.Ordinal);
    }

    [Fact]
    public void A_player_begins_where_they_were_last_clean()
    {
        var window = Window($"part \"Flute\"\nmeter:4/4 tempo:q=120 | {Sixteenths}", who: new WhoPlays("comfortable", LastClean: 92));
        Assert.Equal(92, window.Start!.QuarterBpm);
    }

    // A faster player never has a slower window, on every part of the reference scores.
    [Theory]
    [MemberData(nameof(Reference.Scores), MemberType = typeof(Reference))]
    public void A_faster_player_never_has_a_slower_window(string file)
    {
        var score = ScoreReader.Read(Reference.Bytes(file));
        var context = new StudyContext(score, House.Default);
        foreach (var part in score.Parts)
            for (var m = 0; m + 4 < score.Measures.Count; m += 9)
            {
                var windows = WrittenRanges.Levels.Select(l => TempoWindows.Of(context, part, m, m + 4, new WhoPlays(l))).ToList();
                Assert.True(Rises(windows.Select(w => w.Fastest?.QuarterBpm)), $"{part.Id} {m}");
                Assert.True(Rises(windows.Select(w => -w.Slowest?.QuarterBpm)), $"{part.Id} {m}");
            }
    }

    // Every second note struck twice as often: never faster.
    [SeededProperty(MaxTest = 150)]
    public bool A_denser_passage_is_never_faster(byte[] pitches, byte which)
    {
        var notes = pitches.Take(16).Select(p => Pitch(p)).ToList();
        if (notes.Count < 4)
            return true;
        string Music(bool dense) => string.Join(' ', notes.Select((n, i) => dense && i % 3 == which % 3 ? $"{n}e {n}e" : $"{n}q"));
        var sparse = Window($"part \"Flute\"\nmeter:{notes.Count}/4 | {Music(false)}").Fastest;
        var denser = Window($"part \"Flute\"\nmeter:{notes.Count}/4 | {Music(true)}").Fastest;
        return sparse is null || denser is null || denser.QuarterBpm <= sparse.QuarterBpm + 1e-6;
    }

    private static string Pitch(byte b) => string.Create(CultureInfo.InvariantCulture, $"{"CDEFGAB"[b % 7]}{4 + (b % 2)}");

    private static bool Rises(IEnumerable<double?> ends)
    {
        var there = ends.OfType<double>().ToList();
        return there.Zip(there.Skip(1)).All(p => p.First <= p.Second);
    }

    private static string Slurred(string notes)
    {
        var space = notes.IndexOf(' ', StringComparison.Ordinal);
        return $"{notes[..space]}[{notes[space..]}]";
    }

    private static TempoWindow Window(string music, House? house = null, WhoPlays? who = null, int? high = null)
    {
        var xml = ShortFormReader.Document(music);
        if (high is { } upper)
            foreach (var perMinute in xml.Descendants("per-minute"))
                perMinute.Value += $"-{upper}";
        var score = ScoreReader.Read(ScoreDocument.Of(xml));
        var context = new StudyContext(score, house ?? House.Default);
        return TempoWindows.Of(context, score.Parts[0], 0, score.Measures.Count - 1, who ?? new WhoPlays("comfortable"));
    }
}
