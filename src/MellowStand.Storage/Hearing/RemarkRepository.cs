namespace MellowStand.Storage;

/// <summary>A remark that was said to many at once.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Passage">The passage.</param>
/// <param name="Players">Those it reaches.</param>
/// <param name="Words">The remark.</param>
/// <param name="Said">The day.</param>
public sealed record SharedRemarkRow(long Id, PassageId Passage, IReadOnlyList<PlayerId> Players, string Words, DateOnly Said);

/// <summary>Remarks that reach many players.</summary>
public sealed class RemarkRepository(Database database)
{
    private readonly Slice<IReadOnlyList<SharedRemarkRow>> _all = new(
        database,
        RestsOn.Hearing | RestsOn.Passages,
        c =>
            c.Read(
                "SELECT r.id, passage_id, players, words, said FROM shared_remark r JOIN passage p ON p.id = passage_id "
                    + "WHERE r.deleted IS NULL AND p.deleted IS NULL ORDER BY said DESC, r.id DESC",
                r => new SharedRemarkRow(
                    r.Long("id"),
                    new PassageId(r.Long("passage_id")),
                    r.Numbers("players").Players(),
                    r.Text("words"),
                    r.Day("said")
                )
            )
    );

    /// <summary>Keeps a remark.</summary>
    public long Add(SharedRemarkRow row) =>
        database.Act(c =>
        {
            c.Demand("The passage", "passage", "deleted IS NULL", row.Passage.Value);
            return c.Insert(
                "INSERT INTO shared_remark (passage_id, players, words, said) VALUES ($passage, $players, $words, $said)",
                ("passage", row.Passage.Value),
                ("players", string.Join(' ', row.Players.Values())),
                ("words", row.Words),
                ("said", row.Said.Iso())
            );
        });

    /// <summary>All remarks, newest first.</summary>
    public IReadOnlyList<SharedRemarkRow> All() => _all.Now();

    /// <summary>Takes a remark back.</summary>
    public bool Remove(long id, DateTimeOffset now) =>
        database.Act(c =>
            c.Run("UPDATE shared_remark SET deleted = $now WHERE id = $id AND deleted IS NULL", ("id", id), ("now", now.Iso()))
        ) > 0;

    /// <summary>Undoes <see cref="Remove"/>.</summary>
    public bool Restore(long id) =>
        database.Act(c => c.Run("UPDATE shared_remark SET deleted = NULL WHERE id = $id AND deleted IS NOT NULL", ("id", id))) > 0;
}
