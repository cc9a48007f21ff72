using MellowStand.Core.Notation;

namespace MellowStand.Core.Performance;

/// <summary>What is struck at one moment of a performance, before it is shaped by its marks.</summary>
/// <param name="Id">Address of the note: that of the first note where it is tied over.</param>
/// <param name="Note">The printed note that is struck, or goes on here from before the range.</param>
/// <param name="Heads">Its noteheads.</param>
/// <param name="Marks">The marks of the note and of all that is tied to it.</param>
/// <param name="From">Quarters from the start of the first measure of the range.</param>
/// <param name="To">Quarters from the start of the first measure of the range; equal to <paramref name="From"/> for a grace.</param>
internal sealed record Sound(string Id, Note Note, IReadOnlyList<NoteHead> Heads, IReadOnlyList<Mark> Marks, Fraction From, Fraction To)
{
    /// <summary>Length in quarters.</summary>
    public Fraction Length => To - From;

    /// <summary>True when it carries a mark of the name.</summary>
    public bool Has(string mark) => Marks.Any(m => m.Name == mark);

    /// <summary>The value of a mark, or null.</summary>
    public string? ValueOf(string mark) => Marks.FirstOrDefault(m => m.Name == mark).Value;
}

/// <summary>One stroke of a key as it is heard.</summary>
/// <param name="From">Quarters from the start of the first measure of the range.</param>
/// <param name="To">Quarters from the start of the first measure of the range.</param>
/// <param name="Midi">Sounding MIDI key number; of General MIDI's drums for a sound without pitch.</param>
internal sealed record Stroke(Fraction From, Fraction To, int Midi);
