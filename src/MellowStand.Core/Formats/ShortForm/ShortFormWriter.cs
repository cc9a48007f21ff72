using System.Globalization;
using System.Xml.Linq;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.ShortForm;

/// <summary>Writes the parts of the short form as partwise MusicXML 4.0, with accidentals, beams and tuplets as an engraver would print
/// them.</summary>
internal static class ShortFormWriter
{
    public static XDocument Write(string title, string composer, IReadOnlyList<ShortFormPart> parts)
    {
        var root = new XElement("score-partwise", new XAttribute("version", "4.0"));
        if (title.Length > 0)
            root.Add(new XElement("work", new XElement("work-title", title)));
        if (composer.Length > 0)
            root.Add(new XElement("identification", new XElement("creator", new XAttribute("type", "composer"), composer)));
        root.Add(new XElement("part-list", parts.Select(Header)));
        foreach (var part in parts)
        {
            var writer = new ShortFormMeasureWriter(part);
            var measures = new XElement("part", new XAttribute("id", part.Id));
            var number = 1;
            for (var i = 0; i < part.Measures.Count; i++)
            {
                var tokens = i == 0 ? part.Opening.Concat(part.Measures[i]).ToList() : part.Measures[i];
                var pickup = tokens.Remove("pickup");
                if (i == 0 && pickup)
                    number = 0;
                var measure = new XElement("measure", new XAttribute("number", number.ToString(CultureInfo.InvariantCulture)));
                if (pickup)
                    measure.Add(new XAttribute("implicit", "yes"));
                number++;
                writer.Fill(measure, tokens, isFirst: i == 0, isLast: i == part.Measures.Count - 1);
                measures.Add(measure);
            }

            root.Add(measures);
        }

        return new XDocument(new XDeclaration("1.0", "UTF-8", null), root);
    }

    private static XElement Header(ShortFormPart part)
    {
        var header = new XElement("score-part", new XAttribute("id", part.Id), new XElement("part-name", part.Name));
        if (part.Abbreviation.Length > 0)
            header.Add(new XElement("part-abbreviation", part.Abbreviation));
        if (part.Program <= 0)
            return header;
        var instrument = part.Id + "-I1";
        var named = new XElement("score-instrument", new XAttribute("id", instrument), new XElement("instrument-name", part.Name));
        if (part.Sound is not null)
            named.Add(new XElement("instrument-sound", part.Sound));
        header.Add(named, new XElement("midi-instrument", new XAttribute("id", instrument), new XElement("midi-program", part.Program)));
        return header;
    }
}
