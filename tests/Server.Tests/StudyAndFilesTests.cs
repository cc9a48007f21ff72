using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using System.Xml.Linq;

namespace MellowStand.Server.Tests;

/// <summary>Study's judgement, editions, splits and tables over the HTTP interface, on a real SQLite file.</summary>
public sealed class StudyAndFilesTests : IDisposable
{
    private const string Two =
        "part \"Flute\"\ntempo:q=96 | F#4 G4 F#4 A4 | C5w | A#4 B4 C5 D5 | C5w\npart \"Oboe\"\n| F#4 G4 F#4 A4 | C5w | B4 B4 C5 D5 | C5w";

    private readonly SchoolServer _server = new();
    private readonly HttpClient _client;

    public StudyAndFilesTests() => _client = _server.CreateClient();

    public void Dispose()
    {
        _client.Dispose();
        _server.Dispose();
    }

    [Fact]
    public async Task A_finding_is_written_into_every_part_it_holds_for_and_undone()
    {
        var id = await _client.Import(Asking.Music(Two));
        var finding = (await Findings(id)).Single(f => f.GetProperty("rule").GetString() == "carried-accidental");
        Assert.Equal(2, finding.GetProperty("parts").GetArrayLength());
        var made = await _client.Send(HttpMethod.Post, $"/api/pieces/{id}/study/{finding.GetProperty("id").GetString()}/mark");
        Assert.Equal(HttpStatusCode.Created, made.StatusCode);
        Assert.Equal(2, (await Export(id)).Descendants("accidental").Count(a => a.Attribute("cautionary")?.Value == "yes"));
        Assert.DoesNotContain(await Findings(id), f => f.GetProperty("rule").GetString() == "carried-accidental");
        var decision = (await made.Content.ReadFromJsonAsync<JsonElement>(TestContext.Current.CancellationToken))
            .GetProperty("id")
            .GetInt64();
        await _client.Send(HttpMethod.Delete, $"/api/pieces/{id}/decisions/{decision}");
        Assert.DoesNotContain((await Export(id)).Descendants("accidental"), a => a.Attribute("cautionary") is not null);
    }

    [Theory]
    [InlineData("here", true, true)]
    [InlineData("piece", false, true)]
    [InlineData("everywhere", false, false)]
    public async Task A_dismissal_reaches_as_far_as_asked_and_can_be_taken_back(string scope, bool othersHere, bool otherPiece)
    {
        var id = await _client.Import(Asking.Music("| F#4 G4 F#4 A4 | C5w | G#4 A4 G#4 A4"));
        var other = await _client.Import(Asking.Music("| F#4 G4 F#4 A4"));
        var first = (await Findings(id))
            .First(f => f.GetProperty("rule").GetString() == "carried-accidental")
            .GetProperty("id")
            .GetString();
        await _client.Send(HttpMethod.Put, $"/api/pieces/{id}/study/{first}/dismissal?scope={scope}");
        Assert.Equal(othersHere, (await Findings(id)).Any(f => f.GetProperty("rule").GetString() == "carried-accidental"));
        Assert.Equal(otherPiece, (await Findings(other)).Any(f => f.GetProperty("rule").GetString() == "carried-accidental"));
        await _client.Send(HttpMethod.Delete, $"/api/pieces/{id}/study/{first}/dismissal");
        Assert.Equal(2, (await Findings(id)).Count(f => f.GetProperty("rule").GetString() == "carried-accidental"));
        Assert.Contains(await Findings(other), f => f.GetProperty("rule").GetString() == "carried-accidental");
    }

    [Fact]
    public async Task Counting_lines_follow_the_house_rule_and_the_asked_words()
    {
        var id = await _client.Import(Asking.Music("| C5q D5e E5e F5e3 G5e3 A5e3 C5q | C5w"));
        Assert.Equal(
            ["1 2 & 3 la li 4 / 1 2 & 3 la li 4", "1 / 1 (2) (3) (4)"],
            (await _client.Json($"/api/pieces/{id}/counting?part=P1"))
                .EnumerateArray()
                .Select(l => $"{l.GetProperty("line").GetString()} / {l.GetProperty("said").GetString()}")
        );
        Assert.Equal(
            "ta ta di ta ki da ta",
            (await _client.Json($"/api/pieces/{id}/counting?part=P1&from=1&to=1&words=takadimi"))[0].GetProperty("line").GetString()
        );
        var refused = await _client.Send(HttpMethod.Get, $"/api/pieces/{id}/counting?part=P1&words=nonsense");
        Assert.Equal(HttpStatusCode.BadRequest, refused.StatusCode);
        await refused.Sentence();
    }

    [Fact]
    public async Task A_part_of_two_players_is_split_and_joined_again()
    {
        var id = await _client.Import(Asking.Music("part \"Clarinet 1.2.\"\n| <C5,E5>q D5q <E5,G5>h | <C5,E5>w"));
        Assert.True((await _client.Json($"/api/pieces/{id}")).GetProperty("parts")[0].GetProperty("canSplit").GetBoolean());
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
        Assert.Equal(HttpStatusCode.OK, (await _client.Send(HttpMethod.Post, $"/api/pieces/{id}/parts/P1/split")).StatusCode);
        Assert.Equal(
            ["Clarinet 1", "Clarinet 2"],
            (await _client.Json($"/api/pieces/{id}")).GetProperty("parts").EnumerateArray().Select(p => p.GetProperty("name").GetString())
        );
        Assert.Single((await Export(id)).Descendants("accent"));
        await _client.Send(HttpMethod.Post, $"/api/pieces/{id}/editions/restore");
        Assert.Equal(1, (await _client.Json($"/api/pieces/{id}")).GetProperty("parts").GetArrayLength());
        Assert.Single((await Export(id)).Descendants("accent"));
        var nothing = await _client.Send(HttpMethod.Post, $"/api/pieces/{id}/editions/restore");
        Assert.Equal(HttpStatusCode.NotFound, nothing.StatusCode);
    }

    [Theory]
    [InlineData("notes", "Part,Measure,Beat")]
    [InlineData("findings", "Rule,Parts,From")]
    [InlineData("decisions", "Decision,Part,Measures")]
    public async Task Tables_come_as_csv_and_json(string table, string head)
    {
        var id = await _client.Import(Asking.Music(Two));
        await _client.Send(
            HttpMethod.Post,
            $"/api/pieces/{id}/decisions",
            new
            {
                part = "P1",
                notes = new[] { "P1-n1" },
                add = new[] { "words:=1+1" },
            }
        );
        var csv = await _client.GetStringAsync($"/api/pieces/{id}/tables/{table}.csv", TestContext.Current.CancellationToken);
        Assert.StartsWith(head, csv.TrimStart('\uFEFF'), StringComparison.Ordinal);
        Assert.True((await _client.Json($"/api/pieces/{id}/tables/{table}.json")).GetArrayLength() > 0);
        Assert.Equal(HttpStatusCode.NotFound, (await _client.Send(HttpMethod.Get, $"/api/pieces/{id}/tables/secrets.csv")).StatusCode);
    }

    [Fact]
    public async Task A_preview_keeps_nothing()
    {
        var response = await _client.PostAsync(
            "/api/pieces/preview",
            Asking.File(Asking.Music(Two), "two.musicxml"),
            TestContext.Current.CancellationToken
        );
        var preview = await response.Content.ReadFromJsonAsync<JsonElement>(TestContext.Current.CancellationToken);
        Assert.Equal(
            ["flute", "oboe"],
            preview.GetProperty("parts").EnumerateArray().Select(p => p.GetProperty("instrumentId").GetString())
        );
        Assert.Equal(0, (await _client.Json("/api/pieces")).GetArrayLength());
    }

    private async Task<List<JsonElement>> Findings(long id) => [.. (await _client.Json($"/api/pieces/{id}/study")).EnumerateArray()];

    private async Task<XDocument> Export(long id) =>
        XDocument.Parse(await _client.GetStringAsync($"/api/pieces/{id}/export.musicxml", TestContext.Current.CancellationToken));
}
