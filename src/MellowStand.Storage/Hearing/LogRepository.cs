namespace MellowStand.Storage;

/// <summary>Who played which passage at which tempo when.</summary>
/// <param name="Id">Its number.</param>
/// <param name="PassageId">The passage.</param>
/// <param name="PlayerId">The player.</param>
/// <param name="Unit">Beat unit.</param>
/// <param name="Bpm">Beats per minute.</param>
/// <param name="Heard">The day.</param>
/// <param name="Note">What to fix next.</param>
/// <param name="Clean">False for a try that failed.</param>
/// <param name="Version">How often it was corrected.</param>
public sealed record LogRow(
    long Id,
    long PassageId,
    long PlayerId,
    string Unit,
    double Bpm,
    DateOnly Heard,
    string Note,
    bool Clean = true,
    int Version = 0
);

/// <summary>The log of what was heard.</summary>
public sealed class LogRepository(Database database)
{
    /// <summary>Keeps what was heard.</summary>
    /// <returns>The number of the entry.</returns>
    public long Add(LogRow row) =>
        database.Act(c =>
        {
            c.Demand("The passage", "passage", "deleted IS NULL", row.PassageId);
            c.Demand("The player", "player", "left_on IS NULL", row.PlayerId);
            return c.Insert(
                "INSERT INTO log_entry (passage_id, player_id, unit, bpm, heard, note, clean) VALUES ($passage, $player, $unit, $bpm, "
                    + "$heard, $note, $clean)",
                [("passage", row.PassageId), ("player", row.PlayerId), .. Values(row)]
            );
        });

    /// <summary>Corrects an entry that still has the row's version; passage and player stay.</summary>
    public Change Update(LogRow row) =>
        database.Act(c =>
            c.Update(
                "log_entry",
                "id = $id AND deleted IS NULL",
                "unit = $unit, bpm = $bpm, heard = $heard, note = $note, clean = $clean",
                row.Version,
                [("id", row.Id), .. Values(row)]
            )
        );

    /// <summary>The log of a passage, or all of it, newest first.</summary>
    public IReadOnlyList<LogRow> All(long? passage = null) =>
        database.Look(c =>
            c.Read(
                "SELECT l.id, passage_id, player_id, unit, bpm, heard, l.note, clean, l.version FROM log_entry l JOIN passage p ON p.id = "
                    + "l.passage_id JOIN piece q ON q.id = p.piece_id WHERE l.deleted IS NULL AND q.deleted IS NULL AND ($passage "
                    + "IS NULL OR passage_id = $passage) ORDER BY heard DESC, l.id DESC",
                r => new LogRow(
                    r.GetInt64(0),
                    r.GetInt64(1),
                    r.GetInt64(2),
                    r.GetString(3),
                    r.GetDouble(4),
                    r.Day(5)!.Value,
                    r.GetString(6),
                    r.GetInt32(7) != 0,
                    r.GetInt32(8)
                ),
                ("passage", passage)
            )
        );

    /// <summary>Takes an entry back.</summary>
    public bool Remove(long id, DateTimeOffset now) =>
        database.Act(c => c.Run("UPDATE log_entry SET deleted = $now WHERE id = $id AND deleted IS NULL", ("id", id), ("now", now.Iso())))
        > 0;

    /// <summary>Undoes <see cref="Remove"/>.</summary>
    public bool Restore(long id) =>
        database.Act(c => c.Run("UPDATE log_entry SET deleted = NULL WHERE id = $id AND deleted IS NOT NULL", ("id", id))) > 0;

    private static (string Name, object? Value)[] Values(LogRow row) =>
        [("unit", row.Unit), ("bpm", row.Bpm), ("heard", row.Heard.Iso()), ("note", row.Note), ("clean", row.Clean ? 1 : 0)];
}
