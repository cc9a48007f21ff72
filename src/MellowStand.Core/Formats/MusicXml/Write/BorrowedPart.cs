using System.Xml.Linq;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Writes a part for another instrument, everything else as it stands.</summary>
public static class BorrowedPart
{
    private static readonly string[] AfterTranspose = ["for-part", "directive", "measure-style"];

    /// <summary>The part alone, named and transposed for the borrower.</summary>
    /// <param name="source">The lender's file as it was read.</param>
    /// <param name="part">Id of the part in it.</param>
    /// <param name="borrower">The borrower.</param>
    /// <param name="move">From the lender's written notes to the borrower's.</param>
    /// <exception cref="ScoreFormatException">The part is not there.</exception>
    public static byte[] Write(ScoreSource source, string part, Instrument borrower, Transposition move)
    {
        var alone = ScoreExport.Write(source, [], new ExportRange(Parts: [part]));
        var document = ScoreFile.Load(alone, keepWhiteSpace: true);
        var content = document.Root?.Elements("part").FirstOrDefault();
        if (content?.Elements("measure").FirstOrDefault() is not { } first)
            throw new ScoreFormatException($"There is no part {part} to borrow. Load the set again.");
        MovedPart.Rewrite(content, _ => move);
        if (move != Transposition.None)
            Clef(content, borrower);
        Transpose(first, borrower.Transposition);
        Name(document.Root!, borrower);
        return ScoreExport.Serialize(document);
    }

    // What is written elsewhere stands in the borrower's clef; the same written notes keep the one that they are printed in.
    private static void Clef(XElement part, Instrument borrower)
    {
        if (borrower.Clef == "percussion")
            return;
        foreach (var clef in part.Descendants("clef").ToList())
            clef.ReplaceNodes(new XElement("sign", borrower.Clef[..1]), new XElement("line", borrower.Clef[1..2]));
    }

    private static void Transpose(XElement measure, Transposition by)
    {
        if (by == Transposition.None)
            return;
        if (measure.Element("attributes") is not { } attributes)
            measure.AddFirst(attributes = new XElement("attributes"));
        var transpose = new XElement("transpose", new XElement("diatonic", by.Diatonic), new XElement("chromatic", by.Chromatic));
        if (by.Octaves != 0)
            transpose.Add(new XElement("octave-change", by.Octaves));
        XmlEdit.Insert(attributes, transpose, AfterTranspose);
    }

    private static void Name(XElement root, Instrument borrower)
    {
        // Two pieces of one title could not be told apart on the shelf.
        foreach (var title in root.Elements("work").Elements("work-title").Concat(root.Elements("movement-title")))
            if (title.Value.Length > 0)
                title.Value = $"{title.Value}, for {borrower.Name}";
        foreach (var head in root.Elements("part-list").Elements("score-part"))
        {
            head.Elements()
                .Where(e => e.Name.LocalName is not ("part-name" or "identification" or "part-link"))
                .ToList()
                .ForEach(XmlEdit.Remove);
            head.SetElementValue("part-name", borrower.Name);
        }
    }
}
