using System.Globalization;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Decisions.Errata;

/// <summary>Where notes stand in their measure, as it is read out to a section: <c>the four eighths</c>, <c>beat 3</c>, <c>the second
/// eighth of beat 1</c>.</summary>
public static class NotePlaces
{
    private static readonly (Fraction Length, string One)[] Units =
    [
        (new(1, 2), "eighth"),
        (new(1, 3), "triplet eighth"),
        (new(1, 4), "sixteenth"),
        (new(1, 6), "sextuplet sixteenth"),
        (new(1, 8), "thirty-second"),
        (1, "quarter"),
    ];

    private static readonly string[] Ordinals =
    [
        "first",
        "second",
        "third",
        "fourth",
        "fifth",
        "sixth",
        "seventh",
        "eighth",
        "ninth",
        "tenth",
        "eleventh",
        "twelfth",
    ];

    private static readonly string[] Counts =
    [
        "no",
        "one",
        "two",
        "three",
        "four",
        "five",
        "six",
        "seven",
        "eight",
        "nine",
        "ten",
        "eleven",
        "twelve",
    ];

    private static readonly Dictionary<string, string> Values = new()
    {
        ["whole"] = "whole notes",
        ["half"] = "halves",
        ["quarter"] = "quarters",
        ["eighth"] = "eighths",
        ["16th"] = "sixteenths",
        ["32nd"] = "thirty-seconds",
    };

    /// <summary>The place of one note, e.g. <c>beat 2</c> or <c>the second eighth of beat 1</c>.</summary>
    public static string Of(Score score, Note note)
    {
        var measure = score.Measures[note.MeasureIndex];
        var beats = measure.BeatsAt(note.Offset);
        var whole = beats.Numerator / beats.Denominator;
        var within = (beats - new Fraction(whole)) * measure.Meter.BeatUnit;
        var beat = string.Create(CultureInfo.InvariantCulture, $"beat {whole + 1}");
        if (within == Fraction.Zero)
            return beat;
        foreach (var (length, one) in Units)
        {
            var place = within / length;
            if (place.Denominator == 1 && place.Numerator < Ordinals.Length)
                return $"the {Ordinals[place.Numerator]} {one} of {beat}";
        }

        return $"just after {beat}";
    }

    /// <summary>The places of several notes of a part.</summary>
    public static string Of(Score score, Part part, IReadOnlyList<Note> notes)
    {
        if (notes.Count == 1)
            return Of(score, notes[0]);
        var measures = notes.Select(n => n.MeasureIndex).Distinct().Count();
        var range = part
            .Notes.Where(n => n.Sounds && !n.IsGrace && n.MeasureIndex >= notes[0].MeasureIndex && n.MeasureIndex <= notes[^1].MeasureIndex)
            .ToList();
        if (notes.Count == range.Count)
            return "every note";
        var type = notes[0].Type;
        if (type is not null && notes.All(n => n.Type == type && n.Dots == notes[0].Dots) && Values.TryGetValue(type, out var values))
        {
            var dotted = notes[0].Dots > 0 ? "dotted " : "";
            var same = range.Count(n => n.Type == type && n.Dots == notes[0].Dots);
            if (same == notes.Count)
                return $"the {Count(notes.Count)} {dotted}{values}";
            if (measures == 1)
                return $"{Count(notes.Count)} {dotted}{values}, {Listed(score, notes)}";
        }

        return measures == 1 ? Listed(score, notes) : $"{Count(notes.Count)} notes";
    }

    private static string Listed(Score score, IReadOnlyList<Note> notes)
    {
        if (notes.Count > 3)
            return $"from {Of(score, notes[0])} to {Of(score, notes[^1])}";
        var places = notes.Select(n => Of(score, n)).ToList();
        if (places.All(p => p.StartsWith("beat ", StringComparison.Ordinal)))
            return $"beats {Joined([.. places.Select(p => p["beat ".Length..])])}";
        return Joined(places);
    }

    private static string Joined(List<string> words) =>
        words.Count == 1 ? words[0] : $"{string.Join(", ", words.Take(words.Count - 1))} and {words[^1]}";

    private static string Count(int n) => n < Counts.Length ? Counts[n] : n.ToString(CultureInfo.InvariantCulture);
}
