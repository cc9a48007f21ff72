using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A trill: its upper note, where it starts and stops, and how many alternations fit.</summary>
/// <remarks>The upper note is the next letter in the signature, changed by a sign printed with the trill or earlier in the measure. Start
/// and stop by the house rules. Ten notes a second is a good player's trill (from memory), so an alternation takes a fifth of a
/// second.</remarks>
[Example("key:F | A4h(tr) G4h", 1)]
[Example("key:F | A4h G4h", 0)]
public sealed class Trill : IStudyRule
{
    /// <inheritdoc/>
    public string Name => "trill";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Ornaments;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        foreach (var note in part.Notes.Where(n => n.Has("trill-mark") && n.Top is not null && !n.IsTieContinuation))
        {
            var main = note.Top!.Value;
            var upper = Neighbours.Of(part, note, 1);
            var closing = part
                .Notes.Skip(part.PlaceFrom(note.Onset))
                .Any(n => n.IsGrace && n.Onset == note.Onset + note.SoundingDuration && n.Voice == note.Voice);
            var seconds = context.Seconds(note.MeasureIndex, note.SoundingDuration);
            var alternations = Math.Max(1, (int)(seconds * OrnamentMarks.TrillNotesPerSecond / 2));
            var start = context.House["trill-start"] == "upper" ? $"begin on {upper.Name}" : $"begin on {main.Name}";
            var stop = (context.House["trill-end"], closing) switch
            {
                ("run-through", _) => "run through to the next note",
                (_, true) => "stop on the beat before the closing notes",
                _ => "stop just before the next note",
            };
            yield return Finding.At(
                Name,
                part,
                [note],
                Severity.Note,
                $"Trill {main.Name}–{upper.Name}",
                $"{Sentences.Capital(start)}, trill with {upper.Name}{(closing ? ", with closing notes" : "")}, {stop}; about "
                    + $"{alternations} {(alternations == 1 ? "alternation fits" : "alternations fit")}.{context.IfTempo(note.MeasureIndex)}"
            );
        }
    }
}
