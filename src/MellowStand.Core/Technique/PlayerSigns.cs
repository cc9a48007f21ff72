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

    /// <summary>The sign of a code, e.g. <c>T</c>, <c>12</c>, <c>2</c>; of a chord the signs of its notes, the lowest first.</summary>
    public static string Of(string code, Family family)
    {
        if (Words.TryGetValue(code, out var word)) return word;
        if (code.Contains('+', StringComparison.Ordinal)) return string.Join(' ', code.Split('+').Select(c => Of(c, family)));
        return family switch
        {
            // Horn players write T for the thumb that opens the B♭ side.
            Family.Brass => code.Replace("-", "", StringComparison.Ordinal).Replace("Bb:", "T", StringComparison.Ordinal).Replace("F:", "", StringComparison.Ordinal),
            Family.Strings => code[1] == 'T' ? "ϙ" : code.Contains('o', StringComparison.Ordinal) ? "○" : code[1..2],
            _ => code,
        };
    }

    /// <summary>The marks that write a choice for one note in: MusicXML 4.0, element "technical".</summary>
    public static IReadOnlyList<Mark> Marks(string code, Family family) => family switch
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
