using MellowStand.Core.Notation;

namespace MellowStand.Core.Ornaments;

/// <summary>Graces that belong to a trill: one that begins it from above, and those that close it.</summary>
public static class TrillGraces
{
    /// <summary>The one grace before a trill on its upper note, which is how the trill begins; else null.</summary>
    public static Note? Opening(Part part, Note trill, Pitch upper)
    {
        var before = At(part, trill.Onset, trill).ToList();
        return before is [{ Top: { } top } only] && top.Diatonic == upper.Diatonic ? only : null;
    }

    /// <summary>The graces that come right after a trill and close it.</summary>
    public static IReadOnlyList<Note> Closing(Part part, Note trill) => [.. At(part, trill.Onset + trill.SoundingDuration, trill)];

    /// <summary>Ids of all graces of a part that begin a trill.</summary>
    public static HashSet<string> Openings(Part part) =>
        [.. Trilled(part).Select(n => Opening(part, n, Neighbours.Of(part, n, 1))).OfType<Note>().Select(n => n.Id)];

    /// <summary>Ids of all graces of a part that begin or close a trill.</summary>
    public static HashSet<string> All(Part part) =>
        [.. Openings(part), .. Trilled(part).SelectMany(n => Closing(part, n)).Select(n => n.Id)];

    private static IEnumerable<Note> Trilled(Part part) => part.Notes.Where(n => n.Top is not null && OrnamentMarks.Trills.Any(n.Has));

    /// <summary>The notes, graces and rests of its voice after a note has ended, in order.</summary>
    internal static IEnumerable<Note> After(Part part, Note note) =>
        part.Notes.Skip(part.PlaceFrom(note.Onset + note.SoundingDuration)).Where(n => IsBeside(n, note));

    private static IEnumerable<Note> At(Part part, Fraction onset, Note note) =>
        part.Notes.Skip(part.PlaceFrom(onset)).TakeWhile(n => n.Onset == onset).Where(n => n.IsGrace && !n.IsCue && IsBeside(n, note));

    private static bool IsBeside(Note a, Note b) => a.Voice == b.Voice && a.Staff == b.Staff;
}
