using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Practice;

/// <summary>Trills, turns and mordents written out in counted notes.</summary>
/// <remarks>A trill in sixteenths, in 32nds on notes shorter than half a beat, from the written or the upper note by the house rule
/// <c>trill-start</c> and ending on the main one; a turn as it is played. Common practice, no published source.</remarks>
public sealed class TrillsMeasured : IRecipe
{
    private static readonly HashSet<string> All = [.. OrnamentMarks.Trills, .. OrnamentMarks.Turns, .. OrnamentMarks.Mordents];

    /// <inheritdoc/>
    public string Name => "trills-measured";

    /// <inheritdoc/>
    public string Title => "Trills measured out";

    /// <inheritdoc/>
    public string Why => "Each trill and turn in counted notes: it stops in time when every note of it has a place.";

    /// <inheritdoc/>
    public Keeps Keeps => Keeps.Length;

    /// <inheritdoc/>
    public Suit? Suits(Passage passage)
    {
        var trills = passage.Notes.Count(n => n.Heads.Count == 1 && n.Top is not null && n.Marks.Any(m => All.Contains(m.Name)));
        return trills == 0 ? null : new Suit(Math.Min(0.9, 0.7 + (0.05 * trills)), Amounts.Of((trills, "ornament")));
    }

    /// <inheritdoc/>
    public IReadOnlyList<PlainPart> Make(Passage passage) => [Voices.Change(passage.Music, v => v.SelectMany(n => Measured(passage, n)))];

    private static IEnumerable<PlainNote> Measured(Passage passage, PlainNote note)
    {
        // An ornament over a chord stays a sign: written out, the notes under it would be lost.
        if (note.Source is not { Top: { } main } source || note.Heads.Count != 1 || note.IsGrace || !MarksOut.Has(note, All))
            return [note];
        Pitch Beside(int direction) => Neighbours.Of(passage.Part, source, direction);
        var strokes = Strokes(passage.Study.House, note, main, Beside);
        // A length that no value has stays one plain note.
        if (strokes.Exists(s => LengthSpelling.One(s.Length) is null))
            strokes = [(main, note.Length)];
        return Written(MarksOut.Without(note, MarksOut.Ornaments), strokes);
    }

    private static List<(Pitch Pitch, Fraction Length)> Strokes(House house, PlainNote note, Pitch main, Func<int, Pitch> beside)
    {
        var length = note.Length;
        if (MarksOut.Has(note, OrnamentMarks.Trills))
            return Trill(length, main, beside(1), house["trill-start"] == "upper");
        if (MarksOut.Has(note, OrnamentMarks.Mordents))
        {
            var quick = length > new Fraction(1, 2) ? new Fraction(1, 8) : length / 4;
            return [(main, quick), (beside(note.Marks.Any(m => m.Name == "mordent") ? -1 : 1), quick), (main, length - (quick * 2))];
        }

        var first = note.Marks.Any(m => OrnamentMarks.IsInverted(m.Name)) ? -1 : 1;
        return Turn(note, main, beside(first), beside(-first));
    }

    private static List<(Pitch, Fraction)> Trill(Fraction length, Pitch main, Pitch upper, bool isUpper)
    {
        var each = length >= new Fraction(1, 2) ? new Fraction(1, 4) : length / 4;
        var whole = length / each;
        var count = (int)(whole.Numerator / whole.Denominator);
        // An odd number from the main note, an even one from the upper: the last is the main note, and takes what is left.
        count -= count % 2 == (isUpper ? 0 : 1) ? 0 : 1;
        return
        [
            .. Enumerable
                .Range(0, count)
                .Select(i => ((i % 2 == 0) == isUpper ? upper : main, i < count - 1 ? each : length - (each * (count - 1)))),
        ];
    }

    private static List<(Pitch, Fraction)> Turn(PlainNote note, Pitch main, Pitch first, Pitch second)
    {
        var length = note.Length;
        if (length <= new Fraction(1, 2))
            return [(first, length / 4), (main, length / 4), (second, length / 4), (main, length / 4)];
        var isDotted = note.Source!.Dots > 0;
        var plain = length * (isDotted ? new Fraction(1, 3) : new Fraction(1, 2));
        var around = length * (isDotted ? new Fraction(1, 3) : new Fraction(1, 4)) / 3;
        return [(main, plain), (first, around), (main, around), (second, around), (main, length - plain - (around * 3))];
    }

    private static IEnumerable<PlainNote> Written(PlainNote note, List<(Pitch Pitch, Fraction Length)> strokes)
    {
        for (var i = 0; i < strokes.Count; i++)
        {
            var (isFirst, isLast) = (i == 0, i == strokes.Count - 1);
            yield return note with
            {
                Heads = [new PlainHead(strokes[i].Pitch, isLast && note.TiesOn)],
                Length = strokes[i].Length,
                Value = null,
                Source = isFirst ? note.Source : null,
                Marks = isFirst ? note.Marks : [],
                Lyric = null,
                SlurStarts = isFirst ? note.SlurStarts + (strokes.Count > 1 ? 1 : 0) : 0,
                SlurEnds = isLast ? note.SlurEnds + (strokes.Count > 1 ? 1 : 0) : 0,
            };
        }
    }
}
