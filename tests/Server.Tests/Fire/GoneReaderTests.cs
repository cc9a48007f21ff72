using System.Net;

namespace MellowStand.Server.Tests.Fire;

/// <summary>A page that is left while it is answered: what was written for it by then is never given to the next reader.</summary>
public sealed class GoneReaderTests : IDisposable
{
    private const int Tries = 24;

    private readonly string _data = Directory.CreateTempSubdirectory("mellow-stand-gone-").FullName;

    public void Dispose() => Directory.Delete(_data, recursive: true);

    [Fact]
    public async Task An_answer_that_was_cut_off_is_not_kept()
    {
        using var server = await ServerProcess.Start(_data);
        using var client = server.Client();
        await client.Send(HttpMethod.Post, "/api/session/first-run", new { name = "Orla", password = "four quiet wooden spoons" });
        var piece = await client.Import(Bench.RichScore.Of(12, 60), "rich.musicxml");
        var whole = (await client.GetByteArrayAsync($"/api/pieces/{piece}/study", Cancelled)).Length;
        // Each try asks for an answer of its own, and leaves at another moment.
        for (var i = 0; i < Tries; i++)
        {
            var url = $"/api/pieces/{piece}/study?dismissed={(i % 2 == 0 ? "true" : "false")}&turn={i}";
            using (var left = CancellationTokenSource.CreateLinkedTokenSource(Cancelled))
            {
                left.CancelAfter(TimeSpan.FromMilliseconds(i * 2));
                try
                {
                    using var given = await client.GetAsync(url, HttpCompletionOption.ResponseContentRead, left.Token);
                }
                catch (OperationCanceledException) { }
            }

            using var again = await client.GetAsync(url, Cancelled);
            Assert.Equal(HttpStatusCode.OK, again.StatusCode);
            Assert.Equal(whole, (await again.Content.ReadAsByteArrayAsync(Cancelled)).Length);
        }
    }

    private static CancellationToken Cancelled => TestContext.Current.CancellationToken;
}
