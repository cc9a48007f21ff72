using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;
using MellowStand.Core.Study.Rules;

namespace MellowStand.Core.Practice;

/// <summary>The bar lines moved so that an accent off the beat is a downbeat.</summary>
/// <remarks>Think of the accent as a new downbeat. Common practice, no published source.</remarks>
public sealed class AccentDownbeat : IRecipe
{
    private static readonly HashSet<string> Accents = ["accent", "strong-accent"];

    /// <inheritdoc/>
    public string Name => "accent-downbeat";

    /// <inheritdoc/>
    public string Title => "The accent as downbeat";

    /// <inheritdoc/>
    public string Why => "With the bar line moved to the accent it is easy to feel; then put the bar line back and keep the feeling.";

    /// <inheritdoc/>
    public Keeps Keeps => Keeps.Pitches;

    /// <inheritdoc/>
    public Suit? Suits(Passage passage)
    {
        if (Accent(passage) is null || passage.Line.Count(ArticulationMarks.IsAccented) * 2 > passage.Line.Count())
            return null;
        var found = passage.Count("offbeat-accent");
        return found > 0
            ? new Suit(Math.Min(0.85, 0.6 + (0.1 * found)), Amounts.Of((found, "accent")) + " off the beat")
            : new Suit(0.3, "an accent on a weak beat");
    }

    /// <inheritdoc/>
    public IReadOnlyList<PlainPart> Make(Passage passage)
    {
        var line = Voices.Line(passage.Music);
        var (first, length) = (line.Measures[0], line.Measures[0].Meter.Length);
        var shift = Modulo(Accent(passage)!.Value, length);
        var bars = Rebarred(line.Measures.SelectMany(m => m.Voices[0].Notes), shift, length);
        return
        [
            PlainTidy.Of(
                line with
                {
                    Measures =
                    [
                        .. bars.Select(
                            (notes, i) =>
                                new PlainMeasure(first.Meter, first.Key, [new PlainVoice(1, notes)])
                                {
                                    IsImplicit = i == 0 && shift > Fraction.Zero,
                                    Signs = i == 0 ? [.. first.Signs.Where(s => s.Offset == Fraction.Zero)] : [],
                                }
                        ),
                    ],
                }
            ),
        ];
    }

    // Quarters from the start of the passage to the first accent that is not on a strong beat; null where the meter changes on the way.
    private static Fraction? Accent(Passage passage)
    {
        var line = Voices.Line(passage.Music);
        var meter = line.Measures[0].Meter;
        if (meter.IsSenza || line.Measures.Any(m => !m.Meter.Equals(meter) || m.Length > meter.Length))
            return null;
        var start = Fraction.Zero;
        foreach (var measure in line.Measures)
        {
            var missing = measure.IsImplicit ? meter.Length - measure.Length : Fraction.Zero;
            foreach (var (note, at) in Voices.Timed(measure.Voices[0].Notes))
                if (!IsStrong(at + missing, meter) && MarksOut.Has(note, Accents))
                    return start + at;
            start += measure.Length;
        }

        return null;
    }

    // The downbeat, and the middle of a measure of four beats.
    private static bool IsStrong(Fraction at, Meter meter) => at == Fraction.Zero || (meter.Beats.Count == 4 && at == meter.Length / 2);

    private static List<List<PlainNote>> Rebarred(IEnumerable<PlainNote> notes, Fraction pickup, Fraction length)
    {
        var bars = new List<List<PlainNote>> { new() };
        var left = pickup > Fraction.Zero ? pickup : length;
        foreach (var note in notes)
        {
            var rest = note;
            while (rest.Length > left)
            {
                var (before, after) = Split(rest, left);
                bars[^1].Add(before);
                bars.Add([]);
                (rest, left) = (after, length);
            }

            bars[^1].Add(rest);
            left -= rest.Length;
            if (left > Fraction.Zero)
                continue;
            bars.Add([]);
            left = length;
        }

        if (left < length)
            bars[^1].Add(PlainNote.Rest(left));
        // Nothing but what stands before the bar line, if anything.
        if (bars[^1].TrueForAll(n => n.IsGrace))
            bars.RemoveAt(bars.Count - 1);
        return bars;
    }

    private static (PlainNote Before, PlainNote After) Split(PlainNote note, Fraction at) =>
        (
            note with
            {
                Length = at,
                Value = null,
                SlurEnds = 0,
                Heads = [.. note.Heads.Select(h => h with { TiesOn = true })],
            },
            note with
            {
                Length = note.Length - at,
                Value = null,
                Marks = [],
                SlurStarts = 0,
                Lyric = null,
                Source = null,
            }
        );

    private static Fraction Modulo(Fraction at, Fraction length)
    {
        var times = at / length;
        return at - (length * new Fraction(times.Numerator / times.Denominator));
    }
}
