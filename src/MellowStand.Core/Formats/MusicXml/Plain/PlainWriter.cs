using System.Globalization;
using System.Xml.Linq;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Writes plain music as partwise MusicXML 4.0.</summary>
public static class PlainWriter
{
    /// <summary>The document.</summary>
    public static XDocument Write(PlainScore score)
    {
        var root = new XElement("score-partwise", new XAttribute("version", "4.0"));
        if (score.Title.Length > 0)
            root.Add(new XElement("work", new XElement("work-title", score.Title)));
        root.Add(new XElement("part-list", score.Parts.Select((p, i) => Header(p, IdOf(i)))));
        root.Add(score.Parts.Select((p, i) => Part(score, p, i)));
        return new XDocument(new XDeclaration("1.0", "UTF-8", null), root);
    }

    private static string IdOf(int place) => string.Create(CultureInfo.InvariantCulture, $"P{place + 1}");

    private static XElement Header(PlainPart part, string id)
    {
        var header = new XElement("score-part", new XAttribute("id", id), new XElement("part-name", part.Name));
        if (part.Sound is null && part.Program is null)
            return header;
        var instrument = new XElement("score-instrument", new XAttribute("id", id + "-I1"), new XElement("instrument-name", part.Name));
        if (part.Sound is not null)
            instrument.Add(new XElement("instrument-sound", part.Sound));
        header.Add(instrument);
        if (part.Program is { } program)
            header.Add(new XElement("midi-instrument", new XAttribute("id", id + "-I1"), new XElement("midi-program", program)));
        return header;
    }

    private static XElement Part(PlainScore score, PlainPart part, int place)
    {
        var writer = new PlainMeasureWriter(part);
        var number = part.Measures.Count > 0 && part.Measures[0].IsImplicit ? 0 : 1;
        var element = new XElement("part", new XAttribute("id", IdOf(place)));
        for (var i = 0; i < part.Measures.Count; i++)
        {
            var measure = writer.Write(part.Measures[i], number++, i == part.Measures.Count - 1);
            if (i == 0 && place == 0 && score.Tempo is { } tempo)
                (measure.Elements("attributes").LastOrDefault() ?? throw new InvalidOperationException("No attributes.")).AddAfterSelf(
                    PlainSigns.Metronome(tempo)
                );
            element.Add(measure);
        }

        return element;
    }
}
