using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>Grace notes and where they fall.</summary>
/// <remarks>Before the beat, the main note on the beat, unless the house rule says otherwise. Common practice, no published
/// source.</remarks>
[Example("| g:D5e C5h E5h", 1)]
[Example("| C5h E5h", 0)]
public sealed class Grace : IStudyRule
{
    /// <inheritdoc/>
    public string Name => "grace";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Ornaments;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var onBeat = context.House["graces"] == "on-beat";
        return Stretches
            .Of(part.Notes.Where(n => n.IsGrace && !n.IsCue))
            .Select(s =>
                Finding.At(
                    Name,
                    part,
                    s,
                    Severity.Note,
                    s.Count == 1 ? "Grace note" : $"{s.Count} grace notes",
                    onBeat
                        ? "By the house rule the grace falls on the beat, and the main note comes just after."
                        : "The grace comes before the beat, and the main note is on the beat: practice without it first."
                )
            );
    }
}
