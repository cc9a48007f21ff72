using System.Globalization;
using System.Text.RegularExpressions;
using System.Xml.Linq;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.ShortForm;

/// <summary>Directions and bar lines of the short form.</summary>
internal static partial class ShortFormSigns
{
    private static readonly Dictionary<string, string> Units = new()
    {
        ["w"] = "whole",
        ["h"] = "half",
        ["q"] = "quarter",
        ["e"] = "eighth",
        ["s"] = "16th",
    };

    /// <summary>A bar line at the right end: <c>:}</c>, <c>:}3</c>, <c>.]</c>, <c>||</c>.</summary>
    public static XElement? RightBar(string token)
    {
        if (token.StartsWith(":}", StringComparison.Ordinal))
        {
            var repeat = new XElement("repeat", new XAttribute("direction", "backward"));
            if (token.Length > 2)
                repeat.Add(new XAttribute("times", token[2..]));
            return Bar("right", new XElement("bar-style", "light-heavy"), repeat);
        }

        if (token.StartsWith("end:", StringComparison.Ordinal))
            return Bar("right", new XElement("ending", new XAttribute("number", token[4..]), new XAttribute("type", "stop")));
        return token == "double" ? Bar("right", new XElement("bar-style", "light-light")) : null;
    }

    /// <summary>Any other sign, or null when it is none.</summary>
    public static XElement? Read(string token)
    {
        if (token == "{:")
            return Bar("left", new XElement("bar-style", "heavy-light"), new XElement("repeat", new XAttribute("direction", "forward")));
        if (token.StartsWith("ending:", StringComparison.Ordinal))
            return Bar("left", new XElement("ending", new XAttribute("number", token[7..]), new XAttribute("type", "start")));
        if (token[0] == '"')
            return Direction("above", new XElement("words", token.Trim('"')));
        if (token.StartsWith("reh:", StringComparison.Ordinal))
            return Direction("above", new XElement("rehearsal", token[4..]));
        if (token.StartsWith("tempo:", StringComparison.Ordinal))
            return Tempo(token[6..]);
        return token[0] == '!' ? Dynamic(token[1..]) : Jump(token);
    }

    private static XElement? Dynamic(string sign) =>
        sign switch
        {
            "<" => Direction("below", Wedge("crescendo")),
            ">" => Direction("below", Wedge("diminuendo")),
            "/" => Direction("below", Wedge("stop")),
            _ when DynamicLevels.IsLevel(sign) => Direction("below", new XElement("dynamics", new XElement(sign))),
            _ => null,
        };

    private static XElement? Jump(string token) =>
        token switch
        {
            "fine" => WithSound("Fine", "fine", "yes"),
            "dacapo" => WithSound("D.C. al Fine", "dacapo", "yes"),
            "dalsegno" => WithSound("D.S.", "dalsegno", "segno"),
            "tocoda" => WithSound("To Coda", "tocoda", "coda"),
            "segno" => Direction("above", new XElement("segno")),
            "coda" => new XElement(
                "direction",
                new XElement("direction-type", new XElement("coda")),
                new XElement("sound", new XAttribute("coda", "coda"))
            ),
            _ => null,
        };

    private static XElement? Tempo(string text)
    {
        if (Equation().Match(text) is { Success: true } e)
        {
            var equal = new XElement("metronome");
            foreach (var side in new[] { e.Groups[1].Value, e.Groups[2].Value })
            {
                equal.Add(new XElement("beat-unit", Units[side[..1]]));
                if (side.Length > 1)
                    equal.Add(new XElement("beat-unit-dot"));
            }

            return Direction("above", equal);
        }

        var m = TempoText().Match(text);
        if (!m.Success)
            return null;
        var metronome = new XElement("metronome", new XElement("beat-unit", Units[m.Groups[1].Value]));
        if (m.Groups[2].Length > 0)
            metronome.Add(new XElement("beat-unit-dot"));
        metronome.Add(new XElement("per-minute", m.Groups[3].Value));
        var direction = Direction("above", metronome);
        if (double.TryParse(m.Groups[3].Value.Split('-')[0], NumberStyles.Float, CultureInfo.InvariantCulture, out var bpm))
        {
            var quarter =
                m.Groups[1].Value switch
                {
                    "w" => 4.0,
                    "h" => 2.0,
                    "q" => 1.0,
                    "e" => 0.5,
                    _ => 0.25,
                } * (m.Groups[2].Length > 0 ? 1.5 : 1);
            direction.Add(new XElement("sound", new XAttribute("tempo", (bpm * quarter).ToString(CultureInfo.InvariantCulture))));
        }

        return direction;
    }

    private static XElement WithSound(string words, string attribute, string value)
    {
        var direction = Direction("above", new XElement("words", words));
        direction.Add(new XElement("sound", new XAttribute(attribute, value)));
        return direction;
    }

    private static XElement Wedge(string type) => new("wedge", new XAttribute("type", type));

    private static XElement Direction(string placement, XElement type) =>
        new("direction", new XAttribute("placement", placement), new XElement("direction-type", type));

    private static XElement Bar(string location, params XElement[] content) =>
        new("barline", new XAttribute("location", location), content);

    [GeneratedRegex(@"^([whqes]\.?)=([whqes]\.?)$")]
    private static partial Regex Equation();

    [GeneratedRegex(@"^([whqes])(\.?)=(\d+(?:\.\d+)?(?:-\d+)?)$")]
    private static partial Regex TempoText();
}
