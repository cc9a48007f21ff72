using System.Text.RegularExpressions;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Notation;
using MellowStand.Core.Reading;
using MellowStand.Core.Study;

namespace MellowStand.Core.Tests.Reading;

/// <summary>Where music is parted and where it holds together. The music is composed for these tests; where a teacher would breathe is
/// common practice, no published source.</summary>
public sealed partial class JointTests
{
    // A figure, a slur, a run and its goal, a trill and its goal.
    private const double Holds = -4;

    private const string HeldNote =
        "part \"Horn\" transpose:-4,-7\nkey:F meter:3/4 tempo:q=96 | F4q[ A4 C5] | D5q[ C5 Bb4] | A4q[ G4] A4 | G4h. "
        + "| A4q[ F4] Bb4 | C5q[ A4] G4 | F4q[ E4] G4 | F4h.";

    private const string Detached =
        "part \"Trombone\" clef:F4\nkey:Eb meter:4/4 tempo:q=104 | Eb3q(.) Bb2(.) G2(.) Bb2(.) | Ab2(.) C3(.) Bb2(.) Ab2(.) "
        + "| G2(.) Bb2(.) Eb3(.) G3(.) | F3(.) D3(.) Bb2(.) D3(.) | Eb3q(.) Bb2(.) G2(.) Bb2(.) | Ab2(.) C3(.) Bb2(.) Ab2(.) "
        + "| Bb2(.) Ab2(.) F2(.) D3(.) | Eb3(.) Bb2(.) Eb3h";

    private const string TiedEnd =
        "part \"Oboe\"\nkey:G meter:4/4 tempo:q=70 | B4q[ A4 G4 A4 | D5h~ D5e] C5[ B4 A4 | B4q C5 D5 E5 | B4h~ B4e] A4[ B4 C5 "
        + "| D5q C5 B4 A4 | G4w]";

    private const string RunAndGoal =
        "part \"Alto Saxophone\" transpose:-5,-9\nmeter:4/4 tempo:q=60 | A4q[ B4 C5 D5] | E5q[ D5 C5e3 B4 A4] G4q "
        + "| A4q[ C5 E5 D5] | C5q[ B4 A4e3 G4 F4] E4q";

    private const string DoubleBar =
        "part \"Euphonium\" clef:F4\nkey:Bb meter:4/4 tempo:q=100 | Bb2q[ C3 D3 F3] | Eb3q[ D3] C3 Bb2 | D3q[ C3 Bb2 A2] | Bb2w double "
        + "| F3e[ D3] Bb2[ D3] F3[ Eb3] C3[ A2] | Bb2e[ D3] F3[ D3] Eb3[ C3] A2[ F2] | G2q[ A2] Bb2[ C3] | Bb2w";

    private const string Sixteenths =
        "part \"Flute\"\nkey:D meter:4/4 tempo:q=80 | D5s E5 F#5 G5 A5 G5 F#5 E5 F#5 E5 D5 C#5 D5q "
        + "| E5s F#5 G5 A5 B5 A5 G5 F#5 G5 F#5 E5 D5 "
        + "E5q | F#5s G5 A5 B5 A5 G5 F#5 E5 D5 E5 F#5 D5 C#5q | B4s C#5 D5 E5 F#5 E5 D5 C#5 B4 C#5 D5 E5 F#5q";

    public static TheoryData<string> All => [HeldNote, Detached, TiedEnd, RunAndGoal, DoubleBar, Sixteenths];

    [Theory]
    [InlineData(HeldNote, "4:1")]
    [InlineData(Detached, "4:4")]
    [InlineData(TiedEnd, "2:1 4:1")]
    [InlineData(RunAndGoal, "2:4")]
    [InlineData(DoubleBar, "4:1")]
    [InlineData(Sixteenths, "2:4")]
    public void Breaths_are_taken_where_phrases_end(string music, string places)
    {
        var (context, part) = Read(music);
        Assert.Equal(places, string.Join(' ', Breaths(context, part).Select(n => $"{context.Label(n.MeasureIndex)}:{context.Beat(n)}")));
        Assert.Empty(Find(context, part, "no-breath"));
    }

    [Theory]
    [InlineData("| C5e[ D5 E5 F5] G5h", 0, "inside a slur")]
    [InlineData("| C5e D5 E5 F5 G5h", 0, "inside a figure")]
    [InlineData("| C5s D5 E5 F5 G5q A5h", 3, "a run and its goal")]
    [InlineData("| C5h D5h(tr) | C5w", 1, "a trill and its goal")]
    [InlineData("| C5q D5 E5 F5 | G5h rh", 3, "the last note of a phrase")]
    [InlineData("| C5h. rq | rh. G5q | C6q B5 A5 G5", 1, "a pickup and its downbeat")]
    public void What_holds_together_is_not_parted(string music, int place, string words)
    {
        var (context, part) = Read(music);
        var joint = context.JointsOf(part).All[place];
        Assert.Contains(joint.Reasons, r => r.Words == words && r.Weight < 0);
        Assert.True(joint.Weight < Joint.Parts);
    }

    [Theory]
    [InlineData("| C5w double | D5h E5h", "a double bar")]
    [InlineData("{: C5w | D5w :} | E5w", "a repeat sign", 1)]
    [InlineData("| C5w | {: D5w :}", "a repeat sign")]
    [InlineData("| C5w | key:D D5w", "a new key")]
    [InlineData("| C5w | meter:3/4 D5q E5 F5", "a new meter")]
    [InlineData("tempo:q=80 | C5w | tempo:q=120 D5w", "a new tempo")]
    [InlineData("| C5w | reh:B D5w", "letter B")]
    [InlineData("| C5q(b) D5 E5h", "a breath mark")]
    [InlineData("| C5q(f) D5 E5h", "a fermata")]
    [InlineData("| C5q rq D5q E5q", "a rest")]
    [InlineData("| C5h. D5q | E5q F5 G5 A5", "a long note")]
    public void What_is_new_parts(string music, string words, int place = 0)
    {
        var (context, part) = Read(music);
        var joint = context.JointsOf(part).All[place];
        Assert.Contains(joint.Reasons, r => r.Words == words && r.Weight > 0);
        Assert.True(joint.Weight >= Joint.Parts || words == "a long note");
    }

    [Theory]
    [InlineData("meter:4/4 pickup | G4q | reh:A C5w | D5w | E5w | reh:B F5w | G5w", "A 0-3, B 4-5")]
    [InlineData("| {: C5w | D5w | ending:1 E5w end:1 :} | ending:2 F5w end:2 | G5w | A5w", " 0-3,  4-5")]
    [InlineData("| C5w | D5w double | E5w | F5w", " 0-1,  2-3")]
    [InlineData("| C5w | D5w", " 0-1")]
    [InlineData("| \"solo\" C5w | D5w | E5w | \"tutti\" F5w | G5w | A5w", " 0-2,  3-5")]
    [InlineData(
        "| C5q D5 E5 F5 | G5q F5 E5 D5 | E5h C5h | D5w | A5h G5h | F5h E5h | D5h E5h | F5w "
            + "| C5q D5 E5 F5 | G5q F5 E5 D5 | E5h C5h | D5w",
        " 0-7,  8-11"
    )]
    public void Sections_are_parted_and_take_their_pickup_and_their_endings_in(string music, string expected)
    {
        var (context, part) = Read(music);
        Assert.Equal(expected, string.Join(", ", Sections.Of(context, part).Select(s => $"{s.Letter} {s.From}-{s.To}")));
    }

    [Theory]
    [MemberData(nameof(All))]
    public void Two_measures_of_rest_in_front_change_nothing(string music)
    {
        var (context, part) = Read(music);
        var rest = music.Contains("3/4", StringComparison.Ordinal) ? "rh." : "rw";
        var (later, same) = Read(FirstBar().Replace(music, $" | {rest} | {rest} | ", 1));
        Assert.Equal(context.JointsOf(part).All.Select(Told), later.JointsOf(same).All.Select(Told));
        Assert.Equal(Breaths(context, part).Select(n => n.MeasureIndex + 2), Breaths(later, same).Select(n => n.MeasureIndex));
    }

    [Theory]
    [MemberData(nameof(All))]
    public void An_octave_changes_nothing(string music)
    {
        var (context, part) = Read(music);
        var (other, same) = Read(Pitch().Replace(music, m => m.Groups[1].Value + (char)(m.Groups[2].Value[0] + 1)));
        Assert.Equal(context.JointsOf(part).All.Select(Told), other.JointsOf(same).All.Select(Told));
        Assert.Equal(Breaths(context, part).Select(n => n.Onset), Breaths(other, same).Select(n => n.Onset));
    }

    [Theory]
    [InlineData(0, false)]
    [InlineData(1, false)]
    [InlineData(4, true)]
    public void Only_several_players_stagger(int players, bool staggers)
    {
        var score = ShortFormReader.Score(
            "part \"Flute\"\ntempo:q=60 | C5q[ D5q E5q F5q | G5q F5q E5q D5q | C5q D5q E5q F5q | G5q F5q E5q D5q]"
        );
        var context = new StudyContext(score, House.Default, players: _ => players);
        var said = Assert.Single(Find(context, score.Parts[0], "no-breath")).Why;
        Assert.Equal(staggers, said.Contains("tagger", StringComparison.Ordinal));
    }

    /// <summary>In all reference scores (tests/reference) nobody is told to breathe within a figure, a slur, or before a goal.</summary>
    [Theory]
    [MemberData(nameof(Reference.Scores), MemberType = typeof(Reference))]
    public void No_breath_stands_inside_a_figure(string file)
    {
        var context = new StudyContext(ScoreReader.Read(Reference.Bytes(file)), House.Default);
        foreach (var part in context.Score.Parts)
        {
            var joints = context.JointsOf(part).All.ToLookup(j => j.Before.Id);
            foreach (var note in Breaths(context, part))
                Assert.DoesNotContain(joints[note.Id].First().Reasons, r => r.Weight <= Holds);
        }
    }

    [GeneratedRegex(@" \| ")]
    private static partial Regex FirstBar();

    [GeneratedRegex(@"(?<!clef:)\b([A-G][#b]*)(\d)")]
    private static partial Regex Pitch();

    private static (string, double) Told(Joint joint) =>
        (string.Join(", ", joint.Reasons.Select(r => $"{r.Words} {r.Weight:0.00}")), Math.Round(joint.Weight, 6));

    private static (StudyContext Context, Part Part) Read(string music)
    {
        var score = ShortFormReader.Score(music);
        return (new StudyContext(score, House.Default), score.Parts[0]);
    }

    private static IEnumerable<Note> Breaths(StudyContext context, Part part) =>
        Find(context, part, "breath-place").SelectMany(f => f.Notes).Select(id => part.Notes.First(n => n.Id == id));

    private static List<Finding> Find(StudyContext context, Part part, string rule) =>
        [.. StudyDesk.Rules.Single(r => r.Name == rule).Examine(context, part)];
}
