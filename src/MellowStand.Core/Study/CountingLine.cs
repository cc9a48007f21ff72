using System.Globalization;
using MellowStand.Core.Notation;
using MellowStand.Core.Reading;

namespace MellowStand.Core.Study;

/// <summary>The words that a player says while counting a measure in its counted unit (<see cref="CountedUnit"/>): a word for each note
/// that is struck, and the other beats in brackets.</summary>
/// <remarks>Three schools (house rule <c>counting-words</c>): <c>1e&amp;a</c> says 1 e &amp; a, and 1 la li for threes; <c>trip-let</c>
/// says 1 trip let for threes; <c>takadimi</c> names the place in the beat (ta ka di mi, ta ki da, and ta va ki di da ma in compound
/// beats), whatever the beat's number. Finer notes are ta. Common practice, no published source for the first two; the last is R. Hoffman,
/// W. Pelto, J. White, "Takadimi" (Journal of Music Theory Pedagogy 10, 1996), from memory.</remarks>
public static class CountingLine
{
    private const string Fine = "ta";

    // Place in the beat to word; an empty word stands for the number of the beat.
    private static readonly Dictionary<string, Dictionary<string, string>> Simple = new()
    {
        ["1e&a"] = Table("0: 1/4:e 1/2:& 3/4:a 1/3:la 2/3:li"),
        ["trip-let"] = Table("0: 1/4:e 1/2:& 3/4:a 1/3:trip 2/3:let"),
        ["takadimi"] = Table("0:ta 1/4:ka 1/2:di 3/4:mi 1/3:ki 2/3:da 1/6:va 5/6:ma"),
    };

    private static readonly Dictionary<string, Dictionary<string, string>> Compound = new()
    {
        ["1e&a"] = Table("0: 1/3:la 2/3:li"),
        ["trip-let"] = Table("0: 1/3:trip 2/3:let 1/6:& 1/2:& 5/6:&"),
        ["takadimi"] = Table("0:ta 1/3:ki 2/3:da 1/6:va 1/2:di 5/6:ma"),
    };

    /// <summary>Keys of the schools.</summary>
    public static IReadOnlyCollection<string> Schools => Simple.Keys;

    /// <summary>The line of one measure, which a class can say in time: a word for each note that is struck, and in brackets the beats at
    /// which none is, e.g. <c>1 &amp; (2) &amp; 3</c>; empty where nothing sounds.</summary>
    /// <param name="context">The prepared score.</param>
    /// <param name="part">The part.</param>
    /// <param name="measure">The measure from 0.</param>
    /// <param name="school">A key of <see cref="Schools"/>.</param>
    public static string Of(StudyContext context, Part part, int measure, string school)
    {
        if (!part.Measures[measure].Notes.Any(n => n is { Sounds: true, IsGrace: false, IsCue: false }))
            return "";
        var frame = context.Score.Measures[measure];
        var (first, last) = (frame.InFullMeasure(Fraction.Zero), frame.InFullMeasure(frame.Length));
        var notes = Notes(context, part, measure).Select(n => frame.InFullMeasure(n.Offset)).ToList();
        var struck = notes.Zip(OfNotes(context, part, measure, school));
        var silent = Beats(context, part, measure)
            .Where(b => b.Start >= first && b.Start < last && !notes.Contains(b.Start))
            .Select(b => (b.Start, $"({WordAt([b], b.Start, school)})"));
        return string.Join(' ', struck.Concat(silent).OrderBy(w => w.Item1).Select(w => w.Item2));
    }

    /// <summary>The words of the struck notes of a measure, one for each.</summary>
    /// <param name="context">The prepared score.</param>
    /// <param name="part">The part.</param>
    /// <param name="measure">The measure from 0.</param>
    /// <param name="school">A key of <see cref="Schools"/>.</param>
    public static IReadOnlyList<string> OfNotes(StudyContext context, Part part, int measure, string school)
    {
        var (beats, frame) = (Beats(context, part, measure), context.Score.Measures[measure]);
        return [.. Notes(context, part, measure).Select(n => WordAt(beats, frame.InFullMeasure(n.Offset), school))];
    }

    private static IEnumerable<Note> Notes(StudyContext context, Part part, int measure) => context.MelodyOf(part).ByMeasure[measure];

    // Beats may be of different length in an additive meter: the place is a share of its own beat.
    private static string WordAt(IReadOnlyList<CountedBeat> beats, Fraction at, string school)
    {
        var beat = beats.Last(b => b.Start <= at);
        var place = (at - beat.Start) / beat.Length;
        var table = beat.IsOfThree ? Compound[school] : Simple[school];
        var word = table.GetValueOrDefault(place.ToString(), Fine);
        return word.Length > 0 ? word : beat.Number.ToString(CultureInfo.InvariantCulture);
    }

    private static List<CountedBeat> Beats(StudyContext context, Part part, int measure)
    {
        var frame = context.Score.Measures[measure];
        var unit = CountedUnit.Of(context, part, measure);
        var lengths = frame.Meter.BeatUnit == unit.Quarters ? frame.Meter.Beats : [];
        var end = Fraction.Max(frame.Meter.Length, frame.InFullMeasure(frame.Length));
        var beats = new List<CountedBeat>();
        for (var (start, i) = (Fraction.Zero, 0); start < end || i == 0; i++)
        {
            var length = i < lengths.Count ? lengths[i] : unit.Quarters;
            beats.Add(new CountedBeat(i + 1, start, length, unit.IsOfThree || (frame.Meter.IsCompound && length == frame.Meter.BeatUnit)));
            start += length;
        }

        return beats;
    }

    private readonly record struct CountedBeat(int Number, Fraction Start, Fraction Length, bool IsOfThree);

    private static Dictionary<string, string> Table(string text) =>
        text.Split(' ').Select(w => w.Split(':')).ToDictionary(w => w[0], w => w[1]);
}
