using MellowStand.Core.Notation;
using MellowStand.Core.Technique;
using MellowStand.Core.Technique.Charts;

namespace MellowStand.Core.Practice;

/// <summary>Quick changes in which nearly every finger moves: over the break of a clarinet, from C to D on a flute or saxophone.</summary>
/// <remarks>No single finger is hard there, but all must arrive at once. Four fingers or more; common practice, no published source, the
/// number is ours.</remarks>
internal static class ManyFingers
{
    private const int Many = 4;

    /// <summary>The changes, most fingers first.</summary>
    public static IReadOnlyList<(Note A, Note B)> Changes(Passage passage, TechniquePlan plan)
    {
        if (plan.Chart is not { Value: { Kind: "keys" } chart } || passage.Instrument is not { } instrument)
            return [];
        var ways = plan.Solution.Choices.ToDictionary(
            c => plan.Excerpt.Steps[c.Place].Note.Id,
            c =>
                chart
                    .At(TechniqueDesk.ChartKeyOf(plan.Excerpt.Steps[c.Place], chart, instrument))
                    .FirstOrDefault(f => f.Code == c.Way.Code)
        );
        return
        [
            .. passage
                .QuickPairs.Select(p => (p.A, p.B, Count: Fingers(chart, ways.GetValueOrDefault(p.A.Id), ways.GetValueOrDefault(p.B.Id))))
                .Where(x => x.Count >= Many)
                .OrderByDescending(x => x.Count)
                .Select(x => (x.A, x.B)),
        ];
    }

    private static int Fingers(FingeringChart chart, Fingering? from, Fingering? to) =>
        from is null || to is null ? 0 : FingerMoves.Between(chart, from, to).Count;
}
