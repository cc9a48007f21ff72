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
    public const double NoteRate = 0.26;

    /// <summary>Finger, slide, bow or stick changes, as Technique costs them: full at 4 a measure.</summary>
    public const double Hands = 0.06;

    /// <summary>Leaps larger than a fifth: full where every second step is one.</summary>
    public const double Leaps = 0.1;

    /// <summary>Notes outside the signature: full at half of the notes.</summary>
    public const double Accidentals = 0.13;

    /// <summary>Signs of the written signature beyond three: full at seven.</summary>
    public const double KeyDistance = 0.05;

    /// <summary>Different note values, tuplets and notes off the beat: full at six.</summary>
    public const double Rhythm = 0.1;

    /// <summary>Changes of articulation from note to note: full where every second note changes.</summary>
    public const double Articulation = 0.06;

    /// <summary>Notes outside the comfortable range: full at half of the notes.</summary>
    public const double Range = 0.07;

    /// <summary>Trills, turns, mordents and graces: full at two.</summary>
    public const double Ornaments = 0.06;

    /// <summary>Nobody else plays.</summary>
    public const double Exposure = 0.03;

    /// <summary>Findings in the measure: full at three warnings.</summary>
    public const double Findings = 0.08;
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
    /// <param name="hands">What the hands of a part cost in a measure, as Technique has it; null where nobody has asked.</param>
    public static IReadOnlyList<HeatCell> Of(
        StudyContext context,
        IReadOnlyList<Finding> findings,
        double tempoFactor = 1,
        Func<string, int, double>? hands = null
    )
    {
        var weights = Warnings(context, findings);
        return
        [
            .. context.Score.Parts.SelectMany(p =>
                p.Measures.Select(m =>
                    Cell(context, p, m, weights.GetValueOrDefault((p.Id, m.Index)), tempoFactor, hands?.Invoke(p.Id, m.Index) ?? 0)
                )
            ),
        ];
    }

    private static HeatCell Cell(StudyContext context, Part part, PartMeasure measure, double warnings, double tempoFactor, double hands)
    {
        var notes = measure.Notes.Where(n => n.Sounds && !n.IsTieContinuation && !n.IsCue).ToList();
        if (notes.Count == 0)
            return new HeatCell(part.Id, measure.Index, 0, []);
        HeatReason[] reasons =
        [
            Rate(context, measure, notes, tempoFactor),
            LeapReason(notes),
            AccidentalReason(measure, notes),
            KeyReason(measure),
            RhythmReason(context, notes),
            ArticulationReason(notes),
            RangeReason(context, part, notes),
            OrnamentReason(measure),
            ExposureReason(context, part, measure),
            HandsReason(hands),
            FindingReason(warnings),
        ];
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
        return Reason(
            "note rate",
            (rate - LeastRate) / (FullRate - LeastRate),
            HeatWeights.NoteRate,
            $"{rate:0.0} notes a second at quarter = {quarter:0}"
        );
    }

    private static HeatReason LeapReason(List<Note> notes)
    {
        var tops = notes.Select(n => n.TopSounding).OfType<int>().ToList();
        var leaps = tops.Zip(tops.Skip(1)).Count(p => Math.Abs(p.First - p.Second) > LeapSemitones);
        return Reason(
            "leaps",
            tops.Count < 2 ? 0 : 2.0 * leaps / (tops.Count - 1),
            HeatWeights.Leaps,
            $"{leaps} {(leaps == 1 ? "leap" : "leaps")} larger than a fifth"
        );
    }

    private static HeatReason AccidentalReason(PartMeasure measure, List<Note> notes)
    {
        var outside = notes.Count(n => n.Heads.Any(h => h.Written is { } p && p.Alter != measure.Key.AlterOf(p.Step)));
        return Reason(
            "accidentals",
            2.0 * outside / notes.Count,
            HeatWeights.Accidentals,
            $"{outside} of {notes.Count} notes outside the signature"
        );
    }

    private static HeatReason KeyReason(PartMeasure measure) =>
        Reason("key", (Math.Abs(measure.Key.Fifths) - 3) / 4.0, HeatWeights.KeyDistance, $"a signature of {measure.Key.CountName}");

    private static HeatReason RhythmReason(StudyContext context, List<Note> notes)
    {
        var values = notes.Where(n => !n.IsGrace).Select(n => n.Duration).Distinct().Count() - 1;
        var tuplets = notes.Any(n => n.Tuplet != (1, 1)) ? 1 : 0;
        var off = context.Score.Measures[notes[0].MeasureIndex].Meter.IsSenza
            ? 0
            : notes.Count(n => !n.IsGrace && !context.IsOnBeat(n) && n.Duration >= context.Score.Measures[n.MeasureIndex].Meter.BeatUnit);
        return Reason(
            "rhythm",
            (values + (2 * tuplets) + (2 * off)) / 6.0,
            HeatWeights.Rhythm,
            $"{values + 1} note values{(tuplets > 0 ? ", tuplets" : "")}{(off > 0 ? $", {off} long notes off the beat" : "")}"
        );
    }

    private static HeatReason ArticulationReason(List<Note> notes)
    {
        var marks = notes
            .Select(n =>
                string.Join(
                    '+',
                    n.Marks.Where(m =>
                        m.Name is "staccato" or "accent" or "tenuto" or "strong-accent" or "staccatissimo" or "slur-start" or "slur-stop"
                    )
                )
            )
            .ToList();
        var changes = marks.Zip(marks.Skip(1)).Count(p => p.First != p.Second);
        return Reason(
            "articulation",
            notes.Count < 2 ? 0 : 2.0 * changes / (notes.Count - 1),
            HeatWeights.Articulation,
            $"{changes} {(changes == 1 ? "change" : "changes")} of articulation"
        );
    }

    private static HeatReason RangeReason(StudyContext context, Part part, List<Note> notes)
    {
        if (context.InstrumentOf(part) is not { Family: not (Instruments.Family.Percussion or Instruments.Family.Keyboard) } instrument)
            return Reason("range", 0, HeatWeights.Range, "");
        var range = Instruments.WrittenRanges.Of(instrument, context.House["range-level"]);
        var outside = notes.Count(n => n.Top is { } p && !range.Holds(p));
        return Reason(
            "range",
            2.0 * outside / notes.Count,
            HeatWeights.Range,
            $"{outside} of {notes.Count} notes outside the comfortable range"
        );
    }

    private static HeatReason OrnamentReason(PartMeasure measure)
    {
        var count = measure.Notes.Count(n =>
            n.IsGrace || n.Has("trill-mark") || n.Has("turn") || n.Has("mordent") || n.Has("inverted-mordent") || n.Has("inverted-turn")
        );
        return Reason("ornaments", count / 2.0, HeatWeights.Ornaments, $"{count} {(count == 1 ? "ornament" : "ornaments")}");
    }

    private static HeatReason ExposureReason(StudyContext context, Part part, PartMeasure measure)
    {
        var alone =
            context.Score.Parts.Count > 1 && !context.Score.Parts.Any(p => p != part && context.MelodyOf(p).ByMeasure[measure.Index].Any());
        return Reason("exposure", alone ? 1 : 0, HeatWeights.Exposure, "nobody else plays");
    }

    private static HeatReason HandsReason(double cost) =>
        Reason("hands", cost / 4, HeatWeights.Hands, $"changes of the hand that cost {cost:0.0}");

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
            ? context.Score.Parts.SelectMany(p => p.Notes).ToDictionary(n => n.Id, n => (n.PartId, n.MeasureIndex))
            : [];
        foreach (var finding in findings.Where(f => f.Severity > Severity.Note))
        {
            var weight = finding.Severity == Severity.Stop ? 2.0 : 1.0;
            // A finding that names its notes warms their measures only, not everything from the first to the last.
            var cells =
                finding.Notes.Count > 0
                    ? finding.Notes.Where(places.ContainsKey).Select(n => places[n])
                    : finding.Parts.SelectMany(p =>
                        Enumerable
                            .Range(finding.From, Math.Min(finding.To, context.Score.Measures.Count - 1) - finding.From + 1)
                            .Select(m => (p, m))
                    );
            foreach (var cell in cells.Distinct())
                weights[cell] = weights.GetValueOrDefault(cell) + weight;
        }

        return weights;
    }
}
