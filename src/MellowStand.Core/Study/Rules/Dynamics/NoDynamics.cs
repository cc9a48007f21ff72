using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>No dynamic is printed where the part begins.</summary>
/// <remarks>Start from mezzo forte. Common practice, no published source.</remarks>
[Example("| C4w", 1)]
[Example("| !p C4w", 0)]
[Example("| C4w | !f D4w", 1, "too late: the first note has none")]
[Example("| rw | !mf C4w", 0, "the part begins later")]
[Example("| rw | rw", 0, "it never plays")]
public sealed class NoDynamics : IStudyRule
{
    /// <inheritdoc/>
    public string Name => "no-dynamics";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Dynamics;

    /// <inheritdoc/>
    public int Rank => 30;

    /// <inheritdoc/>
    public WritesIn WritesIn => WritesIn.Level;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        if (part.Notes.FirstOrDefault(n => n.Sounds && !n.IsCue) is not { } first)
            yield break;
        var printed = context.LevelsOf(part).Levels;
        var anySign = part.Directions.Any(d => d.Kind == DirectionKind.Dynamic && d.Onset <= first.Onset);
        if (anySign || printed.Any(l => l.Onset <= first.Onset))
            yield break;
        var rest =
            printed.Count == 0 ? "none comes later" : $"the first one is {printed[0].Sign} in measure {context.Label(printed[0].Measure)}";
        yield return new Finding(
            Name,
            [part.Id],
            first.MeasureIndex,
            first.MeasureIndex,
            [first.Id],
            Severity.Warn,
            "No dynamic at the start",
            $"Nothing is printed at the first note, and {rest}: start from mezzo forte."
        )
        {
            Level = "mf",
        };
    }
}
