using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Scales;

/// <summary>Sets the notes of a scale into measures of 4/4: the last note is held to a bar line.</summary>
internal static class ScaleMeasures
{
    // A shorter last note would not be held: it goes on over the bar line.
    private static readonly Fraction LeastHeld = new Fraction(1);

    public static List<PlainMeasure> Of(IReadOnlyList<Pitch> pitches, ScaleStyle style, KeySignature key, string title)
    {
        var lengths = style.Rhythm.Lengths;
        var slurs = ScaleSlurs.Of(style.Slurring, pitches.Count).ToList();
        var measures = new List<List<PlainNote>>();
        var at = Fraction.Zero;
        for (var i = 0; i < pitches.Count; i++)
        {
            var isLast = i == pitches.Count - 1;
            var pieces = isLast ? Held(at) : [lengths[i % lengths.Count]];
            for (var p = 0; p < pieces.Count; p++)
            {
                var place = (int)(at.Numerator / (at.Denominator * 4));
                while (measures.Count <= place)
                    measures.Add([]);
                measures[place]
                    .Add(
                        new PlainNote([new PlainHead(pitches[i], p < pieces.Count - 1)], pieces[p])
                        {
                            SlurStarts = p == 0 ? slurs.Count(s => s.From == i) : 0,
                            SlurEnds = p == pieces.Count - 1 ? slurs.Count(s => s.To == i) : 0,
                        }
                    );
                at += pieces[p];
            }
        }

        return [.. measures.Select((notes, i) => Measure(notes, key, i == 0 ? title : null, i == measures.Count - 1))];
    }

    private static PlainMeasure Measure(List<PlainNote> notes, KeySignature key, string? title, bool isLast) =>
        new(Meter.CommonTime, key, [new PlainVoice(1, notes)])
        {
            Signs = title is null ? [] : [new PlainSign(Fraction.Zero, PlainSignKind.Heading, title)],
            EndsSection = isLast,
        };

    // To the next beat first, so that what is held is printed on the beat; then to the bar line, and over it where little is left.
    private static List<Fraction> Held(Fraction at)
    {
        var inMeasure = at - new Fraction(4 * (at.Numerator / (at.Denominator * 4)));
        var toBar = 4 - inMeasure;
        var toBeat = Up(inMeasure) - inMeasure;
        var pieces = new List<Fraction>();
        if (toBeat > Fraction.Zero)
            pieces.Add(toBeat);
        if (toBar > toBeat)
            pieces.Add(toBar - toBeat);
        if (toBar < LeastHeld)
            pieces.Add(4);
        return pieces;
    }

    private static Fraction Up(Fraction at) => new((at.Numerator + at.Denominator - 1) / at.Denominator);
}
