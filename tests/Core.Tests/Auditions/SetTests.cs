using System.Xml.Linq;
using MellowStand.Core.Formats;
using MellowStand.Core.Auditions;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;
using MellowStand.Core.Study;

namespace MellowStand.Core.Tests.Auditions;

/// <summary>What a dropped file is, and how another instrument takes it. Common practice, no published source; the music is made
/// up.</summary>
public class SetTests
{
    private const string Slow = "meter:3/4 tempo:q=60 | C5h D5q | E5h. | D5q C5q D5q | C5h.";
    private const string Quick = "meter:4/4 tempo:q=120 | C5s D5 E5 F5 G5 F5 E5 D5 C5 E5 G5 E5 C5 G4 E4 C4 | C5w";

    [Theory]
    [InlineData("etude-lyrical-flute.musicxml", "Flute", Quick, "flute", "lyrical", true, "the name says so, whatever the music")]
    [InlineData("02 Bass Clarinet TECHNICAL.xml", "Bass Clarinet", Slow, "bass-clarinet", "technical", true, "")]
    [InlineData("tuba_orchestral_excerpt_slow.mxl", "Tuba", Slow, "tuba", "excerpt", true, "an excerpt that is slow")]
    [InlineData("hn scales quick.xml", "Horn in F", Quick, "horn-f", "scales", true, "scales that are quick")]
    [InlineData("no3.xml", "Oboe", Slow, "oboe", "lyrical", false, "only the music speaks")]
    [InlineData("no3.xml", "Oboe", Quick, "oboe", "technical", false, "only the music speaks")]
    [InlineData("flute lyrical.xml", "Trombone", Slow, "trombone", "lyrical", false, "file and part disagree")]
    [InlineData("viola lyrical.xml", "", Slow, "viola", "lyrical", true, "a part without a name")]
    [InlineData("clarinet lyrical.xml", "B♭ Clarinet 1", Slow, "clarinet-bb", "lyrical", true, "the same in other words")]
    public void A_file_is_guessed(string file, string part, string music, string? instrument, string kind, bool sure, string _)
    {
        var guess = EntryGuesses.Of(file, Study($"part \"{part}\"\n{music}"));
        Assert.Equal((instrument, kind, sure), (guess.Instrument?.Id, guess.Kind, guess.IsSure));
    }

    [Fact]
    public void Steps_up_and_down_are_scales()
    {
        var music =
            "part \"Flute\"\nmeter:4/4 | C4q D4 E4 F4 | G4 A4 B4 C5 | B4 A4 G4 F4 | E4 D4 C4h "
            + "| D4q E4 F4 G4 | A4 B4 C5 D5 | C5 B4 A4 G4 | F4 E4 D4h";
        Assert.Equal("scales", EntryGuesses.Of("no7.xml", Study(music)).Kind);
    }

    [Theory]
    [InlineData("clarinet-bb", "bass-clarinet", BorrowReading.Written, "G4 C5", 0, 0, "the same written notes lie well")]
    [InlineData("clarinet-bb", "contra-clarinet", BorrowReading.Written, "G5 A5", -1, 0, "too high: an octave lower")]
    [InlineData("flute", "oboe", BorrowReading.Sounding, "D5 E5", 0, 0, "")]
    [InlineData("flute", "clarinet-bb", BorrowReading.Sounding, "C4 E4", 0, 0, "D4 and F♯4 for the clarinet")]
    [InlineData("oboe", "bassoon", BorrowReading.Sounding, "C5 E5", -1, 0, "an octave lower")]
    [InlineData("flute", "trombone", BorrowReading.Sounding, "C5 A6", -1, 1, "no octave holds both: the nearest of the best")]
    public void An_octave_is_proposed_where_it_helps(
        string lender,
        string borrower,
        BorrowReading reading,
        string notes,
        int octaves,
        int beyond,
        string _
    )
    {
        var plan = Plan(lender, borrower, reading, $"meter:2/4 | {notes.Replace(" ", "q ", StringComparison.Ordinal)}q");
        Assert.Equal((octaves, beyond), (plan.Octaves, plan.Beyond.Count));
    }

    [Fact]
    public void What_lies_out_of_range_is_named_by_its_measure()
    {
        var plan = Plan("flute", "horn-f", BorrowReading.Written, "meter:2/4 | C5q D5q | B3q G6q", octaves: 0);
        Assert.Equal([(1, "G♯6".Replace("♯", "", StringComparison.Ordinal))], plan.Beyond.Select(b => (b.Measure, b.Pitch.ToString())));
        Assert.Contains("1 note lies not in the range of Horn", plan.Why, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("flute", "clarinet-bb", "key:C", 2, "C to D")]
    [InlineData("flute", "alto-sax", "key:Eb", 0, "E♭ to C")]
    [InlineData("clarinet-bb", "flute", "key:D", 0, "D to C")]
    [InlineData("flute", "alto-sax", "key:E", -5, "C♯ would have seven sharps, D♭ has five flats", true)]
    public void The_same_sound_is_written_in_its_own_key(
        string lender,
        string borrower,
        string key,
        int fifths,
        string _,
        bool loose = false
    )
    {
        var text = Text(lender, $"{key} meter:4/4 | C5q E5q G5q C5q | F5h C#5h");
        var (from, to) = (Catalog.Find(lender)!, Catalog.Find(borrower)!);
        var document = ShortFormReader.Document(text);
        var score = ScoreReader.Read(ScoreExport.Serialize(document));
        var plan = Borrowing.Of(score.Parts[0], from, to, to.Ranges.At("extreme"), BorrowReading.Sounding, 0);
        var source = ScoreFormats.Read(ScoreExport.Serialize(document));
        var borrowed = ScoreReader.Read(BorrowedPart.Write(source, score.Parts[0].Id, to, plan.Move));
        Assert.Equal(Sounds(score), Sounds(borrowed));
        Assert.Equal(to.Id, Recognition.Of(borrowed.Parts[0]).Instrument!.Id);
        Assert.True(loose ? Math.Abs(borrowed.Parts[0].Measures[0].Key.Fifths) <= 7 : borrowed.Parts[0].Measures[0].Key.Fifths == fifths);
    }

    [Theory]
    [InlineData("clarinet-bb", "contra-clarinet", 0, -12 * 2 + -2)]
    [InlineData("clarinet-bb", "alto-clarinet", 0, -9)]
    public void The_same_written_notes_sound_elsewhere(string lender, string borrower, int octaves, int semitones)
    {
        var bytes = ScoreExport.Serialize(
            ShortFormReader.Document("title: Lantern Study\n" + Text(lender, "key:F meter:4/4 | !mf C5q(.) E5q[ G5q] Bb4q | F5w(tr)"))
        );
        var to = Catalog.Find(borrower)!;
        var move = new Transposition(0, 0, octaves);
        var printed = ScoreReader.Read(bytes);
        var written = BorrowedPart.Write(ScoreFormats.Read(bytes), printed.Parts[0].Id, to, move);
        var borrowed = ScoreReader.Read(written);
        Assert.Empty(MusicXmlSchema.Problems(XDocument.Load(new MemoryStream(written))));
        Assert.Equal(Pitches(printed), Pitches(borrowed));
        Assert.Equal($"Lantern Study, for {to.Name}", borrowed.Title);
        Assert.Equal(semitones, borrowed.Parts[0].Transposition.Semitones);
        Assert.Equal(to.Id, Recognition.Of(borrowed.Parts[0]).Instrument!.Id);
        Assert.Equal(printed.Parts[0].Notes.SelectMany(n => n.Marks), borrowed.Parts[0].Notes.SelectMany(n => n.Marks));
    }

    // Real scores move as they stand: every sounding note stays (tests/reference/scores).
    [Theory]
    [InlineData("scores/solo-clarinet-and-piano.mxl", "flute")]
    [InlineData("scores/trio-two-violins-bass.xml", "clarinet-bb")]
    [InlineData("scores/hymn-four-parts.mxl", "alto-sax")]
    public void A_real_part_sounds_the_same_for_whoever_borrows_it(string file, string borrower)
    {
        if (!File.Exists(Path.Combine(Reference.Root, file)))
            file = Reference.Files("scores").First(f => f.StartsWith(file.Split('.')[0], StringComparison.Ordinal));
        var bytes = Reference.Bytes(file);
        var score = ScoreReader.Read(bytes);
        var part = score.Parts[0];
        var lender = Catalog.All.First(i => i.Transposition == part.Transposition && i.Clef == "G2");
        var to = Catalog.Find(borrower)!;
        var plan = Borrowing.Of(part, lender, to, to.Ranges.At("extreme"), BorrowReading.Sounding, 0);
        var written = BorrowedPart.Write(ScoreFormats.Read(bytes), part.Id, to, plan.Move);
        var borrowed = ScoreReader.Read(written);
        Assert.Equal(Sounds(score), Sounds(borrowed));
        Assert.Empty(MusicXmlSchema.Problems(XDocument.Load(new MemoryStream(written), LoadOptions.None)));
    }

    private static BorrowPlan Plan(string lender, string borrower, BorrowReading reading, string music, int? octaves = null)
    {
        var to = Catalog.Find(borrower)!;
        var score = ShortFormReader.Score(Text(lender, music));
        return Borrowing.Of(score.Parts[0], Catalog.Find(lender)!, to, to.Ranges.At("comfortable"), reading, octaves);
    }

    private static string Text(string instrument, string music)
    {
        var i = Catalog.Find(instrument)!;
        var t = i.Transposition;
        return $"part \"{i.Name}\" transpose:{t.Diatonic},{t.Chromatic},{t.Octaves}\n{music}";
    }

    private static IEnumerable<int?> Sounds(Score score) =>
        score.Parts[0].Notes.Where(n => n.Sounds).SelectMany(n => n.Heads.Select(h => h.Sounding));

    private static IEnumerable<Pitch?> Pitches(Score score) => score.Parts[0].Notes.Where(n => n.Sounds).Select(n => n.Top);

    private static StudyContext Study(string text) => new(ShortFormReader.Score(text), House.Default);
}
