using System.Globalization;
using System.Runtime.CompilerServices;

namespace MellowStand.Core.Tests;

/// <summary>Seeds of the property tests: fixed, so that a lucky draw fails nobody; another one with STAND_SEED in the
/// environment.</summary>
public static class Seeds
{
    /// <summary>A source of chances.</summary>
    /// <param name="usual">The seed when none is asked for.</param>
    public static Random Random(int usual) => new(Asked ?? usual);

    private static int? Asked =>
        int.TryParse(Environment.GetEnvironmentVariable("STAND_SEED"), NumberStyles.Integer, CultureInfo.InvariantCulture, out var seed)
            ? seed
            : null;
}

/// <summary>A property with fixed draws, or with those of STAND_SEED.</summary>
[AttributeUsage(AttributeTargets.Method)]
public sealed class SeededPropertyAttribute : FsCheck.Xunit.PropertyAttribute
{
    /// <summary>Fixes the draws.</summary>
    public SeededPropertyAttribute([CallerFilePath] string? sourceFilePath = null, [CallerLineNumber] int sourceLineNumber = -1)
    {
        _ = (sourceFilePath, sourceLineNumber);
        Replay = $"{Environment.GetEnvironmentVariable("STAND_SEED") ?? "60212"},91823";
    }
}
