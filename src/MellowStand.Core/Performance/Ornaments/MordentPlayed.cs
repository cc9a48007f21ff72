using MellowStand.Core.Notation;

namespace MellowStand.Core.Performance;

/// <summary>A mordent: the note, its neighbour and the note again, on the beat and quickly.</summary>
/// <remarks>The sign with the stroke (MusicXML 4.0, element "mordent") takes the lower neighbour, the one without ("inverted-mordent") the
/// upper. Common practice, no published source.</remarks>
internal sealed class MordentPlayed : IOrnament
{
    private const double Seconds = 0.09;

    public bool Is(Ornamented note) => note.Sound.Note.Top is not null && OrnamentMarks.Mordents.Any(note.Sound.Has);

    public IReadOnlyList<Stroke> Play(Ornamented note)
    {
        var (from, to) = (note.Sound.From, note.Sound.To);
        var each = QuickLength.Of(Seconds, note.QuarterSeconds);
        if (each * 4 > note.Sound.Length)
            each = note.Sound.Length / 4;
        return
        [
            new Stroke(from, from + each, note.Main),
            new Stroke(from + each, from + (each * 2), note.Neighbour(note.Sound.Has("mordent") ? -1 : 1)),
            new Stroke(from + (each * 2), to, note.Main),
        ];
    }
}

/// <summary>A length in quarters for what is played in seconds: graces, mordents, spread chords.</summary>
internal static class QuickLength
{
    private static readonly Fraction[] Lengths =
    [
        new(1, 2),
        new(1, 3),
        new(1, 4),
        new(1, 6),
        new(1, 8),
        new(1, 12),
        new(1, 16),
        new(1, 24),
        new(1, 32),
    ];

    /// <summary>The longest plain length that lasts no longer than so many seconds.</summary>
    public static Fraction Of(double seconds, double quarterSeconds) =>
        Array.Find(Lengths, l => l.Value * quarterSeconds <= seconds * 1.01) is { Numerator: > 0 } found ? found : Lengths[^1];
}
