using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A stretch of music in one breath: from a rest or breath mark to the next.</summary>
internal sealed record BreathPhrase(IReadOnlyList<Note> Notes)
{
    public Fraction Quarters => Notes[^1].Onset + Notes[^1].SoundingDuration - Notes[0].Onset;

    /// <summary>Notes after which one can breathe: the end of a slur, or a note that is tied or long.</summary>
    public IEnumerable<Note> Places(Part part)
    {
        var ends = part.Slurs.Select(s => s.To.Id).ToHashSet();
        var inside = part
            .Slurs.SelectMany(s => part.Notes.Skip(part.PlaceFrom(s.From.Onset)).TakeWhile(n => n.Onset < s.To.Onset).Select(n => n.Id))
            .ToHashSet();
        return Notes
            .SkipLast(1)
            .Where(n =>
                !inside.Contains(n.Id)
                && (ends.Contains(n.Id) || n.Heads.Any(h => h.TiedTo is not null) || n.SoundingDuration >= new Fraction(3, 2))
            );
    }

    /// <summary>Stretches from one place to breathe to the next, each as its first and last note.</summary>
    public IEnumerable<(Note From, Note To)> Stretches(Part part)
    {
        var places = Places(part).ToHashSet();
        var start = Notes[0];
        for (var i = 0; i < Notes.Count; i++)
        {
            if (i < Notes.Count - 1 && !places.Contains(Notes[i]))
                continue;
            yield return (start, Notes[i]);
            if (i + 1 < Notes.Count)
                start = Notes[i + 1];
        }
    }

    /// <summary>What of it lies in some measures, or null.</summary>
    public BreathPhrase? In(int from, int to)
    {
        var inside = Notes.Where(n => n.MeasureIndex >= from && n.MeasureIndex <= to).ToList();
        return inside.Count == 0 ? null : new BreathPhrase(inside);
    }

    private static bool EndsAt(IReadOnlySet<Fraction> moments, Note note) => moments.Contains(note.Onset + note.SoundingDuration);

    public static IEnumerable<BreathPhrase> Of(Melody melody)
    {
        foreach (var phrase in melody.Phrases())
        {
            var open = new List<Note>();
            foreach (var note in phrase)
            {
                open.Add(note);
                // A fermata stops the clock: whoever wants to breathes there.
                if (!note.Has("breath-mark") && !note.Has("caesura") && !EndsAt(melody.Fermatas, note))
                    continue;
                yield return new BreathPhrase(open);
                open = [];
            }

            if (open.Count > 0)
                yield return new BreathPhrase(open);
        }
    }
}
