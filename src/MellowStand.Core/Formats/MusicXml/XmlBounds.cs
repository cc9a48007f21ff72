using System.Xml;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Counts what a file holds before any of it is kept: a few bytes of XML can make many of memory.</summary>
internal static class XmlBounds
{
    /// <summary>Reads through a file and keeps nothing.</summary>
    /// <exception cref="ScoreFormatException">It holds more than <see cref="ScoreLimits"/> allow.</exception>
    /// <exception cref="XmlException">It is no XML.</exception>
    public static void Check(Stream bytes, XmlReaderSettings settings, CancellationToken cancelled)
    {
        using var reader = XmlReader.Create(bytes, settings);
        var (elements, attributes) = (0L, 0L);
        while (reader.Read())
        {
            if (reader.NodeType != XmlNodeType.Element)
                continue;
            cancelled.ThrowIfCancellationRequested();
            ScoreLimits.Check(++elements, ScoreLimits.Elements, "XML elements");
            ScoreLimits.Check(attributes += reader.AttributeCount, ScoreLimits.Attributes, "XML attributes");
            ScoreLimits.Check(reader.Depth, ScoreLimits.Depth, "elements inside each other");
        }
    }
}
