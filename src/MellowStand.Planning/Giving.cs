using System.Globalization;
using Google.OrTools.Sat;
using MellowStand.Core.Assign;

namespace MellowStand.Planning;

/// <summary>What gives when a plan is late or impossible: the least change of each kind that makes it punctual.</summary>
internal static class Giving
{
    private const int MostExtra = 180;
    private const int MostDays = 120;
    private const int MostNamed = 4;

    /// <summary>One entry for each kind of change that helps.</summary>
    public static IReadOnlyList<PlanGive> Of(PlanProblem problem, PlanSearch search) =>
        [
            .. new[]
            {
                Passages(problem, search),
                Tempo(problem, search),
                Days(problem, search),
                Minutes(problem, search),
            }.OfType<PlanGive>(),
        ];

    private static PlanGive? Passages(PlanProblem problem, PlanSearch search)
    {
        var model = new PlanModel(problem, new PlanFreedom(Passages: true, MayBeLate: false));
        model.Model.Maximize(model.Kept);
        if (!Found(search.Solve(model, out var solver)))
            return null;
        var left = model.LeftOut(solver);
        if (left.Count == 0 || left.Count == problem.Passages.Count)
            return null;
        var names = string.Join(", ", left.Take(MostNamed).Select(p => p.Id));
        var more = left.Count > MostNamed ? $" and {left.Count - MostNamed} more" : "";
        return new PlanGive("passages", $"Leave out {Count(left.Count, "passage")}: {names}{more}. Then the rest is in time.");
    }

    // A lower goal has fewer steps, and so fewer sessions.
    private static PlanGive? Tempo(PlanProblem problem, PlanSearch search)
    {
        var model = new PlanModel(problem, new PlanFreedom(Sessions: true, MayBeLate: false));
        model.Model.Maximize(model.Sessions);
        if (!Found(search.Solve(model, out var solver)))
            return null;
        var there = model.Read(solver).CountBy(s => s.Passage).ToDictionary();
        var fewer = problem
            .Passages.Select(p => (p.Id, p.Sessions, Left: p.Sessions - there.GetValueOrDefault(p.Id)))
            .Where(p => p.Left > 0)
            .ToList();
        if (fewer.Count == 0)
            return null;
        var names = string.Join(", ", fewer.Take(MostNamed).Select(p => $"{p.Id} by {p.Left} of {p.Sessions}"));
        var more = fewer.Count > MostNamed ? $" and {fewer.Count - MostNamed} more" : "";
        return new PlanGive("tempo", $"Practice {Count(fewer.Sum(p => p.Left), "session")} fewer, with a lower goal tempo: {names}{more}.");
    }

    private static PlanGive? Minutes(PlanProblem problem, PlanSearch search)
    {
        var model = new PlanModel(problem, new PlanFreedom(Minutes: MostExtra, MayBeLate: false));
        model.Model.Minimize(model.Extra);
        return Found(search.Solve(model, out var solver)) && solver.Value(model.Extra) is > 0 and var extra
            ? new PlanGive("minutes", $"Give every day {Count((int)extra, "minute")} more.")
            : null;
    }

    // The last day is put off, with as much time on each further day as most days have; all dates move with it.
    private static PlanGive? Days(PlanProblem problem, PlanSearch search)
    {
        var usual = problem.Days.Where(d => d.Minutes > 0).Select(d => d.Minutes).Order().ToList();
        if (usual.Count == 0)
            return null;
        bool Fits(int more)
        {
            var last = problem.Days[^1].Date;
            var days = Enumerable.Range(1, more).Select(i => new PlanDay(last.AddDays(i), usual[usual.Count / 2]));
            var later = problem with
            {
                Days = [.. problem.Days, .. days],
                Passages = [.. problem.Passages.Select(p => p with { Due = p.Due.AddDays(more) })],
            };
            return Found(search.Solve(new PlanModel(later, new PlanFreedom(MayBeLate: false)), out _));
        }

        if (!Fits(MostDays))
            return null;
        var (low, high) = (1, MostDays);
        while (low < high)
        {
            var middle = (low + high) / 2;
            (low, high) = Fits(middle) ? (low, middle) : (middle + 1, high);
        }

        return new PlanGive("days", $"Put the dates off by {Count(low, "day")}, practicing on each.");
    }

    private static bool Found(CpSolverStatus status) => status is CpSolverStatus.Optimal or CpSolverStatus.Feasible;

    private static string Count(int n, string what) => string.Create(CultureInfo.InvariantCulture, $"{n} {what}{(n == 1 ? "" : "s")}");
}
