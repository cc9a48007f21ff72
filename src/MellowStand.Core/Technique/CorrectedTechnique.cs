namespace MellowStand.Core.Technique;

/// <summary>A technique whose ways stand as the school's teachers say.</summary>
public sealed class CorrectedTechnique(ITechnique inner, IReadOnlyList<ChartCorrection> corrections) : ITechnique
{
    private const double Preferred = 0.5;
    private const double Avoided = 1.5;

    private readonly ILookup<int, ChartCorrection> _byKey = corrections.ToLookup(c => c.Written);

    /// <summary>True when a slide is played.</summary>
    public bool IsSlide => inner is Slide.SlideTechnique;

    /// <inheritdoc/>
    public bool TakesUnpitched => inner.TakesUnpitched;

    /// <inheritdoc/>
    public bool KeepsFigures => inner.KeepsFigures;

    /// <inheritdoc/>
    public IReadOnlyList<Candidate> Ways(Excerpt excerpt, int place)
    {
        var ways = inner.Ways(excerpt, place);
        var own = _byKey[excerpt.Steps[place].Key].ToDictionary(c => c.Code, StringComparer.Ordinal);
        if (own.Count == 0)
            return ways;
        var kept = ways.Where(w => !own.TryGetValue(w.Code, out var c) || c.Standing != "never").ToList();
        if (kept.Count == 0)
            return ways;
        var preferred = own.Values.FirstOrDefault(c => c.Standing == "usual")?.Code;
        return [.. kept.Select(w => Stand(w, own.GetValueOrDefault(w.Code), preferred))];
    }

    /// <inheritdoc/>
    public double Change(Excerpt excerpt, int place, Candidate from, Candidate to) => inner.Change(excerpt, place, from, to);

    /// <inheritdoc/>
    public bool IsTold(Candidate? from, Candidate to) => inner.IsTold(from, to);

    /// <inheritdoc/>
    public Obstacle? Reason(Excerpt excerpt, int place, Candidate from, Candidate to) => inner.Reason(excerpt, place, from, to);

    private static Candidate Stand(Candidate way, ChartCorrection? own, string? preferred)
    {
        var remark = own is { Remark.Length: > 0 } ? own.Remark : way.Why;
        var usual = preferred is null ? way.IsUsual : way.Code == preferred;
        return own?.Standing switch
        {
            "usual" => way with { Cost = Math.Min(way.Cost, 0), Why = remark, IsUsual = true },
            "avoid" => way with { Cost = way.Cost + Avoided, Why = remark, IsUsual = false },
            _ => way with { Cost = way.Cost + (preferred is null ? 0 : Preferred), Why = remark, IsUsual = usual },
        };
    }
}
