using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>Dots or dashes under a slur: soft separate starts inside one breath or bow.</summary>
/// <remarks>Two notes or more of the slur carry them. Common practice, no published source.</remarks>
[Example("| C5q(.)[ D5q(.) E5q(.) F5q(.)]", 1)]
[Example("| C5q[ D5q E5q F5q(.)]", 0, "one dot at the end is a short last note")]
public sealed class DotsUnderSlur : IStudyRule
{
    /// <inheritdoc/>
    public string Name => "dots-under-slur";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Articulation;

    private static string Words(Instrument? instrument) =>
        instrument switch
        {
            { Sustain: Sustain.Bow } => "Soft separate starts in one bow: the bow stops lightly and goes on.",
            { Sustain: Sustain.Stroke } => "Soft separate notes, nearly full length: one gesture, no accent among them.",
            { Family: Family.Voice } => "Soft separate starts in one breath: each vowel begins anew, the air does not stop.",
            _ => "Soft separate starts in one breath: the tongue touches lightly, the air does not stop.",
        };

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        return Stretches
            .Of(Portato.Notes(part))
            .Select(s =>
                Finding.At(
                    Name,
                    part,
                    s,
                    Severity.Tell,
                    "Dots under the slur",
                    Words(context.InstrumentOf(part))
                )
            );
    }
}
