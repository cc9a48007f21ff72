using MellowStand.Core.HouseRules;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>Finds where parts that share a line disagree.</summary>
public static class UnifyDesk
{
    private static readonly IDifferenceRule[] Rules =
    [
        .. typeof(UnifyDesk).Assembly.GetTypes()
            .Where(t => t is { IsAbstract: false, IsInterface: false } && typeof(IDifferenceRule).IsAssignableFrom(t))
            .OrderBy(t => t.Name, StringComparer.Ordinal)
            .Select(t => (IDifferenceRule)Activator.CreateInstance(t)!),
    ];

    /// <summary>The shared lines and every difference in them, in score order.</summary>
    /// <param name="score">The score as printed, without decisions.</param>
    /// <param name="house">The school's answers.</param>
    public static (IReadOnlyList<SharedLine> Lines, IReadOnlyList<Difference> Differences) Compare(Score score, House house)
    {
        var lines = LineFinder.Find(score);
        var context = new UnifyContext(score, house);
        var differences = lines.SelectMany(line => Rules.SelectMany(r => r.Find(context, line)));
        return (lines, [.. differences.DistinctBy(d => d.Id).OrderBy(d => d.From).ThenBy(d => d.To)]);
    }

    /// <summary>True when the notes of a difference agree in the score as it stands with the decisions.</summary>
    /// <param name="difference">A difference of the printed score.</param>
    /// <param name="open">The differences that the score with its decisions still has.</param>
    public static bool IsSettled(Difference difference, IReadOnlyCollection<Difference> open) => !open.Any(o => o.Kind == difference.Kind
        && o.Readings.SelectMany(r => r.Notes).Intersect(difference.Readings.SelectMany(r => r.Notes)).Any());
}
