using System.Globalization;
using System.Xml.Linq;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>What a <c>direction</c> element says, except for spans.</summary>
/// <remarks>Source: MusicXML 4.0, element "direction-type".</remarks>
internal static class DirectionReader
{
    private static readonly Dictionary<string, Fraction> Units = new()
    {
        ["long"] = 16,
        ["breve"] = 8,
        ["whole"] = 4,
        ["half"] = 2,
        ["quarter"] = 1,
        ["eighth"] = new(1, 2),
        ["16th"] = new(1, 4),
        ["32nd"] = new(1, 8),
        ["64th"] = new(1, 16),
    };

    public static IEnumerable<(DirectionKind Kind, string Text, MetronomeMark? Metronome)> Of(XElement direction)
    {
        foreach (var e in direction.Elements("direction-type").Elements())
        {
            switch (e.Name.LocalName)
            {
                case "dynamics":
                    foreach (var mark in MarkReader.Dynamics(e)) yield return (DirectionKind.Dynamic, mark.Value!, null);
                    break;
                case "words":
                    if (e.Value.Trim() is { Length: > 0 } words) yield return (DirectionKind.Words, words, null);
                    break;
                case "rehearsal":
                    yield return (DirectionKind.Rehearsal, e.Value.Trim(), null);
                    break;
                case "metronome":
                    var mark2 = Metronome(e);
                    yield return (DirectionKind.Metronome, MetronomeText(e), mark2);
                    break;
                case "segno" or "coda":
                    yield return (DirectionKind.Sign, e.Name.LocalName, null);
                    break;
                default: break;
            }
        }
    }

    private static string MetronomeText(XElement e) => string.Join(' ', e.Elements().Select(x => x.Value.Trim()).Where(x => x.Length > 0));

    private static MetronomeMark? Metronome(XElement e)
    {
        if (e.Element("per-minute")?.Value is not { } perMinute || e.Element("beat-unit")?.Value.Trim() is not { } unit) return null;
        if (!Units.TryGetValue(unit, out var quarters)) return null;
        var dots = e.Elements("beat-unit-dot").Count();
        var numbers = NumbersIn(perMinute);
        if (numbers.Count == 0 || numbers[0] <= 0) return null;
        return new MetronomeMark(Dotted(quarters, Math.Min(dots, 4)), numbers[0], numbers.Count > 1 && numbers[1] > numbers[0] ? numbers[1] : null);
    }

    internal static Fraction Dotted(Fraction unit, int dots)
    {
        var sum = unit;
        for (var add = unit / 2; dots > 0; dots--, add /= 2) sum += add;
        return sum;
    }

    private static List<double> NumbersIn(string text)
    {
        var numbers = new List<double>();
        foreach (var piece in text.Split([' ', '-', '–', '—', '(', ')', 'c', 'a', '.'], StringSplitOptions.RemoveEmptyEntries))
            if (double.TryParse(piece, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var n) && n < 10_000) numbers.Add(n);
        return numbers;
    }
}
