using System.IO.Compression;
using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json;
using MellowStand.Storage;
using MellowStand.Storage.Keeping;

namespace MellowStand.Server.Tests;

/// <summary>What the server refuses, and what it never loses.</summary>
public sealed class SafetyTests
{
    private const string Score =
        "<score-partwise><part-list><score-part id=\"P1\"><part-name>Flute</part-name></score-part></part-list><part "
        + "id=\"P1\"><measure number=\"1\"><note><rest/><duration>4</duration></note></measure></part></score-partwise>";

    public static TheoryData<string, byte[]> Hostile =>
        new()
        {
            {
                "external-entity.xml",
                Encoding.UTF8.GetBytes(
                    "<!DOCTYPE s [<!ENTITY x SYSTEM \"file:///etc/passwd\">]>" + Score.Replace("Flute", "&x;", StringComparison.Ordinal)
                )
            },
            {
                "entity-bomb.xml",
                Encoding.UTF8.GetBytes(
                    "<!DOCTYPE s [<!ENTITY a \"aaaaaaaaaa\"><!ENTITY b \"&a;&a;&a;&a;\">]>"
                        + Score.Replace("Flute", "&b;", StringComparison.Ordinal)
                )
            },
            { "truncated.musicxml", Encoding.UTF8.GetBytes(Score[..150]) },
            { "climbs-out.mxl", Zip("../../outside.xml", Encoding.UTF8.GetBytes(Score)) },
            { "bomb.mxl", Zip("score.xml", new byte[120 * 1024 * 1024]) },
            { "empty.musicxml", [] },
            { "picture.png", [0x89, 0x50, 0x4E, 0x47, 1, 2, 3] },
        };

    [Theory]
    [MemberData(nameof(Hostile))]
    public async Task A_hostile_file_is_refused_in_words_and_nothing_is_stored(string name, byte[] bytes)
    {
        using var server = new SchoolServer();
        using var client = server.CreateClient();
        var response = await client.PostAsync("/api/pieces", Asking.File(bytes, name), TestContext.Current.CancellationToken);
        Assert.InRange((int)response.StatusCode, 400, 499);
        Assert.Contains(name, await response.Sentence(), StringComparison.Ordinal);
        Assert.Equal(0, (await client.Json("/api/pieces")).GetArrayLength());
        await client.Import(Encoding.UTF8.GetBytes(Score));
    }

    [Fact]
    public async Task A_request_without_a_file_is_refused_in_words()
    {
        using var server = new SchoolServer();
        using var client = server.CreateClient();
        var response = await client.PostAsync(
            "/api/pieces",
            new MultipartFormDataContent { { new StringContent("x"), "other" } },
            TestContext.Current.CancellationToken
        );
        Assert.InRange((int)response.StatusCode, 400, 499);
        await response.Sentence();
    }

    [Fact]
    public async Task Changes_from_another_origin_are_refused()
    {
        using var server = new SchoolServer();
        using var client = server.CreateClient();
        client.DefaultRequestHeaders.Add("Origin", "http://elsewhere.example");
        var response = await client.Send(HttpMethod.Post, "/api/ensemble/sections", new { name = "Flutes" });
        Assert.Equal(HttpStatusCode.Forbidden, response.StatusCode);
        Assert.Equal(0, (await client.Json("/api/ensemble")).GetArrayLength());
    }

    [Fact]
    public async Task Every_answer_carries_the_security_headers()
    {
        using var server = new SchoolServer();
        using var client = server.CreateClient();
        var response = await client.GetAsync("/healthz", TestContext.Current.CancellationToken);
        var policy = response.Headers.GetValues("Content-Security-Policy").Single();
        Assert.Contains("script-src 'self' 'wasm-unsafe-eval';", policy, StringComparison.Ordinal);
        Assert.Equal("nosniff", response.Headers.GetValues("X-Content-Type-Options").Single());
    }

    [Fact]
    public async Task First_run_makes_the_director_and_only_once()
    {
        using var server = new SchoolServer { Demo = false };
        using var client = server.CreateClient();
        Assert.True((await client.Json("/api/session")).GetProperty("firstRun").GetBoolean());
        Assert.Equal(HttpStatusCode.Unauthorized, (await client.GetAsync("/api/pieces", TestContext.Current.CancellationToken)).StatusCode);
        Assert.Equal(
            HttpStatusCode.BadRequest,
            (await client.Send(HttpMethod.Post, "/api/session/first-run", new { name = "Orla", password = "short" })).StatusCode
        );
        var made = await client.Send(HttpMethod.Post, "/api/session/first-run", new { name = "Orla", password = "a quiet rehearsal" });
        Assert.Equal(HttpStatusCode.OK, made.StatusCode);
        var cookie = made.Headers.GetValues("Set-Cookie").Single();
        Assert.Contains("httponly", cookie, StringComparison.OrdinalIgnoreCase);
        Assert.Contains("samesite=strict", cookie, StringComparison.OrdinalIgnoreCase);
        Assert.Equal(HttpStatusCode.OK, (await client.GetAsync("/api/pieces", TestContext.Current.CancellationToken)).StatusCode);
        Assert.Equal(
            HttpStatusCode.Conflict,
            (await client.Send(HttpMethod.Post, "/api/session/first-run", new { name = "Other", password = "another password" })).StatusCode
        );
    }

    [Fact]
    public async Task Sign_in_is_refused_with_a_wrong_password_and_limited()
    {
        using var server = new SchoolServer { Demo = false };
        using var client = server.CreateClient();
        await client.Send(HttpMethod.Post, "/api/session/first-run", new { name = "Orla", password = "a quiet rehearsal" });
        await client.Send(HttpMethod.Delete, "/api/session");
        var tries = new List<HttpStatusCode>();
        for (var i = 0; i < 12; i++)
            tries.Add((await client.Send(HttpMethod.Post, "/api/session", new { name = "Orla", password = "wrong password" })).StatusCode);
        Assert.Equal(HttpStatusCode.Unauthorized, tries[0]);
        Assert.Equal(HttpStatusCode.TooManyRequests, tries[^1]);
    }

    [Fact]
    public async Task Unknown_addresses_answer_in_words()
    {
        using var server = new SchoolServer();
        using var client = server.CreateClient();
        foreach (var url in new[] { "/api/nothing", "/api/pieces/99", "/api/pieces/99/study", "/api/passages/7/sheet" })
        {
            var response = await client.GetAsync(url, TestContext.Current.CancellationToken);
            Assert.Equal(HttpStatusCode.NotFound, response.StatusCode);
            await response.Sentence();
        }
    }

    [Fact]
    public void A_backup_of_a_database_in_use_holds_everything()
    {
        var folder = Directory.CreateTempSubdirectory("mellow-stand-backup-").FullName;
        var database = new Database(Path.Combine(folder, "stand.db"));
        var ensemble = new EnsembleRepository(database);
        ensemble.AddSection("Horns");
        var copy = Path.Combine(folder, "copy.db");
        Backup.Make(folder, copy);
        ensemble.AddSection("Tubas");
        Assert.Equal("Horns", Assert.Single(new EnsembleRepository(new Database(copy)).Sections()).Name);
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    [Fact]
    public void The_database_keeps_its_word()
    {
        var folder = Directory.CreateTempSubdirectory("mellow-stand-word-").FullName;
        var database = new Database(Path.Combine(folder, "stand.db"));
        using (var c = database.Open())
        {
            Assert.Equal("wal", Pragma(c, "journal_mode"));
            Assert.Equal("2", Pragma(c, "synchronous"));
            Assert.Equal("1", Pragma(c, "foreign_keys"));
        }

        Assert.Throws<InvalidOperationException>(() =>
            database.Act<int>(c =>
            {
                using var command = c.CreateCommand();
                command.CommandText = "INSERT INTO section (name, position) VALUES ('Half', 1)";
                command.ExecuteNonQuery();
                throw new InvalidOperationException("in the middle of an act");
            })
        );
        Assert.Empty(new EnsembleRepository(database).Sections());
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    private static string? Pragma(Microsoft.Data.Sqlite.SqliteConnection c, string name)
    {
        using var command = c.CreateCommand();
        command.CommandText = "PRAGMA " + name;
        return command.ExecuteScalar()?.ToString();
    }

    private static byte[] Zip(string name, byte[] content)
    {
        using var stream = new MemoryStream();
        using (var zip = new ZipArchive(stream, ZipArchiveMode.Create))
        using (var entry = zip.CreateEntry(name).Open())
            entry.Write(content);
        return stream.ToArray();
    }

    [Fact]
    public async Task A_hundred_megabytes_are_refused_in_words_and_the_next_request_is_served()
    {
        using var server = new SchoolServer();
        using var client = server.CreateClient();
        var response = await client.PostAsync(
            "/api/pieces",
            Asking.File(new byte[100 * 1024 * 1024], "huge.musicxml"),
            TestContext.Current.CancellationToken
        );
        Assert.InRange((int)response.StatusCode, 400, 499);
        await response.Sentence();
        Assert.Equal(0, (await client.Json("/api/pieces")).GetArrayLength());
    }
}
