using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging.Abstractions;

namespace MellowStand.Server.Tests;

/// <summary>Jobs, host names, players who leave, kept pieces, stored figures, pieces of earlier versions.</summary>
public sealed class HouseTests : IDisposable
{
    private const string Tune = "part \"Flute\"\n| C5q(.) D5q E5q F5q\npart \"Oboe\"\n| C5q D5q E5q F5q";

    private readonly SchoolServer _server = new();

    public void Dispose() => _server.Dispose();

    [Theory]
    [InlineData("127.0.0.1", HttpStatusCode.OK)]
    [InlineData("localhost:5230", HttpStatusCode.OK)]
    [InlineData("[::1]", HttpStatusCode.OK)]
    [InlineData("stand.example", HttpStatusCode.MisdirectedRequest)] // a foreign name that resolves here
    [InlineData("127.0.0.1.example", HttpStatusCode.MisdirectedRequest)]
    public async Task Only_named_hosts_are_answered(string host, HttpStatusCode expected)
    {
        using var client = _server.CreateClient();
        using var request = new HttpRequestMessage(HttpMethod.Get, "/api/pieces");
        request.Headers.Host = host;
        var answer = await client.SendAsync(request, TestContext.Current.CancellationToken);
        Assert.Equal(expected, answer.StatusCode);
        if (expected != HttpStatusCode.OK)
            Assert.Contains("does not answer under that name", await answer.Sentence(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_large_import_is_a_job_that_is_found_again_and_told_once()
    {
        using var client = _server.CreateClient();
        var sent = await client.PostAsync(
            "/api/pieces?later=true",
            Asking.File(Asking.Music(Tune), "tune.musicxml"),
            TestContext.Current.CancellationToken
        );
        Assert.Equal(HttpStatusCode.Accepted, sent.StatusCode);
        var id = (await sent.Content.ReadFromJsonAsync<JsonElement>(TestContext.Current.CancellationToken)).GetProperty("id").GetString();
        var job = await Over(client, id!);
        Assert.Equal("done", job.GetProperty("state").GetString());
        Assert.Equal(2, (await client.Json(job.GetProperty("result").GetString()!)).GetProperty("parts").GetArrayLength());
        Assert.Equal("done", (await client.Json($"/api/jobs/{id}")).GetProperty("state").GetString());
        Assert.Equal(HttpStatusCode.NotFound, (await client.Send(HttpMethod.Get, $"/api/jobs/{id}")).StatusCode);
    }

    [Fact]
    public async Task A_job_that_fails_says_why_and_keeps_nothing()
    {
        using var client = _server.CreateClient();
        var sent = await client.PostAsync(
            "/api/pieces?later=true",
            Asking.File("<nonsense/>"u8.ToArray(), "no.musicxml"),
            TestContext.Current.CancellationToken
        );
        var id = (await sent.Content.ReadFromJsonAsync<JsonElement>(TestContext.Current.CancellationToken)).GetProperty("id").GetString();
        var job = await Over(client, id!);
        Assert.Equal("failed", job.GetProperty("state").GetString());
        Assert.StartsWith("no.musicxml: The file is XML but no score", job.GetProperty("sentence").GetString(), StringComparison.Ordinal);
        Assert.Equal(0, (await client.Json("/api/pieces")).GetArrayLength());
    }

    [Fact]
    public async Task A_job_is_cancelled_while_it_waits_or_runs_and_the_queue_goes_on()
    {
        using var jobs = new Jobs(NullLogger<Jobs>.Instance);
        using var started = new SemaphoreSlim(0);
        await jobs.StartAsync(TestContext.Current.CancellationToken);
        var running = jobs.Add(
            "runs",
            p =>
            {
                started.Release();
                for (var i = 0; ; i++)
                    p.Report(i, 0, "on and on");
            }
        );
        var waiting = jobs.Add("waits", _ => throw new InvalidOperationException("must not run"));
        await started.WaitAsync(TestContext.Current.CancellationToken);
        Assert.True(jobs.Cancel(waiting.Id));
        Assert.True(jobs.Cancel(running.Id));
        var last = jobs.Add("goes on", p => p.Made("/here"));
        while (jobs.Find(last.Id)!.State is "waiting" or "running")
            await Task.Delay(5, TestContext.Current.CancellationToken);
        Assert.Equal(["cancelled", "cancelled", "done"], new[] { running, waiting, last }.Select(j => jobs.Find(j.Id)!.State));
        Assert.False(jobs.Cancel(last.Id));
        await jobs.StopAsync(TestContext.Current.CancellationToken);
    }

    [Fact]
    public async Task A_player_who_leaves_keeps_their_history_and_may_come_back()
    {
        using var client = _server.CreateClient();
        var section = (await Made(client, "/api/ensemble/sections", new { name = "Winds" }))[0].GetProperty("id").GetInt64();
        var player = (
            await Made(
                client,
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
        var piece = await client.Import(Asking.Music(Tune));
        var due = TestDay.In(9);
        var tempo = new { unit = "quarter", bpm = 60 };
        var passage = (
            await Made(
                client,
                $"/api/pieces/{piece}/passages",
                new
                {
                    parts = new[] { "P1" },
                    start = tempo,
                    goal = tempo,
                    by = "step",
                    value = 6,
                    due,
                    players = new[] { player },
                }
            )
        ).GetProperty("id").GetInt64();
        await Made(
            client,
            "/api/log",
            new
            {
                passage,
                player,
                unit = "quarter",
                bpm = 60,
            }
        );

        Assert.Equal(HttpStatusCode.NoContent, (await client.Send(HttpMethod.Delete, $"/api/ensemble/players/{player}")).StatusCode);
        Assert.Empty((await client.Json("/api/ensemble"))[0].GetProperty("players").EnumerateArray());
        var entry = Assert.Single((await client.Json("/api/log")).EnumerateArray());
        Assert.Equal("Ida Vale", entry.GetProperty("playerName").GetString());
        // Their section may be closed, and is open again when they come back.
        Assert.Equal(HttpStatusCode.OK, (await client.Send(HttpMethod.Delete, $"/api/ensemble/sections/{section}")).StatusCode);
        Assert.Equal(HttpStatusCode.NoContent, (await client.Send(HttpMethod.Post, $"/api/ensemble/players/{player}/restore")).StatusCode);
        Assert.Single((await client.Json("/api/ensemble"))[0].GetProperty("players").EnumerateArray());
        Assert.Equal(HttpStatusCode.NotFound, (await client.Send(HttpMethod.Post, $"/api/ensemble/players/{player}/restore")).StatusCode);
    }

    [Fact]
    public async Task A_learned_instrument_and_a_house_rule_reach_pieces_that_are_open_already()
    {
        using var client = _server.CreateClient();
        const string Odd = "part \"Zink\"\n| C5q D5q E5q F5q";
        var (first, second) = (await client.Import(Asking.Music(Odd)), await client.Import(Asking.Music(Odd)));
        Assert.Null((await client.Json($"/api/pieces/{second}")).GetProperty("parts")[0].GetProperty("instrumentId").GetString());
        await client.Send(HttpMethod.Put, $"/api/pieces/{first}/parts/P1/instrument", new { instrument = "trumpet-bb" });
        Assert.Equal(
            "trumpet-bb",
            (await client.Json($"/api/pieces/{second}")).GetProperty("parts")[0].GetProperty("instrumentId").GetString()
        );
    }

    [Fact]
    public async Task The_shelf_tells_what_changed_at_once()
    {
        using var client = _server.CreateClient();
        var piece = await client.Import(Asking.Music(Tune));
        var open = await Figure(client, "openDifferences");
        var findings = await Figure(client, "findings");
        Assert.True(open > 0);
        var differences = (await client.Json($"/api/pieces/{piece}/unify")).EnumerateArray().Select(d => d.GetProperty("id").GetString());
        await Made(client, $"/api/pieces/{piece}/decisions/all", new { kind = (string?)null, differences });
        Assert.Equal(0, await Figure(client, "openDifferences"));
        foreach (var f in (await client.Json($"/api/pieces/{piece}/study")).EnumerateArray())
            await client.Send(HttpMethod.Put, $"/api/pieces/{piece}/study/{f.GetProperty("id").GetString()}/dismissal");
        Assert.True(await Figure(client, "findings") <= findings);
        Assert.Equal(0, await Figure(client, "findings"));
    }

    [Fact]
    public void The_piece_that_was_not_used_for_longest_gives_way()
    {
        var kept = new KeptPieces(budget: 10_000);
        var pieces = Enumerable.Range(1, 6).Select(Open).ToList();
        var each = pieces[0].Layer.Edition.Size;
        kept = new KeptPieces(budget: each * 3);
        foreach (var p in pieces.Take(3))
            kept.Keep(p);
        Assert.NotNull(kept.Find(1)); // used again: two is now the oldest
        kept.Keep(pieces[3]);
        Assert.Null(kept.Find(2));
        Assert.NotNull(kept.Find(1));
        Assert.Equal(3, kept.Count);
        // One that is larger than all the room is kept alone.
        var tiny = new KeptPieces(budget: 1);
        tiny.Keep(pieces[0]);
        tiny.Keep(pieces[1]);
        Assert.Equal(1, tiny.Count);
    }

    /// <summary>A database as the version before wrote it: dismissals by their words, decisions by the readings, passages by place
    /// alone.</summary>
    [Fact]
    public async Task Pieces_of_an_earlier_version_keep_their_decisions_dismissals_and_passages()
    {
        using var client = _server.CreateClient();
        var piece = await client.Import(
            Asking.Music(
                "title: Old\nkey:C\npart \"Flute\"\n| C5q(.) D5q(.) E5q(.) F5q(.) | F#4q G4q F#4q A4q\npart \"Oboe\"\n| C5q D5q "
                    + "E5q F5q | F#4q G4q F#4q A4q"
            )
        );
        var layer = _server.Services.GetRequiredService<PieceDesk>().Open(piece).Layer;
        var difference = layer.Differences.First(d => d.Kind == "articulation");
        var finding = layer.Findings.First(f => f.Rule == "carried-accidental");
        await Made(client, $"/api/pieces/{piece}/decisions", new { difference = difference.Id });
        Assert.Equal(
            HttpStatusCode.NoContent,
            (await client.Send(HttpMethod.Put, $"/api/pieces/{piece}/study/{finding.Id}/dismissal")).StatusCode
        );
        using (var c = _server.Database.Open())
        {
            Run(c, $"UPDATE decision SET difference = '{difference.FormerId}', edition = NULL");
            Run(c, $"UPDATE quiet_finding SET finding = '{finding.FormerId}', edition = NULL, rule = NULL, parts = '', notes = ''");
            Run(
                c,
                "INSERT INTO passage (piece_id, title, parts, from_index, to_index, start_unit, start_bpm, goal_unit, goal_bpm, "
                    + "climb, climb_value, begins, due) "
                    + $"VALUES ({piece}, 'Old', 'P1', 1, 1, 'quarter', 60, 'quarter', 90, 'step', 6, '2026-01-01', '2026-02-01')"
            );
            Run(c, "UPDATE piece SET edition = NULL");
        }

        using var again = _server.Again();
        using var fresh = again.CreateClient();
        var decided = (await fresh.Json($"/api/pieces/{piece}/unify"))
            .EnumerateArray()
            .First(d => d.GetProperty("id").GetString() == difference.Id);
        Assert.Equal("accepted", decided.GetProperty("state").GetString());
        var quiet = (await fresh.Json($"/api/pieces/{piece}/study?dismissed=true"))
            .EnumerateArray()
            .First(f => f.GetProperty("id").GetString() == finding.Id);
        Assert.True(quiet.GetProperty("dismissed").GetBoolean());
        var passage = Assert.Single((await fresh.Json($"/api/pieces/{piece}/passages")).EnumerateArray());
        Assert.Equal(("2", true), (passage.GetProperty("from").GetString(), passage.GetProperty("placed").GetBoolean()));
    }

    private static OpenPiece Open(int id)
    {
        var edition = Core.Layers.Edition.Read(Asking.Music($"title: {id}\n{Tune}"));
        var knowledge = new Core.Layers.Knowledge(
            edition.Printed,
            Core.Layers.School.None,
            new Dictionary<string, string>(),
            new Dictionary<string, string>()
        );
        return new OpenPiece(
            new PieceRow(id, "", "piece", null, null, "", edition.Id, default, 0),
            Core.Layers.Layer.Of(edition, knowledge, []),
            new Dictionary<string, int>()
        );
    }

    private static async Task<int> Figure(HttpClient client, string name) =>
        (await client.Json("/api/pieces"))[0].GetProperty(name).GetInt32();

    private static async Task<JsonElement> Over(HttpClient client, string id)
    {
        for (; ; )
        {
            var job = (await client.Json("/api/jobs")).EnumerateArray().Single(j => j.GetProperty("id").GetString() == id);
            if (job.GetProperty("state").GetString() is "done" or "failed" or "cancelled")
                return job;
            await Task.Delay(10, TestContext.Current.CancellationToken);
        }
    }

    private static async Task<JsonElement> Made(HttpClient client, string url, object body)
    {
        var answer = await client.Send(HttpMethod.Post, url, body);
        Assert.True(answer.IsSuccessStatusCode, $"{url}: {await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken)}");
        return (await answer.Content.ReadFromJsonAsync<JsonElement>(TestContext.Current.CancellationToken)).Clone();
    }

    private static void Run(SqliteConnection connection, string sql)
    {
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        command.ExecuteNonQuery();
    }
}
