using System.Text;
using Ical.Net;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;
using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>What a calendar file says of one day or stretch, with a guess of what it is.</summary>
/// <param name="First">First day.</param>
/// <param name="Last">Last day.</param>
/// <param name="Kind">A guess from its words, or null where they tell nothing.</param>
/// <param name="Minutes">Its length where it is a rehearsal.</param>
/// <param name="Title">Its words.</param>
/// <param name="Starts">When it begins, or null for whole days.</param>
/// <param name="Uid">Its identity.</param>
public sealed record ReadEvent(DateOnly First, DateOnly Last, string? Kind, int Minutes, string Title, TimeOnly? Starts, string Uid);

/// <summary>An event to write.</summary>
/// <param name="Uid">Its identity, the same each time.</param>
/// <param name="First">First day.</param>
/// <param name="Last">Last day.</param>
/// <param name="Title">Its words.</param>
/// <param name="Text">More words.</param>
/// <param name="Starts">When it begins, or null for whole days.</param>
/// <param name="Minutes">Its length where it begins at a time.</param>
public sealed record WrittenEvent(
    string Uid,
    DateOnly First,
    DateOnly Last,
    string Title,
    string Text,
    TimeOnly? Starts = null,
    int Minutes = 0
);

/// <summary>Calendar files (iCalendar, RFC 5545) in and out.</summary>
internal static class IcalFiles
{
    private const int MostBytes = 2 * 1024 * 1024;
    private const int MostEvents = 1500;
    private const int DaysAhead = 400;
    private const int MostMinutes = 600;

    private static readonly (string Kind, string[] Words)[] Guesses =
    [
        ("off", ["holiday", "no school", "no rehearsal", "break", "vacation", "recess", "closed", "day off", "staff day"]),
        ("concert", ["concert", "festival", "audition", "performance", "contest", "assessment"]),
        ("rehearsal", ["rehearsal", "sectional", "band", "orchestra", "ensemble"]),
    ];

    /// <summary>Reads a calendar file: what lies from a day on, for a year, repeated events each time.</summary>
    /// <exception cref="Refusal">It is no calendar, or too large.</exception>
    public static IReadOnlyList<ReadEvent> Read(string name, byte[] bytes, DateOnly from, TimeZoneInfo zone)
    {
        if (bytes.Length > MostBytes)
            throw new Refusal(StatusCodes.Status413PayloadTooLarge, $"{name} is larger than 2 MB. Export one year of the calendar alone.");
        var calendar = Load(name, bytes);
        var found = calendar
            .Events.Where(e => !IsTooOften(e))
            .SelectMany(e => Occurrences(e, from, zone))
            .OrderBy(e => e.First)
            .Take(MostEvents)
            .ToList();
        return found.Count > 0
            ? found
            : throw new Refusal(
                StatusCodes.Status422UnprocessableEntity,
                $"{name} has no event from {from:yyyy-MM-dd} on. Export the coming year."
            );
    }

    /// <summary>Writes a calendar file.</summary>
    public static byte[] Write(string name, IEnumerable<WrittenEvent> events)
    {
        var calendar = new Calendar { ProductId = "-//Mellow Stand//Season//EN" };
        calendar.AddProperty("X-WR-CALNAME", name);
        foreach (var e in events)
            calendar.Events.Add(
                new CalendarEvent
                {
                    Uid = e.Uid,
                    Summary = e.Title,
                    Description = e.Text,
                    Start = e.Starts is { } at ? new CalDateTime(e.First, at) : new CalDateTime(e.First),
                    End = e.Starts is { } begin ? End(e.First, begin, e.Minutes) : new CalDateTime(e.Last.AddDays(1)),
                    DtStamp = new CalDateTime(e.First.Year, e.First.Month, e.First.Day, 0, 0, 0, "UTC"),
                }
            );
        return Encoding.UTF8.GetBytes(new CalendarSerializer().SerializeToString(calendar)!);
    }

    private static CalDateTime End(DateOnly day, TimeOnly at, int minutes)
    {
        var end = day.ToDateTime(at).AddMinutes(minutes);
        return new CalDateTime(DateOnly.FromDateTime(end), TimeOnly.FromDateTime(end));
    }

    private static Calendar Load(string name, byte[] bytes)
    {
        try
        {
            return Calendar.Load(Encoding.UTF8.GetString(bytes)) ?? throw NoCalendar(name);
        }
        catch (Exception e) when (e is not Refusal and not OutOfMemoryException)
        {
            throw NoCalendar(name);
        }
    }

    private static Refusal NoCalendar(string name) =>
        new(
            StatusCodes.Status422UnprocessableEntity,
            $"{name} is not a calendar file. Export the calendar as iCalendar (.ics) and choose that."
        );

    private static IEnumerable<ReadEvent> Occurrences(CalendarEvent e, DateOnly from, TimeZoneInfo zone)
    {
        var last = from.AddDays(DaysAhead);
        return e.GetOccurrences(new CalDateTime(from.AddDays(-1)))
            .Select(o => Event(e, o.Period, zone))
            .TakeWhile(r => r.First <= last)
            .Take(DaysAhead)
            .Where(r => r.Last >= from);
    }

    // What comes more than once a day is no day of a school, and would be counted through without end.
    private static bool IsTooOften(CalendarEvent e) => e.RecurrenceRule?.Frequency < FrequencyType.Daily;

    // The clock on the wall of the school: a rehearsal at four is at four in summer and winter.
    private static ReadEvent Event(CalendarEvent e, Period period, TimeZoneInfo zone)
    {
        var start = period.StartTime;
        var title = Names.CleanOrNull(e.Summary) ?? "untitled";
        var length = period.EffectiveEndTime is { } end ? end.AsUtc - start.AsUtc : TimeSpan.Zero;
        if (!start.HasTime)
        {
            var days = Math.Clamp((int)Math.Round(length.TotalDays), 1, DaysAhead);
            return new ReadEvent(start.Date, start.Date.AddDays(days - 1), Guess(title), 0, title, null, e.Uid ?? title);
        }

        var local = start.IsUtc ? TimeZoneInfo.ConvertTimeFromUtc(start.AsUtc, zone) : start.Value;
        var minutes = (int)Math.Clamp(length.TotalMinutes, 0, MostMinutes);
        return new ReadEvent(
            DateOnly.FromDateTime(local),
            DateOnly.FromDateTime(local),
            Guess(title),
            minutes,
            title,
            new TimeOnly(local.Hour, local.Minute),
            e.Uid ?? title
        );
    }

    private static string? Guess(string title) =>
        Guesses.FirstOrDefault(g => g.Words.Any(w => title.Contains(w, StringComparison.OrdinalIgnoreCase))).Kind;
}
