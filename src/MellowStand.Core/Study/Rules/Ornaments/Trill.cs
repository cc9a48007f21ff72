using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A trill: its upper note, where it starts and stops, and how many alternations fit.</summary>
/// <remarks>The upper note is the next letter in the signature, changed by a sign printed with the trill or earlier in the measure. Start and stop by the
/// house rules. Ten notes a second is a good player's trill (from memory), so an alternation takes a fifth of a second.</remarks>
public sealed class Trill : IStudyRule
{
    private const double NotesPerSecond = 10;

    private static readonly Dictionary<string, decimal> Alters = new() { ["sharp"] = 1, ["flat"] = -1, ["natural"] = 0, ["double-sharp"] = 2, ["flat-flat"] = -2 };

    /// <inheritdoc/>
    public string Name => "trill";

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        foreach (var note in part.Notes.Where(n => n.Has("trill-mark") && n.Top is not null && !n.IsTieContinuation))
        {
            var main = note.Top!.Value;
            var upper = Upper(part, note);
            var closing = part.Notes.Skip(part.PlaceFrom(note.Onset)).Any(n => n.IsGrace && n.Onset == note.Onset + note.SoundingDuration && n.Voice == note.Voice);
            var seconds = context.Seconds(note.MeasureIndex, note.SoundingDuration);
            var alternations = Math.Max(1, (int)(seconds * NotesPerSecond / 2));
            var start = context.House["trill-start"] == "upper" ? $"begin on {upper.Name}" : $"begin on {main.Name}";
            var stop = context.House["trill-end"] == "run-through" ? "run through to the next note" : closing ? "stop on the beat before the closing notes" : "stop just before the next note";
            yield return Finding.At(Name, part, [note], Severity.Note, $"Trill {main.Name}–{upper.Name}",
                $"{Capital(start)}, trill with {upper.Name}{(closing ? ", with closing notes" : "")}, {stop}; about {alternations} {(alternations == 1 ? "alternation fits" : "alternations fit")}.");
        }
    }

    /// <summary>The upper note of a trill or turn as it is played.</summary>
    internal static Pitch Upper(Part part, Note note) => Neighbour(part, note, 1);

    /// <summary>The neighbour above (1) or below (-1), spelled in the signature, with the sign at the ornament or earlier in the measure.</summary>
    internal static Pitch Neighbour(Part part, Note note, int direction)
    {
        var main = note.Top!.Value;
        var place = main.Diatonic + direction;
        var octave = (int)Math.Floor(place / 7.0);
        var step = (Step)(place - (7 * octave));
        var measure = part.Measures[note.MeasureIndex];
        var printed = note.Marks.FirstOrDefault(m => m.Name == (direction > 0 ? "accidental-mark" : "accidental-mark-below"));
        if (printed.Value is { } sign && Alters.TryGetValue(sign, out var alter)) return new Pitch(step, alter, octave);
        var earlier = measure.Notes.TakeWhile(n => n.Onset < note.Onset).SelectMany(n => n.Heads).LastOrDefault(h => h.Written is { } p && p.Step == step && p.Octave == octave);
        return new Pitch(step, earlier?.Written?.Alter ?? measure.Key.AlterOf(step), octave);
    }

    private static string Capital(string text) => char.ToUpperInvariant(text[0]) + text[1..];
}
