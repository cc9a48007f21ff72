using System.Globalization;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json;

namespace MellowStand.Server.Tests;

/// <summary>The log, forecasts, sections, remarks and tests over the HTTP interface.</summary>
public sealed class HearingTests(OneSchool school) : IClassFixture<OneSchool>
{
    private static readonly CancellationToken Cancel = TestContext.Current.CancellationToken;

    private readonly HttpClient _client = school.Client;

    [Fact]
    public async Task A_forecast_is_made_from_numbers_alone_and_failed_tries_count()
    {
        object Body(bool clean) =>
            new
            {
                entries = new object[]
                {
                    new { day = "2031-03-03", quarterBpm = 70 },
                    new
                    {
                        day = "2031-03-10",
                        quarterBpm = 78,
                        clean = true,
                    },
                    new { day = "2031-03-17", quarterBpm = 85 },
                    new
                    {
                        day = "2031-03-18",
                        quarterBpm = 88,
                        clean,
                    },
                },
                goal = 100,
                due = "2031-03-31",
            };
        var (clean, missed) = (await Post("/api/forecast", Body(true)), await Post("/api/forecast", Body(false)));
        Assert.Equal(4, missed.GetProperty("entries").GetInt32());
        Assert.True(missed.GetProperty("chance").GetDouble() < clean.GetProperty("chance").GetDouble());
        Assert.True(clean.GetProperty("low").GetDouble() < clean.GetProperty("high").GetDouble());
        var none = await Post(
            "/api/forecast",
            new
            {
                entries = Array.Empty<object>(),
                goal = 100,
                due = "2031-03-31",
            }
        );
        Assert.Equal(("cannot-tell", JsonValueKind.Null), (Text(none, "readiness"), none.GetProperty("chance").ValueKind));
    }

    [Theory]
    [InlineData("""{"entries":[{"day":"2031-03-03","quarterBpm":0}],"goal":100,"due":"2031-03-31"}""")]
    [InlineData("""{"entries":[],"goal":-4,"due":"2031-03-31"}""")]
    [InlineData("""{"entries":[null],"goal":100,"due":"2031-03-31"}""")]
    public async Task A_forecast_of_nonsense_is_refused(string body)
    {
        using var content = new StringContent(body, System.Text.Encoding.UTF8, "application/json");
        Assert.Equal(
            HttpStatusCode.BadRequest,
            (await _client.PostAsync(new Uri("/api/forecast", UriKind.Relative), content, Cancel)).StatusCode
        );
    }

    [Fact]
    public async Task An_entry_is_asked_back_corrected_and_taken_back()
    {
        var (passage, player) = await Somebody();
        var odd = await Post("/api/log/questions", Entry(passage, player, 400));
        Assert.Contains("against a goal of", odd[0].GetString(), StringComparison.Ordinal);
        var made = await Post("/api/log", Entry(passage, player, 70, clean: false));
        Assert.False(made.GetProperty("clean").GetBoolean());
        var again = await Post("/api/log/questions", Entry(passage, player, 70, clean: false));
        Assert.Contains(again.EnumerateArray(), q => q.GetString()!.Contains("just so already", StringComparison.Ordinal));

        var url = $"/api/log/{made.GetProperty("id").GetInt64()}";
        var version = made.GetProperty("version").GetInt32();
        var edit = new
        {
            passage,
            player,
            unit = "quarter",
            bpm = 71,
            note = "tongue lighter",
            clean = true,
            version,
        };
        var put = await _client.Send(HttpMethod.Put, url, edit);
        var now = await put.Content.ReadFromJsonAsync<JsonElement>(Cancel);
        Assert.Equal(
            (71.0, true, "tongue lighter"),
            (now.GetProperty("bpm").GetDouble(), now.GetProperty("clean").GetBoolean(), Text(now, "note"))
        );
        Assert.Equal(HttpStatusCode.Conflict, (await _client.Send(HttpMethod.Put, url, edit)).StatusCode);
        Assert.Equal(HttpStatusCode.NoContent, (await _client.Send(HttpMethod.Delete, url)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await _client.Send(HttpMethod.Put, url, edit)).StatusCode);
    }

    [Fact]
    public async Task Who_does_not_have_the_passage_is_asked_back()
    {
        var (passage, _) = await Somebody();
        var has = (await _client.Json($"/api/passages/{passage}/readiness"))
            .EnumerateArray()
            .Select(r => r.GetProperty("player").GetInt64())
            .ToHashSet();
        var other = (await _client.Json("/api/ensemble"))
            .EnumerateArray()
            .SelectMany(s => s.GetProperty("players").EnumerateArray())
            .Select(p => p.GetProperty("id").GetInt64())
            .First(p => !has.Contains(p));
        var asked = await Post("/api/log/questions", Entry(passage, other, 70));
        Assert.Contains(asked.EnumerateArray(), q => q.GetString()!.Contains("does not have this passage", StringComparison.Ordinal));
    }

    [Fact]
    public async Task Sections_passages_and_what_gives_agree()
    {
        var whole = await _client.Json("/api/pieces/1/readiness");
        foreach (var p in whole.EnumerateArray())
        {
            var alone = await _client.Json($"/api/passages/{p.GetProperty("passage").GetProperty("id").GetInt64()}/readiness");
            Assert.Equal(alone.GetRawText(), p.GetProperty("players").GetRawText());
            Assert.Equal(
                p.GetProperty("players").GetArrayLength(),
                p.GetProperty("sections").EnumerateArray().Sum(s => s.GetProperty("players").GetInt32())
            );
        }

        var first = whole[0];
        var late = first.GetProperty("sections").EnumerateArray().First(s => s.GetProperty("chance").ValueKind == JsonValueKind.Number);
        var (passage, section) = (first.GetProperty("passage").GetProperty("id").GetInt64(), late.GetProperty("section").GetInt64());
        var url = $"/api/passages/{passage}/gives?section={section}";
        var gives = (await _client.Json(url)).EnumerateArray().Select(g => Text(g, "what")).ToList();
        Assert.Equal(late.GetProperty("chance").GetDouble() < 0.8, gives.Count > 0);
    }

    [Fact]
    public async Task A_fan_ends_on_the_date_and_nobody_else_s_is_given()
    {
        var (passage, player) = await Somebody();
        var fan = await _client.Json($"/api/passages/{passage}/players/{player}/fan");
        var days = fan.GetProperty("fan").EnumerateArray().ToList();
        Assert.Equal(Text(await _client.Json($"/api/passages/{passage}"), "due"), Text(days[^1], "day"));
        Assert.All(days, d => Assert.True(d.GetProperty("low").GetDouble() <= d.GetProperty("high").GetDouble()));
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await _client.GetAsync(new Uri($"/api/passages/{passage}/players/99999/fan", UriKind.Relative), Cancel)).StatusCode
        );
    }

    [Fact]
    public async Task A_remark_for_many_is_written_once_and_reaches_each()
    {
        var (passage, player) = await Somebody();
        var made = await Post($"/api/passages/{passage}/remarks", new { words = "Lighter on the upbeat." });
        Assert.True(made.GetProperty("players").GetArrayLength() > 3);
        Assert.Contains(
            "Lighter on the upbeat.",
            (await _client.Json($"/api/ensemble/players/{player}/record")).GetRawText(),
            StringComparison.Ordinal
        );
        var url = $"/api/remarks/{made.GetProperty("id").GetInt64()}";
        Assert.Equal(HttpStatusCode.NoContent, (await _client.Send(HttpMethod.Delete, url)).StatusCode);
        Assert.DoesNotContain(
            "Lighter on",
            (await _client.Json($"/api/ensemble/players/{player}/record")).GetRawText(),
            StringComparison.Ordinal
        );
        var empty = await _client.Send(HttpMethod.Post, $"/api/passages/{passage}/remarks", new { words = " " });
        Assert.Equal(HttpStatusCode.BadRequest, empty.StatusCode);
    }

    [Fact]
    public async Task A_test_is_held_marked_and_given_out_as_a_table()
    {
        var (passage, player) = await Somebody();
        var weights = new[] { new { name = "notes", weight = 2 }, new { name = "tone", weight = 1 } };
        var test = await Post(
            "/api/tests",
            new
            {
                passage,
                title = "=Scale test",
                weights,
            }
        );
        var url = $"/api/tests/{test.GetProperty("id").GetInt64()}";
        var mark = new
        {
            marks = new { notes = 4, tone = 5 },
            note = "well begun",
            version = 0,
        };
        var marked = await (await _client.Send(HttpMethod.Put, $"{url}/marks/{player}", mark)).Content.ReadFromJsonAsync<JsonElement>(
            Cancel
        );
        var own = marked.GetProperty("players").EnumerateArray().Single(p => p.GetProperty("player").GetInt64() == player);
        Assert.Equal(86.7, own.GetProperty("percent").GetDouble());
        Assert.Equal("right notes", own.GetProperty("weakest")[0].GetString());
        Assert.Equal(HttpStatusCode.Conflict, (await _client.Send(HttpMethod.Put, $"{url}/marks/{player}", mark)).StatusCode);
        var table = await _client.GetStringAsync(new Uri(url + "/results.csv", UriKind.Relative), Cancel);
        Assert.Contains("right notes (2)", table, StringComparison.Ordinal);
        Assert.Contains("86.7", table, StringComparison.Ordinal);
        Assert.Contains("86.7", (await _client.Json($"/api/ensemble/players/{player}/record")).GetRawText(), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.NoContent, (await _client.Send(HttpMethod.Delete, url)).StatusCode);
        Assert.Equal(HttpStatusCode.NoContent, (await _client.Send(HttpMethod.Post, url + "/restore")).StatusCode);
        await _client.Send(HttpMethod.Delete, url);
    }

    [Theory]
    [InlineData("""{"marks":{"notes":6},"version":0}""", "0 to 5")]
    [InlineData("""{"marks":{"charm":3},"version":0}""", "does not listen for")]
    public async Task Marks_that_make_no_sense_are_refused_in_words(string body, string words)
    {
        var (passage, player) = await Somebody();
        var test = await Post("/api/tests", new { passage });
        using var content = new StringContent(body, System.Text.Encoding.UTF8, "application/json");
        var url = new Uri($"/api/tests/{test.GetProperty("id").GetInt64()}/marks/{player}", UriKind.Relative);
        Assert.Contains(words, await (await _client.PutAsync(url, content, Cancel)).Sentence(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_school_s_own_weights_are_those_of_its_next_test()
    {
        var before = (await _client.Json("/api/test-criteria"))
            .EnumerateArray()
            .Select(c => new { name = Text(c, "name"), weight = c.GetProperty("weight").GetInt32() })
            .ToList();
        await _client.Send(HttpMethod.Put, "/api/test-criteria", new[] { new { name = "style", weight = 7 } });
        var (passage, _) = await Somebody();
        var test = await Post("/api/tests", new { passage });
        Assert.Equal(
            7,
            test.GetProperty("criteria").EnumerateArray().Single(c => Text(c, "name") == "style").GetProperty("weight").GetInt32()
        );
        await _client.Send(HttpMethod.Put, "/api/test-criteria", before);
    }

    // Who has left keeps their history, with their name.
    [Fact]
    public async Task The_name_of_a_player_who_has_left_stays_in_the_log()
    {
        var player = (await _client.Json("/api/log"))[0];
        var (id, name) = (player.GetProperty("player").GetInt64(), Text(player, "playerName"));
        await _client.Send(HttpMethod.Post, "/api/ensemble/leave", new { players = new[] { id }, sections = Array.Empty<long>() });
        Assert.Contains(name, (await _client.Json("/api/log")).GetRawText(), StringComparison.Ordinal);
        await _client.Send(HttpMethod.Post, "/api/ensemble/return", new { players = new[] { id }, sections = Array.Empty<long>() });
    }

    private static object Entry(long passage, long player, double bpm, bool clean = true) =>
        new
        {
            passage,
            player,
            unit = "quarter",
            bpm,
            clean,
            heard = TestDay.In(0),
        };

    private async Task<(long Passage, long Player)> Somebody()
    {
        var readiness = (await _client.Json("/api/pieces/1/readiness"))[0];
        return (
            readiness.GetProperty("passage").GetProperty("id").GetInt64(),
            readiness.GetProperty("players")[0].GetProperty("player").GetInt64()
        );
    }

    private async Task<JsonElement> Post(string url, object body)
    {
        var answer = await _client.Send(HttpMethod.Post, url, body);
        Assert.True(answer.IsSuccessStatusCode, answer.IsSuccessStatusCode ? "" : await answer.Sentence());
        return await answer.Content.ReadFromJsonAsync<JsonElement>(Cancel);
    }

    private static string Text(JsonElement e, string name) => e.GetProperty(name).GetString() ?? "";
}
