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
    };

    /// <summary>The sign of a code, e.g. <c>T</c>, <c>12</c>, <c>2</c>.</summary>
    public static string Of(string code, Family family)
    {
        if (Words.TryGetValue(code, out var word)) return word;
        return family switch
        {
            // Horn players write T for the thumb that opens the B♭ side.
            Family.Brass => code.Replace("-", "", StringComparison.Ordinal).Replace("Bb:", "T", StringComparison.Ordinal).Replace("F:", "", StringComparison.Ordinal),
            Family.Strings => code[1..].TrimEnd('h', 'l').Split('@')[0].TrimEnd('h', 'l'),
            _ => code,
        };
    }

    /// <summary>The marks that write a choice in: MusicXML 4.0, element "technical".</summary>
    public static IReadOnlyList<Mark> Marks(string code, Family family) => family switch
    {
        Family.Brass => [new Mark("fingering", Of(code, family))],
        Family.Strings when code.EndsWith('0') => [new Mark("open-string")],
        Family.Strings => [new Mark("fingering", Of(code, family))],
        _ => [new Mark("other-technical", Of(code, family))],
    };
}
