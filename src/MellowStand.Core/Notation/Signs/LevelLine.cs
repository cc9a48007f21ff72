namespace MellowStand.Core.Notation;

/// <summary>A printed level at its place.</summary>
/// <param name="Measure">Its measure from 0.</param>
/// <param name="Onset">Quarters from the start of the score.</param>
/// <param name="Sign">As printed, e.g. <c>mf</c>.</param>
/// <param name="Level">The level it leaves in force (0 = pppp … 9 = ffff).</param>
public sealed record PrintedLevel(int Measure, Fraction Onset, string Sign, int Level);

/// <summary>A crescendo or diminuendo, drawn or in words.</summary>
/// <param name="Grows">True for a crescendo.</param>
/// <param name="FromMeasure">First measure from 0.</param>
/// <param name="From">Quarters from the start of the score.</param>
/// <param name="ToMeasure">Last measure from 0.</param>
/// <param name="To">Quarters from the start of the score.</param>
public sealed record Swell(bool Grows, int FromMeasure, Fraction From, int ToMeasure, Fraction To);

/// <summary>The levels and swells of one part in order.</summary>
/// <remarks>A crescendo in words reaches to the next printed level, at most eight measures. Common practice, no published source.</remarks>
public sealed class LevelLine
{
    private const int LongestInWords = 8;

    /// <summary>Reads the dynamics of a part.</summary>
    public LevelLine(Score score, Part part)
    {
        var printed = part
            .Directions.Where(d => d.Kind == DirectionKind.Dynamic)
            .Select(d => (d.MeasureIndex, d.Onset, d.Text))
            .Concat(
                part.Notes.SelectMany(n => n.Marks.Where(m => m.Name == "dynamics").Select(m => (n.MeasureIndex, n.Onset, Text: m.Value!)))
            )
            .Distinct()
            .OrderBy(d => d.Onset);
        Levels =
        [
            .. printed
                .Select(d => (d, Level: DynamicLevels.LevelAfter(d.Text)))
                .Where(x => x.Level is not null)
                .Select(x => new PrintedLevel(x.d.MeasureIndex, x.d.Onset, x.d.Text, x.Level!.Value)),
        ];
        var drawn = part.Hairpins.Select(h => new Swell(h.Grows, h.FromMeasure, h.From, h.ToMeasure, h.To)).ToList();
        Swells = [.. OneSwell.Of(drawn, [.. InWords(score, part)])];
    }

    /// <summary>The printed levels in order.</summary>
    public IReadOnlyList<PrintedLevel> Levels { get; }

    /// <summary>The swells in order.</summary>
    public IReadOnlyList<Swell> Swells { get; }

    /// <summary>The level in force at a moment, or null before the first printed one.</summary>
    public PrintedLevel? At(Fraction onset)
    {
        var place = Levels.PlaceFrom(l => l.Onset, onset);
        while (place < Levels.Count && Levels[place].Onset == onset)
            place++;
        return place == 0 ? null : Levels[place - 1];
    }

    /// <summary>The next printed level at or after a moment, or null.</summary>
    public PrintedLevel? From(Fraction onset)
    {
        var place = Levels.PlaceFrom(l => l.Onset, onset);
        return place < Levels.Count ? Levels[place] : null;
    }

    /// <summary>The swells that begin from a moment to another, both included.</summary>
    public IEnumerable<Swell> SwellsFrom(Fraction from, Fraction to) => Swells.Between(s => s.From, from, to);

    private IEnumerable<Swell> InWords(Score score, Part part)
    {
        foreach (var d in part.Directions.Where(d => d.Kind == DirectionKind.Words))
        {
            var words = d.Text.ToLowerInvariant();
            var grows = words.Contains("cresc", StringComparison.Ordinal) && !words.Contains("decresc", StringComparison.Ordinal);
            var fades =
                words.StartsWith("dim", StringComparison.Ordinal)
                || words.Contains(" dim", StringComparison.Ordinal)
                || words.Contains("decresc", StringComparison.Ordinal);
            if (!grows && !fades)
                continue;
            var next = Levels.FirstOrDefault(l => l.Onset > d.Onset);
            var last = Math.Min(d.MeasureIndex + LongestInWords, score.Measures.Count) - 1;
            var (toMeasure, to) = next is not null && next.Measure <= last ? (next.Measure, next.Onset) : (last, score.Measures[last].End);
            yield return new Swell(grows, d.MeasureIndex, d.Onset, toMeasure, to);
        }
    }
}
