using System.IO.Compression;
using System.Text;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Packs MusicXML as a compressed <c>.mxl</c> file.</summary>
/// <remarks>Source: MusicXML 4.0, "Compressed .mxl files": the media type first and unpacked, then the container that names the
/// score.</remarks>
public static class PackedScore
{
    private const string Name = "score.musicxml";

    private const string Container =
        "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<container><rootfiles><rootfile full-path=\""
        + Name
        + "\" media-type=\"application/vnd.recordare.musicxml+xml\"/></rootfiles></container>";

    /// <summary>The archive's bytes.</summary>
    /// <param name="musicXml">The score as plain MusicXML.</param>
    public static byte[] Of(byte[] musicXml)
    {
        using var stream = new MemoryStream();
        using (var zip = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true))
        {
            Add(zip, "mimetype", Encoding.ASCII.GetBytes("application/vnd.recordare.musicxml"), CompressionLevel.NoCompression);
            Add(zip, "META-INF/container.xml", Encoding.UTF8.GetBytes(Container), CompressionLevel.Optimal);
            Add(zip, Name, musicXml, CompressionLevel.Optimal);
        }

        return stream.ToArray();
    }

    private static void Add(ZipArchive zip, string name, byte[] bytes, CompressionLevel level)
    {
        var entry = zip.CreateEntry(name, level);
        // A fixed date: the same score packs to the same bytes.
        entry.LastWriteTime = new DateTimeOffset(2000, 1, 1, 0, 0, 0, TimeSpan.Zero);
        using var target = entry.Open();
        target.Write(bytes);
    }
}
