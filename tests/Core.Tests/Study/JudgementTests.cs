using System.Xml.Linq;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Notation;
using MellowStand.Core.Study;

namespace MellowStand.Core.Tests.Study;

/// <summary>Why a finding was false or noise, one cause a test. Common practice, no published source, unless told.</summary>
public sealed class JudgementTests
{
    // MusicXML 4.0, element "offset": in divisions from where the direction is written; short form files have 24 a quarter.
    [Theory]
    [InlineData(72, null, "3")] // three beats on: over the fourth quarter
    [InlineData(5, null, "0")] // a hair: it belongs to the note
    [InlineData(5, "yes", "5/24")] // meant for playing: just there
    [InlineData(12, null, "1/2")] // half a beat on, in the middle of a note
    [InlineData(-12, null, "0")] // never before its measure
    public void A_sign_stands_where_its_offset_puts_it(int offset, string? sound, string expected)
    {
        var document = ShortFormReader.Document("| !f C5q D5q E5q F5q | C5w");
        var direction = document.Descendants("direction").Single();
        var element = new XElement("offset", offset);
        if (sound is not null)
            element.SetAttributeValue("sound", sound);
        direction.Element("direction-type")!.AddAfterSelf(element);
        var part = ScoreReader.Read(ScoreDocument.Of(document)).Parts[0];
        Assert.Equal(expected, part.Directions.Single().Offset.ToString());
        Assert.Equal(expected is "0" or "3", part.Notes.Any(n => n.Has("dynamics") && n.Offset.ToString() == expected));
    }

    [Fact]
    public void The_sign_that_is_cited_stands_before_the_note()
    {
        var found = Find("carried-accidental", "key:C | F#4q F#4q* F#4q G4q", strip: 1);
        Assert.All(found, f => Assert.Contains("beat 1", f.Why, StringComparison.Ordinal));
    }

    [Fact]
    public void A_tie_and_a_note_that_is_signed_again_are_two_matters()
    {
        var found = Find("carried-accidental", "key:C | C4h F#4h~ | F#4q G4q F#4q F#4q");
        Assert.Equal(2, found.Count);
        Assert.All(found, f => Assert.Equal(Severity.Note, f.Severity)); // held on; struck again at once
    }

    [Fact]
    public void The_leading_tone_of_a_hidden_minor_key_is_named()
    {
        const string minor =
            "| E4q G#4q B4q E5q | A4q C5q E5q A4q | D4q F4q A4q D5q | E4q G#4q B4q E4q | A4q E4q C4q A3q | B3q E4q G#4q B4q | A4w";
        var found = Assert.Single(Find("hidden-key", "key:G " + minor));
        Assert.Contains("A minor", found.Title, StringComparison.Ordinal);
        Assert.Contains("G♯", found.Why, StringComparison.Ordinal);
        Assert.Contains("F♮", found.Why, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("!mf D5w | E5w", "swell into the join")]
    [InlineData("!f D5w | !p E5w", "come down to p")]
    [InlineData("!pp D5w | E5w", "fuller than the printed dynamic.")]
    public void A_solo_swells_into_the_others_only_where_the_print_allows_it(string music, string words)
    {
        var score = ShortFormReader.Score($"part \"Flute\"\n| C5w | {music}\npart \"Oboe\"\n| C5w | rw | E5w");
        var solo = Assert.Single(All(score), f => f.Rule == "solo");
        Assert.Contains(words, solo.Why, StringComparison.Ordinal);
    }

    [Fact]
    public void Who_follows_a_hidden_key_plays_every_note_right()
    {
        const string plain = "| C5q D5q E5q F5q | G5q E5q C5q G4q | A4q B4q C5q D5q | G4w";
        const string moved = "| D5q E5q F#5q G5q | A5q F#5q D5q C#5q | D5q F#5q A5q F#5q | E5q Cn5q A4q C#5q | D5q C#5q B4q C#5q | D5w";
        var text = $"key:C {plain} {moved} {plain}";
        var found = Assert.Single(Find("hidden-key", text));
        var score = ShortFormReader.Score(text);
        Assert.Equal((4, 8), (found.From, found.To));
        Assert.Contains("F♯, C♯", found.Why, StringComparison.Ordinal);
        Assert.Contains("C♮ in measure 8", found.Why, StringComparison.Ordinal);
        // What it says already is not said again by default.
        var shown = Shortlist.Of(new StudyContext(score, House.Default), All(score));
        Assert.DoesNotContain(All(score), f => f.Rule == "carried-accidental" && shown.Has(f));
    }

    [Fact]
    public void A_tempo_that_nobody_printed_is_said_and_ranks_lower()
    {
        var slurred = string.Join(" | ", Enumerable.Repeat("C5q D5q E5q F5q", 7));
        var line = $"part \"Flute\"\n| C5q[ D5q E5q F5q | {slurred} | C5w]";
        var found = Assert.Single(Find("no-breath", line));
        Assert.Equal(Severity.Note, found.Severity);
        Assert.Contains("if that is the tempo", found.Why, StringComparison.Ordinal);
        var told = Assert.Single(Find("no-breath", line.Replace("\n|", "\ntempo:q=96 |", StringComparison.Ordinal)));
        Assert.Equal(Severity.Warn, told.Severity);
        Assert.DoesNotContain("if that is", told.Why, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("| C5w | D5w", "72", 72)] // given for playing only
    [InlineData("| \"Allegro\" C5w | D5w", "126", 126)] // the file's number for the word
    [InlineData("tempo:q=60 | C5w | D5w", "126", 60)] // what is printed wins
    public void A_tempo_given_for_playing_is_read(string music, string sounding, double expected)
    {
        var document = ShortFormReader.Document(music);
        document.Descendants("measure").First().AddFirst(new XElement("sound", new XAttribute("tempo", sounding)));
        Assert.Equal(expected, new TempoLine(ScoreReader.Read(ScoreDocument.Of(document))).QuarterBpmAt(1));
    }

    [Theory]
    [InlineData("slowing-unresolved", "| \"più lento\" C5w | D5w | E5w | F5w | G5w | A5w", 0)] // a new tempo, no slowing
    [InlineData("slowing-unresolved", "| \"rit.\" tempo:q=60 C5w | D5w | E5w | F5w | G5w | A5w", 0)] // so is a word with a number
    [InlineData("slowing-unresolved", "| \"rit.\" C5w | D5w | E5w | F5w | G5w | A5w", 1)]
    [InlineData("a-tempo-without-slowing", "| C5w | \"più lento\" D5w | E5w | \"a tempo\" F5w", 0)] // it left the tempo
    [InlineData("hairpin-to-nowhere", "| !p !< C5w | !/ !sfp D5w | E5w", 0)] // it arrives at the loud letter
    [InlineData("hairpin-to-nowhere", "| !f C5w | !fp !< D5w | !/ !f E5w", 0)] // it begins at the soft one
    [InlineData("hairpin-to-nowhere", "| !p !< C5h !/ !> D5h | !/ E5w | F5w", 0)] // a swell and back
    [InlineData("hairpin-to-nowhere", "| !p !< C5w | !/ !sfz D5w | E5w", 0)] // an accent sign ends it
    [InlineData("hairpin-to-nowhere", "| !p !< C5w | !/ D5w | E5w", 1)]
    [InlineData("forgotten-piano", "| !f C5w | C5w | C5w | C5w | C5w | C5w | C5w | !p C5w", 0)] // no rest: that is a subito
    [InlineData("forgotten-piano", "| !f C5w | C5w | C5w | C5w | C5w | C5w | rw | !p C5w", 1)]
    [InlineData("meter-grouping", "meter:5/8 | C5q D5q. | C5q D5q.", 1)] // no beams, but the strokes tell
    [InlineData("count-unit", "meter:4/4 tempo:e=80 | C5q D5q E5q F5q", 1)] // the printed beat is the eighth
    [InlineData("count-unit", "meter:6/8 tempo:e=132 | C5e D5e E5e F5q.", 0)] // so it is in compound meter
    [InlineData("offbeat-accent", "| C5q(>) D5q E5q F5q(>) | G5q A5q B5q(>) C6q | D6q C6q(>) B5q A5q | G5q(>) F5q E5q D5q", 1)] // in threes
    [InlineData("offbeat-accent", "| C5q(>) D5q E5q(>) F5q | C5q(>) D5q E5q(>) F5q | C5w", 0)]
    [InlineData("halfway-level", "| !mp !< C5w | D5w | E5w | !/ !mf F5w", 1)] // told, but only as a note
    public void A_rule_tells_what_is_there_and_no_more(string rule, string music, int expected) =>
        Assert.Equal(expected, Find(rule, music).Count);

    [Fact]
    public void The_same_word_a_beat_apart_in_two_parts_is_one_sign()
    {
        const string first = "part \"Flute\"\n| C5w | \"rit.\" D5w | \"a tempo\" E5w | F5w";
        const string second = "part \"Oboe\"\n| C5w | D5q \"rit.\" D5h. | E5q \"a tempo\" E5h. | F5w";
        Assert.Empty(Find("a-tempo-without-slowing", $"{first}\n{second}"));
    }

    [Fact]
    public void A_fermata_on_the_bar_line_is_a_fermata()
    {
        var document = ShortFormReader.Document("| C5w | D5w | E5w");
        Assert.Single(Of(document, "no-slowing-at-end"));
        document.Descendants("barline").Last().Add(new XElement("fermata"));
        Assert.Empty(Of(document, "no-slowing-at-end"));
    }

    [Fact]
    public void A_phrase_breathes_at_a_fermata()
    {
        string[] measures = ["C5q[ D5q E5q F5q", .. Enumerable.Repeat("C5q D5q E5q F5q", 6), "C5q D5q E5q F5q]"];
        Assert.Single(Find("no-breath", "part \"Flute\"\ntempo:q=100 | " + string.Join(" | ", measures)));
        measures[3] = "C5q D5q E5q F5q(f)";
        Assert.Empty(Find("no-breath", "part \"Flute\"\ntempo:q=100 | " + string.Join(" | ", measures)));
    }

    [Fact]
    public void A_beam_of_four_in_seven_is_two_and_two()
    {
        var document = ShortFormReader.Document("meter:7/8 | C5e D5e E5e F5e G5e A5e B5e");
        string[] beams = ["begin", "continue", "continue", "end", "begin", "continue", "end"];
        document.Descendants("beam").Remove();
        foreach (var (note, beam) in document.Descendants("note").Zip(beams))
            note.Add(new XElement("beam", new XAttribute("number", 1), beam));
        Assert.Equal("7/8 as 2+2+3", Assert.Single(Of(document, "meter-grouping")).Title);
    }

    [Fact]
    public void A_section_has_its_pickup_too()
    {
        var document = ShortFormReader.Document("meter:4/4 | C5w | C5h. | G4q | C5w | C5w");
        var found = Assert.Single(Of(document, "pickup"));
        Assert.Equal((2, "Pickup of one beat into measure 4"), (found.From, found.Title));
    }

    [Theory]
    [InlineData("C4", 0)] // a tenor's clef
    [InlineData("F4", 1)] // a bass does not sing that high
    public void A_voice_has_the_range_of_its_clef(string clef, int expected) =>
        Assert.Equal(expected, Find("range", $"part \"Voice\" clef:{clef}\n| !mf A4q G4q F4q E4q | A4w").Count);

    [Fact]
    public void A_fact_of_several_parts_is_told_once_in_their_own_notes()
    {
        const string music = "concert:yes\nkey:C | F#4q G4q F#4q A4q | G4w";
        var found = Assert.Single(Find("carried-accidental", $"part \"Oboe\" {music}\npart \"Clarinet\" transpose:-1,-2 {music}"));
        Assert.Equal(["P1", "P2"], found.Parts);
        Assert.Equal("F♯ still / G♯ still", found.Title);
        var own = found.InWordsOf(["P2"], _ => "");
        Assert.Equal(("G♯ still", false), (own.Title, own.Why.Contains("F♯", StringComparison.Ordinal)));
        Assert.Contains("Clarinet: The sign at beat 1 holds to the bar line, so this note is G♯ too", found.Why, StringComparison.Ordinal);
    }

    [Fact]
    public void A_transposed_return_that_is_marked_otherwise_is_a_trap()
    {
        const string first = "| C5q(.) D5q(.) E5q C5q | E5q F5q G5h | C5q D5q E5q C5q | E5q F5q G5h | rw";
        const string again = "| F5q(.) G5q A5q F5q | A5q Bb5q C6h | F5q G5q A5q F5q | A5q Bb5q C6h";
        var found = Assert.Single(Find("transposed-return", $"{first} {again}"));
        Assert.Equal(Severity.Warn, found.Severity);
        Assert.Contains("measure 6 is marked otherwise", found.Why, StringComparison.Ordinal);
    }

    // Removes the printed accidentals from the given place on, so that the first sign stands alone.
    private static List<Finding> Find(string rule, string music, int strip)
    {
        var document = ShortFormReader.Document(music);
        document.Descendants("accidental").Skip(strip).Remove();
        return Of(document, rule);
    }

    private static List<Finding> Of(XDocument document, string rule) =>
        [.. All(ScoreReader.Read(ScoreDocument.Of(document))).Where(f => f.Rule == rule)];

    private static List<Finding> Find(string rule, string music) => [.. All(ShortFormReader.Score(music)).Where(f => f.Rule == rule)];

    private static IReadOnlyList<Finding> All(Score score) =>
        StudyDesk.Examine(new StudyContext(score, House.Default), score.Parts, 0, int.MaxValue);
}
