using MellowStand.Core.Notation;

namespace MellowStand.Core.Decisions.Errata;

/// <summary>Marks as a person says them.</summary>
public static class MarkWords
{
    private static readonly Dictionary<string, string> Names = new()
    {
        ["strong-accent"] = "marcato",
        ["detached-legato"] = "tenuto with a dot",
        ["breath-mark"] = "breath mark",
        ["trill-mark"] = "trill",
        ["delayed-turn"] = "delayed turn",
        ["inverted-turn"] = "inverted turn",
        ["inverted-mordent"] = "upper mordent",
        ["soft-accent"] = "soft accent",
        ["open-string"] = "open string",
        ["thumb-position"] = "thumb position",
        ["snap-pizzicato"] = "snap pizzicato",
        ["double-tongue"] = "double tongue",
        ["triple-tongue"] = "triple tongue",
        ["half-muted"] = "half muted",
        ["natural-sharp"] = "natural and sharp",
        ["natural-flat"] = "natural and flat",
        ["double-sharp"] = "double sharp",
        ["flat-flat"] = "double flat",
        ["sharp-sharp"] = "double sharp",
    };

    /// <summary>A mark in words, e.g. <c>staccato</c>, <c>mf</c>, <c>finger 2</c>.</summary>
    public static string Of(Mark mark) =>
        mark switch
        {
            { Name: "dynamics", Value: { } v } => v,
            { Name: "words", Value: { } v } => $"“{v}”",
            { Name: "remark", Value: { } v } => $"remark “{v}”",
            { Name: "fingering", Value: { } v } => $"finger {v}",
            { Name: "string", Value: { } v } => $"string {v}",
            { Name: "accidental", Value: { } v } => $"{Plain(v)} sign",
            { Name: "accidental-mark", Value: { } v } => $"{Plain(v)} for the upper note of the ornament",
            { Name: "tremolo", Value: { } v } => $"tremolo with {v} strokes",
            { Name: "pitch", Value: { } v } => Pitch.TryParse(v, out var p) ? $"the note is {p}" : v,
            { Name: "rhythm", Value: { } v } => $"the rhythm is {Rhythm(v)}",
            { Name: "other-technical", Value: { } v } => v,
            { Value: { } v } => $"{Plain(mark.Name)} {v}",
            _ => Plain(mark.Name),
        };

    private static string Plain(string name) => Names.GetValueOrDefault(name, name.Replace('-', ' '));

    private static string Rhythm(string lengths) =>
        string.Join(", ", lengths.Split(' ').Select(l => Fraction.TryParse(l, out var f) ? Lengths.Value(f) : l));
}
