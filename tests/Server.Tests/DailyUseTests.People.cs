using System.Net;
using System.Text;

namespace MellowStand.Server.Tests;

// People: seats, lists of players, sections from a score, records.
public sealed partial class DailyUseTests
{
    [Fact]
    public async Task Players_are_seated_by_chairs_until_the_director_says_otherwise()
    {
        var piece = await _client.Import(Asking.Music(Band));
        var (first, second) = (await Player("Fern Abbot", "flute"), await Player("Lowell Skye", "flute"));
        Assert.Equal(2, (await _client.Json($"/api/pieces/{piece}/seats"))[0].GetProperty("players").GetArrayLength());
        var set = await Seat(piece, "P2", second.Id);
        Assert.Equal("Fern Abbot", Assert.Single(set[0].GetProperty("players").EnumerateArray()).GetProperty("name").GetString());
        Assert.Equal("Lowell Skye", Assert.Single(set[1].GetProperty("players").EnumerateArray()).GetProperty("name").GetString());
        var back = await _client.Send(HttpMethod.Put, $"/api/pieces/{piece}/parts/P2/players", new { players = (long[]?)null });
        Assert.False((await Read(back))[1].GetProperty("byHand").GetBoolean());
        var nobody = await _client.Send(HttpMethod.Put, $"/api/pieces/{piece}/parts/P2/players", new { players = (long[])[4711] });
        Assert.Equal(HttpStatusCode.NotFound, nobody.StatusCode);
    }

    [Fact]
    public async Task A_list_of_players_is_read_with_what_to_look_at_and_kept_as_one_act()
    {
        await Player("Fern Abbot", "flute");
        const string List = "Student,Instrument,Section,Chair\nfern abbot,Flute,Flutes,1\nOla Brisk,Alto Sax,,\nTam Tarn,Kazoo,,200\n,,,\n";
        var rows = (await Preview(List)).GetProperty("rows").EnumerateArray().ToList();
        Assert.Equal(
            ["this name is there already", null, "no instrument is known as \"Kazoo\"", "no name on this line"],
            rows.Select(r => r.GetProperty("problem").GetString())
        );
        Assert.Equal(["Flutes", "Saxophones"], rows.Take(2).Select(r => r.GetProperty("section").GetString()));
        var kept = await Post(
            "/api/ensemble/roster",
            new
            {
                rows = (object[])
                    [
                        new
                        {
                            name = "Ola Brisk",
                            section = "Saxophones",
                            instrument = "alto-sax",
                            chair = 1,
                        },
                    ],
            }
        );
        Assert.Equal(1, kept.GetProperty("sections").GetArrayLength());
        Assert.Contains("Ola Brisk", (await _client.Json("/api/ensemble")).ToString(), StringComparison.Ordinal);
        await _client.Send(HttpMethod.Post, "/api/ensemble/leave", kept);
        Assert.DoesNotContain("Saxophones", (await _client.Json("/api/ensemble")).ToString(), StringComparison.Ordinal);
        await _client.Send(HttpMethod.Post, "/api/ensemble/return", kept);
        Assert.Contains("Ola Brisk", (await _client.Json("/api/ensemble")).ToString(), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("a;b\n1;2\n", "has no column \"name\"")]
    [InlineData("", "has no column \"name\"")]
    [InlineData("\0\0\0", "is no text file")]
    public async Task A_list_that_is_none_is_refused(string text, string sentence)
    {
        using var form = Asking.File(Encoding.UTF8.GetBytes(text), "list.csv");
        var response = await _client.PostAsync("/api/ensemble/roster/preview", form, Cancelled);
        Assert.Equal(HttpStatusCode.BadRequest, response.StatusCode);
        Assert.Contains(sentence, await response.Sentence(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Nothing_of_a_list_is_kept_where_one_line_is_wrong()
    {
        var response = await _client.Send(
            HttpMethod.Post,
            "/api/ensemble/roster",
            new
            {
                rows = (object[])
                    [
                        new
                        {
                            name = "Ola Brisk",
                            section = "Saxophones",
                            instrument = (string?)null,
                            chair = 1,
                        },
                        new
                        {
                            name = "",
                            section = "Saxophones",
                            instrument = (string?)null,
                            chair = 2,
                        },
                    ],
            }
        );
        Assert.Equal("Line 2 has no name. Write one, or leave the line out.", await response.Sentence());
        Assert.Empty((await _client.Json("/api/ensemble")).EnumerateArray());
    }

    [Fact]
    public async Task Sections_come_from_the_parts_of_a_score_once()
    {
        var piece = await _client.Import(Asking.Music(Band));
        var made = await Post($"/api/ensemble/sections/of-piece/{piece}", null);
        Assert.Equal(2, made.GetProperty("sections").GetArrayLength());
        Assert.Equal(
            ["Flutes", "Clarinets"],
            (await _client.Json("/api/ensemble")).EnumerateArray().Select(s => s.GetProperty("name").GetString())
        );
        Assert.Empty((await Post($"/api/ensemble/sections/of-piece/{piece}", null)).GetProperty("sections").EnumerateArray());
    }

    [Fact]
    public async Task Records_are_narrowed_and_a_player_who_left_keeps_theirs()
    {
        var piece = await _client.Import(Asking.Music(Band));
        var (fern, lowell) = (await Player("Fern Abbot", "flute"), await Player("Lowell Skye", "clarinet-bb"));
        var passage = (await Post($"/api/pieces/{piece}/passages", Passage("P1", [fern.Section, lowell.Section], "2031-04-01")))
            .GetProperty("id")
            .GetInt64();
        foreach (var (player, day, bpm) in new[] { (fern.Id, 1, 60), (fern.Id, 5, 66), (lowell.Id, 3, 70) })
            await Post(
                "/api/log",
                new
                {
                    passage,
                    player,
                    unit = "quarter",
                    bpm,
                    heard = $"2026-01-0{day}",
                    note = "=1+1",
                }
            );
        Assert.Equal(2, (await _client.Json($"/api/log?player={fern.Id}")).GetArrayLength());
        Assert.Equal(1, (await _client.Json($"/api/log?section={lowell.Section}")).GetArrayLength());
        Assert.Equal(2, (await _client.Json("/api/log?from=2026-01-02")).GetArrayLength());
        Assert.Equal(0, (await _client.Json($"/api/log?piece={piece + 1}")).GetArrayLength());
        var csv = await _client.GetStringAsync($"/api/log.csv?player={fern.Id}", Cancelled);
        Assert.Equal(3, csv.Trim().Split('\n').Length);
        // A note that a spreadsheet would take for a formula goes out as text.
        Assert.DoesNotContain(",=1+1", csv, StringComparison.Ordinal);
        Assert.Equal(3, (await _client.Json("/api/log.json")).GetArrayLength());
        await _client.Send(HttpMethod.Delete, $"/api/ensemble/players/{fern.Id}");
        var record = await _client.Json($"/api/ensemble/players/{fern.Id}/record");
        Assert.Equal(2, record.GetProperty("entries").GetArrayLength());
        Assert.NotNull(record.GetProperty("leftOn").GetString());
        var stays = await _client.Json($"/api/ensemble/players/{lowell.Id}/record");
        Assert.Equal(
            "cannot-tell",
            Assert.Single(stays.GetProperty("passages").EnumerateArray()).GetProperty("ready").GetProperty("state").GetString()
        );
        Assert.Equal(HttpStatusCode.NotFound, (await _client.GetAsync("/api/ensemble/players/4711/record", Cancelled)).StatusCode);
    }
}
