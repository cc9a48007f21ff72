using MellowStand.Core.Notation;
using MellowStand.Core.Technique;

namespace MellowStand.Core.Layers;

/// <summary>What Technique says of each measure of each part that has a chart: solved once for a part, and again only when the part
/// changed.</summary>
internal sealed class HandCosts
{
    private readonly Dictionary<Part, double[]> _costs = [];
    private readonly Dictionary<string, double[]> _byId = [];
    private readonly TempoLine _tempo;

    private HandCosts(Score score, TempoLine tempo, Knowledge knowledge, HandCosts? before)
    {
        _tempo = tempo;
        var holds = before is not null && tempo.SaysTheSame(before._tempo);
        foreach (var part in score.Parts)
            _byId[part.Id] = _costs[part] =
                holds && before!._costs.TryGetValue(part, out var known) ? known : Solve(score, part, tempo, knowledge);
    }

    /// <summary>Cost of a measure of a part; 0 where there is no chart.</summary>
    public double Of(string part, int measure) => _byId[part][measure];

    /// <summary>Solves the hands of all parts; those of parts that are the same objects are taken over.</summary>
    public static HandCosts Of(Score score, TempoLine tempo, Knowledge knowledge, HandCosts? before) =>
        new(score, tempo, knowledge, before);

    private static double[] Solve(Score score, Part part, TempoLine tempo, Knowledge knowledge)
    {
        var costs = new double[score.Measures.Count];
        var last = score.Measures.Count - 1;
        var instrument = knowledge.InstrumentOf(part.Id);
        var plan = TechniqueDesk.Solve(score, part, 0, last, knowledge.House, instrument, tempo.QuarterBpmAt, knowledge.HandsOf(part.Id));
        for (var i = 0; i < plan?.Solution.Choices.Count; i++)
            costs[plan.Excerpt.Steps[plan.Solution.Choices[i].Place].Note.MeasureIndex] += plan.Solution.StepCosts[i];
        return costs;
    }
}
