namespace MellowStand.Core.Assign;

/// <summary>Neighbouring measures as ranges.</summary>
internal static class MeasureRuns
{
    public static IEnumerable<MeasureRange> ToRuns(this IReadOnlyList<int> measures)
    {
        for (var i = 0; i < measures.Count;)
        {
            var k = i;
            while (k + 1 < measures.Count && measures[k + 1] == measures[k] + 1)
                k++;
            yield return new MeasureRange(measures[i], measures[k]);
            i = k + 1;
        }
    }
}
