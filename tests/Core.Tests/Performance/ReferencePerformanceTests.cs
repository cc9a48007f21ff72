using System.Text.Json;
using MellowStand.Core.Formats.Midi;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Notation;
using MellowStand.Core.Performance;
using MellowStand.Core.Tempo;

namespace MellowStand.Core.Tests.Performance;

/// <summary>The reference files performed. Source of what must sound: tests/reference/facts (a direct reading and music21 10.5.1
/// agree).</summary>
public sealed class ReferencePerformanceTests
{
    [Theory]
    [MemberData(nameof(Reference.All), MemberType = typeof(Reference))]
    public void Every_note_is_struck_where_it_stands(string file)
    {
        var score = ScoreReader.Read(Reference.Bytes(file));
        var played = Perform(score, Repeats.Once);
        var path = Path.Combine(Reference.Root, "facts", Path.ChangeExtension(file, ".json"));
        if (!File.Exists(path))
            return;
        var struck = played.Notes.Select(n => (n.Part, n.From.ToString(), n.Midi)).ToHashSet();
        using var facts = JsonDocument.Parse(File.ReadAllBytes(path));
        foreach (var part in facts.RootElement.GetProperty("parts").EnumerateArray())
        {
            var id = part.GetProperty("id").GetString() ?? score.Parts[0].Id;
            var spread = Moved(score.FindPart(id)!);
            foreach (var note in part.GetProperty("notes").EnumerateArray())
            {
                var (onset, midi) = (note[1].GetString()!, note[3].GetInt32());
                if (Once(score, onset) is not { } at)
                    continue;
                Assert.True(spread.Contains(onset) || struck.Contains((id, at, midi)), $"{midi} at {onset} of {id} is not struck");
            }
        }
    }

    [Theory]
    [MemberData(nameof(Reference.All), MemberType = typeof(Reference))]
    public void A_performance_holds_together(string file)
    {
        var score = ScoreReader.Read(Reference.Bytes(file));
        var played = Perform(score, Repeats.Played);
        Assert.All(played.Notes, n => Assert.True(n.Length >= 0 && n.Midi is >= 0 and <= 127 && n.Velocity is >= 1 and <= 127));
        Assert.All(played.Notes, n => Assert.True(n.Seconds + n.Length <= played.Seconds + 1e-6, $"{n.Id} sounds on after the end"));
        Assert.Equal(played.Clicks.OrderBy(c => c.Seconds), played.Clicks);
        Assert.Equal(score.PlayedOrder, played.Measures.Select(m => m.Measure.Index));
        Assert.True(ScoreMidi.Music(score, played, score.Parts, p => p.MidiProgram).Length > 0);
    }

    // Slow and quick, a measure here and there: nothing throws, and whatever sounds lies inside.
    [Theory]
    [MemberData(nameof(Reference.Scores), MemberType = typeof(Reference))]
    public void Any_measure_can_be_played_alone(string file)
    {
        var score = ScoreReader.Read(Reference.Bytes(file));
        for (var m = 0; m < score.Measures.Count; m += 3)
        {
            var played = Perform(score, Repeats.Played, m, m + 1, 40 + m);
            Assert.All(played.Notes, n => Assert.True(n.From >= -played.CountOff));
            Assert.True(played.StartsAt > 0);
        }
    }

    // When a printed moment comes, played once through; null in an ending that leads back, which is left out.
    private static string? Once(Score score, string onset)
    {
        Assert.True(Fraction.TryParse(onset, out var printed));
        var measure = score.Measures.Last(m => m.Start <= printed);
        if (measure.Ending == RepeatEnding.LeadsBack)
            return null;
        var leftOut = score.Measures.Where(m => m.Start < printed && m.Ending == RepeatEnding.LeadsBack);
        return leftOut.Aggregate(printed, (at, m) => at - m.Length).ToString();
    }

    // Where a sign moves the first stroke of a note: spread chords, tremolos in pairs, turns on short notes.
    private static HashSet<string> Moved(Part part) =>
        [.. part.Notes.Where(n => n.Has("arpeggiate") || n.Has("tremolo") || n.Has("turn")).Select(n => n.Onset.ToString())];

    private static PerformedRange Perform(Score score, Repeats repeats, int from = 0, int to = int.MaxValue, double bpm = 96) =>
        new Performer(score, new TempoLine(score), House.Default, p => new LevelLine(score, p)).Perform(
            new PerformanceRequest([.. score.Parts.Select(p => p.Id)], from, to, new TempoMark(BeatUnit.Find("quarter")!, bpm))
            {
                Repeats = repeats,
            }
        );
}
