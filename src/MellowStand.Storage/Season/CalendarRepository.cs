using System.Globalization;
using Microsoft.Data.Sqlite;

namespace MellowStand.Storage;

/// <summary>When the school practices.</summary>
/// <param name="Minutes">Minutes a day at home.</param>
/// <param name="RestDays">Days of the week without practice, Sunday as 0.</param>
/// <param name="RunDays">Last days before a date that are kept for runs.</param>
/// <param name="Version">How often it was changed.</param>
public sealed record PracticeTimes(int Minutes, IReadOnlyList<int> RestDays, int RunDays, int Version);

/// <summary>An entry of the calendar.</summary>
/// <param name="Id">Its number.</param>
/// <param name="First">Its first day.</param>
/// <param name="Last">Its last day.</param>
/// <param name="Kind"><c>off</c>, <c>rehearsal</c>, <c>concert</c> or <c>minutes</c>.</param>
/// <param name="Minutes">Length of a rehearsal, or minutes of practice.</param>
/// <param name="Title">A few words.</param>
/// <param name="Starts">When it begins, or null.</param>
/// <param name="Uid">Its identity in the calendar file it came from, or null.</param>
/// <param name="Version">How often it was changed.</param>
public sealed record CalendarRow(
    long Id,
    DateOnly First,
    DateOnly Last,
    string Kind,
    int Minutes,
    string Title,
    TimeOnly? Starts = null,
    string? Uid = null,
    int Version = 0
);

/// <summary>The calendar: minutes, days off, rehearsals, concerts.</summary>
public sealed class CalendarRepository(Database database)
{
    /// <summary>When the school practices.</summary>
    public PracticeTimes Practice() =>
        database.Look(c =>
            c.Read(
                "SELECT minutes, rest_days, run_days, version FROM practice_calendar",
                r => new PracticeTimes(r.GetInt32(0), [.. Numbers(r.GetString(1)).Select(n => (int)n)], r.GetInt32(2), r.GetInt32(3))
            )[0]
        );

    /// <summary>Changes when the school practices, where the version is still the one that was seen.</summary>
    public Change Practice(PracticeTimes row) =>
        database.Act(c =>
            c.Update(
                "practice_calendar",
                "id = $id",
                "minutes = $minutes, rest_days = $rest, run_days = $runs",
                row.Version,
                ("id", 1),
                ("minutes", row.Minutes),
                ("rest", string.Join(' ', row.RestDays)),
                ("runs", row.RunDays)
            )
        );

    /// <summary>The entries by date.</summary>
    public IReadOnlyList<CalendarRow> Entries() =>
        database.Look(c =>
            c.Read(
                "SELECT id, first, last, kind, minutes, title, starts, uid, version FROM calendar_entry WHERE deleted IS "
                    + "NULL ORDER BY first, id",
                Entry
            )
        );

    /// <summary>Adds entries as one act; those of a file that are there already are changed instead.</summary>
    /// <returns>Their numbers, in order.</returns>
    public IReadOnlyList<long> Add(IReadOnlyList<CalendarRow> rows) => database.Act(c => rows.Select(r => Put(c, r)).ToList());

    /// <summary>Changes an entry that still has the row's version.</summary>
    public Change Update(CalendarRow row) =>
        database.Act(c => c.Update("calendar_entry", "id = $id AND deleted IS NULL", Set, row.Version, Values(row)));

    /// <summary>Takes entries out as one act.</summary>
    public int Remove(IEnumerable<long> ids, DateTimeOffset now) =>
        database.Act(c =>
            ids.Sum(id =>
                c.Run("UPDATE calendar_entry SET deleted = $now WHERE id = $id AND deleted IS NULL", ("id", id), ("now", now.Iso()))
            )
        );

    /// <summary>Undoes <see cref="Remove"/>.</summary>
    public int Restore(IEnumerable<long> ids) =>
        database.Act(c =>
            ids.Sum(id => c.Run("UPDATE calendar_entry SET deleted = NULL WHERE id = $id AND deleted IS NOT NULL", ("id", id)))
        );

    /// <summary>Minutes a day of the sections and players that have other minutes than the school.</summary>
    public IReadOnlyDictionary<(string Whose, long Id), int> Minutes() =>
        database.Look(c =>
            c.Read("SELECT whose, id, minutes FROM practice_minutes", r => (Key: (r.GetString(0), r.GetInt64(1)), Minutes: r.GetInt32(2)))
                .ToDictionary(x => x.Key, x => x.Minutes)
        );

    /// <summary>Gives a section or player other minutes, or with null those of the school.</summary>
    /// <param name="whose"><c>section</c> or <c>player</c>.</param>
    /// <param name="id">Its number.</param>
    /// <param name="minutes">Minutes a day, or null.</param>
    public void Minutes(string whose, long id, int? minutes) =>
        database.Act(c =>
            minutes is null
                ? c.Run("DELETE FROM practice_minutes WHERE whose = $whose AND id = $id", ("whose", whose), ("id", id))
                : c.Run(
                    "INSERT INTO practice_minutes (whose, id, minutes) VALUES ($whose, $id, $minutes) "
                        + "ON CONFLICT (whose, id) DO UPDATE SET minutes = $minutes",
                    ("whose", whose),
                    ("id", id),
                    ("minutes", minutes)
                )
        );

    /// <summary>Numbers with spaces between.</summary>
    internal static IEnumerable<long> Numbers(string text) =>
        text.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(n => long.Parse(n, CultureInfo.InvariantCulture));

    private const string Set = "first = $first, last = $last, kind = $kind, minutes = $minutes, title = $title, starts = $starts";

    private static long Put(SqliteConnection c, CalendarRow row)
    {
        var there = row.Uid is null
            ? []
            : c.Read(
                "SELECT id FROM calendar_entry WHERE uid = $uid AND first = $first AND deleted IS NULL",
                r => r.GetInt64(0),
                ("uid", row.Uid),
                ("first", row.First.Iso())
            );
        if (there is [var id, ..])
        {
            c.Run($"UPDATE calendar_entry SET {Set}, version = version + 1 WHERE id = $id", Values(row with { Id = id }));
            return id;
        }

        return c.Insert(
            "INSERT INTO calendar_entry (first, last, kind, minutes, title, starts, uid) VALUES ($first, $last, $kind, $minutes, $title, "
                + "$starts, $uid)",
            [.. Values(row).Where(v => v.Name != "id"), ("uid", row.Uid)]
        );
    }

    private static (string Name, object? Value)[] Values(CalendarRow row) =>
        [
            ("id", row.Id),
            ("first", row.First.Iso()),
            ("last", row.Last.Iso()),
            ("kind", row.Kind),
            ("minutes", row.Minutes),
            ("title", row.Title),
            ("starts", row.Starts?.ToString("HH:mm", CultureInfo.InvariantCulture)),
        ];

    private static CalendarRow Entry(SqliteDataReader r) =>
        new(
            r.GetInt64(0),
            r.Day(1)!.Value,
            r.Day(2)!.Value,
            r.GetString(3),
            r.GetInt32(4),
            r.GetString(5),
            r.Text(6) is { } starts ? TimeOnly.ParseExact(starts, "HH:mm", CultureInfo.InvariantCulture) : null,
            r.Text(7),
            r.GetInt32(8)
        );
}
