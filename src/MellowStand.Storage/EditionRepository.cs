using MellowStand.Core.Decisions;

namespace MellowStand.Storage;

/// <summary>An edition that another one has replaced.</summary>
/// <param name="Id">Its number.</param>
/// <param name="FileName">Name of its file, for display only.</param>
/// <param name="Reason">Why it was replaced.</param>
/// <param name="Replaced">When, in UTC.</param>
public sealed record EditionRow(long Id, string FileName, string Reason, string Replaced);

/// <summary>A decision as it stands in a new edition.</summary>
public sealed record CarriedDecision(DecisionRow Decision, string? Difference, IReadOnlyList<MarkChange> Changes);

/// <summary>Editions of a piece: the newest is on the shelf, the older ones are kept whole.</summary>
public sealed class EditionRepository(Database database)
{
    /// <summary>Replaces the imported file and carries decisions over, in one act.</summary>
    public void Replace(
        long piece,
        string fileName,
        byte[] original,
        string reason,
        IReadOnlyList<CarriedDecision> carried,
        DateTimeOffset now
    ) =>
        database.Act(c =>
        {
            c.Run(
                "INSERT INTO edition (piece_id, file_name, original, reason, replaced) SELECT id, file_name, original, $reason, "
                    + "$now FROM piece WHERE id = $piece",
                ("piece", piece),
                ("reason", reason),
                ("now", now.Iso())
            );
            c.Run(
                "UPDATE piece SET file_name = $file, original = $original WHERE id = $piece",
                ("piece", piece),
                ("file", fileName),
                ("original", original)
            );
            c.Run("UPDATE decision SET undone = $now WHERE piece_id = $piece AND undone IS NULL", ("piece", piece), ("now", now.Iso()));
            foreach (var (decision, difference, changes) in carried)
                DecisionRepository.Insert(c, piece, decision with { Difference = difference, Changes = changes });
            return 0;
        });

    /// <summary>Older editions that can be brought back, newest first.</summary>
    public IReadOnlyList<EditionRow> Of(long piece)
    {
        using var c = database.Open();
        return c.Read(
            "SELECT id, file_name, reason, replaced FROM edition WHERE piece_id = $piece AND restored IS NULL ORDER BY id DESC",
            r => new EditionRow(r.GetInt64(0), r.GetString(1), r.GetString(2), r.GetString(3)),
            ("piece", piece)
        );
    }

    /// <summary>Brings the newest older edition back with the decisions it had; decisions made since are set aside.</summary>
    /// <returns>False when there is none.</returns>
    public bool Restore(long piece, DateTimeOffset now) =>
        database.Act(c =>
        {
            var found = c.Read(
                "SELECT id, replaced FROM edition WHERE piece_id = $piece AND restored IS NULL ORDER BY id DESC LIMIT 1",
                r => (Id: r.GetInt64(0), Replaced: r.GetString(1)),
                ("piece", piece)
            );
            if (found.Count == 0)
                return false;
            c.Run("UPDATE decision SET undone = $now WHERE piece_id = $piece AND undone IS NULL", ("piece", piece), ("now", now.Iso()));
            c.Run(
                "UPDATE decision SET undone = NULL WHERE piece_id = $piece AND undone = $then",
                ("piece", piece),
                ("then", found[0].Replaced)
            );
            c.Run(
                "UPDATE piece SET file_name = e.file_name, original = e.original FROM edition e WHERE e.id = $edition AND "
                    + "piece.id = $piece",
                ("piece", piece),
                ("edition", found[0].Id)
            );
            c.Run("UPDATE edition SET restored = $now WHERE id = $edition", ("edition", found[0].Id), ("now", now.Iso()));
            return true;
        });
}
