namespace MellowStand.Server.Endpoints;

/// <summary>How a passage is clicked.</summary>
/// <param name="Subdivision">Clicks a beat, 1 to 4; 1 when left out.</param>
/// <param name="Game"><c>none</c>, <c>silent-measures</c>, <c>off-beat</c>, <c>every-nth</c> or <c>fade-out</c>.</param>
/// <param name="On">Measures with the click, every so many measures, or measures until nothing is left.</param>
/// <param name="Off">Measures without, for silent measures.</param>
public sealed record ClickPlanView(int? Subdivision = null, string? Game = null, int? On = null, int? Off = null);

/// <summary>A passage to perform.</summary>
/// <param name="Parts">Ids of the parts that sound; all when left out, none when empty.</param>
/// <param name="From">Label of the first measure; the first of the piece when left out.</param>
/// <param name="To">Label of the last measure; the last of the piece when left out.</param>
/// <param name="Unit">Beat unit; the beat of the first measure when left out.</param>
/// <param name="Bpm">The tempo in force at the start of the range; the printed one when left out.</param>
/// <param name="Repeats"><c>once</c>, the default, or <c>played</c>.</param>
/// <param name="Click">How it is clicked; every beat when left out.</param>
/// <param name="CountOff">False for nothing counted off.</param>
public sealed record PerformanceRequestView(
    IReadOnlyList<string>? Parts,
    string? From,
    string? To,
    string? Unit,
    double? Bpm,
    string? Repeats,
    ClickPlanView? Click = null,
    bool CountOff = true
);

/// <summary>One click.</summary>
/// <param name="Seconds">Seconds from the first click of the count-off.</param>
/// <param name="Accent">True on a downbeat, or on the first of a group in an uneven meter.</param>
/// <param name="Measure">Label of its measure, or null in the count-off.</param>
/// <param name="CountOff">True before the music.</param>
/// <param name="MeasureIndex">Place of its measure from 0, or null in the count-off.</param>
/// <param name="Beat">Its number in the measure, from 1.</param>
/// <param name="Rank"><c>accent</c>, <c>beat</c> or <c>subdivision</c>.</param>
/// <param name="Level">How loud, 0 (kept silent by a game) to 1.</param>
public sealed record PerformedClickView(
    double Seconds,
    bool Accent,
    string? Measure,
    bool CountOff,
    int? MeasureIndex,
    int Beat,
    string Rank,
    double Level
);

/// <summary>One note as it sounds.</summary>
/// <param name="Id">Address of the note; the strokes of an ornament share it.</param>
/// <param name="Part">Id of its part.</param>
/// <param name="Seconds">Seconds from the first click of the count-off.</param>
/// <param name="Length">Seconds that it sounds.</param>
/// <param name="Midi">Sounding MIDI key number; of General MIDI's drums for a sound without pitch.</param>
/// <param name="Velocity">MIDI velocity, 1 to 127.</param>
public sealed record PerformedNoteView(string Id, string Part, double Seconds, double Length, int Midi, int Velocity);

/// <summary>A tempo from a moment on.</summary>
public sealed record TempoStepView(double Seconds, double QuarterBpm);

/// <summary>A part that sounds.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Timbre"><c>flute</c>, <c>reed</c>, <c>double-reed</c>, <c>brass</c>, <c>strings</c>, <c>mallet</c>, <c>drum</c>,
/// <c>keyboard</c> or <c>voice</c>.</param>
public sealed record SoundingPartView(string Id, string Timbre);

/// <summary>A passage as exact sound in time.</summary>
/// <param name="Seconds">Seconds of the whole, count-off included.</param>
/// <param name="StartsAt">Seconds at which the first measure of the range begins.</param>
/// <param name="Clicks">All clicks in order.</param>
/// <param name="Notes">All notes by time.</param>
/// <param name="Tempos">The tempi in order; a curve is told in steps.</param>
/// <param name="Parts">The parts that sound.</param>
public sealed record PerformanceView(
    double Seconds,
    double StartsAt,
    IReadOnlyList<PerformedClickView> Clicks,
    IReadOnlyList<PerformedNoteView> Notes,
    IReadOnlyList<TempoStepView> Tempos,
    IReadOnlyList<SoundingPartView> Parts
);
