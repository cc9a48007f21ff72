using MellowStand.Core.Notation;
using MellowStand.Core.Study;
using MellowStand.Core.Technique;

namespace MellowStand.Core.Layers;

/// <summary>What Technique says of each measure of each part that has a chart: solved once for a part, and again only when the part
/// changed.</summary>
internal sealed class HandCosts
{
    private readonly Dictionary<Part, PartHands> _hands = [];
    private readonly Dictionary<string, PartHands> _byId = [];
    private readonly TempoLine _tempo;

    private HandCosts(Score score, TempoLine tempo, Knowledge knowledge, HandCosts? before)
    {
        _tempo = tempo;
        var holds = before is not null && tempo.SaysTheSame(before._tempo);
        foreach (var part in score.Parts)
            _byId[part.Id] = _hands[part] =
                holds && before!._hands.TryGetValue(part, out var known) ? known : Solve(score, part, tempo, knowledge);
    }

    /// <summary>What a teacher would write in, at most one finding a part.</summary>
    public IEnumerable<Finding> Findings => _hands.Values.Select(h => h.Finding).OfType<Finding>();

    /// <summary>Cost of a measure of a part; 0 where there is no chart.</summary>
    public double Of(string part, int measure) => _byId[part].Costs[measure];

    /// <summary>Solves the hands of all parts; those of parts that are the same objects are taken over.</summary>
    public static HandCosts Of(Score score, TempoLine tempo, Knowledge knowledge, HandCosts? before) =>
        new(score, tempo, knowledge, before);

    private static PartHands Solve(Score score, Part part, TempoLine tempo, Knowledge knowledge)
    {
        var costs = new double[score.Measures.Count];
        var last = score.Measures.Count - 1;
        var instrument = knowledge.InstrumentOf(part.Id);
        var plan = TechniqueDesk.Solve(score, part, 0, last, knowledge.House, instrument, tempo.QuarterBpmAt, knowledge.HandsOf(part.Id));
        if (plan is null)
            return new PartHands(costs, null);
        for (var i = 0; i < plan.Solution.Choices.Count; i++)
            costs[plan.Excerpt.Steps[plan.Solution.Choices[i].Place].Note.MeasureIndex] += plan.Solution.StepCosts[i];
        return new PartHands(costs, HandFinding.Of(score, plan, instrument!));
    }

    private sealed record PartHands(double[] Costs, Finding? Finding);
}
