using System.Net;
using System.Text.Json;

namespace MellowStand.Server.Tests.Auditions;

/// <summary>Candidates, what is handed out to them, who is ready, and mock auditions.</summary>
public sealed class RoundTests(OneSchool school) : IClassFixture<OneSchool>
{
    private readonly HttpClient _client = school.Client;

    [Fact]
    public async Task A_round_is_handed_out_once_and_the_next_one_builds_on_it()
    {
        var set = await _client.Candidates(await _client.MakeSet("Handed"), ("flute", 2), ("tuba", 1));
        var url = $"/api/auditions/{set.Id()}";
        var rounds = set.List("rounds").ConvertAll(r => r.Id());
        var first = await _client.Ok(HttpMethod.Post, $"{url}/rounds/{rounds[0]}/handout");
        var made = first.List("passages").ConvertAll(p => p.GetInt64());
        Assert.True(made.Count >= 2);
        var passages = (await _client.Json("/api/passages")).EnumerateArray().Where(p => made.Contains(p.Id())).ToList();
        Assert.All(passages, p => Assert.True(string.CompareOrdinal(p.Text("due"), AuditionAsking.Day(30)) <= 0));
        Assert.DoesNotContain(
            passages,
            p => p.GetProperty("piece").GetInt64() == set.EntryOf("clarinet-bb").GetProperty("piece").GetInt64()
        );
        // Pressed twice, nobody has anything twice; one more candidate gets what is missing.
        Assert.Empty((await _client.Ok(HttpMethod.Post, $"{url}/rounds/{rounds[0]}/handout")).List("passages"));
        set = await _client.Candidates(await _client.Json(url), ("flute", 3), ("tuba", 1));
        var late = (await _client.Ok(HttpMethod.Post, $"{url}/rounds/{rounds[0]}/handout")).List("passages").ConvertAll(p => p.GetInt64());
        var newest = (await _client.Json("/api/passages")).EnumerateArray().Where(p => late.Contains(p.Id())).ToList();
        Assert.NotEmpty(newest);
        Assert.All(newest, p => Assert.Single(p.List("players")));
        made.AddRange(late);
        // The whole is asked again in the second round: what is learnt counts.
        var second = await _client.Ok(HttpMethod.Post, $"{url}/rounds/{rounds[1]}/handout");
        Assert.True(second.GetProperty("linked").GetInt32() >= 2);
        await _client.Ok(HttpMethod.Post, "/api/passages/remove", new { passages = made });
        var ready = (await _client.Json($"{url}/readiness")).EnumerateArray().ToList();
        Assert.Equal(4, ready.Count);
        Assert.All(ready, r => Assert.Empty(r.List("rounds")[0].List("passages")));
    }

    [Fact]
    public async Task A_candidate_who_was_heard_has_a_chance_between_bounds()
    {
        var set = await _client.Candidates(await _client.MakeSet("Heard"), ("tuba", 1));
        var url = $"/api/auditions/{set.Id()}";
        var handed = await _client.Ok(HttpMethod.Post, $"{url}/rounds/{set.List("rounds")[0].Id()}/handout");
        var player = set.List("candidates")[0].GetProperty("player").GetInt64();
        foreach (var passage in handed.List("passages"))
            for (var day = -12; day <= -2; day += 5)
                await _client.Ok(
                    HttpMethod.Post,
                    "/api/log",
                    new
                    {
                        passage = passage.GetInt64(),
                        player,
                        unit = "quarter",
                        bpm = 100 + day,
                        heard = AuditionAsking.Day(day),
                    }
                );
        var round = (await _client.Json($"{url}/readiness"))[0].List("rounds")[0];
        Assert.Equal(handed.List("passages").Count, round.GetProperty("told").GetInt32());
        var (low, high) = (round.GetProperty("low").GetDouble(), round.GetProperty("high").GetDouble());
        Assert.InRange(low, 0, high);
        Assert.Equal(round.List("passages").Min(p => p.GetProperty("chance").GetDouble()), high, 2);
    }

    [Fact]
    public async Task A_round_without_candidates_or_after_its_day_hands_out_nothing()
    {
        var set = await _client.MakeSet("Nobody");
        var url = $"/api/auditions/{set.Id()}";
        var round = set.List("rounds")[0];
        await _client.Refused(HttpMethod.Post, $"{url}/rounds/{round.Id()}/handout", HttpStatusCode.Conflict);
        await _client.Refused(HttpMethod.Post, $"{url}/rounds/999999/handout", HttpStatusCode.NotFound);
        await _client.Ok(
            HttpMethod.Put,
            url,
            new
            {
                name = "Nobody",
                rounds = new[]
                {
                    new
                    {
                        id = round.Id(),
                        name = "Past",
                        held = AuditionAsking.Day(-2),
                    },
                },
                version = 0,
            }
        );
        var sentence = await _client.Refused(HttpMethod.Post, $"{url}/rounds/{round.Id()}/handout", HttpStatusCode.Conflict);
        Assert.Contains("is past", sentence, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_recording_list_knows_order_and_length()
    {
        var set = await _client.MakeSet("Recorded");
        var lists = await _client.Json($"/api/auditions/{set.Id()}/rounds/{set.List("rounds")[0].Id()}/takes");
        var flute = lists.EnumerateArray().Single(l => l.Text("instrument") == "flute");
        // Eight measures of 3/4 at quarter = 60.
        Assert.InRange(flute.GetProperty("seconds").GetDouble(), 23.9, 25);
        var lines = flute.List("lines").ToDictionary(l => l.Text("name"), l => l.Text("words"));
        Assert.Contains("No click", lines["no-click"], StringComparison.Ordinal);
        Assert.Contains("Say no name", lines["names"], StringComparison.Ordinal);
        Assert.Contains("lyrical etude", lines["order"], StringComparison.Ordinal);
    }

    [Fact]
    public async Task Three_listeners_mark_numbers_and_the_result_has_names()
    {
        var set = await _client.Candidates(await _client.MakeSet("Mock"), ("flute", 3));
        var mock = await _client.Ok(HttpMethod.Post, $"/api/auditions/{set.Id()}/mocks", Mock(set, seed: 41));
        var again = await _client.Ok(HttpMethod.Post, $"/api/auditions/{set.Id()}/mocks", Mock(set, seed: 41));
        Assert.All(mock.List("seats"), s => Assert.Equal("", s.Text("name")));
        var url = $"/api/mocks/{mock.Id()}";
        for (var listener = 1; listener <= 3; listener++)
        {
            await Mark(url, mock, 1, listener, listener == 3 ? 1 : 4);
            await Mark(url, mock, 2, listener, 5);
        }

        var results = await _client.Json(url + "/results");
        Assert.Equal([2, 1], results.List("results").Select(r => r.GetProperty("number").GetInt32()));
        Assert.Equal([100.0, 80.0], results.List("results").Select(r => r.GetProperty("percent").GetDouble()));
        Assert.All(results.List("results"), r => Assert.NotEqual("", r.Text("name")));
        Assert.Equal([3], results.List("waiting").Select(w => w.GetInt32()));
        Assert.Equal(10, results.List("lost").Sum(l => l.GetProperty("percent").GetDouble()), 0);
        // The same seed draws the same order.
        await Mark($"/api/mocks/{again.Id()}", again, 1, 1, 3);
        var names = (await _client.Json($"/api/mocks/{again.Id()}/results")).List("results").Select(r => r.Text("name"));
        Assert.Equal(results.List("results").Where(r => r.GetProperty("number").GetInt32() == 1).Select(r => r.Text("name")), names);
        var csv = await _client.GetStringAsync(new Uri(url + "/results.csv", UriKind.Relative), TestContext.Current.CancellationToken);
        Assert.Equal(3, csv.Split('\n', StringSplitOptions.RemoveEmptyEntries).Length);
    }

    [Fact]
    public async Task Marks_of_two_listeners_are_each_their_own_and_stale_ones_are_refused()
    {
        var set = await _client.Candidates(await _client.MakeSet("Stale"), ("flute", 2));
        var mock = await _client.Ok(HttpMethod.Post, $"/api/auditions/{set.Id()}/mocks", Mock(set));
        var url = $"/api/mocks/{mock.Id()}";
        await Mark(url, mock, 1, 1, 3);
        await Mark(url, mock, 1, 2, 4);
        var body = new { marks = new { notes = 2 }, version = 0 };
        await _client.Refused(HttpMethod.Put, url + "/marks/1/1", HttpStatusCode.Conflict, body);
        await _client.Refused(HttpMethod.Put, url + "/marks/1/1", HttpStatusCode.PreconditionRequired, new { marks = new { notes = 2 } });
        await _client.Refused(HttpMethod.Put, url + "/marks/9/1", HttpStatusCode.NotFound, body);
        await _client.Refused(HttpMethod.Put, url + "/marks/1/9", HttpStatusCode.NotFound, body);
        await _client.Refused(
            HttpMethod.Put,
            url + "/marks/2/1",
            HttpStatusCode.BadRequest,
            new { marks = new { notes = 6 }, version = 0 }
        );
        await _client.Refused(HttpMethod.Put, url + "/marks/2/1", HttpStatusCode.BadRequest, new { marks = new { hats = 2 }, version = 0 });
        await _client.Ok(HttpMethod.Delete, url);
        await _client.Refused(HttpMethod.Get, url, HttpStatusCode.NotFound);
        await _client.Ok(HttpMethod.Post, url + "/restore");
        Assert.Equal(2, (await _client.Json(url)).List("seats")[0].List("sheets").Count);
    }

    [Fact]
    public async Task A_mock_audition_that_makes_no_sense_is_refused()
    {
        var set = await _client.MakeSet("No mock");
        var url = $"/api/auditions/{set.Id()}/mocks";
        await _client.Refused(HttpMethod.Post, url, HttpStatusCode.Conflict, Mock(set));
        set = await _client.Candidates(set, ("flute", 1));
        var round = set.List("rounds")[0].Id();
        await _client.Refused(HttpMethod.Post, url, HttpStatusCode.BadRequest, new { round, listeners = Array.Empty<string>() });
        await _client.Refused(
            HttpMethod.Post,
            url,
            HttpStatusCode.BadRequest,
            new
            {
                round,
                trimmed = true,
                listeners = new[] { "A", "B" },
            }
        );
        await _client.Refused(
            HttpMethod.Post,
            url,
            HttpStatusCode.NotFound,
            new
            {
                round,
                listeners = new[] { "A" },
                candidates = new[] { 99999 },
            }
        );
        await _client.Refused(HttpMethod.Post, url, HttpStatusCode.NotFound, new { round = 99999, listeners = new[] { "A" } });
    }

    [Fact]
    public async Task Who_left_the_ensemble_cannot_be_chosen()
    {
        var set = await _client.MakeSet("Left");
        var body = new { candidates = new[] { new { player = 987654, instrument = "flute" } }, version = 0 };
        await _client.Refused(HttpMethod.Put, $"/api/auditions/{set.Id()}/candidates", HttpStatusCode.NotFound, body);
    }

    private Task<JsonElement> Mark(string url, JsonElement mock, int number, int listener, int mark) =>
        _client.Ok(
            HttpMethod.Put,
            $"{url}/marks/{number}/{listener}",
            new { marks = mock.List("criteria").ToDictionary(c => c.Text("name"), _ => mark), version = 0 }
        );

    private static object Mock(JsonElement set, long? seed = null) =>
        new
        {
            round = set.List("rounds")[0].Id(),
            screened = true,
            trimmed = true,
            listeners = new[] { "Window", "Middle", "Door" },
            seed,
        };
}
