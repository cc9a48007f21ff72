using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A fermata and its least length.</summary>
/// <remarks>Held past its own value, three beats or more. Common practice, no published source.</remarks>
[Example("| C5w(f) | D5w", 1)]
[Example("| C5w | D5w", 0)]
public sealed class FermataLength : IStudyRule
{
    private const int Least = 3;

    /// <inheritdoc/>
    public string Name => "fermata";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Tempo;

    /// <summary>Beats that a fermata is held at least.</summary>
    /// <param name="own">Its printed length in beats.</param>
    public static int LeastBeats(Fraction own) => Math.Max(Least, (int)(own.Numerator / own.Denominator) + 1);

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part) =>
        from measure in part.Measures
        let notes = measure.Notes.Where(n => n.Has("fermata") && n.Sounds).ToList()
        where notes.Count > 0
        let own = notes.Max(n => n.SoundingDuration) / context.Score.Measures[measure.Index].Meter.BeatUnit
        let beats = LeastBeats(own)
        select Finding.At(
            Name,
            part,
            notes,
            Severity.Note,
            $"Fermata: {beats} beats or more",
            $"Held past its own value of {Lengths.Mixed(own)} {(own == 1 ? "beat" : "beats")}, {beats} or more, until the hand moves on."
        );
}
