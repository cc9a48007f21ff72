using MellowStand.Core.Assign;
using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Notation;
using MellowStand.Core.Study;
using MellowStand.Core.Tempo;

namespace MellowStand.Core.Tests.Assign;

/// <summary>What the house rules of practice decide: common practice, no published source.</summary>
public sealed class PracticeTests
{
    private const string Marked = "| !p C5q(tr) D5q E5h | !f F5w";

    [Theory]
    [InlineData("first-day", "add-later", "0: with the dynamics, no ornaments yet; 4: add the ornaments")]
    [InlineData("after-notes", "always-in", "0: notes and rhythm first, with the ornaments; 2: add the dynamics")]
    public void Steps_say_what_comes_in_when(string dynamics, string ornaments, string expected)
    {
        var house = House.Default.With("dynamics-start", dynamics).With("ornaments", ornaments);
        var told = Advice(Marked, house, 6).Index().Where(a => a.Item.Length > 0).Select(a => $"{a.Index}: {a.Item}");
        Assert.Equal(expected, string.Join("; ", told));
    }

    [Fact]
    public void Steps_say_nothing_where_there_is_nothing_to_add()
    {
        Assert.All(Advice("| C5q D5q E5h", House.Default, 4), w => Assert.Empty(w));
        Assert.Empty(Advice(Marked, House.Default, 0));
        // A single step has everything in it.
        Assert.Equal("with the dynamics, with the ornaments", Assert.Single(Advice(Marked, House.Default, 1)));
    }

    [Theory]
    [InlineData("hardest-first", "4-7 0-3")]
    [InlineData("from-start", "0-3 4-7")]
    [InlineData("from-end", "4-7 0-3")]
    public void Passages_come_in_the_order_of_the_house(string order, string expected)
    {
        double[] heat = [0.2, 0.2, 0.2, 0.2, 0.7, 0.7, 0.7, 0.7];
        var found = FirstRanges.Of(heat, House.Default.With("chunks", order), 3);
        Assert.Equal(expected, string.Join(' ', found.Select(p => $"{p.From}-{p.To}")));
    }

    [Fact]
    public void Passages_never_overlap_and_easy_measures_are_none()
    {
        double[] heat = [0.9, 0.9, 0.9, 0.9, 0.9, 0.9, 0, 0, 0, 0];
        var found = FirstRanges.Of(heat, House.Default, 5).OrderBy(p => p.From).ToList();
        Assert.All(found.Zip(found.Skip(1)), p => Assert.True(p.First.To < p.Second.From));
        Assert.Empty(FirstRanges.Of([0, 0, 0], House.Default, 3));
        Assert.Empty(FirstRanges.Of([], House.Default, 3));
        Assert.Equal(["hard", "demanding", "moderate", "easy"], new[] { 0.9, 0.4, 0.2, 0.1 }.Select(FirstRanges.Words));
    }

    [Theory]
    [InlineData("fast-as-clean", 108)]
    [InlineData("printed", 96)]
    public void The_goal_of_a_printed_range_is_the_house_s(string answer, double expected)
    {
        var document = ShortFormReader.Document("| tempo:q=96 C5w | D5w");
        document.Descendants("per-minute").Single().Value = "96-108";
        var score = Core.Formats.MusicXml.ScoreReader.Read(Core.Formats.MusicXml.ScoreDocument.Of(document));
        var house = House.Default.With("goal-tempo", answer);
        Assert.Equal(expected, GoalTempo.QuarterBpmAt(new TempoLine(score), house, 1));
        var single = ShortFormReader.Score("| tempo:q=96 C5w");
        Assert.Equal(96, GoalTempo.QuarterBpmAt(new TempoLine(single), house, 0));
    }

    [Fact]
    public void Lines_are_joined_before_the_next_is_begun()
    {
        const string music =
            "tempo:q=96 | C5q D5 E5 F5 | G5q F5 E5 D5 | E5h C5h | D5h. rq | E5q F5 G5 A5 | B5q A5 G5 F5 | G5h E5h | C5h. rq";
        var joined = Advice(music, House.Default.With("chunks", "joined"), 4);
        Assert.Equal(["measures 1–4", "measures 5–8", "", ""], joined);
        MeasureRange[] lines = [new(0, 3), new(4, 7), new(8, 8)];
        Assert.Equal("1-4 5-8 1-8 9-9 1-9", string.Join(' ', JoinedLines.Order(lines).Select(Range)));
        static string Range(MeasureRange r) => $"{r.From + 1}-{r.To + 1}";
    }

    private static IReadOnlyList<string> Advice(string music, House house, int steps)
    {
        var score = ShortFormReader.Score(music);
        return StepAdvice.Of(new StudyContext(score, house), new AddressBook("e", score).OfParts(["P1"], null, null), steps);
    }
}
