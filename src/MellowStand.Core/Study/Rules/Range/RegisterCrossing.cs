using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>Quick crossings of the clarinet's break.</summary>
/// <remarks>Between written B♭4 and B4, where the hand goes from almost nothing to everything. Twice or more in a measure, in eighths or
/// quicker at the tempo (three notes a second). Common practice, no published source.</remarks>
[Example("part \"Clarinet\" transpose:-1,-2\ntempo:q=120 | A4e C5e A4e C5e A4h", 1)]
[Example("part \"Clarinet\" transpose:-1,-2\ntempo:q=120 | A4h C5h", 0)]
public sealed class RegisterCrossing : IStudyRule
{
    private const int Break = 71;
    private const double Quick = 0.34;

    /// <inheritdoc/>
    public string Name => "register-crossing";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Range;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        if (context.InstrumentOf(part) is not { Kin: Kin.Clarinet } instrument)
            yield break;
        var notes = context.MelodyOf(part).Notes;
        var crossing = Enumerable
            .Range(1, Math.Max(0, notes.Count - 1))
            .Where(i =>
                (notes[i - 1].Top!.Value.Midi < Break) != (notes[i].Top!.Value.Midi < Break)
                && notes[i].Onset == notes[i - 1].End
                && context.Seconds(notes[i].MeasureIndex, notes[i - 1].Duration) <= Quick
            )
            .Select(i => notes[i]);
        foreach (var s in Stretches.Of(crossing, 0).Where(s => s.Count >= 2))
            yield return Finding.At(
                Name,
                part,
                s,
                Severity.Note,
                $"The break, {s.Count} times",
                "The line crosses the break again and again: leave the right hand down through the throat notes."
            );
    }
}
