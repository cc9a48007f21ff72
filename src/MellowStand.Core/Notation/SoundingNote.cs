namespace MellowStand.Core.Notation;

/// <summary>What is struck at one moment in one voice and held for one length: ties joined.</summary>
/// <param name="Id">The address of its first notehead.</param>
/// <param name="First">The printed note it starts as.</param>
/// <param name="Heads">The noteheads struck together and held equally long.</param>
/// <param name="Duration">Length in quarters, ties joined.</param>
public sealed record SoundingNote(string Id, Note First, IReadOnlyList<NoteHead> Heads, Fraction Duration)
{
    /// <summary>All entries of a part in score order: rests and graces too, tie continuations folded into their first note.</summary>
    /// <remarks>A chord of which only some notes are tied over gives an entry for each length.</remarks>
    public static IEnumerable<SoundingNote> Of(Part part) => part.Notes.SelectMany(Split);

    /// <summary>Marks at the note and at what is tied to it: a fermata over the tied-on note is one over the sounding note.</summary>
    public IReadOnlyList<Mark> Marks =>
        Heads.All(h => h.TiedTo is null)
            ? First.Marks
            : [.. First.Marks.Union(Heads.SelectMany(h => h.Tied.Skip(1)).SelectMany(h => h.Owner.Marks))];

    private static IEnumerable<SoundingNote> Split(Note note)
    {
        if (note.Heads.Count == 0)
            return [new SoundingNote(note.Id, note, [], note.Duration)];
        return note
            .Heads.Where(h => h.TiedFrom is null)
            .GroupBy(h => h.TiedDuration)
            .Select(g => new SoundingNote(g.First().Id, note, [.. g], g.Key));
    }
}
