using System.Collections.Concurrent;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json;

namespace MellowStand.Server.Tests;

/// <summary>Many clients at once: every act that was acknowledged holds, in some order that one client alone could have taken; none
/// falls.</summary>
public sealed class ParallelActsTests : IDisposable
{
    private const int Clients = 8;
    private const int ActsEach = 25;

    private readonly SchoolServer _server = new();

    public void Dispose() => _server.Dispose();

    [Fact]
    public async Task Random_acts_of_many_end_as_the_same_acts_of_one_and_nothing_falls()
    {
        using var client = _server.CreateClient();
        var piece = await client.Import(Music(0));
        var statuses = new ConcurrentBag<HttpStatusCode>();
        var undone = new ConcurrentDictionary<long, bool>();
        var made = new ConcurrentDictionary<long, bool>();
        await Task.WhenAll(
            Enumerable.Range(0, Clients).Select(i => Task.Run(() => Act(piece, new Random(700 + i), statuses, made, undone)))
        );
        Assert.DoesNotContain(statuses, s => (int)s >= 500);
        Assert.Contains(HttpStatusCode.Created, statuses);

        // The model: of the decisions that were acknowledged, those stand that nobody undid and no edition set aside.
        var standing = (await client.Json($"/api/pieces/{piece}/decisions")).EnumerateArray().ToList();
        Assert.All(standing, d => Assert.False(undone.ContainsKey(d.GetProperty("id").GetInt64())));
        var settled = standing.Select(d => d.GetProperty("difference").GetString()).OfType<string>().ToList();
        Assert.Equal(settled.Count, settled.Distinct().Count());

        // The answers kept in memory are those of a server that reads all from the disk.
        var kept = await Answers(client, piece);
        using var again = _server.Again();
        using var fresh = again.CreateClient();
        Assert.Equal(kept, await Answers(fresh, piece));
    }

    [Fact]
    public async Task A_decision_on_an_edition_that_is_gone_is_refused_in_words()
    {
        using var client = _server.CreateClient();
        var piece = await client.Import(Music(0));
        var difference = (await client.Json($"/api/pieces/{piece}/unify"))[0].GetProperty("id").GetString();
        var refused = await client.Send(
            HttpMethod.Post,
            $"/api/pieces/{piece}/decisions",
            new { difference, edition = "0123456789abcdef" }
        );
        Assert.Equal(HttpStatusCode.Conflict, refused.StatusCode);
        Assert.Equal(
            "Another edition of this piece is on the shelf by now. Load the piece again and decide anew.",
            await refused.Sentence()
        );
    }

    [Fact]
    public async Task Many_accepted_at_once_are_one_act_with_one_undo()
    {
        using var client = _server.CreateClient();
        var piece = await client.Import(Music(0));
        var before = (await client.Json($"/api/pieces/{piece}/unify")).ToString();
        var all = await client.Send(HttpMethod.Post, $"/api/pieces/{piece}/decisions/all", new { kind = (string?)null });
        var made = await all.Content.ReadFromJsonAsync<JsonElement>(TestContext.Current.CancellationToken);
        Assert.True(made.GetArrayLength() > 1);
        var act = Assert.Single(made.EnumerateArray().Select(d => d.GetProperty("act").GetInt64()).Distinct());
        Assert.Equal(
            HttpStatusCode.NoContent,
            (await client.Send(HttpMethod.Delete, $"/api/pieces/{piece}/decisions/acts/{act}")).StatusCode
        );
        Assert.Equal(0, (await client.Json($"/api/pieces/{piece}/decisions")).GetArrayLength());
        Assert.Equal(Plain(before), Plain((await client.Json($"/api/pieces/{piece}/unify")).ToString()));
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await client.Send(HttpMethod.Delete, $"/api/pieces/{piece}/decisions/acts/{act}")).StatusCode
        );
    }

    // Undone decisions count in the version of their difference, as they should.
    private static string Plain(string text) => System.Text.RegularExpressions.Regex.Replace(text, "\"version\":\\d+", "");

    private async Task Act(
        long piece,
        Random random,
        ConcurrentBag<HttpStatusCode> statuses,
        ConcurrentDictionary<long, bool> made,
        ConcurrentDictionary<long, bool> undone
    )
    {
        using var client = _server.CreateClient();
        for (var i = 0; i < ActsEach; i++)
        {
            var (status, id) = random.Next(12) switch
            {
                < 4 => await Decide(client, piece, random),
                < 6 => await Free(client, piece, random),
                < 8 => await Undo(client, piece, random, undone),
                8 => await Dismiss(client, piece, random),
                9 => await Correct(client, piece, random),
                10 when random.Next(3) == 0 => await Edition(client, piece, random),
                _ => await Read(client, piece, random),
            };
            statuses.Add(status);
            if (status == HttpStatusCode.Created && id is { } decision)
                made[decision] = true;
        }
    }

    private static async Task<(HttpStatusCode, long?)> Decide(HttpClient client, long piece, Random random)
    {
        var open = (await client.Json($"/api/pieces/{piece}/unify"))
            .EnumerateArray()
            .Where(d => d.GetProperty("state").GetString() == "open")
            .ToList();
        if (open.Count == 0)
            return (HttpStatusCode.NoContent, null);
        var d = open[random.Next(open.Count)];
        return await Sent(
            client,
            HttpMethod.Post,
            $"/api/pieces/{piece}/decisions",
            new { difference = d.GetProperty("id").GetString(), version = d.GetProperty("version").GetInt32() }
        );
    }

    private static Task<(HttpStatusCode, long?)> Free(HttpClient client, long piece, Random random) =>
        Sent(
            client,
            HttpMethod.Post,
            $"/api/pieces/{piece}/decisions",
            new
            {
                part = "P1",
                notes = new[] { $"P1-n{random.Next(1, 12)}" },
                add = new[] { "accent" },
            }
        );

    private static async Task<(HttpStatusCode, long?)> Undo(
        HttpClient client,
        long piece,
        Random random,
        ConcurrentDictionary<long, bool> undone
    )
    {
        var all = (await client.Json($"/api/pieces/{piece}/decisions"))
            .EnumerateArray()
            .Select(d => d.GetProperty("id").GetInt64())
            .ToList();
        if (all.Count == 0)
            return (HttpStatusCode.NoContent, null);
        var id = all[random.Next(all.Count)];
        var (status, _) = await Sent(client, HttpMethod.Delete, $"/api/pieces/{piece}/decisions/{id}", null);
        if (status == HttpStatusCode.NoContent)
            undone[id] = true;
        return (status, null);
    }

    private static async Task<(HttpStatusCode, long?)> Dismiss(HttpClient client, long piece, Random random)
    {
        var all = (await client.Json($"/api/pieces/{piece}/study")).EnumerateArray().ToList();
        if (all.Count == 0)
            return (HttpStatusCode.NoContent, null);
        return await Sent(
            client,
            HttpMethod.Put,
            $"/api/pieces/{piece}/study/{all[random.Next(all.Count)].GetProperty("id").GetString()}/dismissal",
            null
        );
    }

    private static Task<(HttpStatusCode, long?)> Correct(HttpClient client, long piece, Random random) =>
        Sent(
            client,
            HttpMethod.Put,
            $"/api/pieces/{piece}/parts/P{random.Next(1, 4)}/instrument",
            new { instrument = random.Next(2) == 0 ? "flute" : "piccolo" }
        );

    private static async Task<(HttpStatusCode, long?)> Edition(HttpClient client, long piece, Random random)
    {
        var answer = await client.PostAsync(
            $"/api/pieces/{piece}/editions",
            Asking.File(Music(random.Next(4)), "next.musicxml"),
            TestContext.Current.CancellationToken
        );
        return (answer.StatusCode, null);
    }

    private static async Task<(HttpStatusCode, long?)> Read(HttpClient client, long piece, Random random)
    {
        var what = new[]
        {
            "heat",
            "study",
            "lines",
            "slice.musicxml?part=P2&from=1&to=3",
            "bowing",
            "counting?part=P1",
            "tables/notes.csv",
        };
        var answer = await client.GetAsync($"/api/pieces/{piece}/{what[random.Next(what.Length)]}", TestContext.Current.CancellationToken);
        return (answer.StatusCode, null);
    }

    private static async Task<(HttpStatusCode, long?)> Sent(HttpClient client, HttpMethod method, string url, object? body)
    {
        var answer = await client.Send(method, url, body);
        if (answer.StatusCode != HttpStatusCode.Created)
            return (answer.StatusCode, null);
        var made = await answer.Content.ReadFromJsonAsync<JsonElement>(TestContext.Current.CancellationToken);
        return (answer.StatusCode, made.GetProperty("id").GetInt64());
    }

    private static async Task<string> Answers(HttpClient client, long piece)
    {
        var all = new List<string>();
        foreach (var what in new[] { "unify", "study?dismissed=true", "heat", "decisions", "lines" })
            all.Add((await client.Json($"/api/pieces/{piece}/{what}")).ToString());
        all.Add((await client.Json("/api/pieces")).ToString());
        return string.Join('\n', all);
    }

    // Three parts that disagree here and there; each edition has another number of silent measures before the music.
    private static byte[] Music(int silent)
    {
        var rest = string.Concat(Enumerable.Repeat("| rw ", silent));
        return Asking.Music(
            $"title: Trio\npart \"Flute\"\nkey:C {rest}| C5q(.) D5q(.) E5q(.) F5q(.) | !f G5q[ A5q] B5q C6q | F#5q G5q F#5q E5q | D5w\n"
                + $"part \"Oboe\"\nkey:C {rest}| C5q D5q E5q F5q | !p G5q A5q B5q C6q | F#5q(>) G5q F#5q E5q | D5w\n"
                + $"part \"Violin\"\nkey:C {rest}| C5q(.) D5q(.) E5q(.) F5q(.) | !f G5q[ A5q] B5q C6q | F#5q G5q F#5q E5q | D5w"
        );
    }
}
