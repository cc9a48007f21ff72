using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A swell with no level at its end, or to a level on the wrong side.</summary>
/// <remarks>A level, an accent sign or a swell back within a measure of the end answers it; a swell and back belongs together. A crescendo
/// arrives at the first letter of fp and sfp, and what begins there begins at the second. Common practice, no published source.</remarks>
[Example("| !p C5h !< D5h | E5h !/ F5h | G5w | A5w", 1)]
[Example("| !p C5h !< D5h | E5h !/ !f F5h | G5w", 0)]
[Example("| !p C5h !< D5h | !/ !> E5h F5h | !/ !p G5w", 0, "a swell and back")]
[Example("| !f C5h !< D5h | !/ !p E5w | F5w", 1, "grows to piano")]
[Example("| !mf C5h !> D5h | \"morendo\" E5h !/ F5h | G5w | A5w", 0, "it ends in silence")]
public sealed class HairpinToNowhere : IStudyRule
{
    private static readonly string[] Silences = ["morendo", "perdend", "smorz", "niente", "nothing"];

    /// <inheritdoc/>
    public string Name => "hairpin-to-nowhere";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Dynamics;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var line = context.LevelsOf(part);
        foreach (var swell in line.Swells)
        {
            var reach = context.Score.Measures[swell.ToMeasure].Meter.Length;
            var next = line.Levels.Between(l => l.Onset, swell.To - reach / 2, swell.To + reach).FirstOrDefault(l => l.Onset > swell.From);
            var word = swell.Grows ? "Crescendo" : "Diminuendo";
            var note = part.FirstSoundingFrom(swell.From);
            IReadOnlyList<string> ids = note is null ? [] : [note.Id];
            // A swell and back answers itself, from either side.
            if (line.SwellsFrom(swell.To - 1, swell.To + 1).Any(s => s.Grows != swell.Grows) || ComesBack(line, swell))
                continue;
            if (!swell.Grows && DiesAway(part, swell, reach))
                continue;
            if (next is null)
            {
                if (
                    Strikes(part, swell.To - reach / 2, swell.To + reach)
                    || line.SwellsFrom(swell.To - 1, swell.To + reach).Any(s => s != swell)
                    || !swell.Grows && IsEnd(context, part, swell)
                )
                    continue;
                yield return new Finding(
                    Name,
                    [part.Id],
                    swell.FromMeasure,
                    swell.ToMeasure,
                    ids,
                    Severity.Note,
                    $"{word} to nowhere",
                    $"The {word.ToLowerInvariant()} in {context.Measures(swell.FromMeasure, swell.ToMeasure)} ends with no "
                        + $"dynamic: decide how {(swell.Grows ? "loud" : "soft")} it becomes."
                );
            }
            else if (line.At(swell.From) is { } start && start.Onset < next.Onset && (ArrivesAt(next) > start.Level) != swell.Grows)
            {
                yield return new Finding(
                    Name,
                    [part.Id],
                    swell.FromMeasure,
                    swell.ToMeasure,
                    ids,
                    Severity.Warn,
                    $"{word} from {start.Sign} to {next.Sign}",
                    $"The {word.ToLowerInvariant()} leads from {start.Sign} to {next.Sign}: drop at the end, or start from another dynamic."
                );
            }
        }
    }

    // "Morendo" or "to nothing" says where it ends: in silence.
    private static bool DiesAway(Part part, Swell swell, Fraction reach) =>
        part
            .Directions.Between(d => d.Onset, swell.From - reach, swell.To + reach)
            .Any(d => d.Kind == DirectionKind.Words && Silences.Any(w => d.Text.Contains(w, StringComparison.OrdinalIgnoreCase)));

    // The half of a swell and back that ends where no new level is printed, or where the first one began.
    private static bool ComesBack(LevelLine line, Swell swell) =>
        line.Swells.Any(s => s.Grows != swell.Grows && s.From < swell.From && swell.From - s.To <= 1 && s.To - swell.From <= 1)
        && line.Levels.Between(l => l.Onset, swell.From, swell.To).All(l => l.Onset == swell.To);

    private static bool Strikes(Part part, Fraction from, Fraction to) =>
        part
            .Directions.Between(d => d.Onset, from, to)
            .Any(d => d.Kind == DirectionKind.Dynamic && DynamicLevels.LevelAfter(d.Text) is null);

    // Loud once, then soft: the swell arrives at the loud letter.
    private static int ArrivesAt(PrintedLevel level) =>
        DynamicLevels.IsStrikeThenLevel(level.Sign) ? DynamicLevels.LevelAfter("f")!.Value : level.Level;

    // A diminuendo at the end of everything dies away.
    private static bool IsEnd(StudyContext context, Part part, Swell swell) =>
        part.Notes.Skip(part.PlaceFrom(swell.To)).All(n => !n.Sounds || n.Onset == swell.To)
        || swell.ToMeasure >= context.Score.Measures.Count - 1;
}
