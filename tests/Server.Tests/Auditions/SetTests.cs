using System.Net;
using System.Net.Http.Json;
using System.Text.Json;

namespace MellowStand.Server.Tests.Auditions;

/// <summary>Audition sets over the HTTP interface: made, corrected, lent, taken back.</summary>
public sealed class SetTests(OneSchool school) : IClassFixture<OneSchool>
{
    private static readonly CancellationToken Cancel = TestContext.Current.CancellationToken;

    private readonly HttpClient _client = school.Client;

    [Fact]
    public async Task A_folder_of_files_is_guessed_and_a_bad_one_is_told_by_name()
    {
        using var form = AuditionAsking.Files(
            ("lyrical flute.xml", AuditionAsking.Etude("Flute")),
            ("quick study.xml", AuditionAsking.Etude("Horn in F")),
            ("notes.xml", "no score"u8.ToArray())
        );
        var response = await _client.PostAsync(new Uri("/api/auditions/preview", UriKind.Relative), form, Cancel);
        var guesses = (await response.Content.ReadFromJsonAsync<JsonElement>(Cancel)).EnumerateArray().ToList();
        Assert.Equal(["flute", "horn-f", null], guesses.Select(g => g.GetProperty("instrument").GetString()));
        Assert.Equal(["lyrical", "technical"], guesses.Take(2).Select(g => g.Text("kind")));
        Assert.Contains("notes.xml", guesses[2].Text("problem"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_set_is_made_as_one_act_and_taken_back_with_its_pieces()
    {
        var before = (await _client.Json("/api/pieces")).GetArrayLength();
        var set = await _client.MakeSet("One act");
        Assert.Equal(["flute", "clarinet-bb", "tuba"], set.List("entries").Select(e => e.Text("instrument")));
        Assert.Equal((60.0, 72.0), (Number(set.EntryOf("flute"), "slowest"), Number(set.EntryOf("flute"), "quickest")));
        Assert.All(set.List("entries"), e => Assert.Equal(2, e.List("asked").Count));
        var url = $"/api/auditions/{set.Id()}";
        Assert.Equal(before + 3, (await _client.Json("/api/pieces")).GetArrayLength());
        await _client.Ok(HttpMethod.Delete, url);
        Assert.Equal(before, (await _client.Json("/api/pieces")).GetArrayLength());
        await _client.Refused(HttpMethod.Get, url, HttpStatusCode.NotFound);
        await _client.Ok(HttpMethod.Post, url + "/restore");
        Assert.Equal(3, (await _client.Json(url)).List("entries").Count);
        Assert.Equal(before + 3, (await _client.Json("/api/pieces")).GetArrayLength());
        await _client.Ok(HttpMethod.Delete, url);
    }

    [Theory]
    [InlineData("""{"name":"","rounds":[{"held":"2031-03-03"}],"entries":[]}""", "needs a name")]
    [InlineData("""{"name":"X","rounds":[],"entries":[]}""", "1 to 8 rounds")]
    [InlineData("""{"name":"X","rounds":[null],"entries":[]}""", "its day")]
    [InlineData("""{"name":"X","rounds":[{"held":"2031-03-03","way":"flown"}],"entries":[]}""", "A round is")]
    [InlineData(
        """{"name":"X","rounds":[{"held":"2031-03-03"}],"entries":[{"file":"b.xml","instrument":"flute","kind":"lyrical"}]}""",
        "b.xml"
    )]
    [InlineData(
        """{"name":"X","rounds":[{"held":"2031-03-03"}],"entries":[{"file":"a.xml","instrument":"kazoo","kind":"lyrical"}]}""",
        "kazoo"
    )]
    [InlineData(
        """{"name":"X","rounds":[{"held":"2031-03-03"}],"entries":[{"file":"a.xml","instrument":"flute","kind":"loud"}]}""",
        "The kind is"
    )]
    [InlineData("[1", "is no set")]
    [InlineData("null", "is no set")]
    public async Task A_set_that_makes_no_sense_is_refused_and_nothing_is_kept(string json, string word)
    {
        var before = (await _client.Json("/api/auditions")).GetArrayLength();
        using var form = AuditionAsking.Files(("a.xml", AuditionAsking.Etude("Flute")));
        form.Add(new StringContent(json), "set");
        var response = await _client.PostAsync(new Uri("/api/auditions", UriKind.Relative), form, Cancel);
        Assert.Equal(HttpStatusCode.BadRequest, response.StatusCode);
        Assert.Contains(word, await response.Sentence(), StringComparison.Ordinal);
        Assert.Equal(before, (await _client.Json("/api/auditions")).GetArrayLength());
    }

    [Fact]
    public async Task One_bad_file_keeps_the_whole_set_out()
    {
        var before = (await _client.Json("/api/pieces")).GetArrayLength();
        using var form = AuditionAsking.Files(("a.xml", AuditionAsking.Etude("Flute")), ("b.xml", "<html/>"u8.ToArray()));
        form.Add(
            new StringContent(
                """{"name":"X","rounds":[{"held":"2031-03-03"}],"entries":[{"file":"a.xml","instrument":"flute","kind":"lyrical"}]}"""
            ),
            "set"
        );
        var response = await _client.PostAsync(new Uri("/api/auditions", UriKind.Relative), form, Cancel);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, response.StatusCode);
        Assert.Contains("b.xml", await response.Sentence(), StringComparison.Ordinal);
        Assert.Equal(before, (await _client.Json("/api/pieces")).GetArrayLength());
    }

    [Fact]
    public async Task A_piece_is_corrected_by_whoever_saw_it_last()
    {
        var set = await _client.MakeSet("Corrected");
        var entry = set.EntryOf("clarinet-bb");
        var round = set.List("rounds")[0].Id();
        var url = $"/api/auditions/{set.Id()}/entries/{entry.Id()}";
        object Edit(string from, string to, int version) =>
            new
            {
                instrument = "bass-clarinet",
                kind = "excerpt",
                slowest = 50,
                quickest = 66,
                errata = "Measure 3 is tongued.",
                asked = new[]
                {
                    new
                    {
                        round,
                        from,
                        to,
                    },
                },
                version,
            };
        var now = await _client.Ok(HttpMethod.Put, url, Edit("2", "4", 0));
        var after = now.EntryOf("bass-clarinet");
        Assert.Equal(("excerpt", "Measure 3 is tongued.", 1), (after.Text("kind"), after.Text("errata"), after.List("asked").Count));
        var part = (await _client.Json($"/api/pieces/{entry.GetProperty("piece").GetInt64()}")).List("parts")[0];
        Assert.Equal("bass-clarinet", part.Text("instrumentId"));
        await _client.Refused(HttpMethod.Put, url, HttpStatusCode.Conflict, Edit("1", "4", 0));
        await _client.Ok(HttpMethod.Put, url, Edit("2", "99", 1));
        var figures = (await _client.Json($"/api/auditions/{set.Id()}/figures")).EnumerateArray().ToList();
        var own = figures.Single(f => f.GetProperty("entry").GetInt64() == entry.Id());
        Assert.Contains(own.List("notDone"), n => n.GetString()!.Contains("2–99, which are not there", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("written", null, -12, "the bass clarinet sounds an octave lower than the clarinet")]
    [InlineData("sounding", null, -12, "an octave higher it would leave the range: an octave lower is proposed")]
    [InlineData("sounding", 0, 0, "asked for all the same")]
    public async Task An_instrument_borrows_and_its_copy_stands_alone(string reading, int? octaves, int semitones, string why)
    {
        var set = await _client.MakeSet($"Lent, {why}");
        var entry = set.EntryOf("clarinet-bb");
        var url = $"/api/auditions/{set.Id()}/entries/{entry.Id()}/borrow";
        var plan = await _client.Json($"{url}?instrument=bass-clarinet&reading={reading}");
        Assert.Empty(plan.List("beyond"));
        var after = await _client.Ok(
            HttpMethod.Post,
            url,
            new
            {
                instrument = "bass-clarinet",
                reading,
                octaves,
            }
        );
        var copy = after.EntryOf("bass-clarinet");
        Assert.Equal(("Clarinet", reading), (copy.Text("lender"), copy.Text("reading")));
        var (mine, theirs) = (await Midi(entry), await Midi(copy));
        Assert.Equal(mine.Select(m => m + semitones), theirs);
        Assert.Empty((await _client.Json($"/api/pieces/{copy.GetProperty("piece").GetInt64()}")).List("warnings"));
        // What is decided in the one is not decided in the other.
        await _client.Ok(HttpMethod.Delete, $"/api/auditions/{set.Id()}/entries/{copy.Id()}");
        Assert.Equal(3, (await _client.Json($"/api/auditions/{set.Id()}")).List("entries").Count);
        await _client.Ok(HttpMethod.Post, $"/api/auditions/{set.Id()}/entries/{copy.Id()}/restore");
        Assert.Equal(4, (await _client.Json($"/api/auditions/{set.Id()}")).List("entries").Count);
    }

    [Fact]
    public async Task Borrowing_that_makes_no_sense_is_refused()
    {
        var set = await _client.MakeSet("Not lent");
        var url = $"/api/auditions/{set.Id()}/entries/{set.EntryOf("flute").Id()}/borrow";
        await _client.Refused(HttpMethod.Get, $"{url}?instrument=flute&reading=written", HttpStatusCode.BadRequest);
        await _client.Refused(HttpMethod.Get, $"{url}?instrument=kazoo&reading=written", HttpStatusCode.BadRequest);
        await _client.Refused(HttpMethod.Get, $"{url}?instrument=oboe&reading=upside-down", HttpStatusCode.BadRequest);
        await _client.Refused(HttpMethod.Get, $"{url}?instrument=oboe&reading=written&octaves=9", HttpStatusCode.BadRequest);
    }

    [Fact]
    public async Task Rounds_are_added_renamed_and_taken_back()
    {
        var set = await _client.MakeSet("Rounds");
        var url = $"/api/auditions/{set.Id()}";
        var first = set.List("rounds")[0];
        object Round(long? id, string name) =>
            new
            {
                id,
                name,
                held = AuditionAsking.Day(40),
                way = "live",
            };
        var now = await _client.Ok(
            HttpMethod.Put,
            url,
            new
            {
                name = "Rounds",
                rounds = new[] { Round(first.Id(), "Region"), Round(null, "State") },
                version = 0,
            }
        );
        Assert.Equal(["Region", "State"], now.List("rounds").Select(r => r.Text("name")));
        // A round that was taken back is named again with what it asked.
        var second = set.List("rounds")[1].Id();
        object Both(object other, int version) =>
            new
            {
                name = "Rounds",
                rounds = new[] { Round(first.Id(), "Region"), other },
                version,
            };
        var back = await _client.Ok(HttpMethod.Put, url, Both(Round(second, "Second round"), 1));
        Assert.All(back.List("entries"), e => Assert.Equal(2, e.List("asked").Count));
        now = await _client.Ok(HttpMethod.Put, url, Both(Round(null, "State"), 2));
        // The second round is gone, and nothing is asked for it any more; the new one asks nothing yet.
        Assert.All(now.List("entries"), e => Assert.Equal([first.Id()], e.List("asked").Select(a => a.GetProperty("round").GetInt64())));
        await _client.Refused(
            HttpMethod.Put,
            url,
            HttpStatusCode.Conflict,
            new
            {
                name = "Late",
                rounds = new[] { Round(first.Id(), "Region") },
                version = 0,
            }
        );
        await _client.Refused(
            HttpMethod.Put,
            url,
            HttpStatusCode.NotFound,
            new
            {
                name = "Other",
                rounds = new[] { Round(987654, "Region") },
                version = 3,
            }
        );
    }

    [Fact]
    public async Task A_list_of_scales_joins_a_set()
    {
        var set = await _client.MakeSet("With scales");
        var scales = await _client.Ok(
            HttpMethod.Post,
            "/api/scales",
            new { instrument = "flute", scales = new[] { new { kind = "major", tonic = "Bb" }, new { kind = "chromatic", tonic = "F" } } }
        );
        var body = new
        {
            piece = scales.Id(),
            instrument = "flute",
            kind = "scales",
        };
        var now = await _client.Ok(HttpMethod.Post, $"/api/auditions/{set.Id()}/entries", body);
        Assert.Equal(["lyrical", "scales"], now.List("entries").Where(e => e.Text("instrument") == "flute").Select(e => e.Text("kind")));
        await _client.Refused(HttpMethod.Post, $"/api/auditions/{set.Id()}/entries", HttpStatusCode.Conflict, body);
    }

    private async Task<List<int>> Midi(JsonElement entry)
    {
        var (piece, part) = (entry.GetProperty("piece").GetInt64(), entry.Text("part"));
        var notes = await _client.Json($"/api/pieces/{piece}/parts/{part}/notes");
        return [.. notes.EnumerateArray().SelectMany(n => n.List("midi")).Select(m => m.GetInt32())];
    }

    private static double Number(JsonElement e, string name) => e.GetProperty(name).GetDouble();
}
