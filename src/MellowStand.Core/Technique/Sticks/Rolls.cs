using System.Globalization;

namespace MellowStand.Core.Technique.Sticks;

/// <summary>Rolls by length and tempo.</summary>
/// <remarks>A single-stroke roll of eight to fourteen strokes a second, slower on low and long bars; the release is not struck hard.
/// Common practice, no published source.</remarks>
internal static class Rolls
{
    private const double StrokesASecond = 11;

    /// <summary>What is told of a rolled note, with its number of strokes; null when the note is struck once.</summary>
    public static string? Why(Excerpt excerpt, int place)
    {
        var note = excerpt.Steps[place].Note;
        if (!note.Has("tremolo") && !note.Has("trill-mark"))
            return null;
        var seconds = excerpt.SecondsOf(place);
        var strokes = Math.Max(3, (int)Math.Round(seconds * StrokesASecond));
        return string.Create(
            CultureInfo.InvariantCulture,
            $"a roll of {seconds:0.0} seconds, some {strokes} single strokes; release it lightly, do not strike the end"
        );
    }
}
