using System.Text.RegularExpressions;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Technique.Strings;

/// <summary>The string that a word asks for: <c>sul G</c>, <c>sul IV</c>, <c>sul tasto</c> is none.</summary>
/// <remarks>It holds to the next word of the kind, or to one that ends it (<c>loco</c>, <c>ord.</c>, <c>nat.</c>). Numerals count from the
/// highest string, I. Common practice, no published source.</remarks>
internal static partial class AskedString
{
    private static readonly string[] Numerals = ["I", "II", "III", "IV", "V"];

    /// <summary>The index of the string asked for at a note, from 0 for the lowest; null where none is.</summary>
    /// <param name="words">The words of the part, in order.</param>
    /// <param name="neck">The neck.</param>
    /// <param name="at">Where the note stands, in quarters from the start.</param>
    public static int? At(IReadOnlyList<Direction> words, Neck neck, Fraction at)
    {
        int? asked = null;
        foreach (var word in words)
        {
            if (word.Onset > at)
                break;
            if (Named(word.Text, neck) is { } named)
                asked = named;
            else if (Ends().IsMatch(word.Text))
                asked = null;
        }

        return asked;
    }

    /// <summary>The words of a part that say something of the string.</summary>
    public static IReadOnlyList<Direction> Of(Part part, Neck neck)
    {
        var said = part.Directions.Where(d => d.Kind == DirectionKind.Words).ToList();
        return said.Any(d => Named(d.Text, neck) is not null) ? [.. said.OrderBy(d => d.Onset)] : [];
    }

    private static int? Named(string text, Neck neck)
    {
        var match = Asks().Match(text);
        if (!match.Success)
            return null;
        var name = match.Groups["string"].Value;
        var numeral = Array.IndexOf(Numerals, name);
        var at = numeral >= 0 ? neck.Strings.Count - 1 - numeral : neck.Strings.ToList().FindIndex(s => s.Letter == name);
        return at >= 0 ? at : null;
    }

    [GeneratedRegex(@"\b[Ss]ul(la|l')?\s+(?<string>[A-G]|IV|I{1,3}|V)\b(?!\s*[♭#])")]
    private static partial Regex Asks();

    [GeneratedRegex(@"\b(loco|ord(\.|inario)|nat(\.|urale)|modo ordinario)", RegexOptions.IgnoreCase)]
    private static partial Regex Ends();
}
