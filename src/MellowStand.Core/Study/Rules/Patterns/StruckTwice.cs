using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>Lines of which every note is struck as many times before the next one comes.</summary>
/// <remarks>The hand goes through the same notes as if each were struck once.</remarks>
internal static class StruckTwice
{
    /// <summary>Stretches of a phrase in which each note is struck equally often, twice at least; the last may be struck less.</summary>
    /// <param name="phrase">The phrase.</param>
    /// <returns>For each stretch the first of every group of equal notes, and all notes of it.</returns>
    public static IEnumerable<(IReadOnlyList<Note> Line, IReadOnlyList<Note> All)> Of(IReadOnlyList<Note> phrase)
    {
        var groups = Groups(phrase);
        for (var from = 0; from < groups.Count;)
        {
            var to = from + 1;
            while (to < groups.Count && groups[to].Count == groups[from].Count)
                to++;
            var times = groups[from].Count;
            var taken = groups[from..(to < groups.Count && groups[to].Count < times ? to + 1 : to)];
            if (times > 1 && taken.Count > 1)
                yield return ([.. taken.Select(g => g[0])], [.. taken.SelectMany(g => g)]);
            from = to;
        }
    }

    private static List<List<Note>> Groups(IReadOnlyList<Note> phrase)
    {
        var groups = new List<List<Note>>();
        foreach (var note in phrase)
            if (groups.Count > 0 && groups[^1][0].TopSounding == note.TopSounding)
                groups[^1].Add(note);
            else
                groups.Add([note]);
        return groups;
    }
}
