namespace MellowStand.Core.Assign;

/// <summary>A quick plan: the passage whose date leaves least room first, each session on the first day that has time for it.</summary>
/// <remarks>Earliest due date first (Jackson's rule, any textbook of scheduling). A first try for the solver, and what the benchmarks
/// compare it with.</remarks>
public static class GreedyPlanner
{
    /// <summary>The sessions, or null where this way finds no place for one.</summary>
    public static IReadOnlyList<PlannedSession>? Of(PlanProblem problem)
    {
        var groups = PlanGroups.Of(problem);
        var left = groups.Select(g => problem.Days.Select(d => PlanProblem.MinutesOf(g.Share, d)).ToArray()).ToList();
        var sessions = new List<PlannedSession>();
        var order = problem
            .Passages.Select((p, i) => (Passage: p, Place: i))
            .OrderByDescending(x => x.Passage.Set.Count)
            .ThenBy(x => Latest(x.Passage));
        foreach (var (passage, place) in order)
        {
            var own = Enumerable.Range(0, groups.Count).Where(g => groups[g].Passages.Contains(place)).ToList();
            if (Days(problem, passage, left, own) is not { } days)
                return null;
            foreach (var (day, number) in days.Select((d, n) => (d, n + 1)))
            {
                sessions.Add(new PlannedSession(passage.Id, number, problem.Days[day].Date));
                foreach (var g in own)
                    left[g][day] -= passage.Minutes;
            }
        }

        return [.. sessions.OrderBy(s => s.Day)];
    }

    // The day on which its last session but all must begin.
    private static int Latest(PlanPassage passage) => passage.Due.DayNumber - ((passage.Sessions - 1) * passage.Gap);

    private static List<int>? Days(PlanProblem problem, PlanPassage passage, List<int[]> left, List<int> groups)
    {
        var days = Enumerable.Range(0, problem.Days.Count).Where(d => passage.Set.Contains(problem.Days[d].Date)).ToList();
        bool IsFree(int d) =>
            (passage.From is not { } from || problem.Days[d].Date >= from)
            && days.TrueForAll(o => Math.Abs(problem.Days[o].Date.DayNumber - problem.Days[d].Date.DayNumber) >= passage.Gap)
            && groups.TrueForAll(g => left[g][d] >= passage.Minutes);
        for (var d = 0; d < problem.Days.Count && days.Count < passage.Sessions; d++)
            if (IsFree(d))
                days.Add(d);
        return days.Count == passage.Sessions ? [.. days.Order()] : null;
    }
}
