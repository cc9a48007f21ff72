using Microsoft.Data.Sqlite;

namespace MellowStand.Storage;

/// <summary>A section of the ensemble.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Name">Its name.</param>
/// <param name="Position">Its place in the ensemble.</param>
/// <param name="Version">How often it was changed.</param>
public sealed record SectionRow(long Id, string Name, int Position, int Version);

/// <summary>A player.</summary>
/// <param name="Id">Their number.</param>
/// <param name="SectionId">Their section.</param>
/// <param name="Name">Their name.</param>
/// <param name="Instrument">Instrument id of the catalog, or null.</param>
/// <param name="Chair">Chair from 1.</param>
/// <param name="Level"><c>comfortable</c>, <c>advanced</c> or <c>extreme</c>: the range asked of them.</param>
/// <param name="Options">What their instrument has, option ids with spaces between; null where nothing is said.</param>
/// <param name="LeftOn">The day they left; null for one who plays.</param>
/// <param name="Version">How often they were changed.</param>
public sealed record PlayerRow(
    long Id,
    long SectionId,
    string Name,
    string? Instrument,
    int Chair,
    string Level,
    string? Options = null,
    DateOnly? LeftOn = null,
    int Version = 0
)
{
    /// <summary>What their instrument has, option by option; null where nothing is said.</summary>
    public IReadOnlyList<string>? OptionIds => Options?.Split(' ', StringSplitOptions.RemoveEmptyEntries);
}

/// <summary>Sections, players and chairs.</summary>
public sealed class EnsembleRepository(Database database)
{
    /// <summary>All sections in order.</summary>
    public IReadOnlyList<SectionRow> Sections()
    {
        using var c = database.Open();
        return c.Read(
            "SELECT id, name, position, version FROM section WHERE closed_on IS NULL ORDER BY position, id",
            r => new SectionRow(r.GetInt64(0), r.GetString(1), r.GetInt32(2), r.GetInt32(3))
        );
    }

    /// <summary>All who play, by section and chair.</summary>
    public IReadOnlyList<PlayerRow> Players()
    {
        using var c = database.Open();
        return Players(c);
    }

    /// <summary>Names of all who ever played: number to name.</summary>
    public IReadOnlyDictionary<long, string> Names()
    {
        using var c = database.Open();
        return c.Read("SELECT id, name FROM player", r => (r.GetInt64(0), r.GetString(1))).ToDictionary(x => x.Item1, x => x.Item2);
    }

    /// <summary>Adds a section at the end.</summary>
    public long AddSection(string name) =>
        database.Act(c =>
            c.Insert(
                "INSERT INTO section (name, position) VALUES ($name, (SELECT COALESCE(MAX(position), 0) + 1 FROM section))",
                ("name", name)
            )
        );

    /// <summary>Renames a section that still has the version that was seen.</summary>
    public Change RenameSection(long id, string name, long version) =>
        database.Act(c => c.Update("section", "id = $id AND closed_on IS NULL", "name = $name", version, ("id", id), ("name", name)));

    /// <summary>Closes a section in which nobody plays; those who left keep their history.</summary>
    public bool RemoveSection(long id, DateOnly today) =>
        database.Act(c =>
            c.Run(
                "UPDATE section SET closed_on = $today WHERE id = $id AND closed_on IS NULL "
                    + "AND NOT EXISTS (SELECT 1 FROM player WHERE section_id = $id AND left_on IS NULL)",
                ("id", id),
                ("today", today.Iso())
            )
        ) > 0;

    /// <summary>Adds a player.</summary>
    public long AddPlayer(long section, string name, string? instrument, int chair, string level, string? options = null) =>
        database.Act(c =>
        {
            c.Demand("The section", "section", "closed_on IS NULL", section);
            return c.Insert(
                "INSERT INTO player (section_id, name, instrument, chair, level, options) VALUES ($section, $name, $instrument, "
                    + "$chair, $level, $options)",
                ("section", section),
                ("name", name),
                ("instrument", instrument),
                ("chair", chair),
                ("level", level),
                ("options", options)
            );
        });

    /// <summary>Changes a player who still has the row's version.</summary>
    public Change UpdatePlayer(PlayerRow p) =>
        database.Act(c =>
        {
            c.Demand("The section", "section", "closed_on IS NULL", p.SectionId);
            return c.Update(
                "player",
                "id = $id AND left_on IS NULL",
                "section_id = $section, name = $name, instrument = $instrument, chair = $chair, level = $level, options = $options",
                p.Version,
                ("id", p.Id),
                ("section", p.SectionId),
                ("name", p.Name),
                ("instrument", p.Instrument),
                ("chair", p.Chair),
                ("level", p.Level),
                ("options", p.Options)
            );
        });

    /// <summary>A player leaves; their log stays, and <see cref="RestorePlayer"/> brings them back.</summary>
    public bool RemovePlayer(long id, DateOnly today) =>
        database.Act(c =>
            c.Run("UPDATE player SET left_on = $today WHERE id = $id AND left_on IS NULL", ("id", id), ("today", today.Iso()))
        ) > 0;

    /// <summary>Undoes <see cref="RemovePlayer"/>; a section that was closed meanwhile is opened again.</summary>
    public bool RestorePlayer(long id) =>
        database.Act(c =>
        {
            c.Run("UPDATE section SET closed_on = NULL WHERE id = (SELECT section_id FROM player WHERE id = $id)", ("id", id));
            return c.Run("UPDATE player SET left_on = NULL WHERE id = $id AND left_on IS NOT NULL", ("id", id));
        }) > 0;

    internal static IReadOnlyList<PlayerRow> Players(SqliteConnection c) =>
        c.Read(
            "SELECT id, section_id, name, instrument, chair, level, options, left_on, version FROM player WHERE left_on IS NULL "
                + "ORDER BY section_id, chair, id",
            r => new PlayerRow(
                r.GetInt64(0),
                r.GetInt64(1),
                r.GetString(2),
                r.Text(3),
                r.GetInt32(4),
                r.GetString(5),
                r.Text(6),
                r.Day(7),
                r.GetInt32(8)
            )
        );
}
