using System.Collections.Concurrent;
using System.Globalization;
using System.Net.Http.Json;
using System.Text.Json;
using MellowStand.Core.Tests;
using MellowStand.Storage.Keeping;

namespace MellowStand.Server.Tests.Fire;

/// <summary>The server is killed in the middle of its acts, again and again: what was acknowledged is there after the next start, and an
/// act of many parts is there whole or not at all. Twenty kills in the tests, 200 in <c>bench/fire</c> (STAND_KILLS).</summary>
public sealed class KillTests : IDisposable
{
    private const int Usual = 20;
    private const string Password = "four quiet wooden spoons";

    // Each measure of the first part has a mark that the second has not: as many differences, settled by one act.
    private static readonly string Duo =
        "part \"Flute\"\ntempo:q=96 "
        + string.Concat(Enumerable.Repeat("| C5q(.) D5(.) E5[ F5] | G5(>) F5 E5[ D5] ", 8))
        + "| D5w\npart \"Oboe\"\n"
        + string.Concat(Enumerable.Repeat("| C5q D5 E5 F5 | G5 F5 E5 D5 ", 8))
        + "| D5w";

    private readonly string _data = Directory.CreateTempSubdirectory("mellow-stand-kill-").FullName;
    private readonly Ledger _ledger = new();

    public void Dispose() => Directory.Delete(_data, recursive: true);

    [Fact]
    public async Task Nothing_acknowledged_is_lost_and_no_act_is_half_done()
    {
        var random = Seeds.Random(90210);
        long piece = 0;
        for (var round = 0; round <= Kills; round++)
        {
            using var server = await ServerProcess.Start(_data);
            using var client = server.Client();
            await SignIn(client, first: round == 0);
            if (round == 0)
                piece = await Prepare(server, client);
            await Check(client, piece);
            if (round == Kills)
                break;
            var end = random.Next(20, 700);
            using var backup = round % 4 == 3 ? ServerProcess.Run("--data", _data, "--backup", BackupFile(round)) : null;
            var acts = Enumerable.Range(0, 6).Select(i => Task.Run(() => Act(server, client, piece, round, i))).ToList();
            await Task.Delay(end, TestContext.Current.CancellationToken);
            server.Kill();
            if (backup is { HasExited: false } && random.Next(2) == 0)
                backup.Kill();
            await Task.WhenAll(acts);
            backup?.WaitForExit();
            if (File.Exists(BackupFile(round)))
                Assert.Null(DatabaseFile.ProblemOf(BackupFile(round)));
        }

        Assert.True(_ledger.Whole > 0, "No act of many parts was ever found whole: nothing is shown by none being half.");
        Assert.True(_ledger.Acknowledged > Kills * 3, $"Only {_ledger.Acknowledged} acts were acknowledged in {Kills} rounds.");
        TestContext.Current.TestOutputHelper?.WriteLine(
            $"{Kills} kills, {_ledger.Acknowledged} acts acknowledged, {_ledger.Whole} acts of many parts whole, "
                + $"{_ledger.Absent} absent, none half"
        );
    }

    private static int Kills =>
        int.TryParse(Environment.GetEnvironmentVariable("STAND_KILLS"), NumberStyles.None, CultureInfo.InvariantCulture, out var asked)
            ? asked
            : Usual;

    private string BackupFile(int round) => Path.Combine(_data, $"backup-{round}.db");

    private static async Task SignIn(HttpClient client, bool first)
    {
        var url = first ? "/api/session/first-run" : "/api/session";
        var answer = await client.PostAsJsonAsync(url, new { name = "Orla", password = Password }, TestContext.Current.CancellationToken);
        answer.EnsureSuccessStatusCode();
    }

    private async Task<long> Prepare(ServerProcess server, HttpClient client)
    {
        var piece = await client.Import(Asking.Music(Duo));
        var section = await client.Send(HttpMethod.Post, "/api/ensemble/sections", new { name = "Flutes" });
        var id = (await section.Content.ReadFromJsonAsync<JsonElement>(TestContext.Current.CancellationToken))[0]
            .GetProperty("id")
            .GetInt64();
        (_ledger.Section, _ledger.Player) = (id, await Made(server, client, "/api/ensemble/players", Player(id, "Ada")));
        _ledger.Passage = await Made(
            server,
            client,
            $"/api/pieces/{piece}/passages",
            new
            {
                parts = new[] { "P1" },
                from = "1",
                to = "2",
                start = new { unit = "quarter", bpm = 60 },
                goal = new { unit = "quarter", bpm = 90 },
                by = "step",
                value = 6,
                due = TestDay.In(20),
                sections = new[] { id },
            }
        );
        var differences = (await client.Json($"/api/pieces/{piece}/unify")).EnumerateArray();
        _ledger.Differences = [.. differences.Select(d => d.GetProperty("id").GetString()!)];
        Assert.True(_ledger.Differences.Count > 3);
        return piece;
    }

    // Acts until the server is gone; only what was answered counts as acknowledged.
    private async Task Act(ServerProcess server, HttpClient signedIn, long piece, int round, int actor)
    {
        try
        {
            for (var i = 0; ; i++)
            {
                var name = $"r{round}a{actor}i{i}";
                switch (actor)
                {
                    case 0:
                        _ledger.Add("words", $"words:{name}", await Made(server, signedIn, $"/api/pieces/{piece}/decisions", Words(name)));
                        break;
                    case 1:
                        _ledger.Add("piece", name, await signedIn.Import(Asking.Music($"title: {name}\n{Duo}")));
                        break;
                    case 2:
                        _ledger.Add("log", name, await Made(server, signedIn, "/api/log", Log(name)));
                        break;
                    case 3:
                        _ledger.Add("player", name, await Made(server, signedIn, "/api/ensemble/players", Player(_ledger.Section, name)));
                        break;
                    default:
                        await AcceptAll(signedIn, piece, stays: round % 2 == 1);
                        break;
                }
            }
        }
        catch (Exception e) when (e is HttpRequestException or IOException or OperationCanceledException)
        {
            // The server is gone, as it should be.
        }
    }

    // Two actors do it at once: one of them may be refused. What is not taken back must be there after the kill.
    private async Task AcceptAll(HttpClient client, long piece, bool stays)
    {
        var all = new { kind = (string?)null, differences = _ledger.Differences };
        var made = await client.PostAsJsonAsync($"/api/pieces/{piece}/decisions/all", all, TestContext.Current.CancellationToken);
        if (!made.IsSuccessStatusCode)
            return;
        var decisions = await made.Content.ReadFromJsonAsync<JsonElement>(TestContext.Current.CancellationToken);
        _ledger.Count();
        _ledger.Stays = stays;
        if (stays)
            return;
        await client.DeleteAsync(
            $"/api/pieces/{piece}/decisions/acts/{decisions[0].GetProperty("act").GetInt64()}",
            TestContext.Current.CancellationToken
        );
    }

    private async Task Check(HttpClient client, long piece)
    {
        var decisions = (await client.Json($"/api/pieces/{piece}/decisions")).EnumerateArray().ToList();
        var words = decisions
            .SelectMany(d => d.GetProperty("changes").EnumerateArray())
            .SelectMany(c => Texts(c.GetProperty("added")))
            .ToHashSet();
        _ledger.AllThere("words", words);
        _ledger.AllThere("piece", Names(await client.Json("/api/pieces"), "title"));
        _ledger.AllThere("log", Names(await client.Json("/api/log"), "note"));
        var players = (await client.Json("/api/ensemble")).EnumerateArray().SelectMany(s => Names(s.GetProperty("players"), "name"));
        _ledger.AllThere("player", players.ToHashSet());
        var settled = decisions.Where(d => d.GetProperty("difference").ValueKind != JsonValueKind.Null).ToList();
        Assert.True(
            settled.Count == 0 || settled.Count == _ledger.Differences.Count,
            $"Of {_ledger.Differences.Count} differences {settled.Count} are settled: half an act."
        );
        Assert.True(settled.Count > 0 || !_ledger.Stays, "An act of many parts was acknowledged, and is lost.");
        _ledger.Stays = false;
        _ledger.Saw(settled.Count > 0);
        if (settled.Count > 0)
            await client.DeleteAsync(
                $"/api/pieces/{piece}/decisions/acts/{settled[0].GetProperty("act").GetInt64()}",
                TestContext.Current.CancellationToken
            );
    }

    private static async Task<long> Made(ServerProcess server, HttpClient client, string url, object body)
    {
        var answer = await client.PostAsJsonAsync(url, body, TestContext.Current.CancellationToken);
        if ((int)answer.StatusCode >= 500 && (int)answer.StatusCode != 503)
        {
            var sentence = await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
            Assert.Fail($"{url} answered {answer.StatusCode}: {sentence}\nThe server's log:\n{server.Said}");
        }

        answer.EnsureSuccessStatusCode();
        return (await answer.Content.ReadFromJsonAsync<JsonElement>(TestContext.Current.CancellationToken)).GetProperty("id").GetInt64();
    }

    private static object Words(string name) =>
        new
        {
            part = "P1",
            notes = new[] { "P1-n1" },
            add = new[] { $"words:{name}" },
        };

    private object Log(string name) =>
        new
        {
            passage = _ledger.Passage,
            player = _ledger.Player,
            unit = "quarter",
            bpm = 72,
            note = name,
        };

    private static object Player(long section, string name) =>
        new
        {
            section,
            name,
            instrument = "flute",
            chair = 1,
        };

    private static HashSet<string> Names(JsonElement list, string what) =>
        [.. list.EnumerateArray().Select(x => x.GetProperty(what).GetString()!)];

    private static IEnumerable<string> Texts(JsonElement list) => list.EnumerateArray().Select(x => x.GetString()!);

    /// <summary>What the server has acknowledged.</summary>
    private sealed class Ledger
    {
        private readonly ConcurrentDictionary<(string Kind, string Name), long> _acts = new();
        private int _more;

        public long Section { get; set; }

        public long Player { get; set; }

        public long Passage { get; set; }

        public IReadOnlyList<string> Differences { get; set; } = [];

        /// <summary>True where an act of many parts was acknowledged in this round and not taken back.</summary>
        public bool Stays { get; set; }

        public int Whole { get; private set; }

        public int Absent { get; private set; }

        public int Acknowledged => _acts.Count + _more;

        public void Add(string kind, string name, long id) => _acts[(kind, name)] = id;

        public void Count() => Interlocked.Increment(ref _more);

        public void Saw(bool whole)
        {
            Whole += whole ? 1 : 0;
            Absent += whole ? 0 : 1;
        }

        public void AllThere(string kind, HashSet<string> there)
        {
            var lost = _acts.Keys.Where(a => a.Kind == kind && !there.Contains(a.Name)).Select(a => a.Name).ToList();
            Assert.True(lost.Count == 0, $"Acknowledged and lost ({kind}): {string.Join(", ", lost)}");
        }
    }
}
