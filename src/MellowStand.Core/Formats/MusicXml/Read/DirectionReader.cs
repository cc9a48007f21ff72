using System.Globalization;
using System.Xml.Linq;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>What a <c>direction</c> element says, except for spans.</summary>
/// <remarks>Source: MusicXML 4.0, element "direction-type".</remarks>
internal static class DirectionReader
{
    /// <summary>Printed values in quarters, the longest first.</summary>
    internal static IReadOnlyDictionary<string, Fraction> Units { get; } = new Dictionary<string, Fraction>
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

    public static IEnumerable<DirectionSign> Of(XElement direction)
    {
        foreach (var e in direction.Elements("direction-type").Elements())
        {
            switch (e.Name.LocalName)
            {
                case "dynamics":
                    foreach (var mark in MarkReader.Dynamics(e))
                        yield return new(DirectionKind.Dynamic, mark.Value!);
                    break;
                case "words":
                    if (e.Value.Trim() is { Length: > 0 } words)
                        yield return new(DirectionKind.Words, words);
                    break;
                case "rehearsal":
                    yield return new(DirectionKind.Rehearsal, e.Value.Trim());
                    break;
                case "metronome":
                    yield return new(DirectionKind.Metronome, MetronomeText(e), Metronome(e), Equation(e));
                    break;
                case "bracket" or "octave-shift" or "dashes" or "pedal":
                    yield return new(DirectionKind.Sign, $"{e.Name.LocalName} {e.Attribute("type")?.Value}");
                    break;
                case "segno" or "coda":
                    yield return new(DirectionKind.Sign, e.Name.LocalName);
                    break;
                default:
                    break;
            }
        }
    }

    private static string MetronomeText(XElement e) => string.Join(' ', e.Elements().Select(x => x.Value.Trim()).Where(x => x.Length > 0));

    // Two beat units, or two metronome notes, with nothing but an equal sign between them.
    private static MetricEquation? Equation(XElement e)
    {
        var units = e.Elements("beat-unit")
            .Select(u => (Name: u.Value.Trim(), Dots: u.ElementsAfterSelf().TakeWhile(x => x.Name.LocalName == "beat-unit-dot").Count()))
            .Concat(
                e.Elements("metronome-note")
                    .Select(n => (Name: n.Element("metronome-type")?.Value.Trim() ?? "", Dots: n.Elements("metronome-dot").Count()))
            )
            .ToList();
        if (units.Count != 2 || e.Element("per-minute") is not null || !units.All(u => Units.ContainsKey(u.Name)))
            return null;
        return new MetricEquation(
            Dotted(Units[units[0].Name], Math.Min(units[0].Dots, 4)),
            Dotted(Units[units[1].Name], Math.Min(units[1].Dots, 4))
        );
    }

    private static MetronomeMark? Metronome(XElement e)
    {
        if (e.Element("per-minute")?.Value is not { } perMinute || e.Element("beat-unit")?.Value.Trim() is not { } unit)
            return null;
        if (!Units.TryGetValue(unit, out var quarters))
            return null;
        var dots = e.Elements("beat-unit-dot").Count();
        var numbers = NumbersIn(perMinute);
        if (numbers.Count == 0 || numbers[0] <= 0)
            return null;
        return new MetronomeMark(
            Dotted(quarters, Math.Min(dots, 4)),
            numbers[0],
            numbers.Count > 1 && numbers[1] > numbers[0] ? numbers[1] : null
        );
    }

    internal static Fraction Dotted(Fraction unit, int dots)
    {
        var sum = unit;
        for (var add = unit / 2; dots > 0; dots--, add /= 2)
            sum += add;
        return sum;
    }

    private static List<double> NumbersIn(string text)
    {
        var numbers = new List<double>();
        foreach (var piece in text.Split([' ', '-', '–', '—', '(', ')', 'c', 'a', '.'], StringSplitOptions.RemoveEmptyEntries))
            if (double.TryParse(piece, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var n) && n < 10_000)
                numbers.Add(n);
        return numbers;
    }
}

/// <summary>What one sign of a direction says.</summary>
internal sealed record DirectionSign(DirectionKind Kind, string Text, MetronomeMark? Metronome = null, MetricEquation? Equation = null);
