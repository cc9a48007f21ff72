using System.IO.Compression;
using System.Xml;
using System.Xml.Linq;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Turns the bytes of a .musicxml, .xml or .mxl file into an XML document, trusting nothing in them.</summary>
/// <remarks>The container of .mxl: MusicXML 4.0, "Compressed .mxl files" (META-INF/container.xml names the root file).</remarks>
public static class ScoreFile
{
    /// <summary>The largest file accepted, packed or plain, in bytes.</summary>
    public const int MaxBytes = 32 * 1024 * 1024;

    /// <summary>The most bytes that one packed file may unfold to.</summary>
    public const int MaxUnpackedBytes = 96 * 1024 * 1024;

    private const int MaxEntries = 500;

    /// <summary>Reads the file's XML.</summary>
    /// <param name="bytes">The whole file.</param>
    /// <param name="keepWhiteSpace">Keep white space between elements, so that the document can be given back as it came.</param>
    /// <exception cref="ScoreFormatException">The file is too large, no XML, no archive, or asks for an entity.</exception>
    public static XDocument Load(byte[] bytes, bool keepWhiteSpace = true)
    {
        if (bytes.Length == 0)
            throw new ScoreFormatException("The file is empty. Export the score again as MusicXML and choose that file.");
        if (bytes.Length > MaxBytes)
            throw new ScoreFormatException(
                $"The file is larger than {MaxBytes / 1024 / 1024} MB. Export the score without pictures and sounds, as MusicXML."
            );
        return LoadXml(IsZip(bytes) ? Unpack(bytes) : bytes, keepWhiteSpace);
    }

    /// <summary>True when the bytes start like a zip archive.</summary>
    public static bool IsZip(byte[] bytes) => bytes.Length > 3 && bytes[0] == 'P' && bytes[1] == 'K' && bytes[2] <= 8;

    private static XDocument LoadXml(byte[] bytes, bool keepWhiteSpace)
    {
        try
        {
            RefuseEntities(bytes);
            using var reader = XmlReader.Create(new MemoryStream(bytes, writable: false), Settings(keepWhiteSpace));
            return XDocument.Load(reader, keepWhiteSpace ? LoadOptions.PreserveWhitespace : LoadOptions.None);
        }
        catch (XmlException e)
        {
            throw new ScoreFormatException(
                $"The file is not complete XML: at line {e.LineNumber}, position {e.LinePosition} it cannot be read on. Export "
                    + $"the score again as MusicXML.",
                e
            );
        }
        catch (Exception e) when (e is ArgumentException or IOException)
        {
            throw new ScoreFormatException("The file's characters cannot be decoded. Export the score again as MusicXML in UTF-8.", e);
        }
    }

    // The document type may stand there, as in most real files; what it declares may not.
    private static void RefuseEntities(byte[] bytes)
    {
        using var reader = XmlReader.Create(new MemoryStream(bytes, writable: false), Settings(keepWhiteSpace: false));
        while (reader.Read() && reader.NodeType != XmlNodeType.Element)
        {
            if (reader.NodeType == XmlNodeType.DocumentType && reader.Value.Contains("<!ENTITY", StringComparison.Ordinal))
                throw new ScoreFormatException(
                    "The file declares XML entities in its first lines, which no score needs. Remove the lines with <!ENTITY and try again."
                );
        }
    }

    private static XmlReaderSettings Settings(bool keepWhiteSpace) =>
        new()
        {
            IgnoreWhitespace = !keepWhiteSpace,
            DtdProcessing = DtdProcessing.Parse,
            XmlResolver = null,
            MaxCharactersFromEntities = 1024,
            MaxCharactersInDocument = MaxUnpackedBytes,
            CloseInput = true,
        };

    private static byte[] Unpack(byte[] bytes)
    {
        try
        {
            using var zip = new ZipArchive(new MemoryStream(bytes, writable: false), ZipArchiveMode.Read);
            if (zip.Entries.Count > MaxEntries)
                throw new ScoreFormatException(
                    $"The archive holds more than {MaxEntries} files; a packed score holds a few. Export the score again."
                );
            if (zip.Entries.Any(e => ClimbsOut(e.FullName)))
                throw new ScoreFormatException(
                    "The archive holds a file whose path leaves the archive. Export the score again; this file is not safe to open."
                );
            var root =
                RootFile(zip)
                ?? throw new ScoreFormatException(
                    "The archive holds no score. A packed score has a .musicxml or .xml file inside; export it again."
                );
            return ReadBounded(root);
        }
        catch (Exception e) when (e is InvalidDataException or EndOfStreamException or IOException or NotSupportedException)
        {
            throw new ScoreFormatException("The archive is damaged or cut short and cannot be unpacked. Export the score again.", e);
        }
    }

    private static ZipArchiveEntry? RootFile(ZipArchive zip)
    {
        var container = zip.GetEntry("META-INF/container.xml");
        if (container is not null)
        {
            var named = LoadXml(ReadBounded(container), false)
                .Descendants()
                .FirstOrDefault(e => e.Name.LocalName == "rootfile")
                ?.Attribute("full-path")
                ?.Value;
            if (named is not null && zip.GetEntry(named) is { } entry)
                return entry;
        }

        return zip.Entries.FirstOrDefault(e =>
            !e.FullName.StartsWith("META-INF", StringComparison.OrdinalIgnoreCase)
            && (
                e.Name.EndsWith(".xml", StringComparison.OrdinalIgnoreCase)
                || e.Name.EndsWith(".musicxml", StringComparison.OrdinalIgnoreCase)
            )
        );
    }

    private static bool ClimbsOut(string path) =>
        path.StartsWith('/')
        || path.StartsWith('\\')
        || path.Contains(':', StringComparison.Ordinal)
        || path.Split('/', '\\').Contains("..");

    private static byte[] ReadBounded(ZipArchiveEntry entry)
    {
        using var source = entry.Open();
        using var target = new MemoryStream();
        var buffer = new byte[81920];
        for (var read = source.Read(buffer); read > 0; read = source.Read(buffer))
        {
            target.Write(buffer, 0, read);
            if (target.Length > MaxUnpackedBytes)
                throw new ScoreFormatException(
                    $"The archive unfolds to more than {MaxUnpackedBytes / 1024 / 1024} MB, which no score does. Export the score again."
                );
        }

        return target.ToArray();
    }
}
