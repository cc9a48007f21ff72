using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>After an accidental, the same letter at another octave or in the next measure is as the signature says again, with no sign
/// printed.</summary>
/// <remarks>The sign does not reach another octave and ends at the bar line; players carry it on all the same. Source: MusicXML 4.0,
/// element "accidental"; common practice, no published source, for the trap.</remarks>
[Example("key:C | F#4 G4 F5 E5", 1)]
[Example("key:C | F#4 G4 F#5 E5", 0)]
[Example("key:C | F#4 G4 A4 B4", 0)]
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
        foreach (var measure in part.Measures)
        {
            var changed = new Dictionary<(int Staff, Step Step), NoteHead>();
            foreach (
                var head in measure
                    .Notes.Where(n => !n.IsCue)
                    .SelectMany(n => n.Heads)
                    .Where(h => h.Written is not null && h.TiedFrom is null)
            )
            {
                var p = head.Written!.Value;
                var key = (head.Owner.Staff, p.Step);
                if (p.Alter != measure.Key.AlterOf(p.Step) && head.Accidental is not null)
                    changed[key] = head;
                else if (
                    head.Accidental is null
                    && p.Alter == measure.Key.AlterOf(p.Step)
                    && changed.TryGetValue(key, out var before)
                    && before.Written!.Value.Octave != p.Octave
                )
                {
                    changed.Remove(key);
                    yield return Finding.At(
                        Name,
                        part,
                        [head.Owner],
                        Severity.Note,
                        $"{Signed(p)} at the other octave",
                        $"The sign before {before.Written.Value.Name} at beat {context.Beat(before.Owner)} holds at its own "
                            + $"octave only: this note is {Signed(p)}."
                    );
                }
            }
        }
    }

    private static string Signed(Pitch p) => p.Alter == 0 ? p.Step + "♮" : p.Name;
}
