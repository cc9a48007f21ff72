using Microsoft.Data.Sqlite;

namespace MellowStand.Storage;

/// <summary>Who plays a part, said by hand.</summary>
/// <param name="Part">The part's id.</param>
/// <param name="Name">Its printed name, so that the row can be told without the score.</param>
/// <param name="Players">Numbers of the players.</param>
/// <param name="Edition">The edition of the part.</param>
public sealed record SeatRow(string Part, string Name, IReadOnlyList<long> Players, string Edition);

/// <summary>Seats that were set by hand; a part without a row is seated by chairs.</summary>
public sealed class SeatRepository(Database database)
{
    /// <summary>Says who plays a part, or with null leaves it to the chairs again.</summary>
    public void Seat(long piece, SeatRow row, bool byChairs) =>
        database.Act(c =>
        {
            c.Demand("The piece", "piece", "deleted IS NULL", piece);
            Drop(c, piece, row.Edition, row.Part);
            return byChairs ? 0 : Add(c, piece, row);
        });

    internal static IReadOnlyList<SeatRow> Of(SqliteConnection c, long piece) =>
        c.Read(
            "SELECT part, name, players, edition FROM part_players WHERE piece_id = $piece ORDER BY part",
            r => new SeatRow(r.Text("part"), r.Text("name"), r.Numbers("players"), r.Text("edition")),
            ("piece", piece)
        );

    internal static int Drop(SqliteConnection c, long piece, string edition, string part) =>
        c.Run(
            "DELETE FROM part_players WHERE piece_id = $piece AND edition = $edition AND part = $part",
            ("piece", piece),
            ("edition", edition),
            ("part", part)
        );

    internal static int Add(SqliteConnection c, long piece, SeatRow row) =>
        c.Run(
            "INSERT INTO part_players (piece_id, edition, part, name, players) VALUES ($piece, $edition, $part, $name, $players)",
            ("piece", piece),
            ("edition", row.Edition),
            ("part", row.Part),
            ("name", row.Name),
            ("players", string.Join(' ', row.Players))
        );

}
