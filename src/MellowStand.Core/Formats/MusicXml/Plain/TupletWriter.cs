using System.Numerics;
using System.Xml.Linq;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Brackets tuplets: from the first of them to where their lengths add up to plain ones.</summary>
/// <remarks>Source: MusicXML 4.0, element "tuplet".</remarks>
internal static class TupletWriter
{
    public static void Write(IReadOnlyList<(XElement Note, Fraction Length)> notes)
    {
        XElement? first = null;
        var last = first;
        var ratio = "";
        var sum = Fraction.Zero;
        foreach (var (note, length) in notes)
        {
            var own = note.Element("time-modification")?.Value ?? "";
            if (first is not null && own != ratio)
                Close(first, last!);
            if (own != ratio)
                (first, sum) = (null, Fraction.Zero);
            ratio = own;
            if (own.Length == 0)
                continue;
            first ??= note;
            last = note;
            sum += length;
            if (!BitOperations.IsPow2(sum.Denominator))
                continue;
            Close(first, note);
            (first, sum) = (null, Fraction.Zero);
        }

        if (first is not null)
            Close(first, last!);
    }

    private static void Close(XElement first, XElement last)
    {
        if (first == last)
            return;
        Add(first, "start");
        Add(last, "stop");
    }

    private static void Add(XElement note, string type) =>
        NotationWriter.NotationsOf(note).Add(new XElement("tuplet", new XAttribute("type", type), new XAttribute("number", 1)));
}
