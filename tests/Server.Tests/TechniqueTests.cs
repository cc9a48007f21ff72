using System.Net;
using System.Text.Json;

namespace MellowStand.Server.Tests;

/// <summary>Technique over the HTTP interface: one choice a note, written in, fixed by hand, refused where there is no chart.</summary>
public sealed class TechniqueTests : IDisposable
{
    private const string Sax =
        "part \"Alto Saxophone\" transpose:-5,-9\nkey:F tempo:q=96 | A4 Bb4 A4 G4 | F4 Bb4 D5 F5 | r A4 Bb4 Bn4\npart "
        + "\"Harp\"\n| C4w | C4w | C4w";

    private readonly SchoolServer _server = new();
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
        var notes = (await _client.Json($"/api/pieces/{id}/parts/P1/notes"))
            .EnumerateArray()
            .Where(n => !n.GetProperty("rest").GetBoolean())
            .Select(n => n.GetProperty("id").GetString());
        Assert.Equal(notes, plan.GetProperty("choices").EnumerateArray().Select(c => c.GetProperty("note").GetString()));
        Assert.Equal("bis", Choice(plan, 1));
        Assert.Equal("one-and-one", Choice(plan, 5));
        Assert.True(plan.GetProperty("choices")[5].GetProperty("marked").GetBoolean());
        Assert.All(
            plan.GetProperty("choices")[1].GetProperty("alternatives").EnumerateArray(),
            a => Assert.True(a.GetProperty("cost").GetDouble() >= plan.GetProperty("cost").GetDouble() - 0.001)
        );
    }

    [Fact]
    public async Task Marked_choices_are_written_in_and_a_choice_by_hand_is_a_fixed_point()
    {
        var id = await _client.Import(Asking.Music(Sax));
        var first = (await _client.Json($"/api/pieces/{id}/technique?part=P1")).GetProperty("choices")[1];
        var side = first
            .GetProperty("alternatives")
            .EnumerateArray()
            .First(a => a.GetProperty("choice").GetString() == "side")
            .GetProperty("marks")[0]
            .GetString();
        await _client.Send(
            HttpMethod.Post,
            $"/api/pieces/{id}/decisions",
            new
            {
                part = "P1",
                notes = new[] { first.GetProperty("note").GetString() },
                add = new[] { side },
            }
        );
        Assert.Equal("side", Choice(await _client.Json($"/api/pieces/{id}/technique?part=P1"), 1));
        Assert.Equal(HttpStatusCode.Created, (await _client.Send(HttpMethod.Post, $"/api/pieces/{id}/technique/mark?part=P1")).StatusCode);
        var xml = await _client.GetStringAsync($"/api/pieces/{id}/export.musicxml", TestContext.Current.CancellationToken);
        Assert.Contains("<other-technical>1-1</other-technical>", xml, StringComparison.Ordinal);
        Assert.Contains("<other-technical>S</other-technical>", xml, StringComparison.Ordinal);
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

    /// <summary>Every alternative of a passage, taken by hand, is what the next plan says; undone, the first plan is back.</summary>
    [Theory]
    [InlineData("part \"Violin\"\nkey:D tempo:q=96 | A4 C#5 E5 D5")]
    [InlineData("part \"Trumpet\" transpose:-1,-2\nkey:C tempo:q=96 | C4 E4 G4 A4")]
    [InlineData("part \"Horn\" transpose:-4,-7\nkey:C tempo:q=96 | C5 G4 A4 G5")]
    [InlineData("part \"Bass Trombone\" clef:F4\nkey:C tempo:q=96 | C3 F3 D3 Bb2")]
    [InlineData("part \"Clarinet\" transpose:-1,-2\nkey:C tempo:q=96 | B4 C#5 F4 F#4")]
    [InlineData("part \"Marimba\"\nkey:C tempo:q=96 | C4 D4 E4 F4")]
    public async Task An_alternative_taken_by_hand_is_kept_until_it_is_undone(string music)
    {
        var id = await _client.Import(Asking.Music(music));
        var plan = await _client.Json($"/api/pieces/{id}/technique?part=P1");
        for (var place = 0; place < plan.GetProperty("choices").GetArrayLength(); place++)
        {
            var choice = plan.GetProperty("choices")[place];
            foreach (var other in choice.GetProperty("alternatives").EnumerateArray().Take(3))
            {
                var marks = other.GetProperty("marks").EnumerateArray().Select(m => m.GetString()).ToArray();
                var made = await _client.Send(
                    HttpMethod.Post,
                    $"/api/pieces/{id}/decisions",
                    new
                    {
                        part = "P1",
                        notes = new[] { choice.GetProperty("note").GetString() },
                        add = marks,
                    }
                );
                Assert.Equal(HttpStatusCode.Created, made.StatusCode);
                var decision = JsonDocument
                    .Parse(await made.Content.ReadAsStringAsync(TestContext.Current.CancellationToken))
                    .RootElement.GetProperty("id")
                    .GetInt64();
                Assert.Equal(
                    Shape(other.GetProperty("choice").GetString()!),
                    Shape(Choice(await _client.Json($"/api/pieces/{id}/technique?part=P1"), place)!)
                );
                await _client.Send(HttpMethod.Delete, $"/api/pieces/{id}/decisions/{decision}");
            }
        }

        Assert.Equal(
            plan.GetProperty("cost").GetDouble(),
            (await _client.Json($"/api/pieces/{id}/technique?part=P1")).GetProperty("cost").GetDouble()
        );
    }

    [Fact]
    public async Task What_is_written_in_goes_out_as_technical_elements()
    {
        var id = await _client.Import(
            Asking.Music(
                "part \"Violin\"\nkey:D meter:4/4 tempo:q=96 | A4 C#5 E5h~ | E5h <D4,B4>h\npart \"Violoncello\" clef:F4\nkey:C "
                    + "| A4q B4q C5q D5q | D5w"
            )
        );
        foreach (var part in new[] { "P1", "P2" })
            Assert.Equal(
                HttpStatusCode.Created,
                (await _client.Send(HttpMethod.Post, $"/api/pieces/{id}/technique/mark?part={part}")).StatusCode
            );
        var xml = await _client.GetStringAsync($"/api/pieces/{id}/export.musicxml", TestContext.Current.CancellationToken);
        Assert.Contains("<fingering>4</fingering>", xml, StringComparison.Ordinal);
        Assert.DoesNotContain("@", xml, StringComparison.Ordinal);
        var cello = (await _client.Json($"/api/pieces/{id}/technique?part=P2")).GetProperty("choices");
        Assert.All(cello.EnumerateArray(), c => Assert.NotEmpty(c.GetProperty("words").GetString()!));
    }

    [Fact]
    public async Task The_answer_keeps_its_promise()
    {
        var id = await _client.Import(
            Asking.Music("part \"Trombone\" clef:F4\nkey:Bb tempo:q=96 | Bb2q[ D3q] Eb3q[ D3q] | C3q Ab3q E3q r")
        );
        var plan = await _client.Json($"/api/pieces/{id}/technique?part=P1&from=1&to=2");
        Assert.Equal(
            ["natural", "legato-tongue"],
            plan.GetProperty("slurs").EnumerateArray().Select(s => s.GetProperty("kind").GetString())
        );
        foreach (var name in new[] { "instrument", "cost", "choices", "slurs", "trouble" })
            Assert.True(plan.TryGetProperty(name, out _), name);
        foreach (var choice in plan.GetProperty("choices").EnumerateArray())
            foreach (var name in new[] { "note", "measure", "choice", "marked", "why", "alternatives" })
                Assert.True(choice.TryGetProperty(name, out _), name);
        Assert.Equal("slide", plan.GetProperty("kind").GetString());
        Assert.Equal(
            ["1", "1", "3", "1"],
            plan.GetProperty("choices")
                .EnumerateArray()
                .Take(4)
                .Select(c => c.GetProperty("choice").GetString()!.Replace("4", "1", StringComparison.Ordinal))
        );
    }

    // Fingers of strings are written without their height and position.
    private static string Shape(string code) => code.Split('@')[0].TrimEnd('h', 'l');

    private static string? Choice(JsonElement plan, int place) => plan.GetProperty("choices")[place].GetProperty("choice").GetString();
}
