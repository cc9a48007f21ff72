using MellowStand.Core.Notation;
using MellowStand.Core.Study;
using Microsoft.Data.Sqlite;

namespace MellowStand.Storage;

/// <summary>What the director said of a finding, kept by what it is about.</summary>
/// <param name="Finding">Its id.</param>
/// <param name="Title">What it said when it was reviewed.</param>
/// <param name="Key">What it is about; null for one of an earlier version of the program.</param>
/// <param name="Place">Where it is about.</param>
/// <param name="State">One of <see cref="ReviewStates"/>.</param>
/// <param name="Words">What players read instead of its own words, or null.</param>
public sealed record ReviewedFinding(
    string Finding,
    string Title,
    FindingKey? Key,
    Address Place,
    string State = ReviewStates.Dismissed,
    string? Words = null
);

/// <summary>What a director says of a finding.</summary>
public static class ReviewStates
{
    /// <summary>Quiet for the director and for players.</summary>
    public const string Dismissed = "dismissed";

    /// <summary>In the director's list, kept from players.</summary>
    public const string Held = "held";

    /// <summary>Players read it.</summary>
    public const string Sent = "sent";
}

/// <summary>What was said of findings, and rules that stay quiet.</summary>
public sealed class QuietRepository(Database database)
{
    /// <summary>What was said in pieces: findings that were reviewed, of each one's edition and of earlier ones that could not be carried,
    /// and rules that stay quiet, each with whether it is so everywhere.</summary>
    public (ILookup<long, ReviewedFinding> Findings, IReadOnlyDictionary<long, IReadOnlyDictionary<string, bool>> Rules) Of(
        IEnumerable<long> pieces
    ) =>
        database.Look(c =>
        {
            var ids = pieces.Distinct().ToList();
            var findings = c.Read(
                    $"SELECT piece_id, {Columns} FROM quiet_finding WHERE piece_id IN (SELECT value FROM json_each($ids)) ORDER BY made",
                    r => (Piece: r.Long("piece_id"), Finding: Row(r)),
                    ("ids", Sql.Json(ids))
                )
                .ToLookup(x => x.Piece, x => x.Finding);
            var rules = c.Read(
                    "SELECT piece_id, rule FROM quiet_rule WHERE piece_id = 0 OR piece_id IN (SELECT value FROM json_each($ids))",
                    r => (Piece: r.Long("piece_id"), Rule: r.Text("rule")),
                    ("ids", Sql.Json(ids))
                );
            return (
                findings,
                ids.ToDictionary(
                    id => id,
                    id => (IReadOnlyDictionary<string, bool>)RulesOf(rules.Where(r => r.Piece == 0 || r.Piece == id))
                )
            );
        });

    /// <summary>Keeps what was said of findings, as one act; what was said of them before is replaced.</summary>
    public void Review(long piece, IReadOnlyList<ReviewedFinding> findings, DateTimeOffset now) =>
        database.Act(c =>
        {
            foreach (var finding in findings)
            {
                Recall(c, piece, finding.Finding);
                Review(c, piece, finding, now.Iso());
            }

            return findings.Count;
        });

    /// <summary>Forgets what was said of many findings, as one act.</summary>
    public void Forget(long piece, IReadOnlyList<string> findings) => database.Act(c => findings.Sum(finding => Recall(c, piece, finding)));

    /// <summary>Forgets what was said of a finding.</summary>
    public bool Recall(long piece, string finding) => database.Act(c => Recall(c, piece, finding)) > 0;

    /// <summary>Rules that stay quiet in a piece: rule to whether it is so everywhere.</summary>
    public IReadOnlyDictionary<string, bool> Rules(long piece) => Of([piece]).Rules[piece];

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

    private const string Columns =
        "finding, title, edition, rule, parts, from_index, from_label, to_index, to_label, notes, turn, state, words";

    // In the order of their names; everywhere before in the piece.
    private static Dictionary<string, bool> RulesOf(IEnumerable<(long Piece, string Rule)> rules) =>
        rules.GroupBy(r => r.Rule).OrderBy(g => g.Key, StringComparer.Ordinal).ToDictionary(g => g.Key, g => g.Any(r => r.Piece == 0));

    internal static IReadOnlyList<ReviewedFinding> Findings(SqliteConnection c, long piece) =>
        c.Read(
            $"SELECT {Columns} FROM quiet_finding WHERE piece_id = $piece ORDER BY made",
            Row,
            ("piece", piece)
        );

    private static int Recall(SqliteConnection c, long piece, string finding) =>
        c.Run("DELETE FROM quiet_finding WHERE piece_id = $piece AND finding = $finding", ("piece", piece), ("finding", finding));

    internal static int Review(SqliteConnection c, long piece, ReviewedFinding q, string made) =>
        c.Run(
            "INSERT INTO quiet_finding (piece_id, edition, finding, title, made, rule, parts, from_index, from_label, to_index, to_label, "
                + "notes, turn, state, words) VALUES ($piece, $edition, $finding, $title, $made, $rule, $parts, $from, $fl, $to, $tl, "
                + "$notes, $turn, $state, $words) "
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
            ("turn", q.Key?.Turn ?? 0),
            ("state", q.State),
            ("words", q.Words)
        );

    private static ReviewedFinding Row(Row r)
    {
        var place = r.Place();
        var key = r.TextOrNull("rule") is { } rule
            ? new FindingKey(rule, place.Parts, place.From.Index, place.To.Index, r.Lines("notes"), r.Int("turn"))
            : null;
        return new ReviewedFinding(r.Text("finding"), r.Text("title"), key, place, r.Text("state"), r.TextOrNull("words"));
    }
}
