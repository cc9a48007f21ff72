using System.Globalization;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Notation;
using MellowStand.Core.Performance;
using MellowStand.Core.Tempo;

namespace MellowStand.Core.Tests.Performance;

/// <summary>Performs the short form, and writes down what sounds so that a musician can read it.</summary>
internal static class Played
{
    public static PerformedRange Of(
        string music,
        string unit = "quarter",
        double? bpm = null,
        int from = 0,
        int to = int.MaxValue,
        Repeats repeats = Repeats.Once,
        House? house = null,
        ClickPlan? click = null
    )
    {
        var score = Read(music);
        var tempo = new TempoLine(score);
        var beat = BeatUnit.Find(unit)!;
        var mark = new TempoMark(beat, bpm ?? (tempo.QuarterBpmAt(from) / beat.Quarters.Value));
        return new Performer(score, tempo, house ?? House.Default, p => new LevelLine(score, p)).Perform(
            new PerformanceRequest([.. score.Parts.Select(p => p.Id)], from, to, mark)
            {
                Repeats = repeats,
                Click = click ?? ClickPlan.Plain,
            }
        );
    }

    // The short form has no sign for an accidental under an ornament: it is written above and moved.
    private static Score Read(string music)
    {
        var xml = ShortFormReader.Document(music.Replace("accidental-mark-below", "accidental-mark", StringComparison.Ordinal));
        if (music.Contains("accidental-mark-below", StringComparison.Ordinal))
            xml.Descendants("accidental-mark").Single().SetAttributeValue("placement", "below");
        return ScoreReader.Read(ScoreDocument.Of(xml));
    }

    /// <summary>Each note as its key and where it begins in quarters from the first measure: <c>60@0 62@1</c>.</summary>
    public static string Starts(PerformedRange performance) => string.Join(' ', performance.Notes.Select(n => $"{n.Midi}@{n.From}"));

    /// <summary>Each note as its key and how long it sounds in quarters: <c>60:1/2 62:1</c>.</summary>
    public static string Lengths(PerformedRange performance) =>
        string.Join(' ', performance.Notes.Select(n => $"{n.Midi}:{n.To - n.From}"));

    /// <summary>The clicks as their moment in quarters, an accent with <c>!</c>: <c>-4! -3 -2 -1</c>.</summary>
    public static string Clicks(IEnumerable<PerformedClick> clicks) =>
        string.Join(' ', clicks.Select(c => string.Create(CultureInfo.InvariantCulture, $"{c.At}{(c.IsAccent ? "!" : "")}")));
}
