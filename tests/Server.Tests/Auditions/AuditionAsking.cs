using System.Net;
using System.Net.Http.Json;
using System.Text.Json;

namespace MellowStand.Server.Tests.Auditions;

/// <summary>Short ways to ask of audition sets; all music, names and dates are made up.</summary>
internal static class AuditionAsking
{
    public const string Slow =
        "meter:3/4 tempo:q=60-72 | C5h(tr) D5q | E5h. | D5q(.) C5q(.) D5q(.) | C5h. | E5h D5q | C5h. | D5q C5q D5q | C5h.";

    private static readonly CancellationToken Cancel = TestContext.Current.CancellationToken;

    public static byte[] Etude(string instrument, string header = "", string music = Slow) =>
        Asking.Music($"title: Lantern Study ({instrument})\npart \"{instrument}\" {header}\n{music}");

    public static MultipartFormDataContent Files(params (string Name, byte[] Bytes)[] files)
    {
        var form = new MultipartFormDataContent();
        foreach (var (name, bytes) in files)
            form.Add(new ByteArrayContent(bytes), "files", name);
        return form;
    }

    /// <summary>A set with a clarinet, a flute and a tuba etude and two rounds.</summary>
    public static async Task<JsonElement> MakeSet(this HttpClient client, string name = "Hill audition")
    {
        using var form = Files(
            ("lyrical clarinet.xml", Etude("Clarinet", "transpose:-1,-2")),
            ("lyrical flute.xml", Etude("Flute")),
            ("technical tuba.xml", Etude("Tuba", "clef:F4", "meter:2/4 tempo:q=96 | C3e(.) D3e(.) E3e D3e | C3h | C3e D3e E3e D3e | C3h"))
        );
        form.Add(
            new StringContent(
                JsonSerializer.Serialize(
                    new
                    {
                        name,
                        rounds = new object[]
                        {
                            new
                            {
                                name = "First round",
                                held = Day(30),
                                way = "one-take",
                                screened = true,
                            },
                            new
                            {
                                name = "Second round",
                                held = Day(60),
                                way = "live",
                            },
                        },
                        entries = new object[]
                        {
                            new
                            {
                                file = "lyrical clarinet.xml",
                                instrument = "clarinet-bb",
                                kind = "lyrical",
                            },
                            new
                            {
                                file = "lyrical flute.xml",
                                instrument = "flute",
                                kind = "lyrical",
                            },
                            new
                            {
                                file = "technical tuba.xml",
                                instrument = "tuba",
                                kind = "technical",
                            },
                        },
                    }
                )
            ),
            "set"
        );
        var response = await client.PostAsync(new Uri("/api/auditions", UriKind.Relative), form, Cancel);
        Assert.Equal(HttpStatusCode.Created, response.StatusCode);
        return await response.Content.ReadFromJsonAsync<JsonElement>(Cancel);
    }

    public static string Day(int days) => TestDay.In(days);

    public static long Id(this JsonElement e) => e.GetProperty("id").GetInt64();

    public static string Text(this JsonElement e, string name) => e.GetProperty(name).GetString()!;

    public static List<JsonElement> List(this JsonElement e, string name) => [.. e.GetProperty(name).EnumerateArray()];

    public static JsonElement EntryOf(this JsonElement set, string instrument) =>
        set.List("entries").First(e => e.Text("instrument") == instrument);

    public static async Task<JsonElement> Ok(this HttpClient client, HttpMethod method, string url, object? body = null)
    {
        var response = await client.Send(method, url, body);
        Assert.True(response.IsSuccessStatusCode, $"{method} {url}: {await response.Content.ReadAsStringAsync(Cancel)}");
        return response.StatusCode == HttpStatusCode.NoContent ? default : await response.Content.ReadFromJsonAsync<JsonElement>(Cancel);
    }

    public static async Task<string> Refused(
        this HttpClient client,
        HttpMethod method,
        string url,
        HttpStatusCode status,
        object? body = null
    )
    {
        var response = await client.Send(method, url, body);
        Assert.Equal(status, response.StatusCode);
        return await response.Sentence();
    }

    /// <summary>Players of the demo school on an instrument.</summary>
    public static async Task<List<long>> Players(this HttpClient client, string instrument) =>
        [
            .. (await client.Json("/api/ensemble"))
                .EnumerateArray()
                .SelectMany(s => s.List("players"))
                .Where(p => p.GetProperty("instrument").GetString() == instrument)
                .Select(Id),
        ];

    public static async Task<JsonElement> Candidates(this HttpClient client, JsonElement set, params (string Instrument, int Count)[] who)
    {
        var candidates = new List<object>();
        foreach (var (instrument, count) in who)
            candidates.AddRange((await client.Players(instrument)).Take(count).Select(p => new { player = p, instrument }));
        return await client.Ok(
            HttpMethod.Put,
            $"/api/auditions/{set.Id()}/candidates",
            new { candidates, version = set.GetProperty("version").GetInt32() }
        );
    }
}
