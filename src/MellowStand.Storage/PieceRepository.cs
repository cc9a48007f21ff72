using Microsoft.Data.Sqlite;

namespace MellowStand.Storage;

/// <summary>Counters under which an answer was worked out; another value means that it may be stale.</summary>
/// <param name="Revision">Acts on the piece.</param>
/// <param name="Quiet">Findings and rules made quiet, or loud again, in the piece.</param>
/// <param name="School">Acts on players, house rules, charts, learned instruments.</param>
/// <param name="SchoolQuiet">Rules made quiet everywhere.</param>
public readonly record struct Stamp(long Revision, long Quiet, long School, long SchoolQuiet);

/// <summary>A piece on the shelf, without its bytes.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Title">Title on the shelf.</param>
/// <param name="Kind"><c>piece</c> or <c>etude</c>.</param>
/// <param name="EtudeSet">The set an etude belongs to, or null.</param>
/// <param name="Due">Concert or audition date, or null.</param>
/// <param name="FileName">Name of the imported file, for display only.</param>
/// <param name="Edition">Id of the edition on the shelf.</param>
/// <param name="Stamp">The counters as read with the row.</param>
/// <param name="Version">How often title, kind, set or date were changed.</param>
public sealed record PieceRow(
    long Id,
    string Title,
    string Kind,
    string? EtudeSet,
    DateOnly? Due,
    string FileName,
    string Edition,
    Stamp Stamp,
    int Version
);

/// <summary>A file to keep as a piece.</summary>
/// <param name="Title">Title on the shelf.</param>
/// <param name="Kind"><c>piece</c> or <c>etude</c>.</param>
/// <param name="EtudeSet">The set an etude belongs to, or null.</param>
/// <param name="Due">Concert or audition date, or null.</param>
/// <param name="FileName">Name of the file.</param>
/// <param name="Edition">Id of the edition.</param>
/// <param name="Original">The bytes.</param>
public sealed record NewPiece(string Title, string Kind, string? EtudeSet, DateOnly? Due, string FileName, string Edition, byte[] Original);

/// <summary>An instrument chosen for a part.</summary>
/// <param name="Part">Id of the part.</param>
/// <param name="Name">Its printed name.</param>
/// <param name="Instrument">Instrument id of the catalog.</param>
/// <param name="Edition">The edition that the part belongs to.</param>
public sealed record ChosenInstrument(string Part, string Name, string Instrument, string Edition);

/// <summary>The shelf: pieces and their titles.</summary>
public sealed class PieceRepository(Database database)
{
    private const string Columns =
        "SELECT p.id, p.title, p.kind, p.etude_set, p.due, p.file_name, p.edition, p.revision, p.quiet, s.n AS school, "
        + "s.quiet AS school_quiet, p.version "
        + "FROM piece p, school_revision s";

    /// <summary>Keeps an imported file as it came, with the instruments chosen at once, in one act.</summary>
    /// <param name="piece">The file.</param>
    /// <param name="chosen">Instruments chosen before it was kept.</param>
    /// <param name="learned">What is to be remembered for the next file: key to instrument id.</param>
    /// <param name="now">The moment.</param>
    public long Add(
        NewPiece piece,
        IEnumerable<ChosenInstrument> chosen,
        IEnumerable<KeyValuePair<string, string>> learned,
        DateTimeOffset now
    ) =>
        database.Act(c =>
        {
            var id = c.Insert(
                "INSERT INTO piece (title, kind, etude_set, due, file_name, edition, original, added) "
                    + "VALUES ($title, $kind, $set, $due, $file, $edition, $original, $added)",
                ("title", piece.Title),
                ("kind", piece.Kind),
                ("set", piece.EtudeSet),
                ("due", piece.Due?.Iso()),
                ("file", piece.FileName),
                ("edition", piece.Edition),
                ("original", piece.Original),
                ("added", now.Iso())
            );
            foreach (var choice in chosen)
                Choose(c, id, choice);
            foreach (var (key, instrument) in learned)
                HouseRepository.Learn(c, key, instrument);
            return id;
        });

    /// <summary>All pieces on the shelf, the nearest date first.</summary>
    public IReadOnlyList<PieceRow> All() =>
        database.Look(c => c.Read(Columns + " WHERE p.deleted IS NULL ORDER BY p.due IS NULL, p.due, p.kind DESC, p.title, p.id", Row));

    /// <summary>One piece, or null.</summary>
    public PieceRow? Find(long id) => database.Look(c => Find(c, id));

    /// <summary>Those of many pieces that are on the shelf.</summary>
    public IReadOnlyList<PieceRow> Find(IEnumerable<long> ids) =>
        database.Look(c =>
            c.Read(
                Columns + " WHERE p.deleted IS NULL AND p.id IN (SELECT value FROM json_each($ids))",
                Row,
                ("ids", Sql.Json(ids.Distinct()))
            )
        );

    /// <summary>Changes title, kind, set and date of a piece that still has the row's version.</summary>
    public Change Update(PieceRow piece) =>
        database.Act(c =>
            c.Update(
                "piece",
                "id = $id AND deleted IS NULL",
                "title = $title, kind = $kind, etude_set = $set, due = $due",
                piece.Version,
                ("title", piece.Title),
                ("kind", piece.Kind),
                ("set", piece.EtudeSet),
                ("due", piece.Due?.Iso()),
                ("id", piece.Id)
            )
        );

    /// <summary>Takes a piece off the shelf; <see cref="Restore"/> brings it back.</summary>
    public bool Remove(long id, DateTimeOffset now) =>
        database.Act(c => c.Run("UPDATE piece SET deleted = $now WHERE id = $id AND deleted IS NULL", ("id", id), ("now", now.Iso()))) > 0;

    /// <summary>Undoes <see cref="Remove"/>.</summary>
    public bool Restore(long id) =>
        database.Act(c =>
            c.Run("UPDATE piece SET deleted = NULL, left_with = NULL WHERE id = $id AND deleted IS NOT NULL", ("id", id))
        ) > 0;

    /// <summary>Chooses the instrument of a part, and remembers it for the next file.</summary>
    /// <param name="id">The piece.</param>
    /// <param name="choice">The choice.</param>
    /// <param name="key">What the instrument is remembered by.</param>
    public void ChooseInstrument(long id, ChosenInstrument choice, string key) =>
        database.Act(c =>
        {
            c.Demand("The piece", "piece", "deleted IS NULL", id);
            HouseRepository.Learn(c, key, choice.Instrument);
            return Choose(c, id, choice);
        });

    /// <summary>Sets the leader of a line of an edition, or takes it back to the default with null.</summary>
    public void Lead(long id, string edition, string parts, string? leader) =>
        database.Act(c =>
        {
            c.Demand("The piece", "piece", "deleted IS NULL", id);
            return Lead(c, id, edition, parts, leader);
        });

    internal static PieceRow? Find(SqliteConnection c, long id) =>
        c.Read(Columns + " WHERE p.id = $id AND p.deleted IS NULL", Row, ("id", id)).FirstOrDefault();

    internal static int Choose(SqliteConnection c, long piece, ChosenInstrument choice) =>
        c.Run(
            "INSERT INTO part_instrument (piece_id, edition, part, name, instrument) VALUES ($piece, $edition, $part, $name, $instrument) "
                + "ON CONFLICT (piece_id, edition, part) DO UPDATE SET instrument = $instrument, name = $name",
            ("piece", piece),
            ("edition", choice.Edition),
            ("part", choice.Part),
            ("name", choice.Name),
            ("instrument", choice.Instrument)
        );

    internal static int Lead(SqliteConnection c, long piece, string edition, string parts, string? leader) =>
        leader is null
            ? c.Run(
                "DELETE FROM leader WHERE piece_id = $piece AND edition = $edition AND parts = $parts",
                ("piece", piece),
                ("edition", edition),
                ("parts", parts)
            )
            : c.Run(
                "INSERT INTO leader (piece_id, edition, parts, leader) VALUES ($piece, $edition, $parts, $leader) "
                    + "ON CONFLICT (piece_id, edition, parts) DO UPDATE SET leader = $leader",
                ("piece", piece),
                ("edition", edition),
                ("parts", parts),
                ("leader", leader)
            );

    private static PieceRow Row(Row r) =>
        new(
            r.Long("id"),
            r.Text("title"),
            r.Text("kind"),
            r.TextOrNull("etude_set"),
            r.DayOrNull("due"),
            r.Text("file_name"),
            r.TextOrNull("edition") ?? "",
            Stamps.Of(r),
            r.Int("version")
        );
}
