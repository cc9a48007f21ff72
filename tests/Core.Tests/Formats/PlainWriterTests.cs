using System.Xml.Linq;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Tests.Formats;

/// <summary>Music that this program makes itself, written and read again. Source of the element names: MusicXML 4.0.</summary>
public sealed class PlainWriterTests
{
    private static readonly Meter FourFour = Meter.Of(4, 4);

    [Theory]
    [InlineData("1", "quarter")]
    [InlineData("3/2", "quarter.")]
    [InlineData("7/4", "quarter..")]
    [InlineData("1/3", "eighth3:2")]
    [InlineData("2/3", "quarter3:2")]
    [InlineData("1/6", "16th3:2")]
    [InlineData("1/5", "16th5:4")]
    [InlineData("5/4", "quarter 16th")] // no single value: tied
    [InlineData("9/2", "whole eighth")]
    [InlineData("10/3", "half. eighth3:2")] // what is left over whole quarters is one tuplet note
    [InlineData("5", "whole quarter")]
    public void A_length_is_printed_in_as_few_values_as_it_takes(string length, string expected)
    {
        Assert.True(Fraction.TryParse(length, out var quarters));
        var notes = Written([new PlainNote([Head("C5")], quarters), PlainNote.Rest(16 - quarters)])
            .TakeWhile(n => n.Element("rest") is null);
        Assert.Equal(expected, string.Join(' ', notes.Select(Value)));
    }

    [Fact]
    public void Values_of_one_note_are_tied_and_sound_once()
    {
        var score = Read([new PlainNote([Head("C5")], new Fraction(5, 4)), PlainNote.Rest(new Fraction(11, 4))]);
        var sounding = SoundingNote.Of(score.Parts[0]).Where(n => n.First.Sounds).ToList();
        Assert.Equal(new Fraction(5, 4), Assert.Single(sounding).Duration);
    }

    [Fact]
    public void An_accidental_is_printed_once_a_measure_and_octave()
    {
        var notes = Written([Quarter("F#5"), Quarter("F#5"), Quarter("F#4"), Quarter("F5")]);
        Assert.Equal(["sharp", "", "sharp", "natural"], notes.Select(n => n.Element("accidental")?.Value ?? ""));
    }

    [Fact]
    public void A_note_that_is_tied_over_prints_no_accidental_and_leaves_none()
    {
        var first = new PlainMeasure(FourFour, KeySignature.None, [Voice([new PlainNote([new PlainHead(Pitch.Parse("F#5"), true)], 4)])]);
        var second = new PlainMeasure(FourFour, KeySignature.None, [Voice([Quarter("F#5"), Quarter("F#5"), Quarter("F5"), Quarter("G5")])]);
        var notes = Notes(PlainWriter.Write(new PlainScore("", [Part(first, second)])));
        Assert.Equal(["sharp", "", "sharp", "natural", ""], notes.Select(n => n.Element("accidental")?.Value ?? ""));
    }

    [Fact]
    public void Beams_stay_inside_the_beat_and_tuplets_have_their_brackets()
    {
        var third = new Fraction(1, 3);
        PlainNote Triplet(string pitch) => new([Head(pitch)], third);
        var notes = Written([
            Eighth("C5"),
            Eighth("D5"),
            Triplet("E5"),
            Triplet("F5"),
            Triplet("G5"),
            Eighth("A5"),
            Quarter("B5"),
            Eighth("C5"),
        ]);
        Assert.Equal(["begin", "end", "begin", "continue", "end", "", "", ""], notes.Select(n => n.Element("beam")?.Value ?? ""));
        var brackets = notes.Select(n => n.Descendants("tuplet").FirstOrDefault()?.Attribute("type")?.Value ?? "");
        Assert.Equal(["", "", "start", "", "stop", "", "", ""], brackets);
    }

    [Theory]
    [InlineData(4, "4/4")]
    [InlineData(2, "2/4")] // a measure that does not hold its meter tells what it holds
    [InlineData(5, "5/4")]
    public void Every_measure_adds_up(int quarters, string expected)
    {
        var score = Read([.. Enumerable.Range(0, quarters).Select(_ => Quarter("C5"))]);
        Assert.Empty(score.Warnings);
        Assert.Equal(expected, score.Measures[0].Meter.ToString());
    }

    [Fact]
    public void A_pickup_is_not_counted_and_keeps_its_meter()
    {
        var pickup = new PlainMeasure(FourFour, KeySignature.None, [Voice([Quarter("G4")])]) { IsImplicit = true };
        var full = new PlainMeasure(FourFour, KeySignature.None, [Voice([new PlainNote([Head("C5")], 4)])]);
        var score = Read(Part(pickup, full));
        Assert.True(score.Measures[0].IsPickup);
        Assert.Equal(["0", "1"], score.Measures.Select(m => m.Label));
        Assert.Empty(score.Warnings);
    }

    [Fact]
    public void Two_voices_two_staves_and_signs_come_back()
    {
        var measure = new PlainMeasure(
            FourFour,
            new KeySignature(-3),
            [
                new PlainVoice(1, [Quarter("C5"), Quarter("D5"), PlainNote.Rest(2)]),
                new PlainVoice(2, [new PlainNote([Head("C3"), Head("G3")], 4)]),
            ]
        )
        {
            Signs =
            [
                new PlainSign(0, PlainSignKind.Dynamic, "mp"),
                new PlainSign(0, PlainSignKind.Crescendo),
                new PlainSign(2, PlainSignKind.HairpinEnd),
            ],
        };
        var document = PlainWriter.Write(new PlainScore("Both Hands", [Part(measure) with { Clefs = ["G2", "F4"] }]));
        Assert.Empty(MusicXmlSchema.Problems(document));
        var part = ScoreReader.Read(ScoreExport.Serialize(document)).Parts[0];
        Assert.Equal(2, part.Staves);
        Assert.Equal(2, part.Notes.Single(n => n.Staff == 2).Heads.Count);
        Assert.Equal(-3, part.Measures[0].Key.Fifths);
        Assert.True(Assert.Single(part.Hairpins).Grows);
        Assert.Contains(part.Directions, d => d is { Kind: DirectionKind.Dynamic, Text: "mp" });
    }

    [Fact]
    public void Slurs_marks_graces_and_words_come_back()
    {
        PlainNote[] notes =
        [
            Quarter("C5") with
            {
                IsGrace = true,
                Length = 0,
                HasSlash = true,
            },
            Quarter("D5") with
            {
                SlurStarts = 1,
                Marks = [new Mark("accent")],
                Lyric = "1",
            },
            Quarter("E5") with
            {
                SlurEnds = 1,
                Marks = [new Mark("tremolo", "2")],
            },
            PlainNote.Rest(2),
        ];
        var part = Read(notes).Parts[0];
        Assert.True(part.Notes[0].IsGrace && part.Notes[0].GraceSlash);
        Assert.Equal(("D5", "E5"), (part.Slurs.Single().From.Top.ToString(), part.Slurs.Single().To.Top.ToString()));
        Assert.True(part.Notes[1].Has("accent") && part.Notes[2].Has("tremolo"));
        Assert.Equal(["1"], part.Notes[1].Lyrics);
    }

    private static PlainHead Head(string pitch) => new(Pitch.Parse(pitch));

    private static PlainNote Quarter(string pitch) => new([Head(pitch)], 1);

    private static PlainNote Eighth(string pitch) => new([Head(pitch)], new Fraction(1, 2));

    private static PlainVoice Voice(IReadOnlyList<PlainNote> notes) => new(1, notes);

    private static PlainPart Part(params PlainMeasure[] measures) => new("Flute", ["G2"], Transposition.None, measures);

    private static string Value(XElement note)
    {
        var tuplet = note.Element("time-modification") is { } t
            ? $"{t.Element("actual-notes")!.Value}:{t.Element("normal-notes")!.Value}"
            : "";
        return note.Element("type")!.Value + new string('.', note.Elements("dot").Count()) + tuplet;
    }

    private static List<XElement> Notes(XDocument document) => [.. document.Descendants("note")];

    private static List<XElement> Written(IReadOnlyList<PlainNote> notes) =>
        Notes(PlainWriter.Write(new PlainScore("", [Part(new PlainMeasure(FourFour, KeySignature.None, [Voice(notes)]))])));

    private static Score Read(IReadOnlyList<PlainNote> notes) => Read(Part(new PlainMeasure(FourFour, KeySignature.None, [Voice(notes)])));

    private static Score Read(PlainPart part)
    {
        var document = PlainWriter.Write(new PlainScore("Piece", [part]));
        Assert.Empty(MusicXmlSchema.Problems(document));
        return ScoreReader.Read(ScoreExport.Serialize(document));
    }
}
