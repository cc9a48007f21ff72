using MellowStand.Core.Notation;

namespace MellowStand.Core.Study;

/// <summary>A tempo word or mark at its place, over all parts.</summary>
/// <param name="Measure">Its measure from 0.</param>
/// <param name="Onset">Quarters from the start of the score.</param>
/// <param name="Text">As printed.</param>
/// <param name="Kind">What it asks for.</param>
/// <param name="Metronome">The metronome mark, when it is one.</param>
public sealed record TempoSign(int Measure, Fraction Onset, string Text, TempoKind Kind, MetronomeMark? Metronome);

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
/// <remarks>Meanings of the words: common practice, no published source; numbers for the words are ranges that printed
/// metronomes carry, from memory.</remarks>
public sealed class TempoLine
{
    /// <summary>Quarters per minute assumed where the score says nothing at all.</summary>
    public const double Default = 96;

    private static readonly (string Word, TempoKind Kind)[] Words =
    [
        ("a tempo", TempoKind.Return), ("tempo i", TempoKind.Return), ("tempo primo", TempoKind.Return), ("tempo 1", TempoKind.Return), ("in tempo", TempoKind.Return),
        ("rit", TempoKind.Slowing), ("rall", TempoKind.Slowing), ("allarg", TempoKind.Slowing), ("slent", TempoKind.Slowing), ("calando", TempoKind.Slowing),
        ("morendo", TempoKind.Slowing), ("smorz", TempoKind.Slowing), ("meno mosso", TempoKind.Slowing), ("poco meno", TempoKind.Slowing), ("più lento", TempoKind.Slowing),
        ("slower", TempoKind.Slowing), ("slowing", TempoKind.Slowing), ("broaden", TempoKind.Slowing), ("ritenuto", TempoKind.Slowing), ("langsamer", TempoKind.Slowing),
        ("zurückhaltend", TempoKind.Slowing), ("cédez", TempoKind.Slowing), ("accel", TempoKind.Quickening), ("string", TempoKind.Quickening), ("più mosso", TempoKind.Quickening),
        ("piu mosso", TempoKind.Quickening), ("faster", TempoKind.Quickening), ("schneller", TempoKind.Quickening), ("affrett", TempoKind.Quickening),
    ];

    private static readonly (string Word, double Quarter)[] FixedWords =
    [
        ("prestissimo", 190), ("presto", 176), ("vivace", 152), ("vivo", 152), ("allegretto", 108), ("allegro", 132), ("moderato", 100), ("andantino", 84),
        ("andante", 76), ("adagio", 60), ("larghetto", 60), ("largo", 50), ("lento", 52), ("grave", 42), ("marcia", 112), ("maestoso", 84),
    ];

    /// <summary>Gathers the signs of all parts.</summary>
    public TempoLine(Score score)
    {
        Signs = [.. score.Parts.SelectMany(p => p.Directions).Select(Read).OfType<TempoSign>()
            .DistinctBy(s => (s.Onset, s.Kind, s.Text.ToUpperInvariant())).OrderBy(s => s.Onset)];
    }

    /// <summary>The signs in order.</summary>
    public IReadOnlyList<TempoSign> Signs { get; }

    /// <summary>Quarters per minute in force at a measure; <see cref="Default"/> where nothing is printed.</summary>
    public double QuarterBpmAt(int measure)
    {
        var bpm = Default;
        foreach (var sign in Signs.Where(s => s.Measure <= measure && s.Kind == TempoKind.Fixed))
            bpm = sign.Metronome?.QuarterBpm ?? WordTempo(sign.Text) ?? bpm;
        return Math.Clamp(bpm, 20, 400);
    }

    /// <summary>The metronome mark in force at a measure, or null when none is printed so far.</summary>
    public MetronomeMark? MarkAt(int measure) => Signs.LastOrDefault(s => s.Measure <= measure && s.Metronome is not null)?.Metronome;

    private static TempoSign? Read(Direction d)
    {
        if (d.Kind == DirectionKind.Metronome && d.Metronome is not null) return new TempoSign(d.MeasureIndex, d.Onset, d.Text, TempoKind.Fixed, d.Metronome);
        if (d.Kind != DirectionKind.Words) return null;
        var words = d.Text.ToLowerInvariant();
        foreach (var (word, kind) in Words)
            if (StartsAWord(words, word)) return new TempoSign(d.MeasureIndex, d.Onset, d.Text, kind, null);
        return WordTempo(words) is null ? null : new TempoSign(d.MeasureIndex, d.Onset, d.Text, TempoKind.Fixed, null);
    }

    private static double? WordTempo(string text)
    {
        var words = text.ToLowerInvariant();
        foreach (var (word, quarter) in FixedWords)
            if (StartsAWord(words, word)) return quarter;
        return null;
    }

    private static bool StartsAWord(string text, string word)
    {
        var i = text.IndexOf(word, StringComparison.Ordinal);
        return i == 0 || (i > 0 && !char.IsLetter(text[i - 1]));
    }
}
