using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>Stretches of a line that go one way without a rest.</summary>
internal static class Runs
{
    private static readonly Fraction LongestStep = 1;

    /// <summary>Maximal stretches in which every step goes up, or every step goes down, by one of the sizes; no note but the last is
    /// longer than a quarter.</summary>
    /// <param name="notes">A phrase.</param>
    /// <param name="fits">Whether a step (semitones, letters; both signed) belongs.</param>
    public static IEnumerable<IReadOnlyList<Note>> Of(IReadOnlyList<Note> notes, Func<int, int, bool> fits)
    {
        var start = 0;
        for (var i = 1; i <= notes.Count; i++)
        {
            if (i < notes.Count && Joins(notes, i, start, fits))
                continue;
            if (i - start > 1)
                yield return Stretch(notes, start, i - start);
            start = i < notes.Count && i - start > 1 && Joins(notes, i, i - 1, fits) ? i - 1 : i;
        }
    }

    private static Note[] Stretch(IReadOnlyList<Note> notes, int start, int count)
    {
        var stretch = new Note[count];
        for (var i = 0; i < count; i++)
            stretch[i] = notes[start + i];
        return stretch;
    }

    public static int Semitones(Note a, Note b) => b.TopSounding!.Value - a.TopSounding!.Value;

    public static int Letters(Note a, Note b) => b.Top!.Value.Diatonic - a.Top!.Value.Diatonic;

    private static bool Joins(IReadOnlyList<Note> notes, int i, int start, Func<int, int, bool> fits)
    {
        var semitones = Semitones(notes[i - 1], notes[i]);
        if (semitones == 0 || notes[i - 1].SoundingDuration > LongestStep || !fits(semitones, Letters(notes[i - 1], notes[i])))
            return false;
        return i - 1 == start || Math.Sign(semitones) == Math.Sign(Semitones(notes[start], notes[start + 1]));
    }
}
