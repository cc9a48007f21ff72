namespace MellowStand.Server.Services;

/// <summary>Finds the Chromium that is installed on this machine.</summary>
internal static class Browser
{
    private static readonly string[] Names = ["chromium", "chromium-browser", "google-chrome"];

    /// <summary>Its path, or null where none is installed.</summary>
    public static string? Path { get; } =
        Names
            .SelectMany(name =>
                (Environment.GetEnvironmentVariable("PATH") ?? "")
                    .Split(System.IO.Path.PathSeparator, StringSplitOptions.RemoveEmptyEntries)
                    .Select(folder => System.IO.Path.Combine(folder, name))
            )
            .FirstOrDefault(File.Exists);
}
