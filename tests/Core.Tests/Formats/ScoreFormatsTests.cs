using System.IO.Compression;
using System.Text;
using System.Xml.Linq;
using MellowStand.Core.Formats;
using MellowStand.Core.Formats.MusicXml;

namespace MellowStand.Core.Tests.Formats;

/// <summary>A file is known by its bytes, read into one document, and given back from it.</summary>
public sealed class ScoreFormatsTests
{
    private const string Xml =
        "<score-partwise>\n <part-list><score-part id=\"P1\"><part-name>Flute</part-name></score-part></part-list>\n"
        + " <part id=\"P1\">\n  <measure number=\"1\"><note><rest/><duration>4</duration></note></measure>\n </part>\n</score-partwise>";

    [Fact]
    public void A_file_is_known_by_its_bytes()
    {
        Assert.IsType<PlainMusicXml>(ScoreFormats.Of(Encoding.UTF8.GetBytes(Xml)));
        Assert.IsType<PackedMusicXml>(ScoreFormats.Of(Packed()));
        // What no other form knows is refused by the last one in words.
        var refused = Assert.Throws<ScoreFormatException>(() => ScoreFormats.Read("no score at all"u8.ToArray()));
        Assert.EndsWith(".", refused.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void The_last_form_takes_everything_and_names_are_told_apart()
    {
        Assert.True(ScoreFormats.All[^1].Recognises([]));
        Assert.Equal(ScoreFormats.All.Count, ScoreFormats.All.Select(f => f.Name).Distinct().Count());
        Assert.Equal(ScoreFormats.All.Count, ScoreFormats.All.Select(f => f.MediaType).Distinct().Count());
    }

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void What_is_written_into_is_ones_own_and_has_everything_as_it_came(bool packed)
    {
        var source = ScoreFormats.Read(packed ? Packed() : Encoding.UTF8.GetBytes(Xml));
        var own = source.Own();
        Assert.True(XNode.DeepEquals(XDocument.Parse(Xml, LoadOptions.PreserveWhitespace).Root, own.Xml.Root));
        own.Parts[0].Measures[0]!.RemoveNodes();
        Assert.NotEmpty(source.Document.Parts[0].Measures[0]!.Elements("note"));
        Assert.NotEmpty(source.Own().Parts[0].Measures[0]!.Elements("note"));
        Assert.Equal(Encoding.UTF8.GetByteCount(Xml), source.Length);
    }

    private static byte[] Packed()
    {
        using var bytes = new MemoryStream();
        using (var zip = new ZipArchive(bytes, ZipArchiveMode.Create, leaveOpen: true))
        using (var writer = new StreamWriter(zip.CreateEntry("score.musicxml").Open(), new UTF8Encoding(false)))
            writer.Write(Xml);
        return bytes.ToArray();
    }
}
