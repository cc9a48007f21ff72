using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A swell with no level at its end, or to a level on the wrong side.</summary>
/// <remarks>A level, or a swell back, within a measure of the end answers it. Common practice, no published source.</remarks>
public sealed class HairpinToNowhere : IStudyRule
{
    /// <inheritdoc/>
    public string Name => "hairpin-to-nowhere";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Dynamics;

    /// <inheritdoc/>
    public int Rank => 23;

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
            // A swell and back answers itself.
            if (line.SwellsFrom(swell.To - 1, swell.To + 1).Any(s => s.Grows != swell.Grows))
                continue;
            if (next is null)
            {
                if (line.SwellsFrom(swell.To - 1, swell.To + reach).Any(s => s != swell) || !swell.Grows && IsEnd(context, part, swell))
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
                        + $"level: decide how {(swell.Grows ? "loud" : "soft")} it becomes."
                );
            }
            else if (line.At(swell.From) is { } start && start.Onset < next.Onset && (next.Level > start.Level) != swell.Grows)
            {
                yield return new Finding(
                    Name,
                    [part.Id],
                    swell.FromMeasure,
                    swell.ToMeasure,
                    ids,
                    Severity.Warn,
                    $"{word} from {start.Sign} to {next.Sign}",
                    $"The {word.ToLowerInvariant()} leads from {start.Sign} to {next.Sign}: drop at the end, or start from another level."
                );
            }
        }
    }

    // A diminuendo at the end of everything dies away.
    private static bool IsEnd(StudyContext context, Part part, Swell swell) =>
        part.Notes.Skip(part.PlaceFrom(swell.To)).All(n => !n.Sounds || n.Onset == swell.To)
        || swell.ToMeasure >= context.Score.Measures.Count - 1;
}
