using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>The same music again, higher or lower.</summary>
/// <remarks>Four measures or more with the same rhythm and the same intervals; the trap is the one that is articulated or slurred
/// otherwise. Common practice, no published source.</remarks>
[Example("| C5q D5q E5q F5q | G5q F5q E5q D5q | E5h C5h | D5w | B4w | G5q A5q B5q C6q | D6q C6q B5q A5q | B5h G5h | A5w", 1)]
[Example(
    "| C5q D5q E5q F5q | G5q F5q E5q D5q | E5h C5h | D5w | B4w | G5q A5q C6q B5q | D6q C6q B5q A5q | B5h G5h | A5w",
    0,
    "the way back is another"
)]
public sealed class TransposedReturn : IStudyRule
{
    private const int LeastMeasures = 4;
    private const int LeastPitches = 3;

    /// <inheritdoc/>
    public string Name => "transposed-return";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Returns;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var measures = context.ContentOf(part);
        var places = new Dictionary<string, List<int>>();
        var covered = -1;
        for (var j = 0; j < measures.Count; j++)
        {
            if (measures[j].Base is null)
                continue;
            if (!places.TryGetValue(measures[j].Intervals, out var earlier))
                places[measures[j].Intervals] = earlier = [];
            if (j > covered)
            {
                var best = earlier
                    .Take(24)
                    .Where(i => measures[i].Base != measures[j].Base)
                    .Select(i => (First: i, Length: Follow(measures, i, j), Shift: measures[j].Base!.Value - measures[i].Base!.Value))
                    .DefaultIfEmpty()
                    .MaxBy(b => b.Length);
                if (best.Length >= LeastMeasures && IsTune(measures, j, best.Length))
                {
                    covered = j + best.Length - 1;
                    var first = context.Measures(best.First, best.First + best.Length - 1);
                    var marked = Enumerable
                        .Range(0, best.Length)
                        .Where(k => measures[best.First + k].Marks != measures[j + k].Marks)
                        .ToList();
                    yield return new Finding(
                        Name,
                        [part.Id],
                        j,
                        covered,
                        [.. marked.SelectMany(k => Return.DifferentMarks(measures[best.First + k], measures[j + k])).Select(n => n.Id)],
                        marked.Count > 0 && marked.Count < best.Length ? Severity.Warn : Severity.Note,
                        $"As {first}, {Words(best.Shift)}{(marked.Count > 0 ? ", with a difference" : "")}",
                        $"From measure {context.Label(j)} to {context.Label(covered)} the music of {first} comes again, "
                            + $"{Words(best.Shift)}{Otherwise(context, [.. marked.Select(k => j + k)])}."
                    )
                    {
                        Fact = $"{best.First} {j} {best.Length} {best.Shift}",
                    };
                }
            }

            earlier.Add(j);
        }
    }

    // One long note and rests, or one pitch struck again and again, are nothing to recognise.
    private static bool IsTune(IReadOnlyList<MeasureContent> measures, int from, int length) =>
        Enumerable
            .Range(from, length)
            .SelectMany(m => measures[m].Sounding)
            .Select(n => n.TopSounding)
            .Distinct()
            .Count() >= LeastPitches;

    private static int Follow(IReadOnlyList<MeasureContent> m, int i, int j)
    {
        var shift = m[j].Base - m[i].Base;
        var k = 0;
        while (
            j + k < m.Count
            && i + k < j
            && m[i + k].Intervals == m[j + k].Intervals
            && (m[j + k].Base is null || m[j + k].Base - m[i + k].Base == shift)
        )
            k++;
        return k;
    }

    private static string Otherwise(StudyContext context, List<int> measures) =>
        measures.Count switch
        {
            0 => "",
            1 => $", except that measure {context.Label(measures[0])} is marked otherwise",
            _ => $", except that {measures.Count} measures are marked otherwise, measure {context.Label(measures[0])} first",
        };

    private static string Words(int semitones) => $"{Intervals.Name(Math.Abs(semitones))} {(semitones > 0 ? "higher" : "lower")}";
}
