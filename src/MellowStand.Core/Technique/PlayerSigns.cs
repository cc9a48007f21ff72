using MellowStand.Core.Decisions;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Technique;

/// <summary>What players write over a note for a choice.</summary>
/// <remarks>Common practice, no published source: T, bis, S, L and R, valve numbers run together, slide positions, fingers.</remarks>
public static class PlayerSigns
{
    private static readonly Dictionary<string, string> Words = new()
    {
        ["thumb"] = "T",
        ["one-and-one"] = "1-1",
        ["one-and-two"] = "1-2",
        ["plain-fork"] = "pf",
        ["whisper"] = "w",
        ["lever"] = "lev",
        ["left"] = "L",
        ["right"] = "R",
        ["forked"] = "fk",
        ["regular"] = "reg",
        ["side"] = "S",
        ["bis"] = "bis",
        ["middle"] = "mid",
        ["chromatic"] = "chr",
        ["small"] = "sm",
        ["first"] = "1",
        ["ring"] = "3",
        ["little"] = "lit",
        ["flick"] = "fl",
        ["plain"] = "o",
        ["front"] = "front",
        ["key"] = "key",
        ["palm"] = "palm",
        ["right-hand-down"] = "RH",
        ["resonance"] = "res",
    };

    private static readonly Dictionary<string, string> StringsFromTheHighest = new()
    {
        ["violin"] = "EADG",
        ["viola"] = "ADGC",
        ["cello"] = "ADGC",
        ["contrabass"] = "GDAEB",
    };

    private static readonly HashSet<string> OfTheHand =
    [
        "other-technical",
        "fingering",
        "thumb-position",
        "open-string",
        "string",
        "harmonic",
    ];

    /// <summary>Changes that write marks to notes; a sign of the hand takes the place of the one that stands there.</summary>
    /// <param name="part">The part.</param>
    /// <param name="notes">Ids of the notes or noteheads.</param>
    /// <param name="add">Marks to write.</param>
    /// <param name="remove">Marks to take away.</param>
    public static IReadOnlyList<MarkChange> Replacing(
        Part part,
        IReadOnlyList<string> notes,
        IReadOnlyList<Mark> add,
        IReadOnlyList<Mark> remove
    )
    {
        if (!add.Any(m => OfTheHand.Contains(m.Name)))
            return [new MarkChange(part.Id, notes, add, remove)];
        var owners = part.Notes.Where(n => n.Heads.Count == 1).ToDictionary(n => n.Id);
        return
        [
            .. notes.Select(id => new MarkChange(
                part.Id,
                [id],
                add,
                owners.TryGetValue(id, out var note)
                    ? [.. remove.Union(note.Marks.Where(m => OfTheHand.Contains(m.Name) && !add.Contains(m)))]
                    : remove
            )),
        ];
    }

    /// <summary>The sign of a code, e.g. <c>T</c>, <c>12</c>, <c>2</c>; of a chord the signs of its notes, the lowest first.</summary>
    public static string Of(string code, Family family)
    {
        if (Words.TryGetValue(code, out var word))
            return word;
        if (code.Contains('+', StringComparison.Ordinal))
            return string.Join(' ', code.Split('+').Select(c => Of(c, family)));
        return family switch
        {
            // Horn players write T for the thumb that opens the B♭ side.
            Family.Brass => code.Replace("-", "", StringComparison.Ordinal)
                .Replace("Bb:", "T", StringComparison.Ordinal)
                .Replace("F:", "", StringComparison.Ordinal),
            Family.Strings when code[1] == 'T' => "ϙ",
            Family.Strings when code.Contains('o', StringComparison.Ordinal) => "○",
            Family.Strings => code[1..2],
            _ => code,
        };
    }

    /// <summary>The marks that make a choice a fixed point: of a string player the string too, of a chord the signs of its notes.</summary>
    /// <remarks>Strings are numbered from the highest: MusicXML 4.0, element "string".</remarks>
    public static IReadOnlyList<Mark> FixingMarks(string code, Instrument instrument)
    {
        if (code.Contains('+', StringComparison.Ordinal))
            return [new Mark("other-technical", Of(code, instrument.Family))];
        var marks = Marks(code, instrument.Family);
        return StringNumber(code, instrument.Id) is { } number && marks[0].Name == "fingering"
            ? [.. marks, new Mark("string", number)]
            : marks;
    }

    /// <summary>The number of the string that a code names, from the highest; null for all but bowed instruments.</summary>
    internal static string? StringNumber(string code, string instrument) =>
        StringsFromTheHighest.TryGetValue(instrument, out var letters)
        && letters.IndexOf(code[0], StringComparison.Ordinal) is >= 0 and var at
            ? $"{at + 1}"
            : null;

    /// <summary>The marks that write a choice for one note in: MusicXML 4.0, element "technical".</summary>
    public static IReadOnlyList<Mark> Marks(string code, Family family) =>
        family switch
        {
            Family.Brass => [new Mark("fingering", Of(code, family))],
            Family.Strings when code[1] == '0' => [new Mark("open-string")],
            Family.Strings when code[1] == 'T' => [new Mark("thumb-position")],
            Family.Strings when code.Contains('o', StringComparison.Ordinal) => [new Mark("harmonic")],
            Family.Strings => [new Mark("fingering", Of(code, family))],
            Family.Percussion when code is "1" or "2" or "3" or "4" => [new Mark("fingering", code)],
            _ => [new Mark("other-technical", Of(code, family))],
        };
}
