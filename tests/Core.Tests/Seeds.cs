using System.Globalization;

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
