using MellowStand.Core.Notation;
using MellowStand.Core.Reading;

namespace MellowStand.Core.Study.Rules;

/// <summary>How long a staccato note sounds at the tempo, and what unmarked notes mean.</summary>
/// <remarks>Staccato means separated, never pecked: about half the value sounding, lighter in quick music; no slur and no dot means lightly
/// tongued. Common practice, no published source.</remarks>
[Example("tempo:q=120 | C5q(.) D5q E5h", 1)]
[Example("tempo:q=120 | C5q D5q E5h", 0, "no dot")]
[Example("tempo:q=120 | C5q(.)[ D5(.) E5(.) F5(.)]", 0, "dots under a slur are portato")]
public sealed class StaccatoLength : IStudyRule
{
    private const double Share = 0.5;

    /// <inheritdoc/>
    public string Name => "staccato-length";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Articulation;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part) =>
        from note in context.MelodyOf(part).Struck.Except(Portato.Notes(part))
        where note.Has("staccato") && note.Duration > Fraction.Zero
        group note by (note.Duration, Bpm: context.Tempo.QuarterBpmAt(note.MeasureIndex)) into same
        let full = same.Key.Duration.Value * 60_000 / same.Key.Bpm
        select Finding.At(
            Name,
            part,
            [.. same],
            Severity.Note,
            $"Staccato: about {Math.Round(full * Share / 10) * 10:0} ms",
            $"At {ToldUnit.At(context, same.First().MeasureIndex).Words(same.Key.Bpm)} this note "
                + $"takes {full:0} ms and sounds about half of it, {full * Share:0} ms: "
                + $"separated, not pecked.{context.IfTempo(same.First().MeasureIndex)}"
        );
}
