using MellowStand.Core.HouseRules;
using MellowStand.Core.Notation;
using MellowStand.Core.Tempo;

namespace MellowStand.Core.Performance;

/// <summary>What to play and how.</summary>
/// <param name="Parts">Ids of the parts that sound.</param>
/// <param name="From">First measure from 0.</param>
/// <param name="To">Last measure from 0.</param>
/// <param name="Tempo">The tempo in force at the start of the range; later printed changes keep their ratio to it.</param>
public sealed record PerformanceRequest(IReadOnlyList<string> Parts, int From, int To, TempoMark Tempo)
{
    /// <summary>Whether repeats are taken.</summary>
    public Repeats Repeats { get; init; }

    /// <summary>How it is clicked.</summary>
    public ClickPlan Click { get; init; } = ClickPlan.Plain;

    /// <summary>False for music from its first measure on, with nothing counted off.</summary>
    public bool CountsOff { get; init; } = true;
}

/// <summary>A note as it sounds.</summary>
/// <param name="Id">Address of the note; the strokes of an ornament share it.</param>
/// <param name="Part">Its part.</param>
/// <param name="From">Quarters from the start of the first measure of the range.</param>
/// <param name="To">Quarters from the start of the first measure of the range.</param>
/// <param name="Seconds">Seconds from the first click of the count-off.</param>
/// <param name="Length">Seconds that it sounds.</param>
/// <param name="Midi">Sounding MIDI key number; of General MIDI's drums for a sound without pitch.</param>
/// <param name="Velocity">MIDI velocity, 1 to 127.</param>
public sealed record PerformedNote(
    string Id,
    string Part,
    Fraction From,
    Fraction To,
    double Seconds,
    double Length,
    int Midi,
    int Velocity
);

/// <summary>A passage as exact sound in time.</summary>
/// <param name="Measures">The measures as they are played.</param>
/// <param name="Pace">Where each moment falls in seconds.</param>
/// <param name="CountOff">Quarters counted off.</param>
/// <param name="Clicks">All clicks in order.</param>
/// <param name="Notes">All notes by time.</param>
public sealed record PerformedRange(
    IReadOnlyList<PlayedMeasure> Measures,
    Pace Pace,
    Fraction CountOff,
    IReadOnlyList<PerformedClick> Clicks,
    IReadOnlyList<PerformedNote> Notes
)
{
    /// <summary>Seconds at which the first measure of the range begins.</summary>
    public double StartsAt => Pace.SecondsAt(Fraction.Zero);

    /// <summary>Seconds of the whole, count-off included.</summary>
    public double Seconds => Pace.SecondsAt(PlayedRange.Length(Measures));
}

/// <summary>Turns an address at a tempo into exact sound in time. Playing in the page, MIDI and practice variants read this and nothing
/// else.</summary>
/// <param name="score">The score with the decisions written in.</param>
/// <param name="tempo">Its tempi.</param>
/// <param name="house">The school's answers.</param>
/// <param name="levels">The dynamics of a part.</param>
public sealed class Performer(Score score, TempoLine tempo, House house, Func<Part, LevelLine> levels)
{
    /// <summary>Performs a range.</summary>
    public PerformedRange Perform(PerformanceRequest request)
    {
        var measures = PlayedRange.Of(score, request.From, request.To, request.Repeats);
        var holds = Holds.Of(score, house);
        var unit = request.Tempo.Unit.Quarters;
        var countOff =
            request.CountsOff && measures.Count > 0
                ? CountOffPlan.Of(score, measures[0].Measure, unit, request.Tempo.QuarterBpm, request.Click.Subdivision)
                : new CountOffPlan(Fraction.Zero, []);
        var pace = new Pace(measures, TempoShape.Of(score, tempo), holds, request.Tempo.QuarterBpm, countOff.Length);
        var clicks = new ClickTrack(score, pace, request.Click, unit, holds).Of(countOff, measures);
        var notes = score
            .Parts.Where(p => request.Parts.Contains(p.Id))
            .SelectMany(p => new PartPlayer(score, p, house, pace, new Loudness(levels(p))).Play(measures))
            .Select(s => Timed(pace, s))
            .OrderBy(n => n.Seconds);
        return new PerformedRange(measures, pace, countOff.Length, clicks, [.. notes]);
    }

    // With nothing counted off there is no time before the beat: what would lie there begins with the music.
    private static PerformedNote Timed(Pace pace, PartStroke stroke)
    {
        var first = pace.Steps[0].At;
        var from = Fraction.Max(first, stroke.From);
        var to = Fraction.Max(from, stroke.To);
        var seconds = pace.SecondsAt(from);
        return new PerformedNote(stroke.Id, stroke.Part, from, to, seconds, pace.SecondsAt(to) - seconds, stroke.Midi, stroke.Velocity);
    }
}
