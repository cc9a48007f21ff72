using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;
using MellowStand.Core.Paths;

namespace MellowStand.Core.Unify.Bows;

/// <summary>Proposes the bowing of string parts: the least-cost path over all their strokes.</summary>
public static class BowDesk
{
    private static readonly BowDirection[] Both = [BowDirection.Down, BowDirection.Up];

    /// <summary>Plans every string part in score order; a part with the line of an earlier one follows its bow.</summary>
    /// <param name="context">What the station shares.</param>
    /// <param name="lines">The lines that parts share.</param>
    /// <param name="quarterBpm">Quarters a minute in a measure.</param>
    /// <param name="isBowed">True for the parts to plan; null for those that are recognised as strings.</param>
    public static IReadOnlyList<BowPlan> Plan(
        UnifyContext context,
        IReadOnlyList<SharedLine> lines,
        Func<int, double> quarterBpm,
        Func<Part, bool>? isBowed = null
    )
    {
        var plans = new List<BowPlan>();
        var directions = new Dictionary<string, BowDirection>();
        var partners = Partners(lines);
        foreach (var part in context.Score.Parts.Where(isBowed ?? (p => context.SustainOf(p) == Sustain.Bow)))
        {
            var strokes = StrokeReader.Of(context, part, quarterBpm);
            if (strokes.Count == 0)
                continue;
            var theirs = strokes
                .Select(s => (s.First.Id, By: partners[s.First.Id].FirstOrDefault(directions.ContainsKey)))
                .Where(x => x.By is not null)
                .ToDictionary(x => x.Id, x => directions[x.By!]);
            var plan = Solve(context.Score, part, strokes, theirs);
            foreach (var c in plan.Choices)
                directions[c.Stroke.First.Id] = c.Direction;
            plans.Add(plan);
        }

        return plans;
    }

    /// <summary>The cheapest directions of some strokes.</summary>
    /// <param name="score">The score.</param>
    /// <param name="part">Their part.</param>
    /// <param name="strokes">The strokes in order.</param>
    /// <param name="partners">For a stroke's first note the direction of the section that has the same line.</param>
    public static BowPlan Solve(Score score, Part part, IReadOnlyList<Stroke> strokes, IReadOnlyDictionary<string, BowDirection> partners)
    {
        var costs = new BowCosts(score, part, strokes, partners);
        var path = new LeastCostPath<BowDirection>(
            [.. strokes.Select(_ => Both)],
            (i, d) => costs.Own(i, d).Sum(c => c.Cost),
            (i, from, to) => costs.Join(i, from, to)?.Cost ?? 0
        );
        return new BowPlan(part.Id, Math.Round(path.Cost, 4), [.. strokes.Select((s, i) => Choice(costs, path, strokes, i))]);
    }

    /// <summary>A second bowing: the cheapest one in which a stroke goes the other way, and all others follow.</summary>
    /// <param name="score">The score.</param>
    /// <param name="part">The part.</param>
    /// <param name="plan">The first bowing.</param>
    /// <param name="isIn">True for the strokes that may be turned; the first of them that is not printed is.</param>
    public static BowPlan Second(Score score, Part part, BowPlan plan, Func<Stroke, bool> isIn)
    {
        var at = plan.Choices.ToList().FindIndex(c => isIn(c.Stroke) && c.Stroke.Printed is null);
        if (at < 0)
            return plan;
        var turned = 1 - plan.Choices[at].Direction;
        var strokes = plan.Choices.Select((c, i) => i == at ? c.Stroke with { Printed = turned } : c.Stroke).ToList();
        var second = Solve(score, part, strokes, new Dictionary<string, BowDirection>());
        return second with
        {
            Choices = [.. second.Choices.Select((c, i) => i == at ? c with { Stroke = plan.Choices[at].Stroke, Marked = true } : c)],
        };
    }

    private static BowChoice Choice(BowCosts costs, LeastCostPath<BowDirection> path, IReadOnlyList<Stroke> strokes, int i)
    {
        var (stroke, direction) = (strokes[i], path[i]);
        var join = i == 0 ? null : costs.Join(i, path[i - 1], direction);
        var kind = join?.Join ?? BowJoin.Turn;
        var isPlain =
            i > 0
            && (
                kind == BowJoin.Turn
                    ? !stroke.FollowsRest || direction == BowDirection.Down
                    : direction == BowDirection.Down && stroke.FollowsRest && stroke.First.Offset == Fraction.Zero
            );
        var other = path.Through[i][1 - path.Places[i]] - path.Cost;
        return new BowChoice(
            stroke,
            direction,
            kind,
            !isPlain && stroke.Printed is null,
            [.. costs.Own(i, direction).Concat(join is null ? [] : [join])],
            Math.Round(other, 3)
        )
        {
            Against = [.. costs.Own(i, 1 - direction)],
        };
    }

    // For each note the notes of the same line in earlier parts.
    private static ILookup<string, string> Partners(IReadOnlyList<SharedLine> lines) =>
        lines
            .Where(l => l.Relation != SharedLine.Return)
            .SelectMany(l =>
                Enumerable
                    .Range(1, Math.Max(0, l.Notes.Count - 1))
                    .SelectMany(k => Enumerable.Range(0, k).SelectMany(j => l.Notes[k].Select((n, i) => (n.Id, By: l.Notes[j][i].Id))))
            )
            .ToLookup(x => x.Id, x => x.By);
}
