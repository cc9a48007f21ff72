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
/// <remarks>Ranges of pedal drums of 32, 29, 26, 23 and 20 inches: from memory; makers differ by a half step or two. A least-cost search over the tunings of all drums: exact while fewer than
/// <c>Most</c> states are open, which school parts do not reach.</remarks>
public static class TimpaniPlan
{
    private const int Most = 3000;

    /// <summary>Four drums.</summary>
    public static IReadOnlyList<Drum> Four { get; } = [new("32", 36, 45), new("29", 41, 48), new("26", 46, 53), new("23", 50, 57)];

    /// <summary>Five drums.</summary>
    public static IReadOnlyList<Drum> Five { get; } = [.. Four, new("20", 53, 60)];

    /// <summary>The tunings of a passage; notes outside all drums are passed over.</summary>
    /// <param name="passage">The passage.</param>
    /// <param name="drums">The set, the largest first.</param>
    /// <returns>The tunings in order and what they cost.</returns>
    public static (double Cost, IReadOnlyList<Tuning> Tunings) Of(Passage passage, IReadOnlyList<Drum> drums)
    {
        var open = new Dictionary<string, Set>(StringComparer.Ordinal) { [""] = new Set(new int[drums.Count], new int[drums.Count], 0, null) };
        for (var i = 0; i < passage.Steps.Count; i++)
        {
            foreach (var key in passage.Steps[i].Chord)
            {
                var next = open.Values.SelectMany(s => Strike(passage, drums, s, i, key)).GroupBy(s => s.Key, StringComparer.Ordinal).Select(g => g.MinBy(s => s.Cost)!).OrderBy(s => s.Cost).Take(Most).ToList();
                if (next.Count > 0) open = next.ToDictionary(s => s.Key, StringComparer.Ordinal);
            }
        }

        var best = open.Values.MinBy(s => s.Cost)!;
        return (Math.Round(best.Cost, 4), best.Trail());
    }

    private static IEnumerable<Set> Strike(Passage passage, IReadOnlyList<Drum> drums, Set set, int place, int key)
    {
        for (var d = 0; d < drums.Count; d++)
        {
            if (key < drums[d].Low || key > drums[d].High) continue;
            if (set.Keys[d] == key)
            {
                yield return set.With(d, key, place, 0, null);
                continue;
            }

            var isFirst = set.Keys[d] == 0;
            var seconds = isFirst ? (double?)null : passage.SecondsBetween(set.Struck[d], place);
            var needed = TimpaniCosts.Ready + (TimpaniCosts.PerHalfStep * Math.Abs(key - set.Keys[d]));
            var isShort = seconds < needed;
            var cost = isFirst ? TimpaniCosts.First : TimpaniCosts.Change + (Math.Abs(key - set.Keys[d]) * TimpaniCosts.Distance) + (isShort ? (needed - seconds!.Value) * TimpaniCosts.Haste : 0);
            yield return set.With(d, key, place, cost, new Tuning(place, drums[d], isFirst ? null : set.Keys[d], key, seconds, isShort));
        }
    }

    private sealed record Set(int[] Keys, int[] Struck, double Cost, (Set Before, Tuning? Tuning)? Last)
    {
        public string Key { get; } = string.Join(',', Keys) + ";" + string.Join(',', Struck);

        public Set With(int drum, int key, int place, double cost, Tuning? tuning)
        {
            var (keys, struck) = ((int[])Keys.Clone(), (int[])Struck.Clone());
            (keys[drum], struck[drum]) = (key, place);
            return new Set(keys, struck, Cost + cost, (this, tuning));
        }

        public List<Tuning> Trail()
        {
            var trail = new List<Tuning>();
            for (var at = this; at.Last is { } last; at = last.Before)
                if (last.Tuning is { } tuning) trail.Add(tuning);
            trail.Reverse();
            return trail;
        }
    }
}

/// <summary>What tuning costs.</summary>
/// <remarks>Our own weights, no published source: a change within the music wants about two seconds of rest, and a little more for each half step.</remarks>
internal static class TimpaniCosts
{
    public const double Ready = 2;
    public const double PerHalfStep = 0.2;
    public const double First = 0.05;
    public const double Change = 0.5;
    public const double Distance = 0.04;
    public const double Haste = 0.6;
}
