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

    /// <summary>Faster by degrees.</summary>
    Quickening,

    /// <summary>A new tempo beside the one before, slower or quicker at once, with no number: meno mosso, più lento.</summary>
    Changed,
}

/// <summary>The tempo signs of a score in order, each once, whichever parts print it.</summary>
/// <remarks>Meanings and numbers of the words: <see cref="TempoWords"/>. A tempo that the file gives for playing only (MusicXML 4.0,
/// element
/// "sound") gives a word its number, or the piece its tempo where nothing is printed. The same word a beat or so later in another part is
/// the same sign.</remarks>
public sealed class TempoLine
{
    /// <summary>Quarters per minute assumed where the score says nothing at all.</summary>
    public const double Default = 96;

    private static readonly Fraction SameSign = 2;

    private readonly double[] _quarterBpm;
    private readonly List<Direction> _sounding;
    private readonly List<TempoSign> _steady;

    /// <summary>Gathers the signs of all parts.</summary>
    public TempoLine(Score score)
    {
        // Of a word and a number at one moment the number is said last: it wins. A slowing begins from what stands beside it.
        Signs = Once(
            score
                .Parts.SelectMany(p => p.Directions)
                .Select(d => Read(score, d))
                .OfType<TempoSign>()
                .OrderBy(s => s.Onset)
                .ThenBy(s => s.Kind is TempoKind.Slowing or TempoKind.Quickening)
                .ThenBy(s => s.Metronome is not null || s.Equation is not null)
        );
        _sounding =
        [
            .. score
                .Parts.SelectMany(p => p.Directions)
                .Where(d => d.Kind == DirectionKind.SoundingTempo)
                .OrderBy(d => d.Onset)
                .DistinctBy(d => d.Onset),
        ];
        _steady = Steady();
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
            for (; next < _steady.Count && _steady[next].Measure <= m; next++)
                bpm = After(_steady[next], bpm);
            inForce[m] = Math.Clamp(bpm, 20, 400);
        }

        return inForce;
    }

    /// <summary>The signs that tell the tempo: the printed ones; where none tells a tempo, the first that the file gives for playing
    /// before them.</summary>
    internal IReadOnlyList<TempoSign> Telling => _steady;

    /// <summary>Every change of the steady tempo: quarters from the start of the score, quarters per minute.</summary>
    public IReadOnlyList<(Fraction Onset, double QuarterBpm)> Changes()
    {
        var changes = new List<(Fraction, double)> { (Fraction.Zero, Default) };
        foreach (var sign in _steady)
            changes.Add((sign.Onset, After(sign, changes[^1].Item2)));
        return changes;
    }

    /// <summary>The metronome mark in force at a measure, or null when none is printed so far.</summary>
    public MetronomeMark? MarkAt(int measure) => Signs.LastOrDefault(s => s.Measure <= measure && s.Metronome is not null)?.Metronome;

    /// <summary>True where the tempo of a measure is printed or given for playing; else <see cref="Default"/> is a guess.</summary>
    public bool IsKnownAt(int measure) => _steady.Any(s => s.Measure <= measure && s.Kind == TempoKind.Fixed);

    /// <summary>True when a tempo is printed at all, as a number or a word.</summary>
    public bool IsPrinted => Signs.Any(s => s.Kind == TempoKind.Fixed);

    /// <summary>Quarters per minute that a sign leaves in force.</summary>
    /// <remarks>An equation such as quarter = dotted quarter keeps the speed of the one value in the other.</remarks>
    internal double After(TempoSign sign, double bpm)
    {
        if (sign.Kind is not (TempoKind.Fixed or TempoKind.Changed))
            return bpm;
        return sign.Metronome?.QuarterBpm
            ?? (
                sign.Equation is { } e
                    ? bpm * (e.Right / e.Left).Value
                    : SoundingAt(sign.Onset) ?? TempoWords.TempoIn(sign.Text)?.Middle ?? bpm
            );
    }

    // The tempo given for playing at the moment of a word, or just beside it.
    private double? SoundingAt(Fraction onset) =>
        _sounding.Between(d => d.Onset, onset - 1, onset + 1).FirstOrDefault()?.Metronome?.QuarterBpm;

    // The printed signs; where none tells a tempo, the first that the file gives for playing.
    private List<TempoSign> Steady()
    {
        if (IsPrinted || _sounding.Count == 0)
            return [.. Signs];
        var first = _sounding[0];
        return [new TempoSign(first.MeasureIndex, first.Onset, "", TempoKind.Fixed, first.Metronome), .. Signs];
    }

    // One sign for all parts that print it, though they may print it a beat apart.
    private static List<TempoSign> Once(IEnumerable<TempoSign> signs)
    {
        var once = new List<TempoSign>();
        foreach (var sign in signs)
        {
            var isNew = true;
            for (var i = once.Count - 1; isNew && i >= 0 && sign.Onset - once[i].Onset <= SameSign; i--)
                isNew = !IsSame(once[i], sign);
            if (isNew)
                once.Add(sign);
        }

        return once;
    }

    private static bool IsSame(TempoSign a, TempoSign b) =>
        a.Kind == b.Kind
        && (a.Onset == b.Onset || a.Metronome is null)
        && string.Equals(a.Text, b.Text, StringComparison.OrdinalIgnoreCase);

    // A number in words, as "♩ = 170–200" or "about 96", counts as if it were a metronome mark; alone it means the beat.
    private static MetronomeMark? InWords(Score score, Direction d) =>
        MetronomeText.Read(d.Text) is { } said
            ? new MetronomeMark(said.Unit ?? score.Measures[d.MeasureIndex].Meter.BeatUnit, said.Bpm, said.UpperBpm)
            : null;

    private static TempoSign? Read(Score score, Direction d) =>
        d switch
        {
            { Kind: DirectionKind.Metronome, Metronome: not null } or { Kind: DirectionKind.Metronome, Equation: not null } =>
                new TempoSign(d.MeasureIndex, d.Onset, d.Text, TempoKind.Fixed, d.Metronome) { Equation = d.Equation },
            { Kind: DirectionKind.Words } when InWords(score, d) is { } mark => new TempoSign(
                d.MeasureIndex,
                d.Onset,
                d.Text,
                TempoKind.Fixed,
                mark
            ),
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
