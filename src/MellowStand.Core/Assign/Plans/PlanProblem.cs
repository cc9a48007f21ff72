namespace MellowStand.Core.Assign;

/// <summary>A day on which can be practiced.</summary>
/// <param name="Date">The day.</param>
/// <param name="Minutes">Minutes that a player has on it.</param>
public sealed record PlanDay(DateOnly Date, int Minutes);

/// <summary>A passage to be practiced in sessions.</summary>
/// <param name="Id">Its key; unique in the plan.</param>
/// <param name="Minutes">Minutes of one session, more than 0.</param>
/// <param name="Sessions">How often it is practiced, at least once.</param>
/// <param name="Gap">Calendar days from one session to the next, at least 1.</param>
/// <param name="Players">Keys of all who practice it, each once.</param>
/// <param name="Due">The day to have it by.</param>
/// <param name="From">The first day of work, or null for any.</param>
public sealed record PlanPassage(
    string Id,
    int Minutes,
    int Sessions,
    int Gap,
    IReadOnlyList<string> Players,
    DateOnly Due,
    DateOnly? From = null
)
{
    /// <summary>Days that were set by hand: a session is on each of them.</summary>
    public IReadOnlyList<DateOnly> Set { get; init; } = [];
}

/// <summary>What is to be planned.</summary>
/// <param name="Days">The days in their order, each once.</param>
/// <param name="Passages">The passages in the order of the music.</param>
/// <param name="Rule">Which of two equally good plans: <c>hardest-first</c>, <c>from-start</c>, <c>from-end</c> or
/// <c>joined</c>, in which passages are begun as <c>from-start</c>.</param>
public sealed record PlanProblem(IReadOnlyList<PlanDay> Days, IReadOnlyList<PlanPassage> Passages, string Rule = "hardest-first")
{
    /// <summary>Players who have more or less time than others, as a share of a day's minutes.</summary>
    public IReadOnlyDictionary<string, double> Shares { get; init; } = new Dictionary<string, double>();

    /// <summary>Minutes that a player has on a day.</summary>
    public int MinutesOf(string player, PlanDay day) => MinutesOf(Shares.GetValueOrDefault(player, 1), day);

    /// <summary>Minutes of a day at a share.</summary>
    public static int MinutesOf(double share, PlanDay day) => (int)Math.Round(day.Minutes * share);

    /// <summary>The passages in the order in which the rule wants them begun.</summary>
    public IReadOnlyList<PlanPassage> InOrder =>
        Rule switch
        {
            "from-start" or "joined" => Passages,
            "from-end" => [.. Passages.Reverse()],
            _ => [.. Passages.OrderByDescending(p => p.Minutes * p.Sessions)],
        };
}

/// <summary>A session of a passage in a plan.</summary>
/// <param name="Passage">Key of the passage.</param>
/// <param name="Number">Which of its sessions, from 1.</param>
/// <param name="Day">The day.</param>
public sealed record PlannedSession(string Passage, int Number, DateOnly Day);

/// <summary>How far a plan is proved.</summary>
public enum PlanState
{
    /// <summary>No plan is less late, and none as little late has a lower peak.</summary>
    Optimal,

    /// <summary>A plan, perhaps not the best: the bound tells how much better one could be.</summary>
    Feasible,

    /// <summary>The sessions do not fit into the days, whatever is late.</summary>
    Cannot,
}

/// <summary>What would make a plan possible or punctual.</summary>
/// <param name="What"><c>passages</c>, <c>tempo</c>, <c>days</c> or <c>minutes</c>.</param>
/// <param name="Why">The least change of this kind, in a sentence with its numbers.</param>
public sealed record PlanGive(string What, string Why);

/// <summary>A plan.</summary>
/// <param name="State">How far it is proved.</param>
/// <param name="Late">Sum of calendar days that last sessions come after their date.</param>
/// <param name="Peak">Most minutes of one player on one day.</param>
/// <param name="Bound">No plan has less: of <paramref name="Late"/> where that is not proved, else of <paramref name="Peak"/>.</param>
/// <param name="Sessions">The sessions by day.</param>
/// <param name="Gives">What gives where something is late or does not fit.</param>
public sealed record Plan(
    PlanState State,
    int Late,
    int Peak,
    int Bound,
    IReadOnlyList<PlannedSession> Sessions,
    IReadOnlyList<PlanGive> Gives
);
