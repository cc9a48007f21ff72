using System.Globalization;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Study;

/// <summary>The words that a player says while counting a measure: a word for each note that is struck.</summary>
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

    /// <summary>The line of one measure, e.g. <c>1 &amp; 2 e &amp; a</c>; empty where nothing is struck.</summary>
    /// <param name="context">The prepared score.</param>
    /// <param name="part">The part.</param>
    /// <param name="measure">The measure from 0.</param>
    /// <param name="school">A key of <see cref="Schools"/>.</param>
    public static string Of(StudyContext context, Part part, int measure, string school)
    {
        var meter = context.Score.Measures[measure].Meter;
        return string.Join(' ', context.MelodyOf(part).ByMeasure[measure].Select(n => Word(context, n, meter, school)));
    }

    private static string Word(StudyContext context, Note note, Meter meter, string school)
    {
        var (beat, place) = Place(context, note, meter);
        var table = meter.IsCompound ? Compound[school] : Simple[school];
        var word = table.GetValueOrDefault(place.ToString(), Fine);
        return word.Length > 0 ? word : beat.ToString(CultureInfo.InvariantCulture);
    }

    // Beats may be of different length in an additive meter: the place is a share of its own beat.
    private static (int Beat, Fraction Place) Place(StudyContext context, Note note, Meter meter)
    {
        var at = context.BeatsIn(note) * (meter.IsSenza ? 1 : meter.BeatUnit);
        var start = Fraction.Zero;
        for (var i = 0; i < meter.Beats.Count; i++)
        {
            if (at < start + meter.Beats[i])
                return (i + 1, (at - start) / meter.Beats[i]);
            start += meter.Beats[i];
        }

        var whole = (int)(at.Numerator / at.Denominator);
        return (whole + 1, at - whole);
    }

    private static Dictionary<string, string> Table(string text) =>
        text.Split(' ').Select(w => w.Split(':')).ToDictionary(w => w[0], w => w[1]);
}
