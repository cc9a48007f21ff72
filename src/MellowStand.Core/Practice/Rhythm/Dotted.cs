using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Practice;

/// <summary>Makes equal notes uneven in pairs.</summary>
internal static class Dotted
{
    private const int Run = 4;
    private const double PerPair = 0.02;
    private const double MostMore = 0.3;
    private const double Slowly = 0.6;

    private static readonly Fraction Quick = new(1, 4);
    private static readonly Fraction Longest = new(1, 2);
    private static readonly Fraction Half = new(1, 2);

    /// <summary>How well pairs of equal notes fit a passage: sixteenths run, eighths seldom need it; null where there are fewer than
    /// two.</summary>
    /// <param name="passage">The passage.</param>
    /// <param name="weight">The weight for a run of sixteenths.</param>
    public static Suit? Suits(Passage passage, double weight)
    {
        var quickest = Quickest(passage);
        var voices = passage.Music.Measures.SelectMany(m => m.Voices).ToList();
        var pairs = voices.SelectMany(v => Starts(v.Notes, quickest).Select(i => v.Notes[i].Length)).ToList();
        if (pairs.Count < 2)
            return null;
        var quick = pairs.Count(l => l <= Quick);
        return new Suit(
            quick >= Run ? weight + Math.Min(MostMore, PerPair * quick) : weight * Slowly,
            $"{pairs.Count} pairs of equal notes"
        );
    }

    /// <summary>The part with the first of each pair so many times as long as written, and the second with what is left.</summary>
    public static PlainPart Of(Passage passage, Fraction first)
    {
        var quickest = Quickest(passage);
        return Voices.Change(
            passage.Music,
            voice =>
            {
                var notes = voice.ToList();
                foreach (var i in Starts(voice, quickest))
                {
                    var both = notes[i].Length * 2;
                    notes[i] = notes[i] with { Length = voice[i].Length * first, Value = null };
                    notes[i + 1] = notes[i + 1] with { Length = both - notes[i].Length, Value = null };
                }

                return notes;
            }
        );
    }

    // Pairs begin where two of their notes fill a stretch of the measure.
    private static IEnumerable<int> Starts(IReadOnlyList<PlainNote> notes, Fraction quickest)
    {
        var at = Fraction.Zero;
        var taken = -1;
        for (var i = 0; i + 1 < notes.Count; i++)
        {
            var place = at / (notes[i].Length == Fraction.Zero ? 1 : notes[i].Length * 2);
            if (i > taken && place.Denominator == 1 && IsPair(notes[i], notes[i + 1], quickest))
            {
                yield return i;
                taken = i + 1;
            }

            at += notes[i].Length;
        }
    }

    private static bool IsPair(PlainNote a, PlainNote b, Fraction quickest) =>
        a.Length == b.Length
        && a is { Sounds: true, IsGrace: false, TiesOn: false, Value: null or { Dots: 0, Actual: 1 } }
        && b is { Sounds: true, IsGrace: false, TiesOn: false, Value: null or { Dots: 0, Actual: 1 } }
        && Voices.IsStruck(a)
        && a.Length > Fraction.Zero
        && (a.Length <= Longest || a.Length == quickest)
        && LengthSpelling.One(a.Length * Half) is not null;

    private static Fraction Quickest(Passage passage) =>
        passage
            .Music.Measures.SelectMany(m => m.Voices)
            .SelectMany(v => v.Notes)
            .Where(n => n.Sounds && n.Length > Fraction.Zero)
            .Select(n => n.Length)
            .DefaultIfEmpty(Fraction.Zero)
            .Min();
}
