using System.Text;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.Layers;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Tests.Formats;

/// <summary>All who read a file listen to one walk: what one accepts crashes no other.</summary>
public sealed class OneReadingTests
{
    /// <summary>Files as lenient programs write them; each was read on import and fell at concert pitch before.</summary>
    [Theory]
    [InlineData("<transpose><chromatic>-2.0</chromatic></transpose>", "<pitch><step>D</step><octave>5</octave></pitch>", "C5")]
    [InlineData("<transpose><chromatic>-2</chromatic></transpose>", "<pitch><step> D </step><octave>5</octave></pitch>", "C5")]
    [InlineData("<transpose><diatonic>-1</diatonic><chromatic>-2</chromatic></transpose>", "<pitch><octave>5</octave></pitch>", null)]
    [InlineData("<transpose><diatonic>-1</diatonic><chromatic>-2</chromatic></transpose>", "<pitch><step>D</step></pitch>", null)]
    [InlineData("<key><fifths>two</fifths></key><transpose><chromatic>-2</chromatic></transpose>", "<unpitched/>", null)]
    public void A_lenient_file_is_cut_at_concert_pitch(string attributes, string pitch, string? sounding)
    {
        var edition = Edition.Read(
            Encoding.UTF8.GetBytes(
                "<score-partwise><part-list><score-part id=\"P1\"><part-name>Clarinet</part-name></score-part></part-list><part id=\"P1\">"
                    + $"<measure number=\"1\"><attributes><divisions>1</divisions>{attributes}</attributes>"
                    + $"<note>{pitch}<duration>4</duration></note></measure></part></score-partwise>"
            )
        );
        var layer = Layer.Of(edition, Plain(edition), []);
        var cut = layer.Slice(new AddressBook(edition.Id, layer.Current).Read(null, null, null), concert: true);
        var read = ScoreReader.Read(cut).Parts[0].Notes;
        Assert.Equal(sounding, read.Select(n => n.Top?.ToString()).FirstOrDefault());
    }

    [Fact]
    public void Marks_at_a_tied_on_note_are_kept_with_the_joined_note()
    {
        var part = ShortFormReader.Score("| C5h(>) D5h~ | D5h(f) C5h").Parts[0];
        var joined = SoundingNote.Of(part).Single(n => n.Duration == 4);
        Assert.Contains("fermata", joined.Marks.Select(m => m.Name));
        Assert.Equal(3, SoundingNote.Of(part).Count());
    }

    [Fact]
    public void Heads_that_are_tied_to_each_other_can_be_told_and_hashed()
    {
        var head = ShortFormReader.Score("| C5h~ C5h").Parts[0].Notes[0].Heads[0];
        Assert.NotNull(head.TiedTo);
        Assert.Equal("P1-n1 C5", head.ToString());
        Assert.Equal(head.GetHashCode(), head.GetHashCode());
        Assert.Equal(["P1-n1", "P1-n2"], head.Tied.Select(h => h.Id));
    }

    /// <summary>Every file of the suite (tests/reference/suite): a walk gives each note the moment that the score has.</summary>
    [Theory]
    [MemberData(nameof(Reference.All), MemberType = typeof(Reference))]
    public void A_slice_of_the_whole_reads_as_the_score(string file)
    {
        var edition = Edition.Read(Reference.Bytes(file));
        var layer = Layer.Of(edition, Plain(edition), []);
        var read = ScoreReader.Read(layer.Slice(new AddressBook(edition.Id, layer.Current).Read(null, null, null), concert: false));
        Assert.Equal(Told(edition.Printed), Told(read));
    }

    private static IEnumerable<string> Told(Score score) =>
        score
            .Parts.SelectMany(p => p.Notes)
            .Select(n => $"{n.Onset} {n.Duration} {n.Kind} {string.Join('+', n.Heads.Select(h => h.Sounding))}");

    private static Knowledge Plain(Edition edition) =>
        new(edition.Printed, School.None, new Dictionary<string, string>(), new Dictionary<string, string>());
}
