using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>Slurs that do not match the beams.</summary>
/// <remarks>A slur that begins or ends inside a beamed group while it reaches into another. Common practice, no published source.</remarks>
[Example("| C5e D5e[ E5e F5e] G5h", 1)]
[Example("| C5e[ D5e E5e F5e] G5h", 0)]
public sealed class SlurAcrossBeams : IStudyRule
{
    /// <inheritdoc/>
    public string Name => "slur-across-beams";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Articulation;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var groups = Groups(part);
        var crossing = part
            .Slurs.Where(s =>
                groups.TryGetValue(s.From.Id, out var a)
                && groups.TryGetValue(s.To.Id, out var b)
                && a.Group != b.Group
                && (!a.IsFirst || !b.IsLast)
            )
            .Select(s => s.From);
        return Stretches
            .Of(crossing.OrderBy(n => n.Onset), 2)
            .Select(s =>
                Finding.At(
                    Name,
                    part,
                    s,
                    Severity.Note,
                    s.Count == 1 ? "A slur crosses the beams" : $"{s.Count} slurs cross the beams",
                    $"The slur at beat {context.Beat(s[0])} of measure {context.Label(s[0].MeasureIndex)} does not begin and "
                        + $"end with the beams: follow the slur, not the beam."
                )
            );
    }

    private static Dictionary<string, (int Group, bool IsFirst, bool IsLast)> Groups(Part part)
    {
        var groups = new Dictionary<string, (int, bool, bool)>();
        var number = 0;
        foreach (var note in part.Notes.Where(n => n.Beam is not null && !n.IsGrace))
        {
            if (note.Beam == "begin")
                number++;
            groups[note.Id] = (number, note.Beam == "begin", note.Beam == "end");
        }

        return groups;
    }
}
