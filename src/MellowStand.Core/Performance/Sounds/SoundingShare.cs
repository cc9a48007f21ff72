using MellowStand.Core.Notation;

namespace MellowStand.Core.Performance;

/// <summary>How much of its printed length a note sounds.</summary>
/// <remarks>Staccato about half the value, tenuto and slurred the whole, no slur and no dot lightly tongued, dots under a slur soft
/// separate
/// starts. Common practice, no published source, for the halves and wholes; the other shares are ours.</remarks>
internal static class SoundingShare
{
    private static readonly Fraction Whole = 1;
    private static readonly Fraction Tongued = new(9, 10);
    private static readonly Fraction Portato = new(3, 4);
    private static readonly Fraction LongestGap = new(1, 8);
    private static readonly Fraction Breath = new(1, 4);

    // The first mark that a note carries decides.
    private static readonly (string Mark, Fraction Share)[] Marks =
    [
        ("staccatissimo", new(1, 3)),
        ("spiccato", new(1, 2)),
        ("detached-legato", Portato),
        ("staccato", new(1, 2)),
        ("strong-accent", new(3, 4)),
        ("tenuto", Whole),
    ];

    /// <summary>Quarters that it sounds.</summary>
    /// <param name="sound">The note.</param>
    /// <param name="slursOn">True when a slur leads from it to the next note.</param>
    /// <param name="isUnderSlur">True for every note of a slur, its last one too.</param>
    public static Fraction Of(Sound sound, bool slursOn, bool isUnderSlur)
    {
        var length = sound.Length;
        if (sound.Has("staccato") && (sound.Has("tenuto") || isUnderSlur))
            return length * Portato;
        foreach (var (mark, share) in Marks)
            if (sound.Has(mark))
                return length * share;
        if (sound.Has("breath-mark") || sound.Has("caesura"))
            return length - Smaller(length / 2, Breath);
        return slursOn ? length : length - Smaller(length * (Whole - Tongued), LongestGap);
    }

    /// <summary>Ids of notes from which a slur leads to the next.</summary>
    public static HashSet<string> SlurredOn(Part part)
    {
        var on = new HashSet<string>();
        foreach (var slur in part.Slurs)
            for (var i = part.PlaceFrom(slur.From.Onset); i < part.Notes.Count && part.Notes[i].Onset < slur.To.Onset; i++)
                if (part.Notes[i].Voice == slur.From.Voice && (part.Notes[i].Onset > slur.From.Onset || part.Notes[i] == slur.From))
                    on.Add(part.Notes[i].Id);
        return on;
    }

    private static Fraction Smaller(Fraction a, Fraction b) => a < b ? a : b;
}
