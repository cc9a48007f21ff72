using System.Collections;

namespace MellowStand.Core.Notation;

/// <summary>One notehead of a note or chord; two are the same only when they are one.</summary>
/// <param name="id">The address of the printed notehead: part, then its place among the part's notes from 1.</param>
/// <param name="written">The printed pitch; null for an unpitched sound.</param>
/// <param name="sounding">The sounding MIDI key number; null for an unpitched sound.</param>
/// <param name="accidental">The printed sign (<c>sharp</c>, <c>natural</c>, …) or null when none is printed.</param>
/// <param name="tieStart">A tie begins here.</param>
/// <param name="tieStop">A tie ends here.</param>
/// <remarks>No record: heads that are tied point at each other, and a record would walk round that circle to print or hash
/// itself.</remarks>
public sealed class NoteHead(string id, Pitch? written, int? sounding, string? accidental, bool tieStart, bool tieStop)
    : IReadOnlyList<NoteHead>
{
    private readonly short _sounding = (short)(sounding ?? short.MinValue);
    private Ties? _ties;

    /// <summary>The address of the printed notehead: part, then its place among the part's notes from 1.</summary>
    public string Id => id;

    /// <summary>The printed pitch; null for an unpitched sound.</summary>
    public Pitch? Written => written;

    /// <summary>The sounding MIDI key number; null for an unpitched sound.</summary>
    public int? Sounding => _sounding == short.MinValue ? null : _sounding;

    /// <summary>The printed sign (<c>sharp</c>, <c>natural</c>, …) or null when none is printed.</summary>
    public string? Accidental => accidental;

    /// <summary>True where a tie begins.</summary>
    public bool TieStart => tieStart;

    /// <summary>True where a tie ends.</summary>
    public bool TieStop => tieStop;

    /// <summary>The notehead this one is tied to, once the part is complete.</summary>
    public NoteHead? TiedTo
    {
        get => _ties?.To;
        internal set => (_ties ??= new Ties()).To = value;
    }

    /// <summary>The notehead this one is tied from, once the part is complete.</summary>
    public NoteHead? TiedFrom
    {
        get => _ties?.From;
        internal set => (_ties ??= new Ties()).From = value;
    }

    /// <summary>The note this head belongs to.</summary>
    public Note Owner { get; internal set; } = null!;

    /// <summary>Length in quarters with all ties that follow.</summary>
    public Fraction TiedDuration
    {
        get
        {
            var sum = Owner.Duration;
            for (var next = TiedTo; next is not null; next = next.TiedTo)
                sum += next.Owner.Duration;
            return sum;
        }
    }

    /// <summary>The heads that it sounds on through, itself first.</summary>
    public IEnumerable<NoteHead> Tied
    {
        get
        {
            for (var head = this; head is not null; head = head.TiedTo)
                yield return head;
        }
    }

    /// <inheritdoc/>
    public override string ToString() => $"{Id} {Written}";

    // Most notes have one head: the head itself is the list, so that a score does not hold one more object a note.
    int IReadOnlyCollection<NoteHead>.Count => 1;

    NoteHead IReadOnlyList<NoteHead>.this[int index] => index == 0 ? this : throw new ArgumentOutOfRangeException(nameof(index));

    IEnumerator<NoteHead> IEnumerable<NoteHead>.GetEnumerator()
    {
        yield return this;
    }

    IEnumerator IEnumerable.GetEnumerator() => ((IEnumerable<NoteHead>)this).GetEnumerator();

    private sealed class Ties
    {
        public NoteHead? To { get; set; }

        public NoteHead? From { get; set; }
    }
}

/// <summary>What a note event is.</summary>
public enum NoteKind
{
    /// <summary>A pitched note or chord.</summary>
    Pitched,

    /// <summary>A sound without pitch, as of a snare drum.</summary>
    Unpitched,

    /// <summary>A rest.</summary>
    Rest,
}

/// <summary>A printed note, chord or rest: one event of one voice.</summary>
public sealed class Note
{
    // A score holds tens of thousands of notes: small numbers stand in small fields.
    private const byte Grace = 1;
    private const byte Slash = 2;
    private const byte Cue = 4;

    private readonly byte _flags;
    private readonly byte _kind;
    private readonly byte _staff;
    private readonly byte _dots;
    private readonly byte _type;
    private readonly byte _beam;
    private readonly short _actual = 1;
    private readonly short _normal = 1;
    private readonly SmallFraction _offset;
    private readonly SmallFraction _duration;
    private SmallFraction _onset;
    private sbyte _octaveShift;

    /// <summary>The address of its first notehead.</summary>
    public required string Id { get; init; }

    /// <summary>The part it stands in.</summary>
    public required string PartId { get; init; }

    /// <summary>Place of its measure from 0.</summary>
    public required int MeasureIndex { get; init; }

    /// <summary>Quarters from the start of its measure.</summary>
    public required Fraction Offset
    {
        get => _offset;
        init => _offset = value;
    }

    /// <summary>Printed length in quarters; zero for a grace.</summary>
    public required Fraction Duration
    {
        get => _duration;
        init => _duration = value;
    }

    /// <summary>Note, unpitched sound or rest.</summary>
    public required NoteKind Kind
    {
        get => (NoteKind)_kind;
        init => _kind = (byte)value;
    }

    /// <summary>The voice as printed in the file.</summary>
    public required string Voice { get; init; }

    /// <summary>The staff of the part, from 1.</summary>
    public required int Staff
    {
        get => _staff;
        init => _staff = (byte)value;
    }

    /// <summary>Quarters from the start of the printed score.</summary>
    public Fraction Onset
    {
        get => _onset;
        internal set => _onset = value;
    }

    /// <summary>Onset plus printed length, in quarters.</summary>
    public Fraction End => Onset + Duration;

    /// <summary>Its noteheads, as printed from the first to the last of the chord; empty for a rest.</summary>
    public IReadOnlyList<NoteHead> Heads { get; internal set; } = [];

    /// <summary>True for a grace note.</summary>
    public bool IsGrace
    {
        get => (_flags & Grace) != 0;
        init => _flags |= value ? Grace : (byte)0;
    }

    /// <summary>True for a grace with a slash.</summary>
    public bool GraceSlash
    {
        get => (_flags & Slash) != 0;
        init => _flags |= value ? Slash : (byte)0;
    }

    /// <summary>True for a cue note, which another part sounds.</summary>
    public bool IsCue
    {
        get => (_flags & Cue) != 0;
        init => _flags |= value ? Cue : (byte)0;
    }

    /// <summary>The printed value (<c>quarter</c>, <c>eighth</c>, …) or null where none, or none that is known, is printed.</summary>
    public string? Type
    {
        get => NoteWords.Of(_type);
        init => _type = NoteWords.PlaceOf(value);
    }

    /// <summary>Augmentation dots.</summary>
    public int Dots
    {
        get => _dots;
        init => _dots = (byte)Math.Min(value, byte.MaxValue);
    }

    /// <summary>Printed beam signs of the first level (<c>begin</c>, <c>continue</c>, <c>end</c>) or null.</summary>
    public string? Beam
    {
        get => NoteWords.Of(_beam);
        init => _beam = NoteWords.PlaceOf(value);
    }

    /// <summary>How many notes in the time of how many, as printed; (1, 1) outside tuplets.</summary>
    public (int Actual, int Normal) Tuplet
    {
        get => (_actual, _normal);
        init => (_actual, _normal) = ((short)value.Actual, (short)value.Normal);
    }

    /// <summary>Its syllables, the first verse first; a syllable that goes on ends with a hyphen.</summary>
    public IReadOnlyList<string> Lyrics { get; init; } = [];

    /// <summary>Octaves that the line above or below the staff moves the sound from where it is printed: 1 under an 8va, -1 over an
    /// 8vb.</summary>
    public int OctaveShift
    {
        get => _octaveShift;
        internal set => _octaveShift = (sbyte)value;
    }

    /// <summary>Marks at the note, slur ends and dynamics included.</summary>
    public IReadOnlyList<Mark> Marks { get; internal set; } = [];

    /// <summary>True for a note or an unpitched sound.</summary>
    public bool Sounds => Kind != NoteKind.Rest;

    /// <summary>True when every head continues a tie, so that nothing is struck.</summary>
    public bool IsTieContinuation =>
        Only is { } head ? head.TiedFrom is not null : Heads.Count > 0 && Heads.All(h => h.TiedFrom is not null);

    /// <summary>The highest printed pitch, or null.</summary>
    public Pitch? Top =>
        Only is { } head ? head.Written : Heads.Where(h => h.Written is not null).Select(h => h.Written).MaxBy(p => p!.Value.Midi);

    /// <summary>The highest sounding key number, or null.</summary>
    public int? TopSounding => Only is { } head ? head.Sounding : Heads.Max(h => h.Sounding);

    /// <summary>Length with ties, of its longest head, in quarters.</summary>
    public Fraction SoundingDuration
    {
        get
        {
            if (Only is { } head)
                return head.TiedTo is null ? Duration : head.TiedDuration;
            return Heads.Count == 0 ? Duration : Heads.Max(h => h.TiedDuration);
        }
    }

    // Most notes have one head; the rules ask for it millions of times.
    private NoteHead? Only => Heads as NoteHead;

    /// <summary>True when it carries the mark, whatever its value.</summary>
    public bool Has(string mark)
    {
        for (var i = 0; i < Marks.Count; i++)
            if (Marks[i].Name == mark)
                return true;
        return false;
    }
}
