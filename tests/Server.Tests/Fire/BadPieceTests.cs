using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json;

namespace MellowStand.Server.Tests.Fire;

/// <summary>A decision is tried before it is kept, and a piece that cannot be opened takes nothing else down: it says what is wrong, gives
/// its original back and can be removed.</summary>
public sealed class BadPieceTests : IDisposable
{
    private const string Lenient =
        "<score-partwise><part-list><score-part id=\"P1\"><part-name>Flute</part-name></score-part></part-list><part id=\"P1\">"
        + "<measure number=\"1\"><note><pitch><step>C</step></pitch><duration>1</duration></note>"
        + "<note><pitch><step>D</step><octave>5</octave></pitch><duration>1</duration></note></measure></part></score-partwise>";

    private readonly SchoolServer _server = new();
    private readonly HttpClient _client;

    public BadPieceTests() => _client = _server.CreateClient();

    public void Dispose()
    {
        _client.Dispose();
        _server.Dispose();
    }

    [Theory]
    [InlineData("words:a\uffff")]
    [InlineData("words:a\u0001")]
    [InlineData("words:a\u000bb")]
    [InlineData("fingering:\ufffe")]
    [InlineData("other-technical:\u0007")]
    public async Task Words_that_a_score_cannot_hold_are_refused_and_nothing_is_kept(string mark)
    {
        var piece = await _client.Import(Encoding.UTF8.GetBytes(Lenient));
        var answer = await Decide(piece, "P1-n2", mark);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Contains("cannot be printed", await answer.Sentence(), StringComparison.Ordinal);
        Assert.Equal(0, (await _client.Json($"/api/pieces/{piece}/decisions")).GetArrayLength());
        await StillWhole(piece);
    }

    [Fact]
    public async Task A_pitch_without_an_octave_can_be_mended_and_taken_back()
    {
        var piece = await _client.Import(Encoding.UTF8.GetBytes(Lenient));
        var made = await Decide(piece, "P1-n2", "pitch:E5");
        Assert.Equal(HttpStatusCode.Created, made.StatusCode);
        // The first note reads as a rest, since its pitch cannot be read.
        var refused = await Decide(piece, "P1-n1", "pitch:C5");
        Assert.True((int)refused.StatusCode < 500, await refused.Content.ReadAsStringAsync(TestContext.Current.CancellationToken));
        var id = (await _client.Json($"/api/pieces/{piece}/decisions"))[0].GetProperty("id").GetInt64();
        Assert.Equal(HttpStatusCode.NoContent, (await _client.Send(HttpMethod.Delete, $"/api/pieces/{piece}/decisions/{id}")).StatusCode);
        await StillWhole(piece);
    }

    [Fact]
    public async Task Words_that_an_earlier_version_kept_are_written_without_what_a_score_cannot_hold()
    {
        var piece = await _client.Import(Encoding.UTF8.GetBytes(Lenient));
        await Decide(piece, "P1-n2", "words:dolce");
        Run("UPDATE decision_change SET added = 'words:dol' || char(65535) || 'ce'");
        Run("UPDATE piece SET revision = revision + 1");
        var text = await _client.GetStringAsync($"/api/pieces/{piece}/export.musicxml", TestContext.Current.CancellationToken);
        Assert.Contains(">dolce<", text, StringComparison.Ordinal);
        await StillWhole(piece);
    }

    [Fact]
    public async Task A_piece_that_cannot_be_read_leaves_the_shelf_and_the_others_alone()
    {
        var (good, bad) = (await _client.Import(Encoding.UTF8.GetBytes(Lenient)), await _client.Import(Encoding.UTF8.GetBytes(Lenient)));
        Run($"UPDATE piece SET original = CAST('<score-partwise><' AS BLOB), edition = 'other' WHERE id = {bad}");
        using var again = _server.Again();
        using var client = again.CreateClient();
        var shelf = (await client.Json("/api/pieces")).EnumerateArray().ToDictionary(p => p.GetProperty("id").GetInt64());
        Assert.Equal(JsonValueKind.Null, shelf[good].GetProperty("problem").ValueKind);
        Assert.Contains("cannot be opened any more", shelf[bad].GetProperty("problem").GetString(), StringComparison.Ordinal);
        Assert.Empty(shelf[bad].GetProperty("notDone").EnumerateArray());
        var opened = await client.GetAsync($"/api/pieces/{bad}", TestContext.Current.CancellationToken);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, opened.StatusCode);
        Assert.Contains("original can be exported", await opened.Sentence(), StringComparison.Ordinal);
        Assert.Equal(
            HttpStatusCode.OK,
            (await client.GetAsync($"/api/pieces/{good}/study", TestContext.Current.CancellationToken)).StatusCode
        );
        Assert.Equal(
            "<score-partwise><",
            await client.GetStringAsync($"/api/pieces/{bad}/export.musicxml?original=true", TestContext.Current.CancellationToken)
        );
        Assert.Equal(HttpStatusCode.NoContent, (await client.Send(HttpMethod.Delete, $"/api/pieces/{bad}")).StatusCode);
        Assert.Equal(good, Assert.Single((await client.Json("/api/pieces")).EnumerateArray()).GetProperty("id").GetInt64());
    }

    [Fact]
    public async Task A_part_whose_id_cannot_stand_in_an_address_gets_another_one_and_says_so()
    {
        var text = Lenient.Replace("\"P1\"", "\"P1&#10;\"", StringComparison.Ordinal);
        var response = await _client.PostAsync(
            "/api/pieces",
            Asking.File(Encoding.UTF8.GetBytes(text), "odd.xml"),
            TestContext.Current.CancellationToken
        );
        var piece = await response.Content.ReadFromJsonAsync<JsonElement>(TestContext.Current.CancellationToken);
        Assert.Matches(@"\A[A-Za-z0-9_-]+\z", piece.GetProperty("parts")[0].GetProperty("id").GetString()!);
        Assert.Contains(
            piece.GetProperty("warnings").EnumerateArray(),
            w => w.GetString()!.Contains("cannot be used as an address", StringComparison.Ordinal)
        );
    }

    private Task<HttpResponseMessage> Decide(long piece, string note, string mark) =>
        _client.Send(
            HttpMethod.Post,
            $"/api/pieces/{piece}/decisions",
            new
            {
                part = "P1",
                notes = new[] { note },
                add = new[] { mark },
            }
        );

    private async Task StillWhole(long piece)
    {
        foreach (
            var url in new[]
            {
                "/api/pieces",
                $"/api/pieces/{piece}",
                $"/api/pieces/{piece}/study",
                $"/api/pieces/{piece}/slice.musicxml?part=P1&concert=true",
            }
        )
            Assert.Equal(HttpStatusCode.OK, (await _client.GetAsync(url, TestContext.Current.CancellationToken)).StatusCode);
    }

    private void Run(string sql)
    {
        using var c = _server.Database.Open();
        using var command = c.CreateCommand();
        command.CommandText = sql;
        command.ExecuteNonQuery();
    }
}
