using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;
using Microsoft.Data.Sqlite;

namespace MellowStand.Storage;

/// <summary>An edition that another one has replaced.</summary>
/// <param name="Id">Its number.</param>
/// <param name="FileName">Name of its file, for display only.</param>
/// <param name="Reason">Why it was replaced.</param>
/// <param name="Replaced">When, in UTC.</param>
public sealed record EditionRow(long Id, string FileName, string Reason, string Replaced);

/// <summary>The leader of a line.</summary>
/// <param name="Parts">The parts of the line, as <see cref="Core.Unify.UnifyContext.LineKey"/>.</param>
/// <param name="Leader">The part that leads it.</param>
public sealed record LeaderRow(string Parts, string Leader);

/// <summary>Where the things that live at addresses stand in the edition that takes over; what is in no list stays at its old edition,
/// unplaced.</summary>
/// <param name="Passages">Passage to its new place.</param>
/// <param name="Quiet">Id of a dismissed finding to what it is about now.</param>
/// <param name="Instruments">Part as it was to the instruments chosen for the parts as they are.</param>
/// <param name="Leaders">Leader as it was to the leader as it is.</param>
/// <param name="Seats">Part as it was to who plays the parts as they are.</param>
public sealed record Places(
    IReadOnlyList<(PassageId Passage, Address Place)> Passages,
    IReadOnlyList<(string Finding, ReviewedFinding Now)> Quiet,
    IReadOnlyList<(string Part, ChosenInstrument Now)> Instruments,
    IReadOnlyList<(LeaderRow Was, LeaderRow Now)> Leaders,
    IReadOnlyList<(string Part, SeatRow Now)> Seats
);

/// <summary>A new edition with all that it takes over.</summary>
/// <param name="FileName">Name of its file.</param>
/// <param name="Original">Its bytes.</param>
/// <param name="Edition">Its id.</param>
/// <param name="Reason">Why it replaces the one before.</param>
/// <param name="Decisions">Decisions as they stand in it.</param>
/// <param name="SetAside">Decisions that it cannot take, with the reason.</param>
/// <param name="Places">All else.</param>
public sealed record NewEdition(
    string FileName,
    byte[] Original,
    string Edition,
    string Reason,
    IReadOnlyList<Decision> Decisions,
    IReadOnlyList<(Decision Decision, string Why)> SetAside,
    Places Places
);

/// <summary>What lives at the addresses of a piece, besides its decisions.</summary>
/// <param name="Passages">Passages handed out, of whatever edition.</param>
/// <param name="Quiet">Dismissed findings, of whatever edition.</param>
/// <param name="Instruments">Instruments chosen, of whatever edition.</param>
/// <param name="Leaders">Leaders set, with their edition.</param>
/// <param name="Seats">Players seated by hand, of whatever edition.</param>
/// <param name="SetAside">Decisions that no later edition could take, with the reason.</param>
public sealed record Belongings(
    IReadOnlyList<PassageRow> Passages,
    IReadOnlyList<ReviewedFinding> Quiet,
    IReadOnlyList<ChosenInstrument> Instruments,
    IReadOnlyList<(LeaderRow Row, string Edition)> Leaders,
    IReadOnlyList<SeatRow> Seats,
    IReadOnlyList<(Decision Decision, string Why)> SetAside
);

/// <summary>Editions of a piece: the newest is on the shelf, the older ones are kept whole.</summary>
public sealed class EditionRepository(Database database)
{
    /// <summary>What lives at the addresses of a piece.</summary>
    public Belongings Belongings(long piece) =>
        database.Look(c => new Belongings(
            PassageRepository.Read(c, piece, null),
            QuietRepository.Findings(c, piece),
            c.Read(
                "SELECT part, name, instrument, edition FROM part_instrument WHERE piece_id = $piece ORDER BY part",
                r => new ChosenInstrument(r.Text("part"), r.Text("name"), r.Text("instrument"), r.TextOrNull("edition") ?? ""),
                ("piece", piece)
            ),
            c.Read(
                "SELECT parts, leader, edition FROM leader WHERE piece_id = $piece ORDER BY parts",
                r => (new LeaderRow(r.Text("parts"), r.Text("leader")), r.TextOrNull("edition") ?? ""),
                ("piece", piece)
            ),
            SeatRepository.Of(c, piece),
            SetAside(c, piece)
        ));

    /// <summary>Replaces the imported file and carries over what can be, in one act.</summary>
    /// <param name="piece">The piece as it was read.</param>
    /// <param name="next">The new edition.</param>
    /// <param name="now">The moment.</param>
    /// <returns>False when the piece is gone or was changed since it was read; nothing is kept then.</returns>
    public bool Replace(PieceRow piece, NewEdition next, DateTimeOffset now) =>
        database.Act(c =>
        {
            if (!IsAsRead(c, piece))
                return false;
            var left = c.Insert(
                "INSERT INTO edition (piece_id, file_name, original, hash, reason, replaced) "
                    + "SELECT id, file_name, original, edition, $reason, $now FROM piece WHERE id = $piece",
                ("piece", piece.Id),
                ("reason", next.Reason),
                ("now", now.Iso())
            );
            c.Run(
                "UPDATE piece SET file_name = $file, original = $original, edition = $edition WHERE id = $piece",
                ("piece", piece.Id),
                ("file", next.FileName),
                ("original", next.Original),
                ("edition", next.Edition)
            );
            UndoAll(c, piece.Id, left, now);
            Insert(c, piece with { Edition = next.Edition }, next.Decisions);
            foreach (var (decision, why) in next.SetAside)
                DecisionRepository.Insert(
                    c,
                    piece,
                    decision with
                    {
                        Id = 0,
                        Act = 0,
                        Draft = decision.Draft with { Difference = null },
                    },
                    why
                );
            Take(c, piece, next.Edition, next.Places);
            return true;
        });

    /// <summary>Older editions that can be brought back, newest first.</summary>
    public IReadOnlyList<EditionRow> Of(long piece) =>
        database.Look(c => c.Read(
            "SELECT id, file_name, reason, replaced FROM edition WHERE piece_id = $piece AND restored IS NULL ORDER BY id DESC",
            r => new EditionRow(r.Long("id"), r.Text("file_name"), r.Text("reason"), r.Text("replaced")),
            ("piece", piece)
        ));

    /// <summary>The bytes of an older edition.</summary>
    public byte[] Original(long edition) =>
        database.Look(c => c.Read("SELECT original FROM edition WHERE id = $id", r => r.Bytes("original"), ("id", edition)).Single());

    /// <summary>Brings the newest older edition back with the decisions it had; decisions made since are undone.</summary>
    /// <param name="piece">The piece as it was read.</param>
    /// <param name="edition">The edition's number.</param>
    /// <param name="id">The edition's id.</param>
    /// <param name="places">Where all else stands in it.</param>
    /// <param name="now">The moment.</param>
    /// <returns>False when the piece is gone or was changed since it was read; nothing is kept then.</returns>
    public bool Restore(PieceRow piece, long edition, string id, Places places, DateTimeOffset now) =>
        database.Act(c =>
        {
            if (!IsAsRead(c, piece))
                return false;
            UndoAll(c, piece.Id, null, now);
            // What was set aside when the edition left is in force again with it.
            c.Run(
                "UPDATE decision SET undone = $now WHERE piece_id = $piece AND set_aside IS NOT NULL AND edition = $edition AND "
                    + "undone IS NULL",
                ("piece", piece.Id),
                ("edition", id),
                ("now", now.Iso())
            );
            c.Run(
                "UPDATE decision SET undone = NULL, left_with = NULL WHERE piece_id = $piece AND left_with = $edition "
                    + "AND set_aside IS NULL",
                ("piece", piece.Id),
                ("edition", edition)
            );
            c.Run(
                "UPDATE piece SET file_name = e.file_name, original = e.original, edition = $hash FROM edition e "
                    + "WHERE e.id = $edition AND piece.id = $piece",
                ("piece", piece.Id),
                ("hash", id),
                ("edition", edition)
            );
            c.Run("UPDATE edition SET restored = $now WHERE id = $edition", ("edition", edition), ("now", now.Iso()));
            Take(c, piece, id, places);
            return true;
        });

    /// <summary>Drops something that waits to be placed.</summary>
    /// <param name="piece">The piece.</param>
    /// <param name="kind"><c>decision</c>, <c>passage</c>, <c>dismissal</c>, <c>instrument</c>, <c>seats</c> or <c>leader</c>.</param>
    /// <param name="key">Its number, finding, part or parts.</param>
    /// <param name="now">The moment.</param>
    public bool Drop(PieceRow piece, string kind, string key, DateTimeOffset now) =>
        Drops.TryGetValue(kind, out var sql)
        && database.Act(c => c.Run(sql, ("piece", piece.Id), ("edition", piece.Edition), ("key", key), ("now", now.Iso()))) > 0;

    private static readonly Dictionary<string, string> Drops = new()
    {
        ["decision"] =
            "UPDATE decision SET undone = $now WHERE piece_id = $piece AND id = CAST($key AS INTEGER) AND set_aside IS NOT NULL "
            + "AND undone IS NULL",
        ["passage"] =
            "UPDATE passage SET deleted = $now WHERE piece_id = $piece AND id = CAST($key AS INTEGER) AND edition <> $edition "
            + "AND deleted IS NULL",
        ["dismissal"] = "DELETE FROM quiet_finding WHERE piece_id = $piece AND finding = $key AND edition <> $edition",
        ["instrument"] = "DELETE FROM part_instrument WHERE piece_id = $piece AND part = $key AND edition <> $edition",
        ["seats"] = "DELETE FROM part_players WHERE piece_id = $piece AND part = $key AND edition <> $edition",
        ["leader"] = "DELETE FROM leader WHERE piece_id = $piece AND parts = $key AND edition <> $edition",
    };

    private static IReadOnlyList<(Decision Decision, string Why)> SetAside(SqliteConnection c, long piece)
    {
        var why = c.Read(
                "SELECT id, set_aside FROM decision WHERE piece_id = $piece AND undone IS NULL AND set_aside IS NOT NULL",
                r => (Id: r.Long("id"), Why: r.Text("set_aside")),
                ("piece", piece)
            )
            .ToDictionary(x => x.Id, x => x.Why);
        return [.. DecisionRepository.Read(c, piece, "set_aside IS NOT NULL").Select(d => (d, why[d.Id]))];
    }

    private static bool IsAsRead(SqliteConnection c, PieceRow piece) =>
        PieceRepository.Find(c, piece.Id) is { } there && there.Edition == piece.Edition && there.Stamp.Revision == piece.Stamp.Revision;

    // Those that leave with an edition come back with it.
    private static void UndoAll(SqliteConnection c, long piece, long? edition, DateTimeOffset now) =>
        c.Run(
            "UPDATE decision SET undone = $now, left_with = $edition WHERE piece_id = $piece AND undone IS NULL AND set_aside IS NULL",
            ("piece", piece),
            ("edition", edition),
            ("now", now.Iso())
        );

    // What was one act stays one act under its new numbers.
    private static void Insert(SqliteConnection c, PieceRow piece, IReadOnlyList<Decision> decisions)
    {
        var acts = new Dictionary<long, long>();
        foreach (var decision in decisions)
        {
            var made = DecisionRepository.Insert(c, piece, decision with { Id = 0, Act = acts.GetValueOrDefault(decision.Act) });
            acts[decision.Act] = made.Act;
            AnswerRepository.Follow(c, decision.Id, made.Id);
        }
    }

    private static void Take(SqliteConnection c, PieceRow piece, string edition, Places places)
    {
        foreach (var (passage, place) in places.Passages)
            PassageRepository.Move(c, passage, place);
        foreach (var (finding, now) in places.Quiet)
        {
            var made = c.Read(
                "DELETE FROM quiet_finding WHERE piece_id = $piece AND finding = $finding RETURNING made",
                r => r.Text("made"),
                ("piece", piece.Id),
                ("finding", finding)
            );
            QuietRepository.Review(c, piece.Id, now, made.FirstOrDefault() ?? "");
        }

        foreach (var part in places.Instruments.Select(i => i.Part).Distinct())
            c.Run(
                "DELETE FROM part_instrument WHERE piece_id = $piece AND part = $part AND edition IN ($was, $edition)",
                ("piece", piece.Id),
                ("part", part),
                ("was", piece.Edition),
                ("edition", edition)
            );
        foreach (var (_, now) in places.Instruments)
            PieceRepository.Choose(c, piece.Id, now);
        foreach (var (was, _) in places.Leaders)
            c.Run(
                "DELETE FROM leader WHERE piece_id = $piece AND parts = $parts AND edition IN ($was, $edition)",
                ("piece", piece.Id),
                ("parts", was.Parts),
                ("was", piece.Edition),
                ("edition", edition)
            );
        foreach (var (_, now) in places.Leaders)
            PieceRepository.Lead(c, piece.Id, edition, now.Parts, now.Leader);
        foreach (var part in places.Seats.Select(s => s.Part).Distinct())
        {
            SeatRepository.Drop(c, piece.Id, piece.Edition, part);
            SeatRepository.Drop(c, piece.Id, edition, part);
        }

        foreach (var (_, now) in places.Seats)
        {
            SeatRepository.Drop(c, piece.Id, edition, now.Part);
            SeatRepository.Add(c, piece.Id, now);
        }
    }
}
