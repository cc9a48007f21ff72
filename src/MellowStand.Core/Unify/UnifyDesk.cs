using MellowStand.Core.HouseRules;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>Finds where parts that share a line disagree.</summary>
public static class UnifyDesk
{
    private static readonly IDifferenceRule[] Rules =
    [
        .. typeof(UnifyDesk)
            .Assembly.GetTypes()
            .Where(t => t is { IsAbstract: false, IsInterface: false } && typeof(IDifferenceRule).IsAssignableFrom(t))
            .OrderBy(t => t.Name, StringComparer.Ordinal)
            .Select(t => (IDifferenceRule)Activator.CreateInstance(t)!),
    ];

    /// <summary>The shared lines and every difference in them, in score order, with recognised instruments and default leaders.</summary>
    /// <param name="score">The score as printed, without decisions.</param>
    /// <param name="house">The school's answers.</param>
    public static (IReadOnlyList<SharedLine> Lines, IReadOnlyList<Difference> Differences) Compare(Score score, House house) =>
        Compare(new UnifyContext(score, house));

    /// <summary>The shared lines and every difference in them, in score order.</summary>
    /// <param name="context">The score with what the school knows of it.</param>
    public static (IReadOnlyList<SharedLine> Lines, IReadOnlyList<Difference> Differences) Compare(UnifyContext context)
    {
        var voices = context.Score.Parts.SelectMany(LineFinder.VoicesOf).ToList();
        var lines = LineFinder.Find(voices);
        var differences = lines.SelectMany(line => Rules.SelectMany(r => r.Find(context, line))).DistinctBy(d => d.Id).ToList();
        var related = Related(context, voices);
        differences.AddRange(RelatedDifferences.Find(context, Rules, related, differences));
        return ([.. lines.Concat(related).OrderBy(l => l.Notes[0][0].Onset)], [.. differences.OrderBy(d => d.From).ThenBy(d => d.To)]);
    }

    private static List<SharedLine> Related(UnifyContext context, List<VoiceLine> voices)
    {
        var count = context.Score.Measures.Count;
        var byMeasure = voices.Select(v => new VoiceMeasures(v, count)).ToList();
        return [.. RhythmLines.Find(byMeasure, count, v => context.FamilyOf(v.Part)), .. ReturnLines.Find(byMeasure, count)];
    }

    /// <summary>True when the notes of a difference agree in the score as it stands with the decisions.</summary>
    /// <param name="difference">A difference of the printed score.</param>
    /// <param name="open">The differences that the score with its decisions still has.</param>
    public static bool IsSettled(Difference difference, IReadOnlyCollection<Difference> open) =>
        !open.Any(o =>
            o.Kind == difference.Kind && o.Readings.SelectMany(r => r.Notes).Intersect(difference.Readings.SelectMany(r => r.Notes)).Any()
        );
}
