using System.Globalization;
using System.Xml.Linq;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Tests.Unify;

/// <summary>Doublings made from the reference scores over transpositions.</summary>
internal static class Doubling
{
    private static readonly (int Diatonic, int Chromatic, int Octaves)[] Doublings = [(0, 0, 0), (0, 0, -1), (-1, -2, 0), (-5, -9, 0)];

    /// <summary>The document with its copies: every part on one staff in the untransposed parts of the score, four times: unison, an
    /// octave lower, for a B♭ and for an E♭ instrument.</summary>
    /// <param name="file">A reference score.</param>
    public static (XDocument Document, List<XElement> Copies) Of(string file)
    {
        var document = ScoreDocument.Load(Reference.Bytes(file));
        var root = document.Xml.Root!;
        var copies = new List<XElement>();
        foreach (
            var content in document
                .Parts.Where(p =>
                    p.Measures.OfType<XElement>()
                        .All(m =>
                            !m.Descendants("transpose").Any() && m.Elements("note").All(n => (n.Element("staff")?.Value ?? "1") == "1")
                        )
                )
                .ToList()
        )
        {
            var source = content.Measures.OfType<XElement>().First().Parent!;
            for (var i = 1; i < Doublings.Length; i++)
            {
                var id = $"{content.Id}x{i}";
                root.Element("part-list")!
                    .Add(new XElement("score-part", new XAttribute("id", id), new XElement("part-name", $"Flute {id}")));
                var copy = new XElement(source);
                copy.SetAttributeValue("id", id);
                Transpose(copy, Doublings[i]);
                root.Add(copy);
                copies.Add(copy);
            }
        }

        return (document.Xml, copies);
    }

    private static void Transpose(XElement part, (int Diatonic, int Chromatic, int Octaves) by)
    {
        var transposition = new Transposition(by.Diatonic, by.Chromatic, 0);
        if (by.Chromatic != 0)
        {
            var first = part.Element("measure")!.Element("attributes") ?? new XElement("attributes");
            if (first.Parent is null)
                part.Element("measure")!.AddFirst(first);
            first.Add(new XElement("transpose", new XElement("diatonic", by.Diatonic), new XElement("chromatic", by.Chromatic)));
        }

        foreach (var pitch in part.Descendants("pitch"))
        {
            var alter = decimal.Parse(pitch.Element("alter")?.Value ?? "0", CultureInfo.InvariantCulture);
            var now = new Pitch(
                Enum.Parse<Step>(pitch.Element("step")!.Value),
                alter,
                int.Parse(pitch.Element("octave")!.Value, CultureInfo.InvariantCulture) + by.Octaves
            );
            Write(pitch, by.Chromatic == 0 ? now : transposition.Write(now));
        }
    }

    /// <summary>Writes a pitch into its element.</summary>
    public static void Write(XElement pitch, Pitch p) =>
        pitch.ReplaceNodes(
            new XElement("step", p.Step),
            p.Alter == 0 ? null : new XElement("alter", p.Alter),
            new XElement("octave", p.Octave)
        );
}
