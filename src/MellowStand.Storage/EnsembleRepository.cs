using Microsoft.Data.Sqlite;

namespace MellowStand.Storage;

/// <summary>A section of the ensemble.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Name">Its name.</param>
/// <param name="Position">Its place in the ensemble.</param>
/// <param name="Version">How often it was changed.</param>
public sealed record SectionRow(SectionId Id, string Name, int Position, int Version);

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
    PlayerId Id,
    SectionId SectionId,
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
    private readonly Slice<IReadOnlyList<SectionRow>> _sections = new(
        database,
        RestsOn.People,
        c =>
            c.Read(
                "SELECT id, name, position, version FROM section WHERE closed_on IS NULL ORDER BY position, id",
                r => new SectionRow(new SectionId(r.Long("id")), r.Text("name"), r.Int("position"), r.Int("version"))
            )
    );

    private readonly Slice<IReadOnlyDictionary<PlayerId, PlayerRow>> _everyone = new(
        database,
        RestsOn.People,
        c => Players(c, "1").ToDictionary(p => p.Id)
    );

    private readonly Slice<IReadOnlyDictionary<SectionId, string>> _names = new(
        database,
        RestsOn.People,
        c =>
            c.Read("SELECT id, name FROM section", r => (Id: new SectionId(r.Long("id")), Name: r.Text("name")))
                .ToDictionary(x => x.Id, x => x.Name)
    );

    /// <summary>All sections in order.</summary>
    public IReadOnlyList<SectionRow> Sections() => _sections.Now();

    /// <summary>All who play, by section and chair.</summary>
    public IReadOnlyList<PlayerRow> Players() => [.. Everyone().Values.Where(p => p.LeftOn is null)];

    /// <summary>All who play in a section that is open, in the order of sections and chairs.</summary>
    public IReadOnlyList<PlayerRow> InOrder()
    {
        var order = Sections().ToDictionary(s => s.Id, s => s.Position);
        return
        [
            .. Players().Where(p => order.ContainsKey(p.SectionId)).OrderBy(p => order[p.SectionId]).ThenBy(p => p.Chair),
        ];
    }

    /// <summary>All who ever played, by number, in the order of sections and chairs; those who left have their last day.</summary>
    public IReadOnlyDictionary<PlayerId, PlayerRow> Everyone() => _everyone.Now();

    /// <summary>One who plays, or null.</summary>
    public PlayerRow? Find(PlayerId id) => Everyone().GetValueOrDefault(id) is { LeftOn: null } player ? player : null;

    /// <summary>Names of all sections that ever were, by number.</summary>
    public IReadOnlyDictionary<SectionId, string> SectionNames() => _names.Now();

    /// <summary>Adds a section at the end.</summary>
    public SectionId AddSection(string name) =>
        database.Act(c => new SectionId(
            c.Insert(
                "INSERT INTO section (name, position) VALUES ($name, (SELECT COALESCE(MAX(position), 0) + 1 FROM section))",
                ("name", name)
            )
        ));

    /// <summary>Adds sections at the end as one act; their numbers in order.</summary>
    public IReadOnlyList<SectionId> AddSections(IReadOnlyList<string> names) => database.Act(_ => names.Select(AddSection).ToList());

    /// <summary>Renames a section that still has the version that was seen.</summary>
    public Change RenameSection(SectionId id, string name, long version) =>
        database.Act(c => c.Update("section", "id = $id AND closed_on IS NULL", "name = $name", version, ("id", id.Value), ("name", name)));

    /// <summary>Closes a section in which nobody plays; those who left keep their history.</summary>
    public bool RemoveSection(SectionId id, DateOnly today) =>
        database.Act(c =>
            c.Run(
                "UPDATE section SET closed_on = $today WHERE id = $id AND closed_on IS NULL "
                    + "AND NOT EXISTS (SELECT 1 FROM player WHERE section_id = $id AND left_on IS NULL)",
                ("id", id.Value),
                ("today", today.Iso())
            )
        ) > 0;

    /// <summary>Adds a player.</summary>
    public PlayerId AddPlayer(SectionId section, string name, string? instrument, int chair, string level, string? options = null) =>
        database.Act(c =>
        {
            c.Demand("The section", "section", "closed_on IS NULL", section.Value);
            return new PlayerId(c.Insert(
                "INSERT INTO player (section_id, name, instrument, chair, level, options) VALUES ($section, $name, $instrument, "
                    + "$chair, $level, $options)",
                ("section", section.Value),
                ("name", name),
                ("instrument", instrument),
                ("chair", chair),
                ("level", level),
                ("options", options)
            ));
        });

    /// <summary>Changes a player who still has the row's version.</summary>
    public Change UpdatePlayer(PlayerRow p) =>
        database.Act(c =>
        {
            c.Demand("The section", "section", "closed_on IS NULL", p.SectionId.Value);
            return c.Update(
                "player",
                "id = $id AND left_on IS NULL",
                "section_id = $section, name = $name, instrument = $instrument, chair = $chair, level = $level, options = $options",
                p.Version,
                ("id", p.Id.Value),
                ("section", p.SectionId.Value),
                ("name", p.Name),
                ("instrument", p.Instrument),
                ("chair", p.Chair),
                ("level", p.Level),
                ("options", p.Options)
            );
        });

    /// <summary>A player leaves; their log stays, and <see cref="RestorePlayer"/> brings them back.</summary>
    public bool RemovePlayer(PlayerId id, DateOnly today) =>
        database.Act(c =>
            c.Run("UPDATE player SET left_on = $today WHERE id = $id AND left_on IS NULL", ("id", id.Value), ("today", today.Iso()))
        ) > 0;

    /// <summary>Adds many players as one act, with the sections that are not there yet.</summary>
    /// <param name="rows">The players; <see cref="PlayerRow.SectionId"/> and numbers are not read.</param>
    /// <returns>Numbers of the sections and of the players that were added.</returns>
    public (IReadOnlyList<SectionId> Sections, IReadOnlyList<PlayerId> Players) AddMany(
        IReadOnlyList<(string Section, PlayerRow Player)> rows
    ) =>
        database.Act(c =>
        {
            var known = Sections()
                .DistinctBy(s => s.Name, StringComparer.OrdinalIgnoreCase)
                .ToDictionary(s => s.Name, s => s.Id, StringComparer.OrdinalIgnoreCase);
            var (sections, players) = (new List<SectionId>(), new List<PlayerId>());
            foreach (var (name, p) in rows)
            {
                if (!known.TryGetValue(name, out var section))
                {
                    section = known[name] = AddSection(name);
                    sections.Add(section);
                }

                players.Add(AddPlayer(section, p.Name, p.Instrument, p.Chair, p.Level, p.Options));
            }

            return ((IReadOnlyList<SectionId>)sections, (IReadOnlyList<PlayerId>)players);
        });

    /// <summary>Lets players leave and closes sections, as one act; a section in which somebody still plays stays.</summary>
    public void RemoveMany(IEnumerable<PlayerId> players, IEnumerable<SectionId> sections, DateOnly today) =>
        database.Act(c =>
        {
            foreach (var player in players)
                RemovePlayer(player, today);
            foreach (var section in sections)
                RemoveSection(section, today);
            return 0;
        });

    /// <summary>Undoes <see cref="RemoveMany"/>.</summary>
    public void RestoreMany(IEnumerable<PlayerId> players, IEnumerable<SectionId> sections) =>
        database.Act(c =>
        {
            foreach (var section in sections)
                c.Run("UPDATE section SET closed_on = NULL WHERE id = $id", ("id", section.Value));
            foreach (var player in players)
                RestorePlayer(player);
            return 0;
        });

    /// <summary>Undoes <see cref="RemovePlayer"/>; a section that was closed meanwhile is opened again.</summary>
    public bool RestorePlayer(PlayerId id) =>
        database.Act(c =>
        {
            c.Run("UPDATE section SET closed_on = NULL WHERE id = (SELECT section_id FROM player WHERE id = $id)", ("id", id.Value));
            return c.Run("UPDATE player SET left_on = NULL WHERE id = $id AND left_on IS NOT NULL", ("id", id.Value));
        }) > 0;

    internal static IReadOnlyList<PlayerRow> Players(SqliteConnection c, string which = "left_on IS NULL") =>
        c.Read(
            $"SELECT id, section_id, name, instrument, chair, level, options, left_on, version FROM player WHERE {which} "
                + "ORDER BY section_id, chair, id",
            r => new PlayerRow(
                new PlayerId(r.Long("id")),
                new SectionId(r.Long("section_id")),
                r.Text("name"),
                r.TextOrNull("instrument"),
                r.Int("chair"),
                r.Text("level"),
                r.TextOrNull("options"),
                r.DayOrNull("left_on"),
                r.Int("version")
            )
        );
}
