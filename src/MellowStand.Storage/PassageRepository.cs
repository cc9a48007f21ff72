using System.Globalization;
using System.Text.Json;
using MellowStand.Core.Notation;
using MellowStand.Core.Tempo;
using Microsoft.Data.Sqlite;

namespace MellowStand.Storage;

/// <summary>A passage as handed out.</summary>
/// <param name="Id">Its number.</param>
/// <param name="PieceId">Its piece.</param>
/// <param name="Title">A few words.</param>
/// <param name="Place">Where it stands.</param>
/// <param name="Start">The first tempo.</param>
/// <param name="Goal">The tempo to reach.</param>
/// <param name="Climb">How its ladder climbs, by name.</param>
/// <param name="ClimbValue">Size of its steps.</param>
/// <param name="Begins">The first day of work.</param>
/// <param name="Due">The day to be ready on.</param>
/// <param name="Note">A word to the players.</param>
/// <param name="Sections">Sections it is for.</param>
/// <param name="Players">Players it is for besides them.</param>
/// <param name="Steps">Its steps.</param>
public sealed record PassageRow(
    PassageId Id,
    long PieceId,
    string Title,
    Address Place,
    TempoMark Start,
    TempoMark Goal,
    string Climb,
    double ClimbValue,
    DateOnly Begins,
    DateOnly Due,
    string Note,
    IReadOnlyList<SectionId> Sections,
    IReadOnlyList<PlayerId> Players,
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

    /// <summary>True when a player has it: named, or in one of its sections.</summary>
    public bool IsFor(PlayerRow player) => Players.Contains(player.Id) || Sections.Contains(player.SectionId);
}

/// <summary>A tempo step with its date.</summary>
public sealed record StepRow(TempoMark Mark, DateOnly Due);

/// <summary>Passages, their steps, and who has them.</summary>
public sealed class PassageRepository(Database database)
{
    private readonly Slice<IReadOnlyList<PassageRow>> _all = new(
        database,
        RestsOn.Passages | RestsOn.Plans | RestsOn.Shelf,
        c => Read(c, null, null)
    );

    /// <summary>Keeps a passage with its steps and the sections and players it is for.</summary>
    public PassageId Add(PassageRow p) =>
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
                [("piece", p.PieceId), ("begins", p.Begins.Iso()), .. PlaceColumns.Values(p.Place), .. Asked(p)]
            );
            Hand(c, id, p);
            return new PassageId(id);
        });

    /// <summary>Keeps many passages as one act; their numbers in order.</summary>
    public IReadOnlyList<PassageId> AddMany(IReadOnlyList<PassageRow> rows) => database.Act(_ => rows.Select(Add).ToList());

    /// <summary>Takes many passages back as one act.</summary>
    public void RemoveMany(IReadOnlyList<PassageId> ids, DateTimeOffset now) => database.Act(_ => ids.Count(id => Remove(id, now)));

    /// <summary>Undoes <see cref="RemoveMany"/>.</summary>
    public void RestoreMany(IReadOnlyList<PassageId> ids) => database.Act(_ => ids.Count(Restore));

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
                [("id", p.Id.Value), .. Asked(p)]
            );
            if (change != Change.Kept)
                return change;
            Move(c, p.Id, p.Place);
            foreach (var table in new[] { "passage_step", "passage_section", "passage_player" })
                c.Run($"DELETE FROM {table} WHERE passage_id = $id", ("id", p.Id.Value));
            Hand(c, p.Id.Value, p);
            return change;
        });

    /// <summary>Passages of a piece, or of all pieces, by date.</summary>
    public IReadOnlyList<PassageRow> All(long? piece = null) =>
        piece is { } id ? [.. _all.Now().Where(p => p.PieceId == id)] : _all.Now();

    /// <summary>One passage, or null.</summary>
    public PassageRow? Find(PassageId id) => database.Look(c => Read(c, null, id)) is [var only, ..] ? only : null;

    /// <summary>Moves a passage to another place, as by hand after a new edition.</summary>
    public bool Move(PassageId id, Address place) => database.Act(c => Move(c, id, place)) > 0;

    /// <summary>Takes a passage back; its log stays.</summary>
    public bool Remove(PassageId id, DateTimeOffset now) =>
        database.Act(c =>
            c.Run("UPDATE passage SET deleted = $now WHERE id = $id AND deleted IS NULL", ("id", id.Value), ("now", now.Iso()))
        ) > 0;

    /// <summary>Undoes <see cref="Remove"/>.</summary>
    public bool Restore(PassageId id) =>
        database.Act(c => c.Run("UPDATE passage SET deleted = NULL WHERE id = $id AND deleted IS NOT NULL", ("id", id.Value))) > 0;

    // What a director can change of a passage.
    private static (string Name, object? Value)[] Asked(PassageRow p) =>
        [
            ("title", p.Title),
            ("su", p.Start.Unit.Name),
            ("sb", p.Start.Bpm),
            ("gu", p.Goal.Unit.Name),
            ("gb", p.Goal.Bpm),
            ("climb", p.Climb),
            ("value", p.ClimbValue),
            ("due", p.Due.Iso()),
            ("note", p.Note),
        ];

    private static void DemandPeople(SqliteConnection c, PassageRow p)
    {
        foreach (var section in p.Sections)
            c.Demand("A section", "section", "closed_on IS NULL", section.Value);
        foreach (var player in p.Players)
            c.Demand("A player", "player", "left_on IS NULL", player.Value);
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
                ("unit", p.Steps[i].Mark.Unit.Name),
                ("bpm", p.Steps[i].Mark.Bpm),
                ("due", p.Steps[i].Due.Iso())
            );
        }

        foreach (var s in p.Sections)
            c.Run("INSERT INTO passage_section (passage_id, section_id) VALUES ($id, $section)", ("id", id), ("section", s.Value));
        foreach (var player in p.Players)
            c.Run("INSERT INTO passage_player (passage_id, player_id) VALUES ($id, $player)", ("id", id), ("player", player.Value));
    }

    internal static int Move(SqliteConnection c, PassageId id, Address place) =>
        c.Run(
            "UPDATE passage SET edition = $edition, parts = $parts, from_index = $from, from_label = $fl, to_index = $to, to_label = $tl "
                + "WHERE id = $id",
            [("id", id.Value), .. PlaceColumns.Values(place)]
        );

    // Steps and people come along as JSON, so that a passage is one row: https://sqlite.org/json1.html#jgrouparray.
    internal static IReadOnlyList<PassageRow> Read(SqliteConnection c, long? piece, PassageId? passage) =>
        c.Read(
            "SELECT p.id, p.piece_id, p.title, p.edition, p.parts, p.from_index, p.from_label, p.to_index, p.to_label, p.start_unit, "
                + "p.start_bpm, p.goal_unit, p.goal_bpm, p.climb, p.climb_value, p.begins, p.due, p.note, p.version, "
                + "q.title AS piece_title, q.edition AS piece_edition, "
                + "(SELECT json_group_array(section_id) FROM passage_section WHERE passage_id = p.id) AS sections, "
                + "(SELECT json_group_array(player_id) FROM passage_player WHERE passage_id = p.id) AS players, "
                + "(SELECT json_group_array(json_array(unit, printf('%!.17g', bpm), day)) FROM (SELECT st.unit, st.bpm, "
                + $"COALESCE({SeasonRepository.StepDay}, st.due) AS day FROM passage_step st WHERE st.passage_id = p.id "
                + "ORDER BY st.position)) AS steps "
                + "FROM passage p JOIN piece q ON q.id = p.piece_id WHERE p.deleted IS NULL AND q.deleted IS NULL "
                + "AND ($piece IS NULL OR p.piece_id = $piece) AND ($passage IS NULL OR p.id = $passage) ORDER BY p.due, p.id",
            Row,
            ("piece", piece),
            ("passage", passage?.Value)
        );

    private static PassageRow Row(Row r)
    {
        var place = r.Place();
        return new PassageRow(
            new PassageId(r.Long("id")),
            r.Long("piece_id"),
            r.Text("title"),
            place,
            r.Tempo("start_unit", "start_bpm"),
            r.Tempo("goal_unit", "goal_bpm"),
            r.Text("climb"),
            r.Double("climb_value"),
            r.Day("begins"),
            r.Day("due"),
            r.Text("note"),
            r.JsonNumbers("sections").Sections(),
            r.JsonNumbers("players").Players(),
            [.. r.Json("steps").EnumerateArray().Select(Step)]
        )
        {
            PieceTitle = r.Text("piece_title"),
            IsPlaced = place.Edition == r.TextOrNull("piece_edition"),
            Version = r.Int("version"),
        };
    }

    private static StepRow Step(JsonElement step)
    {
        var bpm = double.Parse(step[1].GetString()!, CultureInfo.InvariantCulture);
        return new StepRow(new TempoMark(Storage.Row.UnitOf(step[0].GetString()!), bpm), Storage.Row.DayOf(step[2].GetString()!));
    }
}
