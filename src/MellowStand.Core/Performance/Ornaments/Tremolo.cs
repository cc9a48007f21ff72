using System.Globalization;
using MellowStand.Core.Notation;
using MellowStand.Core.Ornaments;

namespace MellowStand.Core.Performance;

/// <summary>Strokes through a stem: the note again and again, or two notes in turn.</summary>
/// <remarks>Each stroke halves: one through a quarter makes eighths, two sixteenths; flags and beams count as strokes. Quicker than
/// sixteen a
/// second nobody counts: then it goes half as quick. Source: MusicXML 4.0, element "tremolo".</remarks>
internal sealed class Tremolo : IOrnament
{
    private const double Quickest = 1 / 16.0;

    // Flags are strokes already: the strokes go through these values.
    private static readonly Dictionary<string, Fraction> Flagged = new()
    {
        ["eighth"] = new(1, 2),
        ["16th"] = new(1, 4),
        ["32nd"] = new(1, 8),
    };

    public bool Is(Ornamented note) => note.Sound.Has("tremolo") && StrokesOf(note.Sound) > 0;

    public IReadOnlyList<Stroke> Play(Ornamented note)
    {
        var each = Each(note);
        var count = (int)Math.Clamp(Math.Round((note.Sound.Length / each).Value), 1, Ornamented.MostStrokes);
        return Ornamented.Even(note.Sound.From, note.Sound.To, [.. Enumerable.Repeat(note.Main, count)]);
    }

    /// <summary>True where a note and the next of its voice are struck in turn: both carry the strokes, and each is written twice as long
    /// as
    /// it lasts.</summary>
    public static bool IsPair(Sound a, Sound? b) =>
        b is not null && IsHalf(a) && IsHalf(b) && a.To == b.From && a.Note.TopSounding != b.Note.TopSounding;

    /// <summary>The strokes of a pair over both their lengths.</summary>
    public static IReadOnlyList<Stroke> PlayPair(Ornamented note)
    {
        var other = note.Next!;
        var whole = other.To - note.Sound.From;
        var count = (int)Math.Clamp(Math.Round((whole / Each(note)).Value), 2, Ornamented.MostStrokes) / 2 * 2;
        return Ornamented.Even(
            note.Sound.From,
            other.To,
            [.. Enumerable.Range(0, count).Select(i => i % 2 == 0 ? note.Main : other.Note.TopSounding!.Value)]
        );
    }

    private static bool IsHalf(Sound sound) => sound.Has("tremolo") && sound.Note.Tuplet == (2, 1) && sound.Note.TopSounding is not null;

    private static Fraction Each(Ornamented note)
    {
        var flagged = Flagged.GetValueOrDefault(note.Sound.Note.Type ?? "", 1);
        var each = flagged / (1 << Math.Min(StrokesOf(note.Sound), 5));
        while (each.Value * note.QuarterSeconds < Quickest)
            each *= 2;
        return each;
    }

    private static int StrokesOf(Sound sound) =>
        int.TryParse(sound.ValueOf("tremolo"), NumberStyles.None, CultureInfo.InvariantCulture, out var n) ? n : 3;
}

/// <summary>A roll: a trill sign on a drum or timpani.</summary>
/// <remarks>Fourteen strokes a second are a closed roll's; from memory.</remarks>
internal sealed class Roll : IOrnament
{
    private const double StrokesPerSecond = 14;

    public bool Is(Ornamented note) =>
        note.Sound.Has("trill-mark") && Rolls.Is(note.Part, note.Sound.Note);

    public IReadOnlyList<Stroke> Play(Ornamented note) =>
        Ornamented.Even(
            note.Sound.From,
            note.Sound.To,
            [.. Enumerable.Repeat(note.Main, note.Fits(note.Sound.Length, 1 / StrokesPerSecond))]
        );
}
