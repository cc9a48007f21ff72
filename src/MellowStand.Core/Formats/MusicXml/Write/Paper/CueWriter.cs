using System.Globalization;
using System.Xml.Linq;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Writes cues into the measures of a cut of one part, in place of its rests.</summary>
/// <remarks>Elements: MusicXML 4.0, "cue" and the attribute "size" of "type".</remarks>
internal static class CueWriter
{
    public static void Write(XElement part, int from, IReadOnlyDictionary<int, CueBar> cues)
    {
        var divisions = 1;
        foreach (var (measure, i) in part.Elements("measure").Select((m, i) => (m, from + i)))
        {
            if (measure.Elements("attributes").Elements("divisions").LastOrDefault()?.Int() is { } d and > 0)
                divisions = d;
            if (cues.TryGetValue(i, out var bar) && Notes(bar, divisions) is { } notes)
                Put(measure, bar, notes);
        }
    }

    private static void Put(XElement measure, CueBar bar, List<XElement> notes)
    {
        var own = measure.Elements().Where(e => e.Name.LocalName is "note" or "backup" or "forward").ToList();
        if (own.Count == 0)
            measure.Add(notes);
        else
            own[0].AddBeforeSelf(notes);
        own.ForEach(e => e.Remove());
        if (bar.From is { Length: > 0 } name)
            notes[0]
                .AddBeforeSelf(
                    new XElement(
                        "direction",
                        new XAttribute("placement", "above"),
                        new XElement("direction-type", new XElement("words", new XAttribute("font-style", "italic"), $"({name})"))
                    )
                );
    }

    // Null where a length is no whole number of the part's own divisions.
    private static List<XElement>? Notes(CueBar bar, int divisions)
    {
        var notes = new List<XElement>();
        foreach (var n in bar.Notes)
        {
            var length = n.Source.Duration * new Fraction(divisions);
            if (length.Denominator != 1)
                return null;
            notes.Add(Note(n, length.Numerator));
        }

        return notes;
    }

    private static XElement Note(CueNote n, long duration)
    {
        var note = new XElement("note", new XElement("cue"));
        note.Add(n.Pitch is { } p ? Pitched(p) : new XElement("rest"));
        note.Add(new XElement("duration", duration), new XElement("voice", "1"));
        note.Add(new XElement("type", new XAttribute("size", "cue"), n.Source.Type!));
        note.Add(Enumerable.Range(0, n.Source.Dots).Select(_ => new XElement("dot")));
        if (n.Sign is { } sign)
            note.Add(new XElement("accidental", sign));
        if (n.Source.Tuplet is { Actual: > 0, Normal: > 0 } t && t.Actual != t.Normal)
            note.Add(new XElement("time-modification", new XElement("actual-notes", t.Actual), new XElement("normal-notes", t.Normal)));
        return note;
    }

    private static XElement Pitched(Pitch p)
    {
        var pitch = new XElement("pitch", new XElement("step", p.Step.ToString()));
        if (p.Alter != 0)
            pitch.Add(new XElement("alter", p.Alter.ToString(CultureInfo.InvariantCulture)));
        pitch.Add(new XElement("octave", p.Octave));
        return pitch;
    }
}
