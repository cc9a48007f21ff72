using MellowStand.Core.Formats.MusicXml;

namespace MellowStand.Core.Practice;

/// <summary>Groups of marks that recipes take out.</summary>
internal static class MarksOut
{
    /// <summary>Ornaments that are played as more than one note.</summary>
    public static readonly HashSet<string> Ornaments =
    [
        "trill-mark",
        "turn",
        "delayed-turn",
        "inverted-turn",
        "delayed-inverted-turn",
        "vertical-turn",
        "mordent",
        "inverted-mordent",
        "shake",
        "schleifer",
        "accidental-mark",
        "accidental-mark-below",
        "wavy-line-start",
        "wavy-line-stop",
        "wavy-line-continue",
    ];

    /// <summary>Articulations that the tongue or bow makes.</summary>
    public static readonly HashSet<string> Articulations =
    [
        "staccato",
        "staccatissimo",
        "spiccato",
        "tenuto",
        "detached-legato",
        "accent",
        "strong-accent",
        "soft-accent",
        "stress",
        "unstress",
    ];

    /// <summary>The note without some marks.</summary>
    public static PlainNote Without(PlainNote note, HashSet<string> names) =>
        note.Marks.Any(m => names.Contains(m.Name)) ? note with { Marks = [.. note.Marks.Where(m => !names.Contains(m.Name))] } : note;

    /// <summary>The note without slurs.</summary>
    public static PlainNote Unslurred(PlainNote note) => note with { SlurStarts = 0, SlurEnds = 0 };

    /// <summary>True when it carries one of the marks.</summary>
    public static bool Has(PlainNote note, HashSet<string> names) => note.Marks.Any(m => names.Contains(m.Name));
}
