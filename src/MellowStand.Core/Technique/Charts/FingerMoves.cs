using System.Collections.Concurrent;

namespace MellowStand.Core.Technique.Charts;

/// <summary>What the fingers do between two fingerings.</summary>
/// <param name="Lifts">Fingers that leave.</param>
/// <param name="Presses">Fingers that go down.</param>
/// <param name="Slides">Fingers that go from one key to another.</param>
public sealed record FingerMoves(IReadOnlyList<string> Lifts, IReadOnlyList<string> Presses, IReadOnlyList<string> Slides)
{
    private static readonly ConcurrentDictionary<(FingeringChart, Fingering, Fingering), FingerMoves> Known = new(new ByReference());

    /// <summary>Fingers that must move at once in opposite directions: the awkward ones when it is quick.</summary>
    public int Crossings => Math.Min(Lifts.Count, Presses.Count);

    /// <summary>All fingers that move.</summary>
    public int Count => Lifts.Count + Presses.Count + Slides.Count;

    /// <summary>The moves between two fingerings of a chart.</summary>
    public static FingerMoves Between(FingeringChart chart, Fingering from, Fingering to) =>
        Known.GetOrAdd((chart, from, to), k => Find(k.Item1, k.Item2, k.Item3));

    private static FingerMoves Find(FingeringChart chart, Fingering from, Fingering to)
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

    private sealed class ByReference : IEqualityComparer<(FingeringChart, Fingering, Fingering)>
    {
        public bool Equals((FingeringChart, Fingering, Fingering) x, (FingeringChart, Fingering, Fingering) y) =>
            ReferenceEquals(x.Item1, y.Item1) && ReferenceEquals(x.Item2, y.Item2) && ReferenceEquals(x.Item3, y.Item3);

        public int GetHashCode((FingeringChart, Fingering, Fingering) k) =>
            HashCode.Combine(
                System.Runtime.CompilerServices.RuntimeHelpers.GetHashCode(k.Item2),
                System.Runtime.CompilerServices.RuntimeHelpers.GetHashCode(k.Item3)
            );
    }
}
