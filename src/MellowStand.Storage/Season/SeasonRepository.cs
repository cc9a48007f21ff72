using Microsoft.Data.Sqlite;

namespace MellowStand.Storage;

/// <summary>A session of the season's plan.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Day">The day.</param>
/// <param name="Step">The step of the ladder, from 0.</param>
/// <param name="ByHand">True when it was set there by hand.</param>
public sealed record SessionSlot(long Id, DateOnly Day, int Step, bool ByHand);

/// <summary>A passage in the season's plan, for players who are equally far.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Passage">The passage.</param>
/// <param name="Band"><c>usual</c>, <c>behind</c> or <c>ahead</c>.</param>
/// <param name="Players">Their numbers.</param>
/// <param name="Minutes">Minutes of a session.</param>
/// <param name="Why">What the number of sessions rests on.</param>
/// <param name="Sessions">Its sessions by day.</param>
public sealed record SeasonItemRow(
    long Id,
    PassageId Passage,
    string Band,
    IReadOnlyList<PlayerId> Players,
    int Minutes,
    string Why,
    IReadOnlyList<SessionSlot> Sessions
);

/// <summary>A plan of the season.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Made">When it was made.</param>
/// <param name="State"><c>draft</c>, <c>kept</c> or <c>undone</c>.</param>
/// <param name="Proved"><c>optimal</c>, <c>feasible</c> or <c>cannot</c>.</param>
/// <param name="Late">Days that passages come too late, added up.</param>
/// <param name="Peak">Most minutes of a player on a day.</param>
/// <param name="Bound">No plan has less.</param>
/// <param name="Gives">What would give, as <c>kind: sentence</c>.</param>
/// <param name="Changes">What it changes, in sentences.</param>
/// <param name="Items">What is practiced.</param>
/// <param name="Version">How often it was changed.</param>
public sealed record SeasonPlanRow(
    long Id,
    DateTimeOffset Made,
    string State,
    string Proved,
    int Late,
    int Peak,
    int Bound,
    IReadOnlyList<string> Gives,
    IReadOnlyList<string> Changes,
    IReadOnlyList<SeasonItemRow> Items,
    int Version = 0
);

/// <summary>The season's plans.</summary>
public sealed class SeasonRepository(Database database)
{
    /// <summary>SQL of the day on which a step of a passage is left, by the plan in force; null where it has none.</summary>
    internal const string StepDay =
        "(SELECT CASE WHEN MIN(s.step) > st.position THEN NULL ELSE COALESCE(MAX(CASE WHEN s.step = st.position THEN s.day END), "
        + "MIN(CASE WHEN s.step > st.position THEN s.day END)) END "
        + "FROM season_session s JOIN season_item i ON i.id = s.item_id WHERE i.passage_id = st.passage_id AND i.id = "
        + "(SELECT x.id FROM season_item x WHERE x.passage_id = st.passage_id AND x.plan_id = (SELECT MAX(id) FROM season_plan WHERE "
        + "state = 'kept') ORDER BY CASE x.band WHEN 'usual' THEN 0 WHEN 'behind' THEN 1 ELSE 2 END LIMIT 1))";

    private readonly Slice<Maybe> _current = new(
        database,
        RestsOn.Plans | RestsOn.Passages | RestsOn.Shelf,
        c => new Maybe(Read(c, "id = (SELECT MAX(id) FROM season_plan WHERE state = 'kept')", null))
    );

    /// <summary>The plan in force, or null.</summary>
    public SeasonPlanRow? Current() => _current.Now().Plan;

    private sealed record Maybe(SeasonPlanRow? Plan);

    /// <summary>A plan, or null.</summary>
    public SeasonPlanRow? Find(long id) => database.Look(c => Read(c, "id = $id", id));

    /// <summary>Keeps a draft to be looked at; earlier drafts go.</summary>
    public long Draft(SeasonPlanRow plan) =>
        database.Act(c =>
        {
            c.Run("DELETE FROM season_plan WHERE state = 'draft'");
            var id = c.Insert(
                "INSERT INTO season_plan (made, state, proved, late, peak, bound, gives, changes) VALUES ($made, 'draft', $proved, $late, "
                    + "$peak, $bound, $gives, $changes)",
                ("made", plan.Made.Iso()),
                ("proved", plan.Proved),
                ("late", plan.Late),
                ("peak", plan.Peak),
                ("bound", plan.Bound),
                ("gives", string.Join('\n', plan.Gives)),
                ("changes", string.Join('\n', plan.Changes))
            );
            foreach (var item in plan.Items)
                Put(c, id, item);
            return id;
        });

    /// <summary>Puts a plan in force, or back in force.</summary>
    /// <param name="id">The plan.</param>
    /// <param name="seen">The plan in force that was seen, or null for none; when there is another by now, nothing happens.</param>
    public Change Keep(long id, long? seen) =>
        database.Act(c =>
        {
            var current = c.One("SELECT MAX(id) AS newest FROM season_plan WHERE state = 'kept'", r => r.LongOrNull("newest"));
            if (current != seen)
                return Change.Stale;
            return c.Run("UPDATE season_plan SET state = 'kept' WHERE id = $id AND state <> 'kept'", ("id", id)) > 0
                ? Change.Kept
                : Change.Gone;
        });

    /// <summary>Takes a plan out of force: the one before is in force again.</summary>
    public bool Undo(long id) =>
        database.Act(c => c.Run("UPDATE season_plan SET state = 'undone' WHERE id = $id AND state = 'kept'", ("id", id))) > 0;

    /// <summary>Moves a session of the plan in force.</summary>
    /// <param name="session">The session.</param>
    /// <param name="day">The day, or null to leave it where it is.</param>
    /// <param name="byHand">True when it is to stay there in the plans to come.</param>
    /// <param name="version">The version of the plan that was seen.</param>
    public Change Move(long session, DateOnly day, bool byHand, int version) =>
        database.Act(c =>
        {
            var plan = c.Read(
                "SELECT i.plan_id FROM season_session s JOIN season_item i ON i.id = s.item_id JOIN season_plan p ON p.id = i.plan_id "
                    + "WHERE s.id = $id AND p.state = 'kept'",
                r => r.Long("plan_id"),
                ("id", session)
            );
            if (plan is not [var id, ..])
                return Change.Gone;
            var change = c.Update("season_plan", "id = $id", "state = state", version, ("id", id));
            if (change == Change.Kept)
                c.Run(
                    "UPDATE season_session SET day = $day, by_hand = $hand WHERE id = $id",
                    ("id", session),
                    ("day", day.Iso()),
                    ("hand", byHand ? 1 : 0)
                );
            return change;
        });

    private static void Put(SqliteConnection c, long plan, SeasonItemRow item)
    {
        var id = c.Insert(
            "INSERT INTO season_item (plan_id, passage_id, band, players, minutes, why) VALUES ($plan, $passage, $band, "
                + "$players, $minutes, $why)",
            ("plan", plan),
            ("passage", item.Passage.Value),
            ("band", item.Band),
            ("players", string.Join(' ', item.Players.Values())),
            ("minutes", item.Minutes),
            ("why", item.Why)
        );
        foreach (var s in item.Sessions)
            c.Run(
                "INSERT INTO season_session (item_id, day, step, by_hand) VALUES ($item, $day, $step, $hand)",
                ("item", id),
                ("day", s.Day.Iso()),
                ("step", s.Step),
                ("hand", s.ByHand ? 1 : 0)
            );
    }

    private static SeasonPlanRow? Read(SqliteConnection c, string which, long? id)
    {
        var plan = c.One(
            $"SELECT id, made, state, proved, late, peak, bound, gives, changes, version FROM season_plan WHERE {which}",
            Plan,
            ("id", id)
        );
        return plan is null ? null : plan with { Items = Items(c, plan.Id) };
    }

    // What was taken back is practiced no more. One row a session, and one for an item without any.
    private static IReadOnlyList<SeasonItemRow> Items(SqliteConnection c, long plan) =>
        [
            .. c.Read(
                    "SELECT i.id, i.passage_id, i.band, i.players, i.minutes, i.why, s.id AS session, s.day, s.step, s.by_hand "
                        + "FROM season_item i JOIN passage p ON p.id = i.passage_id JOIN piece q ON q.id = p.piece_id "
                        + "LEFT JOIN season_session s ON s.item_id = i.id WHERE i.plan_id = $plan AND p.deleted IS NULL "
                        + "AND q.deleted IS NULL ORDER BY i.id, s.day",
                    r => (Item: Item(r), Session: r.LongOrNull("session") is { } session ? Session(r, session) : null),
                    ("plan", plan)
                )
                .GroupBy(x => x.Item.Id)
                .Select(g => g.First().Item with { Sessions = [.. g.Select(x => x.Session).OfType<SessionSlot>()] }),
        ];

    private static SessionSlot Session(Row r, long id) => new(id, r.Day("day"), r.Int("step"), r.Bool("by_hand"));

    private static SeasonItemRow Item(Row r) =>
        new(
            r.Long("id"),
            new PassageId(r.Long("passage_id")),
            r.Text("band"),
            r.Numbers("players").Players(),
            r.Int("minutes"),
            r.Text("why"),
            []
        );

    private static SeasonPlanRow Plan(Row r) =>
        new(
            r.Long("id"),
            r.Moment("made"),
            r.Text("state"),
            r.Text("proved"),
            r.Int("late"),
            r.Int("peak"),
            r.Int("bound"),
            r.Lines("gives"),
            r.Lines("changes"),
            [],
            r.Int("version")
        );
}
