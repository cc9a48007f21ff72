using Google.OrTools.Sat;
using MellowStand.Core.Assign;

namespace MellowStand.Planning;

/// <summary>How far a planner is.</summary>
/// <param name="Step">From 1.</param>
/// <param name="Steps">Steps in all.</param>
/// <param name="Words">What it does now.</param>
public sealed record PlanningStep(int Step, int Steps, string Words);

/// <summary>Plans backwards from the dates: least late, then the lowest peak, then the rule of the house.</summary>
/// <remarks>Three searches, each holding what the one before has found. Where a search runs out of time, its best plan is taken and its
/// bound told.</remarks>
/// <param name="budget">Seconds for each search; the order by the rule, and what gives, get a third of it.</param>
public sealed class Planner(double budget = 8)
{
    private const int Steps = 4;
    private const int MostQuestions = 4;

    /// <summary>Makes the plan.</summary>
    /// <param name="problem">What is to be planned.</param>
    /// <param name="tell">Told how far it is; null for nobody.</param>
    /// <param name="cancelled">Stops the search.</param>
    /// <exception cref="OperationCanceledException">It was cancelled.</exception>
    public Plan Make(PlanProblem problem, Action<PlanningStep>? tell = null, CancellationToken cancelled = default)
    {
        var (search, brief) = (new PlanSearch(budget, cancelled), new PlanSearch(budget / 3, cancelled));
        void Tell(int step, string words)
        {
            cancelled.ThrowIfCancellationRequested();
            tell?.Invoke(new PlanningStep(step, Steps, words));
        }

        Tell(1, "looking for the least lateness");
        if (LeastLate(problem, search) is not { } first)
        {
            Tell(Steps, "nothing fits: looking for what would give");
            return new Plan(PlanState.Cannot, 0, 0, 0, [], Giving.Of(problem, brief));
        }

        Tell(2, "looking for the lowest peak");
        var second = LowestPeak(problem, search, first);
        Tell(3, "putting what comes first, first");
        var sessions = ByRule(problem, brief, first, second);
        var (late, peak) = (PlanMeasures.Late(problem, sessions), PlanMeasures.Peak(problem, sessions));
        var isProved = first.IsProved && second.IsProved;
        Tell(Steps, late == 0 ? "done" : "looking for what would give");
        return new Plan(
            isProved ? PlanState.Optimal : PlanState.Feasible,
            late,
            peak,
            first.IsProved ? second.Bound : first.Bound,
            sessions,
            late == 0 ? [] : Giving.Of(problem, brief)
        );
    }

    // A punctual quick plan needs no proof.
    private static PlanFound? LeastLate(PlanProblem problem, PlanSearch search)
    {
        if (problem.Passages.Count == 0)
            return new PlanFound([], 0, true);
        var quick = GreedyPlanner.Of(problem);
        if (quick is not null && PlanMeasures.Late(problem, quick) == 0)
            return new PlanFound(quick, 0, true);
        var model = new PlanModel(problem);
        model.Model.Minimize(model.Late);
        return search.Run(model, quick) ?? (quick is null ? null : new PlanFound(quick, 0, false));
    }

    // What the search leaves open is asked outright: is there one below the best? A no is often proved at once.
    private static PlanFound LowestPeak(PlanProblem problem, PlanSearch search, PlanFound first)
    {
        var late = PlanMeasures.Late(problem, first.Sessions);
        var least = PeakBound.Of(problem, late == 0);
        var best =
            PlanMeasures.Peak(problem, first.Sessions) <= least
                ? new PlanFound(first.Sessions, least, true)
                : search.Run(Peaks(problem, late, least, null), first.Sessions) ?? first with { Bound = least, IsProved = false };
        for (var asked = 0; !best.IsProved && asked < MostQuestions; asked++)
        {
            var peak = PlanMeasures.Peak(problem, best.Sessions);
            var below = search.Ask(Peaks(problem, late, least, peak - 1), best.Sessions, out var isImpossible);
            if (below is null)
                return isImpossible ? best with { Bound = peak, IsProved = true } : best;
            best = best with { Sessions = below };
        }

        return best;
    }

    private static PlanModel Peaks(PlanProblem problem, int late, int least, int? most)
    {
        var model = new PlanModel(problem);
        model.Model.Add((LinearExpr)model.Late <= late);
        model.Model.Add((LinearExpr)model.Peak >= least);
        if (most is { } peak)
            model.Model.Add((LinearExpr)model.Peak <= peak);
        else
            model.Model.Minimize(model.Peak);
        return model;
    }

    private static IReadOnlyList<PlannedSession> ByRule(PlanProblem problem, PlanSearch search, PlanFound first, PlanFound second)
    {
        var model = new PlanModel(problem);
        model.Model.Add((LinearExpr)model.Late <= PlanMeasures.Late(problem, first.Sessions));
        model.Model.Add((LinearExpr)model.Peak <= PlanMeasures.Peak(problem, second.Sessions));
        model.Model.Minimize(model.InOrder());
        return search.Run(model, second.Sessions)?.Sessions ?? second.Sessions;
    }
}
