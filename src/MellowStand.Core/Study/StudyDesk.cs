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

    private static readonly Dictionary<string, IStudyRule> ByName = Rules.ToDictionary(r => r.Name);

    /// <summary>The rule with the name, or null.</summary>
    public static IStudyRule? RuleOf(string name) => ByName.GetValueOrDefault(name);

    /// <summary>Findings of the parts that touch the measures, most severe first within a measure.</summary>
    /// <param name="context">The prepared score.</param>
    /// <param name="parts">The parts to look at.</param>
    /// <param name="from">First measure from 0.</param>
    /// <param name="to">Last measure from 0.</param>
    public static IReadOnlyList<Finding> Examine(StudyContext context, IEnumerable<Part> parts, int from, int to) =>
        [
            .. InOrder(parts.SelectMany(p => Rules.SelectMany(r => r.Examine(context, p))), context.NameOf)
                .Where(f => f.To >= from && f.From <= to),
        ];

    /// <summary>What the rules found in single parts, joined where several share it, most severe first within a measure.</summary>
    internal static IReadOnlyList<Finding> InOrder(IEnumerable<Finding> found, Func<string, string> nameOf)
    {
        var joined = OneFact
            .Told(OneFact.Once(found), nameOf)
            .OrderBy(f => f.From)
            .ThenByDescending(f => f.Severity)
            .ThenBy(f => f.Rule, StringComparer.Ordinal)
            .ToList();
        var turns = new Dictionary<string, int>();
        for (var i = 0; i < joined.Count; i++)
        {
            var id = joined[i].Id;
            var turn = turns[id] = turns.TryGetValue(id, out var before) ? before + 1 : 0;
            if (turn > 0)
                joined[i] = joined[i] with { Turn = turn };
        }

        return joined;
    }
}
