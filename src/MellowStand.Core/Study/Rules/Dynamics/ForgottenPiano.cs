using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A piano after a long loud section that everybody forgets.</summary>
/// <remarks>Piano or softer, entered after a rest, with six measures or more of forte before it; where no rest stands between it is a
/// subito. Common practice, no published source.</remarks>
[Example("| !f C5w | C5w | C5w | C5w | C5w | C5w | rw | !p C5w", 1)]
[Example("| !f C5w | C5w | C5w | C5w | C5w | C5w | !ff C5w | rw | !p C5w", 1, "louder still at the end")]
[Example("| !f C5w | !p C5w", 0)]
public sealed class ForgottenPiano : IStudyRule
{
    private const int LeastLoud = 6;

    /// <inheritdoc/>
    public string Name => "forgotten-piano";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Dynamics;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var line = context.LevelsOf(part);
        for (var i = 1; i < line.Levels.Count; i++)
        {
            var (before, now) = (line.Levels[i - 1], line.Levels[i]);
            var loud = now.Measure - LoudSince(line, i - 1);
            if (before.Level < 6 || now.Level > 3 || loud < LeastLoud)
                continue;
            if (
                line.Swells.Any(s => !s.Grows && s.To > before.Onset && s.From < now.Onset)
                || part.FirstSoundingFrom(now.Onset) is not { } note
                || JustBefore.Sounds(context, part, note)
            )
                continue;
            yield return Finding.At(
                Name,
                part,
                [note],
                Severity.Warn,
                $"{now.Sign} after a long {before.Sign}",
                $"{loud} loud measures come before this {now.Sign}: mark it, or it will be forgotten."
            );
        }
    }

    // It counts how long the playing was loud, not how long ago the last sign stood.
    private static int LoudSince(LevelLine line, int place)
    {
        while (place > 0 && line.Levels[place - 1].Level >= 6)
            place--;
        return line.Levels[place].Measure;
    }
}
