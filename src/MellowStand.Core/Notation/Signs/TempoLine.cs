namespace MellowStand.Core.Notation;

/// <summary>A tempo word or mark at its place, over all parts.</summary>
/// <param name="Measure">Its measure from 0.</param>
/// <param name="Onset">Quarters from the start of the score.</param>
/// <param name="Text">As printed.</param>
/// <param name="Kind">What it asks for.</param>
/// <param name="Metronome">The metronome mark, when it is one.</param>
public sealed record TempoSign(int Measure, Fraction Onset, string Text, TempoKind Kind, MetronomeMark? Metronome)
{
    /// <summary>For a metric change: the values on the left and right of the equal sign, in quarters.</summary>
    public MetricEquation? Equation { get; init; }
}

/// <summary>What a tempo sign asks for.</summary>
public enum TempoKind
{
    /// <summary>A tempo of its own: a metronome mark or a word such as Allegro.</summary>
    Fixed,

    /// <summary>Back to the tempo before.</summary>
    Return,

    /// <summary>Slower by degrees, or held back.</summary>
    Slowing,

    /// <summary>Faster by degrees, or at once.</summary>
    Quickening,
}

/// <summary>The tempo signs of a score in order, each once, whichever parts print it.</summary>
/// <remarks>Meanings and numbers of the words: <see cref="TempoWords"/>.</remarks>
public sealed class TempoLine
{
    /// <summary>Quarters per minute assumed where the score says nothing at all.</summary>
    public const double Default = 96;

    private readonly double[] _quarterBpm;

    /// <summary>Gathers the signs of all parts.</summary>
    public TempoLine(Score score)
    {
        Signs =
        [
            .. score
                .Parts.SelectMany(p => p.Directions)
                .Select(Read)
                .OfType<TempoSign>()
                .DistinctBy(s => (s.Onset, s.Kind, s.Text.ToUpperInvariant()))
                .OrderBy(s => s.Onset),
        ];
        _quarterBpm = InForce(score.Measures.Count);
    }

    /// <summary>The signs in order.</summary>
    public IReadOnlyList<TempoSign> Signs { get; }

    /// <summary>Quarters per minute in force at a measure; <see cref="Default"/> where nothing is printed.</summary>
    public double QuarterBpmAt(int measure) => measure >= 0 && measure < _quarterBpm.Length ? _quarterBpm[measure] : Default;

    /// <summary>True when another line says the same.</summary>
    public bool SaysTheSame(TempoLine other) => Signs.SequenceEqual(other.Signs);

    private double[] InForce(int measures)
    {
        var inForce = new double[measures];
        var (bpm, next) = (Default, 0);
        for (var m = 0; m < measures; m++)
        {
            for (; next < Signs.Count && Signs[next].Measure <= m; next++)
                bpm = After(Signs[next], bpm);
            inForce[m] = Math.Clamp(bpm, 20, 400);
        }

        return inForce;
    }

    /// <summary>Every change of the steady tempo: quarters from the start of the score, quarters per minute.</summary>
    public IReadOnlyList<(Fraction Onset, double QuarterBpm)> Changes()
    {
        var changes = new List<(Fraction, double)> { (Fraction.Zero, Default) };
        foreach (var sign in Signs)
            changes.Add((sign.Onset, After(sign, changes[^1].Item2)));
        return changes;
    }

    /// <summary>The metronome mark in force at a measure, or null when none is printed so far.</summary>
    public MetronomeMark? MarkAt(int measure) => Signs.LastOrDefault(s => s.Measure <= measure && s.Metronome is not null)?.Metronome;

    /// <summary>True when a tempo is printed at all, as a number, a word or a sounding tempo of the file.</summary>
    public bool IsPrinted => Signs.Any(s => s.Kind == TempoKind.Fixed);

    // An equation such as quarter = dotted quarter keeps the speed of the one value in the other.
    private static double After(TempoSign sign, double bpm) =>
        sign.Kind != TempoKind.Fixed
            ? bpm
            : sign.Metronome?.QuarterBpm
                ?? (sign.Equation is { } e ? bpm * (e.Right / e.Left).Value : TempoWords.TempoIn(sign.Text)?.Middle ?? bpm);

    private static TempoSign? Read(Direction d) =>
        d switch
        {
            { Kind: DirectionKind.Metronome, Metronome: not null } or { Kind: DirectionKind.Metronome, Equation: not null } =>
                new TempoSign(d.MeasureIndex, d.Onset, d.Text, TempoKind.Fixed, d.Metronome) { Equation = d.Equation },
            { Kind: DirectionKind.Words } when TempoWords.TempoIn(d.Text) is { } word => new TempoSign(
                d.MeasureIndex,
                d.Onset,
                d.Text,
                word.Kind!.Value,
                null
            ),
            _ => null,
        };
}
