using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Auditions;

/// <summary>How a borrowed etude is read.</summary>
public enum BorrowReading
{
    /// <summary>The same written notes: it sounds elsewhere.</summary>
    Written,

    /// <summary>The same sounding notes: it is written elsewhere.</summary>
    Sounding,
}

/// <summary>A written note that the borrower does not have.</summary>
/// <param name="Measure">Measure from 0.</param>
/// <param name="Pitch">As the borrower would read it.</param>
public sealed record NoteBeyond(int Measure, Pitch Pitch);

/// <summary>An etude as another instrument would play it.</summary>
/// <param name="Move">From the lender's written notes to the borrower's.</param>
/// <param name="Octaves">Octaves up (or down when negative) in <paramref name="Move"/>, beside the reading itself.</param>
/// <param name="Beyond">Notes outside the borrower's range.</param>
/// <param name="Why">What this rests on.</param>
public sealed record BorrowPlan(Transposition Move, int Octaves, IReadOnlyList<NoteBeyond> Beyond, string Why);

/// <summary>Lets an instrument take another's etude.</summary>
/// <remarks>Rare instruments share one etude at the same written notes: common practice, no published source. An octave is proposed where
/// it brings more notes into range, the nearest first.</remarks>
public static class Borrowing
{
    private const int MostSigns = 7;

    private static readonly int[] OctavesTried = [0, -1, 1, -2, 2];

    /// <summary>The plan with the octave asked for, or with the one that has the fewest notes out of range.</summary>
    /// <param name="part">The lender's part.</param>
    /// <param name="lender">The lender.</param>
    /// <param name="borrower">The borrower.</param>
    /// <param name="range">The borrower's written range.</param>
    /// <param name="reading">How it is read.</param>
    /// <param name="octaves">Octaves asked for, or null to propose them.</param>
    public static BorrowPlan Of(
        Part part,
        Instrument lender,
        Instrument borrower,
        WrittenRange range,
        BorrowReading reading,
        int? octaves = null
    )
    {
        var move = reading == BorrowReading.Written ? Transposition.None : ReadAnew(lender, borrower, part);
        var tried = (octaves is { } asked ? [asked] : OctavesTried)
            .Select(o => (Octaves: o, Move: move with { Octaves = move.Octaves + o }))
            .Select(t => (t.Octaves, t.Move, Beyond: Beyond(part, t.Move, range)))
            .ToList();
        var best = tried.MinBy(t => t.Beyond.Count);
        var asWritten = tried[0].Beyond.Count;
        return new BorrowPlan(best.Move, best.Octaves, best.Beyond, Why(reading, best.Octaves, asWritten, best.Beyond.Count, borrower));
    }

    // Written anew so that it sounds the same; where a key would have more than seven signs, its enharmonic neighbour is taken.
    private static Transposition ReadAnew(Instrument lender, Instrument borrower, Part part)
    {
        var (a, b) = (lender.Transposition, borrower.Transposition);
        var (letters, semitones) = (a.Diatonic - b.Diatonic + (7 * (a.Octaves - b.Octaves)), a.Semitones - b.Semitones);
        var octaves = (int)Math.Floor(letters / 7.0);
        var move = new Transposition(letters - (7 * octaves), semitones - (12 * octaves), octaves);
        var keys = part.Measures.Select(m => m.Key.Fifths + (7 * move.Chromatic) - (12 * move.Diatonic)).ToList();
        if (keys.Max() > MostSigns)
            return move with { Diatonic = move.Diatonic + 1 };
        return keys.Min() < -MostSigns ? move with { Diatonic = move.Diatonic - 1 } : move;
    }

    private static IReadOnlyList<NoteBeyond> Beyond(Part part, Transposition move, WrittenRange range) =>
        [
            .. part
                .Notes.Where(n => n.Sounds && !n.IsTieContinuation)
                .SelectMany(n =>
                    n.Heads.Where(h => h.Written is not null).Select(h => (n.MeasureIndex, Pitch: move.Sound(h.Written!.Value)))
                )
                .Where(n => !range.Holds(n.Pitch))
                .Select(n => new NoteBeyond(n.MeasureIndex, n.Pitch)),
        ];

    private static string Why(BorrowReading reading, int octaves, int asWritten, int beyond, Instrument borrower)
    {
        var read = reading == BorrowReading.Written ? "The same written notes" : "Written so that it sounds the same";
        var where = octaves switch
        {
            0 => "",
            1 or -1 => octaves > 0 ? ", an octave higher" : ", an octave lower",
            _ => $", {Math.Abs(octaves)} octaves {(octaves > 0 ? "higher" : "lower")}",
        };
        var fits = beyond == 0 ? $"all lies in the range of {borrower.Name}" : $"{Count(beyond)} not in the range of {borrower.Name}";
        var gain = octaves != 0 && asWritten > beyond ? $"; as it stands {Count(asWritten)} not" : "";
        return $"{read}{where}: {fits}{gain}.";
    }

    private static string Count(int notes) => notes == 1 ? "1 note lies" : $"{notes} notes lie";
}
