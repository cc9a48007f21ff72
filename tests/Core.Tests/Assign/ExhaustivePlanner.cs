using MellowStand.Core.Assign;

namespace MellowStand.Core.Tests.Assign;

/// <summary>The other opinion: tries every plan there is. For small problems only.</summary>
public static class ExhaustivePlanner
{
    /// <summary>Least lateness and then least peak, or null where nothing fits.</summary>
    public static (int Late, int Peak)? Best(PlanProblem problem)
    {
        (int, int)? best = null;
        Try(
            problem,
            0,
            [],
            sessions =>
            {
                var own = (PlanMeasures.Late(problem, sessions), PlanMeasures.Peak(problem, sessions));
                if (best is null || own.CompareTo(best.Value) < 0)
                    best = own;
            }
        );
        return best;
    }

    private static void Try(PlanProblem problem, int place, List<PlannedSession> sessions, Action<List<PlannedSession>> found)
    {
        if (place == problem.Passages.Count)
        {
            if (PlanMeasures.Broken(problem, sessions).Count == 0)
                found(sessions);
            return;
        }

        var passage = problem.Passages[place];
        foreach (var days in Choices(problem.Days, passage.Sessions, 0))
        {
            var own = days.Select((d, n) => new PlannedSession(passage.Id, n + 1, d)).ToList();
            sessions.AddRange(own);
            Try(problem, place + 1, sessions, found);
            sessions.RemoveRange(sessions.Count - own.Count, own.Count);
        }
    }

    private static IEnumerable<List<DateOnly>> Choices(IReadOnlyList<PlanDay> days, int count, int from)
    {
        if (count == 0)
        {
            yield return [];
            yield break;
        }

        for (var d = from; d < days.Count; d++)
            foreach (var rest in Choices(days, count - 1, d + 1))
                yield return [days[d].Date, .. rest];
    }
}
