using MellowStand.Core.Instruments;

namespace MellowStand.Core.Study;

/// <summary>In which order a director reads findings.</summary>
/// <remarks>By severity, then as a teacher of the instrument comes to them, then by how many it is for and by place.</remarks>
public static class Ranking
{
    /// <summary>Findings in order.</summary>
    /// <param name="context">The score they were found in.</param>
    /// <param name="findings">The findings.</param>
    public static IReadOnlyList<Finding> Order(StudyContext context, IEnumerable<Finding> findings)
    {
        var families = context.Score.Parts.ToDictionary(p => p.Id, context.FamilyOf);
        return
        [
            .. findings
                .OrderByDescending(f => f.Severity)
                .ThenBy(f => f.Parts.Min(p => TeacherOrder.Of(f.Rule, families.GetValueOrDefault(p, Family.Unknown))))
                .ThenByDescending(f => f.Parts.Count)
                .ThenBy(f => f.From),
        ];
    }
}
