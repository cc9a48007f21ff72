using System.Globalization;
using System.Xml.Linq;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Makes a cut fit to play from: the level and tempo in force stand at its beginning, and the rests of a single part are condensed
/// under their number.</summary>
/// <remarks>Rests are broken at rehearsal marks, at changes of meter, key, clef and tempo, and at bar lines that are not plain ones; a
/// reminder of what is in force stands in brackets. Common practice, no published source. Elements: MusicXML 4.0, "multiple-rest",
/// "metronome".</remarks>
internal static class PaperCut
{
    private const int LeastCondensed = 2;

    public static void Rewrite(XElement root, ScoreDocument document, int from, ExportRange range)
    {
        foreach (var name in root.Descendants().Where(e => e.Name.LocalName is "part-name" or "part-abbreviation"))
            name.Value = "";
        root.Descendants().Where(e => e.Name.LocalName is "part-name-display" or "part-abbreviation-display").Remove();
        foreach (var part in root.Elements("part"))
            if (from > 0 && range.Reminded)
                Remind(document, part, from);
        if (root.Elements("part").ToList() is not [var only])
            return;
        only.Descendants("measure-style").Where(s => s.Element("multiple-rest") is not null).Remove();
        CueWriter.Write(only, from, range.Cues);
        Condense(only);
    }

    // What a player who begins here would have read before.
    private static void Remind(ScoreDocument document, XElement part, int from)
    {
        if (part.Elements("measure").FirstOrDefault() is not { } first)
            return;
        var own = document.Parts.First(p => p.Id == part.Attribute("id")?.Value);
        var opening = first.Elements().TakeWhile(e => e.Name.LocalName != "note").ToList();
        var place = opening.LastOrDefault(e => e.Name.LocalName == "attributes");
        if (!opening.Any(IsLevel) && Before(own, from, IsLevel) is { } level)
            Put(first, place, Bracketed(level.Descendants("dynamics").Elements().First().Name.LocalName, "below"));
        if (TempoBefore(document, own, opening, from) is { } tempo)
            Put(first, place, TempoAgain(tempo));
    }

    // "A tempo" tells no number: the one it goes back to stands beside it.
    private static XElement? TempoBefore(ScoreDocument document, PartContent own, List<XElement> opening, int from)
    {
        if (opening.Any(IsMetronome))
            return null;
        if (opening.Any(IsNewTempo))
            return null;
        XElement? Last(Func<XElement, bool> wanted) => Before(own, from, wanted) ?? Before(document.Parts[0], from, wanted);
        var last = opening.FirstOrDefault(IsTempo) ?? Last(IsTempo);
        if (last is null || IsMetronome(last) || IsUnderWay(last))
            return opening.Contains(last!) ? null : last;
        return Last(IsMetronome) ?? (opening.Contains(last) ? null : last);
    }

    // Slowing and quickening are told as they are: no number holds there.
    private static bool IsUnderWay(XElement e) =>
        e.Descendants("words").Any(w => TempoWords.TempoIn(w.Value) is { Kind: TempoKind.Slowing or TempoKind.Quickening });

    private static bool IsMetronome(XElement e) => e.Name.LocalName == "direction" && e.Descendants("metronome").Any();

    private static bool IsNewTempo(XElement e) =>
        IsTempo(e) && e.Descendants("words").Any(w => TempoWords.TempoIn(w.Value) is { Kind: TempoKind.Fixed or TempoKind.Changed });

    private static void Put(XElement measure, XElement? after, XElement direction)
    {
        if (after is null)
            measure.AddFirst(direction);
        else
            after.AddAfterSelf(direction);
    }

    private static XElement? Before(PartContent part, int from, Func<XElement, bool> is_)
    {
        for (var m = from - 1; m >= 0; m--)
            if ((part.Measures[m]?.Elements() ?? []).LastOrDefault(is_) is { } found)
                return found;
        return null;
    }

    private static bool IsLevel(XElement e) =>
        e.Name.LocalName == "direction"
        && e.Descendants("dynamics").Elements().FirstOrDefault() is { } sign
        && DynamicLevels.IsLevel(sign.Name.LocalName);

    private static bool IsTempo(XElement e) => e.Name.LocalName == "direction" && ScoreCut.IsForAll(e) && !e.Descendants("rehearsal").Any();

    private static XElement TempoAgain(XElement tempo)
    {
        if (tempo.Descendants("metronome").FirstOrDefault() is { } mark)
        {
            var again = new XElement(mark);
            again.SetAttributeValue("parentheses", "yes");
            return Direction(again, "above");
        }

        return Bracketed(string.Concat(tempo.Descendants("words").Select(w => w.Value)).Trim(), "above");
    }

    private static XElement Bracketed(string words, string placement) =>
        Direction(new XElement("words", new XAttribute("font-style", "italic"), $"({words})"), placement);

    private static XElement Direction(XElement type, string placement) =>
        new("direction", new XAttribute("placement", placement), new XElement("direction-type", type));

    private static void Condense(XElement part)
    {
        var measures = part.Elements("measure").ToList();
        for (var i = 0; i < measures.Count;)
        {
            var end = i;
            if (IsRest(measures[i]))
                while (end + 1 < measures.Count && IsRest(measures[end + 1]) && !Breaks(measures[end], measures[end + 1]))
                    end++;
            if (IsRest(measures[i]) && end - i + 1 >= LeastCondensed)
                Number(measures[i], end - i + 1);
            i = end + 1;
        }
    }

    private static bool IsRest(XElement measure) =>
        measure.Elements("note").All(n => n.Element("rest") is not null) && !measure.Descendants("fermata").Any();

    // A rest goes on over a bar line only where a player has nothing to read there.
    private static bool Breaks(XElement before, XElement next) =>
        next.Elements("direction").Any(IsRead)
        || next.Elements("attributes").Elements().Any(e => e.Name.LocalName is "key" or "time" or "clef" or "transpose")
        || next.Elements("barline").Any(b => b.Attribute("location")?.Value == "left")
        || before.Elements("barline").Any(b => b.Attribute("location")?.Value is null or "right");

    // A hairpin that goes on, or a level for notes to come, is read where it is played.
    private static bool IsRead(XElement direction) =>
        direction
            .Elements("direction-type")
            .Elements()
            .Any(e => e.Name.LocalName is "rehearsal" or "metronome" or "words" or "segno" or "coda");

    private static void Number(XElement measure, int count)
    {
        var style = new XElement("measure-style", new XElement("multiple-rest", count.ToString(CultureInfo.InvariantCulture)));
        if (measure.Element("attributes") is { } attributes)
            attributes.Add(style);
        else
            measure.AddFirst(new XElement("attributes", style));
    }
}
