using System.Net;
using System.Net.Http.Json;
using System.Text.Json;

namespace MellowStand.Server.Tests;

/// <summary>A new edition carries everything that lives at an address, over HTTP.</summary>
public sealed class EditionCarryTests : IDisposable
{
    private const string Duo =
        "title: Duo\npart \"Flute\"\nkey:C tempo:q=80 | C5w | F#4q(.) G4q(.) F#4q(.) A4q(.) | G5q A5q B5q C6q | E5h D5h | C5w\n"
        + "part \"Oboe\"\nkey:C | C5w | F#4q G4q F#4q A4q | G5q A5q B5q C6q | E5h D5h | C5w";

    private readonly SchoolServer _server = new();
    private readonly HttpClient _client;

    public EditionCarryTests() => _client = _server.CreateClient();

    public void Dispose()
    {
        _client.Dispose();
        _server.Dispose();
    }

    [Fact]
    public async Task Everything_moves_with_its_music_when_measures_are_put_in_and_comes_back_with_the_old_edition()
    {
        var (piece, passage) = await Prepared();
        var before = await Everything(piece, passage);
        var next = Duo.Replace("| C5w | F#4q", "| rw | rw | C5w | F#4q", StringComparison.Ordinal);

        var plan = await Edition(piece, "editions/preview", next);
        Assert.Equal(before, await Everything(piece, passage)); // a preview keeps nothing
        Assert.Equal((1, 1, 1, 1, 1), Carried(plan));
        Assert.Empty(plan.GetProperty("lost").EnumerateArray());

        await Edition(piece, "editions", next);
        var moved = await _client.Json($"/api/passages/{passage}");
        Assert.Equal(("4", "5", 3, 4), (Text(moved, "from"), Text(moved, "to"), Number(moved, "fromIndex"), Number(moved, "toIndex")));
        Assert.True(moved.GetProperty("placed").GetBoolean());
        Assert.Equal(2, (await _client.Json($"/api/log?passage={passage}")).GetArrayLength());
        Assert.Contains((await Study(piece)).EnumerateArray(), f => f.GetProperty("dismissed").GetBoolean() && Number(f, "fromIndex") == 3);
        Assert.Equal("piccolo", Text((await _client.Json($"/api/pieces/{piece}")).GetProperty("parts")[0], "instrumentId"));
        Assert.Contains(
            (await _client.Json($"/api/pieces/{piece}/lines")).EnumerateArray(),
            l => l.GetProperty("isSet").GetBoolean() && Text(l, "leader") == "P2"
        );
        Assert.Single((await _client.Json($"/api/pieces/{piece}/decisions")).EnumerateArray());

        var back = await _client.Send(HttpMethod.Post, $"/api/pieces/{piece}/editions/restore");
        Assert.Equal(HttpStatusCode.OK, back.StatusCode);
        Assert.Equal(before, await Everything(piece, passage));
    }

    [Fact]
    public async Task What_cannot_be_carried_is_told_by_name_kept_and_placed_by_hand()
    {
        var (piece, passage) = await Prepared();
        // The two measures that passage, finding and decision speak of are gone.
        var next = Duo.Replace("| F#4q(.) G4q(.) F#4q(.) A4q(.) | G5q A5q B5q C6q |", "|", StringComparison.Ordinal)
            .Replace("| F#4q G4q F#4q A4q | G5q A5q B5q C6q |", "|", StringComparison.Ordinal);
        var plan = await Edition(piece, "editions", next);
        Assert.Equal(["decision", "dismissal", "passage"], plan.GetProperty("lost").EnumerateArray().Select(l => Text(l, "kind")).Order());
        Assert.Contains(
            plan.GetProperty("lost").EnumerateArray(),
            l => Text(l, "what") == "The sharp ones" && Text(l, "why")!.Contains("measure 2", StringComparison.Ordinal)
        );

        // Every list still opens; the passage says that it waits; its sheet is refused in words.
        Assert.False((await _client.Json($"/api/passages/{passage}")).GetProperty("placed").GetBoolean());
        Assert.Equal(1, (await _client.Json($"/api/pieces/{piece}/passages")).GetArrayLength());
        Assert.Equal(2, (await _client.Json($"/api/log?passage={passage}")).GetArrayLength());
        var sheet = await _client.GetAsync($"/api/passages/{passage}/sheet", TestContext.Current.CancellationToken);
        Assert.Equal(HttpStatusCode.Conflict, sheet.StatusCode);
        Assert.Contains("Place it", await sheet.Sentence(), StringComparison.Ordinal);

        Assert.Equal(3, (await _client.Json($"/api/pieces/{piece}/unplaced")).GetArrayLength());
        await Done(
            HttpMethod.Put,
            $"/api/pieces/{piece}/unplaced/passage/{passage}",
            new
            {
                parts = new[] { "P1" },
                from = "2",
                to = "3",
            }
        );
        Assert.Equal("2", Text(await _client.Json($"/api/passages/{passage}"), "from"));
        var rest = (await _client.Json($"/api/pieces/{piece}/unplaced")).EnumerateArray().ToList();
        var dismissal = rest.Single(u => Text(u, "kind") == "dismissal");
        var refused = await _client.Send(
            HttpMethod.Put,
            $"/api/pieces/{piece}/unplaced/dismissal/{Text(dismissal, "key")}",
            new
            {
                parts = new[] { "P1" },
                from = "1",
                to = "1",
            }
        );
        Assert.Contains("nothing of the kind", await refused.Sentence(), StringComparison.Ordinal);
        await Done(HttpMethod.Delete, $"/api/pieces/{piece}/unplaced/dismissal/{Text(dismissal, "key")}", null);
        var decision = rest.Single(u => Text(u, "kind") == "decision");
        await Done(HttpMethod.Delete, $"/api/pieces/{piece}/unplaced/decision/{Text(decision, "key")}", null);
        Assert.Equal(0, (await _client.Json($"/api/pieces/{piece}/unplaced")).GetArrayLength());
    }

    [Fact]
    public async Task A_decision_that_waits_is_placed_on_as_many_notes_as_it_speaks_of()
    {
        var piece = await _client.Import(Asking.Music("part \"Flute\"\n| C5w | D5q E5q F5q G5q | C5w"));
        await Done(
            HttpMethod.Post,
            $"/api/pieces/{piece}/decisions",
            new
            {
                part = "P1",
                notes = new[] { "P1-n2", "P1-n3" },
                add = new[] { "tenuto" },
            }
        );
        await Edition(piece, "editions", "part \"Flute\"\n| C5w | A5h G5h | C5w");
        var waiting = Assert.Single((await _client.Json($"/api/pieces/{piece}/unplaced")).EnumerateArray());
        var at = $"/api/pieces/{piece}/unplaced/decision/{Text(waiting, "key")}";
        var refused = await _client.Send(
            HttpMethod.Put,
            at,
            new
            {
                parts = new[] { "P1" },
                from = "1",
                to = "1",
            }
        );
        Assert.Equal("The decision speaks of 2 notes, and measure 1 has 1. Select as many.", await refused.Sentence());
        await Done(
            HttpMethod.Put,
            at,
            new
            {
                parts = new[] { "P1" },
                from = "2",
                to = "2",
            }
        );
        var notes = (await _client.Json($"/api/pieces/{piece}/parts/P1/notes")).EnumerateArray().Where(n => Text(n, "measure") == "2");
        Assert.All(notes, n => Assert.Contains("tenuto", n.GetProperty("marks").EnumerateArray().Select(m => m.GetString())));
        Assert.Equal(0, (await _client.Json($"/api/pieces/{piece}/unplaced")).GetArrayLength());
    }

    // One of each: a decision, a dismissed finding, an instrument and a leader by hand, a passage with steps and log.
    private async Task<(long Piece, long Passage)> Prepared()
    {
        var piece = await _client.Import(Asking.Music(Duo));
        var section = (await Made(HttpMethod.Post, "/api/ensemble/sections", new { name = "Winds" }))[0].GetProperty("id").GetInt64();
        var player = (
            await Made(
                HttpMethod.Post,
                "/api/ensemble/players",
                new
                {
                    section,
                    name = "Ida Vale",
                    instrument = "flute",
                    chair = 1,
                }
            )
        ).GetProperty("id").GetInt64();
        await Done(HttpMethod.Put, $"/api/pieces/{piece}/parts/P1/instrument", new { instrument = "piccolo" });
        await Done(HttpMethod.Put, $"/api/pieces/{piece}/lines/leader", new { parts = new[] { "P1", "P2" }, leader = "P2" });
        var difference = (await _client.Json($"/api/pieces/{piece}/unify")).EnumerateArray().First(d => Text(d, "kind") == "articulation");
        await Done(HttpMethod.Post, $"/api/pieces/{piece}/decisions", new { difference = Text(difference, "id"), reading = "P1" });
        var finding = (await Study(piece)).EnumerateArray().First(f => Text(f, "rule") == "carried-accidental");
        await Done(HttpMethod.Put, $"/api/pieces/{piece}/study/{Text(finding, "id")}/dismissal", null);
        var passage = await Made(
            HttpMethod.Post,
            $"/api/pieces/{piece}/passages",
            new
            {
                title = "The sharp ones",
                parts = new[] { "P1", "P2" },
                from = "2",
                to = "3",
                start = new { unit = "quarter", bpm = 60 },
                goal = new { unit = "quarter", bpm = 90 },
                by = "step",
                value = 6,
                due = TestDay.In(20),
                sections = new[] { section },
            }
        );
        var id = passage.GetProperty("id").GetInt64();
        foreach (var bpm in new[] { 60, 66 })
            await Done(
                HttpMethod.Post,
                "/api/log",
                new
                {
                    passage = id,
                    player,
                    unit = "quarter",
                    bpm,
                }
            );
        return (piece, id);
    }

    private async Task<string> Everything(long piece, long passage)
    {
        var all = new List<string>();
        foreach (
            var url in new[]
            {
                $"passages/{passage}",
                $"log?passage={passage}",
                $"pieces/{piece}/lines",
                $"pieces/{piece}/unify",
                $"pieces/{piece}/study?dismissed=true",
                $"pieces/{piece}",
                $"pieces/{piece}/unplaced",
            }
        )
            all.Add((await _client.Json("/api/" + url)).ToString());
        return string.Join('\n', all);
    }

    private Task<JsonElement> Study(long piece) => _client.Json($"/api/pieces/{piece}/study?dismissed=true");

    private async Task<JsonElement> Edition(long piece, string where, string music)
    {
        var answer = await _client.PostAsync(
            $"/api/pieces/{piece}/{where}",
            Asking.File(Asking.Music(music), "second.musicxml"),
            TestContext.Current.CancellationToken
        );
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        return (await answer.Content.ReadFromJsonAsync<JsonElement>(TestContext.Current.CancellationToken)).Clone();
    }

    private async Task Done(HttpMethod method, string url, object? body)
    {
        var answer = await _client.Send(method, url, body);
        Assert.True(
            answer.IsSuccessStatusCode,
            $"{method} {url}: {await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken)}"
        );
    }

    private async Task<JsonElement> Made(HttpMethod method, string url, object body)
    {
        var answer = await _client.Send(method, url, body);
        Assert.True(
            answer.IsSuccessStatusCode,
            $"{method} {url}: {await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken)}"
        );
        return (await answer.Content.ReadFromJsonAsync<JsonElement>(TestContext.Current.CancellationToken)).Clone();
    }

    private static (int, int, int, int, int) Carried(JsonElement plan)
    {
        var c = plan.GetProperty("carried");
        return (Number(c, "decisions"), Number(c, "passages"), Number(c, "dismissals"), Number(c, "instruments"), Number(c, "leaders"));
    }

    private static string? Text(JsonElement e, string name) => e.GetProperty(name).GetString();

    private static int Number(JsonElement e, string name) => e.GetProperty(name).GetInt32();
}
