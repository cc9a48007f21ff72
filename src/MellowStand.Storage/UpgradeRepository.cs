using MellowStand.Core.Notation;

namespace MellowStand.Storage;

/// <summary>What a piece of an earlier version of the program needs before it can be opened: its edition by name, its places by label, its
/// findings and
/// differences by what they are about.</summary>
/// <param name="Edition">Id of its edition.</param>
/// <param name="Labels">Labels of its measures.</param>
/// <param name="PartNames">Part id to printed name.</param>
/// <param name="Findings">Former id of a finding to what it is about.</param>
/// <param name="Differences">Former id of a difference to its id.</param>
public sealed record Upgrade(
    string Edition,
    IReadOnlyList<string> Labels,
    IReadOnlyDictionary<string, string> PartNames,
    IReadOnlyDictionary<string, ReviewedFinding> Findings,
    IReadOnlyDictionary<string, string> Differences
);

/// <summary>Brings pieces of earlier versions to the newest form, each in one act.</summary>
public sealed class UpgradeRepository(Database database)
{
    /// <summary>Numbers of the pieces that need it, on the shelf or taken off it.</summary>
    public IReadOnlyList<long> Waiting() =>
        database.Look(c => c.Read("SELECT id FROM piece WHERE edition IS NULL ORDER BY id", r => r.Long("id")));

    /// <summary>Names the editions that were replaced.</summary>
    public void NameOldEditions() =>
        database.Act(c =>
        {
            var nameless = c.Read("SELECT id, original FROM edition WHERE hash IS NULL", r => (r.Long("id"), r.Bytes("original")));
            foreach (var (id, bytes) in nameless)
                c.Run("UPDATE edition SET hash = $hash WHERE id = $id", ("id", id), ("hash", Identity.Of(bytes)));
            return 0;
        });

    /// <summary>Names a piece's edition before anything is read from it, so that its layer can be made.</summary>
    /// <param name="piece">The piece.</param>
    /// <param name="upgrade">What it needs.</param>
    public void Apply(long piece, Upgrade upgrade) =>
        database.Act(c =>
        {
            (string, object?)[] at = [("piece", piece), ("edition", upgrade.Edition)];
            foreach (var table in new[] { "decision", "passage", "part_instrument", "leader", "quiet_finding" })
                c.Run($"UPDATE {table} SET edition = $edition WHERE piece_id = $piece AND edition IS NULL", at);
            foreach (var (index, label) in upgrade.Labels.Index())
            {
                c.Run(
                    "UPDATE passage SET from_label = $label WHERE piece_id = $piece AND from_index = $i",
                    ("piece", piece),
                    ("label", label),
                    ("i", index)
                );
                c.Run(
                    "UPDATE passage SET to_label = $label WHERE piece_id = $piece AND to_index = $i",
                    ("piece", piece),
                    ("label", label),
                    ("i", index)
                );
            }

            foreach (var (part, name) in upgrade.PartNames)
                c.Run(
                    "UPDATE part_instrument SET name = $name WHERE piece_id = $piece AND part = $part",
                    ("piece", piece),
                    ("part", part),
                    ("name", name)
                );
            foreach (var (former, finding) in upgrade.Findings)
            {
                var made = c.Read(
                    "DELETE FROM quiet_finding WHERE piece_id = $piece AND finding = $former AND rule IS NULL RETURNING made",
                    r => r.Text("made"),
                    ("piece", piece),
                    ("former", former)
                );
                if (made.Count > 0)
                    QuietRepository.Review(c, piece, finding, made[0]);
            }

            foreach (var (former, id) in upgrade.Differences)
                c.Run(
                    "UPDATE decision SET difference = $id WHERE piece_id = $piece AND difference = $former",
                    ("piece", piece),
                    ("former", former),
                    ("id", id)
                );
            return c.Run("UPDATE piece SET edition = $edition WHERE id = $piece", at);
        });
}
