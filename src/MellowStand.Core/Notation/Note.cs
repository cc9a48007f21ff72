namespace MellowStand.Core.Notation;

/// <summary>One notehead of a note or chord.</summary>
/// <param name="Id">The address of the printed notehead: part, then its place among the part's notes from 1.</param>
/// <param name="Written">The printed pitch; null for an unpitched sound.</param>
/// <param name="Sounding">The sounding MIDI key number; null for an unpitched sound.</param>
/// <param name="Accidental">The printed sign (<c>sharp</c>, <c>natural</c>, …) or null when none is printed.</param>
/// <param name="TieStart">A tie begins here.</param>
/// <param name="TieStop">A tie ends here.</param>
public sealed record NoteHead(string Id, Pitch? Written, int? Sounding, string? Accidental, bool TieStart, bool TieStop)
{
    /// <summary>The notehead this one is tied to, once the part is complete.</summary>
    public NoteHead? TiedTo { get; internal set; }

    /// <summary>The notehead this one is tied from, once the part is complete.</summary>
    public NoteHead? TiedFrom { get; internal set; }

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
    /// <summary>The address of its first notehead.</summary>
    public required string Id { get; init; }

    /// <summary>The part it stands in.</summary>
    public required string PartId { get; init; }

    /// <summary>Place of its measure from 0.</summary>
    public required int MeasureIndex { get; init; }

    /// <summary>Quarters from the start of its measure.</summary>
    public required Fraction Offset { get; init; }

    /// <summary>Printed length in quarters; zero for a grace.</summary>
    public required Fraction Duration { get; init; }

    /// <summary>Note, unpitched sound or rest.</summary>
    public required NoteKind Kind { get; init; }

    /// <summary>The voice as printed in the file.</summary>
    public required string Voice { get; init; }

    /// <summary>The staff of the part, from 1.</summary>
    public required int Staff { get; init; }

    /// <summary>Quarters from the start of the printed score.</summary>
    public Fraction Onset { get; internal set; }

    /// <summary>Onset plus printed length, in quarters.</summary>
    public Fraction End => Onset + Duration;

    /// <summary>Its noteheads, as printed from the first to the last of the chord; empty for a rest.</summary>
    public IReadOnlyList<NoteHead> Heads { get; internal set; } = [];

    /// <summary>True for a grace note.</summary>
    public bool IsGrace { get; init; }

    /// <summary>True for a grace with a slash.</summary>
    public bool GraceSlash { get; init; }

    /// <summary>True for a cue note, which another part sounds.</summary>
    public bool IsCue { get; init; }

    /// <summary>The printed value (<c>quarter</c>, <c>eighth</c>, …) or null.</summary>
    public string? Type { get; init; }

    /// <summary>Augmentation dots.</summary>
    public int Dots { get; init; }

    /// <summary>Printed beam signs of the first level (<c>begin</c>, <c>continue</c>, <c>end</c>) or null.</summary>
    public string? Beam { get; init; }

    /// <summary>How many notes in the time of how many, as printed; (1, 1) outside tuplets.</summary>
    public (int Actual, int Normal) Tuplet { get; init; } = (1, 1);

    /// <summary>Its syllables, the first verse first; a syllable that goes on ends with a hyphen.</summary>
    public IReadOnlyList<string> Lyrics { get; init; } = [];

    /// <summary>Octaves that the line above or below the staff moves the sound from where it is printed: 1 under an 8va, -1 over an
    /// 8vb.</summary>
    public int OctaveShift { get; internal set; }

    /// <summary>Marks at the note, slur ends and dynamics included.</summary>
    public IReadOnlyList<Mark> Marks { get; internal set; } = [];

    /// <summary>True for a note or an unpitched sound.</summary>
    public bool Sounds => Kind != NoteKind.Rest;

    /// <summary>True when every head continues a tie, so that nothing is struck.</summary>
    public bool IsTieContinuation => Heads.Count > 0 && Heads.All(h => h.TiedFrom is not null);

    /// <summary>The highest printed pitch, or null.</summary>
    public Pitch? Top => Heads.Where(h => h.Written is not null).Select(h => h.Written).MaxBy(p => p!.Value.Midi);

    /// <summary>The highest sounding key number, or null.</summary>
    public int? TopSounding => Heads.Max(h => h.Sounding);

    /// <summary>Length with ties, of its longest head, in quarters.</summary>
    public Fraction SoundingDuration => Heads.Count == 0 ? Duration : Heads.Max(h => h.TiedDuration);

    /// <summary>True when it carries the mark, whatever its value.</summary>
    public bool Has(string mark) => Marks.Any(m => m.Name == mark);
}
