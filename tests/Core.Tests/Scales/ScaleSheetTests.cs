using System.Text;
using System.Xml.Linq;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;
using MellowStand.Core.Scales;
using MellowStand.Core.Technique;

namespace MellowStand.Core.Tests.Scales;

/// <summary>Scales of every instrument as music: valid, in range, read back as written, with a fingering for every note.</summary>
public class ScaleSheetTests
{
    private static readonly string[] Tonics = "C Db D Eb E F F# G Ab A Bb B".Split(' ');

    public static TheoryData<string> Pitched => [.. Catalog.All.Where(ScaleSheet.Has).Select(i => i.Id)];

    public static TheoryData<string> WithTechnique =>
        [.. Catalog.All.Where(i => ScaleSheet.Has(i) && TechniqueCatalog.Instruments.Contains(i.Id)).Select(i => i.Id)];

    [Theory]
    [MemberData(nameof(Pitched))]
    public void Every_scale_of_an_instrument_keeps_its_range_and_is_read_back_as_written(string id)
    {
        var instrument = Catalog.Find(id)!;
        foreach (var level in WrittenRanges.Levels)
        {
            var range = instrument.Ranges.At(level);
            var scales = All(instrument, range).ToList();
            Assert.NotEmpty(scales);
            var document = ScaleSheet.Write("Scales", instrument, scales, Plain("quarters"), House.Default);
            var score = ScoreReader.Read(Encoding.UTF8.GetBytes(document.ToString()));
            Assert.Empty(score.Warnings);
            var notes = score.Parts[0].Notes.Where(n => n.Sounds && !n.IsTieContinuation).ToList();
            Assert.All(notes, n => Assert.True(range.Holds(n.Top!.Value), $"{n.Top} is outside {range.Low} to {range.High}"));
            var expected = scales.SelectMany(s => ScalePitches.Of(s.Wish.Kind, s.Span.Start, s.Span.Octaves));
            Assert.Equal(expected, notes.Select(n => n.Top!.Value));
            Assert.All(notes, n => Assert.Equal(n.Top!.Value.Midi + instrument.Transposition.Semitones, n.TopSounding));
        }
    }

    [Theory]
    [MemberData(nameof(Pitched))]
    public void Every_scale_is_valid_against_the_schema(string id)
    {
        var instrument = Catalog.Find(id)!;
        var scales = All(instrument, instrument.Ranges.At("comfortable")).ToList();
        // Each instrument has two of the rhythms, in turn.
        var turn = Catalog.All.ToList().IndexOf(instrument);
        foreach (var rhythm in ScaleRhythms.All.Where((_, i) => (i + turn) % 4 == 0))
            Assert.Empty(MusicXmlSchema.Problems(ScaleSheet.Write("Scales", instrument, scales, Plain(rhythm.Name), House.Default)));
    }

    [Theory]
    [MemberData(nameof(WithTechnique))]
    public void Every_note_of_every_scale_has_a_fingering(string id)
    {
        var instrument = Catalog.Find(id)!;
        var scales = All(instrument, ScaleRange.Of(instrument, "extreme", House.Default)).ToList();
        var plain = ScaleSheet.Write("Scales", instrument, scales, Plain("eighths"), House.Default);
        var plan = ScaleFingerings.Plan(plain, instrument, House.Default, null)!;
        var missing = Enumerable.Range(0, plan.Excerpt.Steps.Count).Except(plan.Solution.Choices.Select(c => c.Place));
        Assert.Empty(missing.Select(i => plan.Excerpt.Steps[i].Written.ToString()).Distinct());
        var written = ScaleSheet.Write(
            "Scales",
            instrument,
            scales,
            Plain("eighths") with
            {
                Fingerings = ScaleFingering.All,
            },
            House.Default
        );
        Assert.Empty(MusicXmlSchema.Problems(written));
    }

    [Theory]
    [InlineData("contrabass", "extreme", "E2 G4", "four strings have no low C")]
    [InlineData("contrabass", "comfortable", "E2 D4", "")]
    [InlineData("flute", "comfortable", "C4 B♭6", "as the level says")]
    [InlineData("trombone", "extreme", "E2 D5", "pedal notes lie below a gap")]
    [InlineData("piano", "extreme", "A0 C8", "no chart, no limit but the level's")]
    public void What_nobody_has_in_hand_is_not_asked(string id, string level, string range, string _)
    {
        var own = ScaleRange.Of(Catalog.Find(id)!, level, House.Default);
        Assert.Equal(range, $"{own.Low} {own.High}");
    }

    [Fact]
    public void A_low_range_that_hands_have_is_asked()
    {
        var bass = Catalog.Find("contrabass")!;
        var hands = new Hands(new HashSet<string> { "fifth-string" }, []);
        Assert.True(ScaleRange.Of(bass, "extreme", House.Default, hands).Low.Midi < ScaleRange.Of(bass, "extreme", House.Default).Low.Midi);
    }

    [Theory]
    [InlineData("quarters", "1 1 1 1 1 1 1 1 1 1 1 1 1 1 2", "fourteen quarters, then a half to the bar line")]
    [InlineData("eighths", "1/2 1/2 1/2 1/2 1/2 1/2 1/2 1/2 1/2 1/2 1/2 1/2 1/2 1/2 1", "the last is held for a beat")]
    [InlineData("sixteenths", "1/4 1/4 1/4 1/4 1/4 1/4 1/4 1/4 1/4 1/4 1/4 1/4 1/4 1/4 9/2", "half a beat is not held: over the bar line")]
    [InlineData("triplets", "1/3 1/3 1/3 1/3 1/3 1/3 1/3 1/3 1/3 1/3 1/3 1/3 1/3 1/3 10/3", "to the beat, then to the bar line")]
    public void The_last_note_is_held_to_a_bar_line(string rhythm, string lengths, string _)
    {
        var score = Read(Write("clarinet-bb", "major", "C", 1, Plain(rhythm)));
        var notes = score.Parts[0].Notes.Where(n => n.Sounds && !n.IsTieContinuation);
        Assert.Equal(lengths, string.Join(' ', notes.Select(n => n.SoundingDuration)));
        Assert.All(score.Measures, m => Assert.Equal(4, m.Length));
    }

    [Theory]
    [InlineData("C", true, 0, "")]
    [InlineData("Eb", true, -3, "")]
    [InlineData("Eb", false, 0, "flat flat flat flat flat flat flat flat flat flat flat", "signs at the notes, once a measure")]
    public void Signs_stand_in_the_signature_or_at_the_notes(string tonic, bool signature, int fifths, string signs, string _ = "")
    {
        var document = Write("violin", "major", tonic, 1, Plain("eighths") with { HasSignature = signature });
        Assert.Equal(fifths.ToString(), document.Descendants("fifths").First().Value);
        var printed = document.Descendants("accidental").Select(a => a.Value).ToList();
        Assert.Equal(signs.Length == 0, printed.Count == 0);
        Assert.All(printed, p => Assert.Equal("flat", p));
    }

    [Theory]
    [InlineData("separate", 0)]
    [InlineData("slurred", 2)]
    [InlineData("pairs", 7)]
    [InlineData("fours", 4)]
    [InlineData("two-and-two", 4)]
    public void A_scale_of_one_octave_has_its_slurs(string slurring, int slurs)
    {
        var style = Plain("eighths") with { Slurring = ScaleSlurs.Find(slurring)! };
        Assert.Equal(slurs, Read(Write("flute", "major", "F", 1, style)).Parts[0].Slurs.Count);
    }

    [Theory]
    [InlineData("flute", "B", "B", "no transposition, as asked")]
    [InlineData("clarinet-bb", "Bb", "C", "")]
    [InlineData("clarinet-bb", "B", "Db", "five flats before seven sharps")]
    [InlineData("clarinet-bb", "F#", "Ab", "G sharp has eight sharps")]
    [InlineData("alto-sax", "Db", "Bb", "")]
    [InlineData("horn-f", "F#", "Db", "")]
    [InlineData("alto-sax", "E", "Db", "")]
    public void A_concert_tonic_takes_the_simpler_spelling(string instrument, string concert, string written, string _)
    {
        var wish = new ScaleWish(ScaleKinds.Find("major")!, Tonic(concert)) { IsConcert = true };
        Assert.Equal(written, wish.WrittenFor(Catalog.Find(instrument)!).Key);
    }

    [Fact]
    public void A_bass_counts_positions_both_ways()
    {
        var scale = ("contrabass", "major", "G");
        var small = Fingerings("small-steps", scale);
        var six = Fingerings("six", scale);
        Assert.NotEmpty(small);
        Assert.Equal(small.Count, six.Count);
        Assert.NotEqual(small, six);
    }

    private static List<string> Fingerings(string positions, (string Instrument, string Kind, string Tonic) scale)
    {
        var house = House.Default.With("bass-positions", positions);
        var instrument = Catalog.Find(scale.Instrument)!;
        var wish = new ScaleWish(ScaleKinds.Find(scale.Kind)!, Tonic(scale.Tonic));
        var placed = ScaleSheet.Place(wish, instrument, instrument.Ranges.At("extreme"))!;
        var plain = ScaleSheet.Write("Scale", instrument, [placed], Plain("quarters"), house);
        return [.. ScaleFingerings.Plan(plain, instrument, house, null)!.Solution.Choices.Select(c => c.Way.Code)];
    }

    [Theory]
    [InlineData("small-steps", true, "half positions are told")]
    [InlineData("six", false, "six larger ones have no halves")]
    public void A_shift_of_the_hand_is_written_and_read_back(string positions, bool hasHalves, string _)
    {
        var instrument = Catalog.Find("contrabass")!;
        var house = House.Default.With("bass-positions", positions);
        var placed = ScaleSheet.Place(Wish("major", "E"), instrument, ScaleRange.Of(instrument, "extreme", house))!;
        var written = ScaleSheet.Write("E", instrument, [placed], ScaleStyle.Usual, house);
        var numerals = Read(written).Parts[0].Notes.SelectMany(n => n.Marks).Where(m => m.Name == "other-technical").Select(m => m.Value!);
        Assert.Equal(hasHalves, numerals.Any(n => n.Contains('½', StringComparison.Ordinal)));
        Assert.Equal("I", numerals.Last());
        var plain = ScaleSheet.Write("E", instrument, [placed], Plain("quarters"), house);
        Assert.Equal(Codes(plain), Codes(written));
        IEnumerable<string> Codes(XDocument d) =>
            ScaleFingerings.Plan(d, instrument, house, null)!.Solution.Choices.Select(c => c.Way.Code);
    }

    [Theory]
    [InlineData("flute", "F", null, "F4", 2)]
    [InlineData("flute", "F", 1, "F4", 1)]
    [InlineData("trumpet-bb", "G", 3, "G3", 2)]
    [InlineData("violin", "G", null, "G3", 2)]
    [InlineData("piano", "C", 2, "C3", 2)]
    public void A_scale_begins_low_and_has_what_the_range_has(string id, string tonic, int? asked, string start, int octaves)
    {
        var instrument = Catalog.Find(id)!;
        var span = ScaleSpan.Of(Tonic(tonic), instrument.Ranges.At("comfortable"), asked)!;
        Assert.Equal((start, octaves), (span.Start.ToString(), span.Octaves));
    }

    [Theory]
    [InlineData("B", "D4 B5", false, "B4 to B5 fits")]
    [InlineData("C", "D4 B5", true, "C5 has no octave above it, and C4 is too low")]
    public void A_range_without_an_octave_has_no_scale(string tonic, string range, bool isNone, string _)
    {
        var ends = range.Split(' ').Select(Pitch.Parse).ToList();
        Assert.Equal(isNone, ScaleSpan.Of(Tonic(tonic), new WrittenRange(ends[0], ends[1]), null) is null);
    }

    [Theory]
    [InlineData("clarinet-bb", "major", "C F G", "band begins on concert B♭")]
    [InlineData("alto-sax", "major", "G C D", "")]
    [InlineData("violin", "major", "D G A", "open strings ring")]
    [InlineData("tuba", "natural-minor", "G C D", "relative minors of B♭, E♭, F")]
    public void Keys_come_in_the_usual_order(string instrument, string kind, string first, string _)
    {
        var order = KeyOrders.Of(Catalog.Find(instrument)!, ScaleKinds.Find(kind)!);
        Assert.Equal(first, string.Join(' ', order.Take(3).Select(k => k.Written.Key)));
        Assert.Equal(12, order.Select(k => k.Concert.PitchClass).Distinct().Count());
    }

    private static IEnumerable<PlacedScale> All(Instrument instrument, WrittenRange range) =>
        from kind in ScaleKinds.All
        from tonic in Tonics
        let placed = ScaleSheet.Place(new ScaleWish(kind, Tonic(tonic)) { IsConcert = true }, instrument, range)
        where placed is not null
        select placed;

    private static XDocument Write(string instrument, string kind, string tonic, int octaves, ScaleStyle style)
    {
        var own = Catalog.Find(instrument)!;
        var wish = new ScaleWish(ScaleKinds.Find(kind)!, Tonic(tonic)) { Octaves = octaves };
        var placed = ScaleSheet.Place(wish, own, own.Ranges.At("comfortable"))!;
        return ScaleSheet.Write(placed.Title, own, [placed], style, House.Default);
    }

    private static ScaleWish Wish(string kind, string tonic) => new(ScaleKinds.Find(kind)!, Tonic(tonic));

    private static ScaleStyle Plain(string rhythm) =>
        ScaleStyle.Usual with
        {
            Rhythm = ScaleRhythms.Find(rhythm)!,
            Fingerings = ScaleFingering.None,
        };

    private static Score Read(XDocument document) => ScoreReader.Read(Encoding.UTF8.GetBytes(document.ToString()));

    private static ScaleTonic Tonic(string text) => ScaleTonic.TryParse(text, out var tonic) ? tonic : throw new ArgumentException(text);
}
