using MellowStand.Core.Assign;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.Layers;
using MellowStand.Core.Reading;

namespace MellowStand.Core.Tests.Assign;

/// <summary>Passages from form and heat: common practice, no published source.</summary>
public sealed class CutTests(ITestOutputHelper output)
{
    private static Layer Read(byte[] file)
    {
        var edition = Edition.Read(file);
        return Layer.Of(
            edition,
            new Knowledge(edition.Printed, School.None, new Dictionary<string, string>(), new Dictionary<string, string>()),
            []
        );
    }

    [Theory]
    [MemberData(nameof(Reference.Scores), MemberType = typeof(Reference))]
    public void Every_measure_that_is_played_lies_in_a_passage_and_none_is_too_long(string score)
    {
        var layer = Read(Reference.Bytes(score));
        foreach (var longest in new[] { 5, 16 })
        {
            var parts = layer.Current.Parts.Select(p => p.Id).ToList();
            var all = new MeasureRange(0, layer.Current.Measures.Count - 1);
            var cut = Cutter.Cut(layer.Study, layer.Heat, layer.CurrentLines, new CutRequest(parts, all, longest));
            foreach (var part in layer.Current.Parts)
                foreach (var measure in part.Measures.Where(m => m.Notes.Any(n => n.Sounds && !n.IsCue)))
                    Assert.Contains(cut, c => c.Parts.Contains(part.Id) && c.Range.Holds(measure.Index));
            Assert.All(cut, c => Assert.InRange(c.Range.Length, 1, longest));
            Assert.All(cut, c => Assert.InRange(c.Minutes, 1, 240));
            Assert.Equal(cut.OrderBy(c => c.Range.From).Select(c => c.Range.From), cut.Select(c => c.Range.From));
            if (longest == 16)
                output.WriteLine(
                    $"{score}: {cut.Count} passages, {cut.Count(c => c.Range.Length < 4)} short, "
                        + $"{cut.Count(c => c.Parts.Count > 1)} shared, {cut.Count(c => c.Same.Count > 0)} return; "
                        + $"{string.Join(" | ", cut.Take(4).Select(c => $"{c.Range.From}-{c.Range.To} {c.Minutes} min {c.Why}"))}"
                );
        }
    }

    /// <summary>Sections of more than two measures, as the reference scores print them (double bars, repeats, letters, keys, tempos): at
    /// least nine in ten are parted, and a passage is not shorter for it than four measures in the middle.</summary>
    [Fact]
    public void Printed_sections_are_parted()
    {
        var (parted, all, measures, passages) = (0, 0, 0, 0);
        foreach (var file in Reference.Files("scores"))
        {
            var layer = Read(Reference.Bytes(file));
            foreach (var part in layer.Current.Parts)
            {
                var whole = new MeasureRange(0, layer.Current.Measures.Count - 1);
                var cut = Cutter.Cut(layer.Study, layer.Heat, layer.CurrentLines, new CutRequest([part.Id], whole, 8));
                var begins = Sections.Of(layer.Study, part).Where(s => s.To - s.From > 1).Skip(1).Select(s => s.From).ToList();
                var played = begins.Where(m => cut.Any(c => c.Range.To >= m) && cut.Any(c => c.Range.From < m)).ToList();
                all += played.Count;
                parted += played.Count(m => !cut.Any(c => c.Range.From < m - 1 && c.Range.To >= m));
                measures += cut.Sum(c => c.Range.Length);
                passages += cut.Count;
            }
        }

        output.WriteLine($"{parted} of {all} sections parted, {(double)measures / passages:0.0} measures a passage");
        Assert.True(all >= 20 && parted >= 0.9 * all, $"{parted} of {all}");
        Assert.True(measures >= 4 * passages, $"{measures} measures in {passages} passages");
    }

    private const string Quiet = "C5q D5q E5q F5q | G5h E5h | F5q E5q D5q C5q | D5w";
    private const string Busy =
        "C5t C#5t D5t D#5t E5t F5t F#5t G5t G#5t A5t A#5t B5t C6t B5t A#5t A5t G#5t G5t F#5t F5t E5t D#5t D5t C#5t C5t "
        + "D5t E5t F#5t G#5t F#5t E5t D5t";

    [Fact]
    public void Letters_are_boundaries()
    {
        var cut = Cut($"part \"Flute\"\nmeter:4/4 tempo:q=90 | {Quiet} | G5q A5q B5q C6q | D6w | reh:A {Quiet} | G5h G5h | C5w");
        Assert.Contains(cut, c => c.Range.From == 6 && c.Why.StartsWith("Begins in 7 with letter A", StringComparison.Ordinal));
        Assert.DoesNotContain(cut, c => c.Range.From < 6 && c.Range.To > 5);
    }

    [Fact]
    public void A_hard_stretch_is_short_and_takes_longer()
    {
        const string easy =
            "C5h D5h | E5h F5h | G5h F5h | E5w | D5h E5h | F5h G5h | A5h F5h | D5w | E5h G5h | F5h A5h | G5h B5h | C6w "
            + "| B5h A5h | G5h E5h | F5h D5h | C5w";
        var hard = string.Join(" | ", Enumerable.Range(0, 16).Select(_ => Busy));
        var (a, b) = (Cut($"part \"Flute\"\nmeter:4/4 tempo:q=90 | {easy}"), Cut($"part \"Flute\"\nmeter:4/4 tempo:q=90 | {hard}"));
        Assert.True(b.Average(c => c.Range.Length) < a.Average(c => c.Range.Length));
        Assert.True(b[0].Minutes / (double)b[0].Range.Length > 2 * a[0].Minutes / (double)a[0].Range.Length);
    }

    [Fact]
    public void What_returns_is_learnt_once_and_then_only_its_difference()
    {
        var middle = "A5q G5q A5q B5q | C6h A5h | B5q A5q G5q F5q | G5w";
        var cut = Cut($"part \"Flute\"\nmeter:4/4 tempo:q=90 | reh:A {Quiet} | reh:B {middle} | reh:C {Quiet} | {middle}");
        var first = cut.First(c => c.Range.From == 0);
        Assert.Contains(first.Same, r => r.From == 8);
        var again = cut.Where(c => c.Range.From >= 8).ToList();
        Assert.All(again, c => Assert.Contains("learnt there", c.Why, StringComparison.Ordinal));
        Assert.True(again.Sum(c => c.Minutes) < first.Minutes);
    }

    [Fact]
    public void Who_shares_the_line_has_one_passage()
    {
        var cut = Cut(
            $"part \"Flute\"\nmeter:4/4 tempo:q=90 | {Quiet} | {Quiet}\npart \"Oboe\"\nmeter:4/4 | {Quiet} | {Quiet}\n"
                + "part \"Bassoon\" clef:F4\nmeter:4/4 | C3w | G2w | C3w | G2w | C3w | G2w | C3w | C3w"
        );
        Assert.Contains(cut, c => c.Parts.SequenceEqual(["P1", "P2"]));
        Assert.Contains(cut, c => c.Parts.SequenceEqual(["P3"]));
    }

    // The phrase begins with an upbeat in measure 4: whoever learns measures 5 to 8 begins there.
    [Fact]
    public void A_phrase_takes_its_pickup_along_and_ends_on_the_next_downbeat()
    {
        var cut = Cut(
            "part \"Flute\"\nmeter:4/4 tempo:q=90 | C5q D5q E5q F5q | G5h E5h | F5q E5q D5q C5q | D5h rq G5q | reh:A C6q "
                + "B5q A5q G5q | A5h F5h | G5q F5q E5q D5q "
                + "| C5h rq G5q | C6w | B5w | A5w | G5w"
        );
        var second = cut.First(c => c.Range.Holds(4) && c.Range.From >= 3);
        Assert.Equal(3, second.Range.From);
        Assert.Contains("pickup", second.Why, StringComparison.Ordinal);
    }

    // Composed for this test: three phrases of four measures, each with its held note at the end.
    private const string Fours =
        "A4q B4 C5 D5 | E5q D5 C5 B4 | C5q E5 D5 B4 | A4w | C5q D5 E5 F5 | G5q F5 E5 D5 | E5q G5 F5 D5 | C5w "
        + "| A4q B4 C5 D5 | E5q F5 E5 D5 | C5q B4 A4 G#4 | A4w";

    [Theory]
    [InlineData(1, "0 1 2 3 4 5 6 7 8 9 10 11")]
    [InlineData(2, "0 2 4 6 8 10")]
    [InlineData(4, "0 4 8")]
    public void The_longest_that_is_asked_is_kept_to_at_the_joints(int longest, string begins) =>
        Assert.Equal(begins, Begins($"part \"Viola\" clef:C3\nmeter:4/4 tempo:q=80 | {Fours}", longest));

    [Fact]
    public void A_small_form_is_cut_at_its_own_joints() =>
        Assert.Subset(
            new HashSet<string> { "0", "4", "8" },
            Begins($"part \"Viola\" clef:C3\nmeter:4/4 tempo:q=80 | {Fours}", 8).Split(' ').ToHashSet()
        );

    [Theory]
    [InlineData("double", "")]
    [InlineData("", "key:Bb")]
    [InlineData("", "tempo:q=120")]
    public void No_passage_goes_over_the_end_of_a_section(string end, string begin) =>
        Assert.Contains(
            "5",
            Begins(
                "part \"Bassoon\" clef:F4\nmeter:4/4 tempo:q=84 | C3q D3 E3 F3 | G3 F3 E3 D3 | E3 F3 G3 A3 | B3 A3 G3 F3 "
                    + $"| E3 D3 C3 D3 {end} | {begin} C3q E3 G3 E3 | D3 F3 A3 F3 | C3 E3 G3 E3 | D3 F3 A3 F3 | E3 D3 C3 D3",
                16
            )
                .Split(' ')
        );

    private static string Begins(string music, int longest) => string.Join(' ', Cut(music, longest).Select(c => c.Range.From));

    [Theory]
    [InlineData(10, 20, 0, 1)]
    [InlineData(60, 20, 0.5, 1)]
    [InlineData(60, 20, 0.5, 1.5)]
    public void Minutes_grow_with_notes_heat_and_pace(int notes, double seconds, double heat, double pace)
    {
        var here = LearningMinutes.Of(notes, seconds, heat, pace);
        Assert.True(LearningMinutes.Of(notes + 60, seconds, heat, pace).Minutes > here.Minutes);
        Assert.True(LearningMinutes.Of(notes, seconds * 2, heat, pace).Minutes > here.Minutes);
        Assert.True(LearningMinutes.Of(notes, seconds, heat + 0.3, pace).Minutes > here.Minutes);
        Assert.True(LearningMinutes.Of(notes, seconds, heat, pace * 1.5).Minutes > here.Minutes);
        Assert.Equal(pace > 1, here.Why.Contains("this school's pace", StringComparison.Ordinal));
    }

    private static IReadOnlyList<CutPassage> Cut(string music, int longest = 16)
    {
        var layer = Read(ScoreExport.Serialize(ShortFormReader.Document(music)));
        return Cutter.Cut(
            layer.Study,
            layer.Heat,
            layer.CurrentLines,
            new CutRequest([.. layer.Current.Parts.Select(p => p.Id)], new MeasureRange(0, layer.Current.Measures.Count - 1), longest)
        );
    }
}
