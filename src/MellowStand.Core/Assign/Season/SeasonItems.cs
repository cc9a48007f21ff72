using System.Globalization;
using MellowStand.Core.Hear;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Tempo;
using NextStepOf = MellowStand.Core.Tempo.NextStep;

namespace MellowStand.Core.Assign;

/// <summary>What of each passage is left to practice, by bands of players.</summary>
/// <remarks>Those behind get half as many sessions more, those ahead a third fewer: our own measure. Assignments are small: common
/// practice, no published source.</remarks>
public static class SeasonItems
{
    private const double MoreWhenBehind = 1.5;
    private const double FewerWhenAhead = 0.67;
    private const double ShareOfTheWindow = 0.7;
    private const int WidestGap = 4;
    private const double AtAStep = 0.5;

    private static readonly (int Upto, int Session)[] SessionMinutes = [(24, 5), (75, 10), (int.MaxValue, 15)];

    /// <summary>Minutes of one session of a passage, never more than a day has.</summary>
    /// <param name="total">Minutes to learn it.</param>
    /// <param name="day">Minutes of a usual day.</param>
    public static int MinutesOfASession(int total, int day) =>
        Math.Min(SessionMinutes.First(s => total <= s.Upto).Session, Math.Max(1, day));

    /// <summary>The step that a player practices next, from 0: the one above the best clean tempo; one lower after misses, by the house
    /// rule
    /// <c>move-on</c>; the last for whoever is at the goal.</summary>
    /// <param name="steps">Tempos of the ladder in quarters a minute, at least one.</param>
    /// <param name="heard">What was heard, the newest first.</param>
    /// <param name="house">The school's answers.</param>
    public static int NextStep(IReadOnlyList<double> steps, IReadOnlyList<HeardTempo> heard, House house)
    {
        var clean = heard.Where(h => h.Clean).Select(h => h.QuarterBpm).DefaultIfEmpty().Max();
        var next = steps.TakeWhile(s => s <= clean + AtAStep).Count();
        if (next == steps.Count)
            return next - 1;
        var tries = heard.Where(h => h.QuarterBpm >= steps[next] - AtAStep).Reverse().Select(h => h.Clean).ToList();
        return MoveOn.After(house, tries) == NextStepOf.Back ? Math.Max(0, next - 1) : next;
    }

    /// <summary>The items of all passages.</summary>
    /// <param name="passages">The passages that are handed out.</param>
    /// <param name="day">Minutes of a usual day.</param>
    public static IReadOnlyList<SeasonItem> Of(IEnumerable<SeasonPassage> passages, int day) =>
        [.. passages.SelectMany(p => p.Players.GroupBy(BandOf).OrderBy(g => g.Key).Select(g => Item(p, g.Key, [.. g], day)))];

    /// <summary>The passages as the planner takes them.</summary>
    /// <param name="items">The items.</param>
    /// <param name="today">The first day of the plan.</param>
    /// <param name="set">Days that were set by hand, by key of the item.</param>
    /// <param name="inTurn">True where the passages of a piece are begun one after the other.</param>
    public static IReadOnlyList<PlanPassage> ForPlanner(
        IReadOnlyList<SeasonItem> items,
        DateOnly today,
        IReadOnlyDictionary<string, IReadOnlyList<DateOnly>> set,
        bool inTurn = false
    ) =>
        [
            .. items.Select(i =>
            {
                var days = set.GetValueOrDefault(i.Key) ?? [];
                var begins = i.Passage.From > today ? i.Passage.From : today;
                var (from, until) = inTurn ? PassageTurns.Of(i, items, begins) : (begins, i.Passage.Due);
                from = days.Append(from).Min();
                var gap = Math.Clamp((int)((until.DayNumber - from.DayNumber) * ShareOfTheWindow / i.Sessions), 1, WidestGap);
                return new PlanPassage(
                    i.Key,
                    i.Minutes,
                    Math.Max(i.Sessions, days.Count),
                    Math.Min(gap, Nearest(days)),
                    [.. i.Players.Select(p => p.ToString(CultureInfo.InvariantCulture))],
                    i.Passage.Due,
                    from
                )
                {
                    Set = days,
                };
            }),
        ];

    private static int Nearest(IReadOnlyList<DateOnly> days)
    {
        var sorted = days.Order().ToList();
        return sorted.Zip(sorted.Skip(1)).Select(p => p.Second.DayNumber - p.First.DayNumber).DefaultIfEmpty(WidestGap).Min();
    }

    private static Band BandOf(PlayerProgress player)
    {
        if (player.IsThere)
            return Band.Ahead;
        return player.Readiness switch
        {
            Readiness.Late => Band.Behind,
            Readiness.Early => Band.Ahead,
            _ => Band.Usual,
        };
    }

    private static SeasonItem Item(SeasonPassage passage, Band band, IReadOnlyList<PlayerProgress> players, int day)
    {
        var minutes = MinutesOfASession(passage.Minutes, day);
        var whole = Math.Max(passage.Steps, (int)Math.Ceiling((double)passage.Minutes / minutes));
        var next = players.Select(p => p.Next).Order().ElementAt((players.Count - 1) / 2);
        var left = (double)(passage.Steps - next) / passage.Steps;
        var usual = Math.Max(1, (int)Math.Ceiling(whole * left));
        var sessions = Math.Max(1, (int)Math.Ceiling(usual * Factor(band) - 1e-9));
        return new SeasonItem(
            passage,
            band,
            [.. players.Select(p => p.Player)],
            minutes,
            sessions,
            next,
            Why(passage, band, next, usual, sessions)
        );
    }

    private static double Factor(Band band) =>
        band switch
        {
            Band.Behind => MoreWhenBehind,
            Band.Ahead => FewerWhenAhead,
            _ => 1,
        };

    private static string Why(SeasonPassage passage, Band band, int next, int usual, int sessions)
    {
        var at = string.Create(
            CultureInfo.InvariantCulture,
            $"at step {next + 1} of {passage.Steps}, {sessions} {(sessions == 1 ? "session" : "sessions")} left"
        );
        var instead = sessions == usual ? "" : $" instead of {usual}";
        return band switch
        {
            Band.Behind => $"Behind: {at}{instead}.",
            Band.Ahead => $"Ahead: {at}{instead}, to keep it.",
            _ => $"On the way: {at}.",
        };
    }
}
