using MellowStand.Core.Instruments;
using MellowStand.Core.Technique.Signs;
using MellowStand.Core.Technique;
using MellowStand.Server.Services;

namespace MellowStand.Server.Endpoints;

/// <summary>Another way with the cost of the whole passage through it.</summary>
/// <param name="Choice">Its code.</param>
/// <param name="Cost">The cost.</param>
/// <param name="Marks">The marks that make it a fixed point.</param>
/// <param name="Keys">What is pressed in the diagram; empty for sticks.</param>
/// <param name="Words">The choice in players' words.</param>
/// <param name="Harder">How much harder the passage is through it, and why, in words.</param>
public sealed record AlternativeView(
    string Choice,
    double Cost,
    IReadOnlyList<string> Marks,
    IReadOnlyList<string> Keys,
    string Words,
    string Harder
);

/// <summary>What is chosen for one note.</summary>
/// <param name="Note">Id of the note.</param>
/// <param name="Measure">Label of its measure.</param>
/// <param name="Choice">The code of the choice; of a chord the codes of its notes, the lowest first, with <c>+</c> between.</param>
/// <param name="Marked">True when a player would not take it by default.</param>
/// <param name="Why">The reason, or empty.</param>
/// <param name="Alternatives">Other ways, the cheapest first.</param>
/// <param name="Written">The written pitch.</param>
/// <param name="Sign">What players write over the note.</param>
/// <param name="Keys">What is pressed in the diagram; empty for sticks and chords.</param>
/// <param name="Cents">Tendency in cents, or null.</param>
/// <param name="Words">The choice in players' words.</param>
public sealed record ChoiceView(
    string Note,
    string Measure,
    string Choice,
    bool Marked,
    string Why,
    IReadOnlyList<AlternativeView> Alternatives,
    string Written,
    string Sign,
    IReadOnlyList<string> Keys,
    double? Cents,
    string Words
);

/// <summary>A slurred pair of a slide instrument.</summary>
public sealed record SlideSlurView(string From, string To, string Kind);

/// <summary>Measures that stay awkward.</summary>
public sealed record TroubleView(string From, string To, double Cost, string Why, string Recipe);

/// <summary>A printed trill with its fingering.</summary>
public sealed record TrillView(string Note, string Measure, string Lower, string Upper, string Quality, string How);

/// <summary>A kettledrum to tune.</summary>
/// <param name="Measure">The measure of the first note that needs it.</param>
/// <param name="Drum">Its size in inches.</param>
/// <param name="From">What it had, or null before the passage.</param>
/// <param name="To">What it gets.</param>
/// <param name="Seconds">Seconds since it was struck last, or null.</param>
/// <param name="Tight">True when that is short.</param>
public sealed record TuningView(string Measure, string Drum, string? From, string To, double? Seconds, bool Tight);

/// <summary>The plan of a passage.</summary>
/// <param name="Instrument">The instrument's name.</param>
/// <param name="Cost">The cost of the best path.</param>
/// <param name="Choices">One choice a note.</param>
/// <param name="Slurs">Slurred pairs of a slide.</param>
/// <param name="Trouble">What stays awkward, the dearest first.</param>
/// <param name="Trills">Printed trills.</param>
/// <param name="Tunings">Tunings of kettledrums.</param>
/// <param name="Chart">Id of the instrument's chart, or null for sticks.</param>
/// <param name="Kind">What the chart's diagram is, or null.</param>
/// <param name="Layout">Keys of the diagram.</param>
public sealed record TechniqueView(
    string Instrument,
    double Cost,
    IReadOnlyList<ChoiceView> Choices,
    IReadOnlyList<SlideSlurView> Slurs,
    IReadOnlyList<TroubleView> Trouble,
    IReadOnlyList<TrillView> Trills,
    IReadOnlyList<TuningView> Tunings,
    string? Chart,
    string? Kind,
    IReadOnlyList<ChartKeyView> Layout
);

/// <summary>Makes the answer from a plan.</summary>
internal static class TechniqueViews
{
    /// <summary>The answer.</summary>
    public static TechniqueView Of(OpenPiece piece, TechniquePlan plan, Instrument instrument)
    {
        var steps = plan.Excerpt.Steps;
        var order = steps.Select((s, i) => (s.Note.Id, i)).ToDictionary(x => x.Id, x => x.i);
        var chart = plan.Chart?.Value;
        string Label(Step step) => piece.Label(step.Note.MeasureIndex);
        IReadOnlyList<string> Keys(Step step, Placement placement) =>
            chart is null || placement.Heads.Count > 1
                ? []
                : chart.Find(TechniqueDesk.ChartKeyOf(step, chart, instrument), placement.Code)?.Keys ?? [];
        ChoiceView Choice(Choice c)
        {
            var step = steps[c.Place];
            var cents = c.Way.Cents ?? (chart?.Kind == "keys" ? chart.Find(step.Written.Midi, c.Way.Code)?.Cents : null);
            return new ChoiceView(
                step.Note.Id,
                Label(step),
                c.Way.Code,
                c.Marked,
                c.Why,
                [
                    .. c.Alternatives.Select(a => new AlternativeView(
                        a.Code,
                        a.Cost,
                        [.. a.Placement.FixingMarks.Select(m => m.ToString())],
                        Keys(step, a.Placement),
                        a.Placement.Words,
                        HarderWords.Of(a.Cost - plan.Solution.Cost, a.Why)
                    )),
                ],
                string.Join(' ', step.Note.Heads.Select(h => h.Written?.ToString() ?? "stroke")),
                plan.Positions.TryGetValue(c.Place, out var position) ? $"{c.Way.Placement.Sign} {position}" : c.Way.Placement.Sign,
                Keys(step, c.Way.Placement),
                cents,
                c.Way.Placement.Words
            );
        }

        return new TechniqueView(
            instrument.Name,
            plan.Solution.Cost,
            [.. plan.Solution.Choices.Select(Choice).Concat(Unknown(plan, Label)).OrderBy(c => order[c.Note])],
            [.. plan.Slurs.Select(s => new SlideSlurView(s.From, s.To, s.Kind))],
            [.. plan.Trouble.Select(t => new TroubleView(piece.Label(t.From), piece.Label(t.To), t.Cost, t.Why, t.Recipe))],
            [
                .. plan.Trills.Select(t => new TrillView(
                    t.Note.Id,
                    piece.Label(t.Note.MeasureIndex),
                    t.Note.Top!.Value.ToString(),
                    t.Upper.ToString(),
                    t.Advice.Quality,
                    t.Advice.How
                )),
            ],
            [
                .. plan.Tunings.Select(t => new TuningView(
                    Label(steps[t.Place]),
                    t.Drum.Name,
                    t.From is { } from ? TechniqueDesk.KeyName(from) : null,
                    TechniqueDesk.KeyName(t.To),
                    t.Seconds,
                    t.IsTight
                )),
            ],
            chart is null ? null : instrument.Id,
            chart?.Kind,
            chart is null ? [] : [.. chart.Keys.Select(k => new ChartKeyView(k.Id, k.Label, k.X, k.Y, k.Shape))]
        );
    }

    // A note that no chart holds gets a choice too: it is not passed over in silence.
    private static IEnumerable<ChoiceView> Unknown(TechniquePlan plan, Func<Step, string> label)
    {
        var known = plan.Solution.Choices.Select(c => c.Place).ToHashSet();
        return plan
            .Excerpt.Steps.Where((_, i) => !known.Contains(i))
            .Select(s => new ChoiceView(
                s.Note.Id,
                label(s),
                "ask",
                false,
                "Not in the chart: ask the teacher.",
                [],
                s.Written.ToString(),
                "?",
                [],
                null,
                "ask the teacher"
            ));
    }
}
