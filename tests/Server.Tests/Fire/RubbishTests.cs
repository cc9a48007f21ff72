using System.Net;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace MellowStand.Server.Tests.Fire;

/// <summary>Every route of the OpenAPI document, asked with what makes no sense: it answers or says why not, and never falls. And who
/// may call it is as the document says.</summary>
public sealed class RubbishTests
{
    private static readonly string[] Rubbish =
    [
        "null",
        "[]",
        "{}",
        "0",
        "\"x\"",
        "{",
        "",
        "{\"edition\":null}",
        "[null]",
        "{\"\\ud800\":1}",
    ];

    private static readonly JsonNode?[] Values =
    [
        null,
        "",
        "\uffff",
        "\u0000",
        new string('x', 3000),
        -1,
        1e300,
        99999999999999,
        true,
        new JsonArray(),
        new JsonArray((JsonNode?)null),
        new JsonArray("x", ""),
        new JsonObject(),
        "2026-13-45",
    ];

    [Fact]
    public async Task Every_route_answers_rubbish_in_words()
    {
        using var errors = new ErrorLog();
        using var server = new SchoolServer { WithSchool = true, Errors = errors };
        using var client = server.CreateClient();
        var document = JsonNode.Parse((await client.Json("/openapi/v1.json")).GetRawText())!;
        var fallen = new SortedSet<string>(StringComparer.Ordinal);
        var asked = 0;
        foreach (var (path, method, operation) in Operations(document))
            foreach (var url in Urls(path, method))
                foreach (var body in Bodies(document, operation))
                {
                    using var request = new HttpRequestMessage(new HttpMethod(method.ToUpperInvariant()), url) { Content = body };
                    var response = await client.SendAsync(request, TestContext.Current.CancellationToken);
                    asked++;
                    if ((int)response.StatusCode >= 500)
                        fallen.Add($"{method} {path}: {errors.Last}");
                    else if ((int)response.StatusCode >= 400)
                        await response.Sentence();
                }

        Assert.True(asked > 500, $"Only {asked} requests were made.");
        Assert.True(fallen.Count == 0, string.Join('\n', fallen));
        // What was there is still there.
        Assert.Equal(HttpStatusCode.OK, (await client.GetAsync("/api/pieces", TestContext.Current.CancellationToken)).StatusCode);
    }

    [Fact]
    public async Task A_character_set_that_is_not_known_is_refused_in_words()
    {
        using var server = new SchoolServer();
        using var client = server.CreateClient();
        using var body = new StringContent("{\"name\":\"Flutes\"}");
        body.Headers.TryAddWithoutValidation("Content-Type", "x");
        body.Headers.Remove("Content-Type");
        body.Headers.TryAddWithoutValidation("Content-Type", "application/json; charset=klingon");
        var response = await client.PostAsync("/api/ensemble/sections", body, TestContext.Current.CancellationToken);
        Assert.Equal(HttpStatusCode.UnsupportedMediaType, response.StatusCode);
        Assert.Contains("klingon", await response.Sentence(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Who_may_call_a_route_is_as_the_document_says()
    {
        using var server = new SchoolServer { Demo = false };
        using var client = server.CreateClient();
        var document = JsonNode.Parse((await client.Json("/openapi/v1.json")).GetRawText())!;
        var closed = 0;
        foreach (var (path, method, operation) in Operations(document))
        {
            var who = operation["x-who-may-call"]?.GetValue<string>();
            Assert.True(who is "director" or "anyone", $"{method} {path} does not say who may call it.");
            var url = Urls(path, method).First();
            var status = (await client.Send(new HttpMethod(method.ToUpperInvariant()), url, method == "get" ? null : new { })).StatusCode;
            if (who == "director")
            {
                closed++;
                Assert.True(status == HttpStatusCode.Unauthorized, $"{method} {path} answers {status} to nobody.");
                Assert.NotEmpty(operation["security"]!.AsArray());
            }
            else if (path != "/api/session" || method != "post")
            {
                // Signing in itself answers 401 to who gives a wrong name.
                Assert.True(status != HttpStatusCode.Unauthorized, $"{method} {path} says anyone may call it and answers 401.");
            }

            if (method != "get")
                Assert.Equal(HttpStatusCode.Forbidden, await FromElsewhere(client, method, url));
        }

        Assert.True(closed > 40, $"Only {closed} routes are closed.");
    }

    private static async Task<HttpStatusCode> FromElsewhere(HttpClient client, string method, string url)
    {
        using var request = new HttpRequestMessage(new HttpMethod(method.ToUpperInvariant()), url);
        // The same name over another scheme is another page.
        request.Headers.Add("Origin", "https://localhost");
        return (await client.SendAsync(request, TestContext.Current.CancellationToken)).StatusCode;
    }

    private static IEnumerable<(string Path, string Method, JsonNode Operation)> Operations(JsonNode document) =>
        from path in document["paths"]!.AsObject()
        from operation in path.Value!.AsObject()
        where operation.Key is "get" or "post" or "put" or "delete"
        // Signing out would end the walk.
        where !(path.Key == "/api/session" && operation.Key == "delete")
        select (path.Key, operation.Key, operation.Value!);

    private static IEnumerable<string> Urls(string path, string method)
    {
        string[] ids = method == "delete" ? ["999"] : ["1", "0", "99999999999999999999"];
        foreach (var id in ids)
        {
            var url = System.Text.RegularExpressions.Regex.Replace(path, @"\{[^}]+\}", id);
            yield return url;
            if (method == "get")
                yield return url + "?part=%00&from=&to=%EF%BF%BF&index=-1&unit=x&bpm=1e400&concert=maybe&tune=,,,";
        }
    }

    private static IEnumerable<HttpContent?> Bodies(JsonNode document, JsonNode operation)
    {
        yield return null;
        if (operation["requestBody"]?["content"] is not { } content)
            yield break;
        if (content["application/json"]?["schema"]?["$ref"]?.GetValue<string>() is not { } name)
        {
            yield return new MultipartFormDataContent { { new StringContent("x"), "kind" } };
            yield return Asking.File([1, 2, 3], "../../x\u0001.mxl");
            yield break;
        }

        foreach (var text in Rubbish)
            yield return Json(text);
        var schema = document["components"]!["schemas"]![name.Split('/')[^1]]!;
        var names = schema["properties"]!.AsObject().Select(p => p.Key).ToList();
        foreach (var value in Values)
        {
            yield return Json(new JsonObject(names.Select(n => KeyValuePair.Create(n, value?.DeepClone()))).ToJsonString());
            foreach (var one in names)
                yield return Json(new JsonObject { [one] = value?.DeepClone() }.ToJsonString());
        }
    }

    private static StringContent Json(string text) => new(text, Encoding.UTF8, "application/json");
}
