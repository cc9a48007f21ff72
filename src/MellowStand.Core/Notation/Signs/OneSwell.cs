namespace MellowStand.Core.Notation;

/// <summary>A word and a hairpin of the same direction over the same notes are one crescendo or diminuendo.</summary>
/// <remarks>A hairpin that begins with its word or after it shows where both end; one that began before is carried on by the word. Common
/// practice, no published source.</remarks>
internal static class OneSwell
{
    /// <summary>The swells in order, each once.</summary>
    /// <param name="drawn">Hairpins in order.</param>
    /// <param name="worded">Those in words, in order.</param>
    public static IEnumerable<Swell> Of(IReadOnlyList<Swell> drawn, IReadOnlyList<Swell> worded)
    {
        var left = drawn.ToList();
        foreach (var word in worded)
        {
            var same = left.FindAll(d => d.Grows == word.Grows && d.From < word.To && d.To > word.From);
            if (same.Count == 0)
            {
                left.Add(word);
                continue;
            }

            left.RemoveAll(same.Contains);
            var first = same.Append(word).MinBy(s => s.From)!;
            var last = (same[0].From < word.From ? same.Append(word) : same).MaxBy(s => s.To)!;
            left.Add(first with { ToMeasure = last.ToMeasure, To = last.To });
        }

        return left.OrderBy(s => s.From);
    }
}
