using MellowStand.Core.HouseRules;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Study;

/// <summary>What a rule may look at besides its part.</summary>
public sealed class StudyContext
{
    private readonly Dictionary<string, LevelLine> _levels = [];
    private readonly Func<Part, Instrument?> _instrument;

    /// <summary>Prepares a score.</summary>
    /// <param name="score">The score with the decisions written in.</param>
    /// <param name="house">The school's answers.</param>
    /// <param name="instrument">The instrument of a part as recognised or corrected; null to recognise it here.</param>
    public StudyContext(Score score, House house, Func<Part, Instrument?>? instrument = null)
    {
        Score = score;
        House = house;
        _instrument = instrument ?? (p => Recognition.Of(p).Instrument);
        Tempo = new TempoLine(score);
    }

    /// <summary>The whole score.</summary>
    public Score Score { get; }

    /// <summary>The school's answers.</summary>
    public House House { get; }

    /// <summary>Tempo words and metronome marks over all parts.</summary>
    public TempoLine Tempo { get; }

    /// <summary>The instrument of a part, or null.</summary>
    public Instrument? InstrumentOf(Part part) => _instrument(part);

    /// <summary>The dynamics of a part.</summary>
    public LevelLine LevelsOf(Part part) => _levels.TryGetValue(part.Id, out var line) ? line : _levels[part.Id] = new LevelLine(Score, part);

    /// <summary>The printed label of a measure.</summary>
    public string Label(int measure) => Score.Measures[measure].Label;

    /// <summary>The beat of a moment in its measure, from 1, in the beat unit of the meter; e.g. <c>2</c> or <c>2½</c>.</summary>
    public string Beat(Note note)
    {
        var meter = Score.Measures[note.MeasureIndex].Meter;
        var missing = Score.Measures[note.MeasureIndex] is { IsPickup: true } m ? meter.Length - m.Length : Fraction.Zero;
        var beats = (note.Offset + missing) / meter.BeatUnit;
        var whole = beats.Numerator / beats.Denominator;
        var rest = beats - new Fraction(whole);
        var sign = rest == Fraction.Zero ? "" : rest.ToString() switch { "1/2" => "½", "1/4" => "¼", "3/4" => "¾", "1/3" => "⅓", "2/3" => "⅔", var t => " " + t };
        return (whole + 1).ToString(System.Globalization.CultureInfo.InvariantCulture) + sign;
    }
}
