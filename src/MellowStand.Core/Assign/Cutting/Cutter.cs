using MellowStand.Core.Notation;
using MellowStand.Core.Reading;
using MellowStand.Core.Study;
using MellowStand.Core.Study.Heat;
using MellowStand.Core.Unify;

namespace MellowStand.Core.Assign;

/// <summary>Cuts music into passages to be learnt: at phrases, letters and breaths, hard ones short, one for all who share the line, and
/// what returns only once.</summary>
/// <remarks>Common practice, no published source.</remarks>
public sealed class Cutter
{
    private readonly StudyContext _context;
    private readonly IReadOnlyList<SharedLine> _lines;
    private readonly CutRequest _request;
    private readonly List<Part> _parts;
    private readonly Dictionary<(string Part, int Measure), double> _heat;
    private readonly CutPlaces _places;
    private readonly Dictionary<string, CutReturns> _returns;

    private Cutter(StudyContext context, IReadOnlyList<HeatCell> heat, IReadOnlyList<SharedLine> lines, CutRequest request)
    {
        (_context, _lines, _request) = (context, lines, request);
        _parts = [.. context.Score.Parts.Where(p => request.Parts.Contains(p.Id))];
        _heat = heat.Where(c => request.Parts.Contains(c.Part)).ToDictionary(c => (c.Part, c.Measure), c => c.Heat);
        _places = new CutPlaces(context, _parts);
        _returns = _parts.ToDictionary(p => p.Id, p => CutReturns.Of(context, p));
    }

    /// <summary>The passages in the order of the measures; together they hold every measure in which the parts play.</summary>
    /// <param name="context">The prepared score.</param>
    /// <param name="heat">Heat of every part and measure.</param>
    /// <param name="lines">Lines that parts share.</param>
    /// <param name="request">What is to be cut.</param>
    public static IReadOnlyList<CutPassage> Cut(
        StudyContext context,
        IReadOnlyList<HeatCell> heat,
        IReadOnlyList<SharedLine> lines,
        CutRequest request
    ) => new Cutter(context, heat, lines, request).Cut();

    private List<CutPassage> Cut()
    {
        var ranges = CutRanges.Of(_request.Range, _request.Longest, m => _parts.Max(p => HeatOf(p, m)), _places.At);
        var groups = CutGroups.Joined(ranges.SelectMany(r => CutGroups.Of(_parts, r, _lines, _places.Plays)), _request.Longest, IsParted);
        var cut = groups.Select(WithPickup).OrderBy(g => g.Range.From).ThenBy(g => g.Range.To).ToList();
        return [.. cut.Select(g => Passage(g, cut))];
    }

    private CutGroup WithPickup(CutGroup group)
    {
        var (from, to) = group.Range;
        var begins =
            from > _request.Range.From && group.Range.Length < _request.Longest && group.Parts.Any(p => _places.HasPickup(p, from));
        return begins ? group with { Range = new MeasureRange(from - 1, to) } : group;
    }

    private CutPassage Passage(CutGroup group, List<CutGroup> all)
    {
        var lead = group.Parts[0];
        var measures = Enumerable.Range(group.Range.From, group.Range.Length).ToList();
        var fresh = measures.Where(m => !IsLearnt(lead, m)).ToList();
        var heat = Math.Round(measures.Average(m => group.Parts.Max(p => HeatOf(p, m))), 3);
        var time = LearningMinutes.Of(fresh.Sum(m => Notes(lead, m)), fresh.Sum(Seconds), heat, _request.Pace);
        return new CutPassage(
            [.. group.Parts.Select(p => p.Id)],
            group.Range,
            time.Minutes,
            heat,
            $"{Begins(group)}{Ends(group)} {Learnt(lead, measures, fresh)}{time.Why}.",
            Same(group, all)
        );
    }

    private bool IsParted(int measure) => _places.At(measure) is var place && (place.IsSection || place.Weight >= Joint.Parts);

    private double HeatOf(Part part, int measure) => _heat.GetValueOrDefault((part.Id, measure));

    // Learnt with its earlier place, as long as that is cut too.
    private bool IsLearnt(Part part, int measure) =>
        _returns[part.Id].IsSame(measure) && _returns[part.Id].Earlier(measure) is { } earlier && _request.Range.Holds(earlier);

    private static int Notes(Part part, int measure) =>
        part.Measures[measure].Notes.Count(n => n is { Sounds: true, IsCue: false, IsTieContinuation: false });

    private double Seconds(int measure) => _context.Seconds(measure, _context.Score.Measures[measure].Length);

    private string Begins(CutGroup group)
    {
        var (from, _) = group.Range;
        var pickup =
            from + 1 <= group.Range.To && group.Parts.Any(p => _places.HasPickup(p, from + 1)) && _places.At(from + 1).Words is not null;
        var at = pickup ? from + 1 : from;
        return _places.At(at).Words is { } words
            ? $"Begins in {_context.Label(at)} with {words}{(pickup ? " and its pickup" : "")}"
            : $"Begins in {_context.Label(from)}";
    }

    // A passage is learnt up to the next downbeat, never to the note before it.
    private string Ends(CutGroup group)
    {
        var next = group.Range.To + 1;
        var goesOn =
            next < _context.Score.Measures.Count
            && group.Parts.Any(p => p.Measures[next].Notes.Any(n => n.Sounds && n.Offset == Fraction.Zero));
        return goesOn ? $"; play on to the downbeat of {_context.Label(next)}." : ".";
    }

    private string Learnt(Part lead, List<int> measures, List<int> fresh)
    {
        var known = measures.Except(fresh).ToList();
        if (known.Count == 0)
            return "";
        var earlier = known.Select(m => _returns[lead.Id].Earlier(m)!.Value).Order().ToList();
        var from = _context.Measures(earlier[0], earlier[^1]);
        if (fresh.Count == 0)
            return $"The same as {from}: learnt there, only joined here; ";
        var back = string.Join(", ", known.ToRuns().Select(r => _context.Measures(r.From, r.To)));
        return $"{char.ToUpperInvariant(back[0])}{back[1..]} {(known.Count == 1 ? "is" : "are")} {from} again, learnt once; ";
    }

    private IReadOnlyList<MeasureRange> Same(CutGroup group, List<CutGroup> all)
    {
        var lead = group.Parts[0];
        return
        [
            .. all.Where(o => o != group && o.Range.From > group.Range.From && o.Parts.Contains(lead))
                .SelectMany(o => Enumerable.Range(o.Range.From, o.Range.Length))
                .Where(m => IsLearnt(lead, m) && group.Range.Holds(_returns[lead.Id].Earlier(m)!.Value) && !group.Range.Holds(m))
                .Distinct()
                .Order()
                .ToList()
                .ToRuns(),
        ];
    }
}
