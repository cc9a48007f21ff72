using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;
using Microsoft.Data.Sqlite;

namespace MellowStand.Storage;

/// <summary>A decision as kept.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Difference">The difference it settles, or null for a free mark.</param>
/// <param name="Verdict"><c>accepted</c>, <c>reading</c>, <c>kept</c> or <c>free</c>.</param>
/// <param name="Reading">The reading taken, in words, or null.</param>
/// <param name="Why">The reason.</param>
/// <param name="Person">Who decided.</param>
/// <param name="Made">When, in UTC.</param>
/// <param name="Changes">What it writes.</param>
public sealed record DecisionRow(
    long Id,
    string? Difference,
    string Verdict,
    string? Reading,
    string Why,
    string Person,
    string Made,
    IReadOnlyList<MarkChange> Changes
);

/// <summary>The layer of decisions of each piece.</summary>
public sealed class DecisionRepository(Database database)
{
    /// <summary>Keeps a decision.</summary>
    /// <returns>Its number, or null when another decision on the same difference is in force already.</returns>
    public long? Add(
        long piece,
        string? difference,
        string verdict,
        string? reading,
        string why,
        string person,
        IReadOnlyList<MarkChange> changes,
        DateTimeOffset now
    )
    {
        try
        {
            return database.Act(c => Insert(c, piece, new DecisionRow(0, difference, verdict, reading, why, person, now.Iso(), changes)));
        }
        catch (SqliteException e) when (e.SqliteExtendedErrorCode == 2067)
        {
            return null;
        }
    }

    /// <summary>The decisions in force, oldest first.</summary>
    public IReadOnlyList<DecisionRow> InForce(long piece)
    {
        using var c = database.Open();
        var changes = c.Read(
                "SELECT k.decision_id, k.part, k.notes, k.added, k.removed FROM decision_change k JOIN decision d ON d.id = "
                    + "k.decision_id WHERE d.piece_id = $piece AND d.undone IS NULL ORDER BY k.decision_id, k.position",
                r =>
                    (
                        Id: r.GetInt64(0),
                        Change: new MarkChange(r.GetString(1), Split(r.GetString(2)), Marks(r.GetString(3)), Marks(r.GetString(4)))
                    ),
                ("piece", piece)
            )
            .ToLookup(x => x.Id, x => x.Change);
        return c.Read(
            "SELECT id, difference, verdict, reading, why, person, made FROM decision WHERE piece_id = $piece AND undone IS "
                + "NULL ORDER BY id",
            r => new DecisionRow(
                r.GetInt64(0),
                r.Text(1),
                r.GetString(2),
                r.Text(3),
                r.GetString(4),
                r.GetString(5),
                r.GetString(6),
                [.. changes[r.GetInt64(0)]]
            ),
            ("piece", piece)
        );
    }

    /// <summary>For each difference that was ever decided how often that changed: made and undone each count one.</summary>
    public IReadOnlyDictionary<string, int> Versions(long piece)
    {
        using var c = database.Open();
        return c.Read(
                "SELECT difference, COUNT(*) + COUNT(undone) FROM decision WHERE piece_id = $piece AND difference IS NOT NULL "
                    + "GROUP BY difference",
                r => (Id: r.GetString(0), Version: r.GetInt32(1)),
                ("piece", piece)
            )
            .ToDictionary(x => x.Id, x => x.Version);
    }

    /// <summary>Undoes a decision; it stays in the records.</summary>
    public bool Undo(long piece, long id, DateTimeOffset now) =>
        database.Act(c =>
            c.Run(
                "UPDATE decision SET undone = $now WHERE id = $id AND piece_id = $piece AND undone IS NULL",
                ("id", id),
                ("piece", piece),
                ("now", now.Iso())
            )
        ) > 0;

    internal static long Insert(SqliteConnection c, long piece, DecisionRow d)
    {
        var id = c.Insert(
            "INSERT INTO decision (piece_id, difference, verdict, reading, why, person, made) VALUES ($piece, $difference, "
                + "$verdict, $reading, $why, $person, $made)",
            ("piece", piece),
            ("difference", d.Difference),
            ("verdict", d.Verdict),
            ("reading", d.Reading),
            ("why", d.Why),
            ("person", d.Person),
            ("made", d.Made)
        );
        for (var i = 0; i < d.Changes.Count; i++)
            AddChange(c, id, i, d.Changes[i]);
        return id;
    }

    // One mark or note a line: words may hold anything but line ends.
    private static void AddChange(SqliteConnection c, long id, int position, MarkChange change) =>
        c.Run(
            "INSERT INTO decision_change (decision_id, position, part, notes, added, removed) VALUES ($id, $position, $part, "
                + "$notes, $added, $removed)",
            ("id", id),
            ("position", position),
            ("part", change.Part),
            ("notes", string.Join('\n', change.Notes)),
            ("added", string.Join('\n', change.Added)),
            ("removed", string.Join('\n', change.Removed))
        );

    private static string[] Split(string text) => text.Split('\n', StringSplitOptions.RemoveEmptyEntries);

    private static List<Mark> Marks(string text) => [.. Split(text).Select(Mark.Parse)];
}
