using System.Globalization;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Notation;
using MellowStand.Core.Practice;
using MellowStand.Core.Study;

namespace MellowStand.Core.Tests.Practice;

/// <summary>Each way to practice, written out: pitches with their lengths in quarters, <c>r</c> a rest, <c>g:</c> a grace, <c>[ ]</c>
/// slurs,
/// <c>~</c> a tie, <c>:| |:</c> repeats. Common practice, no published source.</summary>
public sealed class RecipeTests
{
    private const string Flute = "part \"Flute\"\n";

    [Theory]
    [InlineData("skeleton", "meter:2/4 | g:B4e C5q(tr) D5q(turn)", "C5:1 D5:1")]
    [InlineData("graces-back", "meter:2/4 | g:B4e C5q(tr) D5q", "g:B4 C5:1 D5:1")]
    [InlineData("trills-measured", "meter:2/4 | C5q(tr) E5q", "C5:1/4[ D5:1/4 C5:1/2] E5:1")] // ends on the main note
    [InlineData("trills-measured", "meter:3/4 | G4q.(turn) A4q.", "G4:1/2[ A4:1/6 G4:1/6 F4:1/6 G4:1/2] A4:3/2")]
    [InlineData("trills-measured", "meter:2/4 | E5q(mordent) C5q", "E5:1/8[ D5:1/8 E5:3/4] C5:1")]
    [InlineData("slurred", "meter:2/4 | C5e(.) D5e(>) E5e r", "C5:1/2[ D5:1/2 E5:1/2] r:1/2")]
    [InlineData("unslurred", "meter:2/4 | C5e[ D5e] E5e[ F5e]", "C5:1/2 D5:1/2 E5:1/2 F5:1/2")]
    [InlineData("long-short", "meter:2/4 | C5e D5e E5e F5e", "C5:3/4 D5:1/4 E5:3/4 F5:1/4")]
    [InlineData("short-long", "meter:2/4 | C5e D5e E5e F5e", "C5:1/4 D5:3/4 E5:1/4 F5:3/4")]
    [InlineData("long-short", "meter:3/4 | C5e D5e E5s F5s G5s A5s C5q", "C5:3/4 D5:1/4 E5:3/8 F5:1/8 G5:3/8 A5:1/8 C5:1")]
    [InlineData("beat-to-beat", "meter:2/4 | C5e D5e E5e F5e | G5h", "|: C5:1/2 D5:1/2 E5:1 :| |: E5:1/2 F5:1/2 G5:1 :|")]
    [InlineData("to-the-downbeat", "meter:2/4 | C5q D5q | E5q F5q", "|: C5:1 D5:1 | E5:1 r:1 :| |: E5:1 F5:1 :|")]
    [InlineData("two-measures", "meter:2/4 | C5h | D5h | E5h", "|: C5:2 | D5:2 | E5:1 r:1 :| |: E5:2 :|")]
    [InlineData("from-the-end", "meter:2/4 | C5h | D5h | E5h", "|: E5:2 :| |: D5:2 | E5:2 :| |: C5:2 | D5:2 | E5:2 :|")]
    [InlineData("octave-smaller", "meter:4/4 | C4q E5q F5q D4q", "C4:1 E4:1 F4:1 D4:1")]
    [InlineData("octave-smaller", "meter:4/4 | C4q C6q B5q C4q", "C4:1 C4:1 B3:1 C4:1")]
    [InlineData("octave-smaller", "meter:4/4 | D5q E5h D4q | E4q F4q G4q A4q", "D5:1 E5:2 D5:1 | E4:1 F4:1 G4:1 A4:1")]
    [InlineData("octave-smaller", "meter:4/4 | C4q E5q F5q G5q | A5q G5q F5q E5q", "C5:1 E5:1 F5:1 G5:1 | A5:1 G5:1 F5:1 E5:1")]
    [InlineData("trills-measured", "meter:2/4 key:F | D5e(tr) C5e Bb4q", "D5:1/8[ E5:1/8 D5:1/4] C5:1/2 B♭4:1")]
    [InlineData("trills-measured", "meter:2/4 | G5h(tr) g:F5 g:G5 | A5h", "G5:1/4[ A5:1/4 G5:1/4 A5:1/4 G5:1] g:F5 g:G5 | A5:2")]
    [InlineData("trills-measured", "meter:2/4 key:G | D5q g:C6 B5q(tr) | A5h", "D5:1 C6:1/4[ B5:1/4 C6:1/4 B5:1/4] | A5:2")]
    [InlineData(
        "glissando-steps",
        "meter:4/4 | C5h(gliss) E5h",
        "|: C5:2 E5:2 | C5:1/2 C♯5:1/2 D5:1/2 D♯5:1/2 E5:1/2 r:1/2 r:1/2 r:1/2 :|"
    )]
    [InlineData("accent-downbeat", "meter:2/4 | C5q D5q(>) | E5q F5q", "C5:1 | D5:1 E5:1 | F5:1 r:1")]
    [InlineData("accent-downbeat", "meter:2/4 | C5e D5q(>) E5e | F5h", "C5:1/2 | D5:1 E5:1/2 F5:1/2~ | F5:3/2 r:1/2")]
    [InlineData(
        "note-groups",
        "meter:2/4 | C5s D5 E5 F5 G5 F5 E5 D5 | C5h",
        "C5:1/4 D5:1/4[ E5:1/4 F5:1/4 G5:1/4] F5:1/4[ E5:1/4 D5:1/4 | C5:2]"
    )]
    [InlineData("twice-as-long", "meter:2/4 | C5q D5e E5e", "C5:2 D5:1 E5:1")]
    [InlineData("rhythm-only", "meter:2/4 | C5e D5e~ D5q | G5h", "B4:1/2(1) B4:1/2~(&) B4:1 | B4:2(1)")]
    public void A_recipe_changes_just_this(string recipe, string music, string expected) =>
        Assert.Equal(expected, Told(Make(recipe, Flute + music)));

    // Slowly, twice as fast, and held.
    [Fact]
    public void The_widest_pair_goes_back_and_forth()
    {
        var told = Told(Make("pair", "part \"Soprano\"\nmeter:4/4 | C4q D4q E5q D5q"));
        Assert.StartsWith("|: D4:1[ E5:1 D4:1 E5:1] | D4:1/2[ E5:1/2", told, StringComparison.Ordinal);
        Assert.EndsWith("| D4:4 :|", told, StringComparison.Ordinal);
    }

    [Fact]
    public void A_measure_of_twice_as_long_has_longer_beats() =>
        Assert.Equal(
            "4/2 6/4",
            string.Join(' ', Make("twice-as-long", Flute + "meter:4/4 | C5w | meter:6/8 C5h.").Measures.Select(m => m.Meter))
        );

    // Written out, the notes under the trill would be lost.
    [Fact]
    public void A_trill_over_a_chord_is_left_as_it_is() =>
        Assert.DoesNotContain(Offers("part \"Piano\"\nmeter:2/4 | <C4,E4,G4>q(tr) C5q"), o => o.Recipe.Name == "trills-measured");

    [Fact]
    public void The_other_line_sounds_on_a_second_staff()
    {
        var score = Make("with-line", "part \"Flute\"\nmeter:2/4 | C5q D5q\npart \"Oboe\"\n| E4q F4q\npart \"Flute 2\"\n| C5q D5q");
        Assert.Equal(["Flute", "Oboe"], score.Parts.Select(p => p.Name)); // not the one that plays the same
    }

    [Fact]
    public void Hands_of_two_staves_come_one_after_the_other()
    {
        var score = ScoreReader.Read(Reference.Bytes("scores/solo-clarinet-and-piano.mxl"));
        var study = new StudyContext(score, House.Default);
        var piano = score.Parts.Single(p => p.Staves == 2);
        var passage = new Passage(study, piano, 8, 9, []);
        var apart = ScoreReader.Read(ScoreExport.Serialize(RecipeTable.Write(RecipeTable.Find("hands-apart")!, passage, "Piece")));
        Assert.Equal(4, apart.Measures.Count);
        Assert.All(apart.Parts[0].Notes.Where(n => n.Sounds && n.MeasureIndex < 2), n => Assert.Equal(1, n.Staff));
        Assert.All(apart.Parts[0].Notes.Where(n => n.Sounds && n.MeasureIndex >= 2), n => Assert.Equal(2, n.Staff));
    }

    [Fact]
    public void A_trill_begins_on_the_upper_note_where_the_house_says_so() =>
        Assert.Equal(
            "D5:1/4[ C5:1/4 D5:1/4 C5:1/4] E5:1",
            Told(Make("trills-measured", Flute + "meter:2/4 | C5q(tr) E5q", House.Default.With("trill-start", "upper")))
        );

    // A passage is learnt up to the next downbeat, though that stands outside of it.
    [Fact]
    public void The_last_measure_leads_to_the_downbeat_after_the_passage() =>
        Assert.Equal(
            "|: C5:1 D5:1 | E5:1 r:1 :| |: E5:1 F5:1 | G5:1 r:1 :|",
            Told(Make("to-the-downbeat", Flute + "meter:2/4 | C5q D5q | E5q F5q | G5h", to: 1))
        );

    [Fact]
    public void Transposing_parts_stay_written_as_they_are()
    {
        var score = Make("unslurred", "part \"Clarinet\" transpose:-1,-2\nkey:D meter:2/4 | D5q[ F#5q]");
        Assert.Equal("D5:1 F♯5:1", Told(score));
        Assert.Equal([72, 76], score.Parts[0].Notes.Select(n => n.TopSounding!.Value));
    }

    [Fact]
    public void Accidentals_are_printed_anew_where_they_are_needed()
    {
        var score = Make("from-the-end", Flute + "meter:2/4 | F#5q G5q | F5q F#5q");
        Assert.Equal(
            ["", "sharp", "sharp", "", "", "sharp"],
            score.Parts[0].Notes.Select(n => n.Heads[0].Accidental ?? "").Take(6).ToList()
        );
    }

    [Theory]
    [InlineData("meter:4/4 | C5w", "rhythm-only")] // nothing but a long note: count it
    [InlineData("meter:2/4 | g:B4e C5q D5q(tr)", "skeleton")]
    [InlineData("meter:2/4 | C4q E5q | C4q E5q", "octave-smaller")]
    [InlineData("meter:4/4 | C5s D5 E5 F5 G5 F5 E5 D5 C5 D5 E5 F5 G5 F5 E5 D5 | C5w", "long-short")]
    public void What_suits_best_comes_first(string music, string expected) => Assert.Equal(expected, Offers(Flute + music)[0].Recipe.Name);

    [Theory]
    [InlineData("meter:4/4 | C5q(>) D5q E5q F5q | C5w", false)] // on the downbeat already
    [InlineData("meter:4/4 | C5q D5q E5q(>) F5q | C5w", false)] // the middle of four is strong
    [InlineData("meter:4/4 | C5q D5q(>) E5q F5q | C5w", true)]
    [InlineData("meter:4/4 | C5e D5q(>) E5e F5h | C5w", true)]
    public void Only_an_accent_on_a_weak_place_is_worth_moving_the_bar_line(string music, bool expected) =>
        Assert.Equal(expected, Offers(Flute + music).Any(o => o.Recipe.Name == "accent-downbeat"));

    [Fact]
    public void A_melody_is_heard_before_a_drum()
    {
        var score = Make(
            "with-line",
            "part \"Flute\"\nmeter:2/4 | C5q D5q\npart \"Snare Drum\" clef:percussion\n| %C5q %C5q\npart \"Oboe\"\n| E4h"
        );
        Assert.Equal(["Flute", "Oboe"], score.Parts.Select(p => p.Name));
    }

    [Fact]
    public void A_finding_brings_its_recipe_forward()
    {
        var score = ShortFormReader.Score(Flute + "meter:4/4 | C5e D5q D5q D5q D5e | C5w");
        var study = new StudyContext(score, House.Default);
        var found = new Passage(study, score.Parts[0], 0, 1, [.. StudyDesk.Examine(study, score.Parts, 0, 1)]);
        Assert.Contains(found.Findings, f => f.Rule == "syncopation");
        Assert.Equal("rhythm-only", RecipeTable.For(found)[0].Recipe.Name);
    }

    [Fact]
    public void A_rest_has_nothing_to_practice() => Assert.Empty(Offers(Flute + "meter:4/4 | rw"));

    [Fact]
    public void Names_are_the_fixed_ones_each_once()
    {
        string[] names =
        [
            .. "skeleton graces-back trills-measured glissando-steps slurred unslurred long-short short-long".Split(' '),
            .. "beat-to-beat to-the-downbeat two-measures from-the-end pair octave-smaller".Split(' '),
            .. "hands-apart accent-downbeat rhythm-only note-groups with-line twice-as-long".Split(' '),
        ];
        Assert.Equal(names.Order(), RecipeTable.All.Select(r => r.Name).Order());
        Assert.All(RecipeTable.All, r => Assert.True(r.Title.Length > 0 && r.Why.EndsWith('.')));
    }

    private static IReadOnlyList<Offer> Offers(string music)
    {
        var score = ShortFormReader.Score(music);
        return RecipeTable.For(new Passage(new StudyContext(score, House.Default), score.Parts[0], 0, score.Measures.Count - 1, []));
    }

    private static Score Make(string recipe, string music, House? house = null, int? to = null)
    {
        var score = ShortFormReader.Score(music);
        var passage = new Passage(new StudyContext(score, house ?? House.Default), score.Parts[0], 0, to ?? (score.Measures.Count - 1), []);
        var offer = Assert.Single(RecipeTable.For(passage), o => o.Recipe.Name == recipe);
        return ScoreReader.Read(ScoreExport.Serialize(RecipeTable.Write(offer.Recipe, passage, "Piece")));
    }

    private static string Told(Score score)
    {
        var repeats = score.PlayedOrder.Count > score.Measures.Count;
        var begins = repeats ? Begins(score.PlayedOrder) : [];
        var told = new List<string>();
        for (var m = 0; m < score.Measures.Count; m++)
        {
            if (begins.Contains(m))
                told.Add(m == 0 ? "|:" : ":| |:");
            else if (m > 0)
                told.Add("|");
            told.AddRange(score.Parts[0].Measures[m].Notes.Select(Told));
        }

        return string.Join(' ', told) + (repeats ? " :|" : "");
    }

    // A chunk begins where the played order jumps back to.
    private static HashSet<int> Begins(IReadOnlyList<int> order) =>
        [0, .. order.Zip(order.Skip(1)).Where(p => p.Second <= p.First).Select(p => p.Second)];

    private static string Told(Note note)
    {
        var slur = string.Concat(note.Marks.Where(m => m.Name == "slur-start").Select(_ => "["));
        var end = string.Concat(note.Marks.Where(m => m.Name == "slur-stop").Select(_ => "]"));
        var word = note.Lyrics.Count > 0 ? $"({note.Lyrics[0]})" : "";
        if (note.IsGrace)
            return $"g:{note.Top}{slur}{end}";
        var name = note.Sounds ? note.Top?.ToString() ?? "x" : "r";
        var tie = note.Heads.Any(h => h.TiedTo is not null) ? "~" : "";
        return string.Create(CultureInfo.InvariantCulture, $"{name}:{note.Duration}{slur}{end}{tie}{word}");
    }
}
