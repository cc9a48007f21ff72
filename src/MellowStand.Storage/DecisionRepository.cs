using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;
using Microsoft.Data.Sqlite;

namespace MellowStand.Storage;

/// <summary>Why decisions were not kept; nothing of them was.</summary>
public enum NotKept
{
    /// <summary>The piece is gone, or has another edition or other decisions by now.</summary>
    Moved,

    /// <summary>Another decision on one of the differences is in force.</summary>
    Settled,
}

/// <summary>The layer of decisions of each piece.</summary>
public sealed class DecisionRepository(Database database)
{
    private const int UniqueViolated = 2067;

    private static readonly Dictionary<Verdict, string> Words = Enum.GetValues<Verdict>()
        .ToDictionary(v => v, v => v.ToString().ToLowerInvariant());

    private static readonly Dictionary<string, Verdict> Verdicts = Words.ToDictionary(w => w.Value, w => w.Key);

    /// <summary>Keeps decisions as one act.</summary>
    /// <param name="piece">The piece as it was read: decisions on another edition, or beside others' decisions since, are not kept.</param>
    /// <param name="drafts">What was decided.</param>
    /// <param name="person">Who decided.</param>
    /// <param name="now">When.</param>
    /// <param name="tryOut">Called with the decisions before they are kept; when it throws, nothing is kept.</param>
    /// <returns>The decisions as kept, or why they were not.</returns>
    public (IReadOnlyList<Decision> Made, NotKept? Why) Add(
        PieceRow piece,
        IReadOnlyList<DecisionDraft> drafts,
        string person,
        DateTimeOffset now,
        Action<IReadOnlyList<Decision>> tryOut
    )
    {
        try
        {
            return database.Act<(IReadOnlyList<Decision>, NotKept?)>(c =>
            {
                var there = PieceRepository.Find(c, piece.Id);
                if (there is null || there.Edition != piece.Edition || there.Stamp.Revision != piece.Stamp.Revision)
                    return ([], NotKept.Moved);
                var made = new List<Decision>();
                foreach (var draft in drafts)
                    made.Add(Insert(c, piece, new Decision(0, made.FirstOrDefault()?.Act ?? 0, draft, person, now.Iso())));
                tryOut(made);
                return (made, null);
            });
        }
        catch (SqliteException e) when (e.SqliteExtendedErrorCode == UniqueViolated)
        {
            return ([], NotKept.Settled);
        }
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

    /// <summary>Undoes all decisions of an act that are still in force.</summary>
    /// <returns>How many there were.</returns>
    public int UndoAct(long piece, long act, DateTimeOffset now) =>
        database.Act(c =>
            c.Run(
                "UPDATE decision SET undone = $now WHERE act = $act AND piece_id = $piece AND undone IS NULL AND set_aside IS NULL",
                ("act", act),
                ("piece", piece),
                ("now", now.Iso())
            )
        );

    internal static IReadOnlyList<Decision> InForce(SqliteConnection c, long piece) => Read(c, piece, "set_aside IS NULL");

    internal static IReadOnlyList<Decision> Read(SqliteConnection c, long piece, string which)
    {
        var changes = c.Read(
                "SELECT k.decision_id, k.part, k.notes, k.added, k.removed FROM decision_change k JOIN decision d ON d.id = "
                    + $"k.decision_id WHERE d.piece_id = $piece AND d.undone IS NULL AND d.{which} ORDER BY k.decision_id, k.position",
                r =>
                    (
                        Id: r.Long("decision_id"),
                        Change: new MarkChange(r.Text("part"), Split(r.Text("notes")), Marks(r.Text("added")), Marks(r.Text("removed")))
                    ),
                ("piece", piece)
            )
            .ToLookup(x => x.Id, x => x.Change);
        return c.Read(
            $"SELECT id, act, difference, verdict, reading, why, person, made FROM decision WHERE piece_id = $piece AND undone "
                + $"IS NULL AND {which} ORDER BY id",
            r => new Decision(
                r.Long("id"),
                r.Long("act"),
                new DecisionDraft(
                    r.TextOrNull("difference"),
                    Verdicts[r.Text("verdict")],
                    r.TextOrNull("reading"),
                    r.Text("why"),
                    [.. changes[r.Long("id")]]
                ),
                r.Text("person"),
                r.Text("made")
            ),
            ("piece", piece)
        );
    }

    internal static Dictionary<string, int> Versions(SqliteConnection c, long piece) =>
        c.Read(
                "SELECT difference, COUNT(*) + COUNT(undone) AS version FROM decision WHERE piece_id = $piece AND difference IS NOT NULL "
                    + "GROUP BY difference",
                r => (Id: r.Text("difference"), Version: r.Int("version")),
                ("piece", piece)
            )
            .ToDictionary(x => x.Id, x => x.Version);

    /// <summary>Inserts a decision; act 0 makes it the first of its act.</summary>
    internal static Decision Insert(SqliteConnection c, PieceRow piece, Decision d, string? setAside = null)
    {
        var id = c.Insert(
            "INSERT INTO decision (piece_id, edition, difference, verdict, reading, why, person, made, set_aside) "
                + "VALUES ($piece, $edition, $difference, $verdict, $reading, $why, $person, $made, $aside)",
            ("piece", piece.Id),
            ("edition", piece.Edition),
            ("difference", d.Difference),
            ("verdict", Words[d.Verdict]),
            ("reading", d.Reading),
            ("why", d.Why),
            ("person", d.Person),
            ("made", d.Made),
            ("aside", setAside)
        );
        var act = d.Act == 0 ? id : d.Act;
        c.Run("UPDATE decision SET act = $act WHERE id = $id", ("act", act), ("id", id));
        for (var i = 0; i < d.Changes.Count; i++)
            AddChange(c, id, i, d.Changes[i]);
        return d with { Id = id, Act = act };
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
