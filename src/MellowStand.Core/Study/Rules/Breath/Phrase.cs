using MellowStand.Core.Notation;
using MellowStand.Core.Reading;

namespace MellowStand.Core.Study.Rules;

/// <summary>A stretch of music in one breath: from a rest or breath mark to the next.</summary>
internal sealed record BreathPhrase(IReadOnlyList<Note> Notes)
{
    public Fraction Quarters => Notes[^1].Onset + Notes[^1].SoundingDuration - Notes[0].Onset;

    /// <summary>Joints of the line at which one can breathe.</summary>
    public IReadOnlyList<Joint> Places(Joints joints) =>
        [
            .. joints
                .All.Between(j => j.Before.Onset, Notes[0].Onset, Notes[^1].Onset)
                .Where(j => j.Before.Onset < Notes[^1].Onset && j.Weight >= Joint.Parts),
        ];

    /// <summary>Stretches from one place to breathe to the next, each as its first and last note.</summary>
    public IEnumerable<(Note From, Note To)> Stretches(Joints joints)
    {
        var start = Notes[0];
        foreach (var joint in Places(joints))
        {
            yield return (start, joint.Before);
            start = joint.After;
        }

        yield return (start, Notes[^1]);
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
