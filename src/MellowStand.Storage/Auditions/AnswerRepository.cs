namespace MellowStand.Storage;

/// <summary>A house answer of a set that is in force.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Matter">The matter.</param>
/// <param name="Answer">The answer.</param>
/// <param name="Standing">Its decisions that are still in force: number and piece.</param>
public sealed record AnswerRow(long Id, string Matter, string Answer, IReadOnlyList<(long Decision, long Piece)> Standing);

/// <summary>The answers of an audition set, decided once for many etudes.</summary>
public sealed class AnswerRepository(Database database)
{
    /// <summary>Keeps an answer in place of an earlier one.</summary>
    /// <param name="set">The set.</param>
    /// <param name="matter">The matter.</param>
    /// <param name="answer">The answer.</param>
    /// <param name="decide">Makes the decisions and gives their numbers; whatever it keeps is part of the act.</param>
    /// <param name="now">The moment.</param>
    public long Add(long set, string matter, string answer, Func<IReadOnlyList<long>> decide, DateTimeOffset now) =>
        database.Act(c =>
        {
            c.Demand("The set", "audition_set", "deleted IS NULL", set);
            Close(c, set, matter, now);
            var id = c.Insert(
                "INSERT INTO audition_answer (set_id, matter, answer, made) VALUES ($set, $matter, $answer, $now)",
                ("set", set),
                ("matter", matter),
                ("answer", answer),
                ("now", now.Iso())
            );
            foreach (var decision in decide())
                c.Run(
                    "INSERT INTO audition_decision (answer_id, decision_id) VALUES ($answer, $decision)",
                    ("answer", id),
                    ("decision", decision)
                );
            return id;
        });

    /// <summary>Takes an answer back, in one act with whatever undoes its decisions.</summary>
    /// <returns>False where none is in force.</returns>
    public bool Undo(long set, string matter, Action undo, DateTimeOffset now) =>
        database.Act(c =>
        {
            if (Close(c, set, matter, now) == 0)
                return false;
            undo();
            return true;
        });

    /// <summary>The answers in force.</summary>
    public IReadOnlyList<AnswerRow> Of(long set) =>
        database.Look(c =>
        {
            var standing = c.Read(
                    "SELECT x.answer_id, d.id, d.piece_id FROM audition_decision x JOIN decision d ON d.id = x.decision_id "
                        + "JOIN audition_answer a ON a.id = x.answer_id WHERE a.set_id = $set AND a.undone IS NULL AND d.undone IS NULL "
                        + "AND d.set_aside IS NULL ORDER BY d.id",
                    r => (Answer: r.Long("answer_id"), Decision: r.Long("id"), Piece: r.Long("piece_id")),
                    ("set", set)
                )
                .ToLookup(x => x.Answer, x => (x.Decision, x.Piece));
            return (IReadOnlyList<AnswerRow>)
                c.Read(
                    "SELECT id, matter, answer FROM audition_answer WHERE set_id = $set AND undone IS NULL ORDER BY id",
                    r => new AnswerRow(r.Long("id"), r.Text("matter"), r.Text("answer"), [.. standing[r.Long("id")]]),
                    ("set", set)
                );
        });

    /// <summary>A decision that a new edition carries belongs to the same answer.</summary>
    internal static void Follow(Microsoft.Data.Sqlite.SqliteConnection c, long before, long after) =>
        c.Run(
            "INSERT INTO audition_decision (answer_id, decision_id) SELECT answer_id, $after FROM audition_decision "
                + "WHERE decision_id = $before",
            ("before", before),
            ("after", after)
        );

    private static int Close(Microsoft.Data.Sqlite.SqliteConnection c, long set, string matter, DateTimeOffset now) =>
        c.Run(
            "UPDATE audition_answer SET undone = $now WHERE set_id = $set AND matter = $matter AND undone IS NULL",
            ("set", set),
            ("matter", matter),
            ("now", now.Iso())
        );
}
