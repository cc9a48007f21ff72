using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>A slur by the struck notes that it spans, with the notes on which it is printed.</summary>
/// <param name="From">Place of its first struck note in the voice.</param>
/// <param name="To">Place of its last struck note in the voice.</param>
/// <param name="First">The note it is printed from; it may continue a tie.</param>
/// <param name="Last">The note it is printed to; it may continue a tie.</param>
internal readonly record struct SlurPlace(int From, int To, Note First, Note Last);

/// <summary>The slurs of a voice in the order of their first notes.</summary>
/// <remarks>A slur that is printed from or to a note that continues a tie belongs to the note that was struck.</remarks>
internal sealed class SlurPlaces
{
    private readonly Dictionary<string, int> _places = [];
    private readonly ILookup<int, SlurPlace> _byFrom;

    public SlurPlaces(VoiceLine voice)
    {
        for (var i = 0; i < voice.Notes.Count; i++)
            _places[voice.Notes[i].Id] = i;
        All =
        [
            .. voice
                .Part.Slurs.Where(s => !s.From.IsGrace && s.From.Voice == voice.Voice)
                .Select(s => Of(s, voice))
                .OfType<SlurPlace>()
                .DistinctBy(s => (s.From, s.To))
                .OrderBy(s => s.From)
                .ThenBy(s => s.To),
        ];
        _byFrom = All.ToLookup(s => s.From);
    }

    public IReadOnlyList<SlurPlace> All { get; }

    /// <summary>Place of a struck note in its voice, or null.</summary>
    public int? PlaceOf(Note note) => _places.TryGetValue(note.Id, out var place) ? place : null;

    /// <summary>The slurs within so many notes from a note, each by its distance from that note; empty where there are none.</summary>
    public string Shape(Note first, int notes)
    {
        if (PlaceOf(first) is not { } start)
            return "";
        return string.Join(
            ' ',
            Enumerable
                .Range(start, notes + 1)
                .SelectMany(i => _byFrom[i])
                .Where(s => s.To <= start + notes)
                .Select(s => $"{s.From - start}-{s.To - start}")
        );
    }

    /// <summary>How far the slurs go that begin at a note, in notes; empty where none begins.</summary>
    public string Begins(Note first) =>
        PlaceOf(first) is { } start && _byFrom.Contains(start) ? string.Join(' ', _byFrom[start].Select(s => s.To - start)) : "";

    /// <summary>True for a note under a slur, from its first to its last.</summary>
    public bool Covers(Note note) => PlaceOf(note) is { } at && All.Any(s => s.From <= at && at <= s.To);

    private SlurPlace? Of(Slur slur, VoiceLine voice) =>
        Struck(slur.From, voice) is { } from && Struck(slur.To, voice) is { } to && to > from
            ? new SlurPlace(from, to, slur.From, slur.To)
            : null;

    private int? Struck(Note note, VoiceLine voice)
    {
        if (PlaceOf(note) is { } place)
            return place;
        var head = note.Heads.Count > 0 ? note.Heads[0] : null;
        while (head?.TiedFrom is { } from)
            head = from;
        if (head is not null && PlaceOf(head.Owner) is { } began)
            return began;
        // Two staves or voices may share a chord: the note of the line at that moment.
        var i = voice.Notes.PlaceFrom(n => n.Onset, note.Onset);
        return i < voice.Notes.Count && voice.Notes[i].Onset == note.Onset ? i : null;
    }
}
