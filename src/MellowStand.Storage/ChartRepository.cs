using MellowStand.Core.Technique;
using Microsoft.Data.Sqlite;

namespace MellowStand.Storage;

/// <summary>The school's corrections of fingering charts.</summary>
public sealed class ChartRepository(Database database)
{
    /// <summary>All corrections.</summary>
    public IReadOnlyList<ChartCorrection> All() =>
        database.Look(c => All(c));

    /// <summary>Makes a correction, in place of an earlier one of the same fingering; one of two usual fingerings of a note gives
    /// way.</summary>
    public void Correct(ChartCorrection k, string by, DateTimeOffset now) =>
        database.Act(c =>
        {
            if (k.Standing == "usual")
                c.Run(
                    "UPDATE chart_correction SET standing = 'alternate' WHERE instrument = $instrument AND written = $written "
                        + "AND standing = 'usual'",
                    ("instrument", k.Instrument),
                    ("written", k.Written)
                );
            return c.Run(
                """
                INSERT INTO chart_correction (instrument, written, code, standing, keys, remark, by, made)
                VALUES ($instrument, $written, $code, $standing, $keys, $remark, $by, $made)
                ON CONFLICT (instrument, written, code) DO UPDATE
                SET standing = $standing, keys = $keys, remark = $remark, by = $by, made = $made
                """,
                ("instrument", k.Instrument),
                ("written", k.Written),
                ("code", k.Code),
                ("standing", k.Standing),
                ("keys", string.Join(' ', k.Keys)),
                ("remark", k.Remark),
                ("by", by),
                ("made", now.Iso())
            );
        });

    /// <summary>Takes a correction back.</summary>
    public bool Remove(string instrument, int written, string code) =>
        database.Act(c =>
            c.Run(
                "DELETE FROM chart_correction WHERE instrument = $instrument AND written = $written AND code = $code",
                ("instrument", instrument),
                ("written", written),
                ("code", code)
            )
        ) > 0;

    internal static IReadOnlyList<ChartCorrection> All(SqliteConnection c) =>
        c.Read(
            "SELECT instrument, written, code, standing, keys, remark FROM chart_correction ORDER BY instrument, written, code",
            r => new ChartCorrection(
                r.Text("instrument"),
                r.Int("written"),
                r.Text("code"),
                r.Text("standing"),
                r.Text("keys").Split(' ', StringSplitOptions.RemoveEmptyEntries),
                r.Text("remark")
            )
        );
}
