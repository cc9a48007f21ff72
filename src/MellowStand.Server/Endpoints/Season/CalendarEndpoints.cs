using MellowStand.Server.Answers;
using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>When the school practices.</summary>
/// <param name="Minutes">Minutes a day at home.</param>
/// <param name="RestDays">Days of the week without practice, Sunday as 0.</param>
/// <param name="RunDays">Last days before a date that are kept for runs.</param>
/// <param name="Version">The version that was seen.</param>
public sealed record PracticeView(int Minutes, IReadOnlyList<int> RestDays, int RunDays, int? Version);

/// <summary>An entry of the calendar.</summary>
/// <param name="Id">Its number; 0 for a new one.</param>
/// <param name="First">First day.</param>
/// <param name="Last">Last day; the first when left out.</param>
/// <param name="Kind"><c>off</c>, <c>rehearsal</c>, <c>concert</c> or <c>minutes</c>.</param>
/// <param name="Minutes">Length of a rehearsal, or minutes of practice on a day with other minutes.</param>
/// <param name="Title">A few words.</param>
/// <param name="Starts">When it begins, e.g. <c>15:30:00</c>, or null.</param>
/// <param name="Uid">Its identity in a calendar file, or null.</param>
/// <param name="Version">For a change: the version that was seen.</param>
public sealed record CalendarEntryView(
    long Id,
    DateOnly First,
    DateOnly? Last,
    string Kind,
    int Minutes,
    string? Title,
    TimeOnly? Starts,
    string? Uid,
    int? Version
);

/// <summary>Other minutes than the school's.</summary>
/// <param name="Whose"><c>section</c> or <c>player</c>.</param>
/// <param name="Id">Its number.</param>
/// <param name="Minutes">Minutes a day; null gives those of the school.</param>
public sealed record OwnMinutes(string Whose, long Id, int? Minutes);

/// <summary>The calendar.</summary>
public sealed record CalendarView(PracticeView Practice, IReadOnlyList<CalendarEntryView> Entries, IReadOnlyList<OwnMinutes> Own);

/// <summary>Entries to add as one act.</summary>
public sealed record CalendarEntries(IReadOnlyList<CalendarEntryView>? Entries);

/// <summary>Entries by number.</summary>
public sealed record CalendarIds(IReadOnlyList<long>? Entries);

/// <summary>The calendar: minutes, days off, rehearsals, concerts.</summary>
public static class CalendarEndpoints
{
    private const int MostMinutes = 240;
    private const int LongestRehearsal = 600;
    private const int MostRunDays = 30;
    private const int MostEntries = 1500;
    private const int LongestStretch = 400;

    /// <summary>Maps the group.</summary>
    public static void MapCalendar(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/calendar").WithTags("Calendar");
        group.MapGet("", (CalendarRepository calendar) => TypedResults.Ok(View(calendar))).KeepAnswer(Rests.Calendar);
        group.MapPut("/practice", Practice);
        group.MapPut("/minutes", Minutes);
        group.MapPost("/entries", Add);
        group.MapPut("/entries/{entry:long}", Edit);
        group.MapPost("/entries/remove", Remove);
        group.MapPost("/entries/restore", Restore);
        group.MapPost("/read", Read).DisableAntiforgery();
        api.MapGet("/calendar.ics", Export).KeepAnswer(Rests.Calendar).Produces<string>(200, "text/calendar").WithTags("Calendar");
    }

    private static CalendarView View(CalendarRepository calendar)
    {
        var practice = calendar.Practice();
        return new CalendarView(
            new PracticeView(practice.Minutes, practice.RestDays, practice.RunDays, practice.Version),
            [.. calendar.Entries().Select(View)],
            [.. calendar.Minutes().Select(m => new OwnMinutes(m.Key.Whose, m.Key.Id, m.Value))]
        );
    }

    private static CalendarEntryView View(CalendarRow e) =>
        new(e.Id, e.First, e.Last, e.Kind, e.Minutes, e.Title, e.Starts, e.Uid, e.Version);

    private static Ok<CalendarView> Practice(PracticeView asked, CalendarRepository calendar)
    {
        if (asked.Minutes is < 0 or > MostMinutes)
            throw Refusal.BadRequest($"A day has 0 to {MostMinutes} minutes of practice. More hurts: ask less.");
        if (asked.RunDays is < 0 or > MostRunDays)
            throw Refusal.BadRequest($"0 to {MostRunDays} days are kept for runs.");
        var rest = (asked.RestDays ?? []).Distinct().Order().ToList();
        if (rest.Any(d => d is < 0 or > 6))
            throw Refusal.BadRequest("A day of the week is 0 (Sunday) to 6 (Saturday).");
        calendar.Practice(new PracticeTimes(asked.Minutes, rest, asked.RunDays, Versions.Seen(asked.Version))).Demand("The practice time");
        return TypedResults.Ok(View(calendar));
    }

    private static Ok<CalendarView> Minutes(OwnMinutes own, CalendarRepository calendar, EnsembleRepository ensemble)
    {
        var isThere = own.Whose switch
        {
            "section" => ensemble.Sections().Any(s => s.Id.Value == own.Id),
            "player" => ensemble.Players().Any(p => p.Id.Value == own.Id),
            _ => throw Refusal.BadRequest("Minutes are of a section or a player."),
        };
        if (!isThere)
            throw Refusal.NotFound($"This {own.Whose} is not in the ensemble any more. Load the page again.");
        if (own.Minutes is < 0 or > MostMinutes)
            throw Refusal.BadRequest($"A day has 0 to {MostMinutes} minutes of practice. More hurts: ask less.");
        calendar.Minutes(own.Whose, own.Id, own.Minutes);
        return TypedResults.Ok(View(calendar));
    }

    private static Ok<CalendarIds> Add(CalendarEntries many, CalendarRepository calendar)
    {
        var rows = (many.Entries ?? []).Select(Row).ToList();
        if (rows.Count is 0 or > MostEntries)
            throw Refusal.BadRequest($"Add 1 to {MostEntries} entries at once.");
        return TypedResults.Ok(new CalendarIds(calendar.Add(rows)));
    }

    private static Ok<CalendarView> Edit(long entry, CalendarEntryView asked, CalendarRepository calendar)
    {
        calendar.Update(Row(asked) with { Id = entry, Version = Versions.Seen(asked.Version) }).Demand("This entry of the calendar");
        return TypedResults.Ok(View(calendar));
    }

    private static NoContent Remove(CalendarIds ids, CalendarRepository calendar, TimeProvider clock)
    {
        calendar.Remove(ids.Entries ?? [], clock.GetUtcNow());
        return TypedResults.NoContent();
    }

    private static NoContent Restore(CalendarIds ids, CalendarRepository calendar)
    {
        calendar.Restore(ids.Entries ?? []);
        return TypedResults.NoContent();
    }

    // Read to be looked at; nothing is kept.
    private static Ok<IReadOnlyList<ReadEvent>> Read(IFormFile file, TimeProvider clock)
    {
        var (name, bytes) = Upload.Bytes(file);
        return TypedResults.Ok(IcalFiles.Read(name, bytes, clock.Today(), clock.LocalTimeZone));
    }

    private static FileContentHttpResult Export(CalendarRepository calendar, PieceRepository pieces)
    {
        var own = calendar
            .Entries()
            .Select(e => new WrittenEvent(
                e.Uid ?? $"entry-{e.Id}@mellow-stand",
                e.First,
                e.Last,
                e.Title.Length > 0 ? e.Title : e.Kind,
                "",
                e.Starts,
                e.Minutes
            ));
        var dates = pieces
            .All()
            .Where(p => p.Due is not null)
            .Select(p => new WrittenEvent($"piece-{p.Id}@mellow-stand", p.Due!.Value, p.Due.Value, p.Title, "The date of the piece"));
        return TypedResults.File(IcalFiles.Write("Mellow Stand", own.Concat(dates)), "text/calendar", "Calendar.ics");
    }

    private static CalendarRow Row(CalendarEntryView? e)
    {
        if (e is null)
            throw Refusal.BadRequest("An entry is empty. Leave it out.");
        if (e.Kind is null || !CalendarDesk.KindNames.Contains(e.Kind))
            throw Refusal.BadRequest($"An entry is one of {string.Join(", ", CalendarDesk.KindNames)}.");
        var last = e.Last ?? e.First;
        if (last < e.First)
            throw Refusal.BadRequest($"The entry of {e.First:yyyy-MM-dd} ends before it begins. Exchange its days.");
        if (last.DayNumber - e.First.DayNumber > LongestStretch)
            throw Refusal.BadRequest($"The entry of {e.First:yyyy-MM-dd} is longer than a year. Shorten it.");
        if (e.Minutes is < 0 or > LongestRehearsal)
            throw Refusal.BadRequest($"The entry of {e.First:yyyy-MM-dd} has 0 to {LongestRehearsal} minutes.");
        return new CalendarRow(0, e.First, last, e.Kind, e.Minutes, Names.CleanOrNull(e.Title) ?? "", e.Starts, Names.CleanOrNull(e.Uid));
    }
}
