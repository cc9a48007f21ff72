using System.Globalization;

namespace MellowStand.Server;

/// <summary>Where the data lives and how the server was started.</summary>
/// <param name="Data">The data folder.</param>
/// <param name="Port">The port on loopback, 0 for a free one, or null for the framework's own.</param>
/// <param name="Demo">True in the demo.</param>
/// <param name="Hosts">Names under which it answers besides loopback's.</param>
/// <param name="Today">The day that it is to be, or null for the machine's own.</param>
public sealed record ServerOptions(string Data, int? Port, bool Demo, IReadOnlyList<string> Hosts, DateOnly? Today)
{
    /// <summary>The largest request, a little above the largest score file.</summary>
    public const long MaxRequestBytes = 34L * 1024 * 1024;

    /// <summary>Reads the settings; without <c>data</c>, the user's data directory is used.</summary>
    /// <exception cref="StartException">The port or the day is none.</exception>
    public static ServerOptions From(IConfiguration configuration)
    {
        var data = configuration["data"];
        if (string.IsNullOrWhiteSpace(data))
            data = Path.Combine(
                Environment.GetFolderPath(Environment.SpecialFolder.LocalApplicationData, Environment.SpecialFolderOption.DoNotVerify),
                "mellow-stand"
            );
        var port = PortOf(configuration["port"]);
        var hosts = (configuration["host"] ?? "").Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        return new ServerOptions(data, port, configuration["demo"] == "true", hosts, DayOf(configuration["today"]));
    }

    private static int? PortOf(string? text)
    {
        if (string.IsNullOrEmpty(text))
            return null;
        return int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out var port) && port < 65536
            ? port
            : throw new StartException(
                StartException.BadOption,
                $"The port \"{text}\" is none. Give a number from 1 to 65535, e.g. --port 5230, or 0 for a free one."
            );
    }

    private static DateOnly? DayOf(string? text)
    {
        if (string.IsNullOrEmpty(text))
            return null;
        return DateOnly.TryParseExact(text, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var day)
            ? day
            : throw new StartException(StartException.BadOption, $"The day \"{text}\" is none. Give it as --today 2027-01-31.");
    }
}
