using System.Globalization;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json;

namespace MellowStand.Server.Tests;

/// <summary>The calendar: files read, entries and minutes kept.</summary>
public sealed partial class SeasonTests
{
    private const string Head = "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//Made up//EN\r\n";
    private const string Foot = "END:VCALENDAR\r\n";

    // RFC 5545: DTEND of a whole day is the day after; a weekly rule repeats; a time with a zone is the time on the wall there, in
    // summer and winter.
    [Fact]
    public async Task A_calendar_file_is_read_as_written()
    {
        var monday = TestDay.Today.AddDays(7);
        var day = monday.ToString("yyyyMMdd", CultureInfo.InvariantCulture);
        var next = monday.AddDays(3).ToString("yyyyMMdd", CultureInfo.InvariantCulture);
        var events = await Read(
            $"BEGIN:VEVENT\r\nUID:a\r\nSUMMARY:Winter break\r\nDTSTART;VALUE=DATE:{day}\r\nDTEND;VALUE=DATE:{next}\r\nEND:VEVENT\r\n"
                + $"BEGIN:VEVENT\r\nUID:b\r\nSUMMARY:Band rehearsal\r\nDTSTART;TZID=America/New_York:{day}T153000\r\n"
                + $"DTEND;TZID=America/New_York:{day}T164500\r\nRRULE:FREQ=WEEKLY;COUNT=40\r\nEND:VEVENT\r\n"
                + $"BEGIN:VEVENT\r\nUID:c\r\nSUMMARY:Dentist\r\nDTSTART:{day}T120000\r\nDTEND:{day}T130000\r\nEND:VEVENT\r\n"
        );
        var off = events.Single(e => Text(e, "uid") == "a");
        Assert.Equal(
            ("off", monday.AddDays(2).ToString("yyyy-MM-dd", CultureInfo.InvariantCulture)),
            (Text(off, "kind"), Text(off, "last"))
        );
        var meetings = events.Where(e => Text(e, "uid") == "b").ToList();
        Assert.Equal(40, meetings.Count);
        Assert.All(meetings, m => Assert.Equal(("rehearsal", "15:30:00", 75), (Text(m, "kind"), Text(m, "starts"), Number(m, "minutes"))));
        Assert.Equal(JsonValueKind.Null, events.Single(e => Text(e, "uid") == "c").GetProperty("kind").ValueKind);
    }

    [Theory]
    [InlineData("no calendar at all", "not a calendar file")]
    [InlineData("BEGIN:VCALENDAR\r\nVERSION:2.0\r\nEND:VCALENDAR\r\n", "no event")]
    public async Task What_is_no_calendar_is_refused_in_words(string text, string words)
    {
        using var file = Asking.File(System.Text.Encoding.UTF8.GetBytes(text), "year.ics");
        var answer = await _client.PostAsync(new Uri("/api/calendar/read", UriKind.Relative), file, Cancel);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.Contains(words, await answer.Sentence(), StringComparison.Ordinal);
    }

    // An event without end repeats daily: it is read for a year and no longer.
    [Fact]
    public async Task An_endless_event_is_bounded()
    {
        var day = TestDay.Today.ToString("yyyyMMdd", CultureInfo.InvariantCulture);
        var events = await Read(
            $"BEGIN:VEVENT\r\nUID:x\r\nSUMMARY:Daily "
                + $"rehearsal\r\nDTSTART:{day}T080000\r\nDTEND:{day}T081000\r\nRRULE:FREQ=DAILY\r\nEND:VEVENT\r\n"
        );
        Assert.InRange(events.Count, 360, 402);
    }

    // Every second since 1900: such a file must not keep the server busy.
    [Fact]
    public async Task What_repeats_by_the_second_is_left_out_at_once()
    {
        var day = TestDay.Today.ToString("yyyyMMdd", CultureInfo.InvariantCulture);
        var events = await Read(
            "BEGIN:VEVENT\r\nUID:x\r\nSUMMARY:Endless rehearsal\r\nDTSTART:19000101T080000\r\nRRULE:FREQ=SECONDLY\r\nEND:VEVENT\r\n"
                + $"BEGIN:VEVENT\r\nUID:y\r\nSUMMARY:Rehearsal\r\nDTSTART:{day}T080000\r\nDTEND:{day}T090000\r\nEND:VEVENT\r\n"
        );
        Assert.Equal("y", Text(Assert.Single(events), "uid"));
    }

    [Fact]
    public async Task The_calendar_is_changed_and_given_back_and_two_do_not_overwrite_each_other()
    {
        var before = await _client.Json("/api/calendar");
        var version = Number(before.GetProperty("practice"), "version");
        var changed = new
        {
            minutes = 25,
            restDays = new[] { 0, 6 },
            runDays = 5,
            version,
        };
        Assert.Equal(HttpStatusCode.OK, (await _client.Send(HttpMethod.Put, "/api/calendar/practice", changed)).StatusCode);
        Assert.Equal(HttpStatusCode.Conflict, (await _client.Send(HttpMethod.Put, "/api/calendar/practice", changed)).StatusCode);
        var practice = (await _client.Json("/api/calendar")).GetProperty("practice");
        Assert.Equal(
            (25, 2, 5),
            (Number(practice, "minutes"), practice.GetProperty("restDays").GetArrayLength(), Number(practice, "runDays"))
        );
        await _client.Send(
            HttpMethod.Put,
            "/api/calendar/practice",
            new
            {
                minutes = 20,
                restDays = new[] { 0 },
                runDays = 3,
                version = version + 1,
            }
        );

        var many = new
        {
            entries = new[]
            {
                new
                {
                    id = 0,
                    first = "2031-03-03",
                    kind = "off",
                    minutes = 0,
                    title = "Snow",
                },
            },
        };
        var ids = (await Post("/api/calendar/entries", many)).GetProperty("entries");
        await _client.Send(HttpMethod.Post, "/api/calendar/entries/remove", new { entries = ids });
        Assert.DoesNotContain("Snow", (await _client.Json("/api/calendar")).GetRawText(), StringComparison.Ordinal);
        await _client.Send(HttpMethod.Post, "/api/calendar/entries/restore", new { entries = ids });
        Assert.Contains("Snow", (await _client.Json("/api/calendar")).GetRawText(), StringComparison.Ordinal);
        await _client.Send(HttpMethod.Post, "/api/calendar/entries/remove", new { entries = ids });
    }

    [Theory]
    [InlineData("""{"entries":[{"id":0,"first":"2031-03-05","last":"2031-03-03","kind":"off","minutes":0}]}""", "ends before it begins")]
    [InlineData("""{"entries":[{"id":0,"first":"2031-03-05","kind":"party","minutes":0}]}""", "one of off")]
    [InlineData("""{"entries":[{"id":0,"first":"2031-03-05","kind":"rehearsal","minutes":9000}]}""", "minutes")]
    [InlineData("""{"entries":[]}""", "Add 1 to")]
    public async Task Entries_that_make_no_sense_are_refused_in_words(string body, string words)
    {
        using var content = new StringContent(body, System.Text.Encoding.UTF8, "application/json");
        var answer = await _client.PostAsync(new Uri("/api/calendar/entries", UriKind.Relative), content, Cancel);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Contains(words, await answer.Sentence(), StringComparison.Ordinal);
    }

    private async Task<List<JsonElement>> Read(string events)
    {
        using var file = Asking.File(System.Text.Encoding.UTF8.GetBytes(Head + events + Foot), "year.ics");
        var answer = await _client.PostAsync(new Uri("/api/calendar/read", UriKind.Relative), file, Cancel);
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        return [.. (await answer.Content.ReadFromJsonAsync<JsonElement>(Cancel)).EnumerateArray()];
    }
}
