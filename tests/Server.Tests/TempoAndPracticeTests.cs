using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using MellowStand.Core.Formats.MusicXml;

namespace MellowStand.Server.Tests;

/// <summary>Performance, window, ladder, variants and practice paths over the HTTP interface, on a real SQLite file.</summary>
public sealed class TempoAndPracticeTests : IDisposable
{
    private const string Two =
        "part \"Flute\"\nmeter:4/4 tempo:q=100 pickup | G4q | C5e D5 E5 F5 G5q g:A5e G5q(tr) | C5w~ | C5h E5h\n"
        + "part \"Oboe\"\n| E4q | C4q D4 E4 F4 | E4w | C4w";

    private readonly SchoolServer _server = new();
    private readonly SchoolServer _school = new() { WithSchool = true };
    private readonly HttpClient _client;

    public TempoAndPracticeTests() => _client = _server.CreateClient();

    public void Dispose()
    {
        _client.Dispose();
        _server.Dispose();
        _school.Dispose();
    }

    [Fact]
    public async Task A_performance_has_its_count_off_its_notes_and_its_tempi()
    {
        var id = await _client.Import(Asking.Music(Two));
        var played = await Perform(
            id,
            new
            {
                parts = new[] { "P1" },
                unit = "quarter",
                bpm = 60,
            }
        );
        Assert.Equal(3, played.GetProperty("startsAt").GetDouble());
        var clicks = played.GetProperty("clicks").EnumerateArray().ToList();
        Assert.Equal(3, clicks.Count(c => c.GetProperty("countOff").GetBoolean()));
        Assert.Equal(
            "1",
            clicks
                .First(c => c.GetProperty("accent").GetBoolean() && !c.GetProperty("countOff").GetBoolean())
                .GetProperty("measure")
                .GetString()
        );
        Assert.All(played.GetProperty("notes").EnumerateArray(), n => Assert.Equal("P1", n.GetProperty("part").GetString()));
        Assert.Equal(60, played.GetProperty("tempos")[0].GetProperty("quarterBpm").GetDouble());
        // The notes are those of the list of notes, by their ids.
        var ids = (await _client.Json($"/api/pieces/{id}/parts/P1/notes"))
            .EnumerateArray()
            .Select(n => n.GetProperty("id").GetString())
            .ToHashSet();
        Assert.All(played.GetProperty("notes").EnumerateArray(), n => Assert.Contains(n.GetProperty("id").GetString(), ids));
    }

    [Fact]
    public async Task Without_a_tempo_the_printed_one_is_played_and_without_parts_all()
    {
        var id = await _client.Import(Asking.Music(Two));
        var played = await Perform(id, new { from = "1", to = "1" });
        Assert.Equal(100, played.GetProperty("tempos")[0].GetProperty("quarterBpm").GetDouble());
        Assert.Equal(2, played.GetProperty("notes").EnumerateArray().Select(n => n.GetProperty("part").GetString()).Distinct().Count());
    }

    [Fact]
    public async Task What_makes_no_sense_is_refused_in_a_sentence()
    {
        (string Body, HttpStatusCode Status)[] asked =
        [
            ("""{"parts":["P9"]}""", HttpStatusCode.NotFound),
            ("""{"from":"99"}""", HttpStatusCode.NotFound),
            ("""{"from":"3","to":"1"}""", HttpStatusCode.BadRequest),
            ("""{"unit":"brevis"}""", HttpStatusCode.BadRequest),
            ("""{"bpm":0}""", HttpStatusCode.BadRequest),
            ("""{"bpm":1e9}""", HttpStatusCode.BadRequest),
            ("""{"repeats":"sometimes"}""", HttpStatusCode.BadRequest),
            ("""{"click":{"game":"chess"}}""", HttpStatusCode.BadRequest),
            ("""{"click":{"subdivision":9}}""", HttpStatusCode.BadRequest),
            ("""{"click":{"game":"silent-measures","on":0}}""", HttpStatusCode.BadRequest),
        ];
        var id = await _client.Import(Asking.Music(Two));
        foreach (var (body, status) in asked)
        {
            var json = JsonSerializer.Deserialize<JsonElement>(body);
            var answer = await _client.Send(HttpMethod.Post, $"/api/pieces/{id}/performance", json);
            Assert.True(answer.StatusCode == status, $"{body}: {answer.StatusCode}");
            Assert.NotEmpty(await answer.Sentence());
        }
    }

    [Fact]
    public async Task A_window_tells_both_ends_and_what_is_printed()
    {
        var id = await _client.Import(
            Asking.Music("part \"Flute\"\nmeter:4/4 tempo:q=100 | C5s D5 E5 F5 G5 F5 E5 D5 C5s D5 E5 F5 G5 F5 E5 D5 | C5q E5 G5 C6 | C5w")
        );
        var window = await _client.Json($"/api/pieces/{id}/tempo/window?part=P1&from=1&to=3");
        Assert.True(window.GetProperty("fastest").GetProperty("quarterBpm").GetDouble() > 100);
        Assert.Equal(100, window.GetProperty("printed").GetProperty("from").GetDouble());
        Assert.Equal(100, window.GetProperty("goal").GetProperty("bpm").GetDouble());
        Assert.NotEmpty(window.GetProperty("why").GetString()!);
        Assert.Equal(HttpStatusCode.NotFound, (await _client.GetAsync($"/api/pieces/{id}/tempo/window?player=987654")).StatusCode);
    }

    [Fact]
    public async Task What_a_player_was_heard_in_moves_their_window_and_their_start()
    {
        using var school = _school.CreateClient();
        var handed = (await school.Json("/api/passages")).EnumerateArray().First();
        var piece = handed.GetProperty("piece").GetInt64();
        var section = (await school.Json("/api/ensemble")).EnumerateArray().First(s => s.GetProperty("players").GetArrayLength() > 0);
        var player = section.GetProperty("players")[0].GetProperty("id").GetInt64();
        var part = handed.GetProperty("parts")[0].GetString();
        var (from, to) = (handed.GetProperty("from").GetString(), handed.GetProperty("to").GetString());
        var url = $"/api/pieces/{piece}/tempo/window?part={part}&from={from}&to={to}";
        var before = await school.Json($"{url}&player={player}");
        await school.Send(
            HttpMethod.Post,
            "/api/log",
            new
            {
                passage = handed.GetProperty("id").GetInt64(),
                player,
                unit = "quarter",
                bpm = 84.5,
            }
        );
        var after = await school.Json($"{url}&player={player}");
        Assert.NotEqual(before.ToString(), after.ToString());
        Assert.Equal(84, after.GetProperty("start").GetProperty("bpm").GetDouble());
    }

    [Fact]
    public async Task A_ladder_goes_two_up_and_one_back_and_past_the_goal()
    {
        var ask = new
        {
            start = new { unit = "quarter", bpm = 60 },
            goal = new { unit = "quarter", bpm = 90 },
            by = "step",
            value = 10,
            days = 5,
            way = "two-up-one-back",
            past = 10,
        };
        var ladder = await (await _client.Send(HttpMethod.Post, "/api/tempo/ladder", ask)).Content.ReadFromJsonAsync<JsonElement>(
            TestContext.Current.CancellationToken
        );
        Assert.Equal(
            [60, 70, 80, 70, 80, 90, 99, 90],
            ladder.GetProperty("steps").EnumerateArray().Select(s => s.GetProperty("bpm").GetDouble())
        );
        Assert.Contains("in a row", ladder.GetProperty("moveOn").GetString(), StringComparison.Ordinal);
        var refused = await _client.Send(
            HttpMethod.Post,
            "/api/tempo/ladder",
            new
            {
                ask.start,
                ask.goal,
                by = "step",
                value = 5,
                way = "zigzag",
            }
        );
        Assert.Equal(HttpStatusCode.BadRequest, refused.StatusCode);
    }

    [Fact]
    public async Task Every_variant_that_is_offered_can_be_kept_as_a_piece_without_a_warning_and_be_played()
    {
        var id = await _client.Import(Asking.Music(Two));
        var offers = (await _client.Json($"/api/pieces/{id}/variants?part=P1&from=1&to=3")).EnumerateArray().ToList();
        Assert.Contains(offers, o => o.GetProperty("recipe").GetString() == "skeleton");
        foreach (var recipe in offers.Select(o => o.GetProperty("recipe").GetString()))
        {
            var bytes = await _client.GetByteArrayAsync(
                $"/api/pieces/{id}/variants/{recipe}.musicxml?part=P1&from=1&to=3",
                TestContext.Current.CancellationToken
            );
            var response = await _client.PostAsync("/api/pieces", Asking.File(bytes, "v.musicxml"), TestContext.Current.CancellationToken);
            Assert.Equal(HttpStatusCode.Created, response.StatusCode);
            var piece = await response.Content.ReadFromJsonAsync<JsonElement>(TestContext.Current.CancellationToken);
            Assert.Empty(piece.GetProperty("warnings").EnumerateArray());
            var played = await _client.Send(
                HttpMethod.Post,
                $"/api/pieces/{id}/variants/{recipe}/performance?part=P1&from=1&to=3",
                new { bpm = 60 }
            );
            Assert.Equal(HttpStatusCode.OK, played.StatusCode);
        }
    }

    [Fact]
    public async Task A_recipe_that_is_unknown_or_changes_nothing_is_refused()
    {
        var id = await _client.Import(Asking.Music("part \"Flute\"\nmeter:4/4 | C5w | C5w"));
        foreach (var recipe in new[] { "juggling", "octave-smaller" })
        {
            var answer = await _client.GetAsync(
                $"/api/pieces/{id}/variants/{recipe}.musicxml?part=P1",
                TestContext.Current.CancellationToken
            );
            Assert.Equal(HttpStatusCode.NotFound, answer.StatusCode);
            Assert.NotEmpty(await answer.Sentence());
        }
    }

    [Fact]
    public async Task A_path_is_the_houses_until_a_director_changes_it_and_two_do_not_overwrite_each_other()
    {
        using var school = _school.CreateClient();
        var passage = (await school.Json("/api/passages")).EnumerateArray().First().GetProperty("id").GetInt64();
        var url = $"/api/passages/{passage}/path";
        var path = await school.Json(url);
        Assert.False(path.GetProperty("isOwn").GetBoolean());
        var steps = path.GetProperty("steps").GetArrayLength();
        var offer = path.GetProperty("offers")[0].GetProperty("recipe").GetString()!;
        var version = path.GetProperty("version").GetInt32();
        var mine = Enumerable.Range(0, steps).Select(i => i == 0 ? [offer] : Array.Empty<string>()).ToArray();
        Assert.Equal(HttpStatusCode.OK, (await school.Send(HttpMethod.Put, url, new { steps = mine, version })).StatusCode);
        Assert.Equal(HttpStatusCode.Conflict, (await school.Send(HttpMethod.Put, url, new { steps = mine, version })).StatusCode);
        using var again = _school.Again();
        using var client = again.CreateClient();
        var kept = await client.Json(url);
        Assert.True(kept.GetProperty("isOwn").GetBoolean());
        Assert.Equal(offer, kept.GetProperty("steps")[0].GetProperty("recipes")[0].GetProperty("recipe").GetString());
        var sheet = await client.Json($"/api/passages/{passage}/sheet");
        Assert.Equal(steps, sheet.GetProperty("path").GetArrayLength());
        Assert.Equal(offer, sheet.GetProperty("path")[0].GetProperty("recipes")[0].GetProperty("recipe").GetString());
        var back = await client.Send(HttpMethod.Put, url, new { steps = (object?)null, version = kept.GetProperty("version").GetInt32() });
        Assert.Equal(HttpStatusCode.OK, back.StatusCode);
        Assert.False((await client.Json(url)).GetProperty("isOwn").GetBoolean());
    }

    [Fact]
    public async Task A_path_that_makes_no_sense_is_refused()
    {
        string[] asked =
        [
            """{"steps":[["skeleton"]],"version":0}""", // not as many steps as the ladder
            """{"steps":[[null]],"version":0}""",
            """{"steps":[null],"version":0}""",
            """{"steps":null}""", // no version
        ];
        using var school = _school.CreateClient();
        var passage = (await school.Json("/api/passages")).EnumerateArray().First().GetProperty("id").GetInt64();
        foreach (var body in asked)
        {
            var json = JsonSerializer.Deserialize<JsonElement>(body);
            var answer = await school.Send(HttpMethod.Put, $"/api/passages/{passage}/path", json);
            Assert.True((int)answer.StatusCode is >= 400 and < 500, body);
            Assert.NotEmpty(await answer.Sentence());
        }
    }

    // Music and click of the same answers begin together and end together.
    [Fact]
    public async Task Midi_files_are_the_performance_written_down()
    {
        var id = await _client.Import(Asking.Music("part \"Flute\"\nmeter:2/4 tempo:q=60 | {: C5h :} | D5h"));
        var music = await _client.GetByteArrayAsync($"/api/pieces/{id}/export.mid?countOff=true", TestContext.Current.CancellationToken);
        var click = await _client.GetByteArrayAsync($"/api/pieces/{id}/click.mid", TestContext.Current.CancellationToken);
        Assert.Equal(2, Count(music, [0x90, 0x48]));
        Assert.Equal(8, Count(click, [0x99, 76]) + Count(click, [0x99, 77])); // two to count off, three measures of two
    }

    private static int Count(byte[] bytes, byte[] wanted) =>
        Enumerable.Range(0, bytes.Length - wanted.Length + 1).Count(i => bytes.AsSpan(i, wanted.Length).SequenceEqual(wanted));

    private async Task<JsonElement> Perform(long id, object body)
    {
        var answer = await _client.Send(HttpMethod.Post, $"/api/pieces/{id}/performance", body);
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        return await answer.Content.ReadFromJsonAsync<JsonElement>(TestContext.Current.CancellationToken);
    }
}
