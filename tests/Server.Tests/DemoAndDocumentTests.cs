using System.Text.Json;
using System.Text.RegularExpressions;

namespace MellowStand.Server.Tests;

/// <summary>The demo is what it claims to be, and the committed OpenAPI document is the served one.</summary>
public sealed partial class DemoAndDocumentTests
{
    [Fact]
    public async Task The_demo_school_is_half_way_prepared()
    {
        using var server = new SchoolServer { WithSchool = true };
        using var client = server.CreateClient();
        var shelf = (await client.Json("/api/pieces")).EnumerateArray().ToList();
        Assert.Equal(32, shelf.Count);
        var band = shelf.Single(p => p.GetProperty("parts").GetInt32() >= 14);
        Assert.True(band.GetProperty("measures").GetInt32() >= 56);
        Assert.True(band.GetProperty("differences").GetInt32() >= 15);
        Assert.True(band.GetProperty("openDifferences").GetInt32() > 0);
        Assert.Equal(30, shelf.Count(p => p.GetProperty("kind").GetString() == "etude" && p.GetProperty("measures").GetInt32() >= 24));
        var valley = (await client.Json("/api/auditions"))[0];
        Assert.Equal(
            (30, 15, 20),
            (
                valley.GetProperty("pieces").GetInt32(),
                valley.GetProperty("instruments").GetInt32(),
                valley.GetProperty("candidates").GetInt32()
            )
        );
        var mock = (await client.Json($"/api/auditions/{valley.GetProperty("id").GetInt64()}/mocks"))[0].GetProperty("id").GetInt64();
        Assert.Equal(10, (await client.Json($"/api/mocks/{mock}/results")).GetProperty("waiting").GetArrayLength());
        var moved = (await client.Json("/api/season")).GetProperty("plan").GetProperty("moved").EnumerateArray().Select(m => m.GetString());
        Assert.Contains("39 passages are handed out and not in the plan.", moved);
        var states = new List<string?>();
        foreach (var passage in (await client.Json("/api/passages")).EnumerateArray())
        {
            var ready = await client.Json($"/api/passages/{passage.GetProperty("id").GetInt64()}/readiness");
            states.AddRange(ready.EnumerateArray().Select(r => r.GetProperty("state").GetString()));
        }

        Assert.Superset(new HashSet<string?> { "early", "late", "cannot-tell" }, states.ToHashSet());
        var study = (await client.Json($"/api/pieces/{band.GetProperty("id").GetInt64()}/study"))
            .EnumerateArray()
            .Select(f => f.GetProperty("rule").GetString())
            .ToHashSet();
        Assert.Superset(
            new HashSet<string?> { "carried-accidental", "a-tempo-without-slowing", "no-dynamics", "subito", "pickup", "halfway-level" },
            study
        );
    }

    [Fact]
    public async Task The_committed_document_is_the_served_one()
    {
        using var server = new SchoolServer();
        using var client = server.CreateClient();
        var served = Normal(await client.GetStringAsync("/openapi/v1.json", TestContext.Current.CancellationToken));
        var path = Path.Combine(Root(), "web", "openapi.json");
        if (Environment.GetEnvironmentVariable("STAND_WRITE") == "1")
            await File.WriteAllTextAsync(path, served + "\n", TestContext.Current.CancellationToken);
        Assert.True(
            served == Normal(await File.ReadAllTextAsync(path, TestContext.Current.CancellationToken)),
            "web/openapi.json is not what the server serves. Run STAND_WRITE=1 ./stand test server, then npm run api in web."
        );
    }

    private static string Normal(string json) =>
        JsonSerializer.Serialize(JsonDocument.Parse(ServerList().Replace(json, "")).RootElement, Indented);

    private static readonly JsonSerializerOptions Indented = new() { WriteIndented = true };

    private static string Root([System.Runtime.CompilerServices.CallerFilePath] string here = "") =>
        Path.GetFullPath(Path.Combine(Path.GetDirectoryName(here)!, "..", ".."));

    // The address depends on where the test host listens.
    [GeneratedRegex("\"servers\":\\s*\\[[^\\]]*\\],?")]
    private static partial Regex ServerList();
}
