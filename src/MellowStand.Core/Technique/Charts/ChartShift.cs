using MellowStand.Core.Notation;

namespace MellowStand.Core.Technique.Charts;

/// <summary>Makes the rows of a higher register from those of the lower, which have the same fingers.</summary>
/// <remarks>A conical tube overblows the octave, the clarinet's cylindrical one the twelfth: acoustics of wind instruments.</remarks>
internal static class ChartShift
{
    /// <summary>The rows again, so many half steps higher, with the key that opens the register.</summary>
    /// <param name="rows">Rows of the lower register.</param>
    /// <param name="steps">Half steps up.</param>
    /// <param name="key">The key that is added.</param>
    /// <param name="from">Lowest key number of the lower register that overblows.</param>
    public static string Up(string rows, int steps, string key, int from) =>
        string.Join(
            '\n',
            rows.Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
                .Select(r => Row(r, steps, key, from))
                .Where(r => r.Length > 0)
        );

    private static string Row(string row, int steps, string key, int from)
    {
        var at = row.IndexOf(' ', StringComparison.Ordinal);
        var midi = Pitch.Parse(row[..at]).Midi;
        if (midi < from)
            return "";
        var rest = row[at..];
        var columns = rest.Split('|', 2);
        var words = columns[0].Split(' ', StringSplitOptions.RemoveEmptyEntries);
        return $"{Pitches.Name(midi + steps)} {words[0]} {key} "
            + $"{string.Join(' ', words.Skip(1))}{(columns.Length > 1 ? " |" + columns[1] : "")}";
    }
}
