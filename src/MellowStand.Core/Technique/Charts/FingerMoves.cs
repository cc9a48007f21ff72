using System.Collections.Concurrent;
using System.Runtime.CompilerServices;

namespace MellowStand.Core.Technique.Charts;

/// <summary>What the fingers do between two fingerings.</summary>
/// <param name="Lifts">Fingers that leave.</param>
/// <param name="Presses">Fingers that go down.</param>
/// <param name="Slides">Fingers that go from one key to another.</param>
public sealed record FingerMoves(IReadOnlyList<string> Lifts, IReadOnlyList<string> Presses, IReadOnlyList<string> Slides)
{
    // Kept as long as the chart itself: a school's correction makes a new chart, and the old one goes with all that was known of it.
    private static readonly ConditionalWeakTable<FingeringChart, ConcurrentDictionary<(Fingering, Fingering), FingerMoves>> Known = [];

    /// <summary>Fingers that must move at once in opposite directions: the awkward ones when it is quick.</summary>
    public int Crossings => Math.Min(Lifts.Count, Presses.Count);

    /// <summary>All fingers that move.</summary>
    public int Count => Lifts.Count + Presses.Count + Slides.Count;

    /// <summary>The moves between two fingerings of a chart.</summary>
    public static FingerMoves Between(FingeringChart chart, Fingering from, Fingering to)
    {
        var known = Known.GetValue(chart, _ => new ConcurrentDictionary<(Fingering, Fingering), FingerMoves>(ByReference.Pairs));
        return known.TryGetValue((from, to), out var moves) ? moves : known.GetOrAdd((from, to), k => Find(chart, k.Item1, k.Item2));
    }

    /// <summary>The moves between two fingerings that are none of the chart's own, and so are not kept.</summary>
    public static FingerMoves Find(FingeringChart chart, Fingering from, Fingering to)
    {
        var (a, b) = (Places(chart, from), Places(chart, to));
        var both = a.Keys.Intersect(b.Keys).ToList();
        return new FingerMoves([.. a.Keys.Except(both)], [.. b.Keys.Except(both)], [.. both.Where(f => a[f] != b[f])]);
    }

    // For each finger in use the places on which it rests.
    private static Dictionary<string, string> Places(FingeringChart chart, Fingering fingering) =>
        chart
            .Keys.Where(k => fingering.Keys.Contains(k.Id))
            .GroupBy(k => k.Finger)
            .ToDictionary(g => g.Key, g => string.Join(' ', g.Select(k => k.Place).Distinct().Order(StringComparer.Ordinal)));

    private sealed class ByReference : IEqualityComparer<(Fingering, Fingering)>
    {
        public static readonly ByReference Pairs = new();

        public bool Equals((Fingering, Fingering) x, (Fingering, Fingering) y) =>
            ReferenceEquals(x.Item1, y.Item1) && ReferenceEquals(x.Item2, y.Item2);

        public int GetHashCode((Fingering, Fingering) k) =>
            HashCode.Combine(RuntimeHelpers.GetHashCode(k.Item1), RuntimeHelpers.GetHashCode(k.Item2));
    }
}
