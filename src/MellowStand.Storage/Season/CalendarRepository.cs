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
    private readonly Slice<PracticeTimes> _practice = new(
        database,
        RestsOn.Plans,
        c =>
            c.Read(
                "SELECT minutes, rest_days, run_days, version FROM practice_calendar",
                r => new PracticeTimes(
                    r.Int("minutes"),
                    [.. r.Numbers("rest_days").Select(n => (int)n)],
                    r.Int("run_days"),
                    r.Int("version")
                )
            )[0]
    );

    private readonly Slice<IReadOnlyList<CalendarRow>> _entries = new(
        database,
        RestsOn.Plans,
        c =>
            c.Read(
                "SELECT id, first, last, kind, minutes, title, starts, uid, version FROM calendar_entry WHERE deleted IS "
                    + "NULL ORDER BY first, id",
                Entry
            )
    );

    private readonly Slice<IReadOnlyDictionary<(string Whose, long Id), int>> _minutes = new(
        database,
        RestsOn.Plans,
        c =>
            c.Read(
                    "SELECT whose, id, minutes FROM practice_minutes",
                    r => (Key: (r.Text("whose"), r.Long("id")), Minutes: r.Int("minutes"))
                )
                .ToDictionary(x => x.Key, x => x.Minutes)
    );

    /// <summary>When the school practices.</summary>
    public PracticeTimes Practice() => _practice.Now();

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
    public IReadOnlyList<CalendarRow> Entries() => _entries.Now();

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
    public IReadOnlyDictionary<(string Whose, long Id), int> Minutes() => _minutes.Now();

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

    private const string Set = "first = $first, last = $last, kind = $kind, minutes = $minutes, title = $title, starts = $starts";

    private static long Put(SqliteConnection c, CalendarRow row)
    {
        var there = row.Uid is null
            ? []
            : c.Read(
                "SELECT id FROM calendar_entry WHERE uid = $uid AND first = $first AND deleted IS NULL",
                r => r.Long("id"),
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

    private static CalendarRow Entry(Row r) =>
        new(
            r.Long("id"),
            r.Day("first"),
            r.Day("last"),
            r.Text("kind"),
            r.Int("minutes"),
            r.Text("title"),
            r.HourOrNull("starts"),
            r.TextOrNull("uid"),
            r.Int("version")
        );
}
