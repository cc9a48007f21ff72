using MellowStand.Core.Tempo;
using Microsoft.Data.Sqlite;

namespace MellowStand.Storage;

/// <summary>Marks of one player in a test.</summary>
/// <param name="Player">The player.</param>
/// <param name="Marks">Marks by criterion.</param>
/// <param name="Note">A word to them.</param>
/// <param name="Version">How often they were changed.</param>
public sealed record TestGradesRow(PlayerId Player, IReadOnlyDictionary<string, int> Marks, string Note, int Version);

/// <summary>A playing test.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Passage">The passage.</param>
/// <param name="Title">Its title.</param>
/// <param name="Tempo">The tempo that is asked.</param>
/// <param name="Held">The day.</param>
/// <param name="Weights">Weights by criterion, in their order.</param>
/// <param name="Marks">What was marked.</param>
/// <param name="Version">How often it was changed.</param>
public sealed record TestRow(
    long Id,
    PassageId Passage,
    string Title,
    TempoMark Tempo,
    DateOnly Held,
    IReadOnlyList<KeyValuePair<string, int>> Weights,
    IReadOnlyList<TestGradesRow> Marks,
    int Version = 0
);

/// <summary>Playing tests and their marks.</summary>
public sealed class TestRepository(Database database)
{
    private readonly Slice<IReadOnlyList<TestRow>> _all = new(
        database,
        RestsOn.Hearing | RestsOn.Passages | RestsOn.Shelf,
        c => Read(c, null)
    );

    private readonly Slice<IReadOnlyDictionary<string, int>> _weights = new(
        database,
        RestsOn.Hearing,
        c =>
            c.Read("SELECT name, weight FROM test_weight", r => (Name: r.Text("name"), Weight: r.Int("weight")))
                .ToDictionary(x => x.Name, x => x.Weight)
    );

    /// <summary>Keeps a test.</summary>
    public long Add(TestRow test) =>
        database.Act(c =>
        {
            c.Demand("The passage", "passage", "deleted IS NULL", test.Passage.Value);
            return c.Insert(
                "INSERT INTO playing_test (passage_id, title, unit, bpm, held, weights) VALUES ($passage, $title, $unit, "
                    + "$bpm, $held, $weights)",
                [("passage", test.Passage.Value), .. Values(test)]
            );
        });

    /// <summary>Changes a test that still has the row's version.</summary>
    public Change Update(TestRow test) =>
        database.Act(c =>
            c.Update(
                "playing_test",
                "id = $id AND deleted IS NULL",
                "title = $title, unit = $unit, bpm = $bpm, held = $held, weights = $weights",
                test.Version,
                [("id", test.Id), .. Values(test)]
            )
        );

    /// <summary>The tests, newest first.</summary>
    public IReadOnlyList<TestRow> All() => _all.Now();

    /// <summary>A test, or null.</summary>
    public TestRow? Find(long id) => database.Look(c => Read(c, id)) is [var only, ..] ? only : null;

    /// <summary>Takes a test back.</summary>
    public bool Remove(long id, DateTimeOffset now) =>
        database.Act(c =>
            c.Run("UPDATE playing_test SET deleted = $now WHERE id = $id AND deleted IS NULL", ("id", id), ("now", now.Iso()))
        ) > 0;

    /// <summary>Undoes <see cref="Remove"/>.</summary>
    public bool Restore(long id) =>
        database.Act(c => c.Run("UPDATE playing_test SET deleted = NULL WHERE id = $id AND deleted IS NOT NULL", ("id", id))) > 0;

    /// <summary>Keeps the marks of a player who still has the version that was seen.</summary>
    public Change Mark(long test, TestGradesRow row) =>
        database.Act(c =>
        {
            c.Demand("The test", "playing_test", "deleted IS NULL", test);
            c.Demand("The player", "player", "1", row.Player.Value);
            c.Run(
                "INSERT OR IGNORE INTO test_mark (test_id, player_id) VALUES ($test, $player)",
                ("test", test),
                ("player", row.Player.Value)
            );
            return c.Update(
                "test_mark",
                "test_id = $test AND player_id = $player",
                "marks = $marks, note = $note",
                row.Version,
                ("test", test),
                ("player", row.Player.Value),
                ("marks", GradeText.Of(row.Marks)),
                ("note", row.Note)
            );
        });

    /// <summary>The school's own weights by criterion.</summary>
    public IReadOnlyDictionary<string, int> Weights() => _weights.Now();

    /// <summary>Keeps the school's own weights.</summary>
    public void Weights(IReadOnlyDictionary<string, int> weights) =>
        database.Act(c =>
        {
            foreach (var (name, weight) in weights)
                c.Run(
                    "INSERT INTO test_weight (name, weight) VALUES ($name, $weight) ON CONFLICT (name) DO UPDATE SET weight = $weight",
                    ("name", name),
                    ("weight", weight)
                );
            return weights.Count;
        });

    private static List<TestRow> Read(SqliteConnection c, long? id)
    {
        var marks = c.Read(
                "SELECT test_id, player_id, marks, note, version FROM test_mark WHERE $id IS NULL OR test_id = $id",
                r =>
                    (
                        Test: r.Long("test_id"),
                        Mark: new TestGradesRow(
                            new PlayerId(r.Long("player_id")),
                            GradeText.Read(r.Text("marks")).ToDictionary(),
                            r.Text("note"),
                            r.Int("version")
                        )
                    ),
                ("id", id)
            )
            .ToLookup(x => x.Test, x => x.Mark);
        return c.Read(
            "SELECT t.id, passage_id, t.title, unit, bpm, held, weights, t.version FROM playing_test t JOIN passage p ON p.id = passage_id "
                + "JOIN piece q ON q.id = p.piece_id WHERE t.deleted IS NULL AND q.deleted IS NULL AND ($id IS NULL OR t.id = $id) "
                + "ORDER BY held DESC, t.id DESC",
            r => new TestRow(
                r.Long("id"),
                new PassageId(r.Long("passage_id")),
                r.Text("title"),
                r.Tempo("unit", "bpm"),
                r.Day("held"),
                [.. GradeText.Read(r.Text("weights"))],
                [.. marks[r.Long("id")]],
                r.Int("version")
            ),
            ("id", id)
        );
    }

    private static (string Name, object? Value)[] Values(TestRow test) =>
        [
            ("title", test.Title),
            ("unit", test.Tempo.Unit.Name),
            ("bpm", test.Tempo.Bpm),
            ("held", test.Held.Iso()),
            ("weights", GradeText.Of(test.Weights)),
        ];
}
