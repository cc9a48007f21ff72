using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Heat;

/// <summary>One reason for the heat of a measure.</summary>
/// <param name="Component">Its name, as in <see cref="HeatWeights"/>.</param>
/// <param name="Amount">0 (nothing) to 1 (as much as counts).</param>
/// <param name="Contribution">What it adds to the heat.</param>
/// <param name="Words">The numbers in words.</param>
public sealed record HeatReason(string Component, double Amount, double Contribution, string Words);

/// <summary>The difficulty of one measure of one part.</summary>
/// <param name="Part">The part's id.</param>
/// <param name="Measure">Its measure from 0.</param>
/// <param name="Heat">0 (nothing to do) to 1.</param>
/// <param name="Reasons">What it is made of, largest first; only what contributes.</param>
public sealed record HeatCell(string Part, int Measure, double Heat, IReadOnlyList<HeatReason> Reasons);

/// <summary>How much each component counts; the weights add up to 1.</summary>
/// <remarks>Our own weights, no published source; each contribution is shown to the director.</remarks>
public static class HeatWeights
{
    /// <summary>Notes a second at the goal tempo: nothing below 0.3, full at 9.</summary>
    public const double NoteRate = 0.42;

    /// <summary>Leaps larger than a fifth: full where every second step is one.</summary>
    public const double Leaps = 0.16;

    /// <summary>Notes outside the signature: full at half of the notes.</summary>
    public const double Accidentals = 0.2;

    /// <summary>Findings in the measure: full at three warnings.</summary>
    public const double Findings = 0.22;
}

/// <summary>Heat of every part × measure.</summary>
/// <remarks>Monotone: a faster tempo never cools a measure, since only the note rate knows the tempo.</remarks>
public static class HeatMap
{
    private const double LeastRate = 0.3;
    private const double FullRate = 9;
    private const int LeapSemitones = 7;

    /// <summary>The heat of the parts.</summary>
    /// <param name="context">The prepared score.</param>
    /// <param name="findings">What Study found in it.</param>
    /// <param name="tempoFactor">Goal tempo as a share of the printed tempo.</param>
    public static IReadOnlyList<HeatCell> Of(StudyContext context, IReadOnlyList<Finding> findings, double tempoFactor = 1)
    {
        var weights = Warnings(context, findings);
        return [.. context.Score.Parts.SelectMany(p => p.Measures.Select(m => Cell(context, p, m, weights.GetValueOrDefault((p.Id, m.Index)), tempoFactor)))];
    }

    private static HeatCell Cell(StudyContext context, Part part, PartMeasure measure, double warnings, double tempoFactor)
    {
        var notes = measure.Notes.Where(n => n.Sounds && !n.IsTieContinuation && !n.IsCue).ToList();
        if (notes.Count == 0) return new HeatCell(part.Id, measure.Index, 0, []);
        HeatReason[] reasons = [Rate(context, measure, notes, tempoFactor), LeapReason(notes), AccidentalReason(measure, notes), FindingReason(warnings)];
        var counted = reasons.Where(r => r.Contribution > 0).OrderByDescending(r => r.Contribution).ToList();
        return new HeatCell(part.Id, measure.Index, Math.Round(Math.Min(1, counted.Sum(r => r.Contribution)), 3), counted);
    }

    private static HeatReason Rate(StudyContext context, PartMeasure measure, List<Note> notes, double tempoFactor)
    {
        var quarter = context.Tempo.QuarterBpmAt(measure.Index) * tempoFactor;
        // The busiest stretch counts: the note rate over the sounding time, not over the rests.
        var sounding = notes.Where(n => !n.IsGrace).Aggregate(Fraction.Zero, (sum, n) => sum + n.Duration);
        var seconds = Math.Max(sounding.Value, 0.25) * 60 / quarter;
        var rate = notes.Count / seconds;
        return Reason("note rate", (rate - LeastRate) / (FullRate - LeastRate), HeatWeights.NoteRate,
            $"{rate:0.0} notes a second at quarter = {quarter:0}");
    }

    private static HeatReason LeapReason(List<Note> notes)
    {
        var tops = notes.Select(n => n.TopSounding).OfType<int>().ToList();
        var leaps = tops.Zip(tops.Skip(1)).Count(p => Math.Abs(p.First - p.Second) > LeapSemitones);
        return Reason("leaps", tops.Count < 2 ? 0 : 2.0 * leaps / (tops.Count - 1), HeatWeights.Leaps, $"{leaps} {(leaps == 1 ? "leap" : "leaps")} larger than a fifth");
    }

    private static HeatReason AccidentalReason(PartMeasure measure, List<Note> notes)
    {
        var outside = notes.Count(n => n.Heads.Any(h => h.Written is { } p && p.Alter != measure.Key.AlterOf(p.Step)));
        return Reason("accidentals", 2.0 * outside / notes.Count, HeatWeights.Accidentals, $"{outside} of {notes.Count} notes outside the signature");
    }

    private static HeatReason FindingReason(double warnings) =>
        Reason("findings", warnings / 3, HeatWeights.Findings, "what Study found here");

    private static HeatReason Reason(string component, double amount, double weight, string words)
    {
        var bounded = Math.Clamp(amount, 0, 1);
        return new HeatReason(component, Math.Round(bounded, 3), Math.Round(bounded * weight, 4), words);
    }

    private static Dictionary<(string, int), double> Warnings(StudyContext context, IReadOnlyList<Finding> findings)
    {
        var weights = new Dictionary<(string, int), double>();
        var places = findings.Any(f => f.Severity > Severity.Note && f.Notes.Count > 0)
            ? context.Score.Parts.SelectMany(p => p.Notes).ToDictionary(n => n.Id, n => (n.PartId, n.MeasureIndex)) : [];
        foreach (var finding in findings.Where(f => f.Severity > Severity.Note))
        {
            var weight = finding.Severity == Severity.Stop ? 2.0 : 1.0;
            // A finding that names its notes warms their measures only, not everything from the first to the last.
            var cells = finding.Notes.Count > 0
                ? finding.Notes.Where(places.ContainsKey).Select(n => places[n])
                : finding.Parts.SelectMany(p => Enumerable.Range(finding.From, Math.Min(finding.To, context.Score.Measures.Count - 1) - finding.From + 1).Select(m => (p, m)));
            foreach (var cell in cells.Distinct()) weights[cell] = weights.GetValueOrDefault(cell) + weight;
        }

        return weights;
    }
}
