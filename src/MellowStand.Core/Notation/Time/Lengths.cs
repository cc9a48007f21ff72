using System.Globalization;

namespace MellowStand.Core.Notation;

/// <summary>Lengths and counts in the words of print.</summary>
public static class Lengths
{
    private static readonly Dictionary<string, string> Values = new()
    {
        ["1/8"] = "32nd",
        ["1/4"] = "16th",
        ["1/3"] = "triplet eighth",
        ["3/8"] = "dotted 16th",
        ["1/2"] = "eighth",
        ["2/3"] = "triplet quarter",
        ["3/4"] = "dotted eighth",
        ["1"] = "quarter",
        ["3/2"] = "dotted quarter",
        ["2"] = "half",
        ["3"] = "dotted half",
        ["4"] = "whole",
        ["6"] = "dotted whole",
    };

    private static readonly Dictionary<string, string> Parts = new()
    {
        ["0"] = "",
        ["1/4"] = "¼",
        ["1/3"] = "⅓",
        ["1/2"] = "½",
        ["2/3"] = "⅔",
        ["3/4"] = "¾",
    };

    private static readonly Fraction[] Usual = [0, new(1, 4), new(1, 3), new(1, 2), new(2, 3), new(3, 4)];

    /// <summary>The note value of a length in quarters, e.g. <c>dotted quarter</c>; quarters in figures where no single value has
    /// it.</summary>
    public static string Value(Fraction quarters) =>
        Values.TryGetValue(quarters.ToString(), out var word) ? word : string.Create(CultureInfo.InvariantCulture, $"{quarters} quarters");

    /// <summary>The place of a beat in words of print, e.g. <c>2½</c>; between the usual fractions <c>just after 2½</c>.</summary>
    /// <param name="beat">From 1, as it is counted.</param>
    public static string Beat(Fraction beat)
    {
        var whole = new Fraction(beat.Numerator / beat.Denominator);
        if (Parts.ContainsKey((beat - whole).ToString()))
            return Mixed(beat);
        var before = Usual.Last(u => u <= beat - whole);
        return $"just after {Mixed(whole + before)}";
    }

    /// <summary>A mixed number in words of print, e.g. <c>2½</c>.</summary>
    public static string Mixed(Fraction n)
    {
        var whole = n.Numerator / n.Denominator;
        var part = (n - new Fraction(whole)).ToString();
        var rest = Parts.GetValueOrDefault(part, " " + part);
        return whole == 0 && rest.Length > 0 ? rest.Trim() : whole.ToString(CultureInfo.InvariantCulture) + rest;
    }
}
