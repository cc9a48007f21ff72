using System.Text.Json;

namespace MellowStand.Server.Tests;

/// <summary>How many queries an answer takes: a page of a large school asks as few as one of a small one.</summary>
public sealed class QueryCountTests(OneSchool school) : IClassFixture<OneSchool>
{
    private const int Most = 10;

    private readonly HttpClient _client = school.Client;

    // The pieces were read before; whatever else an answer rests on is worked out anew, since the address was never asked.
    [Fact]
    public async Task No_answer_takes_more_than_ten_queries()
    {
        var all = await Addresses();
        foreach (var address in all)
            _ = await Queries(address, 0);
        var many = new List<string>();
        foreach (var address in all)
            if (await Queries(address, 1) is var n && n > Most)
                many.Add($"{n} {address}");
        Assert.True(many.Count == 0, $"More than {Most} queries:\n{string.Join('\n', many.Order())}");
        Assert.True(all.Count > 80, $"Only {all.Count} addresses were asked.");
    }

    // One logged tempo makes what rests on the log stale and nothing else: no answer reads the school anew.
    [Fact]
    public async Task After_a_logged_tempo_no_answer_takes_more_than_ten_queries_either()
    {
        var all = await Addresses();
        foreach (var address in all)
            _ = await Queries(address, 2);
        var many = new List<string>();
        foreach (var address in all)
        {
            await Log();
            if (await Queries(address, 3) is var n && n > Most)
                many.Add($"{n} {address}");
        }

        Assert.True(many.Count == 0, $"More than {Most} queries:\n{string.Join('\n', many.Order())}");
    }

    [Fact]
    public async Task What_stands_is_given_again_with_one_query_for_the_counters()
    {
        foreach (var address in new[] { "/api/season", "/api/passages", "/api/log", "/api/tests", "/api/auditions/1/figures" })
        {
            _ = await Queries(address, 4);
            Assert.True(await Queries(address, 4) <= 1, address);
        }
    }

    // Logging takes as many queries in a school with forty passages as in one with four.
    [Fact]
    public async Task One_act_asks_few_queries()
    {
        await Log();
        var before = school.Server.Database.Queries;
        await Log();
        Assert.InRange(school.Server.Database.Queries - before, 1, Most);
    }

    private async Task Log()
    {
        var passage = (await _client.Json("/api/passages"))[0];
        var body = new
        {
            passage = passage.GetProperty("id").GetInt64(),
            player = 1,
            unit = "quarter",
            bpm = 72,
        };
        Assert.True((await _client.Send(HttpMethod.Post, "/api/log", body)).IsSuccessStatusCode);
    }

    // Another query string, another answer: what was kept of an earlier one is no help.
    private async Task<long> Queries(string address, int turn)
    {
        var before = school.Server.Database.Queries;
        var url = $"{address}{(address.Contains('?', StringComparison.Ordinal) ? '&' : '?')}turn={turn}";
        var answer = await _client.GetAsync(new Uri(url, UriKind.Relative), TestContext.Current.CancellationToken);
        var said = await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
        Assert.True(answer.IsSuccessStatusCode, $"{address}: {said}");
        return school.Server.Database.Queries - before;
    }

    private async Task<List<string>> Addresses()
    {
        var plan = (await _client.Json("/api/season")).GetProperty("plan").GetProperty("id").GetInt64();
        var paths = (await _client.Json("/openapi/v1.json")).GetProperty("paths").EnumerateObject();
        return
        [
            .. paths
                .Where(p => p.Value.TryGetProperty("get", out _) && !Left.Any(l => p.Name.Contains(l, StringComparison.Ordinal)))
                .Select(p => Filled(p.Name, plan)),
        ];
    }

    // What is there only while something runs.
    private static readonly string[] Left = ["/jobs/", "/prints/"];

    private static readonly Dictionary<string, string> Places = new()
    {
        ["id"] = "1",
        ["part"] = "P3",
        ["passage"] = "1",
        ["player"] = "1",
        ["section"] = "1",
        ["set"] = "1",
        ["round"] = "1",
        ["entry"] = "1",
        ["mock"] = "1",
        ["test"] = "1",
        ["instrument"] = "flute",
        ["recipe"] = "long-short",
        ["table"] = "notes",
    };

    private static readonly Dictionary<string, string> Asked = new()
    {
        ["/api/pieces/{id}/technique"] = "part=P3&from=21&to=24",
        ["/api/pieces/{id}/counting"] = "part=P3&from=21&to=24",
        ["/api/pieces/{id}/letter"] = "part=P3",
        ["/api/pieces/{id}/slice.musicxml"] = "part=P3&from=21&to=24",
        ["/api/pieces/{id}/pencil.musicxml"] = "part=P3&from=21&to=24",
        ["/api/pieces/{id}/heat/reasons"] = "part=P3&index=21",
        ["/api/pieces/{id}/click.mid"] = "from=1&to=2&unit=quarter&bpm=90",
        ["/api/pieces/{id}/variants"] = "part=P6&from=21&to=26",
        ["/api/pieces/{id}/variants/{recipe}.musicxml"] = "part=P6&from=21&to=26",
        ["/api/passages/{passage}/gives"] = "section=1",
        ["/api/scales.musicxml"] = "instrument=clarinet-bb&kind=major&tonic=F",
        ["/api/scales/keys"] = "instrument=flute&kind=major",
        ["/api/scales/list.musicxml"] = "instrument=flute&kinds=major&tonics=G",
        ["/api/auditions/{set}/entries/{entry}/borrow"] = "instrument=alto-clarinet&reading=written",
    };

    private static string Filled(string route, long plan)
    {
        var path = Places
            .Append(KeyValuePair.Create("plan", $"{plan}"))
            .Aggregate(route, (text, place) => text.Replace($"{{{place.Key}}}", place.Value, StringComparison.Ordinal));
        return Asked.TryGetValue(route, out var query) ? $"{path}?{query}" : path;
    }
}
