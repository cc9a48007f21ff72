using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Heat;

/// <summary>Heat of every part × measure.</summary>
/// <remarks>Monotone: a faster tempo never cools a measure, since only the note rate knows the tempo.</remarks>
public sealed class HeatMap
{
    private const double OfStop = 2;
    private const double OfWarning = 1;

    private readonly StudyContext _context;
    private readonly Dictionary<Part, Row> _rows = [];

    private HeatMap(
        StudyContext context,
        IReadOnlyList<Finding> findings,
        double tempoFactor,
        Func<string, int, double>? hands,
        HeatMap? before = null
    )
    {
        _context = context;
        var warnings = Warnings(context, findings);
        foreach (var part in context.Score.Parts)
        {
            var known = before?._rows.GetValueOrDefault(part);
            var row = _rows[part] = new Row(warnings.GetValueOrDefault(part.Id) ?? new double[part.Measures.Count], part.Measures.Count);
            for (var m = 0; m < part.Measures.Count; m++)
            {
                row.Hands[m] = hands?.Invoke(part.Id, m) ?? 0;
                var same = known is not null && known.Warnings[m] == row.Warnings[m] && known.Hands[m] == row.Hands[m];
                row.Cells[m] = same ? known!.Cells[m] : Cell(context, part, part.Measures[m], row, tempoFactor);
            }
        }

        Cells = [.. context.Score.Parts.SelectMany(p => _rows[p].Cells)];
    }

    /// <summary>The cells, part by part.</summary>
    public IReadOnlyList<HeatCell> Cells { get; }

    /// <summary>The heat of the parts.</summary>
    /// <param name="context">The prepared score.</param>
    /// <param name="findings">What Study found in it.</param>
    /// <param name="tempoFactor">Goal tempo as a share of the printed tempo.</param>
    /// <param name="hands">What the hands of a part cost in a measure, as Technique has it; null where nobody has asked.</param>
    public static HeatMap Of(
        StudyContext context,
        IReadOnlyList<Finding> findings,
        double tempoFactor = 1,
        Func<string, int, double>? hands = null
    ) => new(context, findings, tempoFactor, hands);

    /// <summary>The heat after a decision: only cells of parts that are other objects, or whose findings or hands changed, are worked
    /// out.</summary>
    /// <param name="context">The score with the decision.</param>
    /// <param name="findings">What Study finds in it.</param>
    /// <param name="hands">What the hands of a part cost in a measure.</param>
    /// <param name="before">The heat without the decision, at the printed tempo.</param>
    /// <param name="sameSounds">True when no pitch was changed.</param>
    public static HeatMap After(
        StudyContext context,
        IReadOnlyList<Finding> findings,
        Func<string, int, double> hands,
        HeatMap before,
        bool sameSounds
    ) => new(context, findings, 1, hands, sameSounds && context.Tempo.SaysTheSame(before._context.Tempo) ? before : null);

    private static HeatCell Cell(StudyContext context, Part part, PartMeasure measure, Row row, double tempoFactor)
    {
        var notes = measure.Notes.Where(n => n.Sounds && !n.IsTieContinuation && !n.IsCue).ToList();
        if (notes.Count == 0)
            return new HeatCell(part.Id, measure.Index, 0, []);
        var at = new HeatPlace(context, part, measure, notes, tempoFactor, row.Hands[measure.Index], row.Warnings[measure.Index]);
        var counted = HeatReasons.All.Select(r => r(at)).OfType<HeatReason>().OrderByDescending(r => r.Contribution).ToArray();
        return new HeatCell(part.Id, measure.Index, Math.Round(Math.Min(1, counted.Sum(r => r.Contribution)), 3), counted);
    }

    // A finding that names its notes warms their measures only, not everything from the first to the last.
    private static Dictionary<string, double[]> Warnings(StudyContext context, IReadOnlyList<Finding> findings)
    {
        var warnings = context.Score.Parts.ToDictionary(p => p.Id, p => new double[p.Measures.Count]);
        var parts = context.Score.Parts.ToDictionary(p => p.Id);
        foreach (var finding in findings.Where(f => f.Severity >= Severity.Warn))
            foreach (var part in finding.Parts.Where(parts.ContainsKey))
                foreach (var measure in Measures(context, finding, parts[part]))
                    warnings[part][measure] += finding.Severity == Severity.Stop ? OfStop : OfWarning;
        return warnings;
    }

    private static IEnumerable<int> Measures(StudyContext context, Finding finding, Part part)
    {
        if (finding.Notes.Count == 0)
            return Enumerable.Range(finding.From, Math.Min(finding.To, part.Measures.Count - 1) - finding.From + 1);
        var places = context.FactsOf(part).Measures;
        return finding.Notes.Where(places.ContainsKey).Select(n => places[n]).Distinct();
    }

    private sealed class Row(double[] warnings, int measures)
    {
        public double[] Warnings => warnings;

        public double[] Hands { get; } = new double[measures];

        public HeatCell[] Cells { get; } = new HeatCell[measures];
    }
}
