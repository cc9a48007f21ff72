using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A pattern of articulation that changes for one or two measures only.</summary>
/// <remarks>Measures of the same rhythm, with the usual pattern before and after. Common practice, no published source.</remarks>
[Example("| C5e(.) D5e(.) E5h. | C5e(.) E5e(.) G5h. | C5e[ D5e] E5h. | D5e(.) F5e(.) A5h. | C5e(.) D5e(.) E5h.", 1)]
[Example("| C5e(.) D5e(.) E5h. | C5e(.) E5e(.) G5h. | C5e(.) D5e(.) E5h. | D5e(.) F5e(.) A5h.", 0)]
[Example(
    "| C5e(.) D5e(.) E5h. | C5e[ E5e] G5h. | C5e(.) D5e(.) E5h. | C5e[ E5e] G5h. | C5e(.) D5e(.) E5h. | C5e[ E5e] G5h.",
    0,
    "two patterns take turns"
)]
public sealed class PatternChange : IStudyRule
{
    private const int Longest = 2;
    private const int Near = 6;
    private const int LeastNotes = 3;
    private const int Sure = 5;

    /// <inheritdoc/>
    public string Name => "pattern-change";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Articulation;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var measures = context
            .ContentOf(part)
            .Select((content, index) => (Index: index, Content: content))
            .Where(m => m.Content.Sounding.Count >= LeastNotes)
            .ToList();
        foreach (var same in measures.GroupBy(m => m.Content.Rhythm))
        {
            var row = same.ToList();
            for (var i = 1; i + 1 < row.Count; i++)
            {
                var length = 1;
                while (length < Longest && i + length + 1 < row.Count && row[i + length].Content.Marks == row[i].Content.Marks)
                    length++;
                var (before, after) = (row[i - 1], row[i + length < row.Count ? i + length : i]);
                if (row[i].Content.Marks == before.Content.Marks || before.Content.Marks != after.Content.Marks)
                    continue;
                var support = row.Count(r => r.Content.Marks == before.Content.Marks && Math.Abs(r.Index - row[i].Index) <= Near);
                var odd = row.Skip(i).Take(length).ToList();
                if (support < 3 || row[i].Index - before.Index > Near || after.Index - row[i].Index > Near || TakesTurns(row, i))
                    continue;
                yield return Finding.At(
                    Name,
                    part,
                    [.. odd.SelectMany(o => o.Content.Sounding)],
                    support >= Sure ? Severity.Warn : Severity.Note,
                    "The pattern changes",
                    $"{support} measures around have the same rhythm with another articulation; "
                        + $"{context.Measures(odd[0].Index, odd[^1].Index)} {(odd.Count == 1 ? "is" : "are")} different."
                );
                i += length;
            }
        }
    }

    // Two patterns measure by measure are one scheme; only what breaks the turn is a change.
    private static bool TakesTurns(List<(int Index, MeasureContent Content)> row, int place)
    {
        var here = row[place];
        var near = row.Where(r => r.Index != here.Index && Math.Abs(r.Index - here.Index) <= Near).ToList();
        return near.Exists(r => (r.Index - here.Index) % 2 == 0)
            && near.TrueForAll(r => (r.Content.Marks == here.Content.Marks) == ((r.Index - here.Index) % 2 == 0));
    }
}
