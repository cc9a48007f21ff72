using System.Globalization;
using System.Text;
using System.Xml;
using System.Xml.Linq;

namespace MellowStand.Bench;

/// <summary>A generated score as rich as what notation programs export: stems, beams, places on the page, page layout, fonts, credits, all
/// indented.</summary>
/// <remarks>24 parts × 160 measures come to about 3 MB. What a reader of the music passes over is most of a real file.</remarks>
internal static class RichScore
{
    private const int MeasuresPerSystem = 5;

    /// <summary>UTF-8 MusicXML of parts × measures.</summary>
    public static byte[] Of(int parts, int measures)
    {
        var xml = XDocument.Load(new MemoryStream(Generated.Score(parts, measures)));
        var root = xml.Root!;
        root.Element("part-list")!.AddBeforeSelf(Frame());
        foreach (var (part, row) in root.Elements("part").Select((p, i) => (p, i)))
            foreach (var (measure, index) in part.Elements("measure").Select((m, i) => (m, i)))
            {
                if (IsSilent(row, index))
                    Silence(measure);
                Enrich(measure, index);
            }

        return Indented(xml);
    }

    // In a score for band or orchestra each family rests for half of the piece.
    private static bool IsSilent(int part, int measure) => ((measure / 8) + (part / 4)) % 2 == 1;

    private static void Silence(XElement measure)
    {
        measure.Elements().Where(e => e.Name.LocalName is "note" or "direction").Remove();
        measure.Add(
            new XElement(
                "note",
                new XElement("rest", new XAttribute("measure", "yes")),
                new XElement("duration", 4 * Divisions(measure)),
                new XElement("voice", 1)
            )
        );
    }

    private static int Divisions(XElement measure) =>
        int.Parse(measure.Parent!.Descendants("divisions").First().Value, CultureInfo.InvariantCulture);

    private static XElement[] Frame() =>
        [
            new(
                "defaults",
                new XElement("scaling", new XElement("millimeters", 6.35), new XElement("tenths", 40)),
                Page(),
                new XElement("word-font", Font())
            ),
            new("credit", new XAttribute("page", 1), new XElement("credit-words", new XAttribute("default-x", 600), Font(), "Generated")),
        ];

    private static XElement Page() =>
        new(
            "page-layout",
            new XElement("page-height", 1760),
            new XElement("page-width", 1360),
            new XElement("page-margins", Margins(["left", "right", "top", "bottom"]))
        );

    private static IEnumerable<XElement> Margins(string[] sides) => sides.Select(s => new XElement($"{s}-margin", 80));

    private static XAttribute[] Font() => [new("font-family", "Literata"), new("font-size", 10)];

    private static void Enrich(XElement measure, int index)
    {
        measure.SetAttributeValue("width", 180 + (index % 7 * 11));
        if (index % MeasuresPerSystem == 0)
            measure.AddFirst(Break(index));
        var x = 14.0;
        foreach (var note in measure.Elements("note"))
        {
            note.SetAttributeValue("default-x", x.ToString("0.##", CultureInfo.InvariantCulture));
            note.SetAttributeValue("default-y", "-25");
            x += 23.61;
            foreach (var mark in note.Elements("notations").Elements().SelectMany(e => e.Elements().Prepend(e)))
                mark.SetAttributeValue("placement", "above");
            if (note.Element("rest") is null)
                Stem(note);
        }

        foreach (var direction in measure.Elements("direction"))
            direction.SetAttributeValue("placement", "below");
        measure.Add(new XElement("barline", new XAttribute("location", "right"), new XElement("bar-style", "light-light")));
    }

    private static XElement Break(int index) =>
        new(
            "print",
            index == 0 ? null : new XAttribute("new-system", "yes"),
            new XElement("system-layout", new XElement("system-margins", Margins(["left", "right"])), new XElement("system-distance", 120)),
            new XElement("staff-layout", new XElement("staff-distance", 65)),
            new XElement("measure-numbering", "system")
        );

    // After type, dots, accidental and time-modification; before beams and notations (MusicXML 4.0, element "note").
    private static void Stem(XElement note)
    {
        var stem = new XElement("stem", new XAttribute("default-y", "-55.5"), "up");
        var before = note.Elements().LastOrDefault(e => e.Name.LocalName is "type" or "dot" or "accidental" or "time-modification");
        before?.AddAfterSelf(stem);
        if (note.Element("type")?.Value is "eighth" or "16th" && note.Element("beam") is null)
            stem.AddAfterSelf(new XElement("beam", new XAttribute("number", 1), "continue"));
    }

    private static byte[] Indented(XDocument xml)
    {
        using var stream = new MemoryStream();
        using (var writer = XmlWriter.Create(stream, new XmlWriterSettings { Encoding = new UTF8Encoding(false), Indent = true }))
            xml.Save(writer);
        return stream.ToArray();
    }
}
