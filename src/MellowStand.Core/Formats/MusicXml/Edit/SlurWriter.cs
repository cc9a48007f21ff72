using System.Globalization;
using System.Xml.Linq;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Slurs between two notes of a part.</summary>
internal static class SlurWriter
{
    /// <summary>The numbers that MusicXML 4.0 allows for overlapping slurs ("number-level").</summary>
    private const int Numbers = 16;

    public static void Add(PartIndex part, PlacedElement from, PlacedElement to)
    {
        if (from.Element == to.Element || FindPair(part, from, to) is not null)
            return;
        var number = FreeNumber(part, from, to).ToString(CultureInfo.InvariantCulture);
        NotationWriter
            .NotationsOf(from.Element)
            .Add(new XElement("slur", new XAttribute("type", "start"), new XAttribute("number", number)));
        NotationWriter.NotationsOf(to.Element).Add(new XElement("slur", new XAttribute("type", "stop"), new XAttribute("number", number)));
    }

    public static void Remove(PartIndex part, PlacedElement from, PlacedElement to)
    {
        if (FindPair(part, from, to) is not { } pair)
            return;
        foreach (var slur in new[] { pair.Start, pair.Stop })
        {
            var parent = slur.Parent!;
            XmlEdit.Remove(slur);
            NotationWriter.Prune(parent);
        }
    }

    // A number is free when no slur of that number is open or ends anywhere between the two notes.
    private static int FreeNumber(PartIndex part, PlacedElement from, PlacedElement to)
    {
        var busy = new HashSet<string>();
        foreach (var (start, stop) in Pairs(part))
        {
            if (Order(stop.Place).CompareTo(Order(from)) < 0 || Order(start.Place).CompareTo(Order(to)) > 0)
                continue;
            busy.Add(NumberOf(start.Slur));
        }

        return Enumerable.Range(1, Numbers).FirstOrDefault(n => !busy.Contains(n.ToString(CultureInfo.InvariantCulture)), Numbers);
    }

    private static (XElement Start, XElement Stop)? FindPair(PartIndex part, PlacedElement from, PlacedElement to)
    {
        foreach (var (start, stop) in Pairs(part))
            if (Same(start.Place, from) && Same(stop.Place, to))
                return (start.Slur, stop.Slur);
        return null;
    }

    // A slur may hang on any head of a chord.
    private static bool Same(PlacedElement a, PlacedElement b) =>
        a.Element == b.Element
        || (a.Measure == b.Measure && a.Offset == b.Offset && VoiceOf(a) == VoiceOf(b) && IsGrace(a) == IsGrace(b) && !IsGrace(a));

    private static IEnumerable<((XElement Slur, PlacedElement Place) Start, (XElement Slur, PlacedElement Place) Stop)> Pairs(
        PartIndex part
    )
    {
        var open = new List<(XElement Slur, PlacedElement Place)>();
        foreach (var (_, place) in part.Notes)
        {
            var slurs = place.Element.Elements("notations").Elements("slur").ToList();
            foreach (var slur in slurs.Where(s => s.Attribute("type")?.Value == "stop"))
            {
                var i = open.FindLastIndex(o => NumberOf(o.Slur) == NumberOf(slur));
                if (i < 0)
                    continue;
                yield return (open[i], (slur, place));
                open.RemoveAt(i);
            }

            foreach (var slur in slurs.Where(s => s.Attribute("type")?.Value == "start"))
                open.Add((slur, place));
        }
    }

    private static (int, Notation.Fraction) Order(PlacedElement p) => (p.Measure, p.Offset);

    private static string NumberOf(XElement slur) => slur.Attribute("number")?.Value ?? "1";

    private static string VoiceOf(PlacedElement p) => p.Element.Element("voice")?.Value.Trim() ?? "1";

    private static bool IsGrace(PlacedElement p) => p.Element.Element("grace") is not null;
}
