using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>Finds a note again where the same voice has the same neighbours: two notes before and two after, same keys and
/// lengths.</summary>
/// <remarks>The note itself is not compared, so that a misprint can be told from what stands elsewhere. Our own method.</remarks>
internal sealed class SameMusic
{
    private const int Around = 2;

    private readonly Dictionary<(string Part, string Voice), ILookup<string, Note>> _index = [];
    private readonly Dictionary<string, string> _keys = [];

    /// <summary>The notes at the same place of the same music, without the note itself.</summary>
    public IEnumerable<Note> Of(VoiceLine voice, Note note)
    {
        if (!_index.TryGetValue((voice.Part.Id, voice.Voice), out var index))
            _index[(voice.Part.Id, voice.Voice)] = index = Index(voice);
        return _keys.TryGetValue(note.Id, out var key) ? index[key].Where(n => n != note) : [];
    }

    private ILookup<string, Note> Index(VoiceLine voice)
    {
        for (var i = Around; i + Around < voice.Notes.Count; i++)
            _keys[voice.Notes[i].Id] = string.Join(
                ' ',
                Enumerable
                    .Range(i - Around, (2 * Around) + 1)
                    .Select(k =>
                        k == i
                            ? voice.Notes[k].SoundingDuration.ToString()
                            : $"{voice.Notes[k].TopSounding}:{voice.Notes[k].SoundingDuration}"
                    )
            );
        return voice.Notes.Where(n => _keys.ContainsKey(n.Id)).ToLookup(n => _keys[n.Id]);
    }
}
