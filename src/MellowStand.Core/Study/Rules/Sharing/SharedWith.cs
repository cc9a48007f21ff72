using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>Who plays the same notes.</summary>
/// <remarks>Four measures or more in which another part sounds the same letters at the same moments, in unison or octaves. Common practice,
/// no published source.</remarks>
[Example(
    "part \"Flute\"\n| C5q D5q E5h | F5q E5q D5h | C5q D5q E5h | F5q E5q D5h\npart \"Oboe\"\n| C5q D5q E5h | F5q "
        + "E5q D5h | C5q D5q E5h | F5q E5q D5h",
    1,
    "one entry for both"
)]
[Example(
    "part \"Flute\"\n| C5q D5q E5h | F5q E5q D5h | C5q D5q E5h | F5q E5q D5h\npart \"Clarinet\" transpose:-1,-2\n| "
        + "D5q E5q F#5h | G5q F#5q E5h | D5q E5q F#5h | G5q F#5q E5h",
    1,
    "it sounds the same, though it is written otherwise"
)]
[Example(
    "part \"Flute\"\n| C5q D5q E5h | F5q E5q D5h | C5q D5q E5h | F5q E5q D5h\npart \"Oboe\"\n| C5q E5q E5h | F5q "
        + "E5q D5h | C5q D5q E5h | F5q E5q D5h",
    0,
    "three measures are too few"
)]
[Example(
    "part \"Flute\"\n| C5q D5q E5h | F5q E5q D5h | C5q D5q E5h | F5q E5q D5h\npart \"Oboe\"\n| E5q F5q E5h | F5q "
        + "E5q F5h | E5q F5q E5h | F5q E5q F5h",
    0,
    "the same rhythm on other notes"
)]
public sealed class SharedWith : IStudyRule
{
    private const int LeastMeasures = 4;
    private const int LeastNotes = 8;

    /// <inheritdoc/>
    public string Name => "shared-line";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Sharing;

    /// <inheritdoc/>
    public Reach Reach => Reach.Sounds;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var mine = context.SoundsOf(part);
        // Told once a line, by its first part.
        foreach (var (from, to, others) in Runs(context, part, mine))
        {
            var names = string.Join(", ", others.Select(p => p.Name.Length > 0 ? p.Name : p.Id));
            yield return new Finding(
                Name,
                [part.Id, .. others.Select(p => p.Id)],
                from,
                to,
                [],
                Severity.Note,
                $"The same notes as {names}",
                $"In {context.Measures(from, to)} {(part.Name.Length > 0 ? part.Name : part.Id)} and {names} play one line: "
                    + "same separation, same phrasing, tune to the lowest."
            );
        }
    }

    private static IEnumerable<(int From, int To, List<Part> Others)> Runs(StudyContext context, Part part, IReadOnlyList<string> mine)
    {
        var place = context.Score.Parts.ToList().IndexOf(part);
        for (var m = 0; m < mine.Count;)
        {
            var others = Same(context, part, m);
            var to = m;
            while (
                others.Count > 0 && to + 1 < mine.Count && (mine[to + 1].Length == 0 || others.SequenceEqual(Same(context, part, to + 1)))
            )
                to++;
            while (to > m && mine[to].Length == 0)
                to--;
            var sounding = Enumerable.Range(m, to - m + 1).Count(i => mine[i].Length > 0);
            var notes = Enumerable.Range(m, to - m + 1).Sum(i => context.MelodyOf(part).ByMeasure[i].Count());
            if (
                others.Count > 0
                && sounding >= LeastMeasures
                && notes >= LeastNotes
                && others.All(o => context.Score.Parts.ToList().IndexOf(o) > place)
            )
                yield return (m, to, others);
            m = to + 1;
        }
    }

    private static List<Part> Same(StudyContext context, Part part, int measure) =>
        [.. context.PartsSoundingAs(part, measure).Where(p => p != part)];
}
