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
    [InlineData("1e&a", "| C5e3 D5e3 E5e3 F5q G5h", "1 la li 2 3 (4)")]
    [InlineData("trip-let", "| C5e3 D5e3 E5e3 F5q G5h", "1 trip let 2 3 (4)")]
    [InlineData("takadimi", "| C5q D5e E5e F5s G5s A5s B5s C5q", "ta ta di ta ka di mi ta")]
    [InlineData("1e&a", "meter:6/8 | C5e D5e E5e F5q.", "1 la li 2")]
    [InlineData("takadimi", "meter:6/8 | C5e D5e E5e F5q.", "ta ki da ta")]
    [InlineData("1e&a", "| C5q r E5q~ E5q", "1 (2) 3 (4)")] // the pulse goes on through a rest and a tie
    [InlineData("1e&a", "meter:4/4 pickup | G4e A4e | C5w", "4 &")] // the pickup is the end of a measure
    [InlineData("1e&a", "| C5e. D5s E5q. F5e G5q", "1 a 2 (3) & 4")]
    [InlineData("1e&a", "meter:4/4 pickup | G4q | C5w", "4")]
    [InlineData("takadimi", "| C5h D5h", "ta (ta) ta (ta)")]
    [InlineData("1e&a", "meter:6/8 tempo:e=80 | C5e D5 E5 F5q.", "1 2 3 4 (5) (6)")] // in six where the eighth is printed
    [InlineData("1e&a", "meter:6/8 tempo:q.=72 | C5q D5e E5q.", "1 li 2")]
    [InlineData("1e&a", "meter:2/4 tempo:e=60 | C5e D5s E5 F5q", "1 2 & 3 (4)")]
    [InlineData("1e&a", "meter:2/4 tempo:e=60 | C5t D5 E5 F5 G5e A5q", "1 e & a 2 3 (4)")]
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
