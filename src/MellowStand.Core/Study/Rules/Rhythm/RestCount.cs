using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A long rest to count, above all across changes.</summary>
/// <remarks>Four measures of rest or more, or two in which key, meter or tempo changes; tells the count and who is heard just before the
/// entry. Common practice, no published source.</remarks>
[Example("| C5w | rw | rw | rw | rw | D5w", 1)]
[Example("| C5w | rw | rw | D5w", 0)]
[Example("| C5w | rw | meter:3/4 rh. | D5h.", 1, "the meter changes while resting")]
[Example("key:G | G4w | rw | key:Bb rw | Bb4w", 1, "the key changes while resting")]
public sealed class RestCount : IStudyRule
{
    private const int LongRest = 4;

    /// <inheritdoc/>
    public string Name => "rest-count";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Counting;

    /// <inheritdoc/>
    public Reach Reach => Reach.Sounds;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var melody = context.MelodyOf(part);
        for (var from = 0; from < part.Measures.Count;)
        {
            if (Plays(part, melody, from))
            {
                from++;
                continue;
            }

            var to = from;
            while (to + 1 < part.Measures.Count && !Plays(part, melody, to + 1))
                to++;
            if (Make(context, part, from, to) is { } finding)
                yield return finding;
            from = to + 1;
        }
    }

    private static bool Plays(Part part, Melody melody, int measure) =>
        melody.ByMeasure[measure].Any() || part.Measures[measure].Notes.Any(n => n.Sounds && !n.IsCue);

    private Finding? Make(StudyContext context, Part part, int from, int to)
    {
        var count = to - from + 1;
        var inside = Enumerable.Range(from + 1, count - 1).ToList();
        var key = inside.Where(m => part.Measures[m].Key.Fifths != part.Measures[m - 1].Key.Fifths).Select(m => (int?)m).LastOrDefault();
        var changes =
            key is not null
            || inside.Exists(m =>
                !context.Score.Measures[m].Meter.Equals(context.Score.Measures[m - 1].Meter)
                || Math.Abs(context.Tempo.QuarterBpmAt(m) - context.Tempo.QuarterBpmAt(m - 1)) > 0.01
            );
        if (count < LongRest && !(changes && count >= 2))
            return null;
        if (to + 1 >= part.Measures.Count)
            return null;
        var groups = string.Join(", then ", Meters(context, from, to).Select(g => $"{g.Count} of {g.Meter}"));
        var cue = Cue(context, part, to);
        return new Finding(
            Name,
            [part.Id],
            from,
            to,
            [],
            changes ? Severity.Warn : Severity.Note,
            $"Rest {count} measures",
            $"Count {(changes ? groups : $"{count} measures")}, and come in at measure "
                + $"{context.Label(to + 1)}{(cue is null ? "" : $"; {cue} is heard just before")}."
                + (key is { } k ? $" The signature changes in measure {context.Label(k)}, while you rest." : "")
        );
    }

    private static List<(Meter Meter, int Count)> Meters(StudyContext context, int from, int to)
    {
        var groups = new List<(Meter Meter, int Count)>();
        for (var m = from; m <= to; m++)
        {
            var meter = context.Score.Measures[m].Meter;
            if (groups.Count > 0 && groups[^1].Meter.Equals(meter))
                groups[^1] = (meter, groups[^1].Count + 1);
            else
                groups.Add((meter, 1));
        }

        return groups;
    }

    // The highest part that plays in the last measure of the rest is what the player hears.
    private static string? Cue(StudyContext context, Part part, int measure) =>
        context
            .Score.Parts.Where(p =>
                p.Id != part.Id && p.Name.Length > 0 && context.MelodyOf(p).ByMeasure[measure].Any(n => n.TopSounding is not null)
            )
            .MaxBy(p => context.MelodyOf(p).ByMeasure[measure].Max(n => n.TopSounding))
            ?.Name;
}
