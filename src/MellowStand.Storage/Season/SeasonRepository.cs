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
/// <param name="PassageId">The passage.</param>
/// <param name="Band"><c>usual</c>, <c>behind</c> or <c>ahead</c>.</param>
/// <param name="Players">Their numbers.</param>
/// <param name="Minutes">Minutes of a session.</param>
/// <param name="Why">What the number of sessions rests on.</param>
/// <param name="Sessions">Its sessions by day.</param>
public sealed record SeasonItemRow(
    long Id,
    long PassageId,
    string Band,
    IReadOnlyList<long> Players,
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

    /// <summary>The plan in force, or null.</summary>
    public SeasonPlanRow? Current() => database.Look(c => Read(c, "id = (SELECT MAX(id) FROM season_plan WHERE state = 'kept')", null));

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
            var current = c.Read("SELECT MAX(id) FROM season_plan WHERE state = 'kept'", r => r.IsDBNull(0) ? (long?)null : r.GetInt64(0))[
                0
            ];
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
                r => r.GetInt64(0),
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
            ("passage", item.PassageId),
            ("band", item.Band),
            ("players", string.Join(' ', item.Players)),
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
        var sessions = c.Read(
                $"SELECT item_id, id, day, step, by_hand FROM season_session WHERE item_id IN (SELECT id FROM season_item WHERE plan_id = "
                    + $"(SELECT id FROM season_plan WHERE {which})) ORDER BY day",
                r => (Item: r.GetInt64(0), Slot: new SessionSlot(r.GetInt64(1), r.Day(2)!.Value, r.GetInt32(3), r.GetInt32(4) != 0)),
                ("id", id)
            )
            .ToLookup(x => x.Item, x => x.Slot);
        var items = c.Read(
            "SELECT i.id, passage_id, band, players, minutes, why FROM season_item i JOIN passage p ON p.id = "
                + "i.passage_id JOIN piece q ON q.id = "
                + $"p.piece_id WHERE plan_id = (SELECT id FROM season_plan WHERE {which}) AND p.deleted IS NULL AND "
                + $"q.deleted IS NULL ORDER BY i.id",
            r => new SeasonItemRow(
                r.GetInt64(0),
                r.GetInt64(1),
                r.GetString(2),
                [.. CalendarRepository.Numbers(r.GetString(3))],
                r.GetInt32(4),
                r.GetString(5),
                [.. sessions[r.GetInt64(0)]]
            ),
            ("id", id)
        );
        return
            c.Read(
                $"SELECT id, made, state, proved, late, peak, bound, gives, changes, version FROM season_plan WHERE {which}",
                r => new SeasonPlanRow(
                    r.GetInt64(0),
                    DateTimeOffset.Parse(r.GetString(1), System.Globalization.CultureInfo.InvariantCulture),
                    r.GetString(2),
                    r.GetString(3),
                    r.GetInt32(4),
                    r.GetInt32(5),
                    r.GetInt32(6),
                    r.Lines(7),
                    r.Lines(8),
                    items,
                    r.GetInt32(9)
                ),
                ("id", id)
            )
                is [var only, ..]
            ? only
            : null;
    }
}
