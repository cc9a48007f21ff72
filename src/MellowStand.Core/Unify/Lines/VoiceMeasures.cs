using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>A voice measure by measure, in texts that can be compared.</summary>
/// <param name="line">The voice.</param>
/// <param name="count">Measures of the score.</param>
internal sealed class VoiceMeasures(VoiceLine line, int count)
{
    private readonly ILookup<int, Note> _notes = line.Notes.ToLookup(n => n.MeasureIndex);
    private readonly string?[] _rhythm = new string?[count];
    private readonly string?[] _keys = new string?[count];

    public VoiceLine Line => line;

    public IEnumerable<Note> In(int measure) => _notes[measure];

    /// <summary>When the notes of a measure strike and how long they sound.</summary>
    public string RhythmOf(int measure) =>
        _rhythm[measure] ??= string.Join(' ', _notes[measure].Select(n => $"{n.Offset}:{n.SoundingDuration}"));

    /// <summary>The sounding keys of a measure.</summary>
    public string KeysOf(int measure) => _keys[measure] ??= string.Join(' ', _notes[measure].Select(n => n.TopSounding));

    /// <summary>True where nothing sounds just before the first note of a measure.</summary>
    public bool RestsBefore(int measure)
    {
        var first = _notes[measure].First();
        var at = line.Notes.PlaceFrom(n => n.Onset, first.Onset);
        return at == 0 || line.Notes[at - 1].Onset + line.Notes[at - 1].SoundingDuration < first.Onset;
    }

    /// <summary>True where nothing sounds just after the last note of a measure.</summary>
    public bool RestsAfter(int measure, int measures)
    {
        var last = _notes[measure].Last();
        var at = line.Notes.PlaceFrom(n => n.Onset, last.Onset) + 1;
        return measure + 1 == measures || at == line.Notes.Count || line.Notes[at].Onset > last.Onset + last.SoundingDuration;
    }
}
