using MellowStand.Core.Notation;

namespace MellowStand.Core.Performance;

/// <summary>What a part strikes in the measures that are played: ties joined, cut where the range or a repeat cuts them.</summary>
/// <remarks>A note that is tied over into the range, or into a measure that is reached by a jump, is struck at its start with what is left
/// of
/// it; where the same key is held up to the jump by a tie, it is held on.</remarks>
internal static class SoundReader
{
    public static IReadOnlyList<Sound> Of(Part part, IReadOnlyList<PlayedMeasure> played)
    {
        var notes = SoundingNote.Of(part).Where(n => n.First.Sounds && !n.First.IsCue).ToList();
        var tied = notes.Where(n => n.Heads.Any(h => h.TiedTo is not null)).ToList();
        var sounds = new List<Sound>();
        foreach (var run in Runs(played))
        {
            var (first, last, start) = (run[0].Measure, run[^1].Measure, run[0].Start);
            var end = run[^1].Start + last.Length;
            foreach (var over in tied.Where(n => n.First.Onset < first.Start && n.First.Onset + n.Duration > first.Start))
                GoOn(sounds, over, first.Start, start, end);
            for (var i = notes.PlaceFrom(n => n.First.Onset, first.Start); i < notes.Count; i++)
            {
                var note = notes[i];
                if (note.First.MeasureIndex > last.Index)
                    break;
                if (note.First.MeasureIndex < first.Index)
                    continue;
                var from = start + (note.First.Onset - first.Start);
                sounds.Add(new Sound(note.Id, note.First, note.Heads, note.Marks, from, Earlier(from + note.Duration, end)));
            }
        }

        return sounds;
    }

    private static void GoOn(List<Sound> sounds, SoundingNote over, Fraction printed, Fraction start, Fraction end)
    {
        var to = Earlier(start + (over.First.Onset + over.Duration - printed), end);
        var held = sounds.FindLastIndex(s =>
            s.To == start && s.Heads[0].Sounding == over.Heads[0].Sounding && s.Heads[0].Tied.Any(h => h.TieStart)
        );
        if (held >= 0)
        {
            sounds[held] = sounds[held] with { To = to };
            return;
        }

        var here = over.Heads[0].Tied.First(h => h.Owner.End > printed).Owner;
        sounds.Add(new Sound(over.Id, here, over.Heads, here.Marks, start, to));
    }

    private static Fraction Earlier(Fraction a, Fraction b) => a < b ? a : b;

    // Measures that follow one another in print too.
    private static IEnumerable<List<PlayedMeasure>> Runs(IReadOnlyList<PlayedMeasure> played)
    {
        var run = new List<PlayedMeasure>();
        foreach (var measure in played)
        {
            if (run.Count > 0 && measure.Measure.Index != run[^1].Measure.Index + 1)
            {
                yield return run;
                run = [];
            }

            run.Add(measure);
        }

        if (run.Count > 0)
            yield return run;
    }
}
