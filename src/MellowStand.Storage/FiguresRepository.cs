using Microsoft.Data.Sqlite;

namespace MellowStand.Storage;

/// <summary>What the shelf tells of a piece.</summary>
/// <param name="Stamp">The counters under which it was counted.</param>
/// <param name="Parts">Parts.</param>
/// <param name="Measures">Measures.</param>
/// <param name="Differences">Differences that count.</param>
/// <param name="Open">Those of them that wait for a decision.</param>
/// <param name="Findings">Warnings of Study that are not dismissed.</param>
public sealed record ShelfFigures(Stamp Stamp, int Parts, int Measures, int Differences, int Open, int Findings);

/// <summary>Figures of the shelf, stored with each piece, so that a shelf of any length opens in one query.</summary>
public sealed class FiguresRepository(Database database)
{
    /// <summary>The figures that are stored: piece to figures.</summary>
    public IReadOnlyDictionary<long, ShelfFigures> All() =>
        database.Look(c => c.Read(
                "SELECT piece_id, revision, quiet, school, school_quiet, parts, measures, differences, open, findings FROM shelf_figures",
                r => (Id: r.Long("piece_id"), Figures: Row(r))
            )
            .ToDictionary(x => x.Id, x => x.Figures));

    /// <summary>Stores the figures of a piece.</summary>
    public void Keep(long piece, ShelfFigures f) =>
        database.Act(c =>
            c.Run(
                "INSERT INTO shelf_figures (piece_id, revision, quiet, school, school_quiet, parts, measures, differences, open, findings) "
                    + "SELECT id, $revision, $quiet, $school, $sq, $parts, $measures, $differences, $open, $findings FROM piece "
                    + "WHERE id = $piece "
                    + "ON CONFLICT (piece_id) DO UPDATE SET revision = $revision, quiet = $quiet, school = $school, school_quiet = $sq, "
                    + "parts = $parts, measures = $measures, differences = $differences, open = $open, findings = $findings",
                ("piece", piece),
                ("revision", f.Stamp.Revision),
                ("quiet", f.Stamp.Quiet),
                ("school", f.Stamp.School),
                ("sq", f.Stamp.SchoolQuiet),
                ("parts", f.Parts),
                ("measures", f.Measures),
                ("differences", f.Differences),
                ("open", f.Open),
                ("findings", f.Findings)
            )
        );

    private static ShelfFigures Row(Row r) =>
        new(Stamps.Of(r), r.Int("parts"), r.Int("measures"), r.Int("differences"), r.Int("open"), r.Int("findings"));
}
