using MellowStand.Core.Notation;

namespace MellowStand.Core.Technique;

/// <summary>How one note, or what is struck at once, lies in the hands.</summary>
/// <remarks>What a hand must know of it are the members of its kind; the code is made from them, for the HTTP interface and for files
/// only, and nothing is read back out of it.</remarks>
/// <param name="Code">The code of the HTTP interface, e.g. <c>1-2</c>, <c>bis</c>, <c>A2h@3</c>.</param>
public abstract record Placement(string Code)
{
    /// <summary>What players write over the note, e.g. <c>T</c>, <c>12</c>, <c>2</c>.</summary>
    /// <remarks>Common practice, no published source.</remarks>
    public virtual string Sign => Code;

    /// <summary>In the words of those who play the instrument, e.g. <c>low 2 on A, 3rd position</c>.</summary>
    /// <remarks>Common practice, no published source.</remarks>
    public virtual string Words => Code;

    /// <summary>The marks that write it in for one note: MusicXML 4.0, element "technical".</summary>
    public virtual IReadOnlyList<Mark> Marks => [new Mark("other-technical", Sign)];

    /// <summary>The marks that make it a fixed point: of a string player the string too.</summary>
    public virtual IReadOnlyList<Mark> FixingMarks => Marks;

    /// <summary>Of a chord the placements of its notes, the lowest first; of all else itself.</summary>
    public virtual IReadOnlyList<Placement> Heads => [this];

    /// <summary>True when a text written over the note means this placement.</summary>
    public virtual bool IsMeantBy(string text) => text == Code || text == Sign;

    /// <summary>A number in words: <c>1st</c>, <c>2nd</c>, <c>2½</c>.</summary>
    internal static string Ordinal(string number) =>
        number switch
        {
            "1" => "1st",
            "2" => "2nd",
            "3" => "3rd",
            _ when number.EndsWith(".5", StringComparison.Ordinal) => $"{number[..^2]}½",
            _ => number + "th",
        };
}
