using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;
using MellowStand.Core.Scales;

namespace MellowStand.Core.Practice;

/// <summary>Each glissando: its two ends alone, then the way in steps.</summary>
/// <remarks>First where it begins and where it arrives, plain; then every half step between, in eighths. Common practice, no published
/// source.</remarks>
public sealed class GlissandoSteps : IRecipe
{
    private const int Most = 3;

    private static readonly Meter FourFour = Meter.Of(4, 4);
    private static readonly Fraction Eighth = new(1, 2);

    /// <inheritdoc/>
    public string Name => "glissando-steps";

    /// <inheritdoc/>
    public string Title => "Glissando in steps";

    /// <inheritdoc/>
    public string Why => "The two ends plain, then the way between them in counted steps: a slide is in tune when its ends are.";

    /// <inheritdoc/>
    public Keeps Keeps => Keeps.Nothing;

    /// <inheritdoc/>
    public Suit? Suits(Passage passage)
    {
        var slides = Slides(passage).Count;
        return slides == 0 ? null : new Suit(0.7, $"{slides} {(slides == 1 ? "glissando" : "glissandos")}");
    }

    /// <inheritdoc/>
    public IReadOnlyList<PlainPart> Make(Passage passage) =>
        [ChunkedMusic.Of(Voices.Line(passage.Music), Slides(passage).Select(s => Exercise(passage, s.From, s.To)))];

    private static List<(Note From, Note To)> Slides(Passage passage) =>
        [
            .. passage
                .Pairs.Where(p => OrnamentMarks.Slides.Any(p.A.Has) && p.A.Top is not null && p.B.Top is not null && p.A.Top != p.B.Top)
                .DistinctBy(p => (p.A.Top, p.B.Top))
                .Take(Most),
        ];

    private static IReadOnlyList<PlainMeasure> Exercise(Passage passage, Note from, Note to)
    {
        var key = passage.Part.Measures[from.MeasureIndex].Key;
        PlainMeasure Bar(IEnumerable<PlainNote> notes) => new(FourFour, key, [new PlainVoice(1, [.. notes])]);
        var ends = Bar([Plain(from.Top!.Value, 2), Plain(to.Top!.Value, 2)]);
        return [ends, .. Steps(from.Top!.Value, to.Top!.Value).Chunk(8).Select(c => Bar(Filled(c)))];
    }

    // What the steps leave of a measure is rest.
    private static IEnumerable<PlainNote> Filled(Pitch[] steps) =>
        steps
            .Select(s => Plain(s, Eighth))
            .Concat(Enumerable.Repeat(PlainNote.Rest(Eighth), (int)((FourFour.Length - (Eighth * steps.Length)) / Eighth).Value));

    private static IEnumerable<Pitch> Steps(Pitch from, Pitch to)
    {
        var step = Math.Sign(to.Midi - from.Midi);
        for (var midi = from.Midi; midi != to.Midi; midi += step)
            yield return midi == from.Midi ? from : ScalePitches.Passing(midi, step > 0);
        yield return to;
    }

    private static PlainNote Plain(Pitch pitch, Fraction length) => new([new PlainHead(pitch)], length);
}
