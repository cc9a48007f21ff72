namespace MellowStand.Storage;

/// <summary>A section of the ensemble.</summary>
public sealed record SectionRow(long Id, string Name, int Position);

/// <summary>A player.</summary>
/// <param name="Id">Their number.</param>
/// <param name="SectionId">Their section.</param>
/// <param name="Name">Their name.</param>
/// <param name="Instrument">Instrument id of the catalog, or null.</param>
/// <param name="Chair">Chair from 1.</param>
/// <param name="Level"><c>comfortable</c>, <c>advanced</c> or <c>extreme</c>: the range asked of them.</param>
/// <param name="Options">What their instrument has, option ids with spaces between; null where nothing is said.</param>
public sealed record PlayerRow(long Id, long SectionId, string Name, string? Instrument, int Chair, string Level, string? Options = null);

/// <summary>Sections, players and chairs.</summary>
public sealed class EnsembleRepository(Database database)
{
    /// <summary>All sections in order.</summary>
    public IReadOnlyList<SectionRow> Sections()
    {
        using var c = database.Open();
        return c.Read(
            "SELECT id, name, position FROM section ORDER BY position, id",
            r => new SectionRow(r.GetInt64(0), r.GetString(1), r.GetInt32(2))
        );
    }

    /// <summary>All players by section and chair.</summary>
    public IReadOnlyList<PlayerRow> Players()
    {
        using var c = database.Open();
        return c.Read(
            "SELECT id, section_id, name, instrument, chair, level, options FROM player ORDER BY section_id, chair, id",
            r => new PlayerRow(r.GetInt64(0), r.GetInt64(1), r.GetString(2), r.Text(3), r.GetInt32(4), r.GetString(5), r.Text(6))
        );
    }

    /// <summary>Adds a section at the end.</summary>
    public long AddSection(string name) =>
        database.Act(c =>
            c.Insert(
                "INSERT INTO section (name, position) VALUES ($name, (SELECT COALESCE(MAX(position), 0) + 1 FROM section))",
                ("name", name)
            )
        );

    /// <summary>Renames a section.</summary>
    public bool RenameSection(long id, string name) =>
        database.Act(c => c.Run("UPDATE section SET name = $name WHERE id = $id", ("id", id), ("name", name))) > 0;

    /// <summary>Removes a section that has no players.</summary>
    public bool RemoveSection(long id) =>
        database.Act(c =>
            c.Run("DELETE FROM section WHERE id = $id AND NOT EXISTS (SELECT 1 FROM player WHERE section_id = $id)", ("id", id))
        ) > 0;

    /// <summary>Adds a player.</summary>
    public long AddPlayer(long section, string name, string? instrument, int chair, string level, string? options = null) =>
        database.Act(c =>
            c.Insert(
                "INSERT INTO player (section_id, name, instrument, chair, level, options) VALUES ($section, $name, $instrument, "
                    + "$chair, $level, $options)",
                ("section", section),
                ("name", name),
                ("instrument", instrument),
                ("chair", chair),
                ("level", level),
                ("options", options)
            )
        );

    /// <summary>Changes a player.</summary>
    public bool UpdatePlayer(PlayerRow p) =>
        database.Act(c =>
            c.Run(
                "UPDATE player SET section_id = $section, name = $name, instrument = $instrument, chair = $chair, level = "
                    + "$level, options = $options WHERE id = $id",
                ("id", p.Id),
                ("section", p.SectionId),
                ("name", p.Name),
                ("instrument", p.Instrument),
                ("chair", p.Chair),
                ("level", p.Level),
                ("options", p.Options)
            )
        ) > 0;

    /// <summary>Removes a player and their log.</summary>
    public bool RemovePlayer(long id) => database.Act(c => c.Run("DELETE FROM player WHERE id = $id", ("id", id))) > 0;
}
