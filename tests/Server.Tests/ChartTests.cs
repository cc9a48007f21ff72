using System.Net;
using System.Text.Json;

namespace MellowStand.Server.Tests;

/// <summary>Charts over the HTTP interface: read, corrected for the school, followed by every plan, taken back; what players' instruments
/// have.</summary>
public sealed class ChartTests : IDisposable
{
    private const string Flute = "part \"Flute\"\nkey:F tempo:q=96 | A4 Bb4 C5 D5";
    private const string Oboe = "part \"Oboe\"\nkey:C tempo:q=96 | D4 F4 D4 F4";

    private readonly SchoolServer _server = new();
    private readonly HttpClient _client;

    public ChartTests() => _client = _server.CreateClient();

    public void Dispose()
    {
        _client.Dispose();
        _server.Dispose();
    }

    [Fact]
    public async Task Every_instrument_has_a_chart_needs_none_or_is_not_guessed()
    {
        var rows = (await _client.Json("/api/charts"))
            .EnumerateArray()
            .ToDictionary(r => r.GetProperty("instrument").GetString()!, r => r.GetProperty("has").GetString());
        Assert.Equal(("chart", "sticks", "none"), (rows["bassoon"], rows["timpani"], rows["harp"]));
        foreach (var id in rows.Where(r => r.Value == "chart").Select(r => r.Key))
        {
            var chart = await _client.Json($"/api/charts/{id}");
            Assert.NotEmpty(chart.GetProperty("source").GetString()!);
            Assert.All(chart.GetProperty("notes").EnumerateArray(), n => Assert.NotEqual(0, n.GetProperty("fingerings").GetArrayLength()));
        }
    }

    [Theory]
    [InlineData("harp", "does not guess")]
    [InlineData("marimba", "Sticks need none")]
    public async Task What_has_no_chart_says_so(string id, string words)
    {
        var refused = await _client.Send(HttpMethod.Get, $"/api/charts/{id}");
        Assert.Equal(HttpStatusCode.NotFound, refused.StatusCode);
        Assert.Contains(words, await refused.Sentence(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_correction_is_followed_at_once_and_can_be_taken_back()
    {
        var id = await _client.Import(Asking.Music(Flute));
        Assert.Equal("thumb", await Choice(id, 1));
        Assert.Equal(HttpStatusCode.OK, (await Correct("flute", 70, "thumb", "never")).StatusCode);
        Assert.Equal("one-and-one", await Choice(id, 1));
        var note = Note(await _client.Json("/api/charts/flute"), 70);
        Assert.Equal("thumb", Assert.Single(note.GetProperty("struck").EnumerateArray()).GetProperty("code").GetString());
        Assert.Equal(HttpStatusCode.OK, (await _client.Send(HttpMethod.Delete, "/api/charts/flute/corrections/70/thumb")).StatusCode);
        Assert.Equal("thumb", await Choice(id, 1));
        Assert.Equal(HttpStatusCode.NotFound, (await _client.Send(HttpMethod.Delete, "/api/charts/flute/corrections/70/thumb")).StatusCode);
    }

    [Fact]
    public async Task A_new_fingering_comes_first_where_it_is_the_usual_one_and_the_earlier_one_gives_way()
    {
        await Correct("flute", 70, "one-and-one", "usual");
        await Correct("flute", 70, "ours", "usual", ["Th", "1", "5", "Eb"]);
        var fingerings = Note(await _client.Json("/api/charts/flute"), 70).GetProperty("fingerings");
        Assert.Equal("ours", fingerings[0].GetProperty("code").GetString());
        Assert.Equal(
            "alternate",
            fingerings.EnumerateArray().First(f => f.GetProperty("code").GetString() == "one-and-one").GetProperty("standing").GetString()
        );
        Assert.Equal(
            2,
            (await _client.Json("/api/charts"))
                .EnumerateArray()
                .First(r => r.GetProperty("instrument").GetString() == "flute")
                .GetProperty("corrections")
                .GetInt32()
        );
    }

    [Theory]
    [InlineData("flute", 20, "thumb", "never", null, "has no such note")]
    [InlineData("flute", 70, "thumb", "sometimes", null, "stands as one of")]
    [InlineData("flute", 70, "<b>", "usual", "Th", "small letters")]
    [InlineData("flute", 70, "ours", "usual", "Q", "no key")]
    [InlineData("flute", 70, "ours", "usual", null, "at least one key")]
    [InlineData("trumpet-bb", 64, "ours", "usual", null, "Only charts of keys")]
    [InlineData("trumpet-bb", 64, "1-2", "avoid", "1", "is computed")]
    public async Task A_correction_that_cannot_be_made_is_refused_in_words(
        string id,
        int written,
        string code,
        string standing,
        string? key,
        string words
    )
    {
        var refused = await Correct(id, written, code, standing, key is null ? null : [key]);
        Assert.Equal(HttpStatusCode.BadRequest, refused.StatusCode);
        Assert.Contains(words, await refused.Sentence(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_part_is_fingered_for_the_instruments_of_those_who_play_it()
    {
        var id = await _client.Import(Asking.Music(Oboe));
        Assert.Equal("left", await Choice(id, 1));
        var sections = await (
            await _client.Send(HttpMethod.Post, "/api/ensemble/sections", new { name = "Oboes" })
        ).Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
        var section = JsonDocument.Parse(sections).RootElement[0].GetProperty("id").GetInt64();
        var unknown = await _client.Send(
            HttpMethod.Post,
            "/api/ensemble/players",
            new
            {
                section,
                name = "Ode Farrow",
                instrument = "oboe",
                chair = 1,
                options = new[] { "fourth-valve" },
            }
        );
        Assert.Contains("no option", await unknown.Sentence(), StringComparison.Ordinal);
        var made = await _client.Send(
            HttpMethod.Post,
            "/api/ensemble/players",
            new
            {
                section,
                name = "Ode Farrow",
                instrument = "oboe",
                chair = 1,
                options = Array.Empty<string>(),
            }
        );
        Assert.Equal(HttpStatusCode.Created, made.StatusCode);
        Assert.Equal("forked", await Choice(id, 1));
    }

    [Fact]
    public async Task The_answer_carries_the_diagram_trills_and_tunings()
    {
        var id = await _client.Import(
            Asking.Music("part \"Flute\"\nkey:F tempo:q=96 | Bb4h(tr) Bb4h | Bb4w\npart \"Timpani\" clef:F4\n| C3q G2q C3q G2q | D3w")
        );
        var flute = await _client.Json($"/api/pieces/{id}/technique?part=P1");
        Assert.Equal("keys", flute.GetProperty("kind").GetString());
        Assert.Contains("Tb", flute.GetProperty("choices")[1].GetProperty("keys").EnumerateArray().Select(k => k.GetString()));
        Assert.Contains(
            "thumb",
            Assert.Single(flute.GetProperty("trills").EnumerateArray()).GetProperty("how").GetString()!,
            StringComparison.Ordinal
        );
        var timpani = await _client.Json($"/api/pieces/{id}/technique?part=P2");
        Assert.Equal(3, timpani.GetProperty("tunings").GetArrayLength());
        Assert.Equal(JsonValueKind.Null, timpani.GetProperty("kind").ValueKind);
    }

    private Task<HttpResponseMessage> Correct(string id, int written, string code, string standing, string[]? keys = null) =>
        _client.Send(
            HttpMethod.Put,
            $"/api/charts/{id}/corrections",
            new
            {
                written,
                code,
                standing,
                keys,
                remark = "",
            }
        );

    private async Task<string?> Choice(long id, int place) =>
        (await _client.Json($"/api/pieces/{id}/technique?part=P1")).GetProperty("choices")[place].GetProperty("choice").GetString();

    private static JsonElement Note(JsonElement chart, int midi) =>
        chart.GetProperty("notes").EnumerateArray().First(n => n.GetProperty("midi").GetInt32() == midi);
}
