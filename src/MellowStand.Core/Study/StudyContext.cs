using MellowStand.Core.HouseRules;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Study;

/// <summary>What a rule may look at besides its part.</summary>
public sealed class StudyContext
{
    private readonly Dictionary<string, LevelLine> _levels = [];
    private readonly Dictionary<string, Melody> _melodies = [];
    private readonly Dictionary<string, IReadOnlyList<string>> _sounds = [];
    private readonly Dictionary<string, IReadOnlyList<string>> _rhythms = [];
    private readonly Dictionary<string, IReadOnlyList<Rules.MeasureContent>> _content = [];
    private readonly Lazy<IReadOnlyList<KeyStretch>> _keys;
    private readonly Func<Part, Instrument?> _instrument;
    private readonly Func<Part, string?> _level;

    /// <summary>Prepares a score.</summary>
    /// <param name="score">The score with the decisions written in.</param>
    /// <param name="house">The school's answers.</param>
    /// <param name="instrument">The instrument of a part as recognised or corrected; null to recognise it here.</param>
    /// <param name="level">The level that all players of a part reach, or null where nobody is known; null for no players at all.</param>
    public StudyContext(Score score, House house, Func<Part, Instrument?>? instrument = null, Func<Part, string?>? level = null)
    {
        Score = score;
        House = house;
        _instrument = instrument ?? (p => Recognition.Of(p).Instrument);
        _level = level ?? (_ => null);
        Tempo = new TempoLine(score);
        _keys = new(() => KeyFinder.Stretches(score));
    }

    /// <summary>The whole score.</summary>
    public Score Score { get; }

    /// <summary>The school's answers.</summary>
    public House House { get; }

    /// <summary>Tempo words and metronome marks over all parts.</summary>
    public TempoLine Tempo { get; }

    /// <summary>The instrument of a part, or null.</summary>
    public Instrument? InstrumentOf(Part part) => _instrument(part);

    /// <summary>The level of range asked of a part: that of its players, else the house's.</summary>
    public (string Level, bool IsPlayers) LevelOf(Part part) => _level(part) is { } own ? (own, true) : (House["range-level"], false);

    /// <summary>The dynamics of a part.</summary>
    public LevelLine LevelsOf(Part part) =>
        _levels.TryGetValue(part.Id, out var line) ? line : _levels[part.Id] = new LevelLine(Score, part);

    /// <summary>The line of a part.</summary>
    public Melody MelodyOf(Part part) => _melodies.TryGetValue(part.Id, out var melody) ? melody : _melodies[part.Id] = new Melody(part);

    /// <summary>For each measure of a part what sounds in it, whatever the octave; equal texts are equal lines.</summary>
    public IReadOnlyList<string> SoundsOf(Part part) =>
        _sounds.TryGetValue(part.Id, out var sounds)
            ? sounds
            : _sounds[part.Id] = [
                .. part.Measures.Select(m =>
                    string.Join(' ', MelodyOf(part).ByMeasure[m.Index].Select(n => $"{n.Offset}:{n.SoundingDuration}:{n.TopSounding % 12}"))
                ),
            ];

    /// <summary>The measures of a part in forms that can be compared.</summary>
    internal IReadOnlyList<Rules.MeasureContent> ContentOf(Part part) =>
        _content.TryGetValue(part.Id, out var content)
            ? content
            : _content[part.Id] = [.. part.Measures.Select(m => new Rules.MeasureContent(m))];

    /// <summary>For each measure of a part when it strikes and how long it holds; empty where it strikes fewer than three times.</summary>
    public IReadOnlyList<string> RhythmsOf(Part part) =>
        _rhythms.TryGetValue(part.Id, out var rhythms)
            ? rhythms
            : _rhythms[part.Id] = [
                .. part
                    .Measures.Select(m => MelodyOf(part).ByMeasure[m.Index].ToList())
                    .Select(n => n.Count < 3 ? "" : string.Join(' ', n.Select(x => $"{x.Offset}:{x.SoundingDuration}"))),
            ];

    /// <summary>The sounding keys that the music is in, whatever is printed.</summary>
    public IReadOnlyList<KeyStretch> Keys => _keys.Value;

    /// <summary>Seconds from one moment to another at the steady tempo of the first one's measure.</summary>
    public double Seconds(int measure, Fraction quarters) => quarters.Value * 60 / Tempo.QuarterBpmAt(measure);

    /// <summary>Beats from the bar line (0 is the downbeat), in the beat unit of the meter; a pickup counts from where its measure would
    /// begin.</summary>
    public Fraction BeatsIn(Note note)
    {
        var frame = Score.Measures[note.MeasureIndex];
        var missing = frame.IsPickup ? frame.Meter.Length - frame.Length : Fraction.Zero;
        return (note.Offset + missing) / frame.Meter.BeatUnit;
    }

    /// <summary>True when a note begins on a beat of its meter.</summary>
    public bool IsOnBeat(Note note)
    {
        var frame = Score.Measures[note.MeasureIndex];
        var missing = frame.IsPickup ? frame.Meter.Length - frame.Length : Fraction.Zero;
        var at = note.Offset + missing;
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

    /// <summary>The printed label of a measure.</summary>
    public string Label(int measure) => Score.Measures[measure].Label;

    /// <summary>The beat of a moment in its measure, from 1, in the beat unit of the meter; e.g. <c>2</c> or <c>2½</c>.</summary>
    public string Beat(Note note) => Lengths.Mixed(BeatsIn(note) + 1);
}
