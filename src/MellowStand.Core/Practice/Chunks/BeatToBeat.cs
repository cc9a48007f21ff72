using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Practice;

/// <summary>From each beat to the next, ending on it.</summary>
/// <remarks>Learnt up to the next beat, never to the note before it. Common practice, no published source.</remarks>
public sealed class BeatToBeat : IRecipe
{
    /// <inheritdoc/>
    public string Name => "beat-to-beat";

    /// <inheritdoc/>
    public string Title => "From beat to beat";

    /// <inheritdoc/>
    public string Why => "One beat and the note it leads to, until it is sure; then the next: the joins are learnt with the notes.";

    /// <inheritdoc/>
    public Keeps Keeps => Keeps.Nothing;

    /// <inheritdoc/>
    public Suit? Suits(Passage passage)
    {
        var beats = Beats(passage).Count();
        if (beats < 2)
            return null;
        var found = passage.Count("near-miss", "syncopation", "enharmonic", "carried-accidental");
        return new Suit(
            Math.Min(0.7, 0.35 + (0.06 * found)),
            found > 0 ? Amounts.Of((found, "trap")) : $"{beats} beats of more than one note"
        );
    }

    /// <inheritdoc/>
    public IReadOnlyList<PlainPart> Make(Passage passage) => [ChunkedMusic.Of(Voices.Line(passage.Music), Beats(passage))];

    // Each beat with more than one note in it, and the note that follows.
    private static IEnumerable<IReadOnlyList<PlainMeasure>> Beats(Passage passage)
    {
        var beats = Split(passage).ToList();
        for (var i = 0; i < beats.Count; i++)
        {
            var (measure, notes) = beats[i];
            if (notes.Count(Voices.IsStruck) < 2)
                continue;
            var landing = i + 1 < beats.Count ? beats[i + 1].Notes.FirstOrDefault(n => !n.IsGrace) : Next(passage);
            var unit = measure.Meter.IsSenza ? 1 : measure.Meter.BeatUnit;
            PlainNote landed = landing is { Sounds: true } ? Landed(landing, unit) : PlainNote.Rest(unit);
            yield return [measure with { Voices = [new PlainVoice(1, [.. notes, landed])], Signs = [], IsImplicit = false }];
        }
    }

    private static PlainNote Landed(PlainNote note, Fraction unit) =>
        note.Untied() with
        {
            Length = unit,
            Value = null,
            Marks = [],
            SlurStarts = 0,
            SlurEnds = 0,
        };

    private static PlainNote? Next(Passage passage) =>
        PracticeRangeReader.Landing(passage.Study, passage.Part, passage.To + 1)?.Voices[0].Notes[0];

    // The line cut at each beat on which something begins; a beat inside a longer note belongs to the one before.
    private static IEnumerable<(PlainMeasure Measure, List<PlainNote> Notes)> Split(Passage passage)
    {
        foreach (var measure in Voices.Line(passage.Music).Measures)
        {
            var missing = measure.IsImplicit ? measure.Meter.Length - measure.Length : Fraction.Zero;
            var unit = measure.Meter.IsSenza ? 1 : measure.Meter.BeatUnit;
            var beat = new List<PlainNote>();
            foreach (var (note, at) in Voices.Timed(measure.Voices[0].Notes))
            {
                var isNew = ((at + missing) / unit).Denominator == 1 && beat.Exists(n => !n.IsGrace);
                if (isNew)
                {
                    yield return (measure, beat);
                    beat = [];
                }

                beat.Add(note);
            }

            if (beat.Count > 0)
                yield return (measure, beat);
        }
    }
}
