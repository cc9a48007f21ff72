using MellowStand.Core.Tempo;
using Microsoft.Data.Sqlite;

namespace MellowStand.Storage;

/// <summary>Who played which passage at which tempo when.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Passage">The passage.</param>
/// <param name="Player">The player.</param>
/// <param name="Tempo">The tempo.</param>
/// <param name="Heard">The day.</param>
/// <param name="Note">What to fix next.</param>
/// <param name="Clean">False for a try that failed.</param>
/// <param name="Version">How often it was corrected.</param>
public sealed record LogRow(
    long Id,
    PassageId Passage,
    PlayerId Player,
    TempoMark Tempo,
    DateOnly Heard,
    string Note,
    bool Clean = true,
    int Version = 0
);

/// <summary>An entry with the names that it is told by.</summary>
/// <param name="Row">The entry.</param>
/// <param name="PassageTitle">Title of its passage; null where it was taken back.</param>
/// <param name="PieceTitle">Title of its piece.</param>
/// <param name="PlayerName">Name of the player.</param>
/// <param name="Section">Name of their section.</param>
public sealed record LogLine(LogRow Row, string? PassageTitle, string PieceTitle, string PlayerName, string Section);

/// <summary>Which entries are wanted; what is null does not narrow.</summary>
/// <param name="Passage">A passage.</param>
/// <param name="Player">A player.</param>
/// <param name="Section">A section in which the players are now.</param>
/// <param name="Piece">A piece.</param>
/// <param name="From">The first day.</param>
/// <param name="To">The last day.</param>
public sealed record LogQuery(
    PassageId? Passage = null,
    PlayerId? Player = null,
    SectionId? Section = null,
    long? Piece = null,
    DateOnly? From = null,
    DateOnly? To = null
);

/// <summary>The log of what was heard.</summary>
public sealed class LogRepository(Database database)
{
    private const string Columns = "SELECT l.id, l.passage_id, l.player_id, l.unit, l.bpm, l.heard, l.note, l.clean, l.version";

    private const string There =
        " FROM log_entry l JOIN passage p ON p.id = l.passage_id JOIN piece q ON q.id = p.piece_id JOIN player x ON x.id = l.player_id "
        + "JOIN section s ON s.id = x.section_id WHERE l.deleted IS NULL AND q.deleted IS NULL";

    private readonly Slice<IReadOnlyList<LogRow>> _all = new(
        database,
        RestsOn.Hearing | RestsOn.Passages | RestsOn.Shelf,
        c => c.Read(Columns + There + " ORDER BY l.heard DESC, l.id DESC", Entry)
    );

    /// <summary>Keeps what was heard.</summary>
    /// <returns>The number of the entry.</returns>
    public long Add(LogRow row) =>
        database.Act(c =>
        {
            c.Demand("The passage", "passage", "deleted IS NULL", row.Passage.Value);
            c.Demand("The player", "player", "left_on IS NULL", row.Player.Value);
            return c.Insert(
                "INSERT INTO log_entry (passage_id, player_id, unit, bpm, heard, note, clean) VALUES ($passage, $player, $unit, $bpm, "
                    + "$heard, $note, $clean)",
                [("passage", row.Passage.Value), ("player", row.Player.Value), .. Values(row)]
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

    /// <summary>The whole log, newest first.</summary>
    public IReadOnlyList<LogRow> All() => _all.Now();

    /// <summary>What was heard of a player in a passage, newest first.</summary>
    public IReadOnlyList<LogRow> Of(PassageId passage, PlayerId player) =>
        database.Look(c =>
            c.Read(
                Columns + There + " AND l.passage_id = $passage AND l.player_id = $player ORDER BY l.heard DESC, l.id DESC",
                Entry,
                ("passage", passage.Value),
                ("player", player.Value)
            )
        );

    /// <summary>One entry, or null.</summary>
    public LogLine? Find(long id) => database.Look(c => c.One(Told + " AND l.id = $id", Line, ("id", id)));

    /// <summary>Entries with their names, newest first.</summary>
    /// <param name="wish">Which.</param>
    /// <param name="skip">So many of the newest are left out.</param>
    /// <param name="most">At most so many; all when left out.</param>
    public IReadOnlyList<LogLine> Read(LogQuery wish, int skip = 0, int most = -1)
    {
        var (where, values) = Where(wish);
        return database.Look(c =>
            c.Read(
                $"{Told}{where} ORDER BY l.heard DESC, l.id DESC LIMIT $most OFFSET $skip",
                Line,
                [.. values, ("most", most), ("skip", skip)]
            )
        );
    }

    /// <summary>How many entries there are.</summary>
    public int Count(LogQuery wish)
    {
        var (where, values) = Where(wish);
        return database.Look(c => c.One($"SELECT COUNT(*) AS n{There}{where}", r => r.Int("n"), values));
    }

    /// <summary>Takes an entry back.</summary>
    public bool Remove(long id, DateTimeOffset now) =>
        database.Act(c => c.Run("UPDATE log_entry SET deleted = $now WHERE id = $id AND deleted IS NULL", ("id", id), ("now", now.Iso())))
        > 0;

    /// <summary>Undoes <see cref="Remove"/>.</summary>
    public bool Restore(long id) =>
        database.Act(c => c.Run("UPDATE log_entry SET deleted = NULL WHERE id = $id AND deleted IS NOT NULL", ("id", id))) > 0;

    private const string Told =
        Columns
        + ", CASE WHEN p.deleted IS NULL THEN p.title END AS passage_title, CASE WHEN p.deleted IS NULL THEN q.title ELSE '' END AS "
        + "piece_title, x.name AS player_name, s.name AS section_name"
        + There;

    private static (string Where, (string, object?)[] Values) Where(LogQuery wish)
    {
        (string Sql, string Name, object? Value)[] all =
        [
            ("l.passage_id = $passage", "passage", wish.Passage?.Value),
            ("l.player_id = $player", "player", wish.Player?.Value),
            ("x.section_id = $section", "section", wish.Section?.Value),
            // A passage that was taken back belongs to no piece any more.
            ("p.piece_id = $piece AND p.deleted IS NULL", "piece", wish.Piece),
            ("l.heard >= $from", "from", wish.From?.Iso()),
            ("l.heard <= $to", "to", wish.To?.Iso()),
        ];
        var asked = all.Where(a => a.Value is not null).ToList();
        return (string.Concat(asked.Select(a => $" AND {a.Sql}")), [.. asked.Select(a => (a.Name, a.Value))]);
    }

    private static (string Name, object? Value)[] Values(LogRow row) =>
        [
            ("unit", row.Tempo.Unit.Name),
            ("bpm", row.Tempo.Bpm),
            ("heard", row.Heard.Iso()),
            ("note", row.Note),
            ("clean", row.Clean ? 1 : 0),
        ];

    private static LogRow Entry(Row r) =>
        new(
            r.Long("id"),
            new PassageId(r.Long("passage_id")),
            new PlayerId(r.Long("player_id")),
            r.Tempo("unit", "bpm"),
            r.Day("heard"),
            r.Text("note"),
            r.Bool("clean"),
            r.Int("version")
        );

    private static LogLine Line(Row r) =>
        new(Entry(r), r.TextOrNull("passage_title"), r.Text("piece_title"), r.Text("player_name"), r.Text("section_name"));
}
