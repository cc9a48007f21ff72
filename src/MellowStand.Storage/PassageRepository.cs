using MellowStand.Core.Notation;
using Microsoft.Data.Sqlite;

namespace MellowStand.Storage;

/// <summary>A passage as handed out.</summary>
public sealed record PassageRow(
    long Id,
    long PieceId,
    string Title,
    Address Place,
    string StartUnit,
    double StartBpm,
    string GoalUnit,
    double GoalBpm,
    string Climb,
    double ClimbValue,
    DateOnly Begins,
    DateOnly Due,
    string Note,
    IReadOnlyList<long> Sections,
    IReadOnlyList<long> Players,
    IReadOnlyList<StepRow> Steps
)
{
    /// <summary>The title of its piece.</summary>
    public string PieceTitle { get; init; } = "";

    /// <summary>False when its place belongs to an earlier edition: a newer one could not take it, and it waits to be placed by
    /// hand.</summary>
    public bool IsPlaced { get; init; } = true;

    /// <summary>How often it was changed.</summary>
    public int Version { get; init; }
}

/// <summary>A tempo step with its date.</summary>
public sealed record StepRow(string Unit, double Bpm, DateOnly Due);

/// <summary>Passages, their steps, and who has them.</summary>
public sealed class PassageRepository(Database database)
{
    /// <summary>Keeps a passage with its steps and the sections and players it is for.</summary>
    public long Add(PassageRow p) =>
        database.Act(c =>
        {
            c.Demand("The piece", "piece", "deleted IS NULL", p.PieceId);
            DemandPeople(c, p);
            var id = c.Insert(
                "INSERT INTO passage (piece_id, title, edition, parts, from_index, from_label, to_index, to_label, start_unit, "
                    + "start_bpm, goal_unit, goal_bpm, "
                    + "climb, climb_value, begins, due, note) VALUES ($piece, $title, $edition, $parts, $from, $fl, $to, $tl, "
                    + "$su, $sb, $gu, $gb, "
                    + "$climb, $value, $begins, $due, $note)",
                [
                    ("piece", p.PieceId),
                    ("edition", p.Place.Edition),
                    ("parts", string.Join('\n', p.Place.Parts)),
                    ("from", p.Place.From.Index),
                    ("fl", p.Place.From.Label),
                    ("to", p.Place.To.Index),
                    ("tl", p.Place.To.Label),
                    ("begins", p.Begins.Iso()),
                    .. Asked(p),
                ]
            );
            Hand(c, id, p);
            return id;
        });

    /// <summary>Keeps many passages as one act; their numbers in order.</summary>
    public IReadOnlyList<long> AddMany(IReadOnlyList<PassageRow> rows) => database.Act(_ => rows.Select(Add).ToList());

    /// <summary>Takes many passages back as one act.</summary>
    public void RemoveMany(IReadOnlyList<long> ids, DateTimeOffset now) => database.Act(_ => ids.Count(id => Remove(id, now)));

    /// <summary>Undoes <see cref="RemoveMany"/>.</summary>
    public void RestoreMany(IReadOnlyList<long> ids) => database.Act(_ => ids.Count(Restore));

    /// <summary>Changes a passage that still has the row's version; its log stays.</summary>
    public Change Update(PassageRow p) =>
        database.Act(c =>
        {
            DemandPeople(c, p);
            var change = c.Update(
                "passage",
                "id = $id AND deleted IS NULL",
                "title = $title, start_unit = $su, start_bpm = $sb, goal_unit = $gu, goal_bpm = $gb, climb = $climb, "
                    + "climb_value = $value, due = $due, note = $note",
                p.Version,
                [("id", p.Id), .. Asked(p)]
            );
            if (change != Change.Kept)
                return change;
            Move(c, p.Id, p.Place);
            foreach (var table in new[] { "passage_step", "passage_section", "passage_player" })
                c.Run($"DELETE FROM {table} WHERE passage_id = $id", ("id", p.Id));
            Hand(c, p.Id, p);
            return change;
        });

    /// <summary>Passages of a piece, or of all pieces, by date.</summary>
    public IReadOnlyList<PassageRow> All(long? piece = null) => database.Look(c => Read(c, piece, null));

    /// <summary>One passage, or null.</summary>
    public PassageRow? Find(long id) => database.Look(c => Read(c, null, id)) is [var only, ..] ? only : null;

    /// <summary>Moves a passage to another place, as by hand after a new edition.</summary>
    public bool Move(long id, Address place) => database.Act(c => Move(c, id, place)) > 0;

    /// <summary>Takes a passage back; its log stays.</summary>
    public bool Remove(long id, DateTimeOffset now) =>
        database.Act(c => c.Run("UPDATE passage SET deleted = $now WHERE id = $id AND deleted IS NULL", ("id", id), ("now", now.Iso())))
        > 0;

    /// <summary>Undoes <see cref="Remove"/>.</summary>
    public bool Restore(long id) =>
        database.Act(c => c.Run("UPDATE passage SET deleted = NULL WHERE id = $id AND deleted IS NOT NULL", ("id", id))) > 0;

    // What a director can change of a passage.
    private static (string Name, object? Value)[] Asked(PassageRow p) =>
        [
            ("title", p.Title),
            ("su", p.StartUnit),
            ("sb", p.StartBpm),
            ("gu", p.GoalUnit),
            ("gb", p.GoalBpm),
            ("climb", p.Climb),
            ("value", p.ClimbValue),
            ("due", p.Due.Iso()),
            ("note", p.Note),
        ];

    private static void DemandPeople(SqliteConnection c, PassageRow p)
    {
        foreach (var section in p.Sections)
            c.Demand("A section", "section", "closed_on IS NULL", section);
        foreach (var player in p.Players)
            c.Demand("A player", "player", "left_on IS NULL", player);
    }

    // The steps, and the sections and players they are for.
    private static void Hand(SqliteConnection c, long id, PassageRow p)
    {
        for (var i = 0; i < p.Steps.Count; i++)
        {
            c.Run(
                "INSERT INTO passage_step (passage_id, position, unit, bpm, due) VALUES ($id, $position, $unit, $bpm, $due)",
                ("id", id),
                ("position", i),
                ("unit", p.Steps[i].Unit),
                ("bpm", p.Steps[i].Bpm),
                ("due", p.Steps[i].Due.Iso())
            );
        }

        foreach (var s in p.Sections)
            c.Run("INSERT INTO passage_section (passage_id, section_id) VALUES ($id, $section)", ("id", id), ("section", s));
        foreach (var player in p.Players)
            c.Run("INSERT INTO passage_player (passage_id, player_id) VALUES ($id, $player)", ("id", id), ("player", player));
    }

    internal static int Move(SqliteConnection c, long id, Address place) =>
        c.Run(
            "UPDATE passage SET edition = $edition, parts = $parts, from_index = $from, from_label = $fl, to_index = $to, to_label = $tl "
                + "WHERE id = $id",
            ("id", id),
            ("edition", place.Edition),
            ("parts", string.Join('\n', place.Parts)),
            ("from", place.From.Index),
            ("fl", place.From.Label),
            ("to", place.To.Index),
            ("tl", place.To.Label)
        );

    internal static IReadOnlyList<PassageRow> Read(SqliteConnection c, long? piece, long? passage)
    {
        const string Of =
            " WHERE passage_id IN (SELECT id FROM passage WHERE deleted IS NULL AND ($piece IS NULL OR piece_id = $piece) "
            + "AND ($passage IS NULL OR id = $passage))";
        (string, object?)[] which = [("piece", piece), ("passage", passage)];
        var steps = c.Read(
                $"SELECT passage_id, unit, bpm, COALESCE({SeasonRepository.StepDay}, due) FROM passage_step st"
                    + Of
                    + " ORDER BY passage_id, position",
                r => (Id: r.GetInt64(0), Step: new StepRow(r.GetString(1), r.GetDouble(2), r.Day(3)!.Value)),
                which
            )
            .ToLookup(x => x.Id, x => x.Step);
        var sections = c.Read("SELECT passage_id, section_id FROM passage_section" + Of, r => (r.GetInt64(0), r.GetInt64(1)), which)
            .ToLookup(x => x.Item1, x => x.Item2);
        var players = c.Read("SELECT passage_id, player_id FROM passage_player" + Of, r => (r.GetInt64(0), r.GetInt64(1)), which)
            .ToLookup(x => x.Item1, x => x.Item2);
        return c.Read(
            "SELECT p.id, piece_id, p.title, p.edition, parts, from_index, from_label, to_index, to_label, start_unit, start_bpm, "
                + "goal_unit, goal_bpm, climb, climb_value, begins, p.due, note, q.title, q.edition, p.version FROM passage p "
                + "JOIN piece q ON q.id = p.piece_id WHERE p.deleted IS NULL AND q.deleted IS NULL "
                + "AND ($piece IS NULL OR piece_id = $piece) AND ($passage IS NULL OR p.id = $passage) ORDER BY p.due, p.id",
            r => Row(r, sections, players, steps),
            which
        );
    }

    private static PassageRow Row(
        SqliteDataReader r,
        ILookup<long, long> sections,
        ILookup<long, long> players,
        ILookup<long, StepRow> steps
    )
    {
        var id = r.GetInt64(0);
        var place = new Address(
            r.Text(3) ?? "",
            r.Lines(4),
            new MeasurePlace(r.GetInt32(5), r.GetString(6)),
            new MeasurePlace(r.GetInt32(7), r.GetString(8))
        );
        return new PassageRow(
            id,
            r.GetInt64(1),
            r.GetString(2),
            place,
            r.GetString(9),
            r.GetDouble(10),
            r.GetString(11),
            r.GetDouble(12),
            r.GetString(13),
            r.GetDouble(14),
            r.Day(15)!.Value,
            r.Day(16)!.Value,
            r.GetString(17),
            [.. sections[id]],
            [.. players[id]],
            [.. steps[id]]
        )
        {
            PieceTitle = r.GetString(18),
            IsPlaced = place.Edition == r.Text(19),
            Version = r.GetInt32(20),
        };
    }
}
