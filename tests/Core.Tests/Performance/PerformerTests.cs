using MellowStand.Core.HouseRules;
using MellowStand.Core.Notation;
using MellowStand.Core.Performance;

namespace MellowStand.Core.Tests.Performance;

/// <summary>What sounds, key by key; moments and lengths in quarters. Common practice, no published source, unless a line says
/// other.</summary>
public sealed class PerformerTests
{
    [Theory]
    [InlineData("meter:4/4 | C4q~ C4q D4h", "60@0 62@2")] // a tie is one note
    [InlineData("meter:4/4 | <C4,E4>h <C4,F4>h", "60@0 64@0 60@2 65@2")]
    [InlineData("meter:2/4 | C4h | {: D4h :} | E4h", "60@0 62@2 64@4")] // once through, as printed
    public void Notes_sound_where_they_stand(string music, string expected) => Assert.Equal(expected, Played.Starts(Played.Of(music)));

    [Theory]
    [InlineData("meter:2/4 | {: C4h | D4h :} | E4h", "60@0 62@2 60@4 62@6 64@8")]
    [InlineData("meter:2/4 | {: C4h | ending:1 D4h end:1 :} | ending:2 E4h end:2 | F4h", "60@0 62@2 60@4 64@6 65@8")]
    public void Repeats_are_played_with_their_endings(string music, string expected) =>
        Assert.Equal(expected, Played.Starts(Played.Of(music, repeats: Repeats.Played)));

    // The first ending leads back: once through it is left out, unless it is what was chosen.
    [Theory]
    [InlineData(0, 3, "60@0 64@2 65@4")]
    [InlineData(0, 1, "60@0 62@2")]
    [InlineData(1, 1, "62@0")]
    [InlineData(1, 3, "62@0 64@2 65@4")]
    public void Once_through_the_ending_that_leads_back_is_left_out(int from, int to, string expected) =>
        Assert.Equal(
            expected,
            Played.Starts(
                Played.Of("meter:2/4 | {: C4h | ending:1 D4h end:1 :} | ending:2 E4h end:2 | F4h", from: from, to: to)
            )
        );

    // The repeat goes from 1 to 3: of 2 to 4 it is not whole.
    [Fact]
    public void A_repeat_that_the_range_cuts_is_not_taken() =>
        Assert.Equal(
            "62@0 64@2 65@4",
            Played.Starts(Played.Of("meter:2/4 | {: C4h | D4h | E4h :} | F4h", from: 1, to: 3, repeats: Repeats.Played))
        );

    // Seen once: silent when its first measure is all tied, and a beat early against the click.
    [Fact]
    public void A_range_that_begins_on_a_tied_over_note_strikes_what_is_left_of_it()
    {
        var played = Played.Of("meter:2/4 | C4h~ | C4h~ | C4q D4q", from: 1, bpm: 60);
        Assert.Equal("60@0 62@3", Played.Starts(played));
        Assert.Equal(2, played.Notes[0].Seconds);
    }

    [Fact]
    public void A_note_is_cut_where_the_range_ends() =>
        Assert.Equal(2, Played.Of("meter:2/4 | C4h~ | C4h", to: 0, bpm: 60).Notes.Single().To.Value, 0.2);

    [Theory]
    [InlineData("C4q(.) D4q(.)", "60:1/2 62:1/2")] // about half [check]
    [InlineData("C4q(-) D4q(-)", "60:1 62:1")]
    [InlineData("C4q[ D4q E4q]", "60:1 62:1 64:9/10")] // slurred notes join, the last one ends
    [InlineData("C4q(.)[ D4q(.) E4q(.)]", "60:3/4 62:3/4 64:3/4")] // dots under a slur are soft separate starts
    [InlineData("C4q[ C4q D4q]", "60:9/10 60:1 62:9/10")] // a note that comes again is begun anew, under a slur too
    [InlineData("C4q D4q", "60:9/10 62:9/10")] // lightly tongued
    [InlineData("C4h(b) D4h", "60:7/4 62:15/8")] // a breath comes out of the note before it
    public void Marks_say_how_long_a_note_sounds(string notes, string expected) =>
        Assert.Equal(expected, Played.Lengths(Played.Of($"meter:4/4 | {notes}")));

    [Theory]
    [InlineData("!p C4q !f C4q", "56 92")] // a level is twelve, mezzo forte eighty
    [InlineData("C4q C4q(>)", "80 92")]
    [InlineData("!p !< C4q C4q C4q !/ !f C4q", "56 68 80 92")] // a hairpin leads to its goal
    [InlineData("!f !> C4q C4q !/ C4q C4q", "92 86 80 80")] // with no goal, one level on
    [InlineData("!p \"cresc.\" !< C4q C4q C4q !/ !f C4q", "56 68 80 92")] // the word and the hairpin are one crescendo
    [InlineData("!fp C4q C4q", "92 56")]
    public void Levels_hairpins_and_accents_are_velocity(string notes, string expected) =>
        Assert.Equal(expected, string.Join(' ', Played.Of($"meter:4/4 | {notes}").Notes.Select(n => n.Velocity)));

    // At 60 a tenth of a second is a twelfth of a quarter, rounded down to a plain length.
    [Theory]
    [InlineData("before", "C4q g:D4e E4q", "60@0 62@11/12 64@1")]
    [InlineData("on-beat", "C4q g:D4e E4q", "60@0 62@1 64@13/12")]
    [InlineData("before", "C4q g:D4e g:F4e E4q", "60@0 62@5/6 65@11/12 64@1")]
    [InlineData("before", "C4s g:D4e g:F4e g:D4e E4q", "60@0 62@1/8 65@1/6 62@5/24 64@1/4")] // never more than half of the note before
    public void Graces_fall_by_the_house(string choice, string notes, string expected) =>
        Assert.Equal(expected, Played.Starts(Played.Of($"meter:4/4 | {notes}", bpm: 60, house: House.Default.With("graces", choice))));

    // [check] a turn on one and a half beats: half plain, half a triplet of upper, main, lower, half plain.
    [Fact]
    public void A_turn_on_a_dotted_quarter_is_plain_triplet_plain() =>
        Assert.Equal("67@0 69@1/2 67@2/3 66@5/6 67@1", Played.Starts(Played.Of("key:G meter:4/4 | G4q.(turn)")));

    [Theory]
    [InlineData("G4q(turn)", "67@0 69@1/2 67@7/12 65@2/3 67@3/4")]
    [InlineData("G4q(inverted-turn)", "67@0 65@1/2 67@7/12 69@2/3 67@3/4")]
    [InlineData("G4q(turn,accidental-mark:flat)", "67@0 68@1/2 67@7/12 65@2/3 67@3/4")] // a sign above alters the upper note
    [InlineData("G4q(turn,accidental-mark-below:sharp)", "67@0 69@1/2 67@7/12 66@2/3 67@3/4")] // a sign below the lower
    public void A_turn_takes_the_neighbours_that_the_signs_say(string note, string expected) =>
        Assert.Equal(expected, Played.Starts(Played.Of($"key:C meter:1/4 | {note}")));

    [Fact]
    public void A_trill_begins_from_above_where_a_grace_says_so()
    {
        var played = Played.Of("meter:4/4 | C4h g:A4e G4h(tr)", bpm: 60);
        Assert.Equal([69, 67, 69], played.Notes.Where(n => n.From >= 2).Take(3).Select(n => n.Midi));
        Assert.DoesNotContain(played.Notes, n => n.Midi == 69 && n.From < 2);
    }

    [Fact]
    public void A_trill_that_is_slurred_on_runs_through()
    {
        var slurred = Played.Of("meter:4/4 | G4h(tr)[ A4h]", bpm: 60);
        var tongued = Played.Of("meter:4/4 | G4h(tr) A4h", bpm: 60);
        Assert.True(slurred.Notes.Count > tongued.Notes.Count);
    }

    // Two beats at 60 with closing notes: it stops on the second beat, and the main note waits for them.
    [Fact]
    public void A_trill_stops_on_the_beat_before_its_closing_notes()
    {
        var played = Played.Of("meter:4/4 | G4h(tr) g:F4e g:G4e A4h", bpm: 60);
        var trill = played.Notes.Where(n => n.From < 2 && n.Midi is 67 or 69).TakeWhile(n => n.From < new Fraction(3, 2)).ToList();
        Assert.Equal(9, trill.Count); // ten notes a second fit into one beat; it ends on the main note
        Assert.Equal(67, trill[0].Midi);
        Assert.Equal(67, trill[^1].Midi);
        Assert.True((trill[^1].To - trill[^1].From).Value > 0.5);
        Assert.Equal([65, 67], played.Notes.Where(n => n.From > new Fraction(3, 2) && n.From < 2).Select(n => n.Midi));
    }

    [Fact]
    public void A_trill_starts_and_ends_by_the_house()
    {
        var upper = Played.Of("meter:4/4 | G4q(tr) A4q", bpm: 60, house: House.Default.With("trill-start", "upper")).Notes;
        Assert.Equal([69, 67], upper.Take(2).Select(n => n.Midi));
        var through = Played
            .Of("meter:4/4 | G4h(tr) g:F4e g:G4e A4h", bpm: 60, house: House.Default.With("trill-end", "run-through"))
            .Notes;
        Assert.True(through.Count(n => n.From < new Fraction(9, 5)) > 15);
    }

    [Fact]
    public void A_quicker_tempo_leaves_fewer_alternations()
    {
        int Strokes(double bpm) => Played.Of("meter:4/4 | G4h(tr) A4h", bpm: bpm).Notes.Count;
        Assert.True(Strokes(60) > Strokes(100) && Strokes(100) > Strokes(160));
    }

    [Theory]
    [InlineData("C4q(tremolo:1)", "60@0 60@1/2")]
    [InlineData("C4q(tremolo:2)", "60@0 60@1/4 60@1/2 60@3/4")]
    [InlineData("C4e(tremolo:1)", "60@0 60@1/4")] // the flag counts as a stroke
    [InlineData("C4q(mordent)", "60@0 59@1/12 60@1/6")]
    [InlineData("C4q(inverted-mordent)", "60@0 62@1/12 60@1/6")]
    public void Strokes_and_mordents_are_played_out(string note, string expected) =>
        Assert.Equal(expected, Played.Starts(Played.Of($"meter:1/4 | {note}", bpm: 60)));

    // A tempo that nobody plays, and a trill through it: still an answer, and not a million strokes.
    [Theory]
    [InlineData("C4w(tr)")]
    [InlineData("C4w(tremolo:3)")]
    public void The_slowest_tempo_does_not_make_strokes_without_end(string note) =>
        Assert.InRange(Played.Of($"meter:4/4 | {note}", bpm: 0.001).Notes.Count, 1, 4096);

    [Fact]
    public void A_spread_chord_begins_at_the_bottom()
    {
        var notes = Played.Of("meter:4/4 | <C4,E4,G4>w(arpeggiate)", bpm: 60).Notes;
        Assert.Equal([60, 64, 67], notes.Select(n => n.Midi));
        Assert.True(notes[0].From < notes[1].From && notes[1].From < notes[2].From);
        Assert.Equal(notes[0].To, notes[2].To);
    }

    [Fact]
    public void A_transposing_part_sounds_where_it_sounds() =>
        Assert.Equal("58@0", Played.Starts(Played.Of("part \"Clarinet\" transpose:-1,-2\nmeter:4/4 | C4w")));

    [Fact]
    public void Drums_sound_by_their_names()
    {
        Assert.Equal("38@0", Played.Starts(Played.Of("part \"Snare Drum\" clef:percussion\nmeter:4/4 | %C5w")));
        Assert.Equal("36@0", Played.Starts(Played.Of("part \"Bass Drum\" clef:percussion\nmeter:4/4 | %F4w")));
    }
}
