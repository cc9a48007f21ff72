using MellowStand.Core.Notation;
using MellowStand.Core.Study.Rules;

namespace MellowStand.Core.Study;

/// <summary>Runs the rules over parts and joins what several parts share.</summary>
public static class StudyDesk
{
    /// <summary>Every rule of the station.</summary>
    public static IReadOnlyList<IStudyRule> Rules { get; } =
    [
        .. typeof(StudyDesk)
            .Assembly.GetTypes()
            .Where(t => t is { IsAbstract: false, IsInterface: false } && typeof(IStudyRule).IsAssignableFrom(t))
            .OrderBy(t => t.Name, StringComparer.Ordinal)
            .Select(t => (IStudyRule)Activator.CreateInstance(t)!),
    ];

    /// <summary>Findings of the parts that touch the measures, most severe first within a measure.</summary>
    /// <param name="context">The prepared score.</param>
    /// <param name="parts">The parts to look at.</param>
    /// <param name="from">First measure from 0.</param>
    /// <param name="to">Last measure from 0.</param>
    public static IReadOnlyList<Finding> Examine(StudyContext context, IEnumerable<Part> parts, int from, int to)
    {
        var all = parts.SelectMany(p => Rules.SelectMany(r => r.Examine(context, p)));
        return
        [
            .. Join(all)
                .Where(f => f.To >= from && f.From <= to)
                .OrderBy(f => f.From)
                .ThenByDescending(f => f.Severity)
                .ThenBy(f => f.Rule, StringComparer.Ordinal),
        ];
    }

    // A remark that belongs to five parts is written once and reaches five parts.
    private static IEnumerable<Finding> Join(IEnumerable<Finding> findings) =>
        findings
            .GroupBy(f => (f.Rule, f.From, f.To, f.Title, f.Why))
            .Select(g => g.First() with { Parts = [.. g.SelectMany(f => f.Parts).Distinct()], Notes = [.. g.SelectMany(f => f.Notes)] });
}
