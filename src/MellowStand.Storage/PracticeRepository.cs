namespace MellowStand.Storage;

/// <summary>A practice path as a director changed it.</summary>
/// <param name="Steps">Names of the recipes of each step; null where it is what the house would say.</param>
/// <param name="Version">How often it was changed.</param>
public sealed record PracticeRow(IReadOnlyList<IReadOnlyList<string>>? Steps, int Version);

/// <summary>Practice paths of passages, where they were changed by hand.</summary>
public sealed class PracticeRepository(Database database)
{
    /// <summary>The path of a passage.</summary>
    public PracticeRow Of(PassageId passage) =>
        database.Look(c =>
            c.Read(
                "SELECT steps, version FROM passage_practice WHERE passage_id = $id",
                r => new PracticeRow(Steps(r.Text("steps")), r.Int("version")),
                ("id", passage.Value)
            )
        )
            is [var only, ..]
            ? only
            : new PracticeRow(null, 0);

    /// <summary>Keeps a path that still has the version; null gives it back to the house.</summary>
    public Change Keep(PassageId passage, IReadOnlyList<IReadOnlyList<string>>? steps, int version) =>
        database.Act(c =>
        {
            c.Demand("The passage", "passage", "deleted IS NULL", passage.Value);
            c.Run("INSERT OR IGNORE INTO passage_practice (passage_id) VALUES ($id)", ("id", passage.Value));
            return c.Update(
                "passage_practice",
                "passage_id = $id",
                "steps = $steps",
                version,
                ("id", passage.Value),
                ("steps", steps is null ? "" : string.Join('\n', steps.Select(s => s.Count == 0 ? "-" : string.Join(' ', s))))
            );
        });

    // A step without a recipe is a dash, so that a path of one such step is not the house's.
    private static List<IReadOnlyList<string>>? Steps(string text) =>
        text.Length == 0 ? null : [.. text.Split('\n').Select(line => line == "-" ? (IReadOnlyList<string>)[] : line.Split(' '))];
}
