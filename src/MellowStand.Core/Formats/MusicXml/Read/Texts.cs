using System.Collections.Frozen;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>One string for each of the few texts that stand at every note, so that a score does not hold them ten thousand times.</summary>
internal static class Texts
{
    private static readonly FrozenDictionary<string, string> Known = "1 2 3 4 5 6 7 8 sharp flat natural double-sharp flat-flat"
        .Split(' ')
        .ToFrozenDictionary(t => t);

    /// <summary>The text, cut where it is longer than any that is printed: it comes back in answers, whatever the file holds.</summary>
    public static string Short(string text, int most = ScoreLimits.LettersOfWords) => text.Length <= most ? text : text[..most];

    /// <summary>The same text, shared where it is a usual one.</summary>
    public static string? Shared(string? text) => text is null ? null : Known.GetValueOrDefault(text, text);
}
