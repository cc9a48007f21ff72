using System.Xml.Linq;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Cuts parts × measures out of a score, with the key, meter, clef and transposition in force written at the cut.</summary>
internal static class ScoreCut
{
    private static readonly string[] Head = ["work", "movement-number", "movement-title", "identification"];

    // The order of MusicXML 4.0, element "attributes".
    private static readonly string[] AttributeOrder =
    [
        "divisions",
        "key",
        "time",
        "staves",
        "part-symbol",
        "instruments",
        "clef",
        "staff-details",
        "transpose",
        "for-part",
    ];

    public static XDocument Cut(ScoreDocument document, ExportRange range)
    {
        var parts = document.Parts.Where(p => range.Parts is null || range.Parts.Contains(p.Id)).ToList();
        var from = range.From ?? 0;
        var to = range.To ?? (document.MeasureHeads.Count - 1);
        var source = document.Xml.Root!;
        var root = new XElement("score-partwise", source.Attributes("version"));
        root.Add(Head.SelectMany(name => source.Elements(name)));
        root.Add(new XElement("part-list", parts.Select(Header)));
        root.Add(parts.Select(p => Part(document, p, from, to, range.WithNoteIds)));
        if (range.WithNoteIds)
        {
            OnceOnTop(root);
            BorrowTempo(document, root, from);
        }

        if (range.AtConcertPitch)
            ConcertPitchCut.Rewrite(root);
        if (range.ForPaper)
            PaperCut.Rewrite(root, document, from, range);
        return new XDocument(new XDeclaration("1.0", "UTF-8", null), root);
    }

    // For the eye one rehearsal mark above the top staff is enough; parts that print the same would stack them.
    private static void OnceOnTop(XElement root)
    {
        foreach (var part in root.Elements("part").Skip(1))
        {
            part.Descendants("direction").Where(d => d.Descendants("rehearsal").Any()).Remove();
            part.Descendants("ending").Remove();
        }
    }

    // A score prints tempo and rehearsal marks once, above its top part; a part that is cut out needs them too.
    private static void BorrowTempo(ScoreDocument document, XElement root, int from)
    {
        var top = root.Elements("part").FirstOrDefault();
        if (top is null || top.Attribute("id")?.Value == document.Parts[0].Id)
            return;
        foreach (var (measure, index) in top.Elements("measure").Select((m, i) => (m, from + i)))
        {
            var own = measure.Elements("direction").Where(IsForAll).Select(WordsOf).ToHashSet();
            var lent = (document.Parts[0].Measures[index]?.Elements() ?? [])
                .TakeWhile(e => e.Name.LocalName != "note")
                .Where(e => e.Name.LocalName == "direction" && IsForAll(e) && !own.Contains(WordsOf(e)))
                .Select(e => new XElement(e))
                .ToList();
            if (lent.Count == 0)
                continue;
            foreach (var e in lent)
                e.Elements("staff").Remove();
            if (measure.Elements("note").FirstOrDefault() is { } first)
                first.AddBeforeSelf(lent);
        }
    }

    private static string WordsOf(XElement direction) => string.Concat(direction.Elements("direction-type").Select(t => t.Value.Trim()));

    /// <summary>True for a tempo, a tempo word or a rehearsal mark: a score prints it once for all parts.</summary>
    public static bool IsForAll(XElement direction) =>
        direction
            .Elements("direction-type")
            .Elements()
            .Any(e =>
                e.Name.LocalName is "metronome" or "rehearsal" || (e.Name.LocalName == "words" && TempoWords.TempoIn(e.Value) is not null)
            );

    private static XElement Header(PartContent part)
    {
        var header = part.Header is null ? new XElement("score-part", new XElement("part-name", part.Name)) : new XElement(part.Header);
        header.SetAttributeValue("id", part.Id);
        return header;
    }

    private static XElement Part(ScoreDocument document, PartContent part, int from, int to, bool forEngraving)
    {
        var inForce = new Dictionary<(string Name, string? Number), XElement>();
        var ordinal = 0;
        for (var i = 0; i < from; i++)
        {
            foreach (var e in part.Measures[i]?.Elements() ?? [])
                if (e.Name.LocalName == "note")
                    ordinal++;
                else if (e.Name.LocalName == "attributes")
                    TakeIntoForce(e, inForce);
        }

        var result = new XElement("part", new XAttribute("id", part.Id));
        for (var i = from; i <= to; i++)
        {
            var measure = Measure(document, part, i, forEngraving);
            if (i == from && inForce.Count > 0)
                WriteInForce(measure, inForce);
            // The engraver's drawing is found again by our ids.
            if (forEngraving)
                foreach (var note in measure.Elements("note"))
                    note.SetAttributeValue("id", NoteReader.IdOf(part.Id, ++ordinal));
            result.Add(measure);
        }

        return result;
    }

    private static void TakeIntoForce(XElement attributes, Dictionary<(string Name, string? Number), XElement> inForce)
    {
        foreach (var e in attributes.Elements())
            inForce[(e.Name.LocalName, e.Attribute("number")?.Value)] = e;
    }

    private static XElement Measure(ScoreDocument document, PartContent part, int index, bool forEngraving)
    {
        var measure = new XElement("measure", document.MeasureHeads[index].Attributes());
        measure.Add((part.Measures[index]?.Nodes() ?? []).Where(n => !forEngraving || n is XElement { Name.LocalName: not "print" }));
        return measure;
    }

    private static void WriteInForce(XElement measure, Dictionary<(string Name, string? Number), XElement> inForce)
    {
        var first = measure.Elements().FirstOrDefault(e => e.Name.LocalName is "attributes" or "note" or "backup" or "forward");
        var own = first?.Name.LocalName == "attributes" ? first : null;
        var ownKeys = (own?.Elements() ?? []).Select(e => (e.Name.LocalName, e.Attribute("number")?.Value)).ToHashSet();
        var missing = inForce.Where(p => !ownKeys.Contains(p.Key) && AttributeOrder.Contains(p.Key.Name)).Select(p => p.Value);
        var all = (own?.Elements() ?? [])
            .Concat(missing)
            .OrderBy(e => Array.IndexOf(AttributeOrder, e.Name.LocalName))
            .ThenBy(e => e.Attribute("number")?.Value, StringComparer.Ordinal)
            .Select(e => new XElement(e))
            .ToList();
        own?.Remove();
        measure.AddFirst(new XElement("attributes", all));
    }
}
