using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;
using MellowStand.Core.Study;

namespace MellowStand.Core.Practice;

/// <summary>The rhythm on one note, with counting words under it.</summary>
/// <remarks>Clap and count aloud, then play. The words are those of the house rule <c>counting-words</c>; the note is in the middle of the
/// staff.
/// Common practice, no published source.</remarks>
public sealed class RhythmOnly : IRecipe
{
    // The middle line of each clef.
    private static readonly Dictionary<string, Pitch> Middle = new()
    {
        ["G2"] = new(Step.B, 0, 4),
        ["F4"] = new(Step.D, 0, 3),
        ["C3"] = new(Step.C, 0, 4),
        ["C4"] = new(Step.A, 0, 3),
    };

    /// <inheritdoc/>
    public string Name => "rhythm-only";

    /// <inheritdoc/>
    public string Title => "Rhythm alone";

    /// <inheritdoc/>
    public string Why => "Clap and count aloud, then play it on one note: the rhythm is sure before the fingers join.";

    /// <inheritdoc/>
    public Keeps Keeps => Keeps.Length;

    /// <inheritdoc/>
    public Suit? Suits(Passage passage)
    {
        if (!passage.Line.Any())
            return null;
        var found = passage.Count(
            "syncopation",
            "flipped-rhythm",
            "triplet-against-dotted",
            "meter-grouping",
            "hemiola",
            "offbeat-entry",
            "rest-count"
        );
        return found > 0
            ? new Suit(Math.Min(0.9, 0.6 + (0.1 * found)), Amounts.Of((found, "rhythm trap")))
            : new Suit(0.25, "count before playing");
    }

    /// <inheritdoc/>
    public IReadOnlyList<PlainPart> Make(Passage passage)
    {
        var pitch = Middle.GetValueOrDefault(passage.Part.Clef ?? "G2", Middle["G2"]);
        var isPitched = passage.Part.Clef != "percussion";
        var words = Words(passage);
        var line = Voices.Change(
            Voices.Line(passage.Music),
            v => v.Where(n => !n.IsGrace).Select(n => Counted(MarksOut.Without(n, MarksOut.Ornaments), isPitched ? pitch : null, words))
        );
        return [line with { Measures = [.. line.Measures.Select(m => m with { Signs = [], Key = KeySignature.None })] }];
    }

    private static PlainNote Counted(PlainNote note, Pitch? pitch, Dictionary<(int, Fraction), string> words)
    {
        if (!note.Sounds)
            return note;
        var word = note.Source is { IsTieContinuation: false } s ? words.GetValueOrDefault((s.MeasureIndex, s.Offset)) : null;
        return MarksOut.Unslurred(note) with { Heads = [new PlainHead(pitch, note.TiesOn)], Lyric = word };
    }

    private static Dictionary<(int, Fraction), string> Words(Passage passage)
    {
        var words = new Dictionary<(int, Fraction), string>();
        for (var m = passage.From; m <= passage.To; m++)
        {
            var line = CountingLine.OfNotes(passage.Study, passage.Part, m, passage.Study.House["counting-words"]);
            foreach (var (note, word) in passage.Study.MelodyOf(passage.Part).ByMeasure[m].Zip(line))
                words[(m, note.Offset)] = word;
        }

        return words;
    }
}
