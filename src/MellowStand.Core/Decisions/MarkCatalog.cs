using MellowStand.Core.Formats;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Decisions;

/// <summary>How a mark is written down.</summary>
public enum MarkForm
{
    /// <summary>In <c>notations/articulations</c>.</summary>
    Articulation,

    /// <summary>In <c>notations/technical</c>.</summary>
    Technical,

    /// <summary>In <c>notations/ornaments</c>.</summary>
    Ornament,

    /// <summary>In <c>notations</c> itself.</summary>
    Plain,

    /// <summary>A slur from the first to the last note.</summary>
    Slur,

    /// <summary>A dynamic sign before the note.</summary>
    Dynamic,

    /// <summary>A hairpin from the first to the last note.</summary>
    Hairpin,

    /// <summary>A bracket above, from the first to the last note: a highlighted range.</summary>
    Bracket,

    /// <summary>Words before the note.</summary>
    Words,

    /// <summary>Another pitch for a misprinted note.</summary>
    Pitch,

    /// <summary>A courtesy accidental at the note.</summary>
    Accidental,

    /// <summary>Other lengths for as many notes in a row.</summary>
    Rhythm,

    /// <summary>A word to the players, told in letters and on sheets and not written into the music.</summary>
    Remark,
}

/// <summary>Every mark a director can write, and where it goes.</summary>
/// <remarks>Names and places: MusicXML 4.0, elements "articulations", "technical", "ornaments", "notations",
/// "direction-type", "accidental". A new mark is one entry here.</remarks>
public static class MarkCatalog
{
    private static readonly Dictionary<string, MarkForm> Forms = Build(
        (
            MarkForm.Articulation,
            "accent strong-accent staccato tenuto detached-legato staccatissimo spiccato breath-mark caesura stress unstress "
                + "soft-accent scoop plop doit falloff"
        ),
        (
            MarkForm.Technical,
            "up-bow down-bow open-string thumb-position fingering string double-tongue triple-tongue stopped snap-pizzicato "
                + "heel toe fingernails open half-muted pluck harmonic hole other-technical"
        ),
        (MarkForm.Ornament, "trill-mark turn delayed-turn inverted-turn shake mordent inverted-mordent schleifer tremolo accidental-mark"),
        (MarkForm.Plain, "fermata arpeggiate"),
        (MarkForm.Slur, "slur"),
        (MarkForm.Dynamic, "dynamics"),
        (MarkForm.Hairpin, "crescendo diminuendo"),
        (MarkForm.Bracket, "bracket"),
        (MarkForm.Words, "words"),
        (MarkForm.Accidental, "accidental"),
        (MarkForm.Pitch, "pitch"),
        (MarkForm.Rhythm, "rhythm"),
        (MarkForm.Remark, "remark")
    );

    private static readonly HashSet<string> WithValue =
    [
        "fingering",
        "string",
        "dynamics",
        "words",
        "remark",
        "accidental",
        "accidental-mark",
        "pitch",
        "rhythm",
        "tremolo",
        "pluck",
        "hole",
        "other-technical",
    ];

    private static readonly HashSet<string> WithChoice = ["harmonic"];

    private static readonly HashSet<string> AccidentalSigns =
    [
        "sharp",
        "natural",
        "flat",
        "double-sharp",
        "sharp-sharp",
        "flat-flat",
        "natural-sharp",
        "natural-flat",
        "quarter-flat",
        "quarter-sharp",
    ];

    /// <summary>Names of all marks.</summary>
    public static IReadOnlyCollection<string> Names => Forms.Keys;

    /// <summary>True for marks that span from a first to a last note.</summary>
    public static bool IsSpan(string name) =>
        Forms.TryGetValue(name, out var form) && form is MarkForm.Slur or MarkForm.Hairpin or MarkForm.Bracket;

    /// <summary>Where a mark is written, or null for an unknown one.</summary>
    public static MarkForm? FormOf(string name) => Forms.TryGetValue(name, out var form) ? form : null;

    /// <summary>Says why a mark cannot be written, or null when it can.</summary>
    public static string? Problem(Mark mark)
    {
        if (!Forms.ContainsKey(mark.Name))
            return $"There is no mark \"{Shorten(mark.Name)}\". Use one of: {string.Join(", ", Forms.Keys.Order(StringComparer.Ordinal))}.";
        if (WithValue.Contains(mark.Name) && string.IsNullOrWhiteSpace(mark.Value))
            return $"The mark \"{mark.Name}\" needs a value after a colon, e.g. \"fingering:2\".";
        if (!WithValue.Contains(mark.Name) && !WithChoice.Contains(mark.Name) && mark.Value is not null)
            return $"The mark \"{mark.Name}\" takes no value. Leave out \":{Shorten(mark.Value)}\".";
        return ValueProblem(mark);
    }

    private static string? ValueProblem(Mark mark) =>
        mark switch
        {
            { Value: { Length: > 200 } } => "Words in the music are at most 200 characters long. Shorten them.",
            { Value: { } v } when v.Any(char.IsControl) || !XmlText.Holds(v) =>
                "These words hold characters that cannot be printed. Take them out.",
            { Name: "dynamics", Value: { } v } when !DynamicLevels.IsLevel(v) =>
                $"\"{Shorten(v)}\" is no dynamic sign. Use pp, p, mp, mf, f, ff, sfz or the like.",
            { Name: "accidental" or "accidental-mark", Value: { } v } when !AccidentalSigns.Contains(v) =>
                $"\"{Shorten(v)}\" is no accidental. Use sharp, natural, flat, double-sharp or flat-flat.",
            { Name: "pitch", Value: { } v } when !Pitch.TryParse(v, out _) =>
                $"\"{Shorten(v)}\" is no pitch. Write a letter, a sign and an octave: F#4, Bb3.",
            { Name: "rhythm", Value: { } v } when !v.Split(' ').All(l => Fraction.TryParse(l, out var f) && f > Fraction.Zero) =>
                $"\"{Shorten(v)}\" are no lengths. Write them in quarters, one for each note: 3/2 1/2.",
            { Name: "string", Value: { } v } when !(int.TryParse(v, out var n) && n is >= 1 and <= 12) =>
                "A string is a number from 1 (the highest) on.",
            { Name: "hole", Value: { } v } when v is not ("yes" or "no" or "half") => "A hole is closed: yes, no or half.",
            { Name: "harmonic", Value: { } v } when v is not ("natural" or "artificial") => "A harmonic is natural or artificial.",
            { Name: "tremolo", Value: { } v } when !(int.TryParse(v, out var n) && n is >= 0 and <= 8) => "A tremolo has 0 to 8 strokes.",
            _ => null,
        };

    private static string Shorten(string text) => text.Length <= 30 ? text : text[..30] + "…";

    private static Dictionary<string, MarkForm> Build(params (MarkForm Form, string Names)[] rows) =>
        rows.SelectMany(r => r.Names.Split(' ').Select(n => (n, r.Form))).ToDictionary(x => x.n, x => x.Form);
}
