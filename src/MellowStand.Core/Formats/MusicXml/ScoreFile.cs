using System.IO.Compression;
using System.Xml;
using System.Xml.Linq;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Turns the bytes of a .musicxml, .xml or .mxl file into an XML document, trusting nothing in them.</summary>
/// <remarks>The container of .mxl: MusicXML 4.0, "Compressed .mxl files" (META-INF/container.xml names the root file).</remarks>
public static class ScoreFile
{
    private static readonly (string Sign, string What)[] Declarations =
    [
        ("<!ENTITY", "XML entities"),
        ("<!ATTLIST", "attributes for all elements of a kind"),
    ];

    /// <summary>Reads the file's XML.</summary>
    /// <param name="bytes">The whole file.</param>
    /// <param name="keepWhiteSpace">Keep white space between elements, so that the document can be given back as it came.</param>
    /// <param name="cancelled">Set when nobody waits for it any more.</param>
    /// <exception cref="ScoreFormatException">The file is over a limit, no XML, no archive, or asks for an entity.</exception>
    public static XDocument Load(byte[] bytes, bool keepWhiteSpace = true, CancellationToken cancelled = default) =>
        LoadXml(Unfold(bytes), keepWhiteSpace, cancelled);

    /// <summary>The XML of a file, unpacked where it is packed.</summary>
    /// <exception cref="ScoreFormatException">The file is too large, or no archive that can be unpacked.</exception>
    public static byte[] Unfold(byte[] bytes)
    {
        if (bytes.Length == 0)
            throw new ScoreFormatException("The file is empty. Export the score again as MusicXML and choose that file.");
        if (bytes.Length > ScoreLimits.FileBytes)
            throw new ScoreFormatException(
                $"The file is larger than {ScoreLimits.FileBytes / 1024 / 1024} MB. Export the score without pictures and "
                    + $"sounds, as MusicXML."
            );
        return IsZip(bytes) ? Unpack(bytes) : bytes;
    }

    /// <summary>True when the bytes start like a zip archive.</summary>
    public static bool IsZip(byte[] bytes) => bytes.Length > 3 && bytes[0] == 'P' && bytes[1] == 'K' && bytes[2] <= 8;

    /// <summary>Reads XML that was unfolded already.</summary>
    /// <exception cref="ScoreFormatException">It is over a limit, no XML, or asks for an entity.</exception>
    internal static XDocument LoadXml(byte[] bytes, bool keepWhiteSpace, CancellationToken cancelled)
    {
        try
        {
            RefuseDeclarations(bytes);
            if (XmlGlance.MayBeOver(bytes))
                XmlBounds.Check(new MemoryStream(bytes, writable: false), Settings(keepWhiteSpace: false), cancelled);
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

    // The document type may stand there, as in most real files; what it declares may not: an entity opens other files or grows without
    // end, a default attribute grows with every note.
    private static void RefuseDeclarations(byte[] bytes)
    {
        using var reader = XmlReader.Create(new MemoryStream(bytes, writable: false), Settings(keepWhiteSpace: false));
        var characters = 0L;
        while (reader.Read() && reader.NodeType != XmlNodeType.Element)
        {
            ScoreLimits.Check(characters += reader.Value.Length, ScoreLimits.PrologCharacters, "characters before its first element");
            if (reader.NodeType != XmlNodeType.DocumentType)
                continue;
            foreach (var (sign, what) in Declarations)
                if (reader.Value.Contains(sign, StringComparison.Ordinal))
                    throw new ScoreFormatException(
                        $"The file declares {what} in its first lines, which no score needs. Remove the lines with {sign} and try again."
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
            MaxCharactersInDocument = ScoreLimits.UnpackedBytes,
            CloseInput = true,
        };

    private static byte[] Unpack(byte[] bytes)
    {
        try
        {
            using var zip = new ZipArchive(new MemoryStream(bytes, writable: false), ZipArchiveMode.Read);
            if (zip.Entries.Count > ScoreLimits.PackedFiles)
                throw new ScoreFormatException(
                    $"The archive holds more than {ScoreLimits.PackedFiles} files; a packed score holds a few. Export the score again."
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
            var named = LoadXml(ReadBounded(container), keepWhiteSpace: false, default)
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
        var most = Math.Min(
            ScoreLimits.UnpackedBytes,
            Math.Max(ScoreLimits.FreelyUnpackedBytes, entry.CompressedLength * ScoreLimits.UnpackedRatio)
        );
        var buffer = new byte[81920];
        for (var read = source.Read(buffer); read > 0; read = source.Read(buffer))
        {
            target.Write(buffer, 0, read);
            if (target.Length > most)
                throw new ScoreFormatException(
                    $"The archive unfolds to more than {most / 1024 / 1024} MB ({ScoreLimits.UnpackedRatio} times its packed size, at most "
                        + $"{ScoreLimits.UnpackedBytes / 1024 / 1024} MB), which no score does. Export the score again."
                );
        }

        return target.ToArray();
    }
}
