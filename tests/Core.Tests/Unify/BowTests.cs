using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Notation;
using MellowStand.Core.Unify;
using MellowStand.Core.Unify.Bows;

namespace MellowStand.Core.Tests.Unify;

/// <summary>Bowing: down on the strong beat, up on the pickup, hooks and retakes, swells, accents, lines that match. Common practice, no
/// published source.</summary>
public sealed class BowTests
{
    private const string Violin = "part \"Violin\"\ntempo:q=96 ";

    [Theory]
    [InlineData("| C5q D5 E5 F5 | G5 F5 E5 D5", "dudu dudu")] // down on the strong beat
    [InlineData("pickup | G4q | C5q D5 E5 F5 | G5w", "u dudu d")] // up on the pickup
    [InlineData("pickup | G4e A4e | C5q D5 E5 F5 | G5w", "du dudu d")] // two of them: the bar line still gets the down-bow
    [InlineData("| C5q[ D5] E5 F5 | G5w", "duu d")] // a slur is one stroke; of three strokes the last two share a bow
    [InlineData("meter:3/4 | C5q D5 E5 | F5 E5 D5 | C5h.", "dud udu d")]
    [InlineData("| C5h D5q rq | E5w", "du d")] // a retake in the rest is not needed
    [InlineData("| C5q D5 E5 r | F5 E5 D5 r | C5w", "dud dud d")] // odd counts before a rest: retake
    [InlineData("| C5q(>) r D5q(>) r | E5w", "dd d")] // every accent wants the frog
    [InlineData("| C5q D5 E5 F5(u) | G5w", "dudu d")] // what is printed stands
    [InlineData("| C5q(u) D5 E5 F5 | G5w(d)", "uddu d")] // fixed points at both ends: the middle gives way
    public void Directions(string music, string expected)
    {
        var plan = Plan(Violin + music)[0];
        Assert.Equal(expected, Words(plan));
    }

    [Fact]
    public void A_dotted_figure_is_hooked()
    {
        var plan = Plan(Violin + "| C5e. D5s E5e. F5s G5e. F5s E5e. D5s | C5w")[0];
        Assert.All(plan.Choices.Where((_, i) => i % 2 == 1 && i < 8), c => Assert.NotEqual(BowJoin.Retake, c.Join));
        Assert.Equal(BowDirection.Down, plan.Choices[^1].Direction);
    }

    [Fact]
    public void After_an_odd_count_two_notes_share_a_bow_or_the_bar_line_is_up()
    {
        // Three quarters and a down-bow asked by the accent: two of the three must share a bow.
        var plan = Plan(Violin + "meter:3/4 | C5q(d) D5 E5 | F5q(d) E5 D5 | C5h.(d)")[0];
        Assert.Equal(2, plan.Choices.Count(c => c.Join == BowJoin.Hook));
        Assert.Contains(plan.Choices, c => c.Costs.Any(x => x.Name == "hooked"));
    }

    [Fact]
    public void A_rest_is_used_to_retake()
    {
        var plan = Plan(Violin + "| C5q D5 E5 r | F5 E5 D5 r | C5w")[0];
        Assert.Equal(
            [BowJoin.Turn, BowJoin.Turn, BowJoin.Turn, BowJoin.Retake, BowJoin.Turn, BowJoin.Turn, BowJoin.Retake],
            plan.Choices.Select(c => c.Join)
        );
        Assert.All(plan.Choices.Where(c => c.Join == BowJoin.Retake), c => Assert.Equal(BowDirection.Down, c.Direction));
    }

    [Fact]
    public void A_crescendo_likes_an_up_bow_and_the_last_chord_a_down_bow()
    {
        var plan = Plan(Violin + "| !p !< C5w | !/ !f D5w")[0];
        Assert.Equal("u d", Words(plan));
    }

    [Fact]
    public void Plucked_notes_are_not_bowed()
    {
        var plan = Plan(Violin + "| \"pizz.\" C5q D5 E5 F5 | \"arco\" G5w")[0];
        Assert.Single(plan.Choices);
        Assert.Equal(1, plan.Choices[0].Stroke.First.MeasureIndex);
    }

    [Fact]
    public void Sections_with_the_same_line_bow_the_same_way()
    {
        var plans = Plan(
            "part \"Violin 1\"\ntempo:q=96 | C5q(u) D5 E5 F5 | G5 F5 E5 D5 | C5w\npart \"Violin 2\"\n| C5q D5 E5 F5 | G5 F5 E5 D5 | C5w"
        );
        Assert.Equal(Words(plans[0]), Words(plans[1]));
        Assert.StartsWith("u", Words(plans[1]), StringComparison.Ordinal);
    }

    [Fact]
    public void Only_what_a_player_would_not_do_by_default_is_marked()
    {
        var plan = Plan(Violin + "| C5q D5 E5 F5 | G5 F5 E5 D5 | C5q D5 E5 F5")[0];
        Assert.Equal([0], plan.Choices.Select((c, i) => (c.Marked, i)).Where(x => x.Marked).Select(x => x.i));
    }

    [Fact]
    public void The_other_direction_always_costs_more_or_as_much()
    {
        var plan = Plan(Violin + "pickup | G4q | C5e D5 E5q[ F5] G5 | A5q. G5e F5h | !< E5h D5h | !/ C5w")[0];
        Assert.All(plan.Choices, c => Assert.True(c.OtherCost >= 0));
    }

    [Theory]
    [InlineData("| !p C5q D5 E5[ F5] | G5q.[ A5e] B5h", false)] // a soft ending dies away on either bow
    [InlineData("| !f C5q D5 E5[ F5] | G5q.[ A5e] B5h", true)]
    public void Only_a_weighty_ending_asks_for_a_down_bow(string music, bool asks)
    {
        var last = Plan(Violin + music)[0].Choices[^1];
        Assert.Equal(asks, last.Costs.Concat(last.Against).Any(c => c.Name == "up on the last chord"));
    }

    [Fact]
    public void A_dotted_figure_is_hooked_and_the_words_say_so()
    {
        var plan = Plan(Violin + "| C5e. D5s E5e. F5s G5e. F5s E5e. D5s | C5w")[0];
        Assert.All(Enumerable.Range(0, 4), i => Assert.Equal(BowJoin.Hook, plan.Choices[(2 * i) + 1].Join));
        Assert.Equal("dduudduu", Words(plan).Split(' ')[0]);
    }

    [Fact]
    public void What_puts_the_count_right_stands_just_before_the_strong_beat()
    {
        var plan = Plan(Violin + "meter:3/4 | C5q(d) D5q E5q | F5h.(d)")[0];
        Assert.Equal(BowJoin.Hook, plan.Choices[2].Join);
        Assert.All(plan.Choices.Take(2), c => Assert.Equal(BowJoin.Turn, c.Join));
    }

    [Fact]
    public void A_second_bowing_turns_the_first_free_stroke_and_the_rest_follows()
    {
        var score = ShortFormReader.Score(Violin + "| C5q D5 E5 F5 | G5 F5 E5 D5 | C5w");
        var first = Plan(Violin + "| C5q D5 E5 F5 | G5 F5 E5 D5 | C5w")[0];
        var second = BowDesk.Second(score, score.Parts[0], first, _ => true);
        Assert.NotEqual(first.Choices[0].Direction, second.Choices[0].Direction);
        Assert.True(second.Choices[0].Marked);
        Assert.True(second.Cost >= first.Cost);
    }

    [Fact]
    public void Where_on_the_bow_is_told_in_words()
    {
        var spends = BowSpending.Of(Plan("part \"Violin\"\ntempo:q=60 | !mf C5h. D5q | E5h. F5q")[0], House.Default);
        Assert.StartsWith("from the frog to", BowWords.Of(spends[0]), StringComparison.Ordinal);
        Assert.Contains("light, quick return", spends[1].Advice, StringComparison.Ordinal);
        Assert.DoesNotContain(spends, s => BowWords.Of(s).Any(char.IsDigit));
    }

    // Exhaustive search over every way of bowing a short passage: 300 passages of a known seed.
    [Fact]
    public void No_way_of_bowing_is_cheaper()
    {
        var random = new Random(41107);
        for (var round = 0; round < 300; round++)
        {
            var score = ShortFormReader.Score(Violin + RandomMusic(random));
            var part = score.Parts[0];
            var context = new UnifyContext(score, House.Default);
            var strokes = StrokeReader.Of(context, part, _ => 96);
            if (strokes.Count is 0 or > 12)
                continue;
            var plan = BowDesk.Solve(score, part, strokes, new Dictionary<string, BowDirection>());
            var costs = new BowCosts(score, part, strokes, new Dictionary<string, BowDirection>());
            var least = Enumerable
                .Range(0, 1 << strokes.Count)
                .Min(way => CostOf(costs, strokes.Count, i => (way >> i & 1) == 0 ? BowDirection.Down : BowDirection.Up));
            Assert.Equal(least, plan.Cost, 4);
            Assert.Equal(plan.Cost, CostOf(costs, strokes.Count, i => plan.Choices[i].Direction), 4);
            for (var k = 0; k < strokes.Count; k++)
            {
                var place = k;
                var other = Enumerable
                    .Range(0, 1 << strokes.Count)
                    .Where(way => (way >> place & 1) != (plan.Choices[place].Direction == BowDirection.Down ? 0 : 1))
                    .Min(way => CostOf(costs, strokes.Count, i => (way >> i & 1) == 0 ? BowDirection.Down : BowDirection.Up));
                Assert.Equal(other - least, plan.Choices[k].OtherCost, 2);
            }
        }
    }

    [Fact]
    public void Three_beats_out_and_one_back_pile_up()
    {
        var plan = Plan("part \"Violin\"\ntempo:q=60 meter:4/4 | !mf C5h. D5e[ E5e] | F5h. E5e[ D5e] | C5h. D5e[ E5e] | C5w")[0];
        var spends = BowSpending.Of(plan, House.Default);
        var trouble = spends.First(s => s.Trouble is not null);
        Assert.Contains(trouble.Trouble, new[] { "piles-up", "runs-out" });
        Assert.Equal(2, trouble.Choice.Stroke.First.MeasureIndex);
        Assert.NotEmpty(trouble.Advice);
    }

    [Fact]
    public void Even_strokes_never_run_out()
    {
        var spends = BowSpending.Of(Plan(Violin + "| C5q D5 E5 F5 | G5 F5 E5 D5 | C5q D5 E5 F5")[0], House.Default);
        Assert.All(spends, s => Assert.Null(s.Trouble));
        Assert.All(spends, s => Assert.InRange(s.To, 0, 1));
    }

    [Theory]
    [InlineData("pp", false)] // softly a bow lasts
    [InlineData("ff", true)]
    public void A_whole_note_at_a_slow_tempo_depends_on_the_level(string level, bool runsOut)
    {
        var spends = BowSpending.Of(Plan($"part \"Violin\"\ntempo:q=52 | !{level} C5w | D5w")[0], House.Default);
        Assert.Equal(runsOut, spends[0].Trouble is not null);
    }

    private static double CostOf(BowCosts costs, int count, Func<int, BowDirection> way) =>
        Enumerable
            .Range(0, count)
            .Sum(i => costs.Own(i, way(i)).Sum(c => c.Cost) + (i == 0 ? 0 : costs.Join(i, way(i - 1), way(i))?.Cost ?? 0));

    private static string RandomMusic(Random random)
    {
        string[] figures = ["C5q", "D5e E5e", "E5q[ F5q]", "G5q.(>) A5e", "rq", "F5e. G5s", "A5h", "!< G5h !/", "C5q(u)", "E5q(d)"];
        var measures = Enumerable
            .Range(0, 1 + random.Next(2))
            .Select(_ => string.Join(' ', Enumerable.Range(0, 2 + random.Next(3)).Select(_ => figures[random.Next(figures.Length)])));
        return "| " + string.Join(" | ", measures);
    }

    private static string Words(BowPlan plan) =>
        string.Join(
            ' ',
            plan.Choices.GroupBy(c => c.Stroke.First.MeasureIndex)
                .Select(g => string.Concat(g.Select(c => c.Direction == BowDirection.Down ? 'd' : 'u')))
        );

    private static IReadOnlyList<BowPlan> Plan(string music)
    {
        var score = ShortFormReader.Score(music);
        var context = new UnifyContext(score, House.Default);
        return BowDesk.Plan(context, UnifyDesk.Compare(context).Lines, new Study.TempoProbe(score).QuarterBpmAt);
    }
}
