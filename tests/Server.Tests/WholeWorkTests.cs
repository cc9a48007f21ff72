using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using System.Xml.Linq;

namespace MellowStand.Server.Tests;

/// <summary>The director's work once through the HTTP interface.</summary>
public sealed class WholeWorkTests : IDisposable
{
    private const string Duo =
        "title: Two Voices\npart \"Flute\"\nkey:F meter:4/4 tempo:q=96 | !mf C5q(.) D5q(.) E5q F5q | Bn5q G5q Bn5q A5q\npart "
        + "\"Oboe\"\nkey:F meter:4/4 | C5q D5q E5q F5q | Bn5q[ G5q] Bn5q A5q";

    private readonly SchoolServer _server = new();
    private readonly HttpClient _client;

    public WholeWorkTests() => _client = _server.CreateClient();

    public void Dispose()
    {
        _client.Dispose();
        _server.Dispose();
    }

    [Fact]
    public async Task Import_answers_with_measures_and_parts()
    {
        var response = await _client.PostAsync(
            "/api/pieces",
            Asking.File(Asking.Music(Duo), "duo.musicxml"),
            TestContext.Current.CancellationToken
        );
        Assert.Equal(HttpStatusCode.Created, response.StatusCode);
        var piece = await response.Content.ReadFromJsonAsync<JsonElement>(TestContext.Current.CancellationToken);
        Assert.Equal("Two Voices", piece.GetProperty("title").GetString());
        Assert.Equal(["1", "2"], piece.GetProperty("measures").EnumerateArray().Select(m => m.GetString()));
        Assert.Equal(["Flute", "Oboe"], piece.GetProperty("parts").EnumerateArray().Select(p => p.GetProperty("instrument").GetString()));
        Assert.Equal(1, (await _client.Json("/api/pieces")).GetArrayLength());
    }

    [Fact]
    public async Task Notes_and_order_are_those_of_the_score()
    {
        var id = await _client.Import(
            Asking.Music("part \"Clarinet\" transpose:-1,-2\nkey:D | {: D5q~ D5e E5e F#5h | ending:1 G5w :} end:1 | ending:2 A5w end:2")
        );
        var notes = (await _client.Json($"/api/pieces/{id}/parts/P1/notes")).EnumerateArray().ToList();
        Assert.Equal(["3/2", "1/2", "2", "4", "4"], notes.Select(n => n.GetProperty("duration").GetString()));
        Assert.Equal(["0", "3/2", "2", "4", "8"], notes.Select(n => n.GetProperty("onset").GetString()));
        Assert.Equal(72, notes[0].GetProperty("midi")[0].GetInt32());
        Assert.Equal("D5", notes[0].GetProperty("written").GetString());
        Assert.Equal(["1", "2", "1", "3"], (await _client.Json($"/api/pieces/{id}/order")).EnumerateArray().Select(l => l.GetString()));
    }

    [Fact]
    public async Task Study_answers_for_a_part_and_a_range()
    {
        var id = await _client.Import(Asking.Music(Duo));
        var all = await _client.Json($"/api/pieces/{id}/study");
        Assert.Contains(all.EnumerateArray(), f => f.GetProperty("rule").GetString() == "carried-accidental");
        Assert.Contains(
            all.EnumerateArray(),
            f => f.GetProperty("rule").GetString() == "no-dynamics" && f.GetProperty("parts")[0].GetString() == "P2"
        );
        var second = await _client.Json($"/api/pieces/{id}/study?part=P1&from=2&to=2");
        Assert.All(second.EnumerateArray(), f => Assert.Equal("2", f.GetProperty("from").GetString()));
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await _client.GetAsync($"/api/pieces/{id}/study?part=P7", TestContext.Current.CancellationToken)).StatusCode
        );
        Assert.Equal(
            HttpStatusCode.BadRequest,
            (await _client.GetAsync($"/api/pieces/{id}/study?from=2&to=1", TestContext.Current.CancellationToken)).StatusCode
        );
    }

    [Fact]
    public async Task A_dismissed_finding_stays_quiet_and_can_be_brought_back()
    {
        var id = await _client.Import(Asking.Music(Duo));
        var finding = (await _client.Json($"/api/pieces/{id}/study"))[0].GetProperty("id").GetString();
        var count = (await _client.Json($"/api/pieces/{id}/study")).GetArrayLength();
        await _client.Send(HttpMethod.Put, $"/api/pieces/{id}/study/{finding}/dismissal");
        Assert.Equal(count - 1, (await _client.Json($"/api/pieces/{id}/study")).GetArrayLength());
        await _client.Send(HttpMethod.Delete, $"/api/pieces/{id}/study/{finding}/dismissal");
        Assert.Equal(count, (await _client.Json($"/api/pieces/{id}/study")).GetArrayLength());
    }

    [Fact]
    public async Task Accepting_writes_into_every_part_of_the_line_and_undo_takes_it_back()
    {
        var id = await _client.Import(Asking.Music(Duo));
        var differences = await _client.Json($"/api/pieces/{id}/unify");
        Assert.Equal(
            ["articulation", "dynamic", "slur"],
            differences.EnumerateArray().Select(d => d.GetProperty("kind").GetString()).Order()
        );
        var staccato = differences.EnumerateArray().First(d => d.GetProperty("kind").GetString() == "articulation");
        var made = await _client.Send(
            HttpMethod.Post,
            $"/api/pieces/{id}/decisions",
            new { difference = staccato.GetProperty("id").GetString() }
        );
        Assert.Equal(HttpStatusCode.Created, made.StatusCode);
        var decision = await made.Content.ReadFromJsonAsync<JsonElement>(TestContext.Current.CancellationToken);
        Assert.Equal("P2", decision.GetProperty("changes")[0].GetProperty("part").GetString());
        Assert.Equal("staccato", decision.GetProperty("changes")[0].GetProperty("added")[0].GetString());
        Assert.Equal(2, Staccatos(await Export(id, "?part=P2")));
        Assert.Equal("accepted", await State(id, staccato));
        await _client.Send(HttpMethod.Delete, $"/api/pieces/{id}/decisions/{decision.GetProperty("id").GetInt64()}");
        Assert.Equal(0, Staccatos(await Export(id, "?part=P2")));
        Assert.Equal("open", await State(id, staccato));
    }

    [Fact]
    public async Task Another_reading_a_kept_difference_and_a_free_mark()
    {
        var id = await _client.Import(Asking.Music(Duo));
        var differences = (await _client.Json($"/api/pieces/{id}/unify")).EnumerateArray().ToList();
        var staccato = differences.First(d => d.GetProperty("kind").GetString() == "articulation");
        var slur = differences.First(d => d.GetProperty("kind").GetString() == "slur");
        await _client.Send(
            HttpMethod.Post,
            $"/api/pieces/{id}/decisions",
            new { difference = staccato.GetProperty("id").GetString(), reading = "P2" }
        );
        await _client.Send(
            HttpMethod.Post,
            $"/api/pieces/{id}/decisions",
            new
            {
                difference = slur.GetProperty("id").GetString(),
                keep = true,
                why = "phrase and bow",
            }
        );
        Assert.Equal(("other", "kept"), (await State(id, staccato), await State(id, slur)));
        Assert.Equal(0, Staccatos(await Export(id, "")));
        var free = await _client.Send(
            HttpMethod.Post,
            $"/api/pieces/{id}/decisions",
            new
            {
                part = "P1",
                notes = new[] { "P1-n4" },
                add = new[] { "fingering:1", "accent" },
                why = "by hand",
            }
        );
        Assert.Equal(HttpStatusCode.Created, free.StatusCode);
        var xml = XDocument.Parse(await Export(id, ""));
        var note = xml.Descendants("part").First().Descendants("note").ElementAt(3);
        Assert.Equal("1", note.Descendants("fingering").Single().Value);
        Assert.Single(note.Descendants("accent"));
    }

    [Fact]
    public async Task Two_people_deciding_at_once_lose_nothing()
    {
        var id = await _client.Import(Asking.Music(Duo));
        var difference = (await _client.Json($"/api/pieces/{id}/unify"))[0].GetProperty("id").GetString();
        var both = await Task.WhenAll(
            Enumerable.Range(0, 2).Select(_ => _client.Send(HttpMethod.Post, $"/api/pieces/{id}/decisions", new { difference }))
        );
        Assert.Equal([HttpStatusCode.Created, HttpStatusCode.Conflict], both.Select(r => r.StatusCode).Order());
        Assert.Contains(
            "settled already",
            await both.Single(r => r.StatusCode == HttpStatusCode.Conflict).Sentence(),
            StringComparison.Ordinal
        );
        Assert.Equal(1, (await _client.Json($"/api/pieces/{id}/decisions")).GetArrayLength());
    }

    [Theory]
    [InlineData("{\"part\":\"P1\",\"notes\":[\"P1-n1\"],\"add\":[\"no-such-mark\"]}")]
    [InlineData("{\"part\":\"P1\",\"notes\":[\"P1-n99\"],\"add\":[\"accent\"]}")]
    [InlineData("{\"part\":\"P1\",\"notes\":[\"P1-n1\"]}")]
    [InlineData("{\"part\":\"P1\",\"notes\":[],\"add\":[\"accent\"]}")]
    [InlineData("{\"part\":\"P1\",\"notes\":[\"P1-n1\"],\"add\":[\"fingering\"]}")]
    [InlineData("{\"difference\":\"nothing\"}")]
    [InlineData("{}")]
    [InlineData("[1,2")]
    [InlineData("{\"part\":5}")]
    public async Task A_decision_that_makes_no_sense_is_refused_in_words(string body)
    {
        var id = await _client.Import(Asking.Music(Duo));
        var response = await _client.PostAsync(
            $"/api/pieces/{id}/decisions",
            new StringContent(body, System.Text.Encoding.UTF8, "application/json"),
            TestContext.Current.CancellationToken
        );
        Assert.InRange((int)response.StatusCode, 400, 499);
        await response.Sentence();
        Assert.Equal(0, (await _client.Json($"/api/pieces/{id}/decisions")).GetArrayLength());
    }

    [Fact]
    public async Task Original_gives_the_imported_bytes_even_after_decisions()
    {
        var bytes = Asking.Music(Duo);
        var id = await _client.Import(bytes);
        await _client.Send(
            HttpMethod.Post,
            $"/api/pieces/{id}/decisions",
            new
            {
                part = "P1",
                notes = new[] { "P1-n1" },
                add = new[] { "accent" },
            }
        );
        Assert.Equal(
            bytes,
            await _client.GetByteArrayAsync($"/api/pieces/{id}/export.musicxml?original=true", TestContext.Current.CancellationToken)
        );
    }

    [Fact]
    public async Task A_removed_piece_can_be_put_back()
    {
        var id = await _client.Import(Asking.Music(Duo));
        await _client.Send(HttpMethod.Delete, $"/api/pieces/{id}");
        Assert.Equal(0, (await _client.Json("/api/pieces")).GetArrayLength());
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await _client.GetAsync($"/api/pieces/{id}", TestContext.Current.CancellationToken)).StatusCode
        );
        await _client.Send(HttpMethod.Post, $"/api/pieces/{id}/restore");
        Assert.Equal(1, (await _client.Json("/api/pieces")).GetArrayLength());
    }

    [Fact]
    public async Task A_passage_is_handed_out_heard_and_forecast()
    {
        var id = await _client.Import(Asking.Music(Duo));
        var section = (
            await (
                await _client.Send(HttpMethod.Post, "/api/ensemble/sections", new { name = "Flutes" })
            ).Content.ReadFromJsonAsync<JsonElement>(TestContext.Current.CancellationToken)
        )[0]
            .GetProperty("id")
            .GetInt64();
        var player = (
            await (
                await _client.Send(
                    HttpMethod.Post,
                    "/api/ensemble/players",
                    new
                    {
                        section,
                        name = "Wren Abiola",
                        instrument = "flute",
                        chair = 1,
                    }
                )
            ).Content.ReadFromJsonAsync<JsonElement>(TestContext.Current.CancellationToken)
        ).GetProperty("id").GetInt64();
        var today = TestDay.Today;
        var handed = await _client.Send(
            HttpMethod.Post,
            $"/api/pieces/{id}/passages",
            new
            {
                parts = new[] { "P1" },
                from = "1",
                to = "2",
                start = new { unit = "quarter", bpm = 60 },
                goal = new { unit = "quarter", bpm = 96 },
                by = "step",
                value = 6,
                due = today.AddDays(20).ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture),
                sections = new[] { section },
            }
        );
        Assert.Equal(HttpStatusCode.Created, handed.StatusCode);
        var passage = (await handed.Content.ReadFromJsonAsync<JsonElement>(TestContext.Current.CancellationToken))
            .GetProperty("id")
            .GetInt64();
        var sheet = await _client.Json($"/api/passages/{passage}/sheet");
        Assert.Equal("4 beats", sheet.GetProperty("countOff").GetString());
        Assert.Equal(7, sheet.GetProperty("passage").GetProperty("steps").GetArrayLength());
        Assert.Contains(sheet.GetProperty("notes").EnumerateArray(), n => n.GetProperty("rule").GetString() == "carried-accidental");
        Assert.Equal("cannot-tell", (await _client.Json($"/api/passages/{passage}/readiness"))[0].GetProperty("state").GetString());
        for (var k = 0; k < 3; k++)
            await _client.Send(
                HttpMethod.Post,
                "/api/log",
                new
                {
                    passage,
                    player,
                    unit = "quarter",
                    bpm = 60 + (10 * k),
                    heard = today.AddDays(-8 + (4 * k)).ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture),
                }
            );
        var ready = (await _client.Json($"/api/passages/{passage}/readiness"))[0];
        Assert.Equal(("early", 3), (ready.GetProperty("state").GetString(), ready.GetProperty("entries").GetInt32()));
        Assert.Equal(3, (await _client.Json("/api/log")).GetArrayLength());
    }

    [Fact]
    public async Task The_house_rule_on_slurs_changes_the_proposal()
    {
        var id = await _client.Import(Asking.Music("part \"Flute\"\n| C5q[ D5q] E5q F5q\npart \"Oboe\"\n| C5q[ D5q E5q F5q]"));
        Assert.Equal("longer-slur", await Rule(id));
        Assert.Equal(
            HttpStatusCode.OK,
            (await _client.Send(HttpMethod.Put, "/api/house-rules/two-slurs", new { choice = "shorter" })).StatusCode
        );
        Assert.Equal("shorter-slur", await Rule(id));
        Assert.Equal(
            HttpStatusCode.BadRequest,
            (await _client.Send(HttpMethod.Put, "/api/house-rules/two-slurs", new { choice = "none" })).StatusCode
        );
    }

    [Theory]
    [InlineData(
        "{\"start\":{\"unit\":\"eighth\",\"bpm\":66},\"goal\":{\"unit\":\"quarter\",\"bpm\":100},\"by\":\"step\",\"value\":6,\"days\":10}",
        HttpStatusCode.OK
    )]
    [InlineData(
        "{\"start\":{\"unit\":\"quarter\",\"bpm\":100},\"goal\":{\"unit\":\"quarter\",\"bpm\":60},\"by\":\"step\",\"value\":6,\"days\":10}",
        HttpStatusCode.BadRequest
    )]
    [InlineData(
        "{\"start\":{\"unit\":\"crotchet\",\"bpm\":60},\"goal\":{\"unit\":\"quarter\",\"bpm\":60},\"by\":\"step\",\"value\":6,\"days\":10}",
        HttpStatusCode.BadRequest
    )]
    [InlineData(
        "{\"start\":{\"unit\":\"quarter\",\"bpm\":60},\"goal\":{\"unit\":\"quarter\",\"bpm\":90},\"by\":\"magic\",\"value\":6,\"days\":10}",
        HttpStatusCode.BadRequest
    )]
    [InlineData(
        "{\"start\":{\"unit\":\"quarter\",\"bpm\":\"60\"},"
            + "\"goal\":{\"unit\":\"quarter\",\"bpm\":90},\"by\":\"step\",\"value\":6,\"days\":10}",
        HttpStatusCode.BadRequest
    )]
    [InlineData("{\"by\":\"step\",\"value\":6,\"days\":10}", HttpStatusCode.BadRequest)]
    [InlineData("{}", HttpStatusCode.BadRequest)]
    public async Task The_ladder_climbs_or_says_why_not(string body, HttpStatusCode expected)
    {
        var response = await _client.PostAsync(
            "/api/tempo/ladder",
            new StringContent(body, System.Text.Encoding.UTF8, "application/json"),
            TestContext.Current.CancellationToken
        );
        Assert.Equal(expected, response.StatusCode);
        if (expected != HttpStatusCode.OK)
            await response.Sentence();
    }

    private async Task<string?> Rule(long id) =>
        (await _client.Json($"/api/pieces/{id}/unify"))[0].GetProperty("proposal").GetProperty("rule").GetString();

    private async Task<string?> State(long id, JsonElement difference) =>
        (await _client.Json($"/api/pieces/{id}/unify"))
            .EnumerateArray()
            .Single(d => d.GetProperty("id").GetString() == difference.GetProperty("id").GetString())
            .GetProperty("state")
            .GetString();

    private Task<string> Export(long id, string query) =>
        _client.GetStringAsync($"/api/pieces/{id}/export.musicxml{query}", TestContext.Current.CancellationToken);

    private static int Staccatos(string xml) => XDocument.Parse(xml).Descendants("staccato").Count();
}
