using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>Who plays the same rhythm with other notes.</summary>
/// <remarks>Four measures or more with three strokes or more in each; told once, by the first of the parts. Common practice, no published
/// source.</remarks>
[Example(
    "part \"Flute\"\n| C5q D5q E5h | C5q D5q E5h | E5q D5q C5h | C5q D5q E5h\npart \"Oboe\"\n| E5q F5q G5h | E5q "
        + "F5q G5h | G5q F5q E5h | E5q F5q G5h",
    1
)]
[Example(
    "part \"Flute\"\n| C5q D5q E5h | C5q D5q E5h | E5q D5q C5h | C5q D5q E5h\npart \"Oboe\"\n| C5q D5q E5h | C5q "
        + "D5q E5h | E5q D5q C5h | C5q D5q E5h",
    0,
    "the same notes: a shared line"
)]
public sealed class SharedRhythm : IStudyRule
{
    private const int LeastMeasures = 4;

    /// <inheritdoc/>
    public string Name => "shared-rhythm";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Sharing;

    /// <inheritdoc/>
    public Reach Reach => Reach.Sounds;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var mine = context.RhythmsOf(part);
        var later = context.Score.Parts.SkipWhile(p => p != part).Skip(1).ToList();
        foreach (var other in later)
        {
            var from = -1;
            for (var m = 0; m <= mine.Count; m++)
            {
                var same =
                    m < mine.Count
                    && mine[m].Length > 0
                    && mine[m] == context.RhythmsOf(other)[m]
                    && context.SoundsOf(part)[m] != context.SoundsOf(other)[m];
                if (same && from < 0)
                    from = m;
                if (same || from < 0)
                    continue;
                if (m - from >= LeastMeasures)
                {
                    yield return new Finding(
                        Name,
                        [part.Id, other.Id],
                        from,
                        m - 1,
                        [],
                        Severity.Note,
                        $"The rhythm of {NameOf(other)}",
                        $"In {context.Measures(from, m - 1)} {NameOf(part)} and {NameOf(other)} have one rhythm with other "
                            + $"notes: clap it together first."
                    );
                }

                from = -1;
            }
        }
    }

    private static string NameOf(Part part) => part.Name.Length > 0 ? part.Name : part.Id;
}
