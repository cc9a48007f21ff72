using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>No dynamic is printed where the part begins.</summary>
/// <remarks>Start from the level that the others print who play there, else from mezzo forte. Common practice, no published
/// source.</remarks>
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
    public Reach Reach => Reach.Score;

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
        var others = OfOthers(context, part, first);
        var (level, from) = others is { } they
            ? (they.Sign, $"start from {they.Sign}, as {they.Name} {(they.Many ? "and others print" : "prints")} here")
            : ("mf", "start from mezzo forte");
        yield return new Finding(
            Name,
            [part.Id],
            first.MeasureIndex,
            first.MeasureIndex,
            [first.Id],
            Severity.Warn,
            others is null ? "No dynamic at the start" : $"No dynamic at the start: {level} by the others",
            $"Nothing is printed at the first note, and {rest}: {from}."
        )
        {
            Level = level,
        };
    }

    // The level in force in the parts that play there and print one: what most of them have, the softer of equals.
    private static (string Sign, string Name, bool Many)? OfOthers(StudyContext context, Part part, Note first)
    {
        var levels = context
            .Score.Parts.Where(p => p != part && p.Measures[first.MeasureIndex].Notes.Any(n => n.Sounds && !n.IsCue))
            .Select(p => (Part: p, Level: context.LevelsOf(p).At(first.Onset)))
            .Where(x => x.Level is not null)
            .GroupBy(x => x.Level!.Level)
            .OrderByDescending(g => g.Count())
            .ThenBy(g => g.Key)
            .FirstOrDefault()
            ?.ToList();
        return levels is null ? null : (DynamicLevels.SignOf(levels[0].Level!.Level), context.NameOf(levels[0].Part.Id), levels.Count > 1);
    }
}
