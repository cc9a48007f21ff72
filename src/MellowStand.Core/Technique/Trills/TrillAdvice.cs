using MellowStand.Core.Notation;
using MellowStand.Core.Technique.Charts;

namespace MellowStand.Core.Technique.Trills;

/// <summary>How a trill is fingered.</summary>
/// <param name="Quality"><c>good</c>, <c>fair</c> or <c>poor</c>.</param>
/// <param name="How">What is held and what is trilled.</param>
public sealed record TrillAdvice(string Quality, string How)
{
    private static readonly Dictionary<string, string> Fingers = new()
    {
        ["LT"] = "left thumb",
        ["L1"] = "left first finger",
        ["L2"] = "left second finger",
        ["L3"] = "left ring finger",
        ["L4"] = "left little finger",
        ["LP"] = "left palm",
        ["RP"] = "right palm",
        ["RT"] = "right thumb",
        ["R1"] = "right first finger",
        ["R2"] = "right second finger",
        ["R3"] = "right ring finger",
        ["R4"] = "right little finger",
    };

    /// <summary>The best fingering of a trill on a chart.</summary>
    /// <remarks>A trill with a row of its own in the chart has that; else the two fingerings that differ least: one finger is good, two
    /// that move together fair, all else poor. A slide trills with the lips, on partials a whole step apart. Common practice, no published
    /// source.</remarks>
    public static TrillAdvice Of(FingeringChart chart, int lower, int upper)
    {
        if (chart.Trills.FirstOrDefault(t => t.Lower == lower && t.Upper == upper) is { } own)
            return new TrillAdvice(own.How.Contains("poor", StringComparison.Ordinal) ? "poor" : "good", own.How);
        if (chart.Kind == "neck")
            return OnString(chart, lower, upper);
        var pairs = chart.At(lower).SelectMany(a => chart.At(upper).Select(b => (From: a, To: b))).ToList();
        if (pairs.Count == 0)
            return new TrillAdvice("poor", "one of the two notes is not in the chart");
        if (chart.Kind == "slide")
            return OnSlide(pairs);
        var (from, _, moves) = pairs
            .Select(p => (p.From, p.To, Moves: FingerMoves.Between(chart, p.From, p.To)))
            .OrderBy(p => Weight(p.Moves))
            .First();
        if (moves.Count == 0)
            return new TrillAdvice("fair", $"lip trill on {Named(from, chart)}");
        var moving = moves.Lifts.Concat(moves.Presses).Concat(moves.Slides).Select(f => Fingers[f]).ToList();
        var quality = moves switch
        {
            { Slides.Count: > 0 } or { Crossings: > 0 } or { Count: > 2 } => "poor",
            { Count: 1 } => "good",
            _ => "fair",
        };
        return new TrillAdvice(
            quality,
            (quality == "poor" ? "poor: " : "") + $"from {Named(from, chart)} move {string.Join(" and ", moving)}"
        );
    }

    private static int Weight(FingerMoves moves) => moves.Count + (2 * moves.Crossings) + (3 * moves.Slides.Count);

    private static TrillAdvice OnSlide(List<(Fingering From, Fingering To)> pairs) =>
        pairs.FirstOrDefault(p => p.From.Code == p.To.Code) is { From: { } same }
            ? new TrillAdvice("fair", $"lip trill in position {same.Code}")
            : new TrillAdvice("poor", "poor: the slide cannot trill; play a slow shake or leave it out");

    private static TrillAdvice OnString(FingeringChart chart, int lower, int upper)
    {
        var pair = chart
            .At(lower)
            .SelectMany(a =>
                chart
                    .At(upper)
                    .Where(b => b.Keys[0] == a.Keys[0] && b.Code != a.Code && Place(a) == Place(b) && Finger(b) > Finger(a))
                    .Select(b => (From: a, To: b))
            )
            .OrderBy(p => p.From.Code.Length + p.To.Code.Length)
            .ThenBy(p => Finger(p.To))
            .FirstOrDefault();
        return pair.From is null
            ? new TrillAdvice("poor", "poor: no two fingers of one hand place reach both notes")
            : new TrillAdvice("good", $"{pair.From.Code} with {pair.To.Code}");
    }

    private static string Place(Fingering f) =>
        f.Code.Contains('@', StringComparison.Ordinal) ? f.Code[(f.Code.IndexOf('@', StringComparison.Ordinal) + 1)..] : "1";

    private static int Finger(Fingering f) => f.Code[1] is >= '0' and <= '9' ? f.Code[1] - '0' : 0;

    private static string Named(Fingering f, FingeringChart chart)
    {
        if (chart.Kind == "valves")
            return f.Code == "0" ? "open" : f.Code;
        return f.Code == "only" ? "the usual fingering" : $"\"{f.Code}\"";
    }
}

/// <summary>A printed trill with its fingering.</summary>
/// <param name="Note">The note.</param>
/// <param name="Upper">The upper note, written.</param>
/// <param name="Advice">How it is fingered.</param>
public sealed record TrillFingering(Note Note, Pitch Upper, TrillAdvice Advice);
