using System.Globalization;
using MellowStand.Core.Assign;
using MellowStand.Core.HouseRules;
using MellowStand.Planning;
using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>Plans the season: what was handed out, who is how far, and the calendar in; a draft to look at out.</summary>
public sealed class SeasonDesk(
    PassageRepository passages,
    PieceRepository pieces,
    ReadinessService readiness,
    CalendarDesk calendar,
    LearningTimes times,
    SeasonRepository seasons,
    HouseRepository house,
    TimeProvider clock
)
{
    private const int MostNamed = 3;
    private const int LongestLook = 400;

    /// <summary>What is to be practiced from today on.</summary>
    public IReadOnlyList<SeasonItem> Items()
    {
        var today = clock.Today();
        var practice = calendar.Calendar();
        var concerts = pieces.All().ToDictionary(p => p.Id, p => p.Due);
        var handed = passages.All().Where(p => p.Due >= today && p.Steps.Count > 0).ToList();
        var (ready, time, rules) = (readiness.Of(handed), times.Of(handed, times.Pace()), house.House());
        return SeasonItems.Of(
            handed.Select(p => new SeasonPassage(
                p.Id.Value,
                p.Title,
                time[p.Id].Minutes,
                p.Steps.Count,
                p.Begins,
                Later(practice.LastDay(p.Due, concerts.GetValueOrDefault(p.PieceId)), today),
                [.. ready[p.Id].Select(r => Progress(p, r, rules))]
            )
            {
                Piece = p.PieceId,
                Measure = p.Place.From.Index,
            }),
            practice.Minutes
        );
    }

    /// <summary>Makes a draft of a plan.</summary>
    /// <param name="tell">Told how far it is.</param>
    /// <param name="cancelled">Stops it.</param>
    /// <param name="budget">Seconds for each search.</param>
    /// <returns>The number of the draft.</returns>
    /// <exception cref="Refusal">There is nothing to plan, or no day.</exception>
    public long Draft(Action<PlanningStep>? tell, CancellationToken cancelled, double budget = 8)
    {
        var today = clock.Today();
        var items = Items().Where(i => i.Players.Count > 0).ToList();
        if (items.Count == 0)
            throw Refusal.Conflict(
                "There is nothing to plan: no passage that is still due is handed out to anybody. Hand out passages under Assign first."
            );
        var practice = calendar.Calendar();
        var last = items.Max(i => i.Passage.Due);
        var days = practice.Days(today, last < today.AddDays(LongestLook) ? last : today.AddDays(LongestLook));
        var rule = house.House()["chunks"];
        var problem = new PlanProblem(days, SeasonItems.ForPlanner(items, today, SetDays(today, days), rule == "joined"), rule)
        {
            Shares = calendar.Shares().ToDictionary(s => s.Key.Value.ToString(CultureInfo.InvariantCulture), s => s.Value),
        };
        var plan = new Planner(budget).Make(problem, tell, cancelled);
        return seasons.Draft(Row(plan, items, today));
    }

    /// <summary>Where what was heard has moved players to another band than the plan in force took them for, in sentences.</summary>
    public IReadOnlyList<string> Moved(SeasonPlanRow plan)
    {
        var now = Items();
        var was = plan
            .Items.SelectMany(i => i.Players.Select(p => (Key: (i.Passage.Value, p.Value), i.Band)))
            .ToDictionary(x => x.Key, x => x.Band);
        return
        [
            .. now.Select(i =>
                    (
                        i.Passage.Title,
                        i.Band,
                        Players: i.Players.Count(p => was.TryGetValue((i.Passage.Id, p), out var b) && b != Words.Of(i.Band))
                    )
                )
                .Where(m => m.Players > 0)
                .Select(m => $"{m.Title}: {m.Players} {(m.Players == 1 ? "player is" : "players are")} now {BandWords.Of(m.Band)}."),
            .. NotPlanned([.. Unplanned(now, plan).Select(p => p.Title)]),
        ];
    }

    private static IEnumerable<SeasonPassage> Unplanned(IEnumerable<SeasonItem> now, SeasonPlanRow plan) =>
        now.Where(i => !plan.Items.Any(p => p.Passage.Value == i.Passage.Id) && i.Players.Count > 0)
            .Select(i => i.Passage)
            .DistinctBy(p => p.Id);

    // A round that was handed out is one sentence, not one for each of its passages.
    private static IEnumerable<string> NotPlanned(IReadOnlyList<string> titles) =>
        titles.Count <= MostNamed
            ? titles.Select(t => $"{t} is handed out and not in the plan.")
            : [$"{titles.Count} passages are handed out and not in the plan."];

    private static DateOnly Later(DateOnly day, DateOnly today) => day < today ? today : day;

    private static PlayerProgress Progress(PassageRow passage, PlayerReadiness r, House rules)
    {
        var steps = passage.Steps.Select(s => s.Mark.QuarterBpm).ToList();
        var clean = r.Heard.Where(h => h.Clean).Select(h => h.QuarterBpm).DefaultIfEmpty().Max();
        var next = SeasonItems.NextStep(steps, r.Heard, rules);
        return new PlayerProgress(r.Player.Id.Value, next, steps[^1] <= clean + 0.5, r.Readiness);
    }

    // Sessions that were set by hand stay on their day, as long as there is time on it.
    private Dictionary<string, IReadOnlyList<DateOnly>> SetDays(DateOnly today, IReadOnlyList<PlanDay> days)
    {
        var open = days.Where(d => d.Minutes > 0).Select(d => d.Date).ToHashSet();
        return (seasons.Current()?.Items ?? [])
            .Select(i =>
                (
                    Key: $"{i.Passage.Value}/{i.Band}",
                    Days: i.Sessions.Where(s => s.ByHand && s.Day >= today && open.Contains(s.Day)).Select(s => s.Day)
                )
            )
            .ToDictionary(i => i.Key, i => (IReadOnlyList<DateOnly>)[.. i.Days]);
    }

    private SeasonPlanRow Row(Plan plan, List<SeasonItem> items, DateOnly today)
    {
        var before = seasons.Current();
        var titles = items.DistinctBy(i => i.Passage.Id).ToDictionary(i => i.Passage.Id, i => i.Passage.Title);
        var set =
            before?.Items.SelectMany(i => i.Sessions.Where(s => s.ByHand).Select(s => ($"{i.Passage.Value}/{i.Band}", s.Day))).ToHashSet()
            ?? [];
        var rows = items.Select(i => ItemRow(i, plan, set)).ToList();
        var changes = SeasonChanges.Of(
            [.. (before?.Items ?? []).Select(i => Kept(i, titles.GetValueOrDefault(i.Passage.Value) ?? TitleOf(i.Passage)))],
            [.. rows.Select(i => Kept(i, titles[i.Passage.Value]))],
            today
        );
        var named = plan.Gives.Select(g => $"{g.What}: {Named(g.Why, items)}").ToList();
        return new SeasonPlanRow(
            0,
            clock.GetUtcNow(),
            "draft",
            Words.Of(plan.State),
            plan.Late,
            plan.Peak,
            plan.Bound,
            named,
            changes,
            rows
        );
    }

    private static SeasonItemRow ItemRow(SeasonItem item, Plan plan, HashSet<(string, DateOnly)> set) =>
        new(
            0,
            new PassageId(item.Passage.Id),
            Words.Of(item.Band),
            item.Players.Players(),
            item.Minutes,
            item.Why,
            [
                .. plan
                    .Sessions.Where(s => s.Passage == item.Key)
                    .OrderBy(s => s.Day)
                    .Select(
                        (s, n) => new SessionSlot(0, s.Day, item.StepAt(Math.Min(n + 1, item.Sessions)), set.Contains((item.Key, s.Day)))
                    ),
            ]
        );

    private string TitleOf(PassageId passage) => passages.Find(passage)?.Title ?? "a passage taken back";

    private static KeptItem Kept(SeasonItemRow row, string title) =>
        new(
            $"{row.Passage.Value}/{row.Band}",
            title,
            Enum.Parse<Band>(row.Band, true),
            row.Players.Values(),
            [.. row.Sessions.Select(s => s.Day)]
        );

    // The planner knows keys; people know titles.
    private static string Named(string sentence, List<SeasonItem> items) =>
        items
            .OrderByDescending(i => i.Key.Length)
            .Aggregate(
                sentence,
                (text, i) => text.Replace(i.Key, $"\"{i.Passage.Title}\" ({BandWords.Of(i.Band)})", StringComparison.Ordinal)
            );
}
