using System.Xml.Linq;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Repeats, endings and jumps of each measure, gathered over all parts.</summary>
/// <remarks>Source: MusicXML 4.0, elements "repeat", "ending", "sound", "segno", "coda". Jump words are read where a
/// file prints them without the <c>sound</c> attributes.</remarks>
internal static class RepeatReader
{
    public static IReadOnlyList<RepeatSigns> Of(ScoreDocument document)
    {
        var signs = new RepeatSigns[document.MeasureHeads.Count];
        for (var i = 0; i < signs.Length; i++)
        {
            signs[i] = new RepeatSigns();
            foreach (var part in document.Parts)
                if (part.Measures[i] is { } measure)
                    Take(measure, signs[i]);
        }

        return signs;
    }

    /// <summary>True for words that make the players jump or end.</summary>
    public static bool IsJump(string words)
    {
        var signs = new RepeatSigns();
        Words(words.Trim().ToUpperInvariant(), signs);
        return signs is not { DaCapo: false, DalSegno: false, Fine: false, ToCoda: false, Coda: false };
    }

    private static void Take(XElement measure, RepeatSigns signs)
    {
        foreach (var e in measure.Elements())
        {
            switch (e.Name.LocalName)
            {
                case "barline":
                    Barline(e, signs);
                    break;
                case "sound":
                    Sound(e, signs);
                    break;
                case "direction":
                    Direction(e, signs);
                    break;
                default:
                    break;
            }
        }
    }

    private static void Barline(XElement e, RepeatSigns signs)
    {
        if (e.Element("repeat") is { } repeat)
        {
            if (repeat.Attribute("direction")?.Value == "forward")
                signs.Forward = true;
            else if (repeat.Attribute("direction")?.Value == "backward")
            {
                signs.Backward = true;
                if (repeat.Attribute("times").Int() is > 0 and <= 99 and { } times)
                    signs.Times = times;
            }
        }

        if (e.Element("bar-style")?.Value.Trim() is "light-light" or "heavy-heavy" or "light-heavy" or "heavy-light")
        {
            var isLeft = e.Attribute("location")?.Value == "left";
            signs.DoubleBefore |= isLeft;
            signs.DoubleAfter |= !isLeft;
        }

        if (e.Element("segno") is not null)
            signs.Segno = true;
        if (e.Element("coda") is not null)
            signs.Coda = true;
        if (e.Element("ending") is not { } ending)
            return;
        var numbers = (ending.Attribute("number")?.Value ?? "")
            .Split([',', ' ', '.'], StringSplitOptions.RemoveEmptyEntries)
            .Select(n => XmlNumbers.Int(n) ?? 0)
            .Where(n => n is > 0 and < 100)
            .ToList();
        if (ending.Attribute("type")?.Value == "start")
            signs.EndingStart = numbers.Count > 0 ? numbers : null;
        else
            signs.EndingStop = true;
    }

    private static void Sound(XElement e, RepeatSigns signs)
    {
        if (e.Attribute("segno") is not null)
            signs.Segno = true;
        if (e.Attribute("coda") is not null)
            signs.Coda = true;
        if (e.Attribute("fine") is not null)
            signs.Fine = true;
        if (e.Attribute("tocoda") is not null)
            signs.ToCoda = true;
        if (e.Attribute("dacapo")?.Value == "yes")
            signs.DaCapo = true;
        if (e.Attribute("dalsegno") is not null)
            signs.DalSegno = true;
        if (e.Attribute("forward-repeat")?.Value == "yes")
            signs.Forward = true;
    }

    private static void Direction(XElement e, RepeatSigns signs)
    {
        foreach (var sound in e.Elements("sound"))
            Sound(sound, signs);
        foreach (var type in e.Elements("direction-type").Elements())
        {
            if (type.Name.LocalName == "segno")
                signs.Segno = true;
            else if (type.Name.LocalName == "coda" && e.Element("sound")?.Attribute("tocoda") is null)
                signs.CodaSigns++;
            else if (type.Name.LocalName == "words")
                Words(type.Value.Trim().ToUpperInvariant(), signs);
        }
    }

    private static void Words(string words, RepeatSigns signs)
    {
        var plain = words.Replace(" ", "", StringComparison.Ordinal);
        if (plain.StartsWith("D.C.", StringComparison.Ordinal) || plain.StartsWith("DACAPO", StringComparison.Ordinal))
            signs.DaCapo = true;
        else if (plain.StartsWith("D.S.", StringComparison.Ordinal) || plain.StartsWith("DALSEGNO", StringComparison.Ordinal))
            signs.DalSegno = true;
        else if (plain is "FINE")
            signs.Fine = true;
        else if (plain.StartsWith("TOCODA", StringComparison.Ordinal) || plain.StartsWith("ALCODA", StringComparison.Ordinal))
            signs.ToCoda = true;
        else if (plain is "CODA")
            signs.Coda = true;
    }
}
