using System.Globalization;
using System.Xml.Linq;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Gives notes of one measure other lengths: duration, value and dots of each, and of the other heads of its chord.</summary>
/// <remarks>Order of the elements: MusicXML 4.0, type "note". The lengths must fill the same time, so that nothing after them moves; what
/// does not fit is left as printed. Taking the decision back brings the original back.</remarks>
internal static class RhythmWriter
{
    private static readonly string[] AfterType = ["dot", "accidental", .. NoteOrder.AfterAccidental];
    private static readonly string[] AfterDot = ["accidental", .. NoteOrder.AfterAccidental];

    public static void Set(PartIndex part, List<PlacedElement> notes, string text)
    {
        var lengths = new List<Fraction>();
        foreach (var word in text.Split(' '))
            if (Fraction.TryParse(word, out var length))
                lengths.Add(length);
        if (!Fits(notes, lengths))
            return;
        for (var i = 0; i < notes.Count; i++)
            foreach (var head in Heads(notes[i].Element))
                Write(head, notes[i].Length, lengths[i]);
    }

    private static bool Fits(List<PlacedElement> notes, List<Fraction> lengths) =>
        notes.Count == lengths.Count
        && lengths.All(l => Printed(l) is not null)
        && notes.All(n => n.Length > Fraction.Zero && n.Element.Element("time-modification") is null && n.Element.Element("tie") is null)
        && notes.Select(n => n.Length).Aggregate((a, b) => a + b) == lengths.Aggregate((a, b) => a + b)
        && notes.Zip(lengths).All(x => Duration(x.First.Element, x.First.Length, x.Second) is not null);

    // The head that was named and the members of its chord that follow it.
    private static IEnumerable<XElement> Heads(XElement note) =>
        note.ElementsAfterSelf("note").TakeWhile(n => n.Element("chord") is not null).Prepend(note);

    private static void Write(XElement note, Fraction was, Fraction length)
    {
        if (Duration(note, was, length) is not { } duration || Printed(length) is not { } printed)
            return;
        note.Element("duration")!.Value = duration;
        foreach (var old in note.Elements("dot").Concat(note.Elements("beam")).ToList())
            XmlEdit.Remove(old);
        if (note.Element("type") is { } type)
            type.Value = printed.Type;
        else
            XmlEdit.Insert(note, new XElement("type", printed.Type), AfterType);
        for (var i = 0; i < printed.Dots; i++)
            XmlEdit.Insert(note, new XElement("dot"), AfterDot);
    }

    // In the divisions that are in force there; null where they do not allow the length.
    private static string? Duration(XElement note, Fraction was, Fraction length)
    {
        if (note.Element("duration").Exact() is not { } now)
            return null;
        var duration = now / was * length;
        return duration.Denominator == 1 ? duration.Numerator.ToString(CultureInfo.InvariantCulture) : null;
    }

    private static (string Type, int Dots)? Printed(Fraction length)
    {
        foreach (var (type, value) in DirectionReader.Units)
            for (var dots = 0; dots <= 2; dots++)
                if (DirectionReader.Dotted(value, dots) == length)
                    return (type, dots);
        return null;
    }
}
