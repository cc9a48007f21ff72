using System.Globalization;

namespace MellowStand.Server;

/// <summary>Where the data lives and how the server was started.</summary>
public sealed record StandOptions(string Data, int? Port, bool Demo)
{
    /// <summary>The largest request, a little above the largest score file.</summary>
    public const long MaxRequestBytes = 34L * 1024 * 1024;

    /// <summary>Reads the settings; without <c>data</c>, the user's data directory is used.</summary>
    public static StandOptions From(IConfiguration configuration)
    {
        var data = configuration["data"];
        if (string.IsNullOrWhiteSpace(data))
            data = Path.Combine(
                Environment.GetFolderPath(Environment.SpecialFolder.LocalApplicationData, Environment.SpecialFolderOption.Create),
                "mellow-stand"
            );
        var port =
            int.TryParse(configuration["port"], NumberStyles.None, CultureInfo.InvariantCulture, out var p) && p is > 0 and < 65536
                ? p
                : (int?)null;
        return new StandOptions(data, port, configuration["demo"] == "true");
    }
}
