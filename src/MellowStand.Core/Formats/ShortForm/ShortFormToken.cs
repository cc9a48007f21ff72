using System.Globalization;
using System.Text.RegularExpressions;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.ShortForm;

/// <summary>One note, chord or rest of the short form.</summary>
/// <param name="Pitches">Its pitches; empty for a rest.</param>
/// <param name="Duration">Printed length in quarters.</param>
/// <param name="Type">MusicXML note type.</param>
/// <param name="Dots">Augmentation dots.</param>
/// <param name="Triplet">Three in the time of two.</param>
/// <param name="Grace">A grace note.</param>
/// <param name="Unpitched">A sound without pitch.</param>
/// <param name="Marks">Marks in brackets.</param>
/// <param name="SlurStarts">Slurs that begin here.</param>
/// <param name="SlurStops">Slurs that end here.</param>
/// <param name="TieStart">A tie begins here.</param>
/// <param name="Star">Marked by the writer of a test.</param>
public sealed record ShortNote(
    IReadOnlyList<Pitch> Pitches,
    Fraction Duration,
    string Type,
    int Dots,
    bool Triplet,
    bool Grace,
    bool Unpitched,
    IReadOnlyList<Mark> Marks,
    int SlurStarts,
    int SlurStops,
    bool TieStart,
    bool Star
);

/// <summary>Reads the notes of the short form, e.g. <c>F#4q.(staccato)[</c>.</summary>
internal static partial class ShortFormToken
{
    private static readonly Dictionary<char, (Fraction Length, string Type)> Values = new()
    {
        ['w'] = (4, "whole"),
        ['h'] = (2, "half"),
        ['q'] = (1, "quarter"),
        ['e'] = (new(1, 2), "eighth"),
        ['s'] = (new(1, 4), "16th"),
        ['t'] = (new(1, 8), "32nd"),
    };

    private static readonly Dictionary<string, string> ShortMarks = new()
    {
        ["."] = "staccato",
        [">"] = "accent",
        ["-"] = "tenuto",
        ["^"] = "strong-accent",
        ["f"] = "fermata",
        ["tr"] = "trill-mark",
        ["gliss"] = "glissando-start",
        ["b"] = "breath-mark",
        ["u"] = "up-bow",
        ["d"] = "down-bow",
    };

    /// <summary>Reads a token; <paramref name="value"/> is the note value of the token before and is carried on.</summary>
    /// <returns>Null when the token is no note.</returns>
    public static ShortNote? Read(string token, ref string value)
    {
        var m = Note().Match(token);
        if (!m.Success)
            return null;
        if (m.Groups["value"].Success)
            value = m.Groups["value"].Value;
        var (length, type) = Values[value[0]];
        var dots = value.Count(c => c == '.');
        var triplet = value.EndsWith('3');
        var grace = m.Groups["grace"].Success;
        var duration = grace ? Fraction.Zero : WithDots(length, dots) * (triplet ? new Fraction(2, 3) : 1);
        var body = m.Groups["body"].Value;
        var pitches = body == "r" ? [] : body.Trim('<', '>').Split(',').Select(PitchOf).ToList();
        var tail = m.Groups["tail"].Value;
        var marks = m.Groups["marks"]
            .Value.Split(',', StringSplitOptions.RemoveEmptyEntries)
            .Select(x => Mark.Parse(ShortMarks.GetValueOrDefault(x, x)))
            .ToList();
        return new ShortNote(
            pitches,
            duration,
            type,
            dots,
            triplet,
            grace,
            m.Groups["unpitched"].Success,
            marks,
            tail.Count(c => c == '['),
            tail.Count(c => c == ']'),
            tail.Contains('~', StringComparison.Ordinal),
            tail.Contains('*', StringComparison.Ordinal)
        );
    }

    private static Pitch PitchOf(string text) =>
        Pitch.TryParse(text, out var p)
            ? p
            : throw new FormatException(string.Create(CultureInfo.InvariantCulture, $"\"{text}\" is no pitch."));

    private static Fraction WithDots(Fraction length, int dots)
    {
        var sum = length;
        for (var add = length / 2; dots > 0; dots--, add /= 2)
            sum += add;
        return sum;
    }

    [GeneratedRegex(
        @"^(?<grace>g:)?(?<unpitched>%)?(?<body>r|[A-G][#bxn]*-?\d|<[^>]+>)"
            + @"(?<value>[whqest]\.{0,2}3?)?(\((?<marks>[^)]*)\))?(?<tail>[\[\]~*]*)$"
    )]
    private static partial Regex Note();
}
