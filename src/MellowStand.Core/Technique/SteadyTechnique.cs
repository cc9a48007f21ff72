namespace MellowStand.Core.Technique;

/// <summary>A technique in which a note that returns within a figure keeps its fingering, unless changing it saves much.</summary>
/// <remarks>Common practice, no published source; the weight is ours.</remarks>
/// <param name="inner">The instrument's technique.</param>
/// <param name="codes">For a place the code that its figure has.</param>
internal sealed class SteadyTechnique(ITechnique inner, IReadOnlyDictionary<int, string> codes) : ITechnique
{
    private const double Changes = 0.8;

    /// <inheritdoc/>
    public bool TakesUnpitched => inner.TakesUnpitched;

    /// <summary>The best path of a passage in which figures are steady.</summary>
    /// <param name="technique">The instrument.</param>
    /// <param name="excerpt">The notes.</param>
    /// <param name="isFixed">The code that must be taken at a place of some ways, or null where the engine is free.</param>
    public static Solution Solve(ITechnique technique, Excerpt excerpt, Func<int, IReadOnlyList<Candidate>, string?> isFixed)
    {
        var free = Solver.Solve(technique, excerpt, isFixed);
        var codes = Codes(excerpt, free);
        return codes.Count == 0 ? free : Solver.Solve(new SteadyTechnique(technique, codes), excerpt, isFixed);
    }

    /// <inheritdoc/>
    public IReadOnlyList<Candidate> Ways(Excerpt excerpt, int place)
    {
        var ways = inner.Ways(excerpt, place);
        return codes.TryGetValue(place, out var code) && ways.Any(w => w.Code == code)
            ? [.. ways.Select(w => w.Code == code ? w : w with { Cost = w.Cost + Changes })]
            : ways;
    }

    /// <inheritdoc/>
    public double Change(Excerpt excerpt, int place, Candidate from, Candidate to) => inner.Change(excerpt, place, from, to);

    /// <inheritdoc/>
    public bool IsTold(Candidate? from, Candidate to) => inner.IsTold(from, to);

    /// <inheritdoc/>
    public Obstacle? Reason(Excerpt excerpt, int place, Candidate from, Candidate to) => inner.Reason(excerpt, place, from, to);

    // For each place of a figure that has more than one fingering now the one that serves all of it best.
    private static Dictionary<int, string> Codes(Excerpt excerpt, Solution free)
    {
        var choices = free.Choices.ToDictionary(c => c.Place);
        var codes = new Dictionary<int, string>();
        foreach (var figure in Figures.Of(excerpt))
        {
            var own = figure.Where(choices.ContainsKey).Select(p => choices[p]).ToList();
            var used = own.Select(c => c.Way.Code).Distinct().ToList();
            if (used.Count < 2 || own.Any(c => c.Way.IsOfTheMoment))
                continue;
            var best = used.MinBy(code => own.Sum(c => CostOf(c, code, free.Cost)))!;
            foreach (var choice in own)
                codes[choice.Place] = best;
        }

        return codes;
    }

    private static double CostOf(Choice choice, string code, double cost) =>
        choice.Way.Code == code ? cost : choice.Alternatives.FirstOrDefault(a => a.Code == code)?.Cost ?? cost + Changes;
}
