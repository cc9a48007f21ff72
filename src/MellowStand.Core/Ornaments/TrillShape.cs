using MellowStand.Core.HouseRules;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Ornaments;

/// <summary>Where a trill stops.</summary>
public enum TrillEnd
{
    /// <summary>Just before the next note.</summary>
    BeforeNext,

    /// <summary>On the last beat before its closing notes, or halfway in a note that holds no other beat.</summary>
    BeforeClosing,

    /// <summary>Not at all: it runs into what follows.</summary>
    RunsThrough,
}

/// <summary>How a trill is realised: the one answer for what is told, practiced and played.</summary>
/// <param name="Main">The written note.</param>
/// <param name="Upper">The note above it, with the sign that holds for it.</param>
/// <param name="FromAbove">True where it begins with the upper note.</param>
/// <param name="Opening">The grace that begins it from above, or null.</param>
/// <param name="Closing">Printed graces that close it.</param>
/// <param name="ClosesInNotes">True where two plain notes close it: the one below, the note itself.</param>
/// <param name="End">Where it stops.</param>
/// <param name="Length">Quarters of the note with its ties.</param>
/// <param name="Alternating">Quarters until it stops.</param>
/// <remarks>It begins as the house says, and from above where a grace on the upper note is printed before it. It ends on the main note.
/// Where it is slurred on it runs through; else closing graces are begun after a stop on the last beat before them, unless the house runs
/// through. Common practice, no published source.</remarks>
public sealed record TrillShape(
    Pitch Main,
    Pitch Upper,
    bool FromAbove,
    Note? Opening,
    int Closing,
    bool ClosesInNotes,
    TrillEnd End,
    Fraction Length,
    Fraction Alternating
)
{
    private static readonly Fraction Before = new(1, 4);
    private static readonly Fraction Sixteenth = new(1, 4);

    /// <summary>True where notes that close it are printed.</summary>
    public bool IsClosed => Closing > 0 || ClosesInNotes;

    /// <summary>The trill of a note, or null where none is printed over a pitch, or the sign asks for a roll.</summary>
    /// <param name="score">The score, for its beats.</param>
    /// <param name="part">The part.</param>
    /// <param name="note">The note.</param>
    /// <param name="house">The school's answers.</param>
    public static TrillShape? Of(Score score, Part part, Note note, House house) =>
        OrnamentMarks.Trills.Any(note.Has) ? Over(score, part, note, house) : null;

    /// <summary>The trill over a note whose sign may stand at a note it is tied to, or null over no pitch and where it asks for a
    /// roll.</summary>
    /// <param name="score">The score, for its beats.</param>
    /// <param name="part">The part.</param>
    /// <param name="note">The note.</param>
    /// <param name="house">The school's answers.</param>
    public static TrillShape? Over(Score score, Part part, Note note, House house)
    {
        if (note.Top is not { } main || Rolls.Is(part, note))
            return null;
        var upper = Neighbours.Of(part, note, 1);
        var opening = TrillGraces.Opening(part, note, upper);
        var closing = TrillGraces.Closing(part, note).Count;
        var length = note.SoundingDuration;
        var end = EndOf(closing > 0, IsSlurredOn(part, note), house);
        return new TrillShape(
            main,
            upper,
            opening is not null || house["trill-start"] == "upper",
            opening,
            closing,
            closing == 0 && EndsInNotes(part, note, main),
            end,
            length,
            StopsAfter(score, note, length, end)
        );
    }

    /// <summary>How many notes it has where so many fit: it ends on the main note, so an odd number from the main note, an even one from
    /// above, and always the upper note between.</summary>
    public int Notes(int fitting)
    {
        var most = Math.Max(FromAbove ? 2 : 3, fitting);
        return most % 2 == (FromAbove ? 0 : 1) ? most : most - 1;
    }

    /// <summary>True where a note of the trill is the upper one.</summary>
    /// <param name="place">From 0.</param>
    public bool IsUpper(int place) => place % 2 == 0 == FromAbove;

    /// <summary>The trill in counted notes over the whole of its note: sixteenths, on short notes a quarter of the note; the last one is
    /// held.</summary>
    /// <param name="isWritten">True for a length that one note value has.</param>
    public IReadOnlyList<(Pitch Pitch, Fraction Length)> Counted(Func<Fraction, bool> isWritten)
    {
        var least = Notes(0);
        var each = Alternating >= Sixteenth * least ? Sixteenth : Length / 4;
        // The last one begins where the trill stops at the latest.
        var fitting = Math.Min(Whole(Alternating / each) + 1, Whole(Length / each));
        for (var count = Notes(fitting); count >= least; count -= 2)
        {
            var held = Length - (each * (count - 1));
            if (isWritten(held) && isWritten(each))
                return [.. Enumerable.Range(0, count).Select(i => (IsUpper(i) ? Upper : Main, i < count - 1 ? each : held))];
        }

        return [(Main, Length)];
    }

    private static int Whole(Fraction n) => (int)(n.Numerator / n.Denominator);

    private static TrillEnd EndOf(bool closes, bool slurs, House house)
    {
        if (slurs || house["trill-end"] == "run-through")
            return TrillEnd.RunsThrough;
        return closes ? TrillEnd.BeforeClosing : TrillEnd.BeforeNext;
    }

    private static Fraction StopsAfter(Score score, Note note, Fraction length, TrillEnd end) =>
        end switch
        {
            TrillEnd.RunsThrough => length,
            TrillEnd.BeforeNext => length - (length / 4 < Before ? length / 4 : Before),
            _ => LastBeat(score, note.Onset, note.Onset + length) is { } beat ? beat - note.Onset : length / 2,
        };

    // The last beat after a moment and before another.
    private static Fraction? LastBeat(Score score, Fraction from, Fraction to)
    {
        var frame = score.Measures.LastOrDefault(m => m.Start < to);
        if (frame is null)
            return null;
        var first = frame.Start - frame.InFullMeasure(0);
        Fraction? last = null;
        var beat = first;
        foreach (var beatLength in frame.Meter.Beats)
        {
            if (beat > from && beat < to)
                last = beat;
            beat += beatLength;
        }

        return last;
    }

    private static bool IsSlurredOn(Part part, Note note) =>
        part.Slurs.Any(s =>
            s.From.Voice == note.Voice
            && s.From.Staff == note.Staff
            && s.From.Onset <= note.Onset
            && s.To.Onset >= note.Onset + note.SoundingDuration
        );

    // The two plain notes after it that close it: the one below, the note itself, both much shorter.
    private static bool EndsInNotes(Part part, Note note, Pitch main)
    {
        var after = TrillGraces.After(part, note).Where(n => !n.IsGrace).Take(2).ToList();
        return after.Count == 2
            && after.TrueForAll(n => n.Sounds && n.Duration * 2 <= note.SoundingDuration && n.Duration <= Sixteenth * 2)
            && after[0].Onset == note.Onset + note.SoundingDuration
            && after[0].Top?.Diatonic == main.Diatonic - 1
            && after[1].Top == main;
    }
}
