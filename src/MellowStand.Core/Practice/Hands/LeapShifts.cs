namespace MellowStand.Core.Practice;

/// <summary>A note of a line for its leaps.</summary>
/// <param name="Top">Its key number; null for a rest.</param>
/// <param name="IsStruck">False where it is only tied over.</param>
internal readonly record struct LeapNote(int? Top, bool IsStruck);

/// <summary>By how much each note of a line is moved so that its leaps are an octave smaller.</summary>
/// <remarks>One note or two away from the line come to it. Else the line stays where it is written, and only the note that is leapt to
/// moves, or the one that is leapt from; where neither helps, what follows moves until the line leaps back. Our own.</remarks>
internal static class LeapShifts
{
    private const int Octave = 12;
    private const int Few = 2;

    /// <summary>Half steps for each note, whole octaves.</summary>
    public static IReadOnlyList<int> Of(IReadOnlyList<LeapNote> line)
    {
        var places = Enumerable.Range(0, line.Count).Where(i => line[i] is { Top: not null, IsStruck: true }).ToList();
        var shifts = Struck(places.ConvertAll(i => line[i].Top!.Value));
        var all = new int[line.Count];
        for (var k = 0; k < places.Count; k++)
            Array.Fill(all, shifts[k], places[k], (k + 1 < places.Count ? places[k + 1] : line.Count) - places[k]);
        return all;
    }

    private static int[] Struck(List<int> tops)
    {
        var shifts = new int[tops.Count];
        bool IsLeap(int i) => i > 0 && i < tops.Count && Math.Abs(tops[i] - tops[i - 1]) >= Octave;
        for (var i = 1; i < tops.Count; i++)
        {
            var before = tops[i - 1] + shifts[i - 1];
            if (!IsLeap(i) || Math.Abs(tops[i] - before) < Octave)
                continue;
            var end = i + 1;
            while (end < tops.Count && !IsLeap(end))
                end++;
            var shift = Toward(tops[i], before);
            if (end - i <= Few || !IsNear(tops, i + 1, tops[i] + shift) && !MovesBefore(tops, shifts, i))
                Array.Fill(shifts, shift, i, end - i);
            else if (shifts[i - 1] == 0 || Math.Abs(tops[i] - tops[i - 1] - shifts[i - 1]) >= Octave)
                shifts[i] = shift;
        }

        return shifts;
    }

    private static bool IsNear(List<int> tops, int next, int from) => next >= tops.Count || Math.Abs(tops[next] - from) < Octave;

    // The note that is leapt from goes to the line that follows, where it does not leap away from its own.
    private static bool MovesBefore(List<int> tops, int[] shifts, int i)
    {
        var shift = Toward(tops[i - 1], tops[i]);
        if (shifts[i - 1] != 0 || (i > 1 && Math.Abs(tops[i - 2] + shifts[i - 2] - tops[i - 1] - shift) >= Octave))
            return false;
        shifts[i - 1] = shift;
        return true;
    }

    private static int Toward(int from, int to) => Math.Sign(to - from) * (Math.Abs(to - from) / Octave * Octave);
}
