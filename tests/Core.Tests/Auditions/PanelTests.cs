using MellowStand.Core.Auditions;
using MellowStand.Core.Hear;

namespace MellowStand.Core.Tests.Auditions;

/// <summary>Several listeners, one order. Common practice, no published source; the marks are made up.</summary>
public class PanelTests
{
    private static readonly TestWeight[] Weights = [new("notes", 2), new("rhythm", 1), new("tone", 1)];

    // SplitMix64 from seed 1234567: the numbers that its published reference code prints, from memory of many test suites.
    [Fact]
    public void The_numbers_are_those_of_the_published_generator()
    {
        var state = 1234567ul;
        ulong[] drawn = [DrawnOrder.Next(ref state), DrawnOrder.Next(ref state), DrawnOrder.Next(ref state)];
        Assert.Equal([6457827717110365317ul, 3203168211198807973ul, 9817491932198370423ul], drawn);
    }

    [Fact]
    public void A_seed_draws_the_same_order_again_however_the_list_came()
    {
        var candidates = Enumerable.Range(1, 20).Select(i => (long)i).ToList();
        var drawn = DrawnOrder.Of(41, candidates);
        Assert.Equal(drawn, DrawnOrder.Of(41, candidates.AsEnumerable().Reverse()));
        Assert.Equal(candidates, drawn.Order());
        Assert.NotEqual(drawn, DrawnOrder.Of(42, candidates));
    }

    [Fact]
    public void Every_place_is_as_likely_for_everybody()
    {
        var first = Enumerable.Range(0, 6000).Select(seed => DrawnOrder.Of(seed, [1, 2, 3, 4, 5, 6])[0]).GroupBy(c => c).ToList();
        Assert.Equal(6, first.Count);
        // 1000 expected, standard deviation 29: five of them.
        Assert.All(first, g => Assert.InRange(g.Count(), 1000 - 145, 1000 + 145));
    }

    [Theory]
    [InlineData("5 5 5", "4 4 4", "3 3 3", PanelWay.Mean, 80, "", "the mean of 100, 80 and 60")]
    [InlineData("5 5 5", "4 4 4", "0 0 0", PanelWay.Mean, 60, "", "one ear drags it down")]
    [InlineData("5 5 5", "4 4 4", "0 0 0", PanelWay.Trimmed, 80, "2 0", "the highest and the lowest are left out")]
    [InlineData("5 5 5", "4 4 4", "", PanelWay.Trimmed, 90, "", "two are too few to leave any out")]
    [InlineData("5 4 -", "4 4 4", "3 3 3", PanelWay.Mean, 70, "", "a half-filled sheet does not count yet")]
    [InlineData("5 0 0", "5 0 0", "5 0 0", PanelWay.Mean, 50, "", "notes weigh as much as the rest together")]
    public void Marks_become_one(string a, string b, string c, PanelWay way, double percent, string dropped, string _)
    {
        var score = Panels.Of(Weights, Sheets(a, b, c), way);
        Assert.Equal(percent, score.Percent);
        Assert.Equal(dropped, string.Join(' ', score.Dropped));
    }

    [Fact]
    public void Nobody_heard_is_no_score() => Assert.Null(Panels.Of(Weights, [], PanelWay.Mean).Percent);

    [Theory]
    [InlineData("5 5 5", "4 4 4", "3 3 3", "1 2 3", "", "")]
    [InlineData("4 4 4", "5 3 3", "3 3 3", "2 1 3", "behind by right notes, 4 to 5", "ahead by right notes, 5 to 4")]
    [InlineData("4 5 3", "4 3 5", "3 3 3", "1 2 3", "ahead by rhythm, 5 to 3", "behind by rhythm, 3 to 5")]
    [InlineData("4 4 4", "4 4 4", "3 3 3", "1 1 3", "tied in everything", "tied in everything")]
    public void Ties_are_told_and_broken_by_the_heaviest_criterion(string a, string b, string c, string places, string first, string second)
    {
        var scores = new[] { a, b, c }.Select((m, i) => ((long)i, Panels.Of(Weights, Sheets(m), PanelWay.Mean)));
        var ranked = PanelRanking.Of(Weights, scores).OrderBy(r => r.Candidate).ToList();
        Assert.Equal(places, string.Join(' ', ranked.Select(r => r.Place)));
        Assert.Contains(first, ranked[0].Tie, StringComparison.Ordinal);
        Assert.Contains(second, ranked[1].Tie, StringComparison.Ordinal);
        Assert.Equal("", ranked[2].Tie);
    }

    [Fact]
    public void A_candidate_whom_nobody_heard_has_no_place()
    {
        var ranked = PanelRanking.Of(
            Weights,
            [(1, Panels.Of(Weights, Sheets("5 5 5"), PanelWay.Mean)), (2, Panels.Of(Weights, [], PanelWay.Mean))]
        );
        Assert.Equal([1L], ranked.Select(r => r.Candidate));
    }

    [Fact]
    public void What_was_lost_where_adds_up_to_what_is_missing()
    {
        var scores = new[] { "5 4 2", "3 5 4" }.Select(m => Panels.Of(Weights, Sheets(m), PanelWay.Mean)).ToList();
        var lost = Panels.LostWhere(Weights, scores);
        Assert.Equal(["notes", "tone", "rhythm"], lost.Select(l => l.Criterion));
        Assert.Equal(100 - scores.Average(s => s.Percent!.Value), lost.Sum(l => l.Percent), 1);
    }

    [Theory]
    [InlineData("0.9", 0.9, 0.9)]
    [InlineData("0.9 0.8", 0.7, 0.8)]
    [InlineData("0.5 0.4", 0.0, 0.4)]
    [InlineData("1 1 1", 1.0, 1.0)]
    [InlineData("0.9 ?", 0.0, 0.9)]
    [InlineData("? ?", null, null)]
    public void The_chance_of_all_lies_between_bounds(string chances, double? low, double? high)
    {
        var all = chances.Split(' ').Select(c => c == "?" ? (double?)null : double.Parse(c, null)).ToList();
        var chance = CandidateChances.Of(all);
        Assert.Equal((low, high), (chance.Low, chance.High));
        Assert.Equal(all.Count, chance.Passages);
    }

    [Theory]
    [InlineData(TakeWay.OneTake, true, "one-take", "Say no name", "The take lasts about 3:08")]
    [InlineData(TakeWay.ByPiece, false, "by-piece", "Say name, school", "lyrical etude 2:00, technical etude 1:00")]
    public void A_recording_has_its_list(TakeWay way, bool screened, string line, string names, string length)
    {
        var list = TakeCheckList.Of(way, screened, [new("lyrical etude", 120), new("technical etude", 60)]);
        Assert.Contains(list, l => l.Name == "no-click");
        Assert.Contains(list, l => l.Name == line);
        Assert.Contains(names, list.Single(l => l.Name == "names").Words, StringComparison.Ordinal);
        Assert.Contains(length, list.Single(l => l.Name == "length").Words, StringComparison.Ordinal);
        Assert.Contains("lyrical etude, then technical etude", list.Single(l => l.Name == "order").Words, StringComparison.Ordinal);
    }

    private static IEnumerable<ListenerGrades> Sheets(params string[] sheets) =>
        sheets
            .Select((s, i) => (Marks: s.Split(' ', StringSplitOptions.RemoveEmptyEntries), Listener: i))
            .Where(s => s.Marks.Length > 0)
            .Select(s => new ListenerGrades(
                s.Listener,
                s.Marks.Zip(Weights, (m, w) => (w.Name, Mark: m))
                    .Where(m => m.Mark != "-")
                    .ToDictionary(m => m.Name, m => int.Parse(m.Mark, null))
            ));
}
