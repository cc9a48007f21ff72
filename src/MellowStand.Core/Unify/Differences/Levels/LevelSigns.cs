using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>Which printed signs belong to a note, and how they are written anew.</summary>
internal static class LevelSigns
{
    private static LevelReading At(VoiceLine voice, Note note, LevelLine levels)
    {
        var own = note.Marks.Where(m => m.Name == "dynamics" && m.Value is not null).Select(m => (m.Value!, note.Id)).Distinct().ToList();
        var inForce = levels.At(note.Onset);
        if (own.Count == 0 && inForce is not null && OverRest(voice, note, inForce) is { } rest)
            own.Add((inForce.Sign, rest.Id));
        return new LevelReading(voice.Part, note, own, inForce);
    }

    /// <summary>What the voices of a line have at a place of it.</summary>
    public static List<LevelReading> At(SharedLine line, int place, List<LevelLine> levels)
    {
        var readings = line.Voices.Select((v, k) => At(v, line.Notes[k][place], levels[k])).ToList();
        var isPrinted = readings.Any(r => r.Printed.Count > 0);
        return [.. readings.Select(r => r with { Told = isPrinted ? r.Signs : r.InForce?.Sign ?? "" })];
    }

    /// <summary>What writes other words into a part: signs over the rest before are replaced, not doubled.</summary>
    public static IEnumerable<MarkChange> Changes(LevelReading reading, string to)
    {
        var wants = to.Split('+', StringSplitOptions.RemoveEmptyEntries);
        foreach (var (sign, at) in reading.Printed.Where(p => !wants.Contains(p.Sign) || p.At != reading.Note.Id))
            yield return new MarkChange(reading.Part.Id, [at], [], [new Mark("dynamics", sign)]);
        var there = reading.Printed.Where(p => p.At == reading.Note.Id).Select(p => p.Sign);
        if (wants.Except(there).ToList() is { Count: > 0 } added)
            yield return new MarkChange(reading.Part.Id, [reading.Note.Id], [.. added.Select(s => new Mark("dynamics", s))], []);
    }

    // The rest on which the sign stands, when nothing sounds between the sign and the note.
    private static Note? OverRest(VoiceLine voice, Note note, PrintedLevel sign)
    {
        var at = voice.Notes.PlaceFrom(n => n.Onset, note.Onset);
        if (sign.Onset >= note.Onset || (at > 0 && voice.Notes[at - 1].Onset + voice.Notes[at - 1].SoundingDuration > sign.Onset))
            return null;
        return voice
            .Part.Notes.Between(n => n.Onset, sign.Onset, sign.Onset)
            .FirstOrDefault(n => n.Kind == NoteKind.Rest && n.Staff == note.Staff);
    }
}
