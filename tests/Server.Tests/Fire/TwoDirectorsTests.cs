using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using MellowStand.Core.Tempo;
using MellowStand.Storage;
using Microsoft.Extensions.DependencyInjection;

namespace MellowStand.Server.Tests.Fire;

/// <summary>Two directors at once: the second is told, and nothing of the first is lost; nothing is added to what was removed.</summary>
public sealed class TwoDirectorsTests : IDisposable
{
    private readonly SchoolServer _server = new();
    private readonly HttpClient _client;

    public TwoDirectorsTests() => _client = _server.CreateClient();

    public void Dispose()
    {
        _client.Dispose();
        _server.Dispose();
    }

    [Theory]
    [InlineData("player")]
    [InlineData("section")]
    [InlineData("piece")]
    [InlineData("rule")]
    public async Task The_second_change_of_the_same_version_is_refused_in_words(string what)
    {
        var (url, body, read) = await Thing(what);
        var version = await read("version");
        Assert.Equal(HttpStatusCode.OK, (await Put(url, body("first", version))).StatusCode);
        var second = await Put(url, body("second", version));
        Assert.Equal(HttpStatusCode.Conflict, second.StatusCode);
        Assert.Contains("changed by somebody else", await second.Sentence(), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.OK, (await Put(url, body("third", await read("version")))).StatusCode);
    }

    [Theory]
    [InlineData("player")]
    [InlineData("section")]
    [InlineData("piece")]
    public async Task A_change_that_names_no_version_is_refused_in_words(string what)
    {
        var (url, body, _) = await Thing(what);
        var answer = await Put(url, body("x", null));
        Assert.Equal(HttpStatusCode.PreconditionRequired, answer.StatusCode);
        Assert.Contains("version", await answer.Sentence(), StringComparison.Ordinal);
    }

    // Between the look and the act somebody removed it: as the repositories see it.
    [Fact]
    public void Nothing_is_added_to_what_is_removed()
    {
        var ensemble = _server.Services.GetRequiredService<EnsembleRepository>();
        var log = _server.Services.GetRequiredService<LogRepository>();
        var today = new DateOnly(2026, 9, 1);
        var section = ensemble.AddSection("Horns");
        ensemble.RemoveSection(section, today);
        Assert.Throws<GoneException>(() => ensemble.AddPlayer(section, "Ada", null, 1, "comfortable"));
        var heard = new LogRow(0, new PassageId(77), new PlayerId(1), new TempoMark(BeatUnit.Find("quarter")!, 60), today, "");
        var e = Assert.Throws<GoneException>(() => log.Add(heard));
        Assert.Equal(
            (409, "The passage was removed in the same moment, so nothing was kept. Load the page again."),
            ProblemSentences.Of(e)
        );
        Assert.Empty(ensemble.Players());
    }

    [Fact]
    public async Task Of_many_who_remove_and_add_at_once_nobody_falls_and_nobody_is_lost()
    {
        for (var round = 0; round < 12; round++)
        {
            var section = await Made("/api/ensemble/sections", new { name = $"Section {round}" });
            var acts = new[]
            {
                _client.Send(HttpMethod.Delete, $"/api/ensemble/sections/{section}"),
                _client.Send(
                    HttpMethod.Post,
                    "/api/ensemble/players",
                    new
                    {
                        section,
                        name = "Ada",
                        chair = 1,
                    }
                ),
                _client.Send(
                    HttpMethod.Post,
                    "/api/ensemble/players",
                    new
                    {
                        section,
                        name = "Ben",
                        chair = 2,
                    }
                ),
            };
            var answers = await Task.WhenAll(acts);
            Assert.All(answers, a => Assert.True((int)a.StatusCode < 500, $"{a.StatusCode}"));
            var seated = (await _client.Json("/api/ensemble")).EnumerateArray().Sum(s => s.GetProperty("players").GetArrayLength());
            Assert.Equal(_seated += answers.Skip(1).Count(a => a.StatusCode == HttpStatusCode.Created), seated);
        }
    }

    private int _seated;

    private Task<HttpResponseMessage> Put(string url, object body) => _client.Send(HttpMethod.Put, url, body);

    private async Task<(string Url, Func<string, int?, object> Body, Func<string, Task<int>> Read)> Thing(string what)
    {
        var section = await Made("/api/ensemble/sections", new { name = "Horns" });
        if (what == "section")
            return (
                $"/api/ensemble/sections/{section}",
                (name, version) => new { name, version },
                _ => Version("/api/ensemble", x => x[0])
            );
        if (what == "rule")
            return (
                "/api/house-rules/counting-words",
                (_, version) => new { choice = "1e&a", version },
                _ => Version("/api/house-rules", x => x.EnumerateArray().First(r => r.GetProperty("name").GetString() == "counting-words"))
            );
        if (what == "player")
        {
            var player = await Made(
                "/api/ensemble/players",
                new
                {
                    section,
                    name = "Ada",
                    chair = 1,
                }
            );
            return (
                $"/api/ensemble/players/{player}",
                (name, version) =>
                    new
                    {
                        section,
                        name,
                        chair = 2,
                        version,
                    },
                _ => Version("/api/ensemble", x => x[0].GetProperty("players")[0])
            );
        }

        var piece = await _client.Import(Asking.Music("part \"Flute\"\n| C5w"));
        return (
            $"/api/pieces/{piece}",
            (title, version) =>
                new
                {
                    title,
                    kind = "piece",
                    version,
                },
            _ => Version($"/api/pieces/{piece}", x => x)
        );
    }

    private async Task<int> Version(string url, Func<JsonElement, JsonElement> find) =>
        find(await _client.Json(url)).GetProperty("version").GetInt32();

    private async Task<long> Made(string url, object body)
    {
        var answer = await _client.Send(HttpMethod.Post, url, body);
        Assert.Equal(HttpStatusCode.Created, answer.StatusCode);
        return long.Parse(answer.Headers.Location!.ToString().Split('/')[^1], System.Globalization.CultureInfo.InvariantCulture);
    }
}
