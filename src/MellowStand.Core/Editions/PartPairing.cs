using MellowStand.Core.Notation;

namespace MellowStand.Core.Editions;

/// <summary>Which part of the old edition is which of the new one: renamed, reordered, split, gone or new.</summary>
/// <remarks>A name that stands once in both editions decides; then an id with the same name over much the same music; then the music
/// alone; then name or id.
/// A part that is new and holds only music of an old part is a half of it. Our own method; the shares are ours.</remarks>
internal sealed class PartPairing
{
    private const double SameMusic = 0.6;
    private const double AkinMusic = 0.3;
    private const double AllOfIt = 0.95;
    private const int LeastNotes = 4;

    private readonly Dictionary<string, List<Part>> _counterparts = [];
    private readonly Dictionary<Part, Dictionary<(Fraction, Fraction, int?), int>> _content = new(ReferenceEqualityComparer.Instance);
    private readonly Dictionary<Part, Dictionary<string, int>> _neighbours = new(ReferenceEqualityComparer.Instance);
    private readonly List<Part> _free;

    public PartPairing(Score before, Score after)
    {
        _free = [.. after.Parts];
        var old = before.Parts.ToList();
        Func<Part, Part, double>[] likeness =
        [
            (a, b) => a.Name.Length > 0 && a.Name == b.Name && IsOnly(before, a) && IsOnly(after, b) ? 1 : 0,
            (a, b) => a.Id == b.Id && a.Name == b.Name && Shared(a, b) >= SameMusic ? 1 : 0,
            (a, b) => Shared(a, b) is >= SameMusic and var share ? share : 0,
            (a, b) => a.Name.Length > 0 && a.Name == b.Name ? 1 : 0,
            (a, b) => a.Id == b.Id && (Shared(a, b) >= AkinMusic || Content(a).Count == 0 || Content(b).Count == 0) ? 1 : 0,
        ];
        foreach (var like in likeness)
            Pair(old, like);
        foreach (var half in _free.ToList())
            TakeHalf(before, half);
    }

    /// <summary>The parts of the new edition that hold a part of the old one: one, two after a split, none when it is gone.</summary>
    public IReadOnlyList<Part> Of(string part) => _counterparts.TryGetValue(part, out var found) ? found : [];

    /// <summary>Parts of the new edition that are new.</summary>
    public IReadOnlyList<Part> New => _free;

    // The likest pair first, so that the order of the parts does not decide.
    private void Pair(List<Part> old, Func<Part, Part, double> like)
    {
        var pairs = old.SelectMany((a, i) => _free.Select((b, k) => (a, b, Share: like(a, b), Apart: Math.Abs(i - k))))
            .Where(p => p.Share > 0);
        foreach (var (a, b, _, _) in pairs.OrderByDescending(p => p.Share).ThenBy(p => p.Apart).ToList())
        {
            if (!old.Contains(a) || !_free.Remove(b))
                continue;
            old.Remove(a);
            _counterparts[a.Id] = [b];
        }
    }

    private void TakeHalf(Score before, Part half)
    {
        var notes = Content(half).Values.Sum();
        if (notes < LeastNotes)
            return;
        var whole = before
            .Parts.Where(p => Common(p, half) >= notes * AllOfIt && _counterparts.TryGetValue(p.Id, out var kept) && Loses(p, kept))
            .MaxBy(p => Common(p, half));
        if (whole is null)
            return;
        _counterparts[whole.Id].Add(half);
        _free.Remove(half);
    }

    private bool Loses(Part whole, List<Part> kept) => Common(whole, kept[0]) < Content(whole).Values.Sum();

    private static bool IsOnly(Score score, Part part) => score.Parts.Count(p => p.Name == part.Name) == 1;

    // Share of what follows what: neighbouring measures that stand in both, so that inserted measures cost little and chance likeness
    // counts little.
    private double Shared(Part a, Part b)
    {
        var (x, y) = (Neighbours(a), Neighbours(b));
        var most = Math.Max(x.Values.Sum(), y.Values.Sum());
        return most == 0 ? 0 : (double)x.Sum(n => Math.Min(n.Value, y.GetValueOrDefault(n.Key))) / most;
    }

    private Dictionary<string, int> Neighbours(Part part)
    {
        if (_neighbours.TryGetValue(part, out var known))
            return known;
        var measures = part
            .Measures.Select(m => string.Join(' ', m.Notes.Where(n => n.Sounds).Select(n => $"{n.Offset}:{n.Duration}:{n.TopSounding}")))
            .ToList();
        var pairs = measures.Count == 1 ? measures : [.. measures.Zip(measures.Skip(1), (m, n) => m + n == "" ? "" : $"{m}|{n}")];
        return _neighbours[part] = pairs.Where(p => p.Length > 0).GroupBy(p => p).ToDictionary(g => g.Key, g => g.Count());
    }

    private int Common(Part a, Part b)
    {
        var other = Content(b);
        return Content(a).Sum(n => Math.Min(n.Value, other.GetValueOrDefault(n.Key)));
    }

    // How often each note stands in a part, wherever: inserted measures do not move it.
    private Dictionary<(Fraction, Fraction, int?), int> Content(Part part) =>
        _content.TryGetValue(part, out var known)
            ? known
            : _content[part] = part
                .Notes.Where(n => n.Sounds)
                .SelectMany(n => n.Heads.Select(h => (n.Offset, n.Duration, h.Sounding)))
                .GroupBy(k => k)
                .ToDictionary(g => g.Key, g => g.Count());
}
