using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A glissando or slide: how long its first note is held, what fills the way, where it arrives.</summary>
/// <remarks>The first half of the note is held, as it is played. Source: MusicXML 4.0, elements "glissando" and "slide"; the rest is common
/// practice, no published source.</remarks>
[Example("| Bb4h(gliss) Bb5h", 1)]
[Example("| Bb4h Bb5h", 0)]
[Example("| C5s C#5s D5s D#5s E5s F5s F#5s G5s A5h", 0, "a run that is written out")]
public sealed class Glissando : IStudyRule
{
    private static readonly Dictionary<Family, string> Ways = new()
    {
        [Family.Woodwind] = "by half steps, each as short as the next",
        [Family.Brass] = "by half steps, or with the valves half down",
        [Family.Strings] = "with one finger that slides, the bow moving on",
        [Family.Percussion] = "over the bars with the stick",
        [Family.Keyboard] = "over the keys or strings",
        [Family.Voice] = "with the voice, without a break",
    };

    /// <inheritdoc/>
    public string Name => "glissando";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Ornaments;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        foreach (var note in part.Notes.Where(n => OrnamentMarks.Slides.Any(n.Has) && n.Top is not null))
        {
            var next = part.Notes.Skip(part.PlaceFrom(note.Onset + note.SoundingDuration)).FirstOrDefault(n => IsGoal(n, note));
            var (from, to) = (note.Top!.Value, next?.Top);
            var up = to is null || to.Value.Midi >= from.Midi ? "up" : "down";
            yield return Finding.At(
                Name,
                part,
                next is null ? [note] : [note, next],
                Severity.Tell,
                to is null ? $"Glissando from {from}" : $"Glissando {from}–{to}",
                $"Hold {from} for half of its length ({Lengths.Value(note.SoundingDuration / 2)}), then fill the way {up} "
                    + $"{Way(context.InstrumentOf(part))}{(next is null ? "" : $", and arrive on {to} at beat {context.Beat(next)}")}: "
                    + "practice the two ends alone first."
            );
        }
    }

    private static bool IsGoal(Note note, Note from) => note.Sounds && !note.IsGrace && note.Voice == from.Voice && note.Top is not null;

    private static string Way(Instrument? instrument)
    {
        if (instrument?.Kin == Kin.Trombone)
            return "with the slide";
        if (instrument?.Kin == Kin.Timpani)
            return "with the pedal while the head rings";
        return Ways.GetValueOrDefault(instrument?.Family ?? Family.Unknown, "by half steps");
    }
}
