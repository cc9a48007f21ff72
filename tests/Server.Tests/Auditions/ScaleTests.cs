using System.Net;
using System.Text.Json;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;

namespace MellowStand.Server.Tests.Auditions;

/// <summary>Scales over the HTTP interface.</summary>
public sealed class ScaleTests(OneSchool school) : IClassFixture<OneSchool>
{
    private static readonly string[] Fingering = ["fingering", "open-string", "thumb-position", "harmonic", "other-technical"];

    private readonly HttpClient _client = school.Client;

    [Theory]
    [InlineData("instrument=flute&kind=major&tonic=F&octaves=1", "F4 G4 A4 B♭4 C5 D5 E5 F5 E5 D5 C5 B♭4 A4 G4 F4")]
    [InlineData("instrument=clarinet-bb&kind=major-arpeggio&tonic=Bb&pitch=concert&octaves=1", "C4 E4 G4 C5 G4 E4 C4")]
    [InlineData("instrument=trumpet-bb&kind=dominant-seventh&tonic=G&octaves=1", "G3 B3 D4 F4 G4 F4 D4 B3 G3")]
    [InlineData("instrument=violin&kind=melodic-minor&tonic=A&octaves=1", "A3 B3 C4 D4 E4 F♯4 G♯4 A4 G4 F4 E4 D4 C4 B3 A3")]
    public async Task A_scale_goes_up_and_down_again(string query, string pitches)
    {
        var score = await Scale(query);
        Assert.Equal(pitches, string.Join(' ', score.Parts[0].Notes.Where(n => !n.IsTieContinuation).Select(n => n.Top)));
        Assert.Empty(score.Warnings);
    }

    [Theory]
    [InlineData("", 29, 1.0)]
    [InlineData("&rhythm=eighths", 29, 0.5)]
    [InlineData("&rhythm=sixteenths&octaves=1", 15, 0.25)]
    [InlineData("&octaves=9", 29, 1.0)]
    public async Task All_octaves_in_quarters_unless_somebody_says(string more, int notes, double length)
    {
        var own = (await Scale("instrument=flute&kind=major&tonic=F" + more)).Parts[0].Notes.Where(n => !n.IsTieContinuation).ToList();
        Assert.Equal((notes, length), (own.Count, own[0].Duration.Value));
        Assert.True(own[^1].SoundingDuration > own[0].Duration);
    }

    [Theory]
    [InlineData("kind=major&tonic=C", HttpStatusCode.BadRequest, "Name the instrument")]
    [InlineData("instrument=kazoo&kind=major&tonic=C", HttpStatusCode.BadRequest, "kazoo")]
    [InlineData("instrument=drums&kind=major&tonic=C", HttpStatusCode.BadRequest, "no scales")]
    [InlineData("instrument=flute&kind=lydian&tonic=C", HttpStatusCode.BadRequest, "The kind is major")]
    [InlineData("instrument=flute&kind=major&tonic=H", HttpStatusCode.BadRequest, "The tonic is")]
    [InlineData("instrument=flute&kind=major&tonic=1", HttpStatusCode.BadRequest, "The tonic is")]
    [InlineData("instrument=flute&kind=major&tonic=C&octaves=0", HttpStatusCode.BadRequest, "Octaves")]
    [InlineData("instrument=flute&kind=major&tonic=C&rhythm=fast", HttpStatusCode.BadRequest, "The rhythm is")]
    [InlineData("instrument=flute&kind=major&tonic=C&pitch=high", HttpStatusCode.BadRequest, "The pitch")]
    [InlineData("instrument=flute&kind=major&tonic=C&level=star", HttpStatusCode.BadRequest, "The level is")]
    [InlineData("instrument=chimes&kind=major&tonic=G", HttpStatusCode.UnprocessableEntity, "no whole octave")]
    public async Task What_no_scale_is_gets_a_sentence(string query, HttpStatusCode status, string word) =>
        Assert.Contains(word, await _client.Refused(HttpMethod.Get, "/api/scales.musicxml?" + query, status), StringComparison.Ordinal);

    [Fact]
    public async Task A_wider_level_has_what_the_narrow_one_has_not()
    {
        var score = await Scale("instrument=contrabass&kind=major&tonic=Bb&level=advanced");
        Assert.Equal("B♭2", score.Parts[0].Notes[0].Top.ToString());
    }

    [Fact]
    public async Task A_bass_reads_its_positions_both_ways()
    {
        var small = await Fingers("small-steps");
        var six = await Fingers("six");
        Assert.Contains("other-technical:II½", small);
        Assert.DoesNotContain("other-technical:II½", six);
        Assert.NotEqual(small, six);

        async Task<List<string>> Fingers(string positions)
        {
            var scale = await Scale($"instrument=contrabass&kind=major&tonic=E&level=extreme&fingerings=all&positions={positions}");
            return [.. scale.Parts[0].Notes.SelectMany(n => n.Marks).Where(m => Fingering.Contains(m.Name)).Select(m => m.ToString())];
        }
    }

    [Fact]
    public async Task A_list_is_seen_kept_fingered_and_handed_out_like_any_piece()
    {
        var seen = ScoreReader.Read(
            await Bytes("/api/scales/list.musicxml?instrument=horn-f&kinds=major,chromatic&tonics=F,Bb&pitch=concert&octaves=1")
        );
        Assert.Equal(4, seen.Parts[0].Directions.Count(d => d.Text.Contains("one octave", StringComparison.Ordinal)));
        var kept = await _client.Ok(
            HttpMethod.Post,
            "/api/scales",
            new
            {
                instrument = "horn-f",
                pitch = "concert",
                scales = new[]
                {
                    new
                    {
                        kind = "major",
                        tonic = "F",
                        octaves = 1,
                    },
                },
            }
        );
        Assert.Equal(("etude", "C major, one octave"), (kept.Text("kind"), kept.Text("title")));
        var technique = await _client.Json($"/api/pieces/{kept.Id()}/technique?part=P1");
        Assert.Equal(15, technique.List("choices").Count);
        var cut = await _client.Ok(HttpMethod.Post, $"/api/pieces/{kept.Id()}/cut", new { longest = 8 });
        Assert.NotEqual(0, cut.GetArrayLength());
    }

    [Fact]
    public async Task Keys_come_in_the_usual_order_with_the_octaves_that_there_are()
    {
        var keys = (await _client.Json("/api/scales/keys?instrument=trumpet-bb&kind=major")).EnumerateArray().ToList();
        Assert.Equal(["C", "F", "G"], keys.Take(3).Select(k => k.Text("name")));
        Assert.Equal(2, keys.Single(k => k.Text("name") == "G").GetProperty("octaves").GetInt32());
        var choices = await _client.Json("/api/scales");
        Assert.Equal(9, choices.List("kinds").Count);
        Assert.Equal("comfortable", choices.Text("level"));
    }

    private async Task<Score> Scale(string query) => ScoreReader.Read(await Bytes("/api/scales.musicxml?" + query));

    private Task<byte[]> Bytes(string url) =>
        _client.GetByteArrayAsync(new Uri(url, UriKind.Relative), TestContext.Current.CancellationToken);
}
