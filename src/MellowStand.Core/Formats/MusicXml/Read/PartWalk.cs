using System.Xml.Linq;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>What a walk over a part meets. All who read a part listen to the same walk, so that they cannot disagree on where a note
/// stands.</summary>
internal interface IPartListener
{
    /// <summary>A measure begins.</summary>
    void Begin(PartWalk walk) { }

    /// <summary>A note, chord member, rest or grace; <see cref="PartWalk.NoteAt"/> is its moment.</summary>
    void Note(PartWalk walk, XElement element, NoteReader note) { }

    /// <summary>An <c>attributes</c> element, already in force.</summary>
    void Attributes(PartWalk walk, XElement element) { }

    /// <summary>A <c>direction</c> at the cursor.</summary>
    void Direction(PartWalk walk, XElement element) { }

    /// <summary>A <c>sound</c> that stands in the measure by itself.</summary>
    void Sound(PartWalk walk, XElement element) { }

    /// <summary>A <c>barline</c> at the cursor.</summary>
    void Barline(PartWalk walk, XElement element) { }

    /// <summary>A measure is over; <see cref="PartWalk.Furthest"/> is its length.</summary>
    void End(PartWalk walk) { }
}

/// <summary>The one walk over the measures and notes of a part: cursor, what is in force, number of the note.</summary>
/// <remarks>The cursor moves as MusicXML 4.0 says under "note", "backup" and "forward". A note that says it is in a chord belongs to the
/// note before
/// it; where there is none in its measure it stands for itself.</remarks>
internal sealed class PartWalk(PartContent content, Action<int, string>? warn = null)
{
    private bool _hasNote;
    private (KeySignature, Meter)? _atStart;

    /// <summary>What is in force at the cursor.</summary>
    public PartState State { get; } = new();

    /// <summary>What is in force where the measure's first note or step forward stands.</summary>
    public (KeySignature Key, Meter Meter) AtStart => _atStart ?? (State.Key, State.Meter);

    /// <summary>The measure from 0.</summary>
    public int Measure { get; private set; }

    /// <summary>Quarters from the start of the measure.</summary>
    public Fraction Cursor { get; private set; }

    /// <summary>The furthest that the cursor has been in the measure, in quarters.</summary>
    public Fraction Furthest { get; private set; }

    /// <summary>Where the note that is told stands: for a chord member where its chord began.</summary>
    public Fraction NoteAt { get; private set; }

    /// <summary>Length in quarters of the note that is told; zero for a grace and for a member of a chord.</summary>
    public Fraction NoteLength { get; private set; }

    /// <summary>True when the note that is told joins the note before it.</summary>
    public bool JoinsChord { get; private set; }

    /// <summary>Place of the note among the part's notes, from 1.</summary>
    public int Ordinal { get; private set; }

    /// <summary>Our id of the note that is told.</summary>
    public string NoteId => NoteReader.IdOf(content.Id, Ordinal);

    /// <summary>Walks from the first measure to the last.</summary>
    public void Go(IPartListener listener, CancellationToken cancelled = default)
    {
        for (Measure = 0; Measure < content.Measures.Count; Measure++)
        {
            cancelled.ThrowIfCancellationRequested();
            Cursor = Furthest = Fraction.Zero;
            _hasNote = false;
            _atStart = null;
            listener.Begin(this);
            if (content.Measures[Measure] is { } measure)
                Walk(measure, listener);
            listener.End(this);
        }
    }

    /// <summary>Tells what is odd at the cursor.</summary>
    public void Warn(string what) => warn?.Invoke(Measure, what);

    private void Walk(XElement measure, IPartListener listener)
    {
        for (var node = measure.FirstNode; node is not null; node = node.NextNode)
        {
            if (node is not XElement e)
                continue;
            switch (e.Name.LocalName)
            {
                case "note":
                    Note(e, listener);
                    break;
                case "backup":
                    Move(-Duration(e.Element("duration")));
                    break;
                case "forward":
                    _atStart ??= (State.Key, State.Meter);
                    Move(Duration(e.Element("duration")));
                    break;
                case "attributes":
                    State.Apply(e, Warn);
                    listener.Attributes(this, e);
                    break;
                case "direction":
                    listener.Direction(this, e);
                    break;
                case "sound":
                    listener.Sound(this, e);
                    break;
                case "barline":
                    listener.Barline(this, e);
                    break;
                default:
                    break;
            }
        }
    }

    private void Note(XElement e, IPartListener listener)
    {
        Ordinal++;
        _atStart ??= (State.Key, State.Meter);
        var note = new NoteReader(e);
        JoinsChord = note.IsChord && _hasNote && !note.ReadsAsRest;
        if (!JoinsChord)
            NoteAt = Cursor;
        NoteLength = JoinsChord || note.Grace is not null ? Fraction.Zero : Duration(note.Duration);
        listener.Note(this, e, note);
        _hasNote = true;
        if (NoteLength != Fraction.Zero)
            Move(NoteLength);
    }

    private Fraction Duration(XElement? text)
    {
        if (text is null)
            return Fraction.Zero;
        if (text.Exact() is { } n && n >= Fraction.Zero)
            return n / State.Divisions;
        Warn($"the duration \"{PartState.Short(text.Value)}\" makes no sense: it is read as nothing");
        return Fraction.Zero;
    }

    private void Move(Fraction by)
    {
        Cursor += by;
        if (Cursor < Fraction.Zero)
        {
            Warn("the file steps back beyond the bar line: it is read from the bar line");
            Cursor = Fraction.Zero;
        }

        ScoreLimits.CheckTime(Cursor, ScoreLimits.QuartersAMeasure, "a measure");
        Furthest = Fraction.Max(Furthest, Cursor);
    }
}
