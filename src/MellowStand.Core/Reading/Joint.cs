using MellowStand.Core.Notation;

namespace MellowStand.Core.Reading;

/// <summary>What speaks for or against parting the music at a joint.</summary>
/// <param name="Words">What it is: <c>a double bar</c>, <c>inside a slur</c>.</param>
/// <param name="Weight">Above 0 for it, below 0 against it.</param>
public readonly record struct JointReason(string Words, double Weight);

/// <summary>A place between two notes of a line that follow each other.</summary>
/// <param name="Place">Its place from 0: that of <paramref name="Before"/> among the struck notes of the line.</param>
/// <param name="Before">The note before it, with all that is tied to it.</param>
/// <param name="After">The next note that is struck.</param>
/// <param name="Reasons">What speaks for and against it, each once.</param>
public sealed record Joint(int Place, Note Before, Note After, IReadOnlyList<JointReason> Reasons)
{
    /// <summary>The weight from which the music is parted: a phrase may end here, and whoever needs air has time for it.</summary>
    /// <remarks>Our own, by hand: see docs/decisions.</remarks>
    public const double Parts = 0.9;

    /// <summary>The sum of the reasons: the higher, the more the music parts here.</summary>
    public double Weight { get; } = Reasons.Sum(r => r.Weight);

    /// <summary>Where the note before it ends, in quarters from the start of the score.</summary>
    public Fraction End => Before.Onset + Before.SoundingDuration;
}
