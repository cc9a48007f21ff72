namespace MellowStand.Storage;

/// <summary>A remark that was said to many at once.</summary>
/// <param name="Id">Its number.</param>
/// <param name="PassageId">The passage.</param>
/// <param name="Players">Numbers of those it reaches.</param>
/// <param name="Words">The remark.</param>
/// <param name="Said">The day.</param>
public sealed record SharedRemarkRow(long Id, long PassageId, IReadOnlyList<long> Players, string Words, DateOnly Said);

/// <summary>Remarks that reach many players.</summary>
public sealed class RemarkRepository(Database database)
{
    /// <summary>Keeps a remark.</summary>
    public long Add(SharedRemarkRow row) =>
        database.Act(c =>
        {
            c.Demand("The passage", "passage", "deleted IS NULL", row.PassageId);
            return c.Insert(
                "INSERT INTO shared_remark (passage_id, players, words, said) VALUES ($passage, $players, $words, $said)",
                ("passage", row.PassageId),
                ("players", string.Join(' ', row.Players)),
                ("words", row.Words),
                ("said", row.Said.Iso())
            );
        });

    /// <summary>The remarks of a passage, or all of them, newest first.</summary>
    public IReadOnlyList<SharedRemarkRow> All(long? passage = null) =>
        database.Look(c =>
            c.Read(
                "SELECT r.id, passage_id, players, words, said FROM shared_remark r JOIN passage p ON p.id = passage_id "
                    + "WHERE r.deleted IS NULL "
                    + "AND p.deleted IS NULL AND ($passage IS NULL OR passage_id = $passage) ORDER BY said DESC, r.id DESC",
                r => new SharedRemarkRow(
                    r.GetInt64(0),
                    r.GetInt64(1),
                    [.. CalendarRepository.Numbers(r.GetString(2))],
                    r.GetString(3),
                    r.Day(4)!.Value
                ),
                ("passage", passage)
            )
        );

    /// <summary>Takes a remark back.</summary>
    public bool Remove(long id, DateTimeOffset now) =>
        database.Act(c =>
            c.Run("UPDATE shared_remark SET deleted = $now WHERE id = $id AND deleted IS NULL", ("id", id), ("now", now.Iso()))
        ) > 0;

    /// <summary>Undoes <see cref="Remove"/>.</summary>
    public bool Restore(long id) =>
        database.Act(c => c.Run("UPDATE shared_remark SET deleted = NULL WHERE id = $id AND deleted IS NOT NULL", ("id", id))) > 0;
}
