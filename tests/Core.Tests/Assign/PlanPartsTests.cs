using MellowStand.Core.Assign;

namespace MellowStand.Core.Tests.Assign;

/// <summary>What the planner rests on: groups of players, the quick plan, and the measures by which plans are judged.</summary>
public sealed class PlanPartsTests
{
    private static readonly DateOnly Monday = new(2031, 3, 3);

    [Fact]
    public void Players_with_the_same_passages_are_planned_as_one()
    {
        var groups = PlanGroups.Of(Problem(Of("x", "a", "b", "c"), Of("y", "a", "b"), Of("z", "c")));
        Assert.Equal(["0 1", "0 2"], groups.Select(g => string.Join(' ', g.Passages)).Order());
    }

    // Whoever has only passages that another group has too, and no less time, is held by that group.
    [Fact]
    public void A_smaller_group_is_asked_only_where_it_has_less_time()
    {
        var problem = Problem(Of("x", "a", "b"), Of("y", "a"));
        Assert.Single(PlanGroups.Of(problem));
        var slower = problem with { Shares = new Dictionary<string, double> { ["b"] = 0.5 } };
        Assert.Equal(2, PlanGroups.Of(slower).Count);
        var quicker = problem with { Shares = new Dictionary<string, double> { ["b"] = 2 } };
        Assert.Single(PlanGroups.Of(quicker));
    }

    [Fact]
    public void A_passage_without_players_belongs_to_no_group() => Assert.Empty(PlanGroups.Of(Problem(Of("x"))));

    [SeededProperty]
    public void A_quick_plan_holds_what_was_asked(int seed)
    {
        var problem = PlanSamples.Season(new Random(seed), 18, 8, 30);
        if (GreedyPlanner.Of(problem) is not { } sessions)
            return;
        Assert.Empty(PlanMeasures.Broken(problem, sessions));
        Assert.Equal(sessions.OrderBy(s => s.Day).Select(s => s.Day), sessions.Select(s => s.Day));
    }

    [Fact]
    public void A_quick_plan_keeps_days_that_were_set()
    {
        var set = Of("x", "a") with { Sessions = 2, Gap = 2, Set = [Monday.AddDays(3)] };
        var sessions = GreedyPlanner.Of(Problem(set, Of("y", "a")));
        Assert.Contains(sessions!, s => s.Passage == "x" && s.Day == Monday.AddDays(3));
        Assert.Equal([1, 2], sessions!.Where(s => s.Passage == "x").Select(s => s.Number));
    }

    [Fact]
    public void Where_nothing_fits_there_is_no_quick_plan() => Assert.Null(GreedyPlanner.Of(Problem(Of("x", "a") with { Minutes = 90 })));

    // Two days late and one day early add up to two.
    [Fact]
    public void Lateness_is_counted_from_last_sessions_and_never_below_nothing()
    {
        var problem = Problem(Of("x", "a") with { Due = Monday, Sessions = 2 }, Of("y", "a") with { Due = Monday.AddDays(3) });
        List<PlannedSession> sessions = [new("x", 1, Monday), new("x", 2, Monday.AddDays(2)), new("y", 1, Monday.AddDays(2))];
        Assert.Equal((2, 20), (PlanMeasures.Late(problem, sessions), PlanMeasures.Peak(problem, sessions)));
        Assert.Equal(0, PlanMeasures.Peak(problem, []));
    }

    [Theory]
    [InlineData("0", "has 1 of 2 sessions")]
    [InlineData("0 1", "comes again too soon")]
    [InlineData("0 9", "on a day that is not there")]
    [InlineData("1 4", "not on the day that was set")]
    public void What_a_plan_breaks_is_said(string days, string words)
    {
        var problem = Problem(Of("x", "a") with { Sessions = 2, Gap = 2, Set = [Monday] });
        var sessions = days.Split(' ').Select((d, i) => new PlannedSession("x", i + 1, Monday.AddDays(d[0] - '0'))).ToList();
        Assert.Contains(PlanMeasures.Broken(problem, sessions), b => b.Contains(words, StringComparison.Ordinal));
    }

    [Fact]
    public void Too_many_minutes_on_a_day_are_said_with_who_and_when()
    {
        var problem = Problem(Of("x", "a", "b"), Of("y", "a"), Of("z", "a"));
        List<PlannedSession> sessions = [new("x", 1, Monday), new("y", 1, Monday), new("z", 1, Monday)];
        Assert.Equal(["a has 30 minutes on 2031-03-03"], PlanMeasures.Broken(problem, sessions));
    }

    [Theory]
    [InlineData("hardest-first", "long short first")]
    [InlineData("from-start", "first short long")]
    [InlineData("from-end", "long short first")]
    public void The_rule_orders_the_passages(string rule, string order)
    {
        var problem = Problem(Of("first", "a") with { Minutes = 2 }, Of("short", "a") with { Minutes = 5 }, Of("long", "a")) with
        {
            Rule = rule,
        };
        Assert.Equal(order, string.Join(' ', problem.InOrder.Select(p => p.Id)));
    }

    [Theory]
    [InlineData(0.5, 10)]
    [InlineData(1, 20)]
    [InlineData(1.5, 30)]
    public void A_share_of_a_day_is_in_whole_minutes(double share, int minutes) =>
        Assert.Equal(minutes, PlanProblem.MinutesOf(share, new PlanDay(Monday, 20)));

    private static PlanPassage Of(string id, params string[] players) => new(id, 10, 1, 1, players, Monday.AddDays(4));

    private static PlanProblem Problem(params PlanPassage[] passages) =>
        new([.. Enumerable.Range(0, 5).Select(i => new PlanDay(Monday.AddDays(i), 20))], passages);
}
