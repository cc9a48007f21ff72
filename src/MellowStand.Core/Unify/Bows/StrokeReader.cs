using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify.Bows;

/// <summary>Reads the strokes of a string part: slurs and ties are one stroke, plucked notes are none.</summary>
public static class StrokeReader
{
    /// <summary>The strokes of a part's main voice.</summary>
    /// <param name="context">What the station shares.</param>
    /// <param name="part">A string part.</param>
    /// <param name="quarterBpm">Quarters a minute in a measure.</param>
    public static IReadOnlyList<Stroke> Of(UnifyContext context, Part part, Func<int, double> quarterBpm)
    {
        var voice = LineFinder.VoicesOf(part).MaxBy(v => v.Notes.Count);
        if (voice is null)
            return [];
        var plucked = Plucking.Of(part);
        var strokes = new List<Stroke>();
        Fraction? before = null;
        foreach (var notes in Groups(context, voice).Where(g => !plucked(g[0].Onset)))
        {
            var perQuarter = 60 / quarterBpm(notes[0].MeasureIndex);
            var end = notes[^1].Onset + notes[^1].SoundingDuration;
            var rest = before is { } b ? Math.Max(0, (notes[0].Onset - b).Value * perQuarter) : double.PositiveInfinity;
            strokes.Add(
                new Stroke(
                    notes,
                    (end - notes[0].Onset).Value * perQuarter,
                    context.LevelsOf(part).At(notes[0].Onset)?.Level ?? DynamicLevels.Default,
                    rest,
                    Printed(notes[0])
                )
            );
            before = end;
        }

        return strokes;
    }

    private static IEnumerable<List<Note>> Groups(UnifyContext context, VoiceLine voice)
    {
        var slurs = voice.Part.Slurs.Where(s => s.From.Voice == voice.Voice).OrderBy(s => s.From.Onset).ToList();
        var next = 0;
        for (var i = 0; i < voice.Notes.Count;)
        {
            var group = new List<Note> { voice.Notes[i] };
            while (next < slurs.Count && slurs[next].From.Onset < voice.Notes[i].Onset)
                next++;
            // A slur that begins inside another one belongs to its stroke.
            var end = next < slurs.Count && slurs[next].From.Onset == voice.Notes[i].Onset ? slurs[next].To.Onset : voice.Notes[i].Onset;
            for (var s = next; s < slurs.Count && slurs[s].From.Onset < end; s++)
                end = slurs[s].To.Onset > end ? slurs[s].To.Onset : end;
            for (i++; i < voice.Notes.Count && voice.Notes[i].Onset <= end; i++)
                group.Add(voice.Notes[i]);
            yield return group;
        }
    }

    private static BowDirection? Printed(Note note)
    {
        if (note.Has("down-bow"))
            return BowDirection.Down;
        return note.Has("up-bow") ? BowDirection.Up : null;
    }
}
