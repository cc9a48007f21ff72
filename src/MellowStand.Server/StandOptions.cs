using System.Globalization;

namespace MellowStand.Server;

/// <summary>Where the data lives and how the server was started.</summary>
/// <param name="Data">The data folder.</param>
/// <param name="Port">The port on loopback, or null for the framework's own.</param>
/// <param name="Demo">True in the demo.</param>
/// <param name="Hosts">Names under which it answers besides loopback's.</param>
public sealed record StandOptions(string Data, int? Port, bool Demo, IReadOnlyList<string> Hosts)
{
    /// <summary>The largest request, a little above the largest score file.</summary>
    public const long MaxRequestBytes = 34L * 1024 * 1024;

    /// <summary>Reads the settings; without <c>data</c>, the user's data directory is used.</summary>
    /// <exception cref="StartException">The port is none.</exception>
    public static StandOptions From(IConfiguration configuration)
    {
        var data = configuration["data"];
        if (string.IsNullOrWhiteSpace(data))
            data = Path.Combine(
                Environment.GetFolderPath(Environment.SpecialFolder.LocalApplicationData, Environment.SpecialFolderOption.DoNotVerify),
                "mellow-stand"
            );
        var port = PortOf(configuration["port"]);
        var hosts = (configuration["host"] ?? "").Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        return new StandOptions(data, port, configuration["demo"] == "true", hosts);
    }

    private static int? PortOf(string? text)
    {
        if (string.IsNullOrEmpty(text))
            return null;
        return int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out var port) && port is > 0 and < 65536
            ? port
            : throw new StartException(
                StartException.BadOption,
                $"The port \"{text}\" is none. Give a number from 1 to 65535, e.g. --port 5230."
            );
    }
}
