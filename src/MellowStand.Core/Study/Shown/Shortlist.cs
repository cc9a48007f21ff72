using MellowStand.Core.Notation;

namespace MellowStand.Core.Study;

/// <summary>What is told at first sight: for each part the few things that its teacher would say before it is played.</summary>
/// <remarks>One entry a cause, with its other places; one a measure beside what holds for the whole part, in at most half of the measures
/// of a short part and a third of those of a long one, as a teacher of the instrument comes to them (<see cref="TeacherOrder"/>). What
/// stops the ensemble is always told. Where nothing is that dear, the first things are told. Common practice, no published source; the
/// bounds are ours.</remarks>
public sealed class Shortlist
{
    private const int MostOfFew = 4;
    private const int MostOfShort = 8;
    private const int Fewest = 2;

    // What is told of a whole part or of everybody's tempo stands beside what is told of its measures.
    private static readonly HashSet<string> Frame =
    [
        "signature",
        "count-unit",
        "tempo-words",
        "meter-grouping",
        "breath-place",
        "fingers",
        "sudden-tempo",
        "a-tempo-without-slowing",
        "slowing-unresolved",
        "metric-change",
    ];

    // Wherever it comes, it is one remark: other rules make one remark of what has the same title.
    private static readonly HashSet<string> OneRemark =
    [
        "metric-change",
        "large-leap",
        "register-crossing",
        "high-strain",
        "no-breath",
        "breath-place",
        "bow-length",
        "offbeat-entry",
        "mixed-divisions",
        "afterbeats",
        "offbeat-accent",
        "triplet-against-dotted",
        "dots-under-slur",
        "slur-in-slur",
        "two-note-slur",
        "soft-high-entry",
        "soft-low-entry",
        "no-time-to-change",
        "syncopation",
        "long-length",
        "staccato-length",
    ];

    private readonly Dictionary<string, List<Finding>> _shown = [];

    private Shortlist() { }

    /// <summary>Chooses for each part of a score.</summary>
    /// <param name="context">The score they were found in.</param>
    /// <param name="findings">What was found, without what was dismissed; of a passage only what meets it.</param>
    /// <param name="parts">Ids of the parts that are spoken to; null for all.</param>
    public static Shortlist Of(StudyContext context, IEnumerable<Finding> findings, IReadOnlyCollection<string>? parts = null)
    {
        var list = new Shortlist();
        var byPart = findings.SelectMany(f => f.Parts.Select(p => (Part: p, Finding: f))).ToLookup(x => x.Part, x => x.Finding);
        foreach (var part in context.Score.Parts.Where(p => parts is null || parts.Contains(p.Id)))
            foreach (var (head, others) in Choose(context, part, [.. byPart[part.Id]]))
                list.Add(head, others);
        return list;
    }

    /// <summary>True for a rule that tells of the whole part or of everybody's tempo, not of a measure.</summary>
    public static bool IsFrame(string rule) => Frame.Contains(rule);

    /// <summary>True for a finding that is told at first sight.</summary>
    public bool Has(Finding finding) => _shown.ContainsKey(finding.Id);

    /// <summary>What a told finding adds of the others that it stands for: what is done there; empty where their measures are
    /// enough.</summary>
    public string BriefOf(Finding finding)
    {
        var briefs = AlsoOf(finding).Select(f => f.Brief).Where(b => b.Length > 0).ToList();
        return briefs.Count == 0 ? "" : $" Later after {string.Join(", ", briefs)}.";
    }

    /// <summary>The findings of the same cause that a told one stands for, in order; empty for one that stands alone.</summary>
    public IReadOnlyList<Finding> AlsoOf(Finding finding) => _shown.GetValueOrDefault(finding.Id) ?? [];

    private void Add(Finding head, IEnumerable<Finding> others)
    {
        if (!_shown.TryGetValue(head.Id, out var also))
            _shown[head.Id] = also = [];
        also.AddRange(others.Where(o => !also.Exists(a => a.Id == o.Id)));
    }

    // Half of the measures of a short part, a third of a long one; of a few measures whatever there is, one each.
    private static int Most(int measures) => Math.Max(Math.Clamp(measures / 2, MostOfFew, MostOfShort), measures / 3);

    private static IEnumerable<(Finding Head, IReadOnlyList<Finding> Others)> Choose(StudyContext context, Part part, List<Finding> found)
    {
        var family = context.FamilyOf(part);
        var causes = found
            .Where(f => f.Severity > Severity.Note || TeacherOrder.Names(f.Rule))
            .GroupBy(f => (f.Rule, OneRemark.Contains(f.Rule) ? "" : f.InWordsOf([part.Id], context.NameOf).Title))
            .Select(g => g.OrderByDescending(f => f.Severity).ThenBy(f => f.From).ToList())
            .OrderByDescending(g => g[0].Severity == Severity.Stop)
            .ThenBy(g => g[0].Severity == Severity.Note)
            .ThenBy(g => TeacherOrder.Of(g[0].Rule, family))
            .ThenBy(g => g[0].From)
            .ToList();
        var most = Most(part.Measures.Count);
        var taken = new HashSet<int>();
        var (count, ofMeasures) = (0, 0);
        foreach (var cause in causes)
        {
            var head = cause[0];
            if (head.Severity == Severity.Note && count >= Fewest)
                break;
            var isFrame = Frame.Contains(head.Rule);
            if (head.Severity < Severity.Stop && !isFrame && (ofMeasures >= most || taken.Contains(head.From)))
                continue;
            count++;
            if (!isFrame)
            {
                taken.Add(head.From);
                ofMeasures++;
            }

            yield return (head, [.. cause.Skip(1).Where(f => f.Severity > Severity.Note || head.Severity == Severity.Note)]);
        }
    }
}
