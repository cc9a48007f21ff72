using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>For each onset, which voices belong together.</summary>
internal sealed class UnionByOnset
{
    private readonly Dictionary<Fraction, List<(int A, int B)>> _pairs = [];
    private readonly Dictionary<Fraction, Dictionary<int, List<int>>> _groups = [];
    private readonly Dictionary<int, Dictionary<Fraction, Note>> _notes = [];
    private readonly Dictionary<(int A, int B), HashSet<Fraction>> _byPair = [];

    /// <summary>For each pair of voices the onsets at which they are joined.</summary>
    public IEnumerable<KeyValuePair<(int A, int B), HashSet<Fraction>>> Pairs => _byPair;

    public void Join(Fraction onset, int a, int b)
    {
        if (!_pairs.TryGetValue(onset, out var list))
            _pairs[onset] = list = [];
        if (list.Contains((a, b)))
            return;
        list.Add((a, b));
        if (!_byPair.TryGetValue((a, b), out var onsets))
            _byPair[(a, b)] = onsets = [];
        onsets.Add(onset);
    }

    /// <summary>The voices together with one voice at an onset, in order; the voice alone when it has no partner.</summary>
    public List<int> GroupOf(Fraction onset, int voice)
    {
        if (!_groups.TryGetValue(onset, out var groups))
            _groups[onset] = groups = Build(onset);
        return groups.TryGetValue(voice, out var group) ? group : [voice];
    }

    public Note NoteAt(List<VoiceLine> voices, int voice, Fraction onset)
    {
        if (!_notes.TryGetValue(voice, out var index))
            _notes[voice] = index = voices[voice].Notes.ToDictionary(n => n.Onset);
        return index[onset];
    }

    private Dictionary<int, List<int>> Build(Fraction onset)
    {
        var groups = new Dictionary<int, List<int>>();
        foreach (var (a, b) in _pairs.GetValueOrDefault(onset) ?? [])
        {
            var left = groups.GetValueOrDefault(a) ?? [a];
            var right = groups.GetValueOrDefault(b) ?? [b];
            if (ReferenceEquals(left, right))
                continue;
            var joined = left.Union(right).Order().ToList();
            foreach (var voice in joined)
                groups[voice] = joined;
        }

        return groups;
    }
}
