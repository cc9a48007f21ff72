using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>An accidental earlier in the measure still holds, and nothing is printed here.</summary>
/// <remarks>The sign holds to the end of its measure, at its own octave only; a tie carries it over the bar line for the
/// tied note alone. Source: MusicXML 4.0, element "accidental"; common practice, no published source, for its being the
/// most missed thing of all.</remarks>
[Example("key:C | F#4 G4 F#4 A4", 1, "the sign holds to the bar line")]
[Example("key:G | F#4 G4 F#4 A4", 0, "the signature already says so")]
[Example("key:C | F#4 G4 F#5 A4", 0, "another octave prints its own sign")]
[Example("key:C | C4h F#4h~ | F#4h G4h", 1, "a tie carries it over the bar line")]
public sealed class CarriedAccidental : IStudyRule
{
    /// <inheritdoc/>
    public string Name => "carried-accidental";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Accidentals;

    /// <inheritdoc/>
    public WritesIn WritesIn => WritesIn.CourtesyAccidental;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part) =>
        part.Measures.SelectMany(m => m.Notes.GroupBy(n => n.Staff).SelectMany(staff => InMeasure(context, part, m, staff)));

    private IEnumerable<Finding> InMeasure(StudyContext context, Part part, PartMeasure measure, IEnumerable<Note> notes)
    {
        var signed = new Dictionary<(Step, int), NoteHead>();
        // What a sign reaches is told with that sign; what a tie carries is another matter.
        var carried = new List<(NoteHead? Sign, NoteHead Head)>();
        foreach (var head in notes.Where(n => !n.IsCue).SelectMany(n => n.Heads).Where(h => h.Written is not null))
        {
            var pitch = head.Written!.Value;
            var place = (pitch.Step, pitch.Octave);
            if (head.Accidental is not null)
                signed[place] = head;
            else if (pitch.Alter != measure.Key.AlterOf(pitch.Step))
            {
                if (head.TiedFrom is { } from)
                {
                    if (from.Owner.MeasureIndex < measure.Index)
                        carried.Add((null, head));
                }
                else if (signed.TryGetValue(place, out var sign))
                    carried.Add((sign, head));
            }
        }

        return carried
            .GroupBy(c => (c.Sign, Tied: c.Sign is null ? c.Head : null))
            .Select(g => ToFinding(context, part, measure.Index, g.Key.Sign, [.. g.Select(c => c.Head)]));
    }

    private Finding ToFinding(StudyContext context, Part part, int measure, NoteHead? sign, List<NoteHead> heads)
    {
        var name = SignedName(heads[0].Written!.Value);
        var why = sign is null
            ? $"The tie carries the sign of {name} over the bar line, for the tied note alone: nothing is printed in measure "
                + $"{context.Label(measure)}."
            : $"The sign at beat {context.Beat(sign.Owner)} holds to the bar line, so "
                + $"{(heads.Count == 1 ? "this note is" : $"these {heads.Count} notes are")} {name} too, with nothing printed.";
        return new Finding(
            Name,
            [part.Id],
            measure,
            measure,
            [.. heads.Select(h => h.Id)],
            // A note that is only held on is seldom missed.
            sign is null
            || IsRepeat(part, sign, heads)
                ? Severity.Note
                : Severity.Warn,
            $"{name} still",
            why
        )
        {
            Fact = $"{heads[0].Sounding % 12} {sign?.Owner.Onset} {string.Join(' ', heads.Select(h => h.Owner.Onset))}",
        };
    }

    // The same note struck again at once is seldom missed.
    private static bool IsRepeat(Part part, NoteHead? sign, List<NoteHead> heads)
    {
        if (sign is null)
            return false;
        var notes = part.Measures[sign.Owner.MeasureIndex]
            .Notes.Where(n => n.Staff == sign.Owner.Staff && n.Voice == sign.Owner.Voice)
            .ToList();
        var last = notes.IndexOf(heads[^1].Owner);
        var first = notes.IndexOf(sign.Owner);
        return first >= 0 && last > first && notes.Skip(first).Take(last - first + 1).All(n => n.Heads.Any(h => h.Written == sign.Written));
    }

    private static string SignedName(Pitch p) => p.Alter == 0 ? p.Step + "♮" : p.Name;
}
