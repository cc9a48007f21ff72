namespace MellowStand.Core.Technique.Drums;

/// <summary>A drum of the set.</summary>
/// <param name="Name">Its diameter in inches, as players call it.</param>
/// <param name="Low">Lowest good key.</param>
/// <param name="High">Highest good key.</param>
public sealed record Drum(string Name, int Low, int High);

/// <summary>A drum that must be tuned anew.</summary>
/// <param name="Place">Place in the passage of the first note that needs it.</param>
/// <param name="Drum">The drum.</param>
/// <param name="From">The key it had; null for the tuning before the passage.</param>
/// <param name="To">The key it gets.</param>
/// <param name="Seconds">Seconds since it was struck last; null for the tuning before the passage.</param>
/// <param name="IsTight">True when the time is short.</param>
public sealed record Tuning(int Place, Drum Drum, int? From, int To, double? Seconds, bool IsTight);

/// <summary>Which drum has which note, and when it is tuned.</summary>
/// <remarks>Ranges of pedal drums of 32, 29, 26, 23 and 20 inches: from memory; makers differ by a half step or two. A least-cost search
/// over the tunings of all drums: exact while fewer than <c>Most</c> of them are open at once, near it beyond.</remarks>
public static class TimpaniPlan
{
    private const int Most = 40;

    /// <summary>Four drums.</summary>
    public static IReadOnlyList<Drum> Four { get; } = [new("32", 36, 45), new("29", 41, 48), new("26", 46, 53), new("23", 50, 57)];

    /// <summary>Five drums.</summary>
    public static IReadOnlyList<Drum> Five { get; } = [.. Four, new("20", 53, 60)];

    /// <summary>The tunings of a passage; notes outside all drums are passed over.</summary>
    /// <param name="excerpt">The passage.</param>
    /// <param name="drums">The set, the largest first.</param>
    /// <returns>The tunings in order and what they cost.</returns>
    public static (double Cost, IReadOnlyList<Tuning> Tunings) Of(Excerpt excerpt, IReadOnlyList<Drum> drums)
    {
        var at = Times(excerpt);
        var open = new List<Set> { new(new int[drums.Count], new int[drums.Count], 0, null) };
        for (var i = 0; i < excerpt.Steps.Count; i++)
        {
            foreach (var key in excerpt.Steps[i].Chord)
            {
                var next = Struck(at, drums, open, i, key);
                if (next.Count > 0)
                    open = next;
            }
        }

        var best = open.MinBy(s => s.Cost)!;
        return (Math.Round(best.Cost, 4), best.Trail());
    }

    // Seconds from the first note to each.
    private static double[] Times(Excerpt excerpt)
    {
        var at = new double[excerpt.Steps.Count];
        for (var i = 1; i < at.Length; i++)
            at[i] = at[i - 1] + excerpt.SecondsBetween(i - 1, i);
        return at;
    }

    // Every set in which a key can be struck, the cheapest first; of those that the future cannot tell apart one.
    private static List<Set> Struck(double[] at, IReadOnlyList<Drum> drums, List<Set> open, int place, int key)
    {
        var best = new Dictionary<long, Stroke>();
        foreach (var set in open)
            for (var d = 0; d < drums.Count; d++)
            {
                if (key < drums[d].Low || key > drums[d].High)
                    continue;
                var stroke = new Stroke(set, d, key, place, set.Keys[d] == key ? 0 : TuningCost(at, set, d, place, key));
                var future = set.KeyAt(at, stroke);
                if (!best.TryGetValue(future, out var other) || stroke.Cost < other.Cost)
                    best[future] = stroke;
            }

        return [.. best.Values.OrderBy(s => s.Cost).Take(Most).Select(s => s.From.With(s, TuningOf(at, drums, s)))];
    }

    private static double TuningCost(double[] at, Set set, int drum, int place, int key)
    {
        if (set.Keys[drum] == 0)
            return TimpaniCosts.First;
        var steps = Math.Abs(key - set.Keys[drum]);
        var late = NeededFor(steps) - (at[place] - at[set.Struck[drum]]);
        return TimpaniCosts.Change + (steps * TimpaniCosts.Distance) + (late > 0 ? late * TimpaniCosts.Haste : 0);
    }

    private static double NeededFor(int steps) => TimpaniCosts.Ready + (TimpaniCosts.PerHalfStep * steps);

    private static Tuning? TuningOf(double[] at, IReadOnlyList<Drum> drums, Stroke stroke)
    {
        var (had, drum) = (stroke.From.Keys[stroke.Drum], drums[stroke.Drum]);
        if (had == stroke.Key)
            return null;
        if (had == 0)
            return new Tuning(stroke.Place, drum, null, stroke.Key, null, false);
        var seconds = at[stroke.Place] - at[stroke.From.Struck[stroke.Drum]];
        return new Tuning(stroke.Place, drum, had, stroke.Key, seconds, seconds < NeededFor(Math.Abs(stroke.Key - had)));
    }

    // A key struck on a drum of a set.
    private readonly record struct Stroke(Set From, int Drum, int Key, int Place, double Price)
    {
        public double Cost => From.Cost + Price;
    }

    private sealed record Set(int[] Keys, int[] Struck, double Cost, (Set Before, Tuning? Tuning)? Last)
    {
        // What the future can ask of a set after a stroke: its keys, and when each drum was struck where that is not long ago.
        public long KeyAt(double[] at, Stroke stroke)
        {
            var key = 0L;
            for (var d = 0; d < Keys.Length; d++)
            {
                var (own, struck) = d == stroke.Drum ? (stroke.Key, stroke.Place) : (Keys[d], Struck[d]);
                var ago = stroke.Place - struck;
                var isReady = ago > 30 || at[stroke.Place] - at[struck] >= TimpaniCosts.LongAgo;
                key = (key << 12) | ((long)own << 5) | (isReady ? 31L : ago);
            }

            return key;
        }

        public Set With(Stroke stroke, Tuning? tuning)
        {
            var (keys, struck) = ((int[])Keys.Clone(), (int[])Struck.Clone());
            (keys[stroke.Drum], struck[stroke.Drum]) = (stroke.Key, stroke.Place);
            return new Set(keys, struck, stroke.Cost, (this, tuning));
        }

        public List<Tuning> Trail()
        {
            var trail = new List<Tuning>();
            for (var at = this; at.Last is { } last; at = last.Before)
                if (last.Tuning is { } tuning)
                    trail.Add(tuning);
            trail.Reverse();
            return trail;
        }
    }
}

/// <summary>What tuning costs.</summary>
/// <remarks>Our own weights, no published source: a change within the music wants about two seconds of rest, and a little more for each
/// half step.</remarks>
internal static class TimpaniCosts
{
    public const double Ready = 2;
    public const double PerHalfStep = 0.2;

    /// <summary>Seconds after which any change is in time: an octave's.</summary>
    public const double LongAgo = Ready + (12 * PerHalfStep);
    public const double First = 0.05;
    public const double Change = 0.5;
    public const double Distance = 0.04;
    public const double Haste = 0.6;
}
