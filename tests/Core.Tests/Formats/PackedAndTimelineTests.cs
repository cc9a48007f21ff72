using System.IO.Compression;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Tests.Formats;

public sealed class PackedAndTimelineTests
{
    /// <summary>Source: MusicXML 4.0, "Compressed .mxl files": the media type first and unpacked, a container that names the
    /// score.</summary>
    [Fact]
    public void A_packed_score_has_its_media_type_first_and_is_read_again()
    {
        var plain = ScoreExport.Serialize(ShortFormReader.Document("title: Packed\n| C5q D5q E5q F5q"));
        var packed = PackedScore.Of(plain);
        using var zip = new ZipArchive(new MemoryStream(packed));
        Assert.Equal(["mimetype", "META-INF/container.xml", "score.musicxml"], zip.Entries.Select(e => e.FullName));
        Assert.Equal(zip.Entries[0].Length, zip.Entries[0].CompressedLength);
        Assert.Equal("Packed", ScoreReader.Read(packed).Title);
        Assert.Equal(packed, PackedScore.Of(plain));
    }

    [Theory]
    [InlineData("| {: C5w | D5w :} | E5w", "0 4 8 12 16")]
    [InlineData("| {: C5w | ending:1 D5w :} | ending:2 E5w", "0 4 8 12")]
    [InlineData("meter:3/4 | C5h. | meter:2/4 D5h | E5h", "0 3 5")]
    public void A_performance_starts_each_measure_where_the_one_before_ends(string music, string starts) =>
        Assert.Equal(starts, string.Join(' ', PlayedTimeline.Of(ShortFormReader.Score(music)).Select(p => p.Start)));

    [Fact]
    public void A_range_is_played_with_its_own_repeats_only()
    {
        var score = ShortFormReader.Score("| {: C5w | D5w :} | E5w | F5w");
        Assert.Equal([1, 1, 2], PlayedTimeline.Of(score, 1, 2).Select(p => p.Measure.Index));
    }

    [Theory]
    [InlineData("suite/61a-Lyrics.xml")]
    [InlineData("suite/61b-MultipleLyrics.xml")]
    [InlineData("suite/61d-Lyrics-Melisma.xml")]
    public void Syllables_are_read(string file) =>
        Assert.Contains(ScoreReader.Read(Reference.Bytes(file)).Parts[0].Notes, n => n.Lyrics.Count > 0);

    [Fact]
    public void A_line_above_the_staff_tells_how_far_the_sound_lies_from_the_page()
    {
        var notes = ScoreReader.Read(Reference.Bytes("suite/33d-Spanners-OctaveShifts.xml")).Parts[0].Notes;
        Assert.Contains(notes, n => n.OctaveShift > 0);
        Assert.Contains(notes, n => n.OctaveShift < 0);
        Assert.Equal(0, notes[0].OctaveShift);
    }
}
