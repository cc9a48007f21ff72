using System.Net;
using System.Text.Json;

namespace MellowStand.Server.Tests;

/// <summary>Technique over the HTTP interface: one choice a note, written in, fixed by hand, refused where there is no chart.</summary>
public sealed class TechniqueTests : IDisposable
{
    private const string Sax = "part \"Alto Saxophone\" transpose:-5,-9\nkey:F tempo:q=96 | A4 Bb4 A4 G4 | F4 Bb4 D5 F5 | r A4 Bb4 Bn4\npart \"Harp\"\n| C4w | C4w | C4w";

    private readonly StandServer _server = new();
    private readonly HttpClient _client;

    public TechniqueTests() => _client = _server.CreateClient();

    public void Dispose()
    {
        _client.Dispose();
        _server.Dispose();
    }

    [Fact]
    public async Task Every_note_has_one_choice_with_its_alternatives()
    {
        var id = await _client.Import(Asking.Music(Sax));
        var plan = await _client.Json($"/api/pieces/{id}/technique?part=P1");
        Assert.Equal("Alto saxophone", plan.GetProperty("instrument").GetString());
        var notes = (await _client.Json($"/api/pieces/{id}/parts/P1/notes")).EnumerateArray().Where(n => !n.GetProperty("rest").GetBoolean()).Select(n => n.GetProperty("id").GetString());
        Assert.Equal(notes, plan.GetProperty("choices").EnumerateArray().Select(c => c.GetProperty("note").GetString()));
        Assert.Equal("bis", Choice(plan, 1));
        Assert.Equal("one-and-one", Choice(plan, 5));
        Assert.True(plan.GetProperty("choices")[5].GetProperty("marked").GetBoolean());
        Assert.All(plan.GetProperty("choices")[1].GetProperty("alternatives").EnumerateArray(), a => Assert.True(a.GetProperty("cost").GetDouble() >= plan.GetProperty("cost").GetDouble() - 0.001));
    }

    [Fact]
    public async Task Marked_choices_are_written_in_and_a_choice_by_hand_is_a_fixed_point()
    {
        var id = await _client.Import(Asking.Music(Sax));
        Assert.Equal(HttpStatusCode.Created, (await _client.Send(HttpMethod.Post, $"/api/pieces/{id}/technique/mark?part=P1")).StatusCode);
        var xml = await _client.GetStringAsync($"/api/pieces/{id}/export.musicxml", TestContext.Current.CancellationToken);
        Assert.Contains("<other-technical>1-1</other-technical>", xml, StringComparison.Ordinal);
        var first = (await _client.Json($"/api/pieces/{id}/technique?part=P1")).GetProperty("choices")[1];
        var side = first.GetProperty("alternatives").EnumerateArray().First(a => a.GetProperty("choice").GetString() == "side").GetProperty("marks")[0].GetString();
        await _client.Send(HttpMethod.Post, $"/api/pieces/{id}/decisions", new { part = "P1", notes = new[] { first.GetProperty("note").GetString() }, add = new[] { side } });
        Assert.Equal("side", Choice(await _client.Json($"/api/pieces/{id}/technique?part=P1"), 1));
    }

    [Fact]
    public async Task An_instrument_without_a_chart_is_refused_in_words()
    {
        var id = await _client.Import(Asking.Music(Sax));
        var refused = await _client.Send(HttpMethod.Get, $"/api/pieces/{id}/technique?part=P2");
        Assert.Equal(HttpStatusCode.NotFound, refused.StatusCode);
        Assert.Contains("does not guess", await refused.Sentence(), StringComparison.Ordinal);
    }

    private static string? Choice(JsonElement plan, int place) => plan.GetProperty("choices")[place].GetProperty("choice").GetString();
}
