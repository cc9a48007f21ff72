using Microsoft.Data.Sqlite;

namespace MellowStand.Storage;

/// <summary>Audition sets, their rounds, pieces and candidates.</summary>
public sealed class AuditionRepository(Database database)
{
    private readonly Slice<IReadOnlyList<AuditionRow>> _all = new(database, RestsOn.Auditions | RestsOn.Shelf, Read);

    /// <summary>Keeps a set with its rounds, in one act with whatever keeps its pieces.</summary>
    /// <param name="name">Its name.</param>
    /// <param name="rounds">Its rounds in order.</param>
    /// <param name="entries">Makes its entries, once the rounds have their numbers; whatever it keeps is part of the act.</param>
    /// <param name="now">The moment.</param>
    public long Add(
        string name,
        IReadOnlyList<RoundRow> rounds,
        Func<IReadOnlyList<RoundRow>, IReadOnlyList<EntryRow>> entries,
        DateTimeOffset now
    ) =>
        database.Act(c =>
        {
            var id = c.Insert("INSERT INTO audition_set (name, made) VALUES ($name, $now)", ("name", name), ("now", now.Iso()));
            var kept = rounds.Select((r, i) => r with { Id = AddRound(c, id, r, i) }).ToList();
            foreach (var entry in entries(kept))
                AddEntry(c, id, entry);
            return id;
        });

    /// <summary>The sets, newest first.</summary>
    public IReadOnlyList<AuditionRow> All() => _all.Now();

    /// <summary>A set, or null.</summary>
    public AuditionRow? Find(long id) => All().FirstOrDefault(s => s.Id == id);

    /// <summary>Changes name and rounds of a set that still has the row's version: rounds that are not named any more are taken
    /// back.</summary>
    public Change Update(AuditionRow set, DateTimeOffset now) =>
        database.Act(c =>
        {
            var change = c.Update(
                "audition_set",
                "id = $id AND deleted IS NULL",
                "name = $name",
                set.Version,
                ("id", set.Id),
                ("name", set.Name)
            );
            if (change != Change.Kept)
                return change;
            c.Run("UPDATE audition_round SET deleted = $now WHERE set_id = $id AND deleted IS NULL", ("id", set.Id), ("now", now.Iso()));
            foreach (var (i, round) in set.Rounds.Index())
                if (round.Id == 0)
                    AddRound(c, set.Id, round, i);
                else
                    c.Run(
                        "UPDATE audition_round SET deleted = NULL, position = $position, name = $name, held = $held, way = $way, "
                            + "screened = $screened, version = version + 1 WHERE id = $round AND set_id = $id",
                        [("round", round.Id), ("id", set.Id), ("position", i), .. Values(round)]
                    );
            return change;
        });

    /// <summary>Takes a set back, with its pieces; <see cref="Restore"/> brings both back.</summary>
    public bool Remove(long id, DateTimeOffset now) =>
        database.Act(c =>
        {
            var there = c.Run("UPDATE audition_set SET deleted = $now WHERE id = $id AND deleted IS NULL", ("id", id), ("now", now.Iso()));
            if (there > 0)
                c.Run(
                    "UPDATE piece SET deleted = $now, left_with = $id WHERE deleted IS NULL AND id IN "
                        + "(SELECT piece_id FROM audition_entry WHERE set_id = $id AND deleted IS NULL)",
                    ("id", id),
                    ("now", now.Iso())
                );
            return there > 0;
        });

    /// <summary>Undoes <see cref="Remove"/>.</summary>
    public bool Restore(long id) =>
        database.Act(c =>
        {
            c.Run(
                "UPDATE piece SET deleted = NULL, left_with = NULL WHERE left_with = $id AND deleted IS NOT NULL",
                ("id", id)
            );
            return c.Run("UPDATE audition_set SET deleted = NULL WHERE id = $id AND deleted IS NOT NULL", ("id", id)) > 0;
        });

    /// <summary>Keeps an entry, in one act with whatever keeps its piece.</summary>
    public long AddEntry(long set, Func<EntryRow> entry) =>
        database.Act(c =>
        {
            c.Demand("The set", "audition_set", "deleted IS NULL", set);
            return AddEntry(c, set, entry());
        });

    /// <summary>Changes an entry that still has the row's version.</summary>
    /// <param name="entry">The entry.</param>
    /// <param name="with">What is kept in the same act, or null.</param>
    public Change Update(EntryRow entry, Action? with = null) =>
        database.Act(c =>
        {
            var change = c.Update(
                "audition_entry",
                "id = $id AND deleted IS NULL",
                "instrument = $instrument, kind = $kind, unit = $unit, slowest = $slowest, quickest = $quickest, errata = $errata",
                entry.Version,
                [("id", entry.Id), .. Values(entry)]
            );
            if (change != Change.Kept)
                return change;
            Ask(c, entry.Id, entry.Asked);
            with?.Invoke();
            return change;
        });

    /// <summary>Takes an entry out of its set; its piece stays on the shelf.</summary>
    public bool RemoveEntry(long id, DateTimeOffset now) =>
        database.Act(c =>
            c.Run("UPDATE audition_entry SET deleted = $now WHERE id = $id AND deleted IS NULL", ("id", id), ("now", now.Iso()))
        ) > 0;

    /// <summary>Undoes <see cref="RemoveEntry"/>.</summary>
    public bool RestoreEntry(long id) =>
        database.Act(c => c.Run("UPDATE audition_entry SET deleted = NULL WHERE id = $id AND deleted IS NOT NULL", ("id", id))) > 0;

    /// <summary>Keeps who auditions, where the set still has the version that was seen: those who are not named any more are taken back,
    /// and
    /// keep what was marked.</summary>
    public Change Candidates(long set, IReadOnlyList<CandidateRow> candidates, long version, DateTimeOffset now) =>
        database.Act(c =>
        {
            var change = c.Update("audition_set", "id = $set AND deleted IS NULL", "name = name", version, ("set", set));
            if (change != Change.Kept)
                return change;
            c.Run("UPDATE audition_candidate SET deleted = $now WHERE set_id = $set AND deleted IS NULL", ("set", set), ("now", now.Iso()));
            foreach (var candidate in candidates)
                c.Run(
                    "INSERT INTO audition_candidate (set_id, player_id, instrument) VALUES ($set, $player, $instrument) "
                        + "ON CONFLICT (set_id, player_id, instrument) DO UPDATE SET deleted = NULL",
                    ("set", set),
                    ("player", candidate.Player.Value),
                    ("instrument", candidate.Instrument)
                );
            return change;
        });

    /// <summary>Numbers of all rounds that a set has or had: one that was taken back can be named again.</summary>
    public IReadOnlySet<long> RoundsEver(long set) =>
        database.Look(c => c.Read("SELECT id FROM audition_round WHERE set_id = $set", r => r.Long("id"), ("set", set)).ToHashSet());

    /// <summary>Keeps which passages were handed out for a round.</summary>
    /// <param name="round">The round.</param>
    /// <param name="hand">Keeps the passages and tells what they are for; whatever it keeps is part of the act.</param>
    public void HandOut(long round, Func<IReadOnlyList<HandedRow>> hand) =>
        database.Act(c =>
        {
            c.Demand("The round", "audition_round", "deleted IS NULL", round);
            var handed = hand();
            foreach (var h in handed)
                c.Run(
                    "INSERT OR IGNORE INTO audition_passage (entry_id, round_id, passage_id, run) VALUES ($entry, $round, $passage, $run)",
                    ("entry", h.Entry),
                    ("round", round),
                    ("passage", h.Passage.Value),
                    ("run", h.IsRun)
                );
            return handed.Count;
        });

    /// <summary>Passages that were handed out for a set and still are.</summary>
    public IReadOnlyList<HandedRow> HandedOut(long set) =>
        database.Look(c =>
            c.Read(
                "SELECT a.entry_id, a.round_id, a.passage_id, a.run FROM audition_passage a JOIN audition_entry e ON e.id = a.entry_id "
                    + "JOIN passage p ON p.id = a.passage_id WHERE e.set_id = $set AND e.deleted IS NULL AND p.deleted IS NULL",
                r => new HandedRow(r.Long("entry_id"), r.Long("round_id"), new PassageId(r.Long("passage_id")), r.Bool("run")),
                ("set", set)
            )
        );

    private static long AddRound(SqliteConnection c, long set, RoundRow round, int position) =>
        c.Insert(
            "INSERT INTO audition_round (set_id, position, name, held, way, screened) VALUES "
                + "($set, $position, $name, $held, $way, $screened)",
            [("set", set), ("position", position), .. Values(round)]
        );

    private static (string Name, object? Value)[] Values(RoundRow round) =>
        [("name", round.Name), ("held", round.Held.Iso()), ("way", round.Way), ("screened", round.Screened)];

    private static long AddEntry(SqliteConnection c, long set, EntryRow entry)
    {
        var id = c.Insert(
            "INSERT INTO audition_entry (set_id, piece_id, instrument, kind, lender, reading, unit, slowest, quickest, errata) VALUES "
                + "($set, $piece, $instrument, $kind, $lender, $reading, $unit, $slowest, $quickest, $errata)",
            [("set", set), ("piece", entry.Piece), ("lender", entry.Lender), ("reading", entry.Reading), .. Values(entry)]
        );
        Ask(c, id, entry.Asked);
        return id;
    }

    private static (string Name, object? Value)[] Values(EntryRow entry) =>
        [
            ("instrument", entry.Instrument),
            ("kind", entry.Kind),
            ("unit", entry.Unit.Name),
            ("slowest", entry.Slowest),
            ("quickest", entry.Quickest),
            ("errata", entry.Errata),
        ];

    private static void Ask(SqliteConnection c, long entry, IReadOnlyList<AskedRow> asked)
    {
        c.Run("DELETE FROM audition_asked WHERE entry_id = $entry", ("entry", entry));
        foreach (var a in asked)
            c.Run(
                "INSERT INTO audition_asked (entry_id, round_id, from_label, to_label) VALUES ($entry, $round, $from, $to)",
                ("entry", entry),
                ("round", a.Round),
                ("from", a.From),
                ("to", a.To)
            );
    }

    private static List<AuditionRow> Read(SqliteConnection c)
    {
        var rounds = c.Read(
                "SELECT set_id, id, name, held, way, screened FROM audition_round WHERE deleted IS NULL ORDER BY position",
                r =>
                    (
                        Set: r.Long("set_id"),
                        Row: new RoundRow(r.Long("id"), r.Text("name"), r.Day("held"), r.Text("way"), r.Bool("screened"))
                    )
            )
            .ToLookup(x => x.Set, x => x.Row);
        var candidates = c.Read(
                "SELECT set_id, id, player_id, instrument FROM audition_candidate WHERE deleted IS NULL ORDER BY id",
                r => (Set: r.Long("set_id"), Row: new CandidateRow(r.Long("id"), new PlayerId(r.Long("player_id")), r.Text("instrument")))
            )
            .ToLookup(x => x.Set, x => x.Row);
        var asked = c.Read(
                "SELECT a.entry_id, a.round_id, a.from_label, a.to_label FROM audition_asked a JOIN audition_round r ON r.id = a.round_id "
                    + "WHERE r.deleted IS NULL ORDER BY r.position",
                r => (Entry: r.Long("entry_id"), Row: new AskedRow(r.Long("round_id"), r.Text("from_label"), r.Text("to_label")))
            )
            .ToLookup(x => x.Entry, x => x.Row);
        // An entry whose piece was taken off the shelf is not there until it comes back.
        var entries = c.Read(
                "SELECT e.set_id, e.id, e.piece_id, e.instrument, e.kind, e.lender, e.reading, e.unit, e.slowest, e.quickest, e.errata, "
                    + "e.version FROM audition_entry e JOIN piece p ON p.id = e.piece_id WHERE e.deleted IS NULL AND p.deleted IS NULL "
                    + "ORDER BY e.id",
                r => (Set: r.Long("set_id"), Row: Entry(r) with { Asked = [.. asked[r.Long("id")]] })
            )
            .ToLookup(x => x.Set, x => x.Row);
        return c.Read(
            "SELECT id, name, version FROM audition_set WHERE deleted IS NULL ORDER BY id DESC",
            r =>
                r.Long("id") is var set
                    ? new AuditionRow(set, r.Text("name"), [.. rounds[set]], [.. entries[set]], [.. candidates[set]], r.Int("version"))
                    : null!
        );
    }

    private static EntryRow Entry(Row r) =>
        new(
            r.Long("id"),
            r.Long("piece_id"),
            r.Text("instrument"),
            r.Text("kind"),
            r.LongOrNull("lender"),
            r.Text("reading"),
            r.Unit("unit"),
            r.DoubleOrNull("slowest"),
            r.DoubleOrNull("quickest"),
            r.Text("errata"),
            [],
            r.Int("version")
        );
}
