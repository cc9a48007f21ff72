using System.Net;
using System.Net.Http.Json;
using System.Text.Json;

namespace MellowStand.Server.Tests;

/// <summary>What the interface says of proposals, errata, hands and bows, and what it takes when many are taken at once.</summary>
public sealed class JudgementTests : IDisposable
{
    private const string Plain = "| C5q D5q E5q F5q | G5q A5q G5q F5q | E5q D5q C5h";

    private readonly SchoolServer _server = new();
    private readonly HttpClient _client;

    public JudgementTests() => _client = _server.CreateClient();

    public void Dispose()
    {
        _client.Dispose();
        _server.Dispose();
    }

    // A stray mark against three parts is sure; a trill in one of two flutes is not.
    [Fact]
    public async Task Only_the_sure_ones_are_taken_when_all_are_asked_for()
    {
        var stray = Plain.Replace("A5q", "A5q(.)", StringComparison.Ordinal);
        var trill = "| D6q(tr) E6q F6q G6q | A6w";
        var plain = "| D6q E6q F6q G6q | A6w";
        var piece = await _client.Import(
            Asking.Music(
                $"part \"Oboe\"\n{Plain} | rw | rw\npart \"Clarinet in C\"\n{Plain} | rw | rw\npart \"Horn in C\"\n{stray} | rw | rw\n"
                    + $"part \"Trumpet in C\"\n{Plain} | rw | rw"
                    + $"\npart \"Flute 1\"\n| rw | rw | rw {plain}\npart \"Flute 2\"\n| rw | rw | rw {trill}"
            )
        );
        var told = (await _client.Json($"/api/pieces/{piece}/unify")).EnumerateArray().ToList();
        Assert.Equal(["sure", "likely"], told.Select(Sure));
        var all = await _client.Send(HttpMethod.Post, $"/api/pieces/{piece}/decisions/all", new { kind = (string?)null });
        var made = await all.Content.ReadFromJsonAsync<JsonElement>(TestContext.Current.CancellationToken);
        Assert.Equal(told[0].GetProperty("id").GetString(), Assert.Single(made.EnumerateArray()).GetProperty("difference").GetString());
        var again = await _client.Send(HttpMethod.Post, $"/api/pieces/{piece}/decisions/all", new { kind = (string?)null });
        Assert.Equal(HttpStatusCode.BadRequest, again.StatusCode);
        Assert.StartsWith("There is nothing sure", await again.Sentence(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Errata_read_as_a_person_writes()
    {
        var dotted = Plain.Replace("q ", "q(.) ", StringComparison.Ordinal);
        var piece = await _client.Import(
            Asking.Music($"part \"Flute\"\n{dotted}\npart \"Oboe\"\n{dotted}\npart \"Clarinet in C\"\n{Plain}")
        );
        foreach (var d in (await _client.Json($"/api/pieces/{piece}/unify")).EnumerateArray())
            await _client.Send(HttpMethod.Post, $"/api/pieces/{piece}/decisions", new { difference = d.GetProperty("id").GetString() });
        var errata = (await _client.Json($"/api/pieces/{piece}/decisions"))
            .EnumerateArray()
            .SelectMany(d => d.GetProperty("errata").EnumerateArray())
            .Select(e => e.GetProperty("what").GetString()!)
            .ToList();
        Assert.NotEmpty(errata);
        Assert.All(errata, e => Assert.Matches("^measures? .+: staccato on ", e));
    }

    // Fingerings are chosen for the goal: the lever serves where the passage will be quick, though it is printed slow.
    [Fact]
    public async Task Hands_are_decided_for_the_goal_of_the_passage()
    {
        var piece = await _client.Import(Asking.Music("part \"Flute\"\ntempo:q=50 | A4s A#4s B4s A#4s A4h. | C5w"));
        var path = $"/api/pieces/{piece}/technique?part=P1";
        var slow = (await _client.Json(path)).GetProperty("choices")[1].GetProperty("choice").GetString();
        var made = await _client.Send(HttpMethod.Post, "/api/ensemble/sections", new { name = "Flutes" });
        var sections = await made.Content.ReadFromJsonAsync<JsonElement>(TestContext.Current.CancellationToken);
        var section = sections[0].GetProperty("id").GetInt64();
        var handed = await _client.Send(
            HttpMethod.Post,
            $"/api/pieces/{piece}/passages",
            new
            {
                title = "Quick",
                parts = new[] { "P1" },
                from = "1",
                to = "1",
                start = new { unit = "quarter", bpm = 60 },
                goal = new { unit = "quarter", bpm = 160 },
                by = "step",
                value = 10,
                due = TestDay.In(20),
                sections = new[] { section },
            }
        );
        Assert.Equal(HttpStatusCode.Created, handed.StatusCode);
        var quick = (await _client.Json(path)).GetProperty("choices")[1].GetProperty("choice").GetString();
        Assert.Equal(("one-and-one", "lever"), (slow, quick));
    }

    [Fact]
    public async Task A_note_beyond_the_chart_gets_a_choice_and_other_ways_are_told_in_words()
    {
        var piece = await _client.Import(Asking.Music("part \"Trombone\" clef:F4\ntempo:q=96 | Bb2q A2q Bb3q F3q | C1w"));
        var choices = (await _client.Json($"/api/pieces/{piece}/technique?part=P1")).GetProperty("choices").EnumerateArray().ToList();
        Assert.Equal(5, choices.Count);
        Assert.Equal("ask", choices[^1].GetProperty("choice").GetString());
        var harder = choices
            .SelectMany(c => c.GetProperty("alternatives").EnumerateArray())
            .Select(a => a.GetProperty("harder").GetString());
        Assert.All(harder, h => Assert.Matches("^(as easy|a little harder|harder|much harder)", h));
    }

    [Fact]
    public async Task A_second_bowing_is_offered()
    {
        var piece = await _client.Import(Asking.Music("part \"Violin\"\ntempo:q=96 | C5q D5q E5q F5q | G5q F5q E5q D5q | C5w"));
        var (first, second) = (await Directions(piece, ""), await Directions(piece, "?second=true"));
        Assert.NotEqual(first[0], second[0]);
        Assert.Equal(first.Count, second.Count);
    }

    private async Task<List<string?>> Directions(long piece, string query) =>
        [
            .. (await _client.Json($"/api/pieces/{piece}/bowing{query}"))[0]
                .GetProperty("strokes")
                .EnumerateArray()
                .Select(s => s.GetProperty("direction").GetString()),
        ];

    private static string? Sure(JsonElement difference) => difference.GetProperty("proposal").GetProperty("sure").GetString();
}
