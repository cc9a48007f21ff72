using System.Globalization;

namespace MellowStand.Storage;

/// <summary>A piece on the shelf, without its bytes.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Title">Title on the shelf.</param>
/// <param name="Kind"><c>piece</c> or <c>etude</c>.</param>
/// <param name="EtudeSet">The set an etude belongs to, or null.</param>
/// <param name="Due">Concert or audition date, or null.</param>
/// <param name="FileName">Name of the imported file, for display only.</param>
public sealed record PieceRow(long Id, string Title, string Kind, string? EtudeSet, DateOnly? Due, string FileName);

/// <summary>Pieces and what the director said of their parts.</summary>
public sealed class PieceRepository(Database database)
{
    private const string Columns = "SELECT id, title, kind, etude_set, due, file_name FROM piece";

    /// <summary>Keeps an imported file as it came.</summary>
    public long Add(string title, string kind, string? etudeSet, DateOnly? due, string fileName, byte[] original, DateTimeOffset now) =>
        database.Act(c =>
            c.Insert(
                "INSERT INTO piece (title, kind, etude_set, due, file_name, original, added) VALUES ($title, $kind, $set, $due, "
                    + "$file, $original, $added)",
                ("title", title),
                ("kind", kind),
                ("set", etudeSet),
                ("due", due?.Iso()),
                ("file", fileName),
                ("original", original),
                ("added", now.Iso())
            )
        );

    /// <summary>All pieces on the shelf, the nearest date first.</summary>
    public IReadOnlyList<PieceRow> All()
    {
        using var c = database.Open();
        return c.Read(Columns + " WHERE deleted IS NULL ORDER BY due IS NULL, due, kind DESC, title", Row);
    }

    /// <summary>One piece, or null.</summary>
    public PieceRow? Find(long id)
    {
        using var c = database.Open();
        return c.Read(Columns + " WHERE id = $id AND deleted IS NULL", Row, ("id", id)).FirstOrDefault();
    }

    /// <summary>The imported bytes, or null.</summary>
    public byte[]? Original(long id)
    {
        using var c = database.Open();
        return c.Read("SELECT original FROM piece WHERE id = $id", r => (byte[])r[0], ("id", id)).FirstOrDefault();
    }

    /// <summary>Changes title, kind, set and date.</summary>
    public bool Update(PieceRow piece) =>
        database.Act(c =>
            c.Run(
                "UPDATE piece SET title = $title, kind = $kind, etude_set = $set, due = $due WHERE id = $id AND deleted IS NULL",
                ("title", piece.Title),
                ("kind", piece.Kind),
                ("set", piece.EtudeSet),
                ("due", piece.Due?.Iso()),
                ("id", piece.Id)
            )
        ) > 0;

    /// <summary>Takes a piece off the shelf; <see cref="Restore"/> brings it back.</summary>
    public bool Remove(long id, DateTimeOffset now) =>
        database.Act(c => c.Run("UPDATE piece SET deleted = $now WHERE id = $id AND deleted IS NULL", ("id", id), ("now", now.Iso()))) > 0;

    /// <summary>Undoes <see cref="Remove"/>.</summary>
    public bool Restore(long id) =>
        database.Act(c => c.Run("UPDATE piece SET deleted = NULL WHERE id = $id AND deleted IS NOT NULL", ("id", id))) > 0;

    /// <summary>Corrected instruments, part id to instrument id.</summary>
    public IReadOnlyDictionary<string, string> Instruments(long id)
    {
        using var c = database.Open();
        return c.Read(
                "SELECT part, instrument FROM part_choice WHERE piece_id = $id AND instrument IS NOT NULL",
                r => (r.GetString(0), r.GetString(1)),
                ("id", id)
            )
            .ToDictionary(x => x.Item1, x => x.Item2);
    }

    /// <summary>Corrects the instrument of a part.</summary>
    public void SetInstrument(long id, string part, string instrument) =>
        database.Act(c =>
            c.Run(
                "INSERT INTO part_choice (piece_id, part, instrument) VALUES ($id, $part, $instrument) ON CONFLICT (piece_id, "
                    + "part) DO UPDATE SET instrument = $instrument",
                ("id", id),
                ("part", part),
                ("instrument", instrument)
            )
        );

    /// <summary>Findings that were dismissed in a piece, id to title.</summary>
    public IReadOnlyDictionary<string, string> Dismissals(long id)
    {
        using var c = database.Open();
        return c.Read(
                "SELECT finding, title FROM dismissal WHERE piece_id = $id ORDER BY made",
                r => (r.GetString(0), r.GetString(1)),
                ("id", id)
            )
            .ToDictionary(x => x.Item1, x => x.Item2);
    }

    /// <summary>The leaders that were set: the parts of a line to the one that leads.</summary>
    public IReadOnlyDictionary<string, string> Leaders(long id)
    {
        using var c = database.Open();
        return c.Read(
                "SELECT parts, leader FROM line_leader WHERE piece_id = $id",
                r => (Parts: r.GetString(0), Leader: r.GetString(1)),
                ("id", id)
            )
            .ToDictionary(x => x.Parts, x => x.Leader);
    }

    /// <summary>Sets the leader of a line, or takes it back to the default with null.</summary>
    public void Lead(long id, string parts, string? leader) =>
        database.Act(c =>
            leader is null
                ? c.Run("DELETE FROM line_leader WHERE piece_id = $id AND parts = $parts", ("id", id), ("parts", parts))
                : c.Run(
                    "INSERT INTO line_leader (piece_id, parts, leader) VALUES ($id, $parts, $leader) ON CONFLICT (piece_id, "
                        + "parts) DO UPDATE SET leader = $leader",
                    ("id", id),
                    ("parts", parts),
                    ("leader", leader)
                )
        );

    /// <summary>Dismisses a finding; it stays quiet and is listed.</summary>
    public void Dismiss(long id, string finding, string title, DateTimeOffset now) =>
        database.Act(c =>
            c.Run(
                "INSERT INTO dismissal (piece_id, finding, title, made) VALUES ($id, $finding, $title, $now) ON CONFLICT DO NOTHING",
                ("id", id),
                ("finding", finding),
                ("title", title),
                ("now", now.Iso())
            )
        );

    /// <summary>Brings a dismissed finding back.</summary>
    public bool Recall(long id, string finding) =>
        database.Act(c => c.Run("DELETE FROM dismissal WHERE piece_id = $id AND finding = $finding", ("id", id), ("finding", finding))) > 0;

    /// <summary>Rules that stay quiet in a piece: rule to whether it is so everywhere.</summary>
    public IReadOnlyDictionary<string, bool> QuietRules(long id)
    {
        using var c = database.Open();
        return c.Read(
                "SELECT rule, MIN(piece_id) FROM quiet_rule WHERE piece_id IN (0, $id) GROUP BY rule",
                r => (r.GetString(0), r.GetInt64(1) == 0),
                ("id", id)
            )
            .ToDictionary(x => x.Item1, x => x.Item2);
    }

    /// <summary>Makes a rule quiet in a piece, or everywhere.</summary>
    public void Quiet(long? piece, string rule, DateTimeOffset now) =>
        database.Act(c =>
            c.Run(
                "INSERT INTO quiet_rule (piece_id, rule, made) VALUES ($piece, $rule, $now) ON CONFLICT DO NOTHING",
                ("piece", piece ?? 0),
                ("rule", rule),
                ("now", now.Iso())
            )
        );

    /// <summary>Lets a rule speak again, in the piece and everywhere.</summary>
    public bool Unquiet(long piece, string rule) =>
        database.Act(c => c.Run("DELETE FROM quiet_rule WHERE piece_id IN (0, $piece) AND rule = $rule", ("piece", piece), ("rule", rule)))
        > 0;

    private static PieceRow Row(Microsoft.Data.Sqlite.SqliteDataReader r) =>
        new(r.GetInt64(0), r.GetString(1), r.GetString(2), r.Text(3), r.Day(4), r.GetString(5));

    /// <summary>A number from a URL segment, or null.</summary>
    public static long? IdOf(string text) => long.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out var id) ? id : null;
}
