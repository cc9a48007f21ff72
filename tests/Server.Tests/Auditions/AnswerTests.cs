using System.Net;
using System.Text.Json;

namespace MellowStand.Server.Tests.Auditions;

/// <summary>Decided once for many etudes, undone one by one or all at once.</summary>
public sealed class AnswerTests(OneSchool school) : IClassFixture<OneSchool>
{
    private readonly HttpClient _client = school.Client;

    [Fact]
    public async Task An_answer_reaches_every_etude_and_one_place_is_undone_alone()
    {
        var set = await _client.MakeSet("Answers");
        var url = $"/api/auditions/{set.Id()}/matters";
        var trills = await Matter(url, "trill-start");
        Assert.Equal((2, JsonValueKind.Null), (trills.GetProperty("open").GetInt32(), trills.GetProperty("answer").ValueKind));

        var decided = await _client.Ok(HttpMethod.Post, url + "/trill-start", new { answer = "upper" });
        Assert.Equal((0, "upper"), (decided.GetProperty("open").GetInt32(), decided.Text("answer")));
        var places = decided.List("places");
        Assert.Equal(2, places.Select(p => p.GetProperty("piece").GetInt64()).Distinct().Count());

        var one = places[0];
        await _client.Ok(
            HttpMethod.Delete,
            $"/api/pieces/{one.GetProperty("piece").GetInt64()}/decisions/{one.GetProperty("decision").GetInt64()}"
        );
        Assert.Equal(1, (await Matter(url, "trill-start")).GetProperty("open").GetInt32());

        // Another answer takes what stands of the first one back.
        await _client.Refused(HttpMethod.Post, url + "/trill-start", HttpStatusCode.Conflict, new { answer = "written" });
        await _client.Ok(HttpMethod.Post, url + "/trill-start", new { answer = "written", seen = "upper" });
        foreach (var place in places)
            Assert.Equal(1, await Decisions(place));
        await _client.Ok(HttpMethod.Delete, url + "/trill-start");
        foreach (var place in places)
            Assert.Equal(0, await Decisions(place));
        await _client.Refused(HttpMethod.Delete, url + "/trill-start", HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task A_level_is_written_into_the_music_of_every_etude()
    {
        var set = await _client.MakeSet("Levels");
        var url = $"/api/auditions/{set.Id()}/matters";
        var places = (await Matter(url, "no-dynamics")).List("places");
        Assert.Equal(3, places.Count);
        var decided = await _client.Ok(HttpMethod.Post, url + "/no-dynamics", new { answer = "mp" });
        Assert.Equal(0, decided.GetProperty("open").GetInt32());
        foreach (var place in places)
        {
            var piece = place.GetProperty("piece").GetInt64();
            var xml = await _client.GetStringAsync(
                new Uri($"/api/pieces/{piece}/export.musicxml", UriKind.Relative),
                TestContext.Current.CancellationToken
            );
            Assert.Contains("<mp", xml, StringComparison.Ordinal);
        }

        var style = (await _client.Json($"/api/auditions/{set.Id()}/style")).EnumerateArray().ToList();
        Assert.Contains(style, l => l.Text("told") == "Where no level is printed, begin mezzo piano.");
        Assert.Contains(style, l => l.Text("title") == "Which counting words?");
    }

    [Fact]
    public async Task A_new_edition_keeps_what_was_decided_for_all()
    {
        var set = await _client.MakeSet("Editions");
        var url = $"/api/auditions/{set.Id()}/matters";
        await _client.Ok(HttpMethod.Post, url + "/trill-start", new { answer = "upper" });
        var piece = set.EntryOf("flute").GetProperty("piece").GetInt64();
        using var file = Asking.File(
            AuditionAsking.Etude(
                "Flute",
                "",
                AuditionAsking.Slow.Replace("| C5h. | E5h D5q", "| C5h. | E5h F5q", StringComparison.Ordinal)
            ),
            "errata.xml"
        );
        var kept = await _client.PostAsync(
            new Uri($"/api/pieces/{piece}/editions", UriKind.Relative),
            file,
            TestContext.Current.CancellationToken
        );
        Assert.True(kept.IsSuccessStatusCode, await kept.Content.ReadAsStringAsync(TestContext.Current.CancellationToken));
        var after = await Matter(url, "trill-start");
        Assert.Equal((0, "upper"), (after.GetProperty("open").GetInt32(), after.Text("answer")));
    }

    [Theory]
    [InlineData("no-such-matter", "upper", HttpStatusCode.NotFound)]
    [InlineData("trill-start", "sideways", HttpStatusCode.BadRequest)]
    [InlineData("trill-start", null, HttpStatusCode.BadRequest)]
    [InlineData("vibrato", "none", HttpStatusCode.Conflict)]
    public async Task What_cannot_be_answered_is_refused_and_decides_nothing(string matter, string? answer, HttpStatusCode status)
    {
        var set = await _client.MakeSet("Refused");
        await _client.Refused(HttpMethod.Post, $"/api/auditions/{set.Id()}/matters/{matter}", status, new { answer });
        Assert.All(
            (await _client.Json($"/api/auditions/{set.Id()}/matters")).EnumerateArray(),
            m => Assert.True(m.GetProperty("open").GetInt32() > 0)
        );
    }

    private async Task<JsonElement> Matter(string url, string name) =>
        (await _client.Json(url)).EnumerateArray().Single(m => m.Text("name") == name);

    private async Task<int> Decisions(JsonElement place) =>
        (await _client.Json($"/api/pieces/{place.GetProperty("piece").GetInt64()}/decisions")).GetArrayLength();
}
