using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A figure that answers another part's: the same rhythm and intervals a few measures later.</summary>
/// <remarks>Two measures or more, of four notes or more each, one to four measures after another part that does not play them too. Common
/// practice, no published source.</remarks>
[Example(
    "part \"Flute\"\n| C5q D5q E5q G5q | A5q G5q E5q D5q | C5w | C5w\npart \"Oboe\"\n| C4w | C4w | G4q A4q B4q D5q | E5q D5q B4q A4q",
    1
)]
[Example("part \"Flute\"\n| C5q D5q E5q G5q | A5q G5q E5q D5q | C5w | C5w\npart \"Oboe\"\n| C4w | C4w | G4w | E4w", 0)]
public sealed class Answer : IStudyRule
{
    private const int LeastMeasures = 2;
    private const int LeastNotes = 4;
    private const int Latest = 4;

    /// <inheritdoc/>
    public string Name => "answer";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Sharing;

    /// <inheritdoc/>
    public Reach Reach => Reach.Sounds;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var mine = context.ContentOf(part);
        var others = context.Score.Parts.Where(p => p != part).Select(p => (Part: p, Content: context.ContentOf(p))).ToList();
        for (var m = 1; m + LeastMeasures <= mine.Count;)
        {
            var found = mine[m].Sounding.Count < LeastNotes ? default : Asked(others, mine, m);
            if (found.Length < LeastMeasures)
            {
                m++;
                continue;
            }

            var asked = context.Measures(m - found.Distance, m - found.Distance + found.Length - 1);
            yield return new Finding(
                Name,
                [part.Id],
                m,
                m + found.Length - 1,
                [],
                Severity.Note,
                $"Answers {found.Part.Name}, {asked}",
                $"{found.Part.Name} has this figure in {asked}: listen for it, and answer with the same length and dynamic."
            );
            m += found.Length;
        }
    }

    // The first part that had the figure.
    private static (int Distance, int Length, Part Part) Asked(
        List<(Part Part, IReadOnlyList<MeasureContent> Content)> others,
        IReadOnlyList<MeasureContent> mine,
        int m
    )
    {
        foreach (var (part, content) in others)
            if (Find(content, mine, m) is { Length: >= LeastMeasures } found)
                return (found.Distance, found.Length, part);
        return default;
    }

    private static (int Distance, int Length) Find(IReadOnlyList<MeasureContent> other, IReadOnlyList<MeasureContent> mine, int m)
    {
        for (var distance = 1; distance <= Latest && distance <= m; distance++)
        {
            var length = 0;
            while (
                m + length < mine.Count
                && length < distance
                && mine[m + length].Sounding.Count >= LeastNotes
                && mine[m + length].Intervals == other[m + length - distance].Intervals
                && mine[m + length].Intervals != mine[m + length - distance].Intervals
            )
                length++;
            if (length >= LeastMeasures)
                return (distance, length);
        }

        return (0, 0);
    }
}
