using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>The articulations that a note carries, as one word.</summary>
internal static class ArticulationMarks
{
    /// <summary>Names of articulations: MusicXML 4.0, element "articulations".</summary>
    public static IReadOnlyList<string> Names { get; } =
    ["accent", "strong-accent", "staccato", "tenuto", "detached-legato", "staccatissimo", "spiccato", "stress", "unstress", "soft-accent"];

    public static string Of(Note note) => string.Join('+', Names.Where(note.Has));

    public static bool IsAccented(Note note) =>
        note.Has("accent") || note.Has("strong-accent") || note.Has("stress") || note.Has("soft-accent");

    public static bool IsSeparated(Note note) => note.Has("staccato") || note.Has("staccatissimo") || note.Has("spiccato");

    public static string Word(string name) => name.Replace('-', ' ').Replace("strong accent", "marcato accent", StringComparison.Ordinal);
}
