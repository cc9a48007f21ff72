using System.Collections.Concurrent;
using System.Runtime.CompilerServices;
using MellowStand.Core.Decisions;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;
using MellowStand.Core.Reading;

namespace MellowStand.Core.Unify;

/// <summary>What the difference rules share.</summary>
/// <param name="score">The score as printed.</param>
/// <param name="house">The school's answers.</param>
/// <param name="leaders">Leaders that the director has set: the parts of a line as <see cref="LineKey"/> to the part that leads it.</param>
/// <param name="instrument">The instrument of a part as corrected; null to recognise it here.</param>
public sealed class UnifyContext(
    Score score,
    House house,
    IReadOnlyDictionary<string, string>? leaders = null,
    Func<Part, Instrument?>? instrument = null
)
{
    private IReadOnlyList<KeyStretch>? _keys;
    private readonly Dictionary<string, bool> _struck = [];
    private readonly Dictionary<string, Sustain> _sustain = [];
    private readonly Dictionary<string, Family> _family = [];

    // What a part says by itself is kept as long as the part: a decision makes new parts of those that it touches only.
    private static readonly ConditionalWeakTable<Part, LevelLine> Levels = [];
    private static readonly ConditionalWeakTable<Part, ConcurrentDictionary<(string Voice, int Staff), SlurPlaces>> Slurs = [];
    private readonly Dictionary<(string Part, string Group), IReadOnlyList<PlacedWord>> _words = [];
    private readonly Dictionary<string, int> _order = score.Parts.Select((p, i) => (p.Id, i)).ToDictionary(x => x.Id, x => x.i);

    /// <summary>The score as printed.</summary>
    public Score Score => score;

    /// <summary>What sustains the tone of a part; breath for a part that is not recognised.</summary>
    public Sustain SustainOf(Part part) =>
        _sustain.TryGetValue(part.Id, out var sustain) ? sustain : _sustain[part.Id] = InstrumentOf(part)?.Sustain ?? Sustain.Breath;

    /// <summary>The instrument of a part, or null.</summary>
    public Instrument? InstrumentOf(Part part) => instrument is null ? Recognition.Of(part).Instrument : instrument(part);

    /// <summary>The family of a part's instrument.</summary>
    public Family FamilyOf(Part part) =>
        _family.TryGetValue(part.Id, out var family) ? family : _family[part.Id] = InstrumentOf(part)?.Family ?? Family.Unknown;

    /// <summary>The dynamics of a part.</summary>
    public LevelLine LevelsOf(Part part) => Levels.GetValue(part, p => new LevelLine(score, p));

    /// <summary>The words of a group that a part prints, in order.</summary>
    internal IReadOnlyList<PlacedWord> WordsOf(Part part, string group)
    {
        if (_words.TryGetValue((part.Id, group), out var known))
            return known;
        var placed = new List<PlacedWord>();
        foreach (var d in part.Directions.Where(d => d.Kind == DirectionKind.Words))
            if (PlayingWords.In(d.Text) is { } word && word.Group == group)
                placed.Add(new PlacedWord(d.Onset, d.Text, word.Sign, placed.Count > 0 ? placed[^1].Sign : PlayingWords.UsualOf(group)));
        return _words[(part.Id, group)] = placed;
    }

    /// <summary>The word of a group that is in force in a part, or null before the first.</summary>
    internal PlacedWord? WordAt(Part part, string group, Fraction onset)
    {
        var words = WordsOf(part, group);
        var next = words.PlaceFrom(w => w.Onset, onset);
        while (next < words.Count && words[next].Onset == onset)
            next++;
        return next == 0 ? null : words[next - 1];
    }

    /// <summary>True where a part's strings are plucked.</summary>
    internal bool IsPlucked(Part part, Fraction onset) =>
        SustainOf(part) == Sustain.Bow && WordAt(part, PlayingWords.Bow, onset)?.Sign == PlayingWords.Plucked;

    /// <summary>The keys that the score is in.</summary>
    internal IReadOnlyList<KeyStretch> Keys => _keys ??= KeyFinder.Stretches(score);

    /// <summary>True for an instrument that is struck: separation is not written for it.</summary>
    public bool IsStruck(Part part)
    {
        if (!_struck.TryGetValue(part.Id, out var struck))
            _struck[part.Id] = struck = InstrumentOf(part) is { Family: Family.Percussion };
        return struck;
    }

    /// <summary>The school's answers.</summary>
    public House House => house;

    /// <summary>The slurs of a voice, by the struck notes that they span.</summary>
    internal static SlurPlaces SlursOf(VoiceLine voice) =>
        Slurs.GetValue(voice.Part, _ => new()).GetOrAdd((voice.Voice, voice.Notes[0].Staff), _ => new SlurPlaces(voice));

    /// <summary>The part's name, or its id where none is printed.</summary>
    public string NameOf(string part) => score.FindPart(part) is { Name.Length: > 0 } p ? p.Name : part;

    /// <summary>The leader of a line: the one that was set, else the first of its parts in score order.</summary>
    public string LeaderOf(IReadOnlyCollection<Reading> readings) => SetLeaderOf(readings) ?? readings.MinBy(r => _order[r.Part])!.Part;

    /// <summary>The leader that the director has set for exactly these parts, or null.</summary>
    public string? SetLeaderOf(IEnumerable<Reading> readings) =>
        leaders is { Count: > 0 } && leaders.TryGetValue(LineKey(readings.Select(r => r.Part)), out var leader) ? leader : null;

    /// <summary>The parts of a line as one text, whatever their order.</summary>
    public static string LineKey(IEnumerable<string> parts) => string.Join(',', parts.Distinct().Order(StringComparer.Ordinal));

    /// <summary>Measure and beat in words, e.g. <c>17.3</c> or <c>17.2½</c>.</summary>
    public string Place(Note note)
    {
        var measure = score.Measures[note.MeasureIndex];
        return $"{measure.Label}.{Lengths.Mixed(measure.BeatsAt(note.Offset) + 1)}";
    }

    /// <summary>Makes an entry with an id of its own.</summary>
    internal Difference Difference(
        string name,
        string kind,
        SharedLine line,
        int from,
        int to,
        IReadOnlyList<Reading> readings,
        IReadOnlyDictionary<string, IReadOnlyList<MarkChange>> changes,
        Proposal proposal
    ) =>
        new(
            Unify.Difference.IdOf(name, readings),
            kind,
            line.Relation,
            line.Notes.Min(row => row[from].MeasureIndex),
            line.Notes.Max(row => row[to].MeasureIndex),
            readings,
            Writing(proposal, changes),
            changes
        );

    // Only the parts that something is written into.
    private static Proposal Writing(Proposal proposal, IReadOnlyDictionary<string, IReadOnlyList<MarkChange>> changes)
    {
        var written = changes.GetValueOrDefault(proposal.Mark) ?? [];
        return written.Count == 0 ? proposal : proposal with { Parts = [.. proposal.Parts.Where(p => written.Any(c => c.Part == p))] };
    }
}
