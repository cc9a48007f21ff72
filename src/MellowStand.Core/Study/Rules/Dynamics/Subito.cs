using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>The level jumps by two steps or more with nothing that leads there.</summary>
/// <remarks>A forte, then a piano on the next note. No swell may touch the jump, and no rest of more than a beat may stand
/// before it. Two steps on the scale pp–p–mp–mf–f–ff are ours; common practice, no published source, for the trap.</remarks>
[Example("| !f C4s D4s E4s F4s !p G4s* A4s B4s C5s C5h", 1)]
[Example("| !f C4q D4q !> E4q D4q | !/ !p C4w", 0, "a diminuendo leads there")]
[Example("| !f C4w | rw | !p C4w", 0, "a rest stands between")]
[Example("| !f C4h. rq | !p C4w", 1, "one beat of rest prepares nobody")]
[Example("| !mf C4w | !f C4w", 0, "one step is no jump")]
[Example("| !f C4w | !p C4w | !f C4w | !p C4w", 1, "an echo is told once")]
[Example("| !p C4h !< D4h | !/ !p E4w", 0)]
[Example("| !p C4h !< D4h | !/ !ff E4w", 0, "grows into it")]
public sealed class Subito : IStudyRule
{
    private const int LeastSteps = 2;
    private const int LeastTurns = 3;

    /// <inheritdoc/>
    public string Name => "subito";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Dynamics;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var jumps = Jumps(context, part).ToList();
        for (var i = 0; i < jumps.Count;)
        {
            var end = i + 1;
            while (end < jumps.Count && jumps[end].Answers(jumps[end - 1]))
                end++;
            if (end - i >= LeastTurns)
                yield return Echo(context, part, jumps[i..end]);
            else
                foreach (var jump in jumps[i..end])
                    yield return Single(context, part, jump);
            i = end;
        }
    }

    private static IEnumerable<Jump> Jumps(StudyContext context, Part part)
    {
        var line = context.LevelsOf(part);
        for (var i = 1; i < line.Levels.Count; i++)
        {
            var (before, now) = (line.Levels[i - 1], line.Levels[i]);
            var steps = now.Level - before.Level;
            if (Math.Abs(steps) < LeastSteps || now.Onset == before.Onset)
                continue;
            if (line.Swells.Any(s => s.From < now.Onset && s.To > before.Onset && s.Grows == steps > 0))
                continue;
            if (part.FirstSoundingFrom(now.Onset) is { } note && JustBefore.Sounds(context, part, note))
                yield return new Jump(before, now, note);
        }
    }

    private Finding Single(StudyContext context, Part part, Jump jump) =>
        new(
            Name,
            [part.Id],
            jump.Now.Measure,
            jump.Now.Measure,
            [jump.Note.Id],
            Math.Abs(jump.Now.Level - jump.Before.Level) > LeastSteps ? Severity.Warn : Severity.Note,
            $"Sudden {jump.Now.Sign} after {jump.Before.Sign}",
            $"The dynamic goes from {jump.Before.Sign} (measure {context.Label(jump.Before.Measure)}) straight to {jump.Now.Sign} at beat "
                + $"{context.Beat(jump.Note)}: no swell leads there, so the change is on that very note."
        );

    // Levels that take turns are one idea, told once.
    private Finding Echo(StudyContext context, Part part, List<Jump> jumps)
    {
        var (first, last) = (jumps[0], jumps[^1]);
        return Finding.At(
            Name,
            part,
            [.. jumps.Select(j => j.Note)],
            Severity.Warn,
            $"{first.Before.Sign} and {first.Now.Sign} take turns",
            $"From measure {context.Label(first.Before.Measure)} to {context.Label(last.Now.Measure)} {first.Before.Sign} and "
                + $"{first.Now.Sign} take turns, {jumps.Count} times: an echo, sudden each time."
        );
    }

    private sealed record Jump(PrintedLevel Before, PrintedLevel Now, Note Note)
    {
        public bool Answers(Jump other) => Before.Sign == other.Now.Sign && Now.Sign == other.Before.Sign;
    }
}
