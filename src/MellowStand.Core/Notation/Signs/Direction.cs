namespace MellowStand.Core.Notation;

/// <summary>What stands above or below the staff at a moment.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Text">Level, words, label, or the like.</param>
/// <param name="PartId">The part it is printed in.</param>
/// <param name="MeasureIndex">Place of its measure from 0.</param>
/// <param name="Offset">Quarters from the start of its measure.</param>
/// <param name="Staff">The staff of the part, from 1.</param>
public sealed record Direction(DirectionKind Kind, string Text, string PartId, int MeasureIndex, Fraction Offset, int Staff)
{
    /// <summary>Quarters from the start of the printed score.</summary>
    public Fraction Onset { get; internal set; }

    /// <summary>For a metronome mark: the beat unit in quarters and the beats per minute, when printed as such.</summary>
    public MetronomeMark? Metronome { get; init; }

    /// <summary>For a metric change such as quarter = dotted quarter: both values, when printed as such.</summary>
    public MetricEquation? Equation { get; init; }
}

/// <summary>A metric change: the value on the left before the change lasts as long as the value on the right after it.</summary>
/// <param name="Left">In quarters.</param>
/// <param name="Right">In quarters.</param>
public sealed record MetricEquation(Fraction Left, Fraction Right);

/// <summary>Kinds of direction that the stations read.</summary>
public enum DirectionKind
{
    /// <summary>A dynamic level or accent sign.</summary>
    Dynamic,

    /// <summary>Words: tempo, character, technique.</summary>
    Words,

    /// <summary>A rehearsal mark.</summary>
    Rehearsal,

    /// <summary>A metronome mark.</summary>
    Metronome,

    /// <summary>A segno, coda sign or the like.</summary>
    Sign,

    /// <summary>A tempo that the file gives for playing and does not print.</summary>
    SoundingTempo,

    /// <summary>A fermata over a bar line.</summary>
    BarlineFermata,
}

/// <summary>A printed metronome mark.</summary>
/// <param name="Unit">The beat unit in quarters (3/2 for a dotted quarter).</param>
/// <param name="Bpm">Beats per minute; the lower bound of a range.</param>
/// <param name="UpperBpm">The upper bound of a range, or null.</param>
public sealed record MetronomeMark(Fraction Unit, double Bpm, double? UpperBpm = null)
{
    /// <summary>Quarters per minute.</summary>
    public double QuarterBpm => Bpm * Unit.Value;
}

/// <summary>A slur between two notes of a part.</summary>
/// <param name="From">The note it starts on.</param>
/// <param name="To">The note it ends on.</param>
public sealed record Slur(Note From, Note To)
{
    /// <summary>True where another slur of its voice stands inside it, over fewer notes; a slur from a grace is none.</summary>
    /// <param name="inner">The other slur.</param>
    public bool Holds(Slur inner) =>
        From.Voice == inner.From.Voice
        && From.Onset <= inner.From.Onset
        && inner.To.Onset <= To.Onset
        && !inner.From.IsGrace
        && (From.Onset, To.Onset) != (inner.From.Onset, inner.To.Onset);
}

/// <summary>A printed crescendo or diminuendo, as a hairpin or as words.</summary>
/// <param name="Grows">True for a crescendo.</param>
/// <param name="FromMeasure">Place of the first measure from 0.</param>
/// <param name="From">Quarters from the start of the score.</param>
/// <param name="ToMeasure">Place of the last measure from 0.</param>
/// <param name="To">Quarters from the start of the score.</param>
/// <param name="Staff">The staff of the part, from 1.</param>
public sealed record Hairpin(bool Grows, int FromMeasure, Fraction From, int ToMeasure, Fraction To, int Staff);
