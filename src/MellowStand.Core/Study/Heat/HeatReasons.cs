using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;
using MellowStand.Core.Reading;

namespace MellowStand.Core.Study.Heat;

/// <summary>A measure of a part as the reasons see it.</summary>
/// <param name="Context">The prepared score.</param>
/// <param name="Part">The part.</param>
/// <param name="Measure">The measure.</param>
/// <param name="Notes">What is struck in it, graces too, without cues.</param>
/// <param name="TempoFactor">Goal tempo as a share of the printed tempo.</param>
/// <param name="Hands">What the hands cost.</param>
/// <param name="Warnings">Weight of the findings.</param>
internal sealed record HeatPlace(
    StudyContext Context,
    Part Part,
    PartMeasure Measure,
    List<Note> Notes,
    double TempoFactor,
    double Hands,
    double Warnings
);

/// <summary>The reasons that make a measure hot, one function each; null where one adds nothing.</summary>
internal static class HeatReasons
{
    private const double LeastRate = 0.3;
    private const double FullRate = 9;
    private const int LeapSemitones = 7;

    private static readonly HashSet<string> Ornaments = ["trill-mark", "turn", "mordent", "inverted-mordent", "inverted-turn"];

    private static readonly HashSet<string> Articulations =
    [
        "staccato",
        "accent",
        "tenuto",
        "strong-accent",
        "staccatissimo",
        "slur-start",
        "slur-stop",
    ];

    /// <summary>All reasons.</summary>
    public static IReadOnlyList<Func<HeatPlace, HeatReason?>> All { get; } =
    [Rate, Leaps, Accidentals, Key, Rhythm, Articulation, Range, Ornament, Exposure, Hands, Findings];

    // The busiest stretch counts: the note rate over the sounding time, not over the rests.
    private static HeatReason? Rate(HeatPlace at)
    {
        var quarter = at.Context.Tempo.QuarterBpmAt(at.Measure.Index) * at.TempoFactor;
        var sounding = Fraction.Zero;
        foreach (var note in at.Notes)
            sounding += note.Duration;
        var rate = at.Notes.Count / (Math.Max(sounding.Value, 0.25) * 60 / quarter);
        var amount = (rate - LeastRate) / (FullRate - LeastRate);
        var unit = ToldUnit.At(at.Context, at.Measure.Index);
        return Reason("note rate", amount, HeatWeights.NoteRate, () => $"{rate:0.0} notes a second at {unit.Words(Math.Round(quarter))}");
    }

    private static HeatReason? Leaps(HeatPlace at)
    {
        var (leaps, steps) = (0, -1);
        int? before = null;
        foreach (var top in at.Notes.Select(n => n.TopSounding).OfType<int>())
        {
            steps++;
            if (before is { } last && Math.Abs(top - last) > LeapSemitones)
                leaps++;
            before = top;
        }

        var amount = steps < 1 ? 0 : 2.0 * leaps / steps;
        return Reason("leaps", amount, HeatWeights.Leaps, () => $"{leaps} {(leaps == 1 ? "leap" : "leaps")} larger than a fifth");
    }

    private static HeatReason? Accidentals(HeatPlace at)
    {
        var outside = at.Notes.Count(n => n.Heads is NoteHead only ? IsOutside(at, only) : n.Heads.Any(h => IsOutside(at, h)));
        var words = () => $"{outside} of {at.Notes.Count} notes outside the signature";
        return Reason("accidentals", 2.0 * outside / at.Notes.Count, HeatWeights.Accidentals, words);
    }

    private static bool IsOutside(HeatPlace at, NoteHead head) => head.Written is { } p && p.Alter != at.Measure.Key.AlterOf(p.Step);

    private static HeatReason? Key(HeatPlace at) =>
        Reason(
            "key",
            (Math.Abs(at.Measure.Key.Fifths) - 3) / 4.0,
            HeatWeights.KeyDistance,
            () => $"a signature of {at.Measure.Key.CountName}"
        );

    private static HeatReason? Rhythm(HeatPlace at)
    {
        var values = at.Notes.Where(n => !n.IsGrace).Select(n => n.Duration).Distinct().Count() - 1;
        var tuplets = at.Notes.Any(n => n.Tuplet != (1, 1)) ? 1 : 0;
        var meter = at.Context.Score.Measures[at.Measure.Index].Meter;
        var off = meter.IsSenza ? 0 : at.Notes.Count(n => !n.IsGrace && n.Duration >= meter.BeatUnit && !at.Context.IsOnBeat(n));
        return Reason(
            "rhythm",
            (values + (2 * tuplets) + (2 * off)) / 6.0,
            HeatWeights.Rhythm,
            () => $"{values + 1} note values{(tuplets > 0 ? ", tuplets" : "")}{(off > 0 ? $", {off} long notes off the beat" : "")}"
        );
    }

    private static HeatReason? Articulation(HeatPlace at)
    {
        var changes = 0;
        for (var i = 1; i < at.Notes.Count; i++)
            if (!SameArticulation(at.Notes[i - 1].Marks, at.Notes[i].Marks))
                changes++;
        var amount = at.Notes.Count < 2 ? 0 : 2.0 * changes / (at.Notes.Count - 1);
        var words = () => $"{changes} {(changes == 1 ? "change" : "changes")} of articulation";
        return Reason("articulation", amount, HeatWeights.Articulation, words);
    }

    private static bool SameArticulation(IReadOnlyList<Mark> a, IReadOnlyList<Mark> b)
    {
        if (a.Count == 0 && b.Count == 0)
            return true;
        return a.Where(m => Articulations.Contains(m.Name))
            .Select(m => m.Name)
            .SequenceEqual(b.Where(m => Articulations.Contains(m.Name)).Select(m => m.Name));
    }

    // The range asked of those who play the part, as in the findings.
    private static HeatReason? Range(HeatPlace at)
    {
        if (at.Context.InstrumentOf(at.Part) is not { Family: not (Family.Percussion or Family.Keyboard) } instrument)
            return null;
        var (level, _) = at.Context.LevelOf(at.Part);
        var range = instrument.Ranges.At(level);
        var outside = at.Notes.Count(n => n.Top is { } p && !range.Holds(p));
        var words = () => $"{outside} of {at.Notes.Count} notes outside the {level} range";
        return Reason("range", 2.0 * outside / at.Notes.Count, HeatWeights.Range, words);
    }

    private static HeatReason? Ornament(HeatPlace at)
    {
        var count = at.Measure.Notes.Count(n => n.IsGrace || n.Marks.Any(m => Ornaments.Contains(m.Name)));
        return Reason("ornaments", count / 2.0, HeatWeights.Ornaments, () => $"{count} {(count == 1 ? "ornament" : "ornaments")}");
    }

    private static HeatReason? Exposure(HeatPlace at)
    {
        var own = at.Context.MelodyOf(at.Part).ByMeasure.Contains(at.Measure.Index) ? 1 : 0;
        var alone = at.Context.Score.Parts.Count > 1 && at.Context.SoundingIn(at.Measure.Index) == own;
        return Reason("exposure", alone ? 1 : 0, HeatWeights.Exposure, () => "nobody else plays");
    }

    private static HeatReason? Hands(HeatPlace at) =>
        Reason("hands", at.Hands / 4, HeatWeights.Hands, () => $"changes of the hand that cost {at.Hands:0.0}");

    private static HeatReason? Findings(HeatPlace at) =>
        Reason("findings", at.Warnings / 3, HeatWeights.Findings, () => "what Study found here");

    private static HeatReason? Reason(string component, double amount, double weight, Func<string> words)
    {
        var bounded = Math.Clamp(amount, 0, 1);
        var contribution = Math.Round(bounded * weight, 4);
        return contribution > 0 ? new HeatReason(component, Math.Round(bounded, 3), contribution, words()) : null;
    }
}
