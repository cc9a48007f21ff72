using MellowStand.Core.HouseRules;
using MellowStand.Core.Instruments;
using MellowStand.Core.Technique;
using MellowStand.Core.Technique.Charts;
using MellowStand.Core.Technique.Trills;

namespace MellowStand.Core.Tests.Technique;

/// <summary>The charts against acoustics, against the engine, and against themselves.</summary>
public sealed class ChartTests
{
    public static TheoryData<string> Charted =>
        [.. TechniqueCatalog.Instruments.Where(i => TechniqueCatalog.Of(Catalog.Find(i))!.Chart is not null)];

    private static readonly string[] Holes = ["1", "2", "3", "4", "5", "6"];

    internal static FingeringChart ChartOf(string id) => TechniqueCatalog.Of(Catalog.Find(id))!.Chart!.Value;

    [Theory]
    [MemberData(nameof(Charted))]
    public void The_chart_holds_every_note_of_the_advanced_range(string id)
    {
        var chart = ChartOf(id);
        var range = Catalog.Find(id)!.Ranges.At("advanced");
        for (var written = range.Low.Midi; written <= range.High.Midi; written++)
            Assert.True(chart.At(written).Count > 0, $"{id} has no fingering for {written}");
    }

    [Theory]
    [MemberData(nameof(Charted))]
    public void Codes_are_unique_in_a_note_and_keys_are_those_of_the_diagram(string id)
    {
        var chart = ChartOf(id);
        foreach (var note in chart.Notes)
        {
            Assert.Equal(note.Fingerings.Count, note.Fingerings.Select(f => f.Code).Distinct().Count());
            if (chart.Kind is "keys" or "valves")
                Assert.All(note.Fingerings, f => Assert.All(f.Keys, k => Assert.Contains(chart.Keys, x => x.Id == k)));
        }

        Assert.NotEmpty(chart.Source);
    }

    /// <summary>Acoustics: in the first register of a tone-hole instrument each step up the plain scale lifts the lowest finger of the
    /// six. Notes are those of the fundamental register (common practice).</summary>
    [Theory]
    [InlineData("flute", "D4 E4 F#4 G4 A4 B4")]
    [InlineData("oboe", "D4 E4 F#4 G4 A4 B4")]
    [InlineData("alto-sax", "D4 E4 F#4 G4 A4 B4")]
    [InlineData("clarinet-bb", "G3 A3 B3 C4 D4 E4")]
    [InlineData("bassoon", "G2 A2 B2 C3 D3 E3")]
    public void The_plain_scale_lifts_one_finger_after_the_other(string id, string scale)
    {
        var chart = ChartOf(id);
        var closed = scale.Split(' ').Select(p => chart.At(Core.Notation.Pitch.Parse(p).Midi)[0].Keys.Count(Holes.Contains)).ToList();
        // F♯ and B are forked or taken with the middle finger on some: never more fingers than the note below, one after the other open.
        Assert.Equal(6, closed[0]);
        Assert.All(
            closed.Zip(closed.Skip(1)),
            pair => Assert.True(pair.Second < pair.First || (pair.Second == pair.First && pair.First == 4))
        );
        Assert.Equal(1, closed[^1]);
    }

    /// <summary>Acoustics: a cone overblows the octave, the clarinet's cylinder the twelfth (the same fingers with the register key).
    /// Source: harmonic series, 2:1 and 3:1.</summary>
    [Theory]
    [InlineData("alto-sax", 62, 73, 12, "O")]
    [InlineData("clarinet-bb", 52, 65, 19, "Reg")]
    public void The_next_register_has_the_same_fingers(string id, int from, int to, int steps, string key)
    {
        var chart = ChartOf(id);
        for (var written = from; written <= to; written++)
            Assert.Equal(
                chart.At(written).Select(f => f.Code + ":" + string.Join(' ', f.Keys.Order())),
                chart.At(written + steps).Select(f => f.Code + ":" + string.Join(' ', f.Keys.Where(k => k != key).Order()))
            );
    }

    /// <summary>Tubes: the length that valves add lowers a partial of the open tube to within a quarter tone of the note. Source: wave on
    /// a tube, f = n·c/2L.</summary>
    [Theory]
    [InlineData("trumpet-bb", 46)]
    [InlineData("trumpet-c", 48)]
    [InlineData("euphonium", 34)]
    [InlineData("tuba", 22)]
    public void Valve_fingerings_sound_their_note(string id, int fundamental)
    {
        double[] lowers = [2, 1, 3, 5];
        var instrument = Catalog.Find(id)!;
        foreach (var note in ChartOf(id).Notes)
        {
            var sounding = note.Written.Midi + instrument.Transposition.Semitones;
            foreach (var f in note.Fingerings)
            {
                var length = 1 + f.Keys.Sum(k => Math.Pow(2, lowers[k[0] - '1'] / 12) - 1);
                var partial = Math.Pow(2, (sounding - fundamental) / 12.0) * length;
                var cents = 1200 * Math.Log2(Math.Round(partial) / partial);
                // Beyond the reach of slides there is nothing else on the instrument.
                if (Math.Abs(f.Cents!.Value) > 60)
                    Assert.Single(note.Fingerings);
                else
                    Assert.Equal(f.Cents!.Value, cents, 1.0);
            }
        }
    }

    [Theory]
    [MemberData(nameof(Charted))]
    public void Every_trill_of_the_common_range_has_an_entry_or_is_called_poor(string id)
    {
        var (chart, instrument) = (ChartOf(id), Catalog.Find(id)!);
        for (var lower = instrument.Low.Midi; lower < instrument.High.Midi - 1; lower++)
        {
            foreach (var step in new[] { 1, 2 })
            {
                var advice = TrillAdvice.Of(chart, lower, lower + step);
                Assert.Contains(advice.Quality, new[] { "good", "fair", "poor" });
                Assert.NotEmpty(advice.How);
                if (advice.Quality == "poor")
                    Assert.Contains(
                        "poor",
                        advice.How == "one of the two notes is not in the chart" ? "poor" : advice.How,
                        StringComparison.Ordinal
                    );
            }
        }
    }

    /// <summary>Common practice, no published source.</summary>
    [Theory]
    [InlineData("flute", "Bb4", "C5", "good", "thumb")] // B♭–C trill with the thumb key
    [InlineData("flute", "A4", "B4", "good", "finger")]
    [InlineData("flute", "C5", "D5", "good", "trill key")]
    [InlineData("clarinet-bb", "A4", "B4", "good", "side keys")]
    [InlineData("clarinet-bb", "D4", "E4", "good", "second finger")]
    [InlineData("oboe", "G4", "A4", "good", "ring finger")]
    [InlineData("alto-sax", "G4", "A4", "good", "ring finger")]
    [InlineData("alto-sax", "Bb3", "B3", "poor", "rolls")]
    [InlineData("trumpet-bb", "G4", "A4", "good", "third valve")] // with the third valve alone
    [InlineData("trumpet-bb", "F4", "G4", "good", "first valve")]
    [InlineData("trombone", "Bb2", "C3", "poor", "slide")]
    [InlineData("trombone", "Bb4", "C5", "fair", "lip trill")] // the eighth and ninth partials
    [InlineData("violin", "E4", "F#4", "good", "D1")]
    [InlineData("cello", "D3", "E3", "good", "D0")]
    public void A_trill_is_fingered_as_players_do(string id, string lower, string upper, string quality, string words)
    {
        var advice = TrillAdvice.Of(ChartOf(id), Core.Notation.Pitch.Parse(lower).Midi, Core.Notation.Pitch.Parse(upper).Midi);
        Assert.True(advice.Quality == quality && advice.How.Contains(words, StringComparison.Ordinal), $"{advice.Quality}: {advice.How}");
    }

    [Fact]
    public void Bass_positions_are_numbered_as_the_house_says()
    {
        var bass = Catalog.Find("contrabass")!;
        FingeringChart With(string rule) => TechniqueCatalog.Of(bass, null, House.Default.With("bass-positions", rule))!.Chart!.Value;
        // C4 written sounds C3: five half steps above the open G, the first finger's third position of many, the second of six.
        Assert.Contains(With("small-steps").At(60), f => f.Code == "G1@3");
        Assert.Contains(With("six").At(60), f => f.Code == "G1@2");
        Assert.Contains(With("small-steps").At(59), f => f.Code == "G1@2.5");
        Assert.Contains(With("small-steps").At(56), f => f.Code == "G1@half");
    }

    [Theory]
    [InlineData("oboe", "left-f", 65, "left")]
    [InlineData("flute", "thumb-b-flat", 70, "thumb")]
    [InlineData("alto-sax", "high-f-sharp", 90, "key")]
    public void Without_the_key_its_fingering_is_not_taken(string id, string option, int written, string code)
    {
        var instrument = Catalog.Find(id)!;
        var without = new Hands(InstrumentOptions.UsualOf(id).Where(o => o != option).ToHashSet(), []);
        string Taken(Hands hands, int before) =>
            Solver
                .Solve(TechniqueCatalog.Of(instrument, hands)!.Technique, SolverTests.Excerpt(instrument, [before, written, before], 96))
                .Choices[1]
                .Way.Code;
        var before = id switch
        {
            "oboe" => 62,
            "flute" => 69,
            _ => 88,
        };
        Assert.NotEqual(code, Taken(without, before));
    }

    [Theory]
    [InlineData("euphonium", "fourth-valve", "4")]
    [InlineData("trombone", "f-attachment", "F")]
    [InlineData("bass-trombone", "second-attachment", "D")]
    [InlineData("horn-f", "b-flat-side", "Bb:")]
    [InlineData("contrabass", "fifth-string", "B")]
    public void Options_change_the_chart(string id, string option, string sign)
    {
        var instrument = Catalog.Find(id)!;
        var usual = InstrumentOptions.UsualOf(id);
        FingeringChart With(bool has) =>
            TechniqueCatalog
                .Of(instrument, new Hands((has ? usual.Append(option) : usual.Where(o => o != option)).ToHashSet(), []))!
                .Chart!.Value;
        bool Has(FingeringChart chart) =>
            chart.Notes.Any(n =>
                n.Fingerings.Any(f =>
                    f.Code.StartsWith(sign, StringComparison.Ordinal)
                    && (id != "euphonium" || f.Code.Contains('4', StringComparison.Ordinal))
                )
            );
        Assert.True(Has(With(true)));
        Assert.False(Has(With(false)));
    }

    [Fact]
    public void Several_players_share_what_all_of_them_have()
    {
        Assert.Equal(["fourth-valve"], InstrumentOptions.Shared("euphonium", []).Order());
        Assert.Empty(InstrumentOptions.Shared("euphonium", [null, new HashSet<string>()]));
        Assert.Equal(
            ["compensating", "fourth-valve"],
            InstrumentOptions.Shared("euphonium", [new HashSet<string> { "fourth-valve", "compensating" }]).Order()
        );
    }

    [Fact]
    public void A_teacher_corrects_the_chart_and_the_engine_follows_at_once()
    {
        var flute = Catalog.Find("flute")!;
        string Taken(params ChartCorrection[] corrections) =>
            Solver
                .Solve(
                    TechniqueCatalog.Of(flute, Hands.Usual("flute") with { Corrections = corrections })!.Technique,
                    SolverTests.Excerpt(flute, [69, 70, 69], 96, "key:F ")
                )
                .Choices[1]
                .Way.Code;
        Assert.Equal("thumb", Taken());
        Assert.Equal("one-and-one", Taken(new ChartCorrection("flute", 70, "thumb", "never", [], "")));
        Assert.Equal("one-and-one", Taken(new ChartCorrection("flute", 70, "thumb", "avoid", [], "")));
        Assert.Equal("lever", Taken(new ChartCorrection("flute", 70, "lever", "usual", [], "")));
        Assert.Equal("own", Taken(new ChartCorrection("flute", 70, "own", "usual", ["Th", "1", "5", "Eb"], "ours")));
        var chart = TechniqueCatalog
            .Of(
                flute,
                Hands.Usual("flute") with
                {
                    Corrections = [new ChartCorrection("flute", 70, "own", "usual", ["Th", "1", "5", "Eb"], "ours")],
                }
            )!
            .Chart!.Value;
        Assert.Equal("own", chart.At(70)[0].Code);
        // A note is never left without a fingering.
        Assert.NotEmpty(
            TechniqueCatalog
                .Of(flute, Hands.Usual("flute") with { Corrections = [new ChartCorrection("flute", 72, "only", "never", [], "")] })!
                .Chart!.Value.At(72)
        );
    }
}
