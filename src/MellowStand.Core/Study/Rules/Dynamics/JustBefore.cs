using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>Whether a part plays right up to a note, so that a change of level is on that very note, or rests before it.</summary>
internal static class JustBefore
{
    /// <summary>True when something sounds up to a beat before the note: one beat of rest prepares nobody.</summary>
    public static bool Sounds(StudyContext context, Part part, Note note)
    {
        var beat = context.Score.Measures[note.MeasureIndex].Meter.BeatUnit;
        var since = note.Onset - beat;
        for (var i = part.PlaceFrom(note.Onset) - 1; i >= 0 && part.Notes[i].MeasureIndex >= note.MeasureIndex - 1; i--)
            if (part.Notes[i].Sounds && part.Notes[i].End >= since)
                return true;
        return false;
    }
}
