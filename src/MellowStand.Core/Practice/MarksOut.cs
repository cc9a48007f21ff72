using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Practice;

/// <summary>Groups of marks that recipes take out.</summary>
internal static class MarksOut
{
    /// <summary>Ornaments, and the signs that stand with them.</summary>
    public static readonly HashSet<string> Ornaments =
    [
        .. OrnamentMarks.All,
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
    public static PlainNote Without(PlainNote note, IReadOnlySet<string> names) =>
        note.Marks.Any(m => names.Contains(m.Name)) ? note with { Marks = [.. note.Marks.Where(m => !names.Contains(m.Name))] } : note;

    /// <summary>The note without slurs.</summary>
    public static PlainNote Unslurred(PlainNote note) => note with { SlurStarts = 0, SlurEnds = 0 };

    /// <summary>True when it carries one of the marks.</summary>
    public static bool Has(PlainNote note, IReadOnlySet<string> names) => note.Marks.Any(m => names.Contains(m.Name));
}
