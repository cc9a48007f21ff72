using System.Collections.Concurrent;
using System.Diagnostics;
using System.Net;

namespace MellowStand.Server.Tests.Fire;

/// <summary>A hundred readers of one piece at once: they wait for one working out, and afterwards for nothing. Times are told as ratios of
/// one run and never asserted; <c>bench/fire</c> shows them.</summary>
public sealed class LoadTests : IDisposable
{
    private const int Readers = 100;
    private const int Warm = 20;

    private readonly string _data = Directory.CreateTempSubdirectory("mellow-stand-load-").FullName;

    public void Dispose() => Directory.Delete(_data, recursive: true);

    [Fact]
    public async Task A_hundred_readers_share_one_working_out()
    {
        using var server = await ServerProcess.Start(_data);
        using var client = server.Client();
        await client.Send(HttpMethod.Post, "/api/session/first-run", new { name = "Orla", password = "four quiet wooden spoons" });
        var score = Bench.RichScore.Of(24, 160);
        var (alone, together) = (await client.Import(score, "alone.musicxml"), await client.Import(score, "together.musicxml"));
        client.DefaultRequestHeaders.Add("Accept-Encoding", "gzip");
        // Two pieces of one file: the first is asked for by one reader, the second by all at once.
        var one = Stopwatch.StartNew();
        foreach (var url in Urls(alone))
            Assert.Equal(HttpStatusCode.OK, (await client.GetAsync(url, TestContext.Current.CancellationToken)).StatusCode);
        one.Stop();
        var cold = await All(client, together, 1);
        var warm = await All(client, together, Warm);
        Assert.Equal(3, cold.Tags.Count);
        Assert.Equal(cold.Tags.Keys.Order(), warm.Tags.Keys.Order());
        Assert.All(cold.Tags.Values.Concat(warm.Tags.Values), lengths => Assert.Single(lengths.Distinct()));
        TestContext.Current.TestOutputHelper?.WriteLine(
            $"cold: median of {Readers} readers {cold.At(0.5) / one.Elapsed.TotalSeconds:0.00} of one reader's three answers, slowest "
                + $"{cold.At(1) / one.Elapsed.TotalSeconds:0.00}; warm: median {warm.At(0.5) * 1000:0.0} ms, p99 is "
                + $"{warm.At(0.99) / warm.At(0.5):0.0} "
                + "of it"
        );
    }

    [Fact]
    public async Task An_answer_that_still_holds_is_not_sent_again()
    {
        using var server = new SchoolServer();
        using var client = server.CreateClient();
        var piece = await client.Import(Asking.Music("part \"Flute\"\n| C5q(.) D5 E5 F5\npart \"Oboe\"\n| C5q D5 E5 F5"));
        foreach (var url in Urls(piece).Append($"/api/pieces/{piece}/unify"))
        {
            var first = await client.GetAsync(url, TestContext.Current.CancellationToken);
            Assert.Equal(HttpStatusCode.NotModified, (await Again(client, url, first)).StatusCode);
            Assert.Equal(0, (await Again(client, url, first)).Content.Headers.ContentLength ?? 0);
        }

        // Whatever the answer rests on makes it stale: a decision, a dismissal, a player, a house rule.
        var study = await client.GetAsync($"/api/pieces/{piece}/study", TestContext.Current.CancellationToken);
        await client.Send(
            HttpMethod.Post,
            $"/api/pieces/{piece}/decisions",
            new
            {
                part = "P1",
                notes = new[] { "P1-n1" },
                add = new[] { "accent" },
            }
        );
        var later = await Again(client, $"/api/pieces/{piece}/study", study);
        Assert.Equal(HttpStatusCode.OK, later.StatusCode);
        await client.Send(HttpMethod.Put, "/api/house-rules/counting-words", new { choice = "1e&a" });
        Assert.Equal(HttpStatusCode.OK, (await Again(client, $"/api/pieces/{piece}/study", later)).StatusCode);
    }

    [Fact]
    public async Task A_packed_answer_is_the_plain_one()
    {
        using var server = new SchoolServer();
        using var client = server.CreateClient();
        var piece = await client.Import(Asking.Music("part \"Flute\"\n| C5q(.) D5 E5 F5"));
        foreach (var url in Urls(piece))
        {
            var plain = await client.GetByteArrayAsync(url, TestContext.Current.CancellationToken);
            using var request = new HttpRequestMessage(HttpMethod.Get, url);
            request.Headers.Add("Accept-Encoding", "gzip");
            var packed = await client.SendAsync(request, TestContext.Current.CancellationToken);
            Assert.Equal("gzip", packed.Content.Headers.ContentEncoding.Single());
            await using var body = await packed.Content.ReadAsStreamAsync(TestContext.Current.CancellationToken);
            await using var unpacked = new System.IO.Compression.GZipStream(body, System.IO.Compression.CompressionMode.Decompress);
            using var copy = new MemoryStream();
            await unpacked.CopyToAsync(copy, TestContext.Current.CancellationToken);
            Assert.Equal(plain, copy.ToArray());
        }
    }

    private static Task<HttpResponseMessage> Again(HttpClient client, string url, HttpResponseMessage before)
    {
        var request = new HttpRequestMessage(HttpMethod.Get, url);
        request.Headers.TryAddWithoutValidation("If-None-Match", before.Headers.ETag!.ToString());
        return client.SendAsync(request, TestContext.Current.CancellationToken);
    }

    private static string[] Urls(long piece) =>
        [$"/api/pieces/{piece}/study", $"/api/pieces/{piece}/heat", $"/api/pieces/{piece}/slice.musicxml?part=P1"];

    private static async Task<Times> All(HttpClient client, long piece, int each)
    {
        var times = new Times();
        await Task.WhenAll(
            Enumerable
                .Range(0, Readers)
                .Select(i =>
                    Task.Run(async () =>
                    {
                        for (var k = 0; k < each; k++)
                        {
                            var watch = Stopwatch.StartNew();
                            var answer = await client.GetAsync(Urls(piece)[(i + k) % 3], TestContext.Current.CancellationToken);
                            var length = (await answer.Content.ReadAsByteArrayAsync(TestContext.Current.CancellationToken)).Length;
                            Assert.True(
                                answer.IsSuccessStatusCode,
                                $"{answer.StatusCode}: " + await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken)
                            );
                            times.Took.Add(watch.Elapsed.TotalSeconds);
                            times.Tags.GetOrAdd(answer.Headers.ETag!.ToString(), _ => []).Add(length);
                        }
                    })
                )
        );
        return times;
    }

    private sealed class Times
    {
        public ConcurrentBag<double> Took { get; } = [];

        public ConcurrentDictionary<string, ConcurrentBag<int>> Tags { get; } = new();

        public double At(double share) => Took.Order().ElementAt((int)((Took.Count - 1) * share));
    }
}
