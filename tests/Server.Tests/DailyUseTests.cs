using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json;

namespace MellowStand.Server.Tests;

/// <summary>What the interface does for the desk in daily use: marks for many parts, reviews, seats, lists of players, records.</summary>
public sealed partial class DailyUseTests : IDisposable
{
    private const string Band =
        "part \"Flute\"\ntempo:q=96 | !p C5q D5q F#5q F5q | G5h A5h | rw | C5w\npart \"Clarinet in C\"\n| C4h E4h | G4w | C4w | C4w";

    private readonly SchoolServer _server = new();
    private readonly HttpClient _client;

    public DailyUseTests() => _client = _server.CreateClient();

    public void Dispose()
    {
        _client.Dispose();
        _server.Dispose();
    }

    [Fact]
    public async Task A_mark_reaches_several_parts_as_one_act()
    {
        var piece = await _client.Import(Asking.Music(Band));
        var made = await Post(
            $"/api/pieces/{piece}/marks",
            new
            {
                parts = (string[])["P1", "P2"],
                from = "1",
                add = (string[])["accent"],
            }
        );
        Assert.Equal(2, made.GetProperty("changes").GetArrayLength());
        var exported = Asking.Text(await _client.GetByteArrayAsync($"/api/pieces/{piece}/export.musicxml", Cancelled));
        Assert.Equal(6, exported.Split("<accent").Length - 1);
        var undone = await _client.Send(HttpMethod.Delete, $"/api/pieces/{piece}/decisions/acts/{made.GetProperty("act").GetInt64()}");
        Assert.Equal(HttpStatusCode.NoContent, undone.StatusCode);
        Assert.Empty((await _client.Json($"/api/pieces/{piece}/decisions")).EnumerateArray());
    }

    [Fact]
    public async Task A_mark_at_a_beat_goes_to_the_note_there()
    {
        var piece = await _client.Import(Asking.Music(Band));
        var made = await Post(
            $"/api/pieces/{piece}/marks",
            new
            {
                parts = (string[])["P1"],
                from = "1",
                fromBeat = 3,
                add = (string[])["tenuto"],
            }
        );
        Assert.Equal("P1-n3", made.GetProperty("changes")[0].GetProperty("notes")[0].GetString());
    }

    [Theory]
    [InlineData("""{"parts":[],"from":"1","add":["accent"]}""", "Choose at least one part")]
    [InlineData("""{"parts":["P1"],"from":"1"}""", "Choose a mark to add")]
    [InlineData("""{"parts":["P1"],"from":"9","add":["accent"]}""", "There is no measure")]
    [InlineData("""{"parts":["P7"],"from":"1","add":["accent"]}""", "There is no part")]
    [InlineData("""{"parts":["P1"],"from":"3","to":"3","add":["accent"]}""", "Flute has no note")]
    [InlineData("""{"parts":["P1"],"from":"1","fromBeat":0,"add":["accent"]}""", "There is no beat 0")]
    [InlineData("""{"parts":["P1"],"from":"1","add":["loudness"]}""", "There is no mark")]
    public async Task A_mark_that_makes_no_sense_is_refused_in_words(string body, string sentence)
    {
        var piece = await _client.Import(Asking.Music(Band));
        using var content = new StringContent(body, Encoding.UTF8, "application/json");
        var response = await _client.PostAsync($"/api/pieces/{piece}/marks", content, Cancelled);
        Assert.InRange((int)response.StatusCode, 400, 499);
        Assert.StartsWith(sentence, await response.Sentence(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_remark_stands_in_the_letters_of_exactly_its_parts_and_in_no_file()
    {
        var piece = await _client.Import(Asking.Music(Band));
        var before = await _client.GetByteArrayAsync($"/api/pieces/{piece}/export.musicxml", Cancelled);
        await Post(
            $"/api/pieces/{piece}/marks",
            new
            {
                parts = (string[])["P2"],
                from = "2",
                to = "2",
                add = (string[])["remark:softer"],
            }
        );
        var own = (await _client.Json($"/api/pieces/{piece}/letter?part=P2")).GetProperty("remarks");
        Assert.Equal("softer", Assert.Single(own.EnumerateArray()).GetProperty("words").GetString());
        Assert.Empty((await _client.Json($"/api/pieces/{piece}/letter?part=P1")).GetProperty("remarks").EnumerateArray());
        Assert.Equal(before, await _client.GetByteArrayAsync($"/api/pieces/{piece}/export.musicxml", Cancelled));
        Assert.Empty((await _client.Json($"/api/pieces/{piece}/remarks?from=3")).EnumerateArray());
    }

    [Fact]
    public async Task A_finding_is_written_in_once_and_says_so()
    {
        var piece = await _client.Import(Asking.Music(Band));
        // A note that plays alone does so after it is written in too; a missing level would be found no more.
        var found = (await _client.Json($"/api/pieces/{piece}/study?dismissed=true"))
            .EnumerateArray()
            .First(f => f.GetProperty("rule").GetString() == "solo");
        Assert.Equal(JsonValueKind.Null, found.GetProperty("written").ValueKind);
        var path = $"/api/pieces/{piece}/study/{found.GetProperty("id").GetString()}/mark";
        var made = await Post(path, null);
        Assert.Equal(made.GetProperty("id").GetInt64(), (await Finding(piece, found)).GetProperty("written").GetInt64());
        var again = await _client.Send(HttpMethod.Post, path);
        Assert.Equal(HttpStatusCode.Conflict, again.StatusCode);
        Assert.Contains("written in already", await again.Sentence(), StringComparison.Ordinal);
        await _client.Send(HttpMethod.Delete, $"/api/pieces/{piece}/decisions/{made.GetProperty("id").GetInt64()}");
        Assert.Equal(JsonValueKind.Null, (await Finding(piece, found)).GetProperty("written").ValueKind);
    }

    [Fact]
    public async Task Findings_are_sent_held_back_reworded_and_forgotten()
    {
        var piece = await _client.Import(Asking.Music(Band));
        var found = await OwnFinding(piece);
        var path = $"/api/pieces/{piece}/study/{found.GetProperty("id").GetString()}/review";
        await _client.Send(HttpMethod.Put, path, new { state = "sent", words = "Keep the sharp." });
        var sent = await Finding(piece, found);
        Assert.Equal(("sent", "Keep the sharp."), (sent.GetProperty("review").GetString(), sent.GetProperty("words").GetString()));
        await _client.Send(HttpMethod.Put, path, new { state = "held" });
        Assert.Equal("held", (await Finding(piece, found)).GetProperty("review").GetString());
        // Held back is not dismissed: the director still sees it, the letter does not.
        Assert.False((await Finding(piece, found)).GetProperty("dismissed").GetBoolean());
        var letter = await _client.Json($"/api/pieces/{piece}/letter?part=P1");
        Assert.DoesNotContain(letter.GetProperty("know").EnumerateArray(), f => Same(f, found));
        await _client.Send(HttpMethod.Delete, path);
        Assert.Equal(JsonValueKind.Null, (await Finding(piece, found)).GetProperty("review").ValueKind);
        var nonsense = await _client.Send(HttpMethod.Put, path, new { state = "shouted" });
        Assert.Equal(HttpStatusCode.BadRequest, nonsense.StatusCode);
    }

    [Fact]
    public async Task Many_findings_are_reviewed_as_one_act_and_keep_their_words()
    {
        var piece = await _client.Import(Asking.Music(Band));
        var found = await OwnFinding(piece);
        var all = (await _client.Json($"/api/pieces/{piece}/study")).EnumerateArray().Select(Id).ToList();
        await _client.Send(HttpMethod.Put, $"/api/pieces/{piece}/study/{Id(found)}/review", new { state = "held", words = "Sharp." });
        await _client.Send(HttpMethod.Post, $"/api/pieces/{piece}/study/reviews", new { findings = all, state = "sent" });
        var now = (await _client.Json($"/api/pieces/{piece}/study")).EnumerateArray().ToList();
        Assert.All(now, f => Assert.Equal("sent", f.GetProperty("review").GetString()));
        Assert.Equal("Sharp.", now.Single(f => Same(f, found)).GetProperty("words").GetString());
        await _client.Send(HttpMethod.Post, $"/api/pieces/{piece}/study/reviews", new { findings = all, state = (string?)null });
        Assert.All(
            (await _client.Json($"/api/pieces/{piece}/study")).EnumerateArray(),
            f => Assert.Null(f.GetProperty("review").GetString())
        );
    }

    [Fact]
    public async Task What_was_said_of_a_finding_goes_along_to_a_new_edition()
    {
        var piece = await _client.Import(Asking.Music(Band));
        var found = await OwnFinding(piece);
        await _client.Send(HttpMethod.Put, $"/api/pieces/{piece}/study/{Id(found)}/review", new { state = "sent", words = "Sharp." });
        var seated = await Seat(piece, "P1", (await Player("Fern Abbot", "flute")).Id);
        var next = Band.Replace("| C5w\npart", "| D5w\npart", StringComparison.Ordinal);
        var brought = await _client.PostAsync($"/api/pieces/{piece}/editions", Asking.File(Asking.Music(next), "next.musicxml"), Cancelled);
        Assert.True(brought.IsSuccessStatusCode);
        var carried = await OwnFinding(piece);
        Assert.Equal("Sharp.", carried.GetProperty("words").GetString());
        var seats = (await _client.Json($"/api/pieces/{piece}/seats"))[0];
        Assert.True(seats.GetProperty("byHand").GetBoolean());
        Assert.Equal(
            seated[0].GetProperty("players")[0].GetProperty("name").GetString(),
            seats.GetProperty("players")[0].GetProperty("name").GetString()
        );
    }

    [Fact]
    public async Task A_passage_is_asked_about_changed_and_told_when_somebody_else_was_first()
    {
        var piece = await _client.Import(Asking.Music(Band));
        var player = await Player("Fern Abbot", "flute");
        await _client.Send(
            HttpMethod.Put,
            $"/api/pieces/{piece}",
            new
            {
                title = "Band",
                kind = "piece",
                etudeSet = (string?)null,
                due = "2031-05-01",
                version = 0,
            }
        );
        var wanted = Passage("P2", [player.Section], "2031-06-01");
        var questions = (await Read(await _client.Send(HttpMethod.Post, $"/api/pieces/{piece}/passages/questions", wanted)))
            .EnumerateArray()
            .Select(q => q.GetString()!)
            .ToList();
        Assert.Equal(2, questions.Count);
        Assert.Contains("after Band is due", questions[0], StringComparison.Ordinal);
        Assert.Contains("plays Clarinet in C", questions[1], StringComparison.Ordinal);
        Assert.Empty(
            (await Post($"/api/pieces/{piece}/passages/questions", Passage("P1", [player.Section], "2031-04-01"))).EnumerateArray()
        );
        var made = await Post($"/api/pieces/{piece}/passages", Passage("P1", [player.Section], "2031-04-01"));
        var id = made.GetProperty("id").GetInt64();
        var changed = await _client.Send(HttpMethod.Put, $"/api/passages/{id}", Passage("P1", [player.Section], "2031-04-08", 0));
        Assert.Equal("2031-04-08", (await Read(changed)).GetProperty("due").GetString());
        var late = await _client.Send(HttpMethod.Put, $"/api/passages/{id}", Passage("P1", [player.Section], "2031-04-09", 0));
        Assert.Equal(HttpStatusCode.Conflict, late.StatusCode);
        var unseen = await _client.Send(HttpMethod.Put, $"/api/passages/{id}", Passage("P1", [player.Section], "2031-04-09"));
        Assert.Equal(HttpStatusCode.PreconditionRequired, unseen.StatusCode);
    }

    [Fact]
    public async Task A_sheet_tells_reviews_remarks_and_what_each_step_adds()
    {
        var piece = await _client.Import(Asking.Music(Band));
        var player = await Player("Fern Abbot", "flute");
        await Post(
            $"/api/pieces/{piece}/marks",
            new
            {
                parts = (string[])["P1"],
                from = "1",
                add = (string[])["remark:long bows"],
            }
        );
        var id = (await Post($"/api/pieces/{piece}/passages", Passage("P1", [player.Section], "2031-04-01"))).GetProperty("id").GetInt64();
        var sheet = await _client.Json($"/api/passages/{id}/sheet");
        Assert.Equal("long bows", sheet.GetProperty("remarks")[0].GetProperty("words").GetString());
        Assert.All(sheet.GetProperty("notes").EnumerateArray(), n => Assert.Null(n.GetProperty("review").GetString()));
        var advice = sheet.GetProperty("advice").EnumerateArray().Select(a => a.GetString()).ToList();
        Assert.Equal(sheet.GetProperty("passage").GetProperty("steps").GetArrayLength(), advice.Count);
        Assert.Equal("with the dynamics", advice[0]);
        await _client.Send(HttpMethod.Put, "/api/house-rules/dynamics-start", new { choice = "after-notes" });
        Assert.Equal("notes and rhythm first", (await _client.Json($"/api/passages/{id}/sheet")).GetProperty("advice")[0].GetString());
    }

    [Fact]
    public async Task A_part_to_play_from_has_its_rests_condensed()
    {
        var piece = await _client.Import(Asking.Music("part \"Flute\"\n| C5w | rw | rw | rw | C5w"));
        var paper = await _client.GetStringAsync($"/api/pieces/{piece}/slice.musicxml?part=P1&paper=true", Cancelled);
        Assert.Contains("<multiple-rest>3</multiple-rest>", paper, StringComparison.Ordinal);
        var screen = await _client.GetStringAsync($"/api/pieces/{piece}/slice.musicxml?part=P1", Cancelled);
        Assert.DoesNotContain("multiple-rest", screen, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_school_has_a_mark_of_its_own_told_to_who_is_signed_in()
    {
        using var other = new SchoolServer();
        using var there = other.CreateClient();
        var (here, again, elsewhere) = (await Mark(_client), await Mark(_client), await Mark(there));
        Assert.Equal(16, here?.Length);
        Assert.Equal(here, again);
        Assert.NotEqual(here, elsewhere);
        static async Task<string?> Mark(HttpClient client) => (await client.Json("/api/session")).GetProperty("school").GetString();
    }

    [Fact]
    public async Task A_print_on_no_paper_is_refused_and_one_that_was_never_made_is_not_there()
    {
        var piece = await _client.Import(Asking.Music(Band));
        var odd = await _client.Send(HttpMethod.Post, $"/api/pieces/{piece}/prints", new { paper = "A3" });
        Assert.Equal("The paper is A4 or Letter.", await odd.Sentence());
        Assert.Equal(HttpStatusCode.NotFound, (await _client.GetAsync("/api/prints/0123.zip", Cancelled)).StatusCode);
    }

    private static CancellationToken Cancelled => TestContext.Current.CancellationToken;

    private static string Id(JsonElement finding) => finding.GetProperty("id").GetString()!;

    private static bool Same(JsonElement a, JsonElement b) => Id(a) == Id(b);

    private static object Passage(string part, long[] sections, string due, int? version = null) =>
        new
        {
            title = "A passage",
            parts = (string[])[part],
            from = "1",
            to = "2",
            start = new { unit = "quarter", bpm = 60 },
            goal = new { unit = "quarter", bpm = 96 },
            by = "step",
            value = 6,
            due,
            sections,
            version,
        };

    private async Task<JsonElement> OwnFinding(long piece) =>
        (await _client.Json($"/api/pieces/{piece}/study?dismissed=true"))
            .EnumerateArray()
            .First(f => f.GetProperty("parts").GetArrayLength() == 1 && f.GetProperty("canWriteIn").GetBoolean());

    private async Task<JsonElement> Finding(long piece, JsonElement found) =>
        (await _client.Json($"/api/pieces/{piece}/study?dismissed=true")).EnumerateArray().Single(f => Same(f, found));

    private async Task<(long Id, long Section)> Player(string name, string instrument)
    {
        var sections = await Post("/api/ensemble/sections", new { name = $"Section of {name}" });
        var section = sections.EnumerateArray().Last().GetProperty("id").GetInt64();
        var player = await Post(
            "/api/ensemble/players",
            new
            {
                section,
                name,
                instrument,
                chair = 1,
            }
        );
        return (player.GetProperty("id").GetInt64(), section);
    }

    private async Task<JsonElement> Seat(long piece, string part, params long[] players) =>
        await Read(await _client.Send(HttpMethod.Put, $"/api/pieces/{piece}/parts/{part}/players", new { players }));

    private async Task<JsonElement> Preview(string text)
    {
        using var form = Asking.File(Encoding.UTF8.GetBytes(text), "list.csv");
        return await Read(await _client.PostAsync("/api/ensemble/roster/preview", form, Cancelled));
    }

    private async Task<JsonElement> Post(string path, object? body) => await Read(await _client.Send(HttpMethod.Post, path, body));

    private static async Task<JsonElement> Read(HttpResponseMessage response)
    {
        var text = await response.Content.ReadAsStringAsync(Cancelled);
        Assert.True(response.IsSuccessStatusCode, text);
        return JsonSerializer.Deserialize<JsonElement>(text);
    }
}
