using System.Xml.Linq;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Dynamics, words and hairpins as <c>direction</c> elements at a note's moment.</summary>
internal static class DirectionWriter
{
    private static readonly HashSet<string> Standard =
    [
        "p",
        "pp",
        "ppp",
        "pppp",
        "f",
        "ff",
        "fff",
        "ffff",
        "mp",
        "mf",
        "sf",
        "sfp",
        "sfpp",
        "fp",
        "rf",
        "rfz",
        "sfz",
        "sffz",
        "fz",
        "n",
        "pf",
        "sfzp",
    ];

    public static void Add(PlacedElement note, Mark mark)
    {
        var type =
            mark.Name == "words"
                ? new XElement("words", mark.Value)
                : new XElement(
                    "dynamics",
                    Standard.Contains(mark.Value!) ? new XElement(mark.Value!) : new XElement("other-dynamics", mark.Value)
                );
        XmlEdit.Before(HeadOf(note), Direction(note, mark.Name == "words" ? "above" : "below", type));
    }

    public static void Remove(PartIndex part, PlacedElement note, Mark mark)
    {
        var inNote = note
            .Element.Elements("notations")
            .Elements("dynamics")
            .Elements()
            .FirstOrDefault(d => Says(d, mark) && mark.Name == "dynamics");
        if (inNote is not null)
        {
            var parent = inNote.Parent!;
            XmlEdit.Remove(inNote);
            NotationWriter.Prune(parent);
            return;
        }

        foreach (var direction in part.DirectionsAt(note))
        {
            var sign =
                mark.Name == "words"
                    ? direction.Elements("direction-type").Elements("words").FirstOrDefault(w => w.Value.Trim() == mark.Value)
                    : direction.Elements("direction-type").Elements("dynamics").Elements().FirstOrDefault(d => Says(d, mark));
            if (sign is null)
                continue;
            PruneDirection(sign);
            return;
        }
    }

    public static void AddHairpin(PlacedElement from, PlacedElement to, string kind)
    {
        XmlEdit.Before(HeadOf(from), Direction(from, "below", new XElement("wedge", new XAttribute("type", kind))));
        // The hairpin reaches to the moment the last note begins, as most editions print it.
        XmlEdit.Before(HeadOf(to), Direction(to, "below", new XElement("wedge", new XAttribute("type", "stop"))));
    }

    public static void RemoveHairpin(PartIndex part, PlacedElement from, PlacedElement to, string kind)
    {
        var start = part.DirectionsAt(from)
            .Elements("direction-type")
            .Elements("wedge")
            .FirstOrDefault(w => w.Attribute("type")?.Value == kind);
        if (start is null)
            return;
        var number = start.Attribute("number")?.Value ?? "1";
        var stop = part
            .Directions.SkipWhile(d => d.Element != start.Parent!.Parent)
            .Skip(1)
            .SelectMany(d => d.Element.Elements("direction-type").Elements("wedge"))
            .FirstOrDefault(w => w.Attribute("type")?.Value == "stop" && (w.Attribute("number")?.Value ?? "1") == number);
        _ = to;
        PruneDirection(start);
        if (stop is not null)
            PruneDirection(stop);
    }

    public static void AddBracket(PlacedElement from, PlacedElement to)
    {
        XmlEdit.Before(HeadOf(from), Direction(from, "above", Bracket("start")));
        XmlEdit.After(to.Element, Direction(to, "above", Bracket("stop")));
    }

    public static void RemoveBracket(PartIndex part, PlacedElement from, PlacedElement to)
    {
        var start = part.DirectionsAt(from)
            .Elements("direction-type")
            .Elements("bracket")
            .FirstOrDefault(b => b.Attribute("type")?.Value == "start");
        var stop = to
            .Element.ElementsAfterSelf("direction")
            .Take(1)
            .Elements("direction-type")
            .Elements("bracket")
            .FirstOrDefault(b => b.Attribute("type")?.Value == "stop");
        foreach (var sign in new[] { start, stop }.OfType<XElement>())
            PruneDirection(sign);
    }

    private static XElement Bracket(string type) =>
        new("bracket", new XAttribute("type", type), new XAttribute("number", "6"), new XAttribute("line-end", "down"));

    private static bool Says(XElement dynamic, Mark mark) =>
        dynamic.Name.LocalName == mark.Value || (dynamic.Name.LocalName == "other-dynamics" && dynamic.Value.Trim() == mark.Value);

    private static void PruneDirection(XElement sign)
    {
        var parent = sign.Parent!;
        XmlEdit.Remove(sign);
        while (!parent.HasElements && parent.Name.LocalName is "dynamics" or "direction-type")
        {
            var above = parent.Parent!;
            XmlEdit.Remove(parent);
            parent = above;
        }

        // A sounding level may hang on the sign that is gone.
        if (parent.Name.LocalName == "direction" && parent.Element("direction-type") is null)
            XmlEdit.Remove(parent);
    }

    private static XElement Direction(PlacedElement note, string placement, XElement type)
    {
        var direction = new XElement("direction", new XAttribute("placement", placement), new XElement("direction-type", type));
        if (note.Element.Element("voice") is { } voice)
            direction.Add(new XElement("voice", voice.Value));
        if (note.Element.Element("staff") is { } staff)
            direction.Add(new XElement("staff", staff.Value));
        return direction;
    }

    // A direction stands before the first head of a chord and before the graces that lead into it.
    private static XElement HeadOf(PlacedElement note)
    {
        var e = note.Element;
        while (e.Element("chord") is not null && e.ElementsBeforeSelf("note").LastOrDefault() is { } previous)
            e = previous;
        return e;
    }
}
