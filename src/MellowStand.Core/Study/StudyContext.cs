using System.Collections.Concurrent;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;
using MellowStand.Core.Reading;

namespace MellowStand.Core.Study;

/// <summary>What a rule may look at besides its part.</summary>
public sealed class StudyContext
{
    private readonly ConcurrentDictionary<Part, PartFacts> _facts = new();
    private readonly ConcurrentDictionary<Part, Instrument?> _instruments = new();
    private readonly ConcurrentDictionary<Part, Joints> _joints = new();
    private readonly Lazy<IReadOnlyList<KeyStretch>> _keys;
    private readonly Lazy<int[]> _sounding;
    private readonly Lazy<bool> _isDance;
    private readonly Lazy<List<(int Measure, Fraction Onset)>> _fermatas;
    private readonly Lazy<ILookup<(int Measure, string Sounds), Part>> _alike;
    private readonly Func<Part, Instrument?> _instrument;
    private readonly Func<Part, string?> _level;
    private readonly Func<Part, int> _players;
    private readonly Func<Part, Note, Pitch, string?> _trillFingers;

    /// <summary>Prepares a score.</summary>
    /// <param name="score">The score with the decisions written in.</param>
    /// <param name="house">The school's answers.</param>
    /// <param name="instrument">The instrument of a part as recognised or corrected; null to recognise it here.</param>
    /// <param name="level">The level that all players of a part reach, or null where nobody is known; null for no players at all.</param>
    /// <param name="players">How many play a part; 0 where nobody is known.</param>
    /// <param name="trillFingers">A sentence on the fingers of a trill with an upper note, or null where there is no chart.</param>
    /// <param name="before">The same piece before a decision: what is known of parts that did not change is taken over.</param>
    public StudyContext(
        Score score,
        House house,
        Func<Part, Instrument?>? instrument = null,
        Func<Part, string?>? level = null,
        StudyContext? before = null,
        Func<Part, int>? players = null,
        Func<Part, Note, Pitch, string?>? trillFingers = null
    )
    {
        Score = score;
        House = house;
        _instrument = instrument ?? (p => Recognition.Of(p).Instrument);
        _level = level ?? (_ => null);
        _players = players ?? (_ => 0);
        _trillFingers = trillFingers ?? ((_, _, _) => null);
        Tempo = new TempoLine(score);
        foreach (var part in score.Parts)
            if (before is not null && before._facts.TryGetValue(part, out var known))
                _facts[part] = known;
        if (before is not null && ReferenceEquals(before.Score.Measures, score.Measures) && before.Tempo.SaysTheSame(Tempo))
            foreach (var part in score.Parts)
                if (before._joints.TryGetValue(part, out var known))
                    _joints[part] = known;
        _keys = new(() => KeyFinder.Stretches(score));
        _sounding = new(() => SoundingParts(score));
        _fermatas = new(() => Fermatas(score));
        _isDance = new(() =>
            score
                .Parts.SelectMany(p => p.Directions)
                .Where(d => d.Kind == DirectionKind.Words)
                .Select(d => d.Text)
                .Distinct()
                .Any(t => TempoWords.In(t).Any(w => w.IsDance))
        );
        _alike = new(() =>
            score
                .Parts.SelectMany(p => SoundsOf(p).Select((sounds, i) => (Key: (i, sounds), Part: p)).Where(x => x.Key.sounds.Length > 0))
                .ToLookup(x => x.Key, x => x.Part)
        );
    }

    /// <summary>The whole score.</summary>
    public Score Score { get; }

    /// <summary>The school's answers.</summary>
    public House House { get; }

    /// <summary>Tempo words and metronome marks over all parts.</summary>
    public TempoLine Tempo { get; }

    /// <summary>The instrument of a part, or null.</summary>
    public Instrument? InstrumentOf(Part part) => _instruments.GetOrAdd(part, _instrument);

    /// <summary>The family of a part's instrument.</summary>
    public Family FamilyOf(Part part) => InstrumentOf(part)?.Family ?? Family.Unknown;

    /// <summary>The level of range asked of a part: that of its players, else the house's.</summary>
    public (string Level, bool IsPlayers) LevelOf(Part part) => _level(part) is { } own ? (own, true) : (House["range-level"], false);

    /// <summary>How many play a part; 0 where nobody is known.</summary>
    public int PlayersOf(Part part) => _players(part);

    /// <summary>A sentence on how a trill is fingered, or null where the instrument has no chart.</summary>
    /// <param name="part">The part.</param>
    /// <param name="note">The trilled note.</param>
    /// <param name="upper">Its upper note, written.</param>
    public string? TrillFingers(Part part, Note note, Pitch upper) => _trillFingers(part, note, upper);

    /// <summary>The dynamics of a part.</summary>
    public LevelLine LevelsOf(Part part) => FactsOf(part).Levels;

    /// <summary>The line of a part.</summary>
    public Melody MelodyOf(Part part) => FactsOf(part).Melody;

    /// <summary>Where the music of a part is parted and where it holds together.</summary>
    public Joints JointsOf(Part part) => _joints.TryGetValue(part, out var known) ? known : _joints.GetOrAdd(part, p => Joints.Of(this, p));

    /// <summary>For each measure of a part what sounds in it, whatever the octave; equal texts are equal lines.</summary>
    public IReadOnlyList<string> SoundsOf(Part part) => FactsOf(part).Sounds;

    /// <summary>The parts in which the same sounds in a measure as in a part, itself among them; none where nothing sounds.</summary>
    public IEnumerable<Part> PartsSoundingAs(Part part, int measure) => _alike.Value[(measure, SoundsOf(part)[measure])];

    /// <summary>For each measure of a part when it strikes and how long it holds; empty where it strikes fewer than three times.</summary>
    public IReadOnlyList<string> RhythmsOf(Part part) => FactsOf(part).Rhythms;

    /// <summary>True where a dance or march is named: there pairs of notes are lifted.</summary>
    public bool IsDance => _isDance.Value;

    /// <summary>How many parts strike a note in a measure.</summary>
    public int SoundingIn(int measure) => _sounding.Value[measure];

    /// <summary>The measures of a part in forms that can be compared.</summary>
    internal IReadOnlyList<Rules.MeasureContent> ContentOf(Part part) => FactsOf(part).Content;

    /// <summary>All that is known of a part.</summary>
    internal PartFacts FactsOf(Part part) =>
        _facts.TryGetValue(part, out var facts) ? facts : _facts.GetOrAdd(part, p => new PartFacts(Score, p));

    /// <summary>The sounding keys that the music is in, whatever is printed.</summary>
    public IReadOnlyList<KeyStretch> Keys => _keys.Value;

    /// <summary>Seconds from one moment to another at the steady tempo of the first one's measure.</summary>
    public double Seconds(int measure, Fraction quarters) => quarters.Value * 60 / Tempo.QuarterBpmAt(measure);

    /// <summary>Beats from the bar line (0 is the downbeat), in the beat unit of the meter.</summary>
    public Fraction BeatsIn(Note note) => Score.Measures[note.MeasureIndex].BeatsAt(note.Offset);

    /// <summary>True where some part has a fermata, over a note, a rest or a bar line, before a moment.</summary>
    /// <param name="from">First measure from 0.</param>
    /// <param name="to">Last measure from 0.</param>
    /// <param name="before">Quarters from the start of the score; what stands there is not counted.</param>
    public bool FermataIn(int from, int to, Fraction before) =>
        _fermatas.Value.Any(f => f.Measure >= from && f.Measure <= to && f.Onset < before);

    /// <summary>What to add to a finding that turns notes into seconds where no tempo is printed or given; empty where one is.</summary>
    /// <param name="measure">The measure from 0.</param>
    public string IfTempo(int measure) =>
        Tempo.IsKnownAt(measure)
            ? ""
            : $" All this at {ToldUnit.At(this, measure).Words(Tempo.QuarterBpmAt(measure))}, if that is the tempo: none is printed.";

    /// <summary>A severity, or only a note where it rests on a tempo that nobody printed.</summary>
    /// <param name="measure">The measure from 0.</param>
    /// <param name="severity">What it is at a known tempo.</param>
    public Severity AtTempo(int measure, Severity severity) => Tempo.IsKnownAt(measure) ? severity : Severity.Note;

    /// <summary>True when a note begins on a beat of its meter.</summary>
    public bool IsOnBeat(Note note)
    {
        var frame = Score.Measures[note.MeasureIndex];
        var at = frame.InFullMeasure(note.Offset);
        var beat = Fraction.Zero;
        foreach (var length in frame.Meter.Beats)
        {
            if (beat == at)
                return true;
            beat += length;
        }

        return beat == at;
    }

    /// <summary>Measures in words: <c>measure 5</c>, <c>measures 5–8</c>.</summary>
    public string Measures(int from, int to) => from == to ? $"measure {Label(from)}" : $"measures {Label(from)}–{Label(to)}";

    /// <summary>The name of a part, or its id where none is printed.</summary>
    public string NameOf(string part) => Score.FindPart(part) is { Name.Length: > 0 } p ? p.Name : part;

    /// <summary>The printed label of a measure.</summary>
    public string Label(int measure) => Score.Measures[measure].Label;

    /// <summary>The beat of a moment in its measure, from 1, in the beat unit of the meter; e.g. <c>2</c> or <c>2½</c>.</summary>
    public string Beat(Note note) => Lengths.Beat(BeatsIn(note) + 1);

    private static List<(int Measure, Fraction Onset)> Fermatas(Score score) =>
        [
            .. score
                .Parts.SelectMany(p =>
                    p.Notes.Where(n => n.Has("fermata"))
                        .Select(n => (n.MeasureIndex, n.Onset))
                        .Concat(
                            p.Directions.Where(d => d.Kind == DirectionKind.BarlineFermata)
                                .Select(d => (d.MeasureIndex, score.Measures[d.MeasureIndex].Start))
                        )
                )
                .Distinct(),
        ];

    private static int[] SoundingParts(Score score)
    {
        var count = new int[score.Measures.Count];
        foreach (
            var measure in score
                .Parts.SelectMany(p => p.Measures)
                .Where(m => m.Notes.Any(n => n.Sounds && n is { IsGrace: false, IsCue: false, IsTieContinuation: false }))
        )
            count[measure.Index]++;
        return count;
    }
}
