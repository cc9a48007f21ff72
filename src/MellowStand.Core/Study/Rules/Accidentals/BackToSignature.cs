using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>After an accidental, the same letter at another octave or in the next measure is as the signature says again, with no sign
/// printed.</summary>
/// <remarks>The sign does not reach another octave and ends at the bar line; players carry it on all the same. Source: MusicXML 4.0,
/// element "accidental"; common practice, no published source, for the trap.</remarks>
[Example("key:C | F#4 G4 F5 E5", 1)]
[Example("key:C | F#4 G4 F#5 E5", 0)]
[Example("key:C | F#4 G4 A4 B4", 0)]
[Example("key:C | E4q F#4q G4h | F4q G4q A4h", 1, "after the bar line")]
[Example("key:C | E4q F#4q G4h | A4q G4q F#4h | F#4w", 0, "printed again")]
public sealed class BackToSignature : IStudyRule
{
    /// <inheritdoc/>
    public string Name => "back-to-signature";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Accidentals;

    /// <inheritdoc/>
    public WritesIn WritesIn => WritesIn.CourtesyAccidental;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var signed = new Dictionary<(int Staff, Step Step), NoteHead>();
        foreach (var measure in part.Measures)
        {
            var (before, now) = (signed, new Dictionary<(int Staff, Step Step), NoteHead>());
            foreach (var head in Heads(measure))
            {
                var p = head.Written!.Value;
                var key = (head.Owner.Staff, p.Step);
                var isPlain = head.Accidental is null && p.Alter == measure.Key.AlterOf(p.Step);
                if (p.Alter != measure.Key.AlterOf(p.Step) && head.Accidental is not null)
                    now[key] = head;
                else if (isPlain && now.TryGetValue(key, out var there) && there.Written!.Value.Octave != p.Octave)
                {
                    now.Remove(key);
                    yield return AtOtherOctave(context, part, head, there);
                }
                else if (isPlain && !now.ContainsKey(key) && before.TryGetValue(key, out var last) && IsCarriedOn(context, last, head))
                    yield return AfterBarLine(context, part, head, last);
                before.Remove(key);
            }

            signed = now;
        }
    }

    private static IEnumerable<NoteHead> Heads(PartMeasure measure) =>
        measure.Notes.Where(n => !n.IsCue).SelectMany(n => n.Heads).Where(h => h.Written is not null && h.TiedFrom is null);

    // Early in the next measure, at the same octave: later ones are read anew.
    private static bool IsCarriedOn(StudyContext context, NoteHead last, NoteHead head) =>
        last.Written!.Value.Octave == head.Written!.Value.Octave
        && head.Owner.Offset * 2 <= context.Score.Measures[head.Owner.MeasureIndex].Length;

    private Finding AtOtherOctave(StudyContext context, Part part, NoteHead head, NoteHead before) =>
        Finding.At(
            Name,
            part,
            [head.Owner],
            Severity.Note,
            $"{Signed(head.Written!.Value)} at the other octave",
            $"The sign before {before.Written!.Value.Name} at beat {context.Beat(before.Owner)} holds at its own "
                + $"octave only: this note is {Signed(head.Written.Value)}."
        );

    private Finding AfterBarLine(StudyContext context, Part part, NoteHead head, NoteHead before) =>
        Finding.At(
            Name,
            part,
            [head.Owner],
            Severity.Note,
            $"{Signed(head.Written!.Value)} again",
            $"The sign before {before.Written!.Value.Name} in measure {context.Label(before.Owner.MeasureIndex)} ends at the bar line: "
                + $"this note is {Signed(head.Written.Value)}."
        );

    private static string Signed(Pitch p) => p.Alter == 0 ? p.Step + "♮" : p.Name;
}
