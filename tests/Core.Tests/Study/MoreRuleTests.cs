using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Study;

namespace MellowStand.Core.Tests.Study;

/// <summary>Each rule in the short form: must find (the number of findings), must stay quiet (0), the edge of the rule. Traps of trade
/// practice and the values marked [check] there: common practice, no published source.</summary>
public sealed class MoreRuleTests
{
    private const string Flute = "part \"Flute\"\n";
    private const string Clarinet = "part \"Clarinet\" transpose:-1,-2\n";
    private const string Trumpet = "part \"Trumpet\" transpose:-1,-2\n";

    [Theory]
    [InlineData("enharmonic", "key:C | A#4 B4 C5 D5", 1)]
    [InlineData("enharmonic", "key:F | Bb4 C5 D5 E5", 0)]
    [InlineData("enharmonic", "key:C | E#4 F#4 Cb5 Bb4", 2)]
    [InlineData("enharmonic", "key:C | Fx4 G#4 A4 B4", 1)] // a double sharp
    [InlineData("enharmonic", "key:C | A#4 B4 A#4 B4 | A#4 B4 C5 D5", 1)] // one entry with all its places
    [InlineData("back-to-signature", "key:C | F#4 G4 F5 E5", 1)]
    [InlineData("back-to-signature", "key:C | F#4 G4 F#5 E5", 0)]
    [InlineData("back-to-signature", "key:C | F#4 G4 A4 B4", 0)]
    [InlineData("chromatic-run", "| C4s C#4s D4s D#4s E4q F4q G4q", 1)]
    [InlineData("chromatic-run", "| C4s C#4s D4s D#4s F4q F4q G4q", 0)] // four notes are no run
    [InlineData("chromatic-run", "| C5s B4s Bb4s A4s Ab4s G4e. G4h", 1)]
    [InlineData("scale", "key:G | G4e A4e B4e C5e D5e E5e F#5e G5e", 1)]
    [InlineData("scale", "key:C | C4e D4e E4e F4e G4e E4e C4q", 0)] // five notes are no scale
    [InlineData("scale", "key:C | A4e B4e C5e D5e E5e F5e G#5e A5e", 1)] // harmonic minor, with its wide step
    [InlineData("arpeggio", "| C4e E4e G4e C5e G4e E4e C4q", 1)]
    [InlineData("arpeggio", "| G4e B4e D5e F5e D5e B4e G4q", 1)]
    [InlineData("arpeggio", "| C4e E4e G4e A4e C4h", 0)]
    [InlineData("near-miss", "| C4s C#4s D4s E4s F4s F#4s G4s G#4s A4h", 1)] // one half step is skipped
    [InlineData("near-miss", "| C4s C#4s D4s D#4s E4s F4s F#4s G4s G#4h", 0)] // truly chromatic
    [InlineData("near-miss", "key:C | C4e D4e E4e F4e G4e A4e B4e C5e", 0)] // a plain scale
    [InlineData("near-miss", "key:C | C4e D4e E4e F#4e G4e Ab4e B4e C5e", 0)] // two strange notes: no scale at all
    [InlineData(
        "near-miss",
        "meter:12/8 | C4e E4e G4e C5e G4e E4e C4e E4e G4e C5e G4e E4e | C4e E4e G4e E4e C4e r C4e E4e G4e C5e G4e E4e",
        1
    )] // turns back early
    public void Accidentals_and_patterns(string rule, string music, int expected) => Expect(rule, music, expected);

    [Theory]
    [InlineData("return", "| C5q D5q E5q F5q | G5q F5q E5q D5q | E5h C5h | A5w | C5q D5q E5q F5q | G5q F5q E5q D5q", 1)]
    [InlineData("return", "| C5q D5q E5q F5q | G5q F5q E5q D5q | E5h C5h | A5w | D5q E5q F5q G5q | A5q G5q F5q E5q", 0)]
    [InlineData(
        "transposed-return",
        "| C5q D5q E5q F5q | G5q F5q E5q D5q | E5h C5h | D5w | B4w | G5q A5q B5q C6q | D6q C6q B5q A5q | B5h G5h | A5w",
        1
    )]
    [InlineData("sequence", "| C5e D5e E5e C5e C5h | D5e E5e F5e D5e D5h | E5e F5e G5e E5e E5h | C5w", 1)]
    [InlineData("sequence", "| C5e D5e E5e C5e C5h | D5e E5e F5e D5e D5h | G5e F5e E5e D5e C5h", 0)]
    [InlineData("mirror", "| C5e D5e E5e G5e A5h | C5w | A5h G5e E5e D5e C5e", 1)]
    public void Returns(string rule, string music, int expected) => Expect(rule, music, expected);

    [Theory]
    // [check] quarter = 58 is eighth = 116.
    [InlineData("count-unit", "tempo:q=58 | C5t D5t E5t F5t G5t F5t E5t D5t C5q D5q E5q", 1)]
    [InlineData("count-unit", "tempo:q=58 | C5q D5q E5q F5q", 0)] // slow, but no short notes
    [InlineData("count-unit", "tempo:q=96 | C5t D5t E5t F5t G5t F5t E5t D5t C5q D5q E5q", 0)]
    [InlineData("count-unit", "meter:6/8 tempo:q.=80 | C5e D5e E5e F5q.", 1)]
    [InlineData("count-unit", "meter:6/8 tempo:e=66 | C5e D5e E5e F5q.", 0)] // slow: in six
    [InlineData("count-unit", "meter:3/4 tempo:q=184 | C5q D5q E5q", 1)]
    [InlineData("count-unit", "meter:4/4 tempo:q=120 | C5q D5q E5q F5q", 0)]
    [InlineData("meter-grouping", "meter:2+3/8 | C5e D5e E5e F5e G5e", 1)]
    [InlineData("meter-grouping", "meter:6/8 | C5e D5e E5e F5e G5e A5e", 0)]
    // [check] dotted half = 3 beats, dotted whole = 6.
    [InlineData("long-length", "| C5h. D5q", 1)]
    [InlineData("long-length", "| C5q. D5e E5h", 0)] // one and a half beats
    [InlineData("long-length", "| C5h D5h~ | D5q E5h.", 2)] // a tie of three beats and a dot of three: two kinds
    [InlineData("rest-count", "| C5w | rw | rw | rw | rw | D5w", 1)]
    [InlineData("rest-count", "| C5w | rw | rw | D5w", 0)]
    [InlineData("rest-count", "| C5w | rw | meter:3/4 rh. | D5h.", 1)] // the meter changes while resting
    [InlineData("syncopation", "| C5e D5q E5q F5q G5e", 1)]
    [InlineData("syncopation", "| C5q D5h E5q", 1)]
    [InlineData("syncopation", "| C5q D5q E5q. F5e", 0)]
    [InlineData("flipped-rhythm", "meter:6/8 | C5e D5q E5q F5e", 1)]
    [InlineData("flipped-rhythm", "meter:6/8 | C5q D5e E5q F5e", 0)]
    [InlineData("hemiola", "meter:3/4 | C5h D5q~ | D5q E5h | C5h.", 1)]
    [InlineData("hemiola", "meter:3/4 | C5h D5q | D5h E5q", 0)]
    [InlineData("triplet-against-dotted", "| C5e3 D5e3 E5e3 F5e. G5s A5h", 1)]
    [InlineData("triplet-against-dotted", "| C5e3 D5e3 E5e3 F5e G5e A5h", 0)]
    [InlineData("offbeat-entry", "| C5w | rw | rw | re C5e D5q E5h", 1)]
    public void Counting(string rule, string music, int expected)
    {
        Expect(rule, music, expected);
    }

    [Theory]
    [InlineData("slowing-unresolved", "| C5w | \"rit.\" D5w | E5w | F5w | G5w | A5w | B5w | C6w", 1)]
    [InlineData("slowing-unresolved", "| C5w | \"rit.\" D5w | \"a tempo\" E5w | F5w | G5w | A5w | B5w | C6w", 0)]
    [InlineData("slowing-unresolved", "| C5w | D5w | E5w | \"rit.\" F5w | G5w", 0)] // the end itself
    [InlineData("no-slowing-at-end", "| C5w | D5w | E5w | F5w", 1)]
    [InlineData("no-slowing-at-end", "| C5w | D5w | E5w | F5w(f)", 0)]
    [InlineData("no-slowing-at-end", "| C5w | D5w | \"rall.\" E5w | F5w", 0)]
    [InlineData("fermata", "| C5w(f) | D5w", 1)]
    [InlineData("fermata", "| C5w | D5w", 0)]
    [InlineData("metric-change", "meter:2/4 | C5h | meter:6/8 D5h.", 1)]
    [InlineData("metric-change", "meter:2/4 | C5h | meter:6/8 tempo:q=q. D5h.", 0)]
    [InlineData("metric-change", "meter:2/4 | C5h | meter:3/4 D5h.", 0)] // the beat stays
    public void Tempo(string rule, string music, int expected) => Expect(rule, music, expected);

    [Theory]
    [InlineData("hairpin-to-nowhere", "| !p C5h !< D5h | E5h !/ F5h | G5w | A5w", 1)]
    [InlineData("hairpin-to-nowhere", "| !p C5h !< D5h | E5h !/ !f F5h | G5w", 0)]
    [InlineData("hairpin-to-nowhere", "| !p C5h !< D5h | !/ !> E5h F5h | !/ !p G5w", 0)] // a swell and back
    [InlineData("hairpin-to-nowhere", "| !f C5h !< D5h | !/ !p E5w | F5w", 1)] // grows to piano
    [InlineData("soft-high-entry", Flute + "| !p C5w | rw | A6w", 1)]
    [InlineData("soft-high-entry", Flute + "| !f C5w | rw | A6w", 0)]
    [InlineData("soft-high-entry", Flute + "| !p C5w | rw | C5w", 0)]
    [InlineData("soft-high-entry", Flute + "| !p F6q G6q A6h", 1)] // at the very start
    [InlineData("sustained-level", "| !f C5w | C5w | C5w | C5w | C5w | C5w | C5w | C5w", 1)]
    [InlineData("sustained-level", "| !f C5w | C5w | C5w | !mp C5w | C5w | C5w | C5w | C5w", 0)]
    [InlineData("forgotten-piano", "| !f C5w | C5w | C5w | C5w | C5w | C5w | rw | !p C5w", 1)]
    [InlineData("forgotten-piano", "| !f C5w | !p C5w", 0)]
    public void Dynamics(string rule, string music, int expected) => Expect(rule, music, expected);

    [Theory]
    [InlineData("lone-mark", "| C5q D5q(-) E5q F5q | G5w | C5w", 1)]
    [InlineData("lone-mark", "| C5q(-) D5q(-) E5q(-) F5q | G5w", 0)]
    [InlineData(
        "pattern-change",
        "| C5e(.) D5e(.) E5h. | C5e(.) E5e(.) G5h. | C5e[ D5e] E5h. | D5e(.) F5e(.) A5h. | C5e(.) D5e(.) E5h.",
        1
    )]
    [InlineData("pattern-change", "| C5e(.) D5e(.) E5h. | C5e(.) E5e(.) G5h. | C5e(.) D5e(.) E5h. | D5e(.) F5e(.) A5h.", 0)]
    [InlineData("slur-across-beams", "| C5e D5e[ E5e F5e] G5h", 1)]
    [InlineData("slur-across-beams", "| C5e[ D5e E5e F5e] G5h", 0)]
    [InlineData("offbeat-accent", "| C5e D5e(>) E5q F5h", 1)]
    [InlineData("offbeat-accent", "| C5e(>) D5e E5q(>) F5h", 0)]
    [InlineData("dots-under-slur", "| C5q(.)[ D5q(.) E5q(.) F5q(.)]", 1)]
    [InlineData("dots-under-slur", "| C5q[ D5q E5q F5q(.)]", 0)] // one dot at the end is a short last note
    [InlineData("two-note-slur", "| C5e[ D5e] E5e[ F5e] G5h", 1)]
    [InlineData("two-note-slur", "| C5e(>)[ D5e] E5q G5h", 1)]
    [InlineData("two-note-slur", "| C5e[ D5e E5e F5e] G5h", 0)]
    [InlineData("staccato-length", "tempo:q=120 | C5q(.) D5q E5h", 1)]
    public void Articulation(string rule, string music, int expected) => Expect(rule, music, expected);

    [Theory]
    [InlineData("trill", "key:F | A4h(tr) G4h", 1)]
    [InlineData("turn", "| C5q.(turn) D5e E5h", 1)]
    [InlineData("mordent", "| C5q(mordent) D5q E5h", 1)]
    [InlineData("grace", "| g:D5e C5h E5h", 1)]
    [InlineData("grace", "| C5h E5h", 0)]
    [InlineData("large-leap", "| C4q C5q D5h", 1)]
    [InlineData("large-leap", "| C4q B4q D5h", 0)]
    [InlineData("range", Trumpet + "| C6w", 1)]
    [InlineData("range", Trumpet + "| C5w", 0)]
    [InlineData("high-strain", Trumpet + "tempo:q=60 | F5w | G5w | F5w | G5w | F5w", 1)]
    [InlineData("register-crossing", Clarinet + "tempo:q=120 | A4e C5e A4e C5e A4h", 1)]
    [InlineData("register-crossing", Clarinet + "tempo:q=120 | A4h C5h", 0)]
    [InlineData("no-breath", Flute + "tempo:q=60 | C5q[ D5q E5q F5q | G5q F5q E5q D5q | C5q D5q E5q F5q | G5q F5q E5q D5q]", 1)]
    // between the slurs
    [InlineData("no-breath", Flute + "tempo:q=60 | C5q[ D5q E5q F5q | G5q F5q E5q D5q] | C5q[ D5q E5q F5q | G5q F5q E5q D5q]", 0)]
    // quick enough
    [InlineData("no-breath", Flute + "tempo:q=160 | C5q[ D5q E5q F5q | G5q F5q E5q D5q | C5q D5q E5q F5q | G5q F5q E5q D5q]", 0)]
    [InlineData(
        "no-breath",
        "part \"Violin\"\ntempo:q=60 | C5q[ D5q E5q F5q | G5q F5q E5q D5q | C5q D5q E5q F5q | G5q F5q E5q " + "D5q]",
        0
    )] // a bow breathes for itself
    [InlineData("breath-place", Flute + "tempo:q=60 | C5q[ D5q E5q F5q | G5q F5q E5q D5q] | C5q[ D5q E5q F5q | G5q F5q E5q D5q]", 1)]
    [InlineData("solo", "part \"Flute\"\n| C5w | D5w | E5w\npart \"Oboe\"\n| C5w | rw | E5w", 1)]
    [InlineData("solo", "part \"Flute\"\n| C5w | D5w\npart \"Oboe\"\n| C5w | B4w", 0)]
    [InlineData("solo", "| C5w | D5w", 0)] // one part alone is no solo
    [InlineData(
        "shared-rhythm",
        "part \"Flute\"\n| C5q D5q E5h | C5q D5q E5h | E5q D5q C5h | C5q D5q E5h\npart \"Oboe\"\n| E5q F5q G5h | E5q F5q G5h | "
            + "G5q F5q E5h | E5q F5q G5h",
        1
    )]
    [InlineData(
        "shared-rhythm",
        "part \"Flute\"\n| C5q D5q E5h | C5q D5q E5h | E5q D5q C5h | C5q D5q E5h\npart \"Oboe\"\n| C5q D5q E5h | C5q D5q E5h | "
            + "E5q D5q C5h | C5q D5q E5h",
        0
    )] // the same notes: a shared line
    [InlineData(
        "answer",
        "part \"Flute\"\n| C5q D5q E5q G5q | A5q G5q E5q D5q | C5w | C5w\npart \"Oboe\"\n| C4w | C4w | G4q A4q B4q D5q | E5q D5q B4q A4q",
        1
    )]
    [InlineData("answer", "part \"Flute\"\n| C5q D5q E5q G5q | A5q G5q E5q D5q | C5w | C5w\npart \"Oboe\"\n| C4w | C4w | G4w | E4w", 0)]
    [InlineData("chord-name", "part \"Marimba\"\n| <C4,E4>q <G4,C5>q <E4,G4>h", 1)]
    [InlineData("signature", "key:Eb | Eb4w | key:C C4w", 2)]
    [InlineData("tempo-words", "\"Andante cantabile\" | C5w", 1)]
    [InlineData("form", "reh:A | {: C5w | D5w :} | reh:B E5w", 1)]
    public void Ornaments_range_breath_sharing_frame(string rule, string music, int expected) => Expect(rule, music, expected);

    [Theory]
    [InlineData("trill", "key:F | A4h(tr) G4h", "Trill A–B♭")]
    [InlineData("trill", "key:C | Bb4q A4h(tr) G4q", "Trill A–B♭")] // the sign earlier in the measure
    [InlineData("turn", "key:C | G4q.(turn) A4e B4h", "Turn on G: A above, F below")]
    [InlineData("count-unit", "tempo:q=58 | C5t D5t E5t F5t G5t F5t E5t D5t C5q D5q E5q", "quarter = 58 is eighth = 116")] // [check]
    [InlineData("long-length", "| C5h. D5q", "lasts 3 beats")] // [check]
    [InlineData("long-length", "meter:6/4 | C5w.~ | C5w.", "4 beats in all")] // in 6/4 the beat is a dotted half
    [InlineData("fermata", "| C5q(f) D5q E5h", "Fermata: 3 beats or more")] // [check]
    [InlineData("arpeggio", "| G4e B4e D5e F5e D5e B4e G4q", "G dominant 7th arpeggio")]
    [InlineData("scale", "key:G | G4e A4e B4e C5e D5e E5e F#5e G5e", "G major scale")]
    [InlineData("meter-grouping", "meter:2+3/8 | C5e D5e E5q. | C5e D5e E5q.", "5/8 as 2+3")]
    [InlineData("turn", "| C5q.(turn) D5e E5h", "Half a beat plain, half a beat of a triplet (D C B), half a beat plain")] // [check]
    [InlineData("rest-count", "| C5w | rw | rw | meter:3/4 rh. | D5h.", "2 of 4/4, then 1 of 3/4")]
    [InlineData("pickup", "meter:4/4 pickup | G4q | C5w | C5h.", "Count off 3 beats")] // [check]
    [InlineData("staccato-length", "tempo:q=120 | C5q(.) D5q E5h", "250 ms")]
    public void Says(string rule, string music, string words)
    {
        var found = Find(rule, music);
        Assert.True(
            found.Any(f => (f.Title + " " + f.Why).Contains(words, StringComparison.Ordinal)),
            string.Join(" / ", found.Select(f => f.Title + ": " + f.Why))
        );
    }

    [Theory]
    [InlineData("1e&a", "| C5q D5e E5e F5s G5s A5s B5s C5q", "1 2 & 3 e & a 4")]
    [InlineData("1e&a", "| C5e3 D5e3 E5e3 F5q G5h", "1 la li 2 3")]
    [InlineData("trip-let", "| C5e3 D5e3 E5e3 F5q G5h", "1 trip let 2 3")]
    [InlineData("takadimi", "| C5q D5e E5e F5s G5s A5s B5s C5q", "ta ta di ta ka di mi ta")]
    [InlineData("1e&a", "meter:6/8 | C5e D5e E5e F5q.", "1 la li 2")]
    [InlineData("takadimi", "meter:6/8 | C5e D5e E5e F5q.", "ta ki da ta")]
    [InlineData("1e&a", "| C5q r E5q~ E5q", "1 3")] // a rest and a tied note are not spoken
    [InlineData("1e&a", "meter:4/4 pickup | G4e A4e | C5w", "4 &")] // the pickup is the end of a measure
    [InlineData("1e&a", "| C5e. D5s E5q. F5e G5q", "1 a 2 & 4")]
    public void Counting_lines(string school, string music, string expected)
    {
        var score = ShortFormReader.Score(music);
        Assert.Equal(expected, CountingLine.Of(new StudyContext(score, House.Default), score.Parts[0], 0, school));
    }

    [Theory]
    [InlineData(new[] { "begin", "end", "begin", "continue", "end" }, "5/8 as 2+3")]
    [InlineData(new[] { "begin", "continue", "end", "begin", "end" }, "5/8 as 3+2")]
    public void An_uneven_meter_is_grouped_as_beamed(string[] beams, string title)
    {
        var notes = string.Concat(
            beams.Select(b =>
                $"<note><pitch><step>C</step><octave>5</octave></pitch><duration>1</duration><type>eighth</type><beam "
                + $"number=\"1\">{b}</beam></note>"
            )
        );
        var xml =
            $"<score-partwise><part-list><score-part id=\"P1\"><part-name>Flute</part-name></score-part></part-list><part "
            + $"id=\"P1\"><measure "
            + $"number=\"1\"><attributes><divisions>2</divisions><time><beats>5</beats><beat-type>8</beat-type></time>"
            + $"</attributes>{notes}</measure></part></score-partwise>";
        var score = MellowStand.Core.Formats.MusicXml.ScoreReader.Read(System.Text.Encoding.UTF8.GetBytes(xml));
        var found = StudyDesk.Examine(new StudyContext(score, House.Default), score.Parts, 0, 0).Where(f => f.Rule == "meter-grouping");
        Assert.Equal(title, Assert.Single(found).Title);
    }

    private static void Expect(string rule, string music, int expected)
    {
        var found = Find(rule, music);
        Assert.True(
            expected == found.Count,
            $"{found.Count} for {expected}: {string.Join(" / ", found.Select(f => $"{f.From}–{f.To} {f.Title}"))}"
        );
    }

    private static List<Finding> Find(string rule, string music)
    {
        var score = ShortFormReader.Score(music);
        var context = new StudyContext(score, House.Default);
        return [.. StudyDesk.Examine(context, score.Parts, 0, int.MaxValue).Where(f => f.Rule == rule)];
    }
}
