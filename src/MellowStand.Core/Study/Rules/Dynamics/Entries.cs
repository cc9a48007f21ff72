using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>Notes with which a part enters.</summary>
internal static class Entries
{
    /// <summary>The first note, and every one after more than a beat of rest: an afterbeat is no entry.</summary>
    public static IEnumerable<Note> Of(StudyContext context, Part part)
    {
        var notes = context.MelodyOf(part).Notes;
        for (var i = 0; i < notes.Count; i++)
        {
            var beat = context.Score.Measures[notes[i].MeasureIndex].Meter.BeatUnit;
            if (i == 0 || notes[i].Onset - (notes[i - 1].Onset + notes[i - 1].SoundingDuration) > beat)
                yield return notes[i];
        }
    }
}
