using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Instruments;
using MellowStand.Core.Technique;
using MellowStand.Core.Technique.Slide;
using MellowStand.Core.Technique.Valves;

namespace MellowStand.Core.Tests.Technique;

/// <summary>The engine against exhaustive search, against itself at other tempos, and the charts against physics.</summary>
public sealed class SolverTests
{
    public static TheoryData<string> Instruments_ => [.. TechniqueCatalog.Instruments];

    /// <summary>Some 4,000 short random passages over all instruments: no path is cheaper than the one that is told.</summary>
    [Theory]
    [MemberData(nameof(Instruments_))]
    public void No_path_is_cheaper_than_the_one_that_is_told(string id)
    {
        var instrument = Catalog.Find(id)!;
        var technique = TechniqueCatalog.Of(instrument)!.Technique;
        var random = new Random(id.Length * 1009);
        for (var i = 0; i < 110; i++)
        {
            var passage = RandomPassage(random, instrument, 4, 60 + random.Next(100));
            var solution = Solver.Solve(technique, passage);
            Assert.InRange(solution.Cost - Exhaustive(technique, passage), -0.001, 0.001);
            Assert.All(solution.Choices, c => Assert.All(c.Alternatives, a => Assert.True(a.Cost >= solution.Cost - 0.001)));
        }
    }

    [Theory]
    [MemberData(nameof(Instruments_))]
    public void A_faster_tempo_is_never_cheaper(string id)
    {
        var instrument = Catalog.Find(id)!;
        var technique = TechniqueCatalog.Of(instrument)!.Technique;
        for (var seed = 0; seed < 40; seed++)
            Assert.True(
                Solver.Solve(technique, RandomPassage(new Random(seed), instrument, 8, 160)).Cost
                    >= Solver.Solve(technique, RandomPassage(new Random(seed), instrument, 8, 70)).Cost - 1e-6
            );
    }

    [Theory]
    [MemberData(nameof(Instruments_))]
    public void Every_note_of_the_comfortable_range_has_a_fingering(string id)
    {
        var instrument = Catalog.Find(id)!;
        var technique = TechniqueCatalog.Of(instrument)!.Technique;
        for (var midi = instrument.Low.Midi; midi <= instrument.High.Midi; midi++)
        {
            var ways = technique.Ways(Excerpt(instrument, [midi], 96), 0);
            Assert.True(
                ways.Count > 0 && ways.All(w => !w.Why.Contains("not in the chart", StringComparison.Ordinal)),
                $"no way to play {midi}"
            );
        }
    }

    /// <summary>Tube physics: lengths add, equal temperament multiplies. Two valves together are sharp; the figures are those of
    /// 1200·log2.</summary>
    [Theory]
    [InlineData(0b001, 0)]
    [InlineData(0b010, 0)]
    [InlineData(0b100, 0)]
    [InlineData(0b1000, 0)]
    [InlineData(0b011, 10.7)]
    [InlineData(0b110, 16.1)]
    [InlineData(0b101, 30.5)]
    [InlineData(0b111, 53.6)]
    public void Valve_combinations_are_sharp_by_the_length_that_is_missing(int pressed, double cents)
    {
        int[] steps = [2, 1, 3, 5];
        var used = Enumerable.Range(0, 4).Where(v => (pressed & (1 << v)) != 0).ToList();
        var missing = (100 * used.Sum(v => steps[v])) - (1200 * Math.Log2(1 + used.Sum(v => Math.Pow(2, steps[v] / 12.0) - 1)));
        Assert.Equal(missing, ValveIntonation.Cents(pressed), 0.1);
        Assert.Equal(cents, ValveIntonation.Cents(pressed), 1.0);
    }

    /// <summary>Harmonic series: the fifth partial is 13.7 cents flat, the seventh 31.2, the third 2 sharp.</summary>
    [Theory]
    [InlineData(2, 0)]
    [InlineData(3, 2.0)]
    [InlineData(5, -13.7)]
    [InlineData(7, -31.2)]
    [InlineData(11, -48.7)]
    public void Partials_are_where_the_harmonic_series_has_them(int partial, double cents) =>
        Assert.Equal(cents, ValveIntonation.PartialCents(partial), 0.1);

    /// <summary>A slide position lengthens the tube by a half step: position and partial must give the pitch back.</summary>
    [Fact]
    public void Slide_positions_give_their_pitch()
    {
        int[] partials = [0, 12, 19, 24, 28, 31, 34, 36, 38, 40];
        foreach (var midi in Enumerable.Range(40, 32))
        {
            foreach (var way in new SlideTechnique(true).Ways(Excerpt(Catalog.Find("bass-trombone")!, [midi], 96), 0))
            {
                var valve = way.Code.StartsWith('F');
                var position = int.Parse(way.Code.TrimStart('F'), System.Globalization.CultureInfo.InvariantCulture);
                Assert.Contains(midi - ((valve ? 29 : 34) - (position - 1)), partials);
            }
        }
    }

    internal static double Exhaustive(ITechnique technique, Excerpt passage, Func<int, Candidate, bool>? isAllowed = null)
    {
        var all = Enumerable
            .Range(0, passage.Steps.Count)
            .Select(i => technique.Ways(passage, i).Where(w => isAllowed?.Invoke(i, w) ?? true).ToList())
            .ToList();
        double Search(int place, Candidate? before, double cost)
        {
            if (place == passage.Steps.Count)
                return cost;
            var ways = all[place];
            if (ways.Count == 0)
                return Search(place + 1, null, cost);
            return ways.Min(w => Search(place + 1, w, cost + w.Cost + (before is null ? 0 : technique.Change(passage, place, before, w))));
        }

        return Search(0, null, 0);
    }

    internal static Excerpt RandomPassage(Random random, Instrument instrument, int length, double bpm)
    {
        var midi = random.Next(instrument.Low.Midi, instrument.High.Midi + 1);
        var row = new List<int>();
        for (var i = 0; i < length; i++)
        {
            row.Add(midi);
            midi = Math.Clamp(midi + random.Next(-5, 6), instrument.Low.Midi, instrument.High.Midi);
        }

        return Excerpt(instrument, row, bpm);
    }

    internal static Excerpt Excerpt(Instrument instrument, IReadOnlyList<int> written, double bpm, string opening = "")
    {
        string[] names = ["C", "C#", "D", "Eb", "E", "F", "F#", "G", "Ab", "A", "Bb", "B"];
        var t = instrument.Transposition;
        var text =
            $"part \"{instrument.Name}\" transpose:{t.Diatonic},{t.Chromatic},{t.Octaves}\n{opening}meter:4/4 | "
            + string.Join(' ', written.Select(m => $"{names[m % 12]}{(m / 12) - 1}e"));
        var score = ShortFormReader.Score(text);
        return new Excerpt(score, score.Parts[0], 0, 0, House.Default, _ => bpm);
    }
}
