using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using System.Xml.Linq;
using FsCheck.Xunit;

namespace MellowStand.Server.Tests;

/// <summary>Lines and leaders, decisions of two people, returns, bows and balance over the HTTP interface, on a real SQLite file.</summary>
public sealed class UnifyTests : IDisposable
{
    private const string Duo =
        "part \"Flute\"\ntempo:q=96 | C5q(.) D5(.) E5[ F5] | G5(>) F5 E5[ D5] | rw | C5q(.) D5(.) E5[ F5] | D5w\npart "
        + "\"Oboe\"\n| C5q D5 E5 F5 | G5 F5 E5 D5 | rw | C5q D5 E5 F5 | D5w";

    private readonly SchoolServer _server = new();
    private readonly HttpClient _client;

    public UnifyTests() => _client = _server.CreateClient();

    public void Dispose()
    {
        _client.Dispose();
        _server.Dispose();
    }

    [Fact]
    public async Task A_leader_is_set_for_a_line_and_taken_back()
    {
        var id = await _client.Import(Asking.Music(Duo));
        var line = (await _client.Json($"/api/pieces/{id}/lines"))[0];
        Assert.Equal(("P1", false), (line.GetProperty("leader").GetString(), line.GetProperty("isSet").GetBoolean()));
        Assert.All(await Open(id), d => Assert.Equal("present", Rule(d)));
        await _client.Send(HttpMethod.Put, $"/api/pieces/{id}/lines/leader", new { parts = new[] { "P1", "P2" }, leader = "P2" });
        Assert.All(await Open(id), d => Assert.Equal(("leader", ""), (Rule(d), d.GetProperty("proposal").GetProperty("mark").GetString())));
        await _client.Send(HttpMethod.Put, $"/api/pieces/{id}/lines/leader", new { parts = new[] { "P1", "P2" }, leader = (string?)null });
        Assert.All(await Open(id), d => Assert.Equal("present", Rule(d)));
    }

    [Theory]
    [InlineData("P1", "P1")]
    [InlineData("P1,P2", "P3")]
    public async Task A_leader_that_makes_no_sense_is_refused(string parts, string leader)
    {
        var id = await _client.Import(Asking.Music(Duo));
        var refused = await _client.Send(HttpMethod.Put, $"/api/pieces/{id}/lines/leader", new { parts = parts.Split(','), leader });
        Assert.False(refused.IsSuccessStatusCode);
        await refused.Sentence();
    }

    [Fact]
    public async Task One_decision_reaches_every_return()
    {
        var id = await _client.Import(Asking.Music(Duo));
        var slurs = (await Open(id)).Where(d => d.GetProperty("kind").GetString() == "slur").ToList();
        var first = slurs[0];
        var alike = Assert.Single(first.GetProperty("alike").EnumerateArray().Select(a => a.GetString()));
        await Decide(id, new { difference = Id(first), alike = true });
        var open = (await Open(id)).Select(Id).ToList();
        Assert.DoesNotContain(Id(first), open);
        Assert.DoesNotContain(alike, open);
        Assert.Equal(2, (await _client.Json($"/api/pieces/{id}/decisions")).GetArrayLength());
        // The second bar differs in its notes and stays.
        Assert.Contains(Id(slurs[1]), open);
    }

    [Fact]
    public async Task The_second_of_two_people_is_told_and_nothing_is_lost()
    {
        var id = await _client.Import(Asking.Music(Duo));
        var d = (await Open(id))[0];
        Assert.Equal(
            HttpStatusCode.Created,
            (await Decide(id, new { difference = Id(d), version = d.GetProperty("version").GetInt32() })).StatusCode
        );
        var second = await Decide(
            id,
            new
            {
                difference = Id(d),
                keep = true,
                version = d.GetProperty("version").GetInt32(),
            }
        );
        Assert.Equal(HttpStatusCode.Conflict, second.StatusCode);
        Assert.Contains("settled already", await second.Sentence(), StringComparison.Ordinal);
        Assert.Equal("accepted", (await _client.Json($"/api/pieces/{id}/decisions"))[0].GetProperty("verdict").GetString());
    }

    [Fact]
    public async Task A_stale_version_is_told_even_when_the_decision_was_undone_again()
    {
        var id = await _client.Import(Asking.Music(Duo));
        var d = (await Open(id))[0];
        var made = await (await Decide(id, new { difference = Id(d) })).Content.ReadFromJsonAsync<JsonElement>(
            TestContext.Current.CancellationToken
        );
        await _client.Send(HttpMethod.Delete, $"/api/pieces/{id}/decisions/{made.GetProperty("id").GetInt64()}");
        var stale = await Decide(id, new { difference = Id(d), version = d.GetProperty("version").GetInt32() });
        Assert.Equal(HttpStatusCode.Conflict, stale.StatusCode);
        Assert.Contains("undone again", await stale.Sentence(), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.Created, (await Decide(id, new { difference = Id(d), version = 2 })).StatusCode);
    }

    [Fact]
    public async Task Many_people_at_once_settle_each_difference_once()
    {
        var id = await _client.Import(Asking.Music(Duo));
        var open = await Open(id);
        var answers = await Task.WhenAll(
            open.SelectMany(d => Enumerable.Range(0, 4).Select(_ => Decide(id, new { difference = Id(d), version = 0 })))
        );
        Assert.Equal(open.Count, answers.Count(a => a.StatusCode == HttpStatusCode.Created));
        Assert.All(answers, a => Assert.Contains(a.StatusCode, new[] { HttpStatusCode.Created, HttpStatusCode.Conflict }));
        Assert.Equal(open.Count, (await _client.Json($"/api/pieces/{id}/decisions")).GetArrayLength());
    }

    [Fact]
    public async Task A_decision_that_another_builds_on_says_so()
    {
        var id = await _client.Import(Asking.Music(Duo));
        var d = (await Open(id)).First(x => x.GetProperty("kind").GetString() == "articulation");
        var made = await (await Decide(id, new { difference = Id(d) })).Content.ReadFromJsonAsync<JsonElement>(
            TestContext.Current.CancellationToken
        );
        var change = made.GetProperty("changes")[0];
        await Decide(
            id,
            new
            {
                part = change.GetProperty("part").GetString(),
                notes = change.GetProperty("notes").EnumerateArray().Select(n => n.GetString()),
                remove = new[] { "staccato" },
            }
        );
        var first = (await _client.Json($"/api/pieces/{id}/decisions"))[0];
        Assert.Equal(1, first.GetProperty("builtOn").GetArrayLength());
        // It can be undone nevertheless.
        Assert.True(
            (await _client.Send(HttpMethod.Delete, $"/api/pieces/{id}/decisions/{first.GetProperty("id").GetInt64()}")).IsSuccessStatusCode
        );
    }

    [Property(MaxTest = 12, Replay = "60212,91823")]
    public void Random_decisions_and_undos_leave_what_the_remaining_ones_alone_give(byte[] acts) =>
        RandomWalk(acts).GetAwaiter().GetResult();

    private async Task RandomWalk(byte[] acts)
    {
        var id = await _client.Import(Asking.Music(Duo));
        var all = await Open(id);
        var made = new List<(long Id, object Body)>();
        foreach (var act in acts.Take(12))
        {
            if (act % 3 == 0 && made.Count > 0)
            {
                var place = act / 3 % made.Count;
                Assert.True((await _client.Send(HttpMethod.Delete, $"/api/pieces/{id}/decisions/{made[place].Id}")).IsSuccessStatusCode);
                made.RemoveAt(place);
                continue;
            }

            var d = all[act % all.Count];
            object body = (act / 16 % 3) switch
            {
                0 => new { difference = Id(d) },
                1 => new { difference = Id(d), reading = "P2" },
                _ => new { difference = Id(d), keep = true },
            };
            var answer = await Decide(id, body);
            if (answer.StatusCode == HttpStatusCode.Created)
                made.Add(
                    (
                        (await answer.Content.ReadFromJsonAsync<JsonElement>(TestContext.Current.CancellationToken))
                            .GetProperty("id")
                            .GetInt64(),
                        body
                    )
                );
        }

        var fresh = await _client.Import(Asking.Music(Duo));
        foreach (var (_, body) in made)
            Assert.Equal(HttpStatusCode.Created, (await Decide(fresh, body)).StatusCode);
        Assert.Equal(await Export(fresh), await Export(id));
    }

    private const string Strings =
        "part \"Violin 1\"\ntempo:q=60 | !mf C5h. D5e[ E5e] | F5h. E5e[ D5e] | C5h. D5e[ E5e] | C5w\npart \"Violin 2\"\n| !mf "
        + "C5h. D5e[ E5e] | F5h. E5e[ D5e] | C5h. D5e[ E5e] | C5w\npart \"Flute\"\n| C6w | C6w | C6w | C6w";

    [Fact]
    public async Task Bows_are_proposed_spent_and_written_in()
    {
        var id = await _client.Import(Asking.Music(Strings));
        var plans = (await _client.Json($"/api/pieces/{id}/bowing")).EnumerateArray().ToList();
        Assert.Equal(["P1", "P2"], plans.Select(p => p.GetProperty("part").GetString()));
        var strokes = plans[0].GetProperty("strokes").EnumerateArray().ToList();
        Assert.Equal("down", strokes[0].GetProperty("direction").GetString());
        Assert.Contains(strokes, s => s.GetProperty("trouble").GetString() is not null && s.GetProperty("advice").GetString()!.Length > 0);
        Assert.Equal(
            strokes.Select(s => s.GetProperty("direction").GetString()),
            plans[1].GetProperty("strokes").EnumerateArray().Select(s => s.GetProperty("direction").GetString())
        );
        Assert.Equal(HttpStatusCode.Created, (await _client.Send(HttpMethod.Post, $"/api/pieces/{id}/bowing/mark?part=P1,P2")).StatusCode);
        Assert.Equal(2, XDocument.Parse(await Export(id)).Descendants("down-bow").Count());
        Assert.Equal(HttpStatusCode.BadRequest, (await _client.Send(HttpMethod.Post, $"/api/pieces/{id}/bowing/mark?part=P3")).StatusCode);
    }

    [Fact]
    public async Task Balance_counts_the_players_of_the_ensemble()
    {
        var id = await _client.Import(Asking.Music("part \"Flute\"\n| !p C6q D6 E6 F6 | G6 F6 E6 D6\npart \"Horn in F\"\n| !f E5w | D5w"));
        var answer = await _client.Json($"/api/pieces/{id}/balance");
        Assert.Equal(["Flute", "Horn in F"], answer.GetProperty("guessed").EnumerateArray().Select(g => g.GetString()));
        var alone = answer.GetProperty("covered")[0].GetProperty("cover").GetDouble();
        Assert.Equal(15, alone, 1); // three steps of five decibels, one player each
        await Seat("flute", 4);
        var with = (await _client.Json($"/api/pieces/{id}/balance")).GetProperty("covered")[0].GetProperty("cover").GetDouble();
        Assert.Equal(alone - 6.02, with, 1); // four flutes: 10·log10(4)
        Assert.Equal(
            "P2",
            (await _client.Json($"/api/pieces/{id}/balance?tune=P2")).GetProperty("measures")[0].GetProperty("tune")[0].GetString()
        );
    }

    [Fact]
    public async Task Parts_stand_at_concert_pitch_for_the_eye_only()
    {
        var id = await _client.Import(
            Asking.Music(
                "part \"Clarinet in Bb\" transpose:-1,-2\nkey:D | D5q F#5 G#5 G#5 | G5w\npart \"Alto Sax\" "
                    + "transpose:-5,-9\nkey:A | A5w | A5w"
            )
        );
        var slice = XDocument.Parse(
            await _client.GetStringAsync(
                $"/api/pieces/{id}/slice.musicxml?part=P1,P2&from=1&to=2&concert=true",
                TestContext.Current.CancellationToken
            )
        );
        Assert.Empty(slice.Descendants("transpose"));
        Assert.All(slice.Descendants("fifths"), f => Assert.Equal("0", f.Value));
        var notes = slice.Descendants("part").First().Descendants("note").ToList();
        Assert.Equal(
            ["C5", "E5", "F5", "F5", "F5"],
            notes.Select(n => n.Element("pitch")!.Element("step")!.Value + n.Element("pitch")!.Element("octave")!.Value)
        );
        Assert.Equal(["", "", "sharp", "", ""], notes.Select(n => n.Element("accidental")?.Value ?? ""));
        Assert.DoesNotContain("C5", XDocument.Parse(await Export(id)).Descendants("step").First().Value, StringComparison.Ordinal);
    }

    private async Task Seat(string instrument, int count)
    {
        var made = await _client.Send(HttpMethod.Post, "/api/ensemble/sections", new { name = instrument });
        var section = (await made.Content.ReadFromJsonAsync<JsonElement>(TestContext.Current.CancellationToken))[0]
            .GetProperty("id")
            .GetInt64();
        for (var i = 1; i <= count; i++)
            await _client.Send(
                HttpMethod.Post,
                "/api/ensemble/players",
                new
                {
                    section,
                    name = $"Player {i}",
                    instrument,
                    chair = i,
                }
            );
    }

    private static string Id(JsonElement d) => d.GetProperty("id").GetString()!;

    private static string Rule(JsonElement d) => d.GetProperty("proposal").GetProperty("rule").GetString()!;

    private async Task<List<JsonElement>> Open(long id) =>
        [
            .. (await _client.Json($"/api/pieces/{id}/unify"))
                .EnumerateArray()
                .Where(d => d.GetProperty("state").GetString() == "open" && d.GetProperty("rank").GetString() == "difference"),
        ];

    private Task<HttpResponseMessage> Decide(long id, object body) => _client.Send(HttpMethod.Post, $"/api/pieces/{id}/decisions", body);

    private Task<string> Export(long id) =>
        _client.GetStringAsync($"/api/pieces/{id}/export.musicxml", TestContext.Current.CancellationToken);
}
