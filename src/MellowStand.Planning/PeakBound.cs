using MellowStand.Core.Assign;

namespace MellowStand.Planning;

/// <summary>Peaks that no plan can stay below, and peaks that no plan can have, by counting alone.</summary>
internal static class PeakBound
{
    /// <summary>A peak that no punctual plan stays below: the work that a group has between two days, spread over the days between
    /// them.</summary>
    /// <param name="problem">What is to be planned.</param>
    /// <param name="isPunctual">True where nothing comes after its date.</param>
    public static int Of(PlanProblem problem, bool isPunctual)
    {
        var most = problem.Passages.Select(p => p.Players.Count == 0 ? 0 : p.Minutes).DefaultIfEmpty().Max();
        if (problem.Days.Count == 0)
            return most;
        var (first, last) = (problem.Days[0].Date, problem.Days[^1].Date);
        foreach (var group in PlanGroups.Of(problem))
        {
            var work = group
                .Passages.Select(i => problem.Passages[i])
                .Select(p => (Minutes: p.Minutes * p.Sessions, From: p.From ?? first, To: isPunctual ? p.Due : last))
                .ToList();
            foreach (var (from, to) in work.Select(w => w.From).Distinct().SelectMany(f => work.Select(w => (f, w.To)).Distinct()))
            {
                var minutes = work.Where(w => w.From >= from && w.To <= to).Sum(w => w.Minutes);
                most = Math.Max(most, Spread(problem, group, minutes, from, to));
            }
        }

        return most;
    }

    /// <summary>Minutes that some players can have on a day: sums of the sessions of one group.</summary>
    /// <param name="problem">What is to be planned.</param>
    /// <param name="groups">Its groups.</param>
    /// <param name="most">The longest day.</param>
    public static IReadOnlyCollection<long> Sums(PlanProblem problem, IReadOnlyList<PlanGroup> groups, int most)
    {
        var sums = new SortedSet<long> { 0 };
        foreach (var group in groups)
        {
            var can = new bool[most + 1];
            can[0] = true;
            foreach (var minutes in group.Passages.Select(i => problem.Passages[i].Minutes))
                for (var sum = most; sum >= minutes; sum--)
                    can[sum] |= can[sum - minutes];
            sums.UnionWith(Enumerable.Range(0, most + 1).Where(sum => can[sum]).Select(sum => (long)sum));
        }

        return sums;
    }

    private static int Spread(PlanProblem problem, PlanGroup group, int minutes, DateOnly from, DateOnly to)
    {
        var days = problem.Days.Count(d => d.Date >= from && d.Date <= to && PlanProblem.MinutesOf(group.Share, d) > 0);
        return days == 0 ? 0 : (minutes + days - 1) / days;
    }
}
