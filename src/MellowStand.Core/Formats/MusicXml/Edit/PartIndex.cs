using System.Xml.Linq;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Finds the elements of a part again by note id and by moment.</summary>
internal sealed class PartIndex : IPartListener
{
    private readonly Dictionary<string, PlacedElement> _notes = [];
    private readonly List<PlacedElement> _directions = [];
    private readonly HashSet<Fraction> _moments = [];
    private readonly List<(int Place, DirectionPlace At)> _moved = [];

    public PartIndex(PartContent content)
    {
        Content = content;
        new PartWalk(content).Go(this);
    }

    public PartContent Content { get; }

    public IEnumerable<KeyValuePair<string, PlacedElement>> Notes => _notes;

    public IEnumerable<PlacedElement> Directions => _directions.Where(d => d.Element.Parent is not null);

    public PlacedElement? Note(string id) => _notes.GetValueOrDefault(id);

    /// <summary>Directions at the moment of a note, on its staff.</summary>
    public IEnumerable<XElement> DirectionsAt(PlacedElement note) =>
        Directions
            .Where(d => d.Measure == note.Measure && d.Offset == note.Offset && StaffOf(d.Element) == StaffOf(note.Element))
            .Select(d => d.Element);

    public static int StaffOf(XElement e) => e.Element("staff").Int() ?? 1;

    void IPartListener.Note(PartWalk walk, XElement element, NoteReader note)
    {
        _notes[walk.NoteId] = new PlacedElement(element, walk.Measure, walk.NoteAt, walk.NoteLength);
        _moments.Add(walk.NoteAt);
    }

    void IPartListener.Begin(PartWalk walk) => _moments.Clear();

    void IPartListener.Direction(PartWalk walk, XElement element)
    {
        var place = DirectionPlace.Of(walk, element);
        if (place.IsMoved)
            _moved.Add((_directions.Count, place));
        _directions.Add(new PlacedElement(element, walk.Measure, place.Offset));
    }

    void IPartListener.End(PartWalk walk)
    {
        _moments.Add(walk.Furthest);
        foreach (var (i, place) in _moved)
            _directions[i] = _directions[i] with { Offset = place.In(_moments, walk.Furthest) };
        _moved.Clear();
    }
}

/// <summary>An element with its place: measure from 0, quarters from the start of the measure, and for a note its length in
/// quarters.</summary>
internal sealed record PlacedElement(XElement Element, int Measure, Fraction Offset, Fraction Length = default);
