using System.Globalization;
using System.Runtime.CompilerServices;

namespace MellowStand.Server.Tests;

/// <summary>The day that it is in all tests of the server: a Monday, so that a whole week lies ahead; STAND_DAY sets another.</summary>
public static class TestDay
{
    private const string Form = "yyyy-MM-dd";

    public static DateOnly Today { get; } =
        Day(Environment.GetEnvironmentVariable("STAND_DAY") is { Length: > 0 } set ? set : File.ReadAllText(Kept()).Trim());

    /// <summary>The ISO day so many days from today.</summary>
    public static string In(int days) => Iso(Today.AddDays(days));

    public static string Iso(this DateOnly day) => day.ToString(Form, CultureInfo.InvariantCulture);

    public static DateOnly Day(string iso) => DateOnly.ParseExact(iso, Form, CultureInfo.InvariantCulture);

    // The one day that these tests and the browser's take.
    private static string Kept([CallerFilePath] string here = "") => Path.Combine(Path.GetDirectoryName(here)!, "..", "day");
}
