namespace MellowStand.Core.Assign;

/// <summary>What a plan comes to, and whether it holds what was asked.</summary>
public static class PlanMeasures
{
    /// <summary>Days that the last session of each passage comes after its date, added up.</summary>
    public static int Late(PlanProblem problem, IReadOnlyCollection<PlannedSession> sessions)
    {
        var last = sessions.GroupBy(s => s.Passage).ToDictionary(g => g.Key, g => g.Max(s => s.Day));
        return problem.Passages.Sum(p => last.TryGetValue(p.Id, out var day) ? Math.Max(0, day.DayNumber - p.Due.DayNumber) : 0);
    }

    /// <summary>Most minutes of one player on one day.</summary>
    public static int Peak(PlanProblem problem, IReadOnlyCollection<PlannedSession> sessions) =>
        Load(problem, sessions).Values.DefaultIfEmpty().Max();

    /// <summary>Minutes of each player on each day with work.</summary>
    public static IReadOnlyDictionary<(string Player, DateOnly Day), int> Load(
        PlanProblem problem,
        IReadOnlyCollection<PlannedSession> sessions
    )
    {
        var passages = problem.Passages.ToDictionary(p => p.Id);
        var load = new Dictionary<(string, DateOnly), int>();
        foreach (var session in sessions)
        {
            var passage = passages[session.Passage];
            foreach (var player in passage.Players)
                load[(player, session.Day)] = load.GetValueOrDefault((player, session.Day)) + passage.Minutes;
        }

        return load;
    }

    /// <summary>What of the asked is broken, in words; empty for a plan that holds.</summary>
    public static IReadOnlyList<string> Broken(PlanProblem problem, IReadOnlyCollection<PlannedSession> sessions)
    {
        var days = problem.Days.ToDictionary(d => d.Date);
        var broken = new List<string>();
        foreach (var passage in problem.Passages)
        {
            var own = sessions.Where(s => s.Passage == passage.Id).Select(s => s.Day).Order().ToList();
            if (own.Count != passage.Sessions)
                broken.Add($"{passage.Id} has {own.Count} of {passage.Sessions} sessions");
            if (own.Zip(own.Skip(1)).Any(p => p.Second.DayNumber - p.First.DayNumber < passage.Gap))
                broken.Add($"{passage.Id} comes again too soon");
            if (own.Any(d => !days.ContainsKey(d) || d < passage.From))
                broken.Add($"{passage.Id} is practiced on a day that is not there");
            if (passage.Set.Except(own).Any())
                broken.Add($"{passage.Id} is not on the day that was set");
        }

        foreach (var ((player, day), minutes) in Load(problem, sessions))
            if (days.TryGetValue(day, out var there) && minutes > problem.MinutesOf(player, there))
                broken.Add($"{player} has {minutes} minutes on {day:yyyy-MM-dd}");
        return broken;
    }
}
