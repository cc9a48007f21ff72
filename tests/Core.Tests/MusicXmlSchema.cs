using System.Xml;
using System.Xml.Linq;
using System.Xml.Schema;

namespace MellowStand.Core.Tests;

/// <summary>The W3C schema of MusicXML 4.0 in tests/reference/musicxml-4.0.</summary>
internal static class MusicXmlSchema
{
    private static readonly XmlSchemaSet Schema = LoadSchema();

    /// <summary>What the schema finds wrong; empty for a valid document.</summary>
    public static List<string> Problems(XDocument document)
    {
        var problems = new List<string>();
        var plain = new XDocument(document.Root);
        plain.Validate(Schema, (_, e) => problems.Add(e.Message));
        return problems;
    }

    private static XmlSchemaSet LoadSchema()
    {
        var set = new XmlSchemaSet { XmlResolver = null };
        foreach (var name in new[] { "xml.xsd", "xlink.xsd", "musicxml.xsd" })
        {
            using var reader = XmlReader.Create(
                Path.Combine(Reference.Root, "musicxml-4.0", name),
                new XmlReaderSettings { DtdProcessing = DtdProcessing.Ignore }
            );
            set.Add(null, reader);
        }

        set.Compile();
        return set;
    }
}
