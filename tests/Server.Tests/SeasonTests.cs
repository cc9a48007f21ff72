using System.Globalization;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json;

namespace MellowStand.Server.Tests;

/// <summary>One school for all tests of a class that leave each other alone.</summary>
public sealed class OneSchool : IDisposable
{
    public SchoolServer Server { get; } = new() { WithSchool = true };

    public HttpClient Client => field ??= Server.CreateClient();

    public void Dispose() => Server.Dispose();
}

/// <summary>Cut, plan, calendar and rehearsals over the HTTP interface.</summary>
public sealed partial class SeasonTests(OneSchool school) : IClassFixture<OneSchool>
{
    private static readonly CancellationToken Cancel = TestContext.Current.CancellationToken;

    private readonly HttpClient _client = school.Client;

    // Two passages for one player on two days: one each day, and neither is late.
    [Fact]
    public async Task A_plan_is_made_from_numbers_alone()
    {
        var plan = await Plan(
            new
            {
                days = new[] { new { date = "2031-03-03", minutes = 10 }, new { date = "2031-03-04", minutes = 10 } },
                passages = new object[]
                {
                    new
                    {
                        id = "a",
                        minutes = 10,
                        sessions = 1,
                        gap = 1,
                        players = new object[] { 7 },
                        due = "2031-03-03",
                    },
                    new
                    {
                        id = 2,
                        minutes = 5,
                        sessions = 1,
                        gap = 1,
                        players = new object[] { 7, "eight" },
                        due = "2031-03-04",
                    },
                },
                rule = "hardest-first",
            }
        );
        Assert.Equal(("optimal", 0, 10, 10), (Text(plan, "state"), Number(plan, "late"), Number(plan, "peak"), Number(plan, "bound")));
        var days = plan.GetProperty("days");
        Assert.Equal("a", days[0].GetProperty("work")[0].GetProperty("passage").GetString());
        Assert.Equal(
            (2, 1),
            (days[1].GetProperty("work")[0].GetProperty("passage").GetInt32(), Number(days[1].GetProperty("work")[0], "session"))
        );
        Assert.Equal(0, plan.GetProperty("gives").GetArrayLength());
    }

    [Fact]
    public async Task A_plan_that_cannot_be_done_says_what_gives()
    {
        var plan = await Plan(
            new
            {
                days = new[] { new { date = "2031-03-03", minutes = 15 } },
                passages = new object[]
                {
                    new
                    {
                        id = "a",
                        minutes = 10,
                        sessions = 1,
                        gap = 1,
                        players = new[] { 1 },
                        due = "2031-03-03",
                    },
                    new
                    {
                        id = "b",
                        minutes = 10,
                        sessions = 1,
                        gap = 1,
                        players = new[] { 1 },
                        due = "2031-03-03",
                    },
                },
            }
        );
        Assert.Equal("cannot", Text(plan, "state"));
        Assert.Equal(["passages", "days", "minutes"], plan.GetProperty("gives").EnumerateArray().Select(g => Text(g, "what")));
    }

    [Theory]
    [InlineData("""{"days":[{"date":"2031-03-03","minutes":-1}],"passages":[]}""", "0 to")]
    [InlineData("""{"days":[{"date":"2031-03-03","minutes":1},{"date":"2031-03-03","minutes":1}],"passages":[]}""", "twice")]
    [InlineData("""{"days":[],"passages":[{"id":"a","minutes":0,"sessions":1,"players":[],"due":"2031-03-03"}]}""", "minutes")]
    [InlineData("""{"days":[],"passages":[{"id":"a","minutes":5,"sessions":0,"players":[],"due":"2031-03-03"}]}""", "times")]
    [InlineData("""{"days":[],"passages":[{"id":{},"minutes":5,"sessions":1,"players":[],"due":"2031-03-03"}]}""", "text or a number")]
    [InlineData("""{"days":[],"passages":[],"rule":"by-chance"}""", "hardest-first")]
    public async Task Nonsense_for_the_planner_is_refused_in_words(string body, string words)
    {
        using var content = new StringContent(body, System.Text.Encoding.UTF8, "application/json");
        var answer = await _client.PostAsync(new Uri("/api/plan", UriKind.Relative), content, Cancel);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Contains(words, await answer.Sentence(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_cut_covers_what_is_played_and_is_handed_out_to_those_who_are_seated_in_one_act()
    {
        var cut = (
            await Post(
                "/api/pieces/1/cut",
                new
                {
                    parts = new[] { "P1", "P2" },
                    from = "11",
                    to = "31",
                    longest = 8,
                }
            )
        ).EnumerateArray().ToList();
        Assert.All(cut, c => Assert.InRange(Number(c, "toIndex") - Number(c, "fromIndex") + 1, 1, 8));
        Assert.All(cut, c => Assert.True(Number(c, "minutes") > 0 && Text(c, "why").Length > 0));
        var due = TestDay.In(30);
        var made = await Post(
            "/api/pieces/1/passages/many",
            new
            {
                passages = cut.Select(c => new
                {
                    parts = c.GetProperty("parts"),
                    from = Text(c, "from"),
                    to = Text(c, "to"),
                    due,
                }),
            }
        );
        Assert.Equal(cut.Count, made.GetArrayLength());
        Assert.All(
            made.EnumerateArray(),
            p => Assert.True(p.GetProperty("sections").GetArrayLength() + p.GetProperty("players").GetArrayLength() > 0)
        );
        Assert.All(made.EnumerateArray(), p => Assert.True(p.GetProperty("steps").GetArrayLength() > 1));
        var ids = made.EnumerateArray().Select(p => p.GetProperty("id").GetInt64()).ToList();
        await _client.Send(HttpMethod.Post, "/api/passages/remove", new { passages = ids });
        var left = (await _client.Json("/api/pieces/1/passages")).EnumerateArray().Select(p => p.GetProperty("id").GetInt64());
        Assert.Empty(left.Intersect(ids));
        await _client.Send(HttpMethod.Post, "/api/passages/restore", new { passages = ids });
        Assert.Equal(
            ids.Count,
            (await _client.Json("/api/passages")).EnumerateArray().Count(p => ids.Contains(p.GetProperty("id").GetInt64()))
        );
        await _client.Send(HttpMethod.Post, "/api/passages/remove", new { passages = ids });
    }

    [Fact]
    public async Task Of_many_passages_none_is_handed_out_when_one_makes_no_sense()
    {
        var before = (await _client.Json("/api/pieces/1/passages")).GetArrayLength();
        var due = TestDay.In(30);
        var answer = await _client.Send(
            HttpMethod.Post,
            "/api/pieces/1/passages/many",
            new
            {
                passages = new[]
                {
                    new
                    {
                        parts = new[] { "P1" },
                        from = "1",
                        to = "4",
                        due,
                    },
                    new
                    {
                        parts = new[] { "P1" },
                        from = "9999",
                        to = "4",
                        due,
                    },
                },
            }
        );
        Assert.Equal(HttpStatusCode.NotFound, answer.StatusCode);
        Assert.Equal(before, (await _client.Json("/api/pieces/1/passages")).GetArrayLength());
    }

    [Fact]
    public async Task A_plan_is_a_draft_first_then_in_force_and_can_be_undone_and_its_sessions_moved()
    {
        var first = (await _client.Json("/api/season")).GetProperty("plan");
        Assert.Equal("kept", Text(first, "state"));
        var draft = await Draft();
        Assert.Equal("draft", Text(draft, "state"));
        // Nothing changed since the demo's plan was made today.
        Assert.Equal(Number(first, "peak"), Number(draft, "peak"));
        var (old, now) = (first.GetProperty("id").GetInt64(), draft.GetProperty("id").GetInt64());
        Assert.Equal(
            HttpStatusCode.Conflict,
            (await _client.Send(HttpMethod.Post, $"/api/season/plans/{now}/keep", new { seen = old - 1 })).StatusCode
        );
        var kept = await Post($"/api/season/plans/{now}/keep", new { seen = old });
        Assert.Equal(now, kept.GetProperty("plan").GetProperty("id").GetInt64());

        var item = kept.GetProperty("plan").GetProperty("items")[0];
        var session = item.GetProperty("sessions")[0];
        var free = FreeDay(kept.GetProperty("plan"), item);
        var url = $"/api/season/sessions/{session.GetProperty("id").GetInt64()}";
        var version = Number(kept.GetProperty("plan"), "version");
        var moved = await _client.Send(HttpMethod.Put, url, new { day = free, version });
        Assert.Equal(HttpStatusCode.OK, moved.StatusCode);
        // A second director who has not seen it is told so.
        Assert.Equal(HttpStatusCode.Conflict, (await _client.Send(HttpMethod.Put, url, new { day = free, version })).StatusCode);

        // The next plan goes around what was set by hand.
        var next = await Draft();
        var same = next.GetProperty("items")
            .EnumerateArray()
            .First(i => Number(i, "passage") == Number(item, "passage") && Text(i, "band") == Text(item, "band"));
        Assert.Contains(same.GetProperty("sessions").EnumerateArray(), s => Text(s, "day") == free && s.GetProperty("byHand").GetBoolean());

        var back = await _client.Send(HttpMethod.Delete, $"/api/season/plans/{now}");
        Assert.Equal(old, (await back.Content.ReadFromJsonAsync<JsonElement>(Cancel)).GetProperty("plan").GetProperty("id").GetInt64());
    }

    [Theory]
    [InlineData(-3, "past")]
    [InlineData(0, "Nobody practices")]
    public async Task A_session_is_not_moved_to_the_past_or_to_a_day_off(int days, string words)
    {
        var plan = (await _client.Json("/api/season")).GetProperty("plan");
        var session = plan.GetProperty("items")[0].GetProperty("sessions")[0].GetProperty("id").GetInt64();
        var off = plan.GetProperty("days").EnumerateArray().First(d => Number(d, "minutes") == 0);
        var day = days < 0 ? TestDay.In(days) : Text(off, "date");
        var answer = await _client.Send(HttpMethod.Put, $"/api/season/sessions/{session}", new { day, version = Number(plan, "version") });
        Assert.Contains(words, await answer.Sentence(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Rehearsals_fit_their_time_and_a_sheet_has_the_days_of_the_plan()
    {
        var rehearsals = await _client.Json("/api/rehearsals");
        Assert.True(rehearsals.GetArrayLength() > 4);
        foreach (var r in rehearsals.EnumerateArray())
            Assert.All(
                r.GetProperty("slots").EnumerateArray(),
                s => Assert.True(Number(s, "starts") + Number(s, "minutes") <= Number(r, "minutes"))
            );
        var plan = (await _client.Json("/api/season")).GetProperty("plan");
        var last = plan.GetProperty("items").EnumerateArray().First(i => Text(i, "band") == "usual");
        var steps = (await _client.Json($"/api/passages/{Number(last, "passage")}")).GetProperty("steps").EnumerateArray().ToList();
        Assert.Equal(Text(last.GetProperty("sessions").EnumerateArray().Last(), "day"), Text(steps[^1], "due"));
    }

    // Nobody has anything to practice: that is said, and no empty plan is kept.
    [Fact]
    public async Task Without_passages_there_is_nothing_to_plan()
    {
        using var empty = new SchoolServer();
        using var client = empty.CreateClient();
        var job = await (await client.Send(HttpMethod.Post, "/api/season/draft")).Content.ReadFromJsonAsync<JsonElement>(Cancel);
        var ended = await Ended(client, job);
        Assert.Equal("failed", Text(ended, "state"));
        Assert.Contains("nothing to plan", Text(ended, "sentence"), StringComparison.Ordinal);
        Assert.Equal(JsonValueKind.Null, (await client.Json("/api/season")).GetProperty("plan").ValueKind);
    }

    private async Task<JsonElement> Draft()
    {
        var job = await (await _client.Send(HttpMethod.Post, "/api/season/draft")).Content.ReadFromJsonAsync<JsonElement>(Cancel);
        return await _client.Json(Text(await Ended(_client, job), "result"));
    }

    private static async Task<JsonElement> Ended(HttpClient client, JsonElement job)
    {
        for (var i = 0; i < 300 && Text(job, "state") is "waiting" or "running"; i++)
        {
            await Task.Delay(100, Cancel);
            job = await client.Json($"/api/jobs/{Text(job, "id")}");
        }

        return job;
    }

    private static string FreeDay(JsonElement plan, JsonElement item)
    {
        var taken = item.GetProperty("sessions").EnumerateArray().Select(s => Text(s, "day")).ToHashSet();
        return plan.GetProperty("days")
            .EnumerateArray()
            .Where(d => Number(d, "minutes") > 0)
            .Select(d => Text(d, "date"))
            .First(d => !taken.Contains(d));
    }

    private Task<JsonElement> Plan(object body) => Post("/api/plan", body);

    private async Task<JsonElement> Post(string url, object body)
    {
        var answer = await _client.Send(HttpMethod.Post, url, body);
        Assert.True(answer.IsSuccessStatusCode, answer.IsSuccessStatusCode ? "" : await answer.Sentence());
        return await answer.Content.ReadFromJsonAsync<JsonElement>(Cancel);
    }

    private static string Text(JsonElement e, string name) => e.GetProperty(name).GetString() ?? "";

    private static int Number(JsonElement e, string name) => e.GetProperty(name).GetInt32();
}
