using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;
using MellowStand.Core.Technique;

namespace MellowStand.Core.Practice;

/// <summary>The hardest pairs of notes back and forth.</summary>
/// <remarks>One pair of notes back and forth, slowly, then twice as fast. The pairs are those that Technique finds dearest, else quick
/// changes of many fingers (<see cref="ManyFingers"/>), else the widest quick leaps. Common practice, no published source.</remarks>
public sealed class Pair : IRecipe
{
    private const int Most = 3;
    private const double Dear = 0.5;
    private const int Wide = 7;
    private const double MostForMany = 0.2;

    private static readonly Meter FourFour = Meter.Of(4, 4);

    /// <inheritdoc/>
    public string Name => "pair";

    /// <inheritdoc/>
    public string Title => "Two notes back and forth";

    /// <inheritdoc/>
    public string Why => "The one change that is awkward, alone: slowly, then twice as fast, until the hand stops thinking.";

    /// <inheritdoc/>
    public Keeps Keeps => Keeps.Nothing;

    /// <inheritdoc/>
    public Suit? Suits(Passage passage)
    {
        var pairs = Pairs(passage);
        if (pairs.Count == 0)
            return null;
        var hard = passage.Obstacles(
            ObstacleKind.Slide,
            ObstacleKind.Crossing,
            ObstacleKind.Shift,
            ObstacleKind.Travel,
            ObstacleKind.HearFirst
        );
        var over = passage.Plan is { } plan ? ManyFingers.Changes(passage, plan).Count : 0;
        var names = string.Join(", ", pairs.Select(p => $"{p.A.Top!.Value.Name}–{p.B.Top!.Value.Name}"));
        return new Suit(Math.Min(0.9, 0.4 + (0.1 * hard) + Math.Min(MostForMany, 0.05 * over)), names);
    }

    /// <inheritdoc/>
    public IReadOnlyList<PlainPart> Make(Passage passage)
    {
        var line = Voices.Line(passage.Music);
        return [ChunkedMusic.Of(line, Pairs(passage).Select(p => Exercise(passage, p.A, p.B)))];
    }

    private static IReadOnlyList<PlainMeasure> Exercise(Passage passage, Note a, Note b)
    {
        var key = passage.Part.Measures[a.MeasureIndex].Key;
        var isSlurred = passage.Instrument?.Sustain != Instruments.Sustain.Stroke;
        PlainMeasure Bar(int notes) => new(FourFour, key, [new PlainVoice(1, [.. Row(a, b, notes, isSlurred)])]);
        var held = new PlainVoice(1, [new PlainNote(HeadsOf(a), 4)]);
        return [Bar(4), Bar(8), new PlainMeasure(FourFour, key, [held])];
    }

    private static IEnumerable<PlainNote> Row(Note a, Note b, int count, bool isSlurred) =>
        Enumerable
            .Range(0, count)
            .Select(i => new PlainNote(HeadsOf(i % 2 == 0 ? a : b), new Fraction(4, count))
            {
                SlurStarts = isSlurred && i == 0 ? 1 : 0,
                SlurEnds = isSlurred && i == count - 1 ? 1 : 0,
            });

    private static List<PlainHead> HeadsOf(Note note) => [new PlainHead(note.Top)];

    private static List<(Note A, Note B)> Pairs(Passage passage)
    {
        if (passage.Plan is not { } plan)
            return Widest(passage);
        var hard = Dearest(plan);
        if (hard.Count == 0)
            hard = Distinct(ManyFingers.Changes(passage, plan));
        return hard.Count > 0 ? hard : Widest(passage);
    }

    private static List<(Note A, Note B)> Dearest(TechniquePlan plan) =>
        Distinct(
            plan.Solution.Choices.Select((c, i) => (c.Place, Cost: plan.Solution.StepCosts[i], c.Obstacle))
                .Where(x => x.Place > 0 && x.Cost >= Dear && plan.Excerpt.Steps[x.Place].Before is not null)
                .OrderByDescending(x => x.Cost)
                .Select(x => (plan.Excerpt.Steps[x.Place - 1].Note, plan.Excerpt.Steps[x.Place].Note))
        );

    private static List<(Note A, Note B)> Widest(Passage passage)
    {
        // Where Technique sees no hard change, only a quick leap is one.
        return Distinct(
            (passage.Plan is null ? passage.Pairs : passage.QuickPairs)
                .Where(p => p.A.Top is not null && p.B.Top is not null)
                .Where(p => Math.Abs(p.A.Top!.Value.Midi - p.B.Top!.Value.Midi) >= Wide)
                .OrderByDescending(p => Math.Abs(p.A.Top!.Value.Midi - p.B.Top!.Value.Midi))
        );
    }

    private static List<(Note A, Note B)> Distinct(IEnumerable<(Note A, Note B)> pairs) =>
        [
            .. pairs
                .Where(p => p.A.Top is not null && p.B.Top is not null && p.A.Top != p.B.Top)
                .DistinctBy(p => (Math.Min(p.A.Top!.Value.Midi, p.B.Top!.Value.Midi), Math.Max(p.A.Top!.Value.Midi, p.B.Top!.Value.Midi)))
                .Take(Most),
        ];
}
