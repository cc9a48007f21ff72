using System.Xml.Linq;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Splits a part with two players on one staff into a part for each.</summary>
/// <remarks>Where two voices stand, the first keeps the upper and the second the lower one; where one voice stands, chords give their
/// highest note to the first and the rest to the second, and single notes go to both, as "a 2" asks. Common practice, no published
/// source.</remarks>
public static class PartSplit
{
    /// <summary>Why a part cannot be split in two, in a sentence; null when it can.</summary>
    /// <remarks>Two voices on one staff, or chords in a part of an instrument that sounds one note at a time. Common practice, no published
    /// source.</remarks>
    /// <param name="part">The part.</param>
    /// <param name="instrument">Its instrument, or null.</param>
    public static string? Problem(Part part, Instrument? instrument)
    {
        var name = part.Name.Length > 0 ? part.Name : part.Id;
        if (part.Staves > 1)
            return $"{name} stands on two staves and is one player's: it cannot be split.";
        var voices = part.Notes.Where(n => n.Sounds).Select(n => n.Voice).Distinct().Count();
        var chords = part.Notes.Any(n => n.Heads.Count > 1);
        if (voices < 2 && !chords)
            return $"{name} has one voice and no chords: there is nothing to split.";
        return voices < 2 && instrument is { Family: not (Family.Woodwind or Family.Brass) }
            ? $"{name} has chords that one player sounds: there is nothing to split."
            : null;
    }

    /// <summary>The score with the part split: the first player keeps its id, the second gets the id with <c>-2</c>.</summary>
    /// <param name="source">The file as it was read.</param>
    /// <param name="part">Id of the part.</param>
    /// <exception cref="ScoreFormatException">The part is not there, or has more than one staff.</exception>
    public static byte[] Write(ScoreSource source, string part)
    {
        var document = source.Own();
        var content =
            document.Parts.FirstOrDefault(p => p.Id == part) ?? throw new ScoreFormatException($"There is no part {part} to split.");
        if (content.Measures.Any(m => m?.Elements("note").Any(n => PartIndex.StaffOf(n) > 1) ?? false))
            throw new ScoreFormatException("A part on two staves is one player's. Only a part on one staff can be split.");
        if (document.Xml.Root!.Name.LocalName != "score-partwise" || content.FileId is null)
            throw new ScoreFormatException("Only a score written part by part can be split. Export it again as partwise MusicXML.");
        var lower = new Dictionary<XElement, XElement>();
        foreach (var measure in content.Measures.OfType<XElement>())
            lower[measure] = new XElement(measure);
        foreach (var (upperMeasure, lowerMeasure) in lower)
        {
            var voices = VoicesOf(upperMeasure);
            Keep(upperMeasure, voices, first: true);
            Keep(lowerMeasure, voices, first: false);
        }

        var first = content.Measures.OfType<XElement>().First().Parent!;
        first.AddAfterSelf(
            new XElement("part", new XAttribute("id", part + "-2"), content.Measures.OfType<XElement>().Select(m => lower[m]))
        );
        Rename(content, part);
        return ScoreExport.Serialize(document.Xml);
    }

    private static void Rename(PartContent content, string part)
    {
        if (content.Header is not { } header)
            return;
        var second = new XElement(header);
        second.SetAttributeValue("id", part + "-2");
        foreach (var e in second.DescendantsAndSelf().Where(e => e.Attribute("id") is not null && e != second))
            e.SetAttributeValue("id", e.Attribute("id")!.Value + "-2");
        header.AddAfterSelf(second);
        foreach (var (element, number) in new[] { (header, "1"), (second, "2") })
            foreach (var name in element.Elements().Where(e => e.Name.LocalName is "part-name" or "part-abbreviation"))
                name.Value = Numbered(name.Value, number);
    }

    // "Clarinet 1.2." becomes "Clarinet 1" and "Clarinet 2"; a name without a number gets one.
    private static string Numbered(string name, string number)
    {
        var bare = System.Text.RegularExpressions.Regex.Replace(name, @"[\s\d.&,+/]+$", "");
        var desks = System.Text.RegularExpressions.Regex.Matches(name, @"\d+").Select(m => m.Value).ToList();
        return $"{bare} {(desks.Count >= 2 ? desks[number == "1" ? 0 : 1] : number)}";
    }

    private static List<string> VoicesOf(XElement measure) =>
        [.. measure.Elements("note").Where(n => n.Element("rest") is null).Select(VoiceOf).Distinct().Order(StringComparer.Ordinal)];

    private static string VoiceOf(XElement note) => note.Element("voice")?.Value.Trim() ?? "1";

    private static void Keep(XElement measure, List<string> voices, bool first)
    {
        if (voices.Count >= 2)
            KeepVoice(measure, voices, first);
        else
            KeepHeads(measure, first);
    }

    // What another voice played becomes an empty step forward, so that everything stays at its moment.
    private static void KeepVoice(XElement measure, List<string> voices, bool first)
    {
        var mine = first ? voices[0] : voices[1];
        foreach (var note in measure.Elements("note").Where(n => VoiceOf(n) != mine).ToList())
        {
            if (note.Element("chord") is null && note.Element("grace") is null && note.Element("duration") is { } duration)
                note.AddBeforeSelf(new XElement("forward", new XElement("duration", duration.Value)));
            XmlEdit.Remove(note);
        }

        foreach (
            var direction in measure
                .Elements("direction")
                .Where(d => d.Element("voice") is { } v && v.Value.Trim() != mine && voices.Contains(v.Value.Trim()))
                .ToList()
        )
            XmlEdit.Remove(direction);
    }

    private static void KeepHeads(XElement measure, bool first)
    {
        foreach (var chord in Chords(measure).Where(c => c.Count > 1))
        {
            var top = chord.MaxBy(Height)!;
            foreach (var head in chord.Where(h => (h == top) != first))
                XmlEdit.Remove(head);
            // The head that is left must not lean on one that is gone.
            chord.FirstOrDefault(h => h.Parent is not null)?.Element("chord")?.Remove();
        }
    }

    private static List<List<XElement>> Chords(XElement measure)
    {
        var chords = new List<List<XElement>>();
        foreach (var note in measure.Elements("note"))
        {
            if (note.Element("chord") is null || chords.Count == 0)
                chords.Add([]);
            chords[^1].Add(note);
        }

        return chords;
    }

    private static int Height(XElement note) =>
        note.Element("pitch") is { } p
        && Pitch.TryParse($"{p.Element("step")?.Value.Trim()}{p.Element("octave")?.Value.Trim()}", out var pitch)
            ? pitch.Diatonic
            : int.MinValue;
}
