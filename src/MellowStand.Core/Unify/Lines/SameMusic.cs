using System.Collections.Concurrent;
using System.Runtime.CompilerServices;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>Finds a note again where the same voice has the same neighbours: two notes before and two after, same keys and
/// lengths.</summary>
/// <remarks>The note itself is not compared, so that a misprint can be told from what stands elsewhere. Kept as long as the part, so that
/// after a decision only the parts that it touched are looked through again. Our own method.</remarks>
internal static class SameMusic
{
    private const int Around = 2;

    private static readonly ConditionalWeakTable<Part, ConcurrentDictionary<(string Voice, int Staff), VoiceIndex>> Known = [];

    /// <summary>The notes at the same place of the same music, without the note itself.</summary>
    public static IEnumerable<Note> Of(VoiceLine voice, Note note) =>
        Known.GetValue(voice.Part, _ => new()).GetOrAdd((voice.Voice, voice.Notes[0].Staff), _ => new VoiceIndex(voice.Notes)).Of(note);

    private sealed class VoiceIndex
    {
        private readonly IReadOnlyList<Note> _notes;
        private readonly Dictionary<long, List<int>> _places = [];

        public VoiceIndex(IReadOnlyList<Note> notes)
        {
            _notes = notes;
            for (var i = Around; i + Around < notes.Count; i++)
            {
                var key = KeyOf(i);
                if (_places.TryGetValue(key, out var there))
                    there.Add(i);
                else
                    _places[key] = [i];
            }
        }

        public IEnumerable<Note> Of(Note note)
        {
            var at = _notes.PlaceFrom(n => n.Onset, note.Onset);
            if (at < Around || at + Around >= _notes.Count)
                return [];
            return _places[KeyOf(at)].Where(i => i != at).Select(i => _notes[i]);
        }

        // Lengths of all, and keys of all but the note itself, folded into one number.
        private long KeyOf(int place)
        {
            var key = 17L;
            for (var i = place - Around; i <= place + Around; i++)
            {
                var sound = i == place ? -1 : _notes[i].TopSounding!.Value;
                key = unchecked((((key * 1_000_003) + sound) * 31) + _notes[i].SoundingDuration.GetHashCode());
            }

            return key;
        }
    }
}
