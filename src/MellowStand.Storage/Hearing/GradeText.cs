using System.Globalization;

namespace MellowStand.Storage;

/// <summary>Marks and weights by criterion as they are kept: "notes 4" a line.</summary>
internal static class GradeText
{
    public static string Of(IEnumerable<KeyValuePair<string, int>> pairs) =>
        string.Join('\n', pairs.Select(p => string.Create(CultureInfo.InvariantCulture, $"{p.Key} {p.Value}")));

    public static IEnumerable<KeyValuePair<string, int>> Read(string text) =>
        text.Split('\n', StringSplitOptions.RemoveEmptyEntries)
            .Select(line => line.Split(' '))
            .Select(p => KeyValuePair.Create(p[0], int.Parse(p[1], CultureInfo.InvariantCulture)));
}
