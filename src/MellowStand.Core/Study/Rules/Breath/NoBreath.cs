using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A phrase longer than a breath, with no place to breathe.</summary>
/// <remarks>Places to breathe: printed breath marks, rests, ends of slurs, just after a tied or long note. The allowance of seconds is a
/// house rule; the window of tempo is told, from where the phrase fits to where its quick notes are still clean. Common practice, no
/// published source.</remarks>
public sealed class NoBreath : IStudyRule
{
    /// <inheritdoc/>
    public string Name => "no-breath";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Breath;

    /// <inheritdoc/>
    public int Rank => 10;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        if (context.InstrumentOf(part) is not { Sustain: Instruments.Sustain.Breath })
            yield break;
        var allowance = Breath.Seconds(context);
        foreach (var phrase in BreathPhrase.Of(context.MelodyOf(part)))
        {
            var first = phrase.Notes[0].MeasureIndex;
            if (context.Seconds(first, phrase.Quarters) <= allowance)
                continue;
            foreach (var (from, to) in Gaps(context, part, phrase, allowance))
            {
                var seconds = context.Seconds(first, to.Onset + to.SoundingDuration - from.Onset);
                var slowest = Math.Ceiling((to.Onset + to.SoundingDuration - from.Onset).Value * 60 / allowance);
                var quickest = CleanTempo.Of(part, [.. phrase.Notes.Where(n => n.Onset >= from.Onset && n.Onset <= to.Onset)]);
                yield return new Finding(
                    Name,
                    [part.Id],
                    from.MeasureIndex,
                    to.MeasureIndex,
                    [from.Id, to.Id],
                    context.AtTempo(first, Severity.Warn),
                    $"No place to breathe for {seconds:0} seconds",
                    $"From beat {context.Beat(from)} of measure {context.Label(from.MeasureIndex)} the line goes on for "
                        + $"{seconds:0.#} seconds; one breath lasts about {allowance:0}. "
                        + $"{Window(slowest, quickest)}{context.IfTempo(first)}"
                );
            }
        }
    }

    private static string Window(double slowest, double quickest) =>
        slowest > quickest
            ? $"It fits from quarter = {slowest:0} on, but its quick notes are clean to about {Math.Floor(quickest):0} only: no "
                + $"tempo serves both. Stagger, or decide a breath."
            : $"It fits from quarter = {slowest:0} "
                + $"on{(double.IsFinite(quickest) ? $" and is clean to about {Math.Floor(quickest):0}" : "")}; else stagger, or "
                + $"decide a breath.";

    // Stretches between two places to breathe that are longer than a breath.
    private static IEnumerable<(Note From, Note To)> Gaps(StudyContext context, Part part, BreathPhrase phrase, double allowance)
    {
        var places = phrase.Places(part).ToHashSet();
        var start = phrase.Notes[0];
        for (var i = 0; i < phrase.Notes.Count; i++)
        {
            var note = phrase.Notes[i];
            if (i < phrase.Notes.Count - 1 && !places.Contains(note))
                continue;
            if (context.Seconds(start.MeasureIndex, note.Onset + note.SoundingDuration - start.Onset) > allowance)
                yield return (start, note);
            if (i + 1 < phrase.Notes.Count)
                start = phrase.Notes[i + 1];
        }
    }
}
