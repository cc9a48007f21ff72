using System.Net;

namespace MellowStand.Server.Tests.Auditions;

/// <summary>Two directors at one set in the same moment: nobody waits for ever, nothing is lost unawares.</summary>
public sealed class TwoAtOnceTests(OneSchool school) : IClassFixture<OneSchool>
{
    private readonly HttpClient _client = school.Client;

    [Fact]
    public async Task Of_two_answers_at_once_one_is_in_force_and_the_other_is_told()
    {
        var set = await _client.MakeSet("Two answers");
        var url = $"/api/auditions/{set.Id()}/matters";
        var answers = await Task.WhenAll(
            Enumerable
                .Range(0, 8)
                .Select(i => _client.Send(HttpMethod.Post, url + "/trill-start", new { answer = i % 2 == 0 ? "upper" : "written" }))
        );
        Assert.Equal(1, answers.Count(a => a.StatusCode == HttpStatusCode.OK));
        Assert.Equal(7, answers.Count(a => a.StatusCode == HttpStatusCode.Conflict));
        var matter = (await _client.Json(url)).EnumerateArray().Single(m => m.Text("name") == "trill-start");
        Assert.Equal(0, matter.GetProperty("open").GetInt32());
        foreach (var piece in matter.List("places").Select(p => p.GetProperty("piece").GetInt64()).Distinct())
            Assert.Equal(
                matter.List("places").Count(p => p.GetProperty("piece").GetInt64() == piece),
                (await _client.Json($"/api/pieces/{piece}/decisions")).GetArrayLength()
            );
    }

    [Fact]
    public async Task Answers_of_two_sets_that_share_no_piece_do_not_wait_for_each_other()
    {
        var sets = new[] { await _client.MakeSet("Left hand"), await _client.MakeSet("Right hand") };
        var matters = new[] { ("trill-start", "upper"), ("trill-end", "stop"), ("no-dynamics", "mf"), ("staccato", "half") };
        var acts = sets.SelectMany(s =>
            matters.Select(m => _client.Send(HttpMethod.Post, $"/api/auditions/{s.Id()}/matters/{m.Item1}", new { answer = m.Item2 }))
        );
        Assert.All(await Task.WhenAll(acts), a => Assert.Equal(HttpStatusCode.OK, a.StatusCode));
        foreach (var set in sets)
            Assert.All(
                (await _client.Json($"/api/auditions/{set.Id()}/matters"))
                    .EnumerateArray()
                    .Where(m => matters.Any(x => x.Item1 == m.Text("name"))),
                m => Assert.Equal(0, m.GetProperty("open").GetInt32())
            );
    }

    [Fact]
    public async Task Who_saw_an_older_list_of_candidates_is_told()
    {
        var set = await _client.MakeSet("Two lists");
        var url = $"/api/auditions/{set.Id()}/candidates";
        var flutes = await _client.Players("flute");
        object Only(long player) => new { candidates = new[] { new { player, instrument = "flute" } }, version = 0 };
        var both = await Task.WhenAll(
            _client.Send(HttpMethod.Put, url, Only(flutes[0])),
            _client.Send(HttpMethod.Put, url, Only(flutes[1]))
        );
        Assert.Equal([HttpStatusCode.OK, HttpStatusCode.Conflict], both.Select(b => b.StatusCode).Order());
        Assert.Single((await _client.Json($"/api/auditions/{set.Id()}")).List("candidates"));
    }

    [Fact]
    public async Task A_removed_piece_leaves_its_set_until_it_comes_back()
    {
        var set = await _client.MakeSet("Removed piece");
        var piece = set.EntryOf("flute").GetProperty("piece").GetInt64();
        await _client.Ok(HttpMethod.Delete, $"/api/pieces/{piece}");
        var without = await _client.Json($"/api/auditions/{set.Id()}");
        Assert.DoesNotContain(without.List("entries"), e => e.Text("instrument") == "flute");
        Assert.NotEqual(0, (await _client.Json($"/api/auditions/{set.Id()}/matters")).GetArrayLength());
        await _client.Ok(HttpMethod.Post, $"/api/pieces/{piece}/restore");
        Assert.Contains((await _client.Json($"/api/auditions/{set.Id()}")).List("entries"), e => e.Text("instrument") == "flute");
    }
}
