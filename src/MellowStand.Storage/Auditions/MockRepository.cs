using Microsoft.Data.Sqlite;

namespace MellowStand.Storage;

/// <summary>What a listener marked.</summary>
/// <param name="Number">Number of the candidate in the drawn order.</param>
/// <param name="Listener">Number of the listener from 1.</param>
/// <param name="Marks">Marks by criterion.</param>
/// <param name="Note">A word to the candidate.</param>
/// <param name="Version">How often it was changed.</param>
public sealed record MockGradesRow(int Number, int Listener, IReadOnlyDictionary<string, int> Marks, string Note, int Version);

/// <summary>A mock audition.</summary>
/// <param name="Id">Its number; 0 for a new one.</param>
/// <param name="Round">The round.</param>
/// <param name="Title">Its title.</param>
/// <param name="Held">The day.</param>
/// <param name="Seed">What the order was drawn from.</param>
/// <param name="Screened">True where listeners see numbers only.</param>
/// <param name="Trimmed">True where the highest and lowest listener do not count.</param>
/// <param name="Listeners">Their names.</param>
/// <param name="Weights">Weights by criterion.</param>
/// <param name="Order">Candidates in the drawn order: the number heard is the place from 1.</param>
/// <param name="Marks">What was marked.</param>
/// <param name="Version">How often it was changed.</param>
public sealed record MockRow(
    long Id,
    long Round,
    string Title,
    DateOnly Held,
    long Seed,
    bool Screened,
    bool Trimmed,
    IReadOnlyList<string> Listeners,
    IReadOnlyList<KeyValuePair<string, int>> Weights,
    IReadOnlyList<long> Order,
    IReadOnlyList<MockGradesRow> Marks,
    int Version = 0
);

/// <summary>Mock auditions and their marks.</summary>
public sealed class MockRepository(Database database)
{
    private const string Columns =
        "SELECT m.id, m.round_id, m.title, m.held, m.seed, m.screened, m.trimmed, m.listeners, m.weights, "
        + "m.version FROM mock_audition m JOIN audition_round r ON r.id = m.round_id JOIN audition_set s ON s.id = r.set_id "
        + "WHERE m.deleted IS NULL AND s.deleted IS NULL";

    /// <summary>Keeps a mock audition with its drawn order.</summary>
    public long Add(MockRow mock) =>
        database.Act(c =>
        {
            c.Demand("The round", "audition_round", "deleted IS NULL", mock.Round);
            var id = c.Insert(
                "INSERT INTO mock_audition (round_id, title, held, seed, screened, trimmed, listeners, weights) VALUES "
                    + "($round, $title, $held, $seed, $screened, $trimmed, $listeners, $weights)",
                ("round", mock.Round),
                ("title", mock.Title),
                ("held", mock.Held.Iso()),
                ("seed", mock.Seed),
                ("screened", mock.Screened),
                ("trimmed", mock.Trimmed),
                ("listeners", string.Join('\n', mock.Listeners)),
                ("weights", GradeText.Of(mock.Weights))
            );
            foreach (var (i, candidate) in mock.Order.Index())
                c.Run(
                    "INSERT INTO mock_seat (mock_id, number, candidate_id) VALUES ($mock, $number, $candidate)",
                    ("mock", id),
                    ("number", i + 1),
                    ("candidate", candidate)
                );
            return id;
        });

    /// <summary>Mock auditions of a set, newest first.</summary>
    public IReadOnlyList<MockRow> Of(long set) => database.Look(c => Read(c, " AND s.id = $id", set));

    /// <summary>A mock audition, or null.</summary>
    public MockRow? Find(long id) => database.Look(c => Read(c, " AND m.id = $id", id)) is [var only, ..] ? only : null;

    /// <summary>The set that a mock audition belongs to.</summary>
    public long SetOf(long round) =>
        database.Look(c => c.Read("SELECT set_id FROM audition_round WHERE id = $id", r => r.Long("set_id"), ("id", round)))[0];

    /// <summary>Takes one back.</summary>
    public bool Remove(long id, DateTimeOffset now) =>
        database.Act(c =>
            c.Run("UPDATE mock_audition SET deleted = $now WHERE id = $id AND deleted IS NULL", ("id", id), ("now", now.Iso()))
        ) > 0;

    /// <summary>Undoes <see cref="Remove"/>.</summary>
    public bool Restore(long id) =>
        database.Act(c => c.Run("UPDATE mock_audition SET deleted = NULL WHERE id = $id AND deleted IS NOT NULL", ("id", id))) > 0;

    /// <summary>Keeps a listener's marks that still have the version that was seen.</summary>
    public Change Mark(long mock, MockGradesRow row) =>
        database.Act(c =>
        {
            c.Demand("The mock audition", "mock_audition", "deleted IS NULL", mock);
            (string, object?)[] which = [("mock", mock), ("number", row.Number), ("listener", row.Listener)];
            c.Run("INSERT OR IGNORE INTO mock_mark (mock_id, number, listener) VALUES ($mock, $number, $listener)", which);
            return c.Update(
                "mock_mark",
                "mock_id = $mock AND number = $number AND listener = $listener",
                "marks = $marks, note = $note",
                row.Version,
                [.. which, ("marks", GradeText.Of(row.Marks)), ("note", row.Note)]
            );
        });

    private static List<MockRow> Read(SqliteConnection c, string which, long id)
    {
        var mocks = c.Read(Columns + which + " ORDER BY m.held DESC, m.id DESC", Mock, ("id", id));
        var own = Sql.Json(mocks.Select(m => m.Id));
        var marks = c.Read(
                "SELECT mock_id, number, listener, marks, note, version FROM mock_mark "
                    + "WHERE mock_id IN (SELECT value FROM json_each($own))",
                r => (Mock: r.Long("mock_id"), Row: Marked(r)),
                ("own", own)
            )
            .ToLookup(x => x.Mock, x => x.Row);
        var order = c.Read(
                "SELECT mock_id, candidate_id FROM mock_seat WHERE mock_id IN (SELECT value FROM json_each($own)) ORDER BY mock_id, number",
                r => (Mock: r.Long("mock_id"), Candidate: r.Long("candidate_id")),
                ("own", own)
            )
            .ToLookup(x => x.Mock, x => x.Candidate);
        return [.. mocks.Select(m => m with { Order = [.. order[m.Id]], Marks = [.. marks[m.Id]] })];
    }

    private static MockGradesRow Marked(Row r) =>
        new(r.Int("number"), r.Int("listener"), GradeText.Read(r.Text("marks")).ToDictionary(), r.Text("note"), r.Int("version"));

    private static MockRow Mock(Row r) =>
        new(
            r.Long("id"),
            r.Long("round_id"),
            r.Text("title"),
            r.Day("held"),
            r.Long("seed"),
            r.Bool("screened"),
            r.Bool("trimmed"),
            r.Lines("listeners"),
            [.. GradeText.Read(r.Text("weights"))],
            [],
            [],
            r.Int("version")
        );
}
