using MellowStand.Core.HouseRules;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;
using MellowStand.Core.Technique.Charts;
using MellowStand.Core.Technique.Drums;
using MellowStand.Core.Technique.Signs;
using MellowStand.Core.Technique.Slide;
using MellowStand.Core.Technique.Strings;
using MellowStand.Core.Technique.Trills;

namespace MellowStand.Core.Technique;

/// <summary>A slurred pair of a slide instrument.</summary>
/// <param name="From">Id of the first note.</param>
/// <param name="To">Id of the second note.</param>
/// <param name="Kind"><c>natural</c> or <c>legato-tongue</c>.</param>
public sealed record SlideSlur(string From, string To, string Kind);

/// <summary>Measures whose best way is still expensive.</summary>
/// <param name="From">First measure from 0.</param>
/// <param name="To">Last measure from 0.</param>
/// <param name="Cost">What they cost.</param>
/// <param name="Why">The dearest reason.</param>
/// <param name="Recipe">How to practice them.</param>
public sealed record TroubleSpot(int From, int To, double Cost, string Why, string Recipe);

/// <summary>The plan of a passage.</summary>
/// <param name="Excerpt">The passage.</param>
/// <param name="Solution">The best path.</param>
/// <param name="Slurs">Slurred pairs of a slide instrument; empty for others.</param>
/// <param name="Trouble">Trouble spots, the dearest first.</param>
public sealed record TechniquePlan(Excerpt Excerpt, Solution Solution, IReadOnlyList<SlideSlur> Slurs, IReadOnlyList<TroubleSpot> Trouble)
{
    /// <summary>The instrument's chart as the school has it; null for sticks.</summary>
    public Lazy<FingeringChart>? Chart { get; init; }

    /// <summary>Printed trills with their fingerings.</summary>
    public IReadOnlyList<TrillFingering> Trills { get; init; } = [];

    /// <summary>On strings the position, by the place of the note that is first in it: III, 2½ as the house numbers them; empty for all
    /// else.</summary>
    public IReadOnlyDictionary<int, string> Positions { get; init; } = new Dictionary<int, string>();

    /// <summary>Tunings of kettledrums; empty for all else.</summary>
    public IReadOnlyList<Tuning> Tunings { get; init; } = [];
}

/// <summary>Plans the hands of a part over a range.</summary>
public static class TechniqueDesk
{
    private const double TroubleAbove = 1.6;
    private const int MostTrouble = 8;

    /// <summary>Solves a range of a part; null when the product has no chart for the instrument.</summary>
    public static TechniquePlan? Solve(
        Score score,
        Part part,
        int from,
        int to,
        House house,
        Instrument? instrument,
        Func<int, double> quarterBpm,
        Hands? hands = null
    )
    {
        if (TechniqueCatalog.Of(instrument, NamedOptions.With(hands, part, instrument), house) is not { } setup)
            return null;
        var technique = setup.Technique;
        var excerpt = new Excerpt(score, part, from, to, house, quarterBpm, technique.TakesUnpitched);
        var solved = SteadyHands.Solve(technique, excerpt, (i, ways) => FixedPoints.Of(ways, excerpt.Steps[i].Note));
        var solution = setup.Chart is { Value: { Kind: "keys" } chart } ? OfferedSigns.In(excerpt, solved, chart) : solved;
        return new TechniquePlan(
            excerpt,
            solution,
            technique is SlideTechnique or CorrectedTechnique { IsSlide: true } ? Slurs(excerpt, solution) : [],
            Trouble(excerpt, solution)
        )
        {
            Chart = setup.Chart,
            Positions = instrument!.Family == Family.Strings ? StringPositions.Changes(solution.Choices) : [],
            Trills = TrillsOf(excerpt, part, setup.Chart, instrument!),
            Tunings =
                instrument.Kin == Kin.Timpani
                    ? TimpaniPlan.Of(excerpt, hands?.Has("fifth-drum") == true ? TimpaniPlan.Five : TimpaniPlan.Four).Tunings
                    : [],
        };
    }

    /// <summary>The chart's key of a sounding or written note: charts of tubes and strings follow the sound.</summary>
    public static int ChartKeyOf(Step step, FingeringChart chart, Instrument instrument) => ChartKeyOf(step.Note, chart, instrument);

    /// <summary>The chart's key of a note.</summary>
    public static int ChartKeyOf(Note note, FingeringChart chart, Instrument instrument) =>
        chart.Kind == "keys" ? note.Top?.Midi ?? 0 : (note.TopSounding ?? 0) - instrument.Transposition.Semitones;

    /// <summary>The name of a key number, as charts spell it.</summary>
    public static string KeyName(int key) => Pitches.Usual(key).ToString();

    /// <summary>For each notehead of a step its part of the choice: of a chord the lowest first.</summary>
    public static IEnumerable<(string Note, Placement Placement)> HeadsOf(Step step, Placement placement)
    {
        var heads = step.Note.Heads.OrderBy(h => h.Sounding).ToList();
        return placement.Heads.Count == heads.Count
            ? heads.Zip(placement.Heads, (h, p) => (h.Id, p))
            : [(step.Note.Id, placement)];
    }

    /// <summary>The marks that write a choice in: for each notehead its own, and the position where the hand comes to a new one.</summary>
    public static IEnumerable<(string Note, IReadOnlyList<Mark> Marks)> MarksOf(TechniquePlan plan, Choice choice)
    {
        var position = plan.Positions.GetValueOrDefault(choice.Place);
        foreach (var (note, placement) in HeadsOf(plan.Excerpt.Steps[choice.Place], choice.Way.Placement))
        {
            yield return (note, position is null ? placement.Marks : [.. placement.Marks, new Mark("other-technical", position)]);
            position = null;
        }
    }

    private static IReadOnlyList<TrillFingering> TrillsOf(Excerpt excerpt, Part part, Lazy<FingeringChart>? lazy, Instrument instrument)
    {
        var trills = excerpt
            .Steps.Where(s => s.Note.Has("trill-mark") && s.Note.Top is not null)
            .Select(s => (Step: s, Other: Neighbours.Of(part, s.Note, 1)))
            .Concat(Tremolos(excerpt))
            .ToList();
        if (lazy is null || trills.Count == 0)
            return [];
        var chart = lazy.Value;
        return
        [
            .. trills
                .OrderBy(t => t.Step.Note.Onset)
                .Select(t =>
                {
                    var key = ChartKeyOf(t.Step, chart, instrument);
                    var other = key + t.Other.Midi - t.Step.Key;
                    return new TrillFingering(t.Step.Note, t.Other, TrillAdvice.Of(chart, Math.Min(key, other), Math.Max(key, other)));
                }),
        ];
    }

    // A tremolo between two notes: both carry the strokes, and each is written twice as long as it lasts (MusicXML 4.0, element "tremolo").
    private static IEnumerable<(Step Step, Pitch Other)> Tremolos(Excerpt excerpt)
    {
        for (var i = 0; i + 1 < excerpt.Steps.Count; i++)
        {
            var (a, b) = (excerpt.Steps[i], excerpt.Steps[i + 1]);
            if (!IsTremolo(a.Note) || !IsTremolo(b.Note) || a.Key == b.Key || a.Note.MeasureIndex != b.Note.MeasureIndex)
                continue;
            yield return (a, b.Written);
            i++;
        }
    }

    private static bool IsTremolo(Note note) => note.Has("tremolo") && note.Tuplet == (2, 1) && note.Top is not null;

    private static List<SlideSlur> Slurs(Excerpt excerpt, Solution solution)
    {
        var slurs = new List<SlideSlur>();
        for (var i = 1; i < solution.Choices.Count; i++)
        {
            var (a, b) = (solution.Choices[i - 1], solution.Choices[i]);
            var (from, to) = (excerpt.Steps[a.Place].Note, excerpt.Steps[b.Place].Note);
            if (b.Place != a.Place + 1 || !excerpt.Steps[b.Place].SlurredFrom || from.TopSounding == to.TopSounding)
                continue;
            var (left, right) = ((SlidePlacement)a.Way.Placement, (SlidePlacement)b.Way.Placement);
            slurs.Add(new SlideSlur(from.Id, to.Id, SlideSlurs.Kind(left, right, from.TopSounding!.Value, to.TopSounding!.Value)));
        }

        return slurs;
    }

    private static List<TroubleSpot> Trouble(Excerpt excerpt, Solution solution) =>
        [
            .. solution
                .Choices.GroupBy(c => excerpt.Steps[c.Place].Note.MeasureIndex)
                .Select(g =>
                    (
                        Measure: g.Key,
                        Cost: Math.Round(g.Sum(c => c.Effort), 3),
                        Weight: g.Sum(c => c.Awkward?.Weight ?? 0),
                        Dearest: g.OrderByDescending(c => c.Awkward?.Weight ?? 0).ThenByDescending(c => c.Effort).First().Awkward
                    )
                )
                .Where(m => m.Cost > TroubleAbove || m.Weight >= 1)
                .OrderByDescending(m => m.Cost)
                .Take(MostTrouble)
                .Select(m => new TroubleSpot(
                    m.Measure,
                    m.Measure,
                    m.Cost,
                    m.Dearest?.Words ?? "many changes at this tempo",
                    Remedies.For(m.Dearest?.Kind ?? ObstacleKind.Other)
                )),
        ];
}
