using MellowStand.Core.Decisions;
using MellowStand.Core.Instruments;
using MellowStand.Core.Layers;
using Microsoft.Data.Sqlite;

namespace MellowStand.Storage;

/// <summary>Everything kept that a piece's layer is made of, as it stood at one moment.</summary>
/// <param name="Row">The shelf's row.</param>
/// <param name="Original">The bytes; null when the edition was known already.</param>
/// <param name="Decisions">The decisions in force, oldest first.</param>
/// <param name="Versions">For each difference that was ever decided how often that changed: made and undone each count one.</param>
/// <param name="Instruments">Chosen instruments, part id to instrument id.</param>
/// <param name="Leaders">Leaders of lines that were set.</param>
/// <param name="Seated">Players seated by hand, part id to their numbers.</param>
/// <param name="School">What the school has said; null when its revision was known already.</param>
public sealed record PieceState(
    PieceRow Row,
    byte[]? Original,
    IReadOnlyList<Decision> Decisions,
    IReadOnlyDictionary<string, int> Versions,
    IReadOnlyDictionary<string, string> Instruments,
    IReadOnlyDictionary<string, string> Leaders,
    IReadOnlyDictionary<string, IReadOnlyList<long>> Seated,
    School? School
);

/// <summary>Reads what a piece's layer is made of.</summary>
public sealed class PieceStateRepository(Database database)
{
    /// <summary>The state of a piece on the shelf, or null when there is none.</summary>
    /// <param name="id">The piece.</param>
    /// <param name="knownEdition">Id of an edition whose bytes need not be read again.</param>
    /// <param name="knownSchool">Revision of the school that need not be read again.</param>
    public PieceState? Load(long id, string? knownEdition, long? knownSchool) =>
        database.Look(c =>
        {
            if (PieceRepository.Find(c, id) is not { } row)
                return null;
            return new PieceState(
                row,
                row.Edition == knownEdition ? null : Original(c, id),
                DecisionRepository.InForce(c, id),
                DecisionRepository.Versions(c, id),
                Pairs(c, "SELECT part, instrument AS said FROM part_instrument WHERE piece_id = $id AND edition = $edition", row),
                Pairs(c, "SELECT parts AS part, leader AS said FROM leader WHERE piece_id = $id AND edition = $edition", row),
                SeatRepository.Of(c, id).Where(s => s.Edition == row.Edition).ToDictionary(s => s.Part, s => s.Players),
                row.Stamp.School == knownSchool ? null : School(c)
            );
        });

    /// <summary>The imported bytes of a piece, on the shelf or taken off it.</summary>
    public byte[]? Original(long id) =>
        database.Look(c => Original(c, id));

    /// <summary>The decisions in force, oldest first.</summary>
    public IReadOnlyList<Decision> Decisions(long id) => database.Look(c => DecisionRepository.InForce(c, id));

    /// <summary>What the school has said.</summary>
    public School School() => database.Look(School);

    private static byte[]? Original(SqliteConnection c, long id) =>
        c.Read("SELECT original FROM piece WHERE id = $id", r => r.Bytes("original"), ("id", id)).FirstOrDefault();

    private static Dictionary<string, string> Pairs(SqliteConnection c, string sql, PieceRow row) =>
        c.Read(sql, r => (r.Text("part"), r.Text("said")), ("id", row.Id), ("edition", row.Edition))
            .ToDictionary(x => x.Item1, x => x.Item2);

    private static School School(SqliteConnection c) =>
        new(
            HouseRepository.House(c),
            HouseRepository.LearnedInstruments(c),
            [.. EnsembleRepository.Players(c).Select(p => new Seat(p.Instrument, p.Chair, p.Level, p.OptionIds?.ToHashSet(), p.Id.Value))],
            ChartRepository.All(c)
        );
}
