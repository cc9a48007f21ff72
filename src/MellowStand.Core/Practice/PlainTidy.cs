using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Practice;

/// <summary>Cuts what does not end where it should after music was taken apart: ties to nothing, slurs that never end or never
/// began.</summary>
internal static class PlainTidy
{
    /// <summary>The part with every voice tidied, by the place of the voice in each measure.</summary>
    public static PlainPart Of(PlainPart part) => part with { Measures = Of(part.Measures) };

    /// <summary>The measures with every voice tidied.</summary>
    public static IReadOnlyList<PlainMeasure> Of(IReadOnlyList<PlainMeasure> measures)
    {
        var voices = measures.Max(m => m.Voices.Count);
        var tidied = measures.Select(m => m.Voices.ToArray()).ToList();
        for (var v = 0; v < voices; v++)
            Voice(tidied, v);
        return [.. measures.Select((m, i) => m with { Voices = tidied[i] })];
    }

    /// <summary>Notes in a row, tidied.</summary>
    public static List<PlainNote> Of(IEnumerable<PlainNote> notes)
    {
        var row = notes.ToList();
        Ties(row);
        Slurs(row);
        return row;
    }

    private static void Voice(List<PlainVoice[]> measures, int v)
    {
        var lengths = measures.Select(m => v < m.Length ? m[v].Notes.Count : 0).ToList();
        var row = Of(measures.Where(m => v < m.Length).SelectMany(m => m[v].Notes));
        var at = 0;
        for (var i = 0; i < measures.Count; i++)
        {
            if (lengths[i] > 0)
                measures[i][v] = measures[i][v] with { Notes = row.GetRange(at, lengths[i]) };
            at += lengths[i];
        }
    }

    // A tie leads to the same pitch in the next note of the voice, or to nothing.
    private static void Ties(List<PlainNote> row)
    {
        for (var i = 0; i < row.Count; i++)
        {
            if (!row[i].TiesOn)
                continue;
            var next = row.Skip(i + 1).FirstOrDefault(n => n.IsGrace == row[i].IsGrace);
            row[i] = row[i] with { Heads = [.. row[i].Heads.Select(h => h with { TiesOn = h.TiesOn && Holds(next, h.Written) })] };
        }
    }

    private static bool Holds(PlainNote? next, Pitch? pitch) => next is not null && next.Heads.Any(h => h.Written == pitch);

    private static void Slurs(List<PlainNote> row)
    {
        var open = new Stack<int>();
        for (var i = 0; i < row.Count; i++)
        {
            var ends = Math.Min(row[i].SlurEnds, open.Count);
            for (var k = 0; k < ends; k++)
                open.Pop();
            row[i] = row[i] with { SlurEnds = ends };
            for (var k = 0; k < row[i].SlurStarts; k++)
                open.Push(i);
        }

        foreach (var i in open)
            row[i] = row[i] with { SlurStarts = row[i].SlurStarts - 1 };
    }
}
