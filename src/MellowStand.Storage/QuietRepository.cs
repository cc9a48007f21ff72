using MellowStand.Core.Notation;
using MellowStand.Core.Study;
using Microsoft.Data.Sqlite;

namespace MellowStand.Storage;

/// <summary>A dismissed finding, by what it is about.</summary>
/// <param name="Finding">Its id.</param>
/// <param name="Title">What it said when it was dismissed.</param>
/// <param name="Key">What it is about; null for one of an earlier version of the program.</param>
/// <param name="Place">Where it is about.</param>
public sealed record QuietFinding(string Finding, string Title, FindingKey? Key, Address Place);

/// <summary>What stays quiet: findings and rules.</summary>
public sealed class QuietRepository(Database database)
{
    /// <summary>Findings that were dismissed in a piece, of its edition and of earlier ones that could not be carried.</summary>
    public IReadOnlyList<QuietFinding> Findings(long piece)
    {
        using var c = database.Open();
        return Findings(c, piece);
    }

    /// <summary>Dismisses a finding; it stays quiet and is listed.</summary>
    public void Dismiss(long piece, QuietFinding finding, DateTimeOffset now) => database.Act(c => Dismiss(c, piece, finding, now.Iso()));

    /// <summary>Brings a dismissed finding back.</summary>
    public bool Recall(long piece, string finding) =>
        database.Act(c =>
            c.Run("DELETE FROM quiet_finding WHERE piece_id = $piece AND finding = $finding", ("piece", piece), ("finding", finding))
        ) > 0;

    /// <summary>Rules that stay quiet in a piece: rule to whether it is so everywhere.</summary>
    public IReadOnlyDictionary<string, bool> Rules(long piece)
    {
        using var c = database.Open();
        return c.Read(
                "SELECT rule, MIN(piece_id) FROM quiet_rule WHERE piece_id IN (0, $piece) GROUP BY rule",
                r => (r.GetString(0), r.GetInt64(1) == 0),
                ("piece", piece)
            )
            .ToDictionary(x => x.Item1, x => x.Item2);
    }

    /// <summary>Makes a rule quiet in a piece, or everywhere.</summary>
    public void Quiet(long? piece, string rule, DateTimeOffset now) =>
        database.Act(c =>
            c.Run(
                "INSERT INTO quiet_rule (piece_id, rule, made) VALUES ($piece, $rule, $now) ON CONFLICT DO NOTHING",
                ("piece", piece ?? 0),
                ("rule", rule),
                ("now", now.Iso())
            )
        );

    /// <summary>Lets a rule speak again, in the piece and everywhere.</summary>
    public bool Unquiet(long piece, string rule) =>
        database.Act(c => c.Run("DELETE FROM quiet_rule WHERE piece_id IN (0, $piece) AND rule = $rule", ("piece", piece), ("rule", rule)))
        > 0;

    internal static IReadOnlyList<QuietFinding> Findings(SqliteConnection c, long piece) =>
        c.Read(
            "SELECT finding, title, edition, rule, parts, from_index, from_label, to_index, to_label, notes, turn "
                + "FROM quiet_finding WHERE piece_id = $piece ORDER BY made",
            Row,
            ("piece", piece)
        );

    internal static int Dismiss(SqliteConnection c, long piece, QuietFinding q, string made) =>
        c.Run(
            "INSERT INTO quiet_finding (piece_id, edition, finding, title, made, rule, parts, from_index, from_label, to_index, to_label, "
                + "notes, turn) VALUES ($piece, $edition, $finding, $title, $made, $rule, $parts, $from, $fl, $to, $tl, $notes, $turn) "
                + "ON CONFLICT DO NOTHING",
            ("piece", piece),
            ("edition", q.Place.Edition),
            ("finding", q.Finding),
            ("title", q.Title),
            ("made", made),
            ("rule", q.Key?.Rule),
            ("parts", string.Join('\n', q.Place.Parts)),
            ("from", q.Place.From.Index),
            ("fl", q.Place.From.Label),
            ("to", q.Place.To.Index),
            ("tl", q.Place.To.Label),
            ("notes", string.Join('\n', q.Key?.Notes ?? [])),
            ("turn", q.Key?.Turn ?? 0)
        );

    private static QuietFinding Row(SqliteDataReader r)
    {
        var place = new Address(
            r.Text(2) ?? "",
            r.Lines(4),
            new MeasurePlace(r.GetInt32(5), r.GetString(6)),
            new MeasurePlace(r.GetInt32(7), r.GetString(8))
        );
        var key = r.Text(3) is { } rule
            ? new FindingKey(rule, place.Parts, place.From.Index, place.To.Index, r.Lines(9), r.GetInt32(10))
            : null;
        return new QuietFinding(r.GetString(0), r.GetString(1), key, place);
    }
}
