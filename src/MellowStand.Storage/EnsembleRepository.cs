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
        return database.Look(c =>
            c.Read(
                "SELECT id, name, position, version FROM section WHERE closed_on IS NULL ORDER BY position, id",
                r => new SectionRow(r.GetInt64(0), r.GetString(1), r.GetInt32(2), r.GetInt32(3))
            )
        );
    }

    /// <summary>All who play, by section and chair.</summary>
    public IReadOnlyList<PlayerRow> Players()
    {
        using var c = database.Open();
        return Players(c);
    }

    /// <summary>All who ever played, by number; those who left have their last day.</summary>
    public IReadOnlyDictionary<long, PlayerRow> Everyone()
    {
        using var c = database.Open();
        return Players(c, "1").ToDictionary(p => p.Id);
    }

    /// <summary>Names of all sections that ever were, by number.</summary>
    public IReadOnlyDictionary<long, string> SectionNames()
    {
        using var c = database.Open();
        return c.Read("SELECT id, name FROM section", r => (r.GetInt64(0), r.GetString(1))).ToDictionary(x => x.Item1, x => x.Item2);
    }

    /// <summary>Adds a section at the end.</summary>
    public long AddSection(string name) =>
        database.Act(c =>
            c.Insert(
                "INSERT INTO section (name, position) VALUES ($name, (SELECT COALESCE(MAX(position), 0) + 1 FROM section))",
                ("name", name)
            )
        );

    /// <summary>Adds sections at the end as one act; their numbers in order.</summary>
    public IReadOnlyList<long> AddSections(IReadOnlyList<string> names) => database.Act(_ => names.Select(AddSection).ToList());

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

    /// <summary>Adds many players as one act, with the sections that are not there yet.</summary>
    /// <param name="rows">The players; <see cref="PlayerRow.SectionId"/> and numbers are not read.</param>
    /// <returns>Numbers of the sections and of the players that were added.</returns>
    public (IReadOnlyList<long> Sections, IReadOnlyList<long> Players) AddMany(IReadOnlyList<(string Section, PlayerRow Player)> rows) =>
        database.Act(c =>
        {
            var known = Sections()
                .DistinctBy(s => s.Name, StringComparer.OrdinalIgnoreCase)
                .ToDictionary(s => s.Name, s => s.Id, StringComparer.OrdinalIgnoreCase);
            var (sections, players) = (new List<long>(), new List<long>());
            foreach (var (name, p) in rows)
            {
                if (!known.TryGetValue(name, out var section))
                {
                    section = known[name] = AddSection(name);
                    sections.Add(section);
                }

                players.Add(AddPlayer(section, p.Name, p.Instrument, p.Chair, p.Level, p.Options));
            }

            return ((IReadOnlyList<long>)sections, (IReadOnlyList<long>)players);
        });

    /// <summary>Lets players leave and closes sections, as one act; a section in which somebody still plays stays.</summary>
    public void RemoveMany(IEnumerable<long> players, IEnumerable<long> sections, DateOnly today) =>
        database.Act(c =>
        {
            foreach (var player in players)
                RemovePlayer(player, today);
            foreach (var section in sections)
                RemoveSection(section, today);
            return 0;
        });

    /// <summary>Undoes <see cref="RemoveMany"/>.</summary>
    public void RestoreMany(IEnumerable<long> players, IEnumerable<long> sections) =>
        database.Act(c =>
        {
            foreach (var section in sections)
                c.Run("UPDATE section SET closed_on = NULL WHERE id = $id", ("id", section));
            foreach (var player in players)
                RestorePlayer(player);
            return 0;
        });

    /// <summary>Undoes <see cref="RemovePlayer"/>; a section that was closed meanwhile is opened again.</summary>
    public bool RestorePlayer(long id) =>
        database.Act(c =>
        {
            c.Run("UPDATE section SET closed_on = NULL WHERE id = (SELECT section_id FROM player WHERE id = $id)", ("id", id));
            return c.Run("UPDATE player SET left_on = NULL WHERE id = $id AND left_on IS NOT NULL", ("id", id));
        }) > 0;

    internal static IReadOnlyList<PlayerRow> Players(SqliteConnection c, string which = "left_on IS NULL") =>
        c.Read(
            $"SELECT id, section_id, name, instrument, chair, level, options, left_on, version FROM player WHERE {which} "
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
