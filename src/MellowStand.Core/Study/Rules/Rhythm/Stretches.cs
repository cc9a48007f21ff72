using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>Measures that belong together.</summary>
internal static class Stretches
{
    /// <summary>Notes in stretches: a note more than so many measures after the one before begins a new stretch.</summary>
    public static IEnumerable<List<Note>> Of(IEnumerable<Note> notes, int gap = 1)
    {
        List<Note>? open = null;
        foreach (var note in notes)
        {
            if (open is not null && note.MeasureIndex - open[^1].MeasureIndex > gap)
            {
                yield return open;
                open = null;
            }

            (open ??= []).Add(note);
        }

        if (open is not null)
            yield return open;
    }

    /// <summary>Stretches of measures with the same meter and tempo: first and last from 0.</summary>
    public static IEnumerable<(int From, int To)> OfMeterAndTempo(StudyContext context)
    {
        var from = 0;
        for (var m = 1; m <= context.Score.Measures.Count; m++)
        {
            if (
                m < context.Score.Measures.Count
                && context.Score.Measures[m].Meter.Equals(context.Score.Measures[from].Meter)
                && Math.Abs(context.Tempo.QuarterBpmAt(m) - context.Tempo.QuarterBpmAt(from)) < 0.01
            )
                continue;
            yield return (from, m - 1);
            from = m;
        }
    }
}
