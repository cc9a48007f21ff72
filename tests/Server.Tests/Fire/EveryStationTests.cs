using System.Globalization;
using System.Net.Http.Json;
using System.Text.Json;
using MellowStand.Core.Tests;
using Microsoft.AspNetCore.Routing;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging;

namespace MellowStand.Server.Tests.Fire;

/// <summary>Whatever file was taken in, every GET of its piece answers 200 or a sentence. The routes are those of the running server, so
/// that a new one is asked too; STAND_MUTANTS asks for more files (<c>./stand bench mutants</c>: 5,000).</summary>
public sealed class EveryStationTests
{
    private const int Usual = 160;
    private const int PartsAsked = 3;

    private static readonly string[] Tables = ["notes", "findings", "decisions"];

    [Fact]
    public async Task Every_get_of_a_broken_file_answers_or_says_why_not()
    {
        using var errors = new ErrorLog();
        using var server = new SchoolServer { Errors = errors };
        using var client = server.CreateClient();
        var routes = Routes(server);
        Assert.True(routes.Count > 20, "The routes of a piece were not found.");
        var mutants = new Mutants(Seeds.Random(4711).Next());
        var (fallen, taken) = (new SortedDictionary<string, int>(StringComparer.Ordinal), 0);
        for (var i = 0; i < Count; i++)
        {
            var bytes = mutants.Next();
            var response = await client.PostAsync("/api/pieces", Asking.File(bytes, "mutant.xml"), TestContext.Current.CancellationToken);
            await Note(response, "import", i, errors, fallen);
            if (!response.IsSuccessStatusCode)
                continue;
            taken++;
            var view = await response.Content.ReadFromJsonAsync<JsonElement>(TestContext.Current.CancellationToken);
            foreach (var (route, url) in routes.SelectMany(r => Urls(r, view).Select(u => (r, u))))
                await Note(await client.GetAsync(url, TestContext.Current.CancellationToken), route, i, errors, fallen);
            await client.Send(HttpMethod.Delete, $"/api/pieces/{view.GetProperty("id").GetInt64()}");
        }

        Assert.True(taken > Count / 4, $"Only {taken} of {Count} files were taken in: the mutants are too broken to show anything.");
        Assert.True(fallen.Count == 0, string.Join('\n', fallen.Select(f => $"{f.Value} × {f.Key}")));
    }

    private static int Count =>
        int.TryParse(Environment.GetEnvironmentVariable("STAND_MUTANTS"), NumberStyles.None, CultureInfo.InvariantCulture, out var asked)
            ? asked
            : Usual;

    private static async Task Note(
        HttpResponseMessage response,
        string route,
        int file,
        ErrorLog errors,
        SortedDictionary<string, int> fallen
    )
    {
        var status = (int)response.StatusCode;
        if (status >= 400 && status < 500)
            await response.Sentence();
        if (status < 500)
            return;
        var why = errors.Last ?? $"no exception logged, file {file}";
        fallen[$"{route}: {why}"] = fallen.GetValueOrDefault($"{route}: {why}") + 1;
    }

    private static List<string> Routes(SchoolServer server) =>
        [
            .. server
                .Services.GetRequiredService<EndpointDataSource>()
                .Endpoints.OfType<RouteEndpoint>()
                .Where(e => e.Metadata.GetMetadata<HttpMethodMetadata>()?.HttpMethods.Contains("GET") == true)
                .Select(e => "/" + e.RoutePattern.RawText!.Trim('/'))
                .Where(p => p.StartsWith("/api/pieces", StringComparison.Ordinal))
                .Distinct(),
        ];

    private static IEnumerable<string> Urls(string route, JsonElement view)
    {
        var parts = view.GetProperty("parts").EnumerateArray().Select(p => p.GetProperty("id").GetString()!).Take(PartsAsked).ToList();
        var labels = view.GetProperty("measures").EnumerateArray().Select(m => Uri.EscapeDataString(m.GetString()!)).ToList();
        var path = route.Replace("{id:long}", view.GetProperty("id").GetRawText(), StringComparison.Ordinal);
        if (!path.Contains("{id}", StringComparison.Ordinal) && path == route)
        {
            yield return path;
            yield break;
        }

        foreach (var table in path.Contains("{table}", StringComparison.Ordinal) ? Tables : [""])
        {
            var at = path.Replace("{table}", table, StringComparison.Ordinal);
            if (!at.Contains("{part}", StringComparison.Ordinal))
                yield return at;
            foreach (var part in parts)
            {
                var here = at.Replace("{part}", part, StringComparison.Ordinal);
                yield return $"{here}?part={part}&tune={part}&index=0&concert=true&words=true";
                yield return $"{here}?part={part}&tune={part}&index={labels.Count - 1}&from={labels[labels.Count / 2]}&to={labels[^1]}";
            }
        }
    }
}

/// <summary>Remembers the last exception that the server logged.</summary>
internal sealed class ErrorLog : ILoggerProvider, ILogger
{
    public string? Last { get; private set; }

    public ILogger CreateLogger(string categoryName) => this;

    public IDisposable? BeginScope<TState>(TState state)
        where TState : notnull => null;

    public bool IsEnabled(LogLevel logLevel) => logLevel >= LogLevel.Error;

    public void Log<TState>(
        LogLevel logLevel,
        EventId eventId,
        TState state,
        Exception? exception,
        Func<TState, Exception?, string> formatter
    )
    {
        if (exception is not null)
            Last = $"{exception.GetType().Name} {exception.Message} {Where(exception)}";
    }

    public void Dispose() { }

    private static string Where(Exception e)
    {
        var inner = e.GetBaseException();
        return string.Join(
            " < ",
            (inner.StackTrace ?? "")
                .Split('\n')
                .Where(l => l.Contains("MellowStand", StringComparison.Ordinal))
                .Select(l => l.Trim().Split(" in ")[0].Split("MellowStand.")[1].Split('(')[0])
                .Take(4)
        );
    }
}
