using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json;
using MellowStand.Server.Services;
using MellowStand.Storage;
using MellowStand.Storage.Keeping;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging;

namespace MellowStand.Server.Tests;

/// <summary>The real server on a real SQLite file in a fresh folder.</summary>
public sealed class SchoolServer : WebApplicationFactory<ServerOptions>
{
    private static readonly TimeSpan LongestEnd = TimeSpan.FromMinutes(1);

    private bool _isHandedOn;

    /// <summary>Its data folder, deleted with it.</summary>
    public string Data { get; init; } = Directory.CreateTempSubdirectory("mellow-stand-test-").FullName;

    public bool Demo { get; init; } = true;

    public bool WithSchool { get; init; }

    /// <summary>The day that it is.</summary>
    public DateOnly Today { get; init; } = TestDay.Today;

    /// <summary>False to make the database from nothing instead of copying a prepared one.</summary>
    public bool IsPrepared { get; init; } = true;

    /// <summary>True to leave the data folder where it is.</summary>
    public bool KeepsData { get; init; }

    /// <summary>Where the server's errors are to be told too, or null.</summary>
    public ILoggerProvider? Errors { get; init; }

    public Database Database => Services.GetRequiredService<Database>();

    /// <summary>Stops this server and starts another one on its data, which reads all from the disk.</summary>
    public SchoolServer Again()
    {
        _isHandedOn = true;
        Dispose();
        return new SchoolServer
        {
            Data = Data,
            Demo = Demo,
            WithSchool = WithSchool,
            Today = Today,
            Errors = Errors,
        };
    }

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        if (IsPrepared)
            Prepared.Lay(Data, WithSchool);
        builder.UseSetting("data", Data);
        builder.UseSetting("today", Today.Iso());
        builder.UseSetting("demo", Demo ? "true" : "false");
        builder.ConfigureServices(s =>
        {
            if (Errors is not null)
                s.AddSingleton(LoggerFactory.Create(l => l.AddProvider(Errors)));
            // The demo school is loaded only where a test asks for it.
            if (!WithSchool)
                s.AddSingleton<DemoSwitch>(new DemoSwitch(false));
        });
    }

    // The program's own thread ends the server too: whichever of the two was first, the other one goes on before it is done.
    private bool IsLetGo()
    {
        try
        {
            DataFolder.Take(Data).Dispose();
            return true;
        }
        catch (KeepingException)
        {
            return false;
        }
    }

    protected override void Dispose(bool disposing)
    {
        base.Dispose(disposing);
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        if (disposing && Directory.Exists(Data))
            SpinWait.SpinUntil(IsLetGo, LongestEnd);
        if (disposing && !_isHandedOn && !KeepsData && Directory.Exists(Data))
            Directory.Delete(Data, recursive: true);
    }
}

/// <summary>Short ways to ask the server.</summary>
public static class Asking
{
    public static MultipartFormDataContent File(byte[] bytes, string name)
    {
        var content = new ByteArrayContent(bytes);
        content.Headers.ContentType = new MediaTypeHeaderValue("application/octet-stream");
        return new MultipartFormDataContent { { content, "file", name } };
    }

    public static async Task<JsonElement> Json(this HttpClient client, string url) =>
        (await client.GetFromJsonAsync<JsonElement>(url, TestContext.Current.CancellationToken)).Clone();

    public static async Task<long> Import(this HttpClient client, byte[] bytes, string name = "score.musicxml")
    {
        var response = await client.PostAsync("/api/pieces", File(bytes, name), TestContext.Current.CancellationToken);
        Assert.Equal(System.Net.HttpStatusCode.Created, response.StatusCode);
        return (await response.Content.ReadFromJsonAsync<JsonElement>(TestContext.Current.CancellationToken)).GetProperty("id").GetInt64();
    }

    public static Task<HttpResponseMessage> Send(this HttpClient client, HttpMethod method, string url, object? body = null) =>
        client.SendAsync(
            new HttpRequestMessage(method, url) { Content = body is null ? null : JsonContent.Create(body) },
            TestContext.Current.CancellationToken
        );

    public static async Task<string> Sentence(this HttpResponseMessage response)
    {
        Assert.Equal("application/problem+json", response.Content.Headers.ContentType?.MediaType);
        var problem = await response.Content.ReadFromJsonAsync<JsonElement>(TestContext.Current.CancellationToken);
        var sentence = problem.GetProperty("detail").GetString()!;
        Assert.EndsWith(".", sentence, StringComparison.Ordinal);
        return sentence;
    }

    public static byte[] Music(string text) =>
        MellowStand.Core.Formats.MusicXml.ScoreExport.Serialize(MellowStand.Core.Formats.ShortForm.ShortFormReader.Document(text));

    public static string Text(byte[] bytes) => Encoding.UTF8.GetString(bytes);
}
