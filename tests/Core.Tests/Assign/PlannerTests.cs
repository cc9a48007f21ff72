using MellowStand.Core.Assign;
using MellowStand.Planning;

namespace MellowStand.Core.Tests.Assign;

/// <summary>The plan to the date: against exhaustive search, and what it says when it cannot be done.</summary>
public sealed class PlannerTests
{
    private static readonly DateOnly Monday = new(2031, 3, 3);
    private static readonly Planner Planner = new();

    [Theory]
    [InlineData(4101, 160)]
    [InlineData(4102, 160)]
    public void No_plan_is_less_late_and_none_as_punctual_has_a_lower_peak(int seed, int instances)
    {
        var random = Seeds.Random(seed);
        int cannot = 0,
            late = 0;
        for (var i = 0; i < instances; i++)
        {
            var problem = Small(random);
            var best = ExhaustivePlanner.Best(problem);
            var plan = Planner.Make(problem);
            if (best is null)
            {
                Assert.Equal(PlanState.Cannot, plan.State);
                cannot++;
                continue;
            }

            Assert.Empty(PlanMeasures.Broken(problem, plan.Sessions));
            Assert.Equal(
                (PlanState.Optimal, best.Value.Late, best.Value.Peak, best.Value.Peak),
                (plan.State, plan.Late, plan.Peak, plan.Bound)
            );
            late += plan.Late > 0 ? 1 : 0;
        }

        // Both kinds of trouble must have been among them.
        Assert.InRange(cannot, 5, instances * 2 / 3);
        Assert.InRange(late, 10, instances);
    }

    [Fact]
    public void What_gives_does_give()
    {
        var random = Seeds.Random(4103);
        var seen = new HashSet<string>();
        for (var i = 0; i < 60; i++)
        {
            var problem = Small(random);
            var plan = Planner.Make(problem);
            foreach (var give in plan.Gives)
            {
                seen.Add(give.What);
                if (give.What == "minutes")
                    Assert.True(
                        IsPunctual(problem with { Days = [.. problem.Days.Select(d => d with { Minutes = d.Minutes + Number(give) })] }),
                        give.Why
                    );
                if (give.What == "minutes" && Number(give) > 1)
                    Assert.False(
                        IsPunctual(
                            problem with
                            {
                                Days = [.. problem.Days.Select(d => d with { Minutes = d.Minutes + Number(give) - 1 })],
                            }
                        ),
                        give.Why
                    );
            }

            if (plan.State != PlanState.Cannot && plan.Late == 0)
                Assert.Empty(plan.Gives);
        }

        Assert.Superset(new HashSet<string> { "passages", "tempo", "days", "minutes" }, seen);
    }

    // Two passages of 10 minutes on one day of 15: one must go, or five minutes must come, or one day more.
    [Fact]
    public void When_it_cannot_be_done_each_kind_of_change_is_told()
    {
        var problem = new PlanProblem(
            [new PlanDay(Monday, 15)],
            [new PlanPassage("opening", 10, 1, 1, ["a"], Monday), new PlanPassage("letter C", 10, 1, 1, ["a"], Monday)]
        );
        var plan = Planner.Make(problem);
        Assert.Equal(PlanState.Cannot, plan.State);
        Assert.Equal(["passages", "days", "minutes"], plan.Gives.Select(g => g.What));
        Assert.Contains("Leave out 1 passage", plan.Gives[0].Why, StringComparison.Ordinal);
        Assert.Contains("by 1 day,", plan.Gives[1].Why, StringComparison.Ordinal);
        Assert.Contains("5 minutes more", plan.Gives[2].Why, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("from-start", "first")]
    [InlineData("from-end", "last")]
    [InlineData("hardest-first", "hard")]
    public void Of_two_equal_plans_the_rule_decides(string rule, string begins)
    {
        var days = Enumerable.Range(0, 3).Select(i => new PlanDay(Monday.AddDays(i), 10)).ToList();
        PlanPassage Of(string id, int minutes) => new(id, minutes, 1, 1, ["a"], Monday.AddDays(2));
        var plan = Planner.Make(new PlanProblem(days, [Of("first", 8), Of("hard", 10), Of("last", 8)], rule));
        Assert.Equal(begins, plan.Sessions[0].Passage);
    }

    [Fact]
    public void A_day_set_by_hand_stays_and_the_rest_goes_around_it()
    {
        var days = Enumerable.Range(0, 6).Select(i => new PlanDay(Monday.AddDays(i), 10)).ToList();
        var set = new PlanPassage("set", 10, 2, 2, ["a"], Monday.AddDays(5)) { Set = [Monday.AddDays(4)] };
        var problem = new PlanProblem(days, [set, new PlanPassage("other", 10, 4, 1, ["a"], Monday.AddDays(5))]);
        var plan = Planner.Make(problem);
        Assert.Empty(PlanMeasures.Broken(problem, plan.Sessions));
        Assert.Contains(plan.Sessions, s => s.Passage == "set" && s.Day == Monday.AddDays(4));
    }

    // Who has half the time can do half: 10 minutes of 20, so that two passages of 10 need two days.
    [Fact]
    public void A_player_with_less_time_is_asked_less()
    {
        var days = Enumerable.Range(0, 2).Select(i => new PlanDay(Monday.AddDays(i), 20)).ToList();
        PlanPassage Of(string id) => new(id, 10, 1, 1, ["a", "b"], Monday.AddDays(1));
        var problem = new PlanProblem(days, [Of("x"), Of("y")]) { Shares = new Dictionary<string, double> { ["b"] = 0.5 } };
        Assert.Equal(10, Planner.Make(problem).Peak);
    }

    [Fact]
    public void Nothing_to_practice_is_a_plan_without_work() =>
        Assert.Equal((PlanState.Optimal, 0), (Planner.Make(new PlanProblem([], [])).State, Planner.Make(new PlanProblem([], [])).Peak));

    [Fact]
    public void No_day_left_cannot_be_planned() =>
        Assert.Equal(PlanState.Cannot, Planner.Make(new PlanProblem([], [new PlanPassage("x", 5, 1, 1, ["a"], Monday)])).State);

    [Fact]
    public void A_search_can_be_cancelled()
    {
        using var cancel = new CancellationTokenSource();
        cancel.Cancel();
        Assert.Throws<OperationCanceledException>(() => Planner.Make(Small(new Random(1)), null, cancel.Token));
    }

    // The whole ensemble of one season; the benchmark tells the ratios.
    [Fact]
    public void Ninety_players_and_forty_passages_come_within_a_percent_of_the_bound()
    {
        var problem = PlanSamples.Season(new Random(5), 90, 40, 60);
        var plan = Planner.Make(problem);
        Assert.Empty(PlanMeasures.Broken(problem, plan.Sessions));
        Assert.NotEqual(PlanState.Cannot, plan.State);
        Assert.InRange(plan.Peak, plan.Bound, plan.Bound * 1.01);
    }

    private static bool IsPunctual(PlanProblem problem) => Planner.Make(problem) is { State: not PlanState.Cannot, Late: 0 };

    private static int Number(PlanGive give) =>
        int.Parse(
            new string([.. give.Why.SkipWhile(c => !char.IsDigit(c)).TakeWhile(char.IsDigit)]),
            System.Globalization.CultureInfo.InvariantCulture
        );

    // Four to six days, two or three passages, three players, little time.
    private static PlanProblem Small(Random random)
    {
        var days = Enumerable
            .Range(0, random.Next(4, 7))
            .Select(i => new PlanDay(Monday.AddDays(i + (i > 2 ? 2 : 0)), (random.Next(0, 7) + 1) / 2 * 10))
            .ToList();
        string[] players = ["a", "b", "c"];
        var passages = Enumerable
            .Range(0, random.Next(2, 4))
            .Select(i => new PlanPassage(
                $"p{i}",
                random.Next(1, 4) * 5,
                random.Next(1, 4),
                random.Next(1, 4),
                [.. players.Where(_ => random.NextDouble() < 0.6).DefaultIfEmpty("a")],
                days[random.Next(days.Count)].Date,
                random.NextDouble() < 0.3 ? days[random.Next(2)].Date : null
            ));
        return new PlanProblem(days, [.. passages]);
    }
}
