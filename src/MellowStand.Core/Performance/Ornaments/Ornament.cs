using MellowStand.Core.Notation;
using MellowStand.Core.Ornaments;

namespace MellowStand.Core.Performance;

/// <summary>A note with what its ornament must know.</summary>
/// <param name="Sound">The note.</param>
/// <param name="Part">Its part.</param>
/// <param name="QuarterSeconds">Seconds of a quarter where it begins.</param>
/// <param name="Trill">Its trill, or null.</param>
/// <param name="Turn">Its turn, or null.</param>
/// <param name="Next">The next note of its voice, or null.</param>
internal sealed record Ornamented(
    Sound Sound,
    Part Part,
    double QuarterSeconds,
    TrillShape? Trill,
    TurnShape? Turn,
    Sound? Next
)
{
    /// <summary>Strokes of one note at most: a trill through hours of tied notes is a slip of the file.</summary>
    public const int MostStrokes = 4096;

    /// <summary>The sounding key of its top head.</summary>
    public int Main => Sound.Note.TopSounding ?? PercussionKeys.Of(Part);

    /// <summary>The sounding key of the neighbour above (1) or below (-1), with the sign that holds for it.</summary>
    public int Neighbour(int direction) => Main + (Neighbours.Of(Part, Sound.Note, direction).Midi - Sound.Note.Top!.Value.Midi);

    /// <summary>How many notes of at least so many seconds fit into a stretch; never more than anybody would sit through.</summary>
    public int Fits(Fraction quarters, double seconds) =>
        (int)Math.Clamp(Math.Floor((quarters.Value * QuarterSeconds / seconds) + 1e-6), 1, MostStrokes);

    /// <summary>Keys one after the other over a stretch, each equally long.</summary>
    public static List<Stroke> Even(Fraction from, Fraction to, IReadOnlyList<int> keys)
    {
        var each = (to - from) / keys.Count;
        return [.. keys.Select((key, i) => new Stroke(from + (each * i), from + (each * (i + 1)), key))];
    }
}

/// <summary>A sign that makes several strokes of one note.</summary>
internal interface IOrnament
{
    /// <summary>True when a note carries it.</summary>
    bool Is(Ornamented note);

    /// <summary>The strokes that take the place of the note's top head, from its start to its end.</summary>
    IReadOnlyList<Stroke> Play(Ornamented note);
}

/// <summary>All ornaments; the first that a note carries is played.</summary>
internal static class OrnamentTable
{
    public static IReadOnlyList<IOrnament> All { get; } =
    [new Roll(), new TrillPlayed(), new TurnPlayed(), new MordentPlayed(), new Tremolo(), new Glissando()];
}
