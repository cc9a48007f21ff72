using System.Diagnostics;
using MellowStand.Core.Assign;
using MellowStand.Core.Tests.Assign;
using MellowStand.Planning;

namespace MellowStand.Bench;

/// <summary>The planner on a whole ensemble's season, against its own bound and against a greedy planner.</summary>
internal static class PlanOfASeason
{
    private const int Players = 90;
    private const int Passages = 40;
    private const int Days = 60;
    private const int Seasons = 4;

    public static void Compare()
    {
        for (var seed = 5; seed < 5 + Seasons; seed++)
        {
            var problem = PlanSamples.Season(new Random(seed), Players, Passages, Days);
            var clock = Stopwatch.StartNew();
            var greedy = GreedyPlanner.Of(problem);
            var quick = clock.Elapsed.TotalSeconds;
            clock.Restart();
            var plan = new Planner().Make(problem);
            var slow = clock.Elapsed.TotalSeconds;
            var other = greedy is null ? "none" : $"late {PlanMeasures.Late(problem, greedy)}, peak {PlanMeasures.Peak(problem, greedy)}";
            Console.WriteLine($"season {seed}: {plan.State}, late {plan.Late}, peak {plan.Peak}, bound {plan.Bound}; greedy {other}");
            Ratios.Say("peak to its bound (at most 1.01)", (double)plan.Peak / plan.Bound);
            if (greedy is not null)
                Ratios.Say("peak to the greedy planner's", (double)plan.Peak / PlanMeasures.Peak(problem, greedy));
            Ratios.Say("time to the greedy planner's", slow / quick);
        }
    }
}
